import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { Account, SignIn } from './account.entity.ts';
import { Club } from './club.entity.ts';

/** Who is signed in: the account, its club and the token that changes must carry. */
export interface SignedIn {
  readonly account: Account;
  readonly club: Club;
  readonly changeToken: string;
}

@Injectable()
export class AccountsRepository {
  constructor(private readonly db: DataSource) {}

  async byEmailWithPassword(email: string): Promise<Account | null> {
    return this.db
      .getRepository(Account)
      .createQueryBuilder('account')
      .addSelect('account.passwordHash')
      .where('lower(account.email) = lower(:email)', { email })
      .getOne();
  }

  async addSignIn(signIn: SignIn): Promise<void> {
    await this.db.getRepository(SignIn).insert(signIn);
  }

  async removeSignIn(tokenHash: string): Promise<void> {
    await this.db.getRepository(SignIn).delete({ tokenHash });
  }

  async removeExpired(now: Date): Promise<void> {
    await this.db
      .getRepository(SignIn)
      .createQueryBuilder()
      .delete()
      .where('expires_at < :now', { now })
      .execute();
  }

  async signedIn(tokenHash: string, now: Date): Promise<SignedIn | null> {
    const rows: { account: Account; club: Club; change_token: string }[] = await this.db.query(
      `SELECT s.change_token, json_build_object('id', c.id, 'name', c.name) AS club,
              json_build_object('id', a.id, 'clubId', a.club_id, 'email', a.email, 'name', a.name,
                                'role', a.role, 'lifterId', a.lifter_id, 'unit', a.unit, 'theme', a.theme) AS account
         FROM sign_in s JOIN account a ON a.id = s.account_id LEFT JOIN lifter l ON l.id = a.lifter_id JOIN club c ON c.id = a.club_id
        WHERE s.token_hash = $1 AND s.expires_at > $2 AND l.archived_at IS NULL`,
      [tokenHash, now],
    );
    const row = rows[0];
    return row ? { account: row.account, club: row.club, changeToken: row.change_token } : null;
  }

  async savePreferences(accountId: string, changes: Partial<Pick<Account, 'unit' | 'theme'>>): Promise<void> {
    if (Object.keys(changes).length) await this.db.getRepository(Account).update({ id: accountId }, changes);
  }
}
