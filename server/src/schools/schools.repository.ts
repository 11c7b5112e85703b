import { Injectable } from '@nestjs/common';
import { findSchool, type School } from '@iron-clasp/core';
import { DataSource } from 'typeorm';
import { insertNew } from '../database/insert-new.ts';
import { ClubSchool, ClubSchoolVersion } from './school.entity.ts';

/** A copy with who follows it and who changed it last. */
export interface KnownClubSchool extends ClubSchool {
  readonly followers: number;
  readonly changedBy: string | null;
  readonly changedAt: Date | null;
}

@Injectable()
export class SchoolsRepository {
  constructor(private readonly db: DataSource) {}

  /** The school a lifter follows: the club's copy where there is one, else that of the practice book. */
  async followed(lifter: { id: string; schoolId: string; clubSchoolId: string | null }): Promise<School> {
    const own = lifter.clubSchoolId
      ? await this.db.getRepository(ClubSchool).findOneBy({ id: lifter.clubSchoolId })
      : null;
    const school = own?.school ?? findSchool(lifter.schoolId);
    if (!school) throw new Error(`Lifter ${lifter.id} follows the unknown school ${lifter.schoolId}.`);
    return school;
  }

  async find(clubId: string, id: string): Promise<ClubSchool | null> {
    return this.db.getRepository(ClubSchool).findOneBy({ clubId, id });
  }

  /** Copies in use, for what other schools would have called. */
  async inUse(clubId: string): Promise<School[]> {
    const rows = await this.db
      .getRepository(ClubSchool)
      .createQueryBuilder('own')
      .where('own.clubId = :clubId AND own.archivedAt IS NULL', { clubId })
      .orderBy('own.id')
      .getMany();
    return rows.map((row) => row.school);
  }

  /** The club's copies by name. */
  async all(clubId: string): Promise<KnownClubSchool[]> {
    return this.db.query(
      `SELECT s.id, s.club_id AS "clubId", s.based_on AS "basedOn", s.school, s.version, s.archived_at AS "archivedAt",
              (SELECT count(*) FROM lifter l WHERE l.club_school_id = s.id AND l.archived_at IS NULL)::int AS followers,
              a.name AS "changedBy", v.changed_at AS "changedAt"
         FROM club_school s
         LEFT JOIN club_school_version v ON v.school_id = s.id AND v.version = (SELECT max(version) FROM club_school_version x WHERE x.school_id = s.id)
         LEFT JOIN account a ON a.id = v.changed_by
        WHERE s.club_id = $1 ORDER BY s.school ->> 'name', s.id`,
      [clubId],
    );
  }

  /** Writes a copy, new or at the version its editor saw, and keeps the version; false where somebody was faster. */
  async save(own: ClubSchool, changedBy: string, changedAt: Date): Promise<boolean> {
    return this.db.transaction(async (manager) => {
      if (own.version === 1) {
        if (!(await insertNew(manager, ClubSchool, own))) return false;
      } else {
        const { id, clubId, version } = own;
        const updated = await manager.update(ClubSchool, { id, clubId, version: version - 1 }, own as never);
        if (updated.affected !== 1) return false;
      }
      await manager.insert(ClubSchoolVersion, {
        schoolId: own.id,
        version: own.version,
        school: own.school as never,
        changedBy,
        changedAt,
      });
      return true;
    });
  }

  /** Puts a copy aside or takes it back if it is still at `version`. */
  async archive(clubId: string, id: string, archivedAt: Date | null, version: number): Promise<boolean> {
    const done = await this.db.getRepository(ClubSchool).update({ clubId, id, version }, { archivedAt });
    return done.affected === 1;
  }
}
