import type { MassUnit } from '@iron-clasp/core';
import type { ClubSummary, Role, Theme } from '@iron-clasp/contract';

/** Who is signed in: the account, its club and the token that changes must carry. */
export interface SignedIn {
  readonly account: {
    readonly id: string;
    readonly email: string;
    readonly name: string;
    readonly role: Role;
    /** The lifter whose account it is; null for everybody else. */
    readonly lifterId: string | null;
    readonly unit: MassUnit;
    readonly theme: Theme;
  };
  readonly club: ClubSummary;
  /** Which of the account’s devices asks. */
  readonly deviceId: string;
  readonly changeToken: string;
  readonly expiresAt: Date;
  /** The client that acts for them with less than their right; left out where they act themselves. */
  readonly client?: string;
}

/** Finds who a cookie belongs to; the module that keeps accounts provides it. */
export abstract class Identity {
  /** Null for a token that nobody has, or that has run out. */
  abstract whoIs(token: string | undefined): Promise<SignedIn | null>;
}

/** Finds whom a client acts for; the module that keeps tokens provides it. */
export abstract class ApiClients {
  /** Null for a token that nobody has, or that is over. */
  abstract whoShows(token: string): Promise<SignedIn | null>;
}
