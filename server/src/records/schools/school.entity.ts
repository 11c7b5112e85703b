import type { School } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A club's own copy of a school; the originals stay in the practice book. */
@Entity('club_school')
export class ClubSchool {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  /** Id of the school it was copied from. */
  @Column('text') basedOn: string;
  /** As it is now. */
  @Column('jsonb') school: School;
  @Column('int') version: number;
  @Column('timestamptz', { nullable: true }) archivedAt: Date | null;
}

/** Every version of a copy, with who wrote it. */
@Entity('club_school_version')
export class ClubSchoolVersion {
  @PrimaryColumn('uuid') schoolId: string;
  @PrimaryColumn('int') version: number;
  @Column('jsonb') school: School;
  @Column('uuid') changedBy: string;
  @Column('timestamptz') changedAt: Date;
}
