import { randomUUID } from 'node:crypto';
import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { addDays } from 'date-fns';
import { type EntityManager } from 'typeorm';
import { Deeds } from '../../platform/access/deeds.ts';
import { GuessLimit } from '../../platform/access/guess-limit.ts';
import { Identity, type SignedIn } from '../../platform/access/signed-in.ts';
import { Clock } from '../../platform/clock/clock.ts';
import type { Config } from '../../platform/config/config.ts';
import { CONFIG } from '../../platform/config/token.ts';
import { Days } from '../../platform/days/days.ts';
import { Problem } from '../../platform/http/problem.ts';
import { ClubsService } from '../clubs/clubs.service.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { Account } from './account.entity.ts';
import { AccountsRepository } from './accounts.repository.ts';
import { deviceName } from './device-name.ts';
import { checkPassword, hashPassword } from './passwords.ts';
import { stepOf } from './second-factor.ts';
import { freshSecret, hashOf } from './secrets.ts';

/** A fortnight: long enough that a coach is not thrown out between weekly sessions. */
export const SIGN_IN_DAYS = 14;

/** Names by account id; one that is not there is nobody's. */
export type Names = ReadonlyMap<string, string>;

/** A device that asks, and where from. */
export interface Asking {
  /** Network address. */
  readonly from: string;
  readonly userAgent: string | undefined;
}

/** An account as it is made; the rest of it is the same for every new one. */
export type NewAccount = Pick<
  Account,
  'id' | 'clubId' | 'email' | 'name' | 'role' | 'lifterId' | 'unit' | 'theme'
> &
  Partial<Pick<Account, 'endsOn'>>;

/** Somebody who is let in: the token is the cookie's. */
export interface Entered {
  readonly token: string;
  readonly signedIn: SignedIn;
}

/** In whose name something is done, and in which club. */
type Acting = Pick<SignedIn, 'account' | 'club'>;

/** Who may sign in, who is signed in, and what people are called. */
@Injectable()
export class AccountsService extends Identity implements OnModuleInit {
  constructor(
    private readonly accounts: AccountsRepository,
    private readonly clubs: ClubsService,
    private readonly lifters: LiftersService,
    private readonly kept: KeptTables,
    private readonly limit: GuessLimit,
    private readonly deeds: Deeds,
    private readonly clock: Clock,
    private readonly days: Days,
    @Inject(CONFIG) private readonly config: Config,
  ) {
    super();
  }

  onModuleInit(): void {
    this.kept.register(
      {
        ...{ name: 'account', ...OWN, exported: 'withClub', goesAlong: ['id', 'club_id', 'name'] },
        secret: ['password_hash', 'second_factor', 'second_factor_step'],
        // Who only signed something that comes back signs in nowhere: the name is kept, and nothing else.
        comesBack: (row) => ({
          ...{ email: `${String(row['id'])}@nobody.invalid`, role: 'follower', removed_at: this.clock.now() },
          ...row,
        }),
      },
      { name: 'sign_in', partOf: 'account_id', exported: 'never' },
      { name: 'password_link', ofClub: OWN.ofClub, exported: 'never' },
    );
  }

  /** Signs in; the token is the cookie's. */
  async signIn(
    { email, password, code }: { readonly email: string; readonly password: string; readonly code?: string },
    asking: Asking,
  ): Promise<Entered> {
    const account = await this.limit.guess(email, asking.from, async () => {
      const found = await this.accounts.byEmail(email);
      // Of an unknown address a password is checked all the same: the time tells nothing.
      const right = await checkPassword(found?.passwordHash, password);
      if (!found) throw wrongSignIn();
      try {
        if (!right || !(await this.isOpen(found))) throw wrongSignIn();
        await this.checkSecondFactor(found, code);
      } catch (refusal) {
        // Not waited for: it would tell that there is such an account. Asking for a second factor is no refusal yet.
        if (!right || code !== undefined)
          void this.record(found, 'A sign-in was refused').catch(() => undefined);
        throw refusal;
      }
      return found;
    });
    const signedIn = await this.letIn(account, asking);
    if (!signedIn) {
      await this.record(account, 'A sign-in was refused');
      throw new Problem(
        401,
        'wrong-sign-in',
        'Your coach has archived you, so this account shows nothing now.',
      );
    }
    return signedIn;
  }

  /** Signs a device in to an account whose owner has been made sure of; null where it is not open. */
  async enter(accountId: string, asking: Asking): Promise<Entered | null> {
    const [account] = await this.accounts.byIds([accountId]);
    return account ? this.letIn(account, asking) : null;
  }

  private async letIn(account: Account, { userAgent }: Asking): Promise<Entered | null> {
    const acting = await this.acting(account);
    if (!acting) return null;
    const now = this.clock.now();
    await this.accounts.removeExpired(now);
    const token = freshSecret();
    const device = deviceName(userAgent);
    const signIn = {
      ...{ tokenHash: hashOf(token), id: randomUUID(), accountId: account.id, changeToken: freshSecret() },
      ...{ expiresAt: addDays(now, SIGN_IN_DAYS), device, madeAt: now, seenAt: now },
    };
    await this.accounts.addSignIn(signIn);
    await this.record(account, `Signed in on ${device}`);
    const { id: deviceId, changeToken, expiresAt } = signIn;
    return { token, signedIn: { ...acting, deviceId, changeToken, expiresAt } };
  }

  private record({ id, clubId }: Account, what: string): Promise<void> {
    return this.deeds.keep({ clubId, accountId: id, at: this.clock.now(), what, lifterId: null });
  }

  async signOut(token: string): Promise<void> {
    await this.accounts.removeSignIn(hashOf(token));
  }

  override async whoIs(token: string | undefined): Promise<SignedIn | null> {
    const found = token ? await this.accounts.signedIn(hashOf(token), this.clock.now()) : null;
    const acting = found && (await this.acting(found.account));
    if (!acting) return null;
    const { id: deviceId, changeToken, expiresAt } = found.signIn;
    return { ...acting, deviceId, changeToken, expiresAt };
  }

  /** Somebody of the staff in whose name a program acts; null once they sign in no more. */
  async actingFor(accountId: string): Promise<Acting | null> {
    const [account] = await this.accounts.byIds([accountId]);
    return account ? this.acting(account) : null;
  }

  /** What these accounts are called, those taken back too, and whether they still sign in. */
  async signers(ids: readonly string[]): Promise<ReadonlyMap<string, { name: string; open: boolean }>> {
    const found = await this.accounts.byIds([...new Set(ids)]);
    return new Map(
      await Promise.all(
        found.map(
          async (account) =>
            [account.id, { name: account.name, open: (await this.acting(account)) !== null }] as const,
        ),
      ),
    );
  }

  /** The account with its club, while it is open. */
  private async acting(account: Account): Promise<Acting | null> {
    const { id, email, name, role, lifterId, unit, theme, removedAt } = account;
    if (removedAt !== null) return null;
    const [{ version: _version, ...club }, active] = await Promise.all([
      this.clubs.byId(account.clubId),
      lifterId === null || this.lifters.isActive(lifterId),
    ]);
    if (!active || !this.isOpenOn(account, club)) return null;
    return { account: { id, email, name, role, lifterId, unit, theme }, club };
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
  async add(manager: EntityManager, account: NewAccount, password: string): Promise<boolean> {
    const passwordHash = await hashPassword(password);
    return this.accounts.add(manager, {
      ...{ endsOn: null, ...account, passwordHash },
      ...{ secondFactor: null, secondFactorStep: null, version: 1, removedAt: null },
    });
  }

  /** Gives an owner of a club that came back a password; null where no owner signs in with the address. */
  async giveOwnerPassword(
    manager: EntityManager,
    clubId: string,
    email: string,
    password: string,
  ): Promise<string | null> {
    const owners = await this.accounts.owners(manager, clubId);
    const owner = owners.find((each) => each.email.toLowerCase() === email.toLowerCase());
    if (!owner) return null;
    await this.accounts.saveSecrets(manager, owner.id, { passwordHash: await hashPassword(password) });
    return owner.id;
  }

  async remove(manager: EntityManager, id: string): Promise<void> {
    await this.accounts.remove(manager, id, this.clock.now());
  }

  private async isOpen(account: Account): Promise<boolean> {
    return this.isOpenOn(account, await this.clubs.byId(account.clubId));
  }

  /** Its end has not come, and its club is not the demo's where the demo is off. */
  private isOpenOn(account: Account, club: SignedIn['club']): boolean {
    if (club.demo && !this.config.demo) return false;
    return account.endsOn === null || this.days.today(club) <= account.endsOn;
  }

  private async checkSecondFactor(account: Account, code: string | undefined): Promise<void> {
    if (account.secondFactor === null) return;
    if (code === undefined)
      throw new Problem(401, 'second-factor', 'Type the six figures that your authenticator shows.');
    const step = await stepOf(account.secondFactor, code, this.clock.now(), account.secondFactorStep);
    if (step !== null && (await this.accounts.useStep(account.id, step))) return;
    throw new Problem(
      401,
      'wrong-code',
      'The six figures are not those of your authenticator now. Wait for the next ones and try again.',
    );
  }
}

const wrongSignIn = (): Problem =>
  new Problem(401, 'wrong-sign-in', 'E-mail and password do not belong together. Check both and try again.');
