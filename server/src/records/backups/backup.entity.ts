import type { BackupState } from '@iron-clasp/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One backup of the whole database, and whether it was proved by restoring it. */
@Entity('backup')
export class Backup {
  @PrimaryColumn('uuid') id: string;
  @Column('timestamptz') startedAt: Date;
  @Column('timestamptz', { nullable: true }) endedAt: Date | null;
  /** Name of the file in the folder of backups; null where there is none, or no more. */
  @Column('text', { nullable: true }) file: string | null;
  @Column('bigint', { nullable: true }) bytes: string | null;
  @Column('text') state: BackupState;
  /** What went wrong, as one would tell it. */
  @Column('text', { nullable: true }) why: string | null;
  /** Rows over all tables, counted in the database and in what was restored of it. */
  @Column('int', { nullable: true }) rows: number | null;
  @Column('int', { nullable: true }) tables: number | null;
  /** Null where the night asked for it. */
  @Column('uuid', { nullable: true }) askedBy: string | null;
}
