import type { HoldKindId } from '@iron-clasp/core';
import type { HoldDecisionKind } from '@iron-clasp/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** What the coach decided on a prescribed hold; `undoneAt` takes it back without losing it. */
@Entity('hold_decision')
export class HoldDecisionRow {
  /** Made by the client, so that sending it again changes nothing. */
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('uuid') sessionId: string;
  @Column('text') what: HoldDecisionKind;
  /** The hold it was decided on: a session that holds something else later is not bound by it. */
  @Column('text') kind: HoldKindId;
  @Column('int', { nullable: true }) sets: number | null;
  @Column('double precision', { nullable: true }) seconds: number | null;
  /** kg as the lift is written. */
  @Column('double precision', { nullable: true }) load: number | null;
  @Column('text', { nullable: true }) reason: string | null;
  @Column('uuid') madeBy: string;
  @Column('timestamptz') madeAt: Date;
  @Column('uuid', { nullable: true }) undoneBy: string | null;
  @Column('timestamptz', { nullable: true }) undoneAt: Date | null;
}
