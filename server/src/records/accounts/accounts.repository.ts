import { Injectable } from '@nestjs/common';
import { DataSource, In, IsNull, MoreThan, Not, type EntityManager, type SelectQueryBuilder } from 'typeorm';
import { changeVersion, insertNew } from '../../platform/database/saves.ts';
import { columnsOf, readBy, readOne } from '../../platform/database/read-many.ts';
import { Account, PasswordLink, SignIn } from './account.entity.ts';

/** How often it is kept that a device asked for something, ms. */
const SEEN_EVERY = 5 * 60_000;

/** What a request has to know of the sign-in behind it. */
type KnownSignIn = Pick<SignIn, 'id' | 'changeToken' | 'expiresAt'>;

/** A sign-in's columns beside those of its account. */
type BesideAccount = Pick<SignIn, 'changeToken' | 'expiresAt' | 'seenAt'> & { readonly signInId: string };

@Injectable()
export class AccountsRepository {
  constructor(private readonly db: DataSource) {}

  /** The account that signs in with an address, with its secrets. */
  byEmail(email: string): Promise<Account | null> {
    return this.withSecrets()
      .where('lower(account.email) = lower(:email) AND account.removedAt IS NULL', { email })
      .getOne();
  }

  /** An account with its secrets. */
  withSecretsOf(id: string): Promise<Account | null> {
    return this.withSecrets().where('account.id = :id AND account.removedAt IS NULL', { id }).getOne();
  }

  byLifter(lifterId: string): Promise<Account | null> {
    return readOne(this.db, Account, { lifterId, removedAt: null });
  }

  byIds(ids: readonly string[]): Promise<Account[]> {
    return readBy(this.db, Account, { id: ids });
  }

  /** Those who sign in to the club, by name. */
  ofClub(clubId: string): Promise<Account[]> {
    return this.db
      .getRepository(Account)
      .find({ where: { clubId, removedAt: IsNull() }, order: { name: 'ASC', id: 'ASC' } });
  }

  /** An account of the club that has not been taken back. */
  ofClubById(clubId: string, id: string): Promise<Account | null> {
    return this.db.getRepository(Account).findOneBy({ clubId, id, removedAt: IsNull() });
  }

  addSignIn(signIn: SignIn): Promise<unknown> {
    return this.db.getRepository(SignIn).insert(signIn);
  }

  removeSignIn(tokenHash: string): Promise<unknown> {
    return this.db.getRepository(SignIn).delete({ tokenHash });
  }

  /** Devices that are signed in, those seen last first. */
  devices(accountId: string, now: Date): Promise<SignIn[]> {
    return this.db
      .getRepository(SignIn)
      .find({ where: { accountId, expiresAt: MoreThan(now) }, order: { seenAt: 'DESC', id: 'ASC' } });
  }

  /** When anything of each account last asked. */
  async seen(accountIds: readonly string[]): Promise<Map<string, Date>> {
    const rows = await this.db
      .getRepository(SignIn)
      .find({ where: { accountId: In([...accountIds]) }, order: { seenAt: 'ASC' } });
    return new Map(rows.map((row) => [row.accountId, row.seenAt]));
  }

  /** Signs one device of the account out; one that is not there is out already. */
  endDevice(accountId: string, id: string): Promise<unknown> {
    return this.db.getRepository(SignIn).delete({ accountId, id });
  }

  /** Signs all devices of the account out, but for one. */
  endDevices(manager: EntityManager, accountId: string, but?: string): Promise<unknown> {
    return manager.delete(SignIn, { accountId, ...(but && { id: Not(but) }) });
  }

  removeExpired(now: Date): Promise<unknown> {
    return this.db
      .getRepository(SignIn)
      .createQueryBuilder()
      .delete()
      .where('expires_at < :now', { now })
      .execute();
  }

  /** The account behind a sign-in that has not run out; that it was seen is kept now and then. */
  async signedIn(tokenHash: string, now: Date): Promise<{ signIn: KnownSignIn; account: Account } | null> {
    // Asked with every request: one question, though it spans two tables.
    const [found] = await this.db.query<(Account & BesideAccount)[]>(
      `SELECT ${columnsOf(this.db, Account)}, sign_in.id AS "signInId", sign_in.change_token AS "changeToken",
              sign_in.expires_at AS "expiresAt", sign_in.seen_at AS "seenAt"
         FROM sign_in JOIN account ON account.id = sign_in.account_id
        WHERE sign_in.token_hash = $1 AND sign_in.expires_at > $2 AND account.removed_at IS NULL`,
      [tokenHash, now],
    );
    if (!found) return null;
    const { signInId: id, changeToken, expiresAt, seenAt, ...account } = found;
    if (now.getTime() - seenAt.getTime() > SEEN_EVERY)
      await this.db.getRepository(SignIn).update({ tokenHash }, { seenAt: now });
    return { signIn: { id, changeToken, expiresAt }, account };
  }

  savePreferences(id: string, changes: Partial<Pick<Account, 'unit' | 'theme'>>): Promise<unknown> {
    return this.db.getRepository(Account).update({ id }, changes);
  }

  saveSecrets(
    manager: EntityManager,
    id: string,
    changes: Partial<Pick<Account, 'passwordHash' | 'secondFactor' | 'secondFactorStep'>>,
  ): Promise<unknown> {
    return manager.update(Account, { id, removedAt: IsNull() }, changes);
  }

  /** Takes a code's time step for used; false where somebody was faster with the same code. */
  async useStep(id: string, step: number): Promise<boolean> {
    const done = await this.db
      .getRepository(Account)
      .createQueryBuilder()
      .update()
      .set({ secondFactorStep: String(step) })
      .where('id = :id AND (second_factor_step IS NULL OR second_factor_step < :step)', { id, step })
      .execute();
    return done.affected === 1;
  }

  saveRole(
    manager: EntityManager,
    { clubId, id, version, ...part }: Pick<Account, 'clubId' | 'id' | 'version' | 'role' | 'endsOn'>,
  ): Promise<void> {
    return changeVersion(manager, Account, {
      ...{ id, owner: { clubId }, seen: version, part, what: 'person' },
    });
  }

  /** Owners of the club that have not been taken back, held until the transaction ends. */
  owners(manager: EntityManager, clubId: string): Promise<Account[]> {
    return manager.find(Account, {
      where: { clubId, role: 'owner', removedAt: IsNull() },
      lock: { mode: 'pessimistic_write' },
    });
  }

  add(manager: EntityManager, account: Account): Promise<boolean> {
    return insertNew(manager, Account, account);
  }

  /** Takes an account back: it signs in no more, wherever it is signed in. */
  async remove(manager: EntityManager, id: string, at: Date): Promise<void> {
    await this.endDevices(manager, id);
    await manager.update(
      PasswordLink,
      { accountId: id, takenAt: IsNull(), revokedAt: IsNull() },
      { revokedAt: at },
    );
    await manager.update(
      Account,
      { id, removedAt: IsNull() },
      { removedAt: at, passwordHash: null, secondFactor: null },
    );
  }

  /** Adds a way to a new password and takes back those before it; false where the id is taken. */
  async addPasswordLink(manager: EntityManager, link: PasswordLink): Promise<boolean> {
    if (!(await insertNew(manager, PasswordLink, link))) return false;
    const { id, accountId, madeAt } = link;
    await manager.update(
      PasswordLink,
      { accountId, id: Not(id), takenAt: IsNull(), revokedAt: IsNull() },
      { revokedAt: madeAt },
    );
    return true;
  }

  openPasswordLink(secretHash: string, now: Date): Promise<PasswordLink | null> {
    const still = { takenAt: IsNull(), revokedAt: IsNull(), expiresAt: MoreThan(now) };
    return this.db.getRepository(PasswordLink).findOneBy({ secretHash, ...still });
  }

  /** Marks a way to a new password as taken; false where somebody was faster. */
  async takePasswordLink(manager: EntityManager, id: string, at: Date): Promise<boolean> {
    const done = await manager.update(
      PasswordLink,
      { id, takenAt: IsNull(), revokedAt: IsNull() },
      { takenAt: at },
    );
    return done.affected === 1;
  }

  private withSecrets(): SelectQueryBuilder<Account> {
    return this.db
      .getRepository(Account)
      .createQueryBuilder('account')
      .addSelect(['account.passwordHash', 'account.secondFactor', 'account.secondFactorStep']);
  }
}
