import type { SessionView } from '@iron-clasp/contract';
import type { Request } from 'express';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import type { Asking } from '../../records/accounts/accounts.service.ts';

/** The device that asks, and where from. */
export const askingOf = (request: Request): Asking => ({
  from: request.ip ?? '',
  userAgent: request.get('user-agent'),
});

/** Who is signed in, as the pages know it. */
export function sessionView({ account, club, changeToken }: SignedIn): SessionView {
  return { account, club, token: changeToken };
}
