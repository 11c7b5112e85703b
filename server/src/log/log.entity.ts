import type { ChalkKind, Ending, Grip, RepStyle, SetRole, Side } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** What every log row carries; `undoneAt` hides a row without losing it. */
abstract class LogRow {
  /** Made by the client, so that sending the same row again changes nothing. */
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') lifterId: string;
  @Column('uuid') sessionId: string;
  @Column('timestamptz') doneAt: Date;
  /** kg. */
  @Column('double precision') load: number;
  @Column('text') grip: Grip;
  @Column('text', { nullable: true }) sideUnder: Side | null;
  @Column('text') chalk: ChalkKind;
  /** Bar diameter, mm. */
  @Column('double precision') diameter: number;
  @Column('timestamptz', { nullable: true }) undoneAt: Date | null;
}

@Entity('logged_set')
export class LoggedSet extends LogRow {
  @Column('uuid', { nullable: true }) plannedSetId: string | null;
  @Column('text') liftId: string;
  @Column('text') role: SetRole;
  @Column('int') reps: number;
  @Column('text') style: RepStyle;
  @Column('double precision', { nullable: true }) seconds: number | null;
  @Column('boolean') strapped: boolean;
  @Column('int', { nullable: true }) slippedAtRep: number | null;
}

@Entity('logged_hold')
export class LoggedHold extends LogRow {
  @Column('text') kind: string;
  /** Number of the hold within its session, from 0. */
  @Column('int') place: number;
  @Column('double precision') seconds: number;
  @Column('double precision') target: number;
  @Column('text') ended: Ending;
  @Column('text', { nullable: true }) note: string | null;
}
