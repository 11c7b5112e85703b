import { MASS_UNITS, type MassUnit } from '@iron-clasp/core';
import {
  Day,
  Email,
  Matching,
  Nullable,
  OneOf,
  Optional,
  Secret,
  SeenVersion,
  Text,
  TimeZone,
} from './fields.ts';
import {
  DATE_ORDERS,
  THEMES,
  WEEK_STARTS,
  type DateOrder,
  type Theme,
  type WeekStart,
} from './preferences.ts';
import { STAFF_ROLES, type Role, type StaffRole } from './roles.ts';

/** What is said where a setting of a club is none. */
const CLUB_MESSAGES = {
  name: 'The club’s name is 1 to 120 characters.',
  timeZone: 'Choose the time zone of the club.',
  unit: 'Unit must be kg or lb.',
  weekStart: 'The week starts on Monday, Sunday or Saturday.',
  dateOrder: 'Say whether the day or the month is written first.',
} as const;

export const PASSWORD_LENGTH = { min: 10, max: 200 } as const;
const PASSWORD = `Choose a password of at least ${PASSWORD_LENGTH.min} characters.`;
/** A password that is chosen; how easily it is guessed is judged by the server. */
export const NewPassword = (): PropertyDecorator =>
  Secret(PASSWORD_LENGTH.min, PASSWORD_LENGTH.max, PASSWORD);

const EMAIL = 'Type the e-mail address you signed up with.';

export class SignInRequest {
  @Email(EMAIL)
  email: string;

  @Secret(1, 200, 'Type your password.')
  password: string;

  /** Six figures of the authenticator, where the account has a second factor. */
  @Optional()
  @Matching(/^\s*\d{3}\s?\d{3}\s*$/, 'Type the six figures of your authenticator.')
  code?: string;
}

export class PreferencesRequest {
  @Optional()
  @OneOf(MASS_UNITS, 'Unit must be kg or lb.')
  unit?: MassUnit;

  @Optional()
  @OneOf(THEMES, 'Theme must be light or dark.')
  theme?: Theme;
}

/** Shown before anyone is signed in; `demo` only in demo mode. */
export interface WelcomeView {
  readonly demo: {
    readonly email: string;
    readonly password: string;
    readonly club: string;
    /** A lifter who signs in for themselves. */
    readonly lifter: { readonly name: string; readonly email: string; readonly password: string };
  } | null;
  /** True until somebody has started a club of their own here. */
  readonly setUp: boolean;
}

/** A club as those who belong to it see it. */
export interface ClubSummary {
  readonly id: string;
  readonly name: string;
  readonly timeZone: string;
  readonly unit: MassUnit;
  readonly weekStart: WeekStart;
  readonly dateOrder: DateOrder;
  /** The invented club of the demo. */
  readonly demo: boolean;
}

export interface SessionView {
  readonly account: {
    readonly id: string;
    readonly name: string;
    readonly email: string;
    readonly unit: MassUnit;
    readonly theme: Theme;
    readonly role: Role;
    /** The lifter whose account it is; null for everybody else. */
    readonly lifterId: string | null;
  };
  readonly club: ClubSummary;
  /** To be sent back in the `x-iron-clasp-token` header with every change. */
  readonly token: string;
}

/** Changes one's own password. */
export class PasswordRequest {
  @Secret(1, 200, 'Type the password you sign in with now.')
  current: string;

  @NewPassword()
  password: string;
}

/** A device that is signed in. */
export interface DeviceView {
  readonly id: string;
  /** Browser and system, as far as it told. */
  readonly name: string;
  readonly signedInAt: string;
  readonly seenAt: string;
  /** The one that asks. */
  readonly here: boolean;
}

/** One's own account: what signs in, and where. */
export interface OwnAccountView {
  readonly devices: readonly DeviceView[];
  /** An authenticator is asked for at sign-in. */
  readonly secondFactor: boolean;
}

/** A secret for an authenticator, not asked for until a code of it was typed back. */
export interface NewSecondFactorView {
  /** `otpauth://` address, for a QR code. */
  readonly address: string;
  readonly secret: string;
}

const CODE = 'Type the six figures that the authenticator shows now.';

/** Switches the second factor on, with a code that shows the authenticator works. */
export class SecondFactorRequest {
  @Text(64, CODE)
  secret: string;

  @Matching(/^\s*\d{3}\s?\d{3}\s*$/, CODE)
  code: string;
}

/** Switches it off again. */
export class SecondFactorOffRequest {
  @Secret(1, 200, 'Type your password.')
  password: string;
}

const NAME = 'A name is 1 to 120 characters.';
const ENDS = 'The end is a day, or left open.';

/** Somebody of the club with an account of their own. */
export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  /** Last day of the account, `YYYY-MM-DD`; null where it goes on. */
  readonly endsOn: string | null;
  readonly version: number;
  /** When a device of theirs last asked for anything. */
  readonly seenAt: string | null;
}

/** Somebody who was asked and has not come yet. */
export interface InvitedView {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: StaffRole;
  readonly endsOn: string | null;
  readonly expiresAt: string;
  readonly expired: boolean;
}

/** Everybody who signs in to the club. */
export interface PeopleView {
  readonly people: readonly PersonView[];
  readonly invited: readonly InvitedView[];
}

/** Asks somebody in, with a role and perhaps an end. */
export class StaffInvitationRequest {
  @Text(120, NAME)
  name: string;

  @Email('Type the e-mail address they sign in with.')
  email: string;

  @OneOf(STAFF_ROLES, 'Choose owner, coach, assistant or follower.')
  role: StaffRole;

  /** Last day of the account; null where it goes on. */
  @Nullable()
  @Day(ENDS)
  endsOn?: string | null;
}

/** Changes what somebody may do, and until when. */
export class PersonRequest {
  @OneOf(STAFF_ROLES, 'Choose owner, coach, assistant or follower.')
  role: StaffRole;

  @Nullable()
  @Day(ENDS)
  endsOn?: string | null;

  @SeenVersion(1)
  version: number;
}

/** Name, days and unit of a club. */
export class ClubBody {
  @Text(120, CLUB_MESSAGES.name)
  name: string;

  @TimeZone(CLUB_MESSAGES.timeZone)
  timeZone: string;

  @OneOf(MASS_UNITS, CLUB_MESSAGES.unit)
  unit: MassUnit;

  @OneOf(WEEK_STARTS, CLUB_MESSAGES.weekStart)
  weekStart: WeekStart;

  @OneOf(DATE_ORDERS, CLUB_MESSAGES.dateOrder)
  dateOrder: DateOrder;
}

/** Changes them. */
export class ClubRequest extends ClubBody {
  @SeenVersion(1)
  version: number;
}

export interface ClubSettingsView extends ClubSummary {
  readonly version: number;
}

/** One thing that somebody did, for owners to look up. */
export interface DeedView {
  readonly id: string;
  readonly at: string;
  /** Empty where what must stay names nobody. */
  readonly by: string;
  readonly what: string;
  /** The lifter it was about, where it was about one who is still there. */
  readonly lifter: { readonly id: string; readonly name: string } | null;
}

export interface DeedsView {
  readonly deeds: readonly DeedView[];
  /** To ask for the next page with; null at the end. */
  readonly next: string | null;
}
