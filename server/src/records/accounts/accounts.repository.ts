import { Injectable } from '@nestjs/common';
import { DataSource, In, IsNull, type EntityManager } from 'typeorm';
import { insertNew } from '../../platform/database/saves.ts';
import { Account, SignIn } from './account.entity.ts';

@Injectable()
export class AccountsRepository {
  constructor(private readonly db: DataSource) {}

  /** The account that signs in with an address, with its password's hash. */
  byEmail(email: string): Promise<Account | null> {
    return this.db
      .getRepository(Account)
      .createQueryBuilder('account')
      .addSelect('account.passwordHash')
      .where('lower(account.email) = lower(:email) AND account.removedAt IS NULL', { email })
      .getOne();
  }

  byLifter(lifterId: string): Promise<Account | null> {
    return this.db.getRepository(Account).findOneBy({ lifterId, removedAt: IsNull() });
  }

  byIds(ids: readonly string[]): Promise<Account[]> {
    return this.db.getRepository(Account).findBy({ id: In([...ids]) });
  }

  addSignIn(signIn: SignIn): Promise<unknown> {
    return this.db.getRepository(SignIn).insert(signIn);
  }

  removeSignIn(tokenHash: string): Promise<unknown> {
    return this.db.getRepository(SignIn).delete({ tokenHash });
  }

  removeExpired(now: Date): Promise<unknown> {
    return this.db
      .getRepository(SignIn)
      .createQueryBuilder()
      .delete()
      .where('expires_at < :now', { now })
      .execute();
  }

  /** The account behind a sign-in that has not run out. */
  async signedIn(tokenHash: string, now: Date): Promise<{ signIn: SignIn; account: Account } | null> {
    const found = await this.db
      .getRepository(SignIn)
      .createQueryBuilder('signIn')
      .innerJoinAndMapOne('signIn.account', Account, 'account', 'account.id = signIn.accountId')
      .where('signIn.tokenHash = :tokenHash AND signIn.expiresAt > :now', { tokenHash, now })
      .andWhere('account.removedAt IS NULL')
      .getOne();
    if (!found) return null;
    const { account, ...signIn } = found as SignIn & { account: Account };
    return { signIn, account };
  }

  savePreferences(id: string, changes: Partial<Pick<Account, 'unit' | 'theme'>>): Promise<unknown> {
    return this.db.getRepository(Account).update({ id }, changes);
  }

  add(manager: EntityManager, account: Account): Promise<boolean> {
    return insertNew(manager, Account, account);
  }

  /** Takes an account back: it signs in no more, wherever it is signed in. */
  async remove(manager: EntityManager, id: string, at: Date): Promise<void> {
    await manager.delete(SignIn, { accountId: id });
    await manager.update(Account, { id, removedAt: IsNull() }, { removedAt: at, passwordHash: '' });
  }
}
