import type { Side, StartDepth } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One try at closing a gripper; `undoneAt` hides it without losing it. */
@Entity('gripper_attempt')
export class GripperAttemptRow {
  /** Made by the client, so that sending the same attempt again changes nothing. */
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('uuid') gripperId: string;
  @Column('text') hand: Side;
  @Column('text') depth: StartDepth;
  @Column('boolean') closed: boolean;
  /** mm left between the handles. */
  @Column('double precision', { nullable: true }) gapMm: number | null;
  /** s the close was held. */
  @Column('double precision', { nullable: true }) seconds: number | null;
  @Column('text', { nullable: true }) note: string | null;
  @Column('timestamptz') doneAt: Date;
  /** The club's day of `doneAt`. */
  @Column('date') trainingDay: string;
  @Column('uuid', { nullable: true }) loggedBy: string | null;
  @Column('timestamptz', { nullable: true }) undoneAt: Date | null;
}
