import { IsEmail, IsIn, IsOptional, IsString, MaxLength, MinLength } from 'class-validator';
import type { MassUnit } from '@iron-clasp/core';
import { UNITS } from './fields.ts';

const THEMES = ['light', 'dark'] as const;

export type Theme = (typeof THEMES)[number];

export class SignInRequest {
  @IsEmail({}, { message: 'Type the e-mail address you signed up with.' })
  @MaxLength(200)
  email: string;

  @IsString({ message: 'Type your password.' })
  @MinLength(1, { message: 'Type your password.' })
  @MaxLength(200)
  password: string;
}

export class PreferencesRequest {
  @IsOptional()
  @IsIn(UNITS, { message: 'Unit must be kg or lb.' })
  unit?: MassUnit;

  @IsOptional()
  @IsIn(THEMES, { message: 'Theme must be light or dark.' })
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
  readonly club: { readonly id: string; readonly name: string };
  /** To be sent back in the `x-iron-clasp-token` header with every change. */
  readonly token: string;
}
