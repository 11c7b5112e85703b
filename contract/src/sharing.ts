import type { MassUnit } from '@iron-clasp/core';
import type { CallsView } from './calls.ts';
import { NewPassword } from './accounts.ts';
import type { StaffRole } from './roles.ts';
import { Email, Flag, Optional, Whole } from './fields.ts';

/** A read-only link to a lifter's coming sessions. */
export class ShareRequest {
  @Whole({ min: 1, max: 90 }, 'A link lasts 1 to 90 days.')
  days: number;

  /** Days from today that it shows, today among them. */
  @Optional()
  @Whole({ min: 1, max: 90 }, 'A link shows 1 to 90 days ahead.')
  ahead?: number;

  /** Hands, conditions and cautions too; the lifter has to have agreed. */
  @Optional()
  @Flag('Say whether the lifter agreed that hands and cautions are shown.')
  health?: boolean;
}

/** A link to the calendar of the whole club. */
export class CalendarLinkRequest {
  /** A program follows it for a season: it lasts longer than what is handed to one lifter. */
  @Whole({ min: 1, max: 366 }, 'The link lasts 1 to 366 days.')
  days: number;

  /** Days from today that it shows, today among them. */
  @Optional()
  @Whole({ min: 1, max: 90 }, 'A link shows 1 to 90 days ahead.')
  ahead?: number;
}

const EMAIL = 'Type the lifter’s e-mail address.';

/** Invites a lifter to an account of their own. */
export class InvitationRequest {
  @Email(EMAIL)
  email: string;
}

/** Whoever was invited takes it up with a password of their own. */
export class JoinRequest {
  @NewPassword()
  password: string;
}

/** A read-only link; its address is only known to whoever made it. */
export interface ShareLinkView {
  readonly id: string;
  readonly madeBy: string;
  readonly madeAt: string;
  readonly expiresAt: string;
  /** Days from today that it shows. */
  readonly ahead: number;
  /** Shows hands, conditions and cautions too. */
  readonly health: boolean;
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
  /** Days from today that it shows. */
  readonly ahead: number;
  readonly sessions: readonly CallsView[];
}

/** What somebody who was invited sees before choosing a password. */
export interface InvitationView {
  readonly club: string;
  readonly name: string;
  readonly email: string;
  readonly role: StaffRole | 'lifter';
}

/** What somebody sees whom an owner has handed a way to a new password. */
export interface PasswordLinkView {
  readonly club: string;
  readonly name: string;
  readonly email: string;
}
