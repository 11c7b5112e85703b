import { Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { Problem } from '../http/problem.ts';
import type { SignedInRequest } from './guard.ts';

/** Reads of a whole club that one account may ask for in a minute: enough to look again, not to hold the server. */
export const HEAVY_READS_A_MINUTE = 30;

/** Bounds reads that work through a whole club; a guard of those routes. */
@Injectable()
export class HeavyReads implements CanActivate {
  readonly #limit = new RateLimiterMemory({ points: HEAVY_READS_A_MINUTE, duration: 60 });

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const { signedIn } = context.switchToHttp().getRequest<SignedInRequest>();
    await this.#limit.consume(signedIn!.account.id).catch(() => {
      throw new Problem(
        429,
        'too-many-reads',
        'That was asked for often in the last minute. Wait a moment, then try again.',
      );
    });
    return true;
  }
}
