import { Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import { isUUID } from 'class-validator';
import type { SignedInRequest } from '../../platform/access/guard.ts';
import { notFound } from '../../platform/http/problem.ts';
import { TrainingService } from '../../records/training/training.service.ts';

/** Sessions that one screen follows. */
const MOST_FOLLOWED = 6;

/** The sessions that an address names, with commas between. */
export const sessionsOf = (named: string): readonly string[] => named.toLowerCase().split(',');

/** Looks at what is to be followed before the stream begins: once it has, nothing can be refused any more. */
@Injectable()
export class FollowedSessions implements CanActivate {
  constructor(private readonly training: TrainingService) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<SignedInRequest>();
    const ids = sessionsOf(String(request.params['sessions']));
    if (ids.length > MOST_FOLLOWED || !ids.every((id) => isUUID(id))) throw notFound('session');
    for (const id of ids) await this.training.known(request.signedIn!.club.id, id);
    return true;
  }
}
