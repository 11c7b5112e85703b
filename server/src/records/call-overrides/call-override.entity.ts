import type { GripChoice, Side } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A coach's decision against the call for some sets of a session; undone ones stay. */
@Entity('call_override')
export class CallOverrideRow {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('uuid') sessionId: string;
  @Column('text') choice: GripChoice;
  @Column('text', { nullable: true }) sideUnder: Side | null;
  @Column('text') reason: string;
  /** It is repeated with the week of its session. */
  @Column('boolean') repeats: boolean;
  @Column('uuid') madeBy: string;
  @Column('timestamptz') madeAt: Date;
  @Column('uuid', { nullable: true }) undoneBy: string | null;
  @Column('timestamptz', { nullable: true }) undoneAt: Date | null;
}

@Entity('call_override_set')
export class CallOverrideSet {
  @PrimaryColumn('uuid') overrideId: string;
  @PrimaryColumn('uuid') plannedSetId: string;
}
