import { Injectable } from '@nestjs/common';
import { DataSource, IsNull, MoreThan, Not, type EntityManager } from 'typeorm';
import { insertNew } from '../../platform/database/saves.ts';
import { Invitation, ShareLink } from './sharing.entity.ts';

/** Links of a lifter that are listed. */
const MOST_LINKS = 20;

@Injectable()
export class SharingRepository {
  constructor(private readonly db: DataSource) {}

  /** The links of a lifter, or of the club's calendar, the latest first. */
  links(clubId: string, lifterId: string | null): Promise<ShareLink[]> {
    return this.db.getRepository(ShareLink).find({
      where: { clubId, lifterId: lifterId ?? IsNull() },
      order: { madeAt: 'DESC', id: 'ASC' },
      take: MOST_LINKS,
    });
  }

  /** False where the id is taken. */
  addLink(link: ShareLink): Promise<boolean> {
    return insertNew(this.db.manager, ShareLink, link);
  }

  /** Revokes a link of the lifter, or of the club's calendar; false where there is none. */
  async revoke(clubId: string, lifterId: string | null, id: string, by: string, at: Date): Promise<boolean> {
    const links = this.db.getRepository(ShareLink);
    const of = { id, clubId, lifterId: lifterId ?? IsNull() };
    await links.update({ ...of, revokedAt: IsNull() }, { revokedBy: by, revokedAt: at });
    return links.existsBy(of);
  }

  /** The link with this secret, while it lasts. */
  openLink(secretHash: string, now: Date): Promise<ShareLink | null> {
    return this.db
      .getRepository(ShareLink)
      .findOneBy({ secretHash, revokedAt: IsNull(), expiresAt: MoreThan(now) });
  }

  /** The latest invitation of the lifter that was not taken back. */
  latestInvitation(lifterId: string): Promise<Invitation | null> {
    return this.db
      .getRepository(Invitation)
      .findOne({ where: { lifterId, revokedAt: IsNull() }, order: { madeAt: 'DESC' } });
  }

  /** Invitations to the staff of the club that nobody has taken up, by name. */
  staffInvited(clubId: string): Promise<Invitation[]> {
    return this.db.getRepository(Invitation).find({
      where: { clubId, lifterId: IsNull(), takenAt: IsNull(), revokedAt: IsNull() },
      order: { name: 'ASC', id: 'ASC' },
    });
  }

  /** Takes an invitation to the staff back; false where there is none. */
  async revokeStaffInvitation(clubId: string, id: string, at: Date): Promise<boolean> {
    const invitations = this.db.getRepository(Invitation);
    const staff = { clubId, id, lifterId: IsNull() };
    await invitations.update({ ...staff, takenAt: IsNull(), revokedAt: IsNull() }, { revokedAt: at });
    return invitations.existsBy(staff);
  }

  /** Adds an invitation and takes back those before it to the same person; false where the id is taken. */
  async invite(invitation: Invitation): Promise<boolean> {
    const { id, clubId, lifterId, email, madeAt } = invitation;
    return this.db.transaction(async (manager) => {
      if (!(await insertNew(manager, Invitation, invitation))) return false;
      const same = lifterId === null ? { clubId, lifterId: IsNull(), email } : { lifterId };
      const earlier = { ...same, id: Not(id), takenAt: IsNull(), revokedAt: IsNull() };
      await manager.update(Invitation, earlier, { revokedAt: madeAt });
      return true;
    });
  }

  openInvitation(secretHash: string, now: Date): Promise<Invitation | null> {
    const still = { takenAt: IsNull(), revokedAt: IsNull(), expiresAt: MoreThan(now) };
    return this.db.getRepository(Invitation).findOneBy({ secretHash, ...still });
  }

  /** Marks an invitation as taken up; false where somebody was faster. */
  async take(manager: EntityManager, id: string, at: Date): Promise<boolean> {
    const done = await manager.update(Invitation, { id, takenAt: IsNull() }, { takenAt: at });
    return done.affected === 1;
  }

  async revokeInvitations(manager: EntityManager, lifterId: string, at: Date): Promise<void> {
    await manager.update(Invitation, { lifterId, revokedAt: IsNull() }, { revokedAt: at });
  }
}
