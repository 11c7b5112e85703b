import type { ErrorView } from '@iron-clasp/contract';
import { rateLimit, type RateLimitRequestHandler } from 'express-rate-limit';

/** Tries at a password per minute and address: enough for a forgetful coach, useless for guessing. */
export const SIGN_INS_PER_MINUTE = 20;

const TOO_MANY: ErrorView = {
  error: { code: 'too-many-tries', message: 'Too many tries. Wait a minute, then try again.' },
};

/** Slows down guessing at passwords; every other request passes. */
export function signInLimit(): RateLimitRequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: SIGN_INS_PER_MINUTE,
    standardHeaders: 'draft-7',
    legacyHeaders: false,
    skip: (request) => request.method !== 'POST',
    message: TOO_MANY,
  });
}
