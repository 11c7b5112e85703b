import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One file of past training that was brought in. */
@Entity('training_import')
export class TrainingImport {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('text') name: string;
  @Column('uuid', { nullable: true }) importedBy: string | null;
  @Column('timestamptz') importedAt: Date;
  @Column('int') sets: number;
  @Column('int') sessions: number;
  @Column('uuid', { nullable: true }) undoneBy: string | null;
  @Column('timestamptz', { nullable: true }) undoneAt: Date | null;
}

/** A session or set that an import added. */
@Entity('training_import_row')
export class TrainingImportRow {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') importId: string;
  @Column('uuid') lifterId: string;
  @Column('text') kind: 'session' | 'set';
}
