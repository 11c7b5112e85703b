import type { Response } from 'express';
import { COOKIE } from '../../platform/access/who-asks.ts';
import type { Config } from '../../platform/config/config.ts';
import { SIGN_IN_DAYS } from '../../records/accounts/accounts.service.ts';

/** Hands the browser what it is signed in by; no script reads it and no other site sends it. */
export function giveCookie(response: Response, token: string, { secureCookies }: Config): void {
  // What came by https is only ever sent back by https.
  const secure = secureCookies || response.req.secure;
  response.cookie(COOKIE, token, {
    ...{ httpOnly: true, sameSite: 'strict', secure, path: '/' },
    maxAge: SIGN_IN_DAYS * 86_400_000,
  });
}

export function takeCookie(response: Response): void {
  response.clearCookie(COOKIE, { path: '/', sameSite: 'strict', httpOnly: true });
}
