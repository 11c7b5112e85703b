import { Injectable, type OnModuleInit } from '@nestjs/common';
import { findSchool, type School } from '@iron-clasp/core';
import { DataSource, In, type EntityManager } from 'typeorm';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { changeVersion, insertMany, saveVersion } from '../../platform/database/saves.ts';
import { together } from '../../platform/database/together.ts';
import { readBy } from '../../platform/database/read-many.ts';
import { ClubSchool, ClubSchoolVersion } from './school.entity.ts';

/** Which school a lifter follows. */
export interface Follows {
  readonly id: string;
  readonly schoolId: string;
  readonly clubSchoolId: string | null;
}

/** A club's own copies of schools, every version kept. */
@Injectable()
export class SchoolsService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register(
      { name: 'club_school', ofClub: OWN.ofClub, goesAlong: 'whole' },
      { name: 'club_school_version', partOf: 'school_id', goesAlong: 'whole' },
    );
  }

  find(clubId: string, id: string): Promise<ClubSchool | null> {
    return this.db.getRepository(ClubSchool).findOneBy({ clubId, id });
  }

  /** The club's copies by name. */
  async all(clubId: string): Promise<ClubSchool[]> {
    const all = await this.db.getRepository(ClubSchool).findBy({ clubId });
    return all.sort((a, b) => a.school.name.localeCompare(b.school.name) || a.id.localeCompare(b.id));
  }

  /** Copies in use, for what other schools would have called. */
  async inUse(clubId: string): Promise<School[]> {
    return (await this.ofClub([clubId])).map((row) => row.school);
  }
  private readonly ofClub = together(
    (clubIds) => readBy(this.db, ClubSchool, { clubId: clubIds, archivedAt: null }, { id: 'ASC' }),
    (row) => row.clubId,
  );

  /** The school a lifter follows: the club's copy where there is one, else that of the practice book. */
  async followed(lifter: Follows): Promise<School> {
    return (await this.followedBy([lifter])).get(lifter.id)!;
  }

  private readonly byId = together(
    (ids) => readBy(this.db, ClubSchool, { id: ids }),
    (row) => row.id,
  );

  /** The schools that several lifters follow. */
  async followedBy(lifters: readonly Follows[]): Promise<Map<string, School>> {
    const ids = [...new Set(lifters.map((each) => each.clubSchoolId).filter((id) => id !== null))];
    const own = ids.length ? await this.byId(ids) : [];
    return new Map(
      lifters.map(({ id, schoolId, clubSchoolId }) => {
        const school = own.find((each) => each.id === clubSchoolId)?.school ?? findSchool(schoolId);
        if (!school) throw new Error(`Lifter ${id} follows the unknown school ${schoolId}.`);
        return [id, school];
      }),
    );
  }

  /** The version of each copy that stands now, with who wrote it. */
  async writers(schools: readonly ClubSchool[]): Promise<Map<string, ClubSchoolVersion>> {
    const versions = await this.db
      .getRepository(ClubSchoolVersion)
      .find({ where: { schoolId: In(schools.map((each) => each.id)) }, order: { version: 'ASC' } });
    return new Map(versions.map((version) => [version.schoolId, version]));
  }

  /** Writes a copy, new or at the version its editor saw, and keeps the version. */
  async save(
    own: Pick<ClubSchool, 'id' | 'clubId' | 'basedOn' | 'school'>,
    seen: number,
    changedBy: string,
    changedAt: Date,
  ): Promise<void> {
    const { id, clubId, basedOn, school } = own;
    await this.db.transaction(async (manager) => {
      const saved = await saveVersion(manager, ClubSchool, {
        ...{ id, seen, owner: { clubId }, content: { school }, what: 'school' },
        fresh: { basedOn, archivedAt: null },
      });
      if (saved === 'same') return;
      await manager
        .getRepository(ClubSchoolVersion)
        .save({ schoolId: id, version: seen + 1, school, changedBy, changedAt });
    });
  }

  /** Archives a copy or takes it back, if it is still at the version seen. */
  archive(clubId: string, id: string, seen: number, archivedAt: Date | null): Promise<void> {
    return changeVersion(this.db.manager, ClubSchool, {
      ...{ id, seen, owner: { clubId }, part: { archivedAt }, what: 'school' },
    });
  }

  async addMany(
    manager: EntityManager,
    schools: readonly ClubSchool[],
    versions: readonly ClubSchoolVersion[],
  ): Promise<void> {
    await insertMany(manager, ClubSchool, schools);
    await insertMany(manager, ClubSchoolVersion, versions);
  }
}
