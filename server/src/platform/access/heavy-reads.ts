import { Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import { DataSource } from 'typeorm';
import type { SignedInRequest } from './guard.ts';
import { MinuteLimit } from './minute-limit.ts';

/** Reads of a whole club that one account may ask for in a minute: enough to look again, not to hold the server. */
export const HEAVY_READS_A_MINUTE = 30;

/** Bounds reads that work through a whole club; a guard of those routes. */
@Injectable()
export class HeavyReads implements CanActivate {
  readonly #limit: MinuteLimit;

  constructor(db: DataSource) {
    this.#limit = new MinuteLimit(db, 'heavy', HEAVY_READS_A_MINUTE, [
      'too-many-reads',
      'That was asked for often in the last minute. Wait a moment, then try again.',
    ]);
  }

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const { signedIn } = context.switchToHttp().getRequest<SignedInRequest>();
    await this.#limit.count(signedIn!.account.id);
    return true;
  }
}
