import type { MassUnit } from '@iron-clasp/core';
import type { CallsView } from './calls.ts';
import { Email, Secret, Whole } from './fields.ts';

/** A read-only link to a lifter's coming sessions. */
export class ShareRequest {
  @Whole({ min: 1, max: 90 }, 'A link lasts 1 to 90 days.')
  days: number;
}

const EMAIL = 'Type the lifter’s e-mail address.';

/** Invites a lifter to an account of their own. */
export class InvitationRequest {
  @Email(EMAIL)
  email: string;
}

/** A lifter takes up the invitation with a password of their own. */
export class JoinRequest {
  @Secret(10, 200, 'Choose a password of at least 10 characters.')
  password: string;
}

/** A read-only link; its address is only known to whoever made it. */
export interface ShareLinkView {
  readonly id: string;
  readonly madeBy: string;
  readonly madeAt: string;
  readonly expiresAt: string;
  readonly revoked: { readonly by: string; readonly at: string } | null;
}

/** A link or invitation that was just made: the one time its address is shown. */
export interface MadeLinkView {
  readonly id: string;
  /** Path of the page, with the secret in it. */
  readonly path: string;
  readonly expiresAt: string;
}

/** What somebody sees who holds a link: the coming sessions, nothing more. */
export interface SharedView {
  readonly club: string;
  readonly lifterName: string;
  readonly unit: MassUnit;
  readonly expiresAt: string;
  readonly sessions: readonly CallsView[];
}

/** What an invited lifter sees before choosing a password. */
export interface InvitationView {
  readonly club: string;
  readonly lifterName: string;
  readonly email: string;
}
