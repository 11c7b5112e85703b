import { Day, OneOf, Text } from './fields.ts';

/** What an API client may do: each does what the one before does too. */
export const TOKEN_SCOPES = ['read', 'log', 'plan'] as const;
export type TokenScope = (typeof TOKEN_SCOPES)[number];

export const TOKEN_SCOPE_NAMES: Readonly<Record<TokenScope, string>> = {
  read: 'Read',
  log: 'Log',
  plan: 'Program',
};

export const TOKEN_SCOPE_WORDS: Readonly<Record<TokenScope, string>> = {
  read: 'reads the rack, sheets, calls and logs',
  log: 'reads, and logs what was done, as an assistant does',
  plan: 'reads, logs and writes sessions and profiles, as a coach does',
};

/** Longest that a token lasts, days. */
export const LONGEST_TOKEN_DAYS = 366;
/** Tokens in use that a club has at most. */
export const MOST_TOKENS = 20;
/** What every token begins with, so that one that strayed into a file is known for what it is. */
export const TOKEN_PREFIX = 'ironclasp_';

/** Makes a token; its secret is told this once. */
export class ApiTokenRequest {
  @Text(80, 'Say what it is for, in 1 to 80 characters.')
  name: string;

  @OneOf(TOKEN_SCOPES, 'Choose read, log or plan.')
  scope: TokenScope;

  /** Last of the club's days on which it is good. */
  @Day('Choose the last day, a year ahead at most.')
  endsOn: string;
}

export interface ApiTokenView {
  readonly id: string;
  readonly name: string;
  readonly scope: TokenScope;
  readonly madeBy: string;
  readonly madeAt: string;
  readonly endsOn: string;
  readonly lastUsedAt: string | null;
  /** Its last day has passed, or whoever made it has left. */
  readonly ended: boolean;
}

export interface ApiTokensView {
  readonly tokens: readonly ApiTokenView[];
  /** Requests that one token may send in a minute. */
  readonly perMinute: number;
}

export interface MadeTokenView {
  readonly id: string;
  /** Told this once. */
  readonly token: string;
  readonly endsOn: string;
}
