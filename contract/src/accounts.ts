import { MASS_UNITS, type MassUnit } from '@iron-clasp/core';
import { Email, OneOf, Optional, Secret } from './fields.ts';

export const THEMES = ['light', 'dark'] as const;
export type Theme = (typeof THEMES)[number];

const EMAIL = 'Type the e-mail address you signed up with.';

export class SignInRequest {
  @Email(EMAIL)
  email: string;

  @Secret(1, 200, 'Type your password.')
  password: string;
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
}

export interface SessionView {
  readonly account: {
    readonly id: string;
    readonly name: string;
    readonly email: string;
    readonly unit: MassUnit;
    readonly theme: Theme;
    readonly role: 'coach' | 'lifter';
    /** The lifter whose account it is; null for a coach. */
    readonly lifterId: string | null;
  };
  readonly club: { readonly id: string; readonly name: string; readonly timeZone: string };
  /** To be sent back in the `x-iron-clasp-token` header with every change. */
  readonly token: string;
}
