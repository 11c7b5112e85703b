import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One change that somebody made. Rows are never edited; of somebody who was erased the name goes and the row stays. */
@Entity('deed')
export class DeedRow {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid', { nullable: true }) accountId: string | null;
  @Column('timestamptz') at: Date;
  @Column('text') what: string;
  @Column('uuid', { nullable: true }) lifterId: string | null;
}
