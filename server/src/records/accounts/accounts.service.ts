import { createHash, randomBytes } from 'node:crypto';
import { Injectable, type OnModuleInit } from '@nestjs/common';
import { type EntityManager } from 'typeorm';
import { Identity, type SignedIn } from '../../platform/access/signed-in.ts';
import { Clock } from '../../platform/clock/clock.ts';
import { Problem } from '../../platform/http/problem.ts';
import { ClubsService } from '../clubs/clubs.service.ts';
import { LifterData } from '../lifters/lifter-data.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { Account } from './account.entity.ts';
import { AccountsRepository } from './accounts.repository.ts';
import { checkPassword, hashPassword } from './passwords.ts';

/** A fortnight: long enough that a coach is not thrown out between weekly sessions. */
export const SIGN_IN_DAYS = 14;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url');
const freshToken = (): string => randomBytes(32).toString('base64url');

/** Names by account id; one that is not there is nobody's. */
export type Names = ReadonlyMap<string, string>;

/** Who may sign in, who is signed in, and what people are called. */
@Injectable()
export class AccountsService extends Identity implements OnModuleInit {
  constructor(
    private readonly accounts: AccountsRepository,
    private readonly clubs: ClubsService,
    private readonly lifters: LiftersService,
    private readonly data: LifterData,
    private readonly clock: Clock,
  ) {
    super();
  }

  onModuleInit(): void {
    this.data.register(90, [{ name: 'account', where: 'lifter_id = $1', secret: true }]);
  }

  /** Signs in; the token is the cookie's. */
  async signIn(email: string, password: string): Promise<{ token: string; signedIn: SignedIn }> {
    const account = await this.accounts.byEmail(email);
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
    const signedIn = await this.whoIs(token);
    if (!signedIn)
      throw new Problem(
        401,
        'wrong-sign-in',
        'Your coach has archived you, so this account shows nothing now.',
      );
    return { token, signedIn };
  }

  async signOut(token: string): Promise<void> {
    await this.accounts.removeSignIn(hashOf(token));
  }

  override async whoIs(token: string | undefined): Promise<SignedIn | null> {
    const found = token ? await this.accounts.signedIn(hashOf(token), this.clock.now()) : null;
    if (!found) return null;
    const { signIn, account } = found;
    const { id, email, name, role, lifterId, unit, theme } = account;
    const [club, active] = await Promise.all([
      this.clubs.byId(account.clubId),
      lifterId === null || this.lifters.isActive(lifterId),
    ]);
    if (!active) return null;
    return {
      account: { id, email, name, role, lifterId, unit, theme },
      club: { id: club.id, name: club.name, timeZone: club.timeZone },
      changeToken: signIn.changeToken,
      expiresAt: signIn.expiresAt,
    };
  }

  async savePreferences(id: string, changes: Partial<Pick<Account, 'unit' | 'theme'>>): Promise<void> {
    if (Object.keys(changes).length) await this.accounts.savePreferences(id, changes);
  }

  /** What the accounts are called, those taken back too. */
  async names(ids: readonly (string | null)[]): Promise<Names> {
    const wanted = [...new Set(ids.filter((id) => id !== null))];
    if (wanted.length === 0) return new Map();
    return new Map((await this.accounts.byIds(wanted)).map(({ id, name }) => [id, name]));
  }

  /** The lifter's own account, where there is one. */
  ofLifter(lifterId: string): Promise<Account | null> {
    return this.accounts.byLifter(lifterId);
  }

  async emailTaken(email: string): Promise<boolean> {
    return (await this.accounts.byEmail(email)) !== null;
  }

  /** Makes an account; false where its address is taken, or its lifter has one. */
  async add(
    manager: EntityManager,
    account: Omit<Account, 'passwordHash' | 'removedAt'>,
    password: string,
  ): Promise<boolean> {
    const passwordHash = await hashPassword(password);
    return this.accounts.add(manager, { ...account, passwordHash, removedAt: null });
  }

  async remove(manager: EntityManager, id: string): Promise<void> {
    await this.accounts.remove(manager, id, this.clock.now());
  }
}
