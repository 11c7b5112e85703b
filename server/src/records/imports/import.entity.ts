import type { FileKind } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One file that was brought in. */
@Entity('training_import')
export class TrainingImport {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('text') kind: FileKind;
  @Column('text') name: string;
  @Column('uuid', { nullable: true }) importedBy: string | null;
  @Column('timestamptz') importedAt: Date;
  /** Sets, lifters, attempts or tests, as its kind is. */
  @Column('int') things: number;
  /** Days on which they were done. */
  @Column('int') days: number;
  @Column('uuid', { nullable: true }) undoneBy: string | null;
  @Column('timestamptz', { nullable: true }) undoneAt: Date | null;
}

/** What files bring. */
export type BroughtKind = 'lifter' | 'session' | 'set' | 'attempt' | 'test';

/** What an import added. */
@Entity('training_import_row')
export class TrainingImportRow {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') importId: string;
  @Column('uuid') lifterId: string;
  @Column('text') kind: BroughtKind;
}
