import { Injectable } from '@nestjs/common';
import type { ProfileView, ShareLinkView } from '@iron-clasp/contract';
import { DataSource } from 'typeorm';
import { Account } from '../accounts/account.entity.ts';
import { insertNew } from '../database/insert-new.ts';
import { Invitation, ShareLink } from './sharing.entity.ts';

/** Whose sessions a link shows. */
export interface SharedLifter {
  readonly lifterId: string;
  readonly clubId: string;
  readonly club: string;
  readonly expiresAt: Date;
}

/** An invitation that can still be taken up. */
export interface OpenInvitation {
  readonly id: string;
  readonly lifterId: string;
  readonly lifterName: string;
  readonly clubId: string;
  readonly club: string;
  readonly email: string;
}

@Injectable()
export class SharingRepository {
  constructor(private readonly db: DataSource) {}

  /** The lifter's links, the latest first. */
  async links(lifterId: string): Promise<ShareLinkView[]> {
    const rows: {
      id: string;
      made_by: string;
      made_at: Date;
      expires_at: Date;
      revoked_by: string | null;
      revoked_at: Date | null;
    }[] = await this.db.query(
      `SELECT s.id, m.name AS made_by, s.made_at, s.expires_at, r.name AS revoked_by, s.revoked_at
         FROM share_link s JOIN account m ON m.id = s.made_by LEFT JOIN account r ON r.id = s.revoked_by
        WHERE s.lifter_id = $1 ORDER BY s.made_at DESC, s.id LIMIT 20`,
      [lifterId],
    );
    return rows.map((row) => ({
      id: row.id,
      madeBy: row.made_by,
      madeAt: row.made_at.toISOString(),
      expiresAt: row.expires_at.toISOString(),
      revoked:
        row.revoked_by && row.revoked_at ? { by: row.revoked_by, at: row.revoked_at.toISOString() } : null,
    }));
  }

  /** False where the id is taken. */
  addLink(link: ShareLink): Promise<boolean> {
    return insertNew(this.db.manager, ShareLink, link);
  }

  /** Revokes a link of the lifter; false where there is none. */
  async revoke(lifterId: string, id: string, by: string, at: Date): Promise<boolean> {
    const [, count]: [unknown, number] = await this.db.query(
      `UPDATE share_link SET revoked_by = coalesce(revoked_by, $3), revoked_at = coalesce(revoked_at, $4)
        WHERE id = $2 AND lifter_id = $1`,
      [lifterId, id, by, at],
    );
    return count === 1;
  }

  /** Whose link this is, while it lasts; an archived lifter shares nothing. */
  async byLink(secretHash: string, now: Date): Promise<SharedLifter | null> {
    const rows: SharedLifter[] = await this.db.query(
      `SELECT l.id AS "lifterId", l.club_id AS "clubId", c.name AS club, s.expires_at AS "expiresAt"
         FROM share_link s JOIN lifter l ON l.id = s.lifter_id AND l.archived_at IS NULL JOIN club c ON c.id = l.club_id
        WHERE s.secret_hash = $1 AND s.revoked_at IS NULL AND s.expires_at > $2`,
      [secretHash, now],
    );
    return rows[0] ?? null;
  }

  /** The lifter's own account, or the latest invitation to one. */
  async accountOf(lifterId: string, now: Date): Promise<ProfileView['account']> {
    const account = await this.db.getRepository(Account).findOneBy({ lifterId });
    if (account) return { email: account.email, state: 'joined', expiresAt: null };
    const rows: { email: string; expires_at: Date }[] = await this.db.query(
      `SELECT email, expires_at FROM invitation WHERE lifter_id = $1 AND revoked_at IS NULL ORDER BY made_at DESC LIMIT 1`,
      [lifterId],
    );
    const latest = rows[0];
    if (!latest) return null;
    const state = latest.expires_at > now ? 'invited' : 'expired';
    return { email: latest.email, state, expiresAt: latest.expires_at.toISOString() };
  }

  async emailTaken(email: string): Promise<boolean> {
    const rows: unknown[] = await this.db.query('SELECT 1 FROM account WHERE lower(email) = lower($1)', [
      email,
    ]);
    return rows.length > 0;
  }

  /** Adds an invitation and takes back those before it; false where the id is taken. */
  async invite(invitation: Invitation): Promise<boolean> {
    return this.db.transaction(async (manager) => {
      if (!(await insertNew(manager, Invitation, invitation))) return false;
      await manager.query(
        `UPDATE invitation SET revoked_at = $3 WHERE lifter_id = $1 AND id <> $2 AND taken_at IS NULL AND revoked_at IS NULL`,
        [invitation.lifterId, invitation.id, invitation.madeAt],
      );
      return true;
    });
  }

  async openInvitation(secretHash: string, now: Date): Promise<OpenInvitation | null> {
    const rows: OpenInvitation[] = await this.db.query(
      `SELECT i.id, i.lifter_id AS "lifterId", l.name AS "lifterName", l.club_id AS "clubId", c.name AS club, i.email
         FROM invitation i JOIN lifter l ON l.id = i.lifter_id AND l.archived_at IS NULL JOIN club c ON c.id = l.club_id
        WHERE i.secret_hash = $1 AND i.taken_at IS NULL AND i.revoked_at IS NULL AND i.expires_at > $2`,
      [secretHash, now],
    );
    return rows[0] ?? null;
  }

  /** Makes the account; false where somebody was faster, or the address is taken meanwhile. */
  async join(invitation: OpenInvitation, account: Account, now: Date): Promise<boolean> {
    return this.db
      .transaction(async (manager) => {
        const taken = await manager
          .createQueryBuilder()
          .update(Invitation)
          .set({ takenAt: now })
          .where('id = :id AND taken_at IS NULL', { id: invitation.id })
          .execute();
        if (taken.affected !== 1) return false;
        const made = await manager
          .createQueryBuilder()
          .insert()
          .into(Account)
          .values(account)
          .orIgnore()
          .returning('id')
          .execute();
        if ((made.raw as unknown[]).length === 1) return true;
        throw new JoinedMeanwhile();
      })
      .catch((error: unknown) => {
        if (error instanceof JoinedMeanwhile) return false;
        throw error;
      });
  }

  /** Takes a lifter's account back, with its sign-ins; false where there is none. */
  async removeAccount(lifterId: string, by: string, at: Date): Promise<boolean> {
    return this.db.transaction(async (manager) => {
      await manager.query(
        `UPDATE invitation SET revoked_at = $2 WHERE lifter_id = $1 AND revoked_at IS NULL`,
        [lifterId, at],
      );
      // What the lifter checked and decided keeps a name: the coach who takes the account back answers for it.
      const ids: { id: string }[] = await manager.query('SELECT id FROM account WHERE lifter_id = $1', [
        lifterId,
      ]);
      for (const { id } of ids) {
        for (const [table, column] of SIGNED)
          await manager.query(`UPDATE ${table} SET ${column} = $2 WHERE ${column} = $1`, [id, by]);
        await manager.query('DELETE FROM account WHERE id = $1', [id]);
      }
      return ids.length > 0;
    });
  }
}

/** What a lifter's account signs. */
const SIGNED = [
  ['hands_check', 'checked_by'],
  ['logged_set', 'logged_by'],
  ['logged_hold', 'logged_by'],
  ['log_correction', 'corrected_by'],
  ['squeeze_test', 'logged_by'],
  ['squeeze_test', 'declined_by'],
  ['gripper_attempt', 'logged_by'],
] as const;

class JoinedMeanwhile extends Error {}
