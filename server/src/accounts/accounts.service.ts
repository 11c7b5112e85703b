import { createHash, randomBytes } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import type { SessionView } from '@iron-clasp/contract';
import { Clock } from '../clock.ts';
import { Problem } from '../http/problem.ts';
import { AccountsRepository, type SignedIn } from './accounts.repository.ts';
import { checkPassword } from './passwords.ts';

/** A fortnight: long enough that a coach is not thrown out between weekly sessions. */
export const SIGN_IN_DAYS = 14;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url');
const freshToken = (): string => randomBytes(32).toString('base64url');

@Injectable()
export class AccountsService {
  constructor(
    private readonly accounts: AccountsRepository,
    private readonly clock: Clock,
  ) {}

  /** Signs in and returns the cookie's token with what the page needs. */
  async signIn(email: string, password: string): Promise<{ token: string; view: SessionView }> {
    const account = await this.accounts.byEmailWithPassword(email);
    if (!(await checkPassword(account?.passwordHash, password)) || !account) {
      throw new Problem(
        401,
        'wrong-sign-in',
        'E-mail and password do not belong together. Check both and try again.',
      );
    }
    const now = this.clock.now();
    await this.accounts.removeExpired(now);
    const token = freshToken();
    const expiresAt = new Date(now.getTime() + SIGN_IN_DAYS * 86_400_000);
    await this.accounts.addSignIn({
      tokenHash: hashOf(token),
      accountId: account.id,
      changeToken: freshToken(),
      expiresAt,
    });
    return { token, view: viewOf((await this.accounts.signedIn(hashOf(token), now))!) };
  }

  async signOut(token: string): Promise<void> {
    await this.accounts.removeSignIn(hashOf(token));
  }

  async whoIs(token: string | undefined): Promise<SignedIn | null> {
    return token ? this.accounts.signedIn(hashOf(token), this.clock.now()) : null;
  }
}

export function viewOf({ account, club, changeToken }: SignedIn): SessionView {
  const { id, name, email, unit, theme, role, lifterId } = account;
  return {
    account: { id, name, email, unit, theme, role, lifterId },
    club: { id: club.id, name: club.name },
    token: changeToken,
  };
}
