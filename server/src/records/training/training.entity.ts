import type {
  ChalkKind,
  FixedGrip,
  Handle,
  HoldKindId,
  LinePurpose,
  RepStyle,
  SetRole,
  Side,
} from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** Sets of one lift as a coach writes them. */
export interface SessionLine {
  readonly liftId: string;
  readonly text: string;
}

/** A hold that follows a session's lifts. */
export interface PlannedHold {
  readonly kind: HoldKindId;
  /** The block that put it there; null for a hold of its own. */
  readonly blockId: string | null;
}

@Entity('training_session')
export class TrainingSession {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('uuid') venueId: string;
  /** Null for the venue's first bar. */
  @Column('uuid', { nullable: true }) barId: string | null;
  /** Sessions that repeat one another week by week share it; null for one that stands alone. */
  @Column('uuid', { nullable: true }) seriesId: string | null;
  @Column('timestamptz', { nullable: true }) removedAt: Date | null;
  @Column('date') heldOn: string;
  @Column('text') title: string;
  /** What is held after the lifts, in order; each kind once. */
  @Column('jsonb') holds: readonly PlannedHold[];
  @Column('boolean') finished: boolean;
  @Column('timestamptz', { nullable: true }) finishedAt: Date | null;
  /** What the coach tells the lifter at the end. */
  @Column('text', { nullable: true }) noteToLifter: string | null;
  /** The rules of the next meet bind it. */
  @Column('boolean') rehearsesMeet: boolean;
  /** Heat, or hands that sweat through the chalk. */
  @Column('boolean') sweat: boolean;
  /** A grip audit: its sets are chosen one by one as the hand answers. */
  @Column('boolean') audit: boolean;
  /** Chalk and bar that hold for this session alone; null for what the house allows, and the bar as it is, mm. */
  @Column('text', { nullable: true }) ownChalk: ChalkKind | null;
  @Column('double precision', { nullable: true }) ownDiameter: number | null;
  /** Grows with every change; a page that saw an older one is told so. */
  @Column('int') version: number;
  /** The lines its sets were written in; null for sessions that came without. */
  @Column('jsonb', { nullable: true }) lines: readonly SessionLine[] | null;
}

@Entity('planned_set')
export class PlannedSet {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') sessionId: string;
  @Column('int') place: number;
  @Column('text') liftId: string;
  @Column('text') role: SetRole;
  /** kg on the bar. */
  @Column('double precision') load: number;
  @Column('int') reps: number;
  @Column('text') style: RepStyle;
  /** s, where the set is timed. */
  @Column('double precision', { nullable: true }) seconds: number | null;
  /** What its line is there for, where it says so. */
  @Column('text', { nullable: true }) purpose: LinePurpose | null;
  /** What its line fixes, whatever would be called. */
  @Column('text', { nullable: true }) fixed: FixedGrip | null;
  @Column('text', { nullable: true }) under: Side | null;
  /** What its line puts between hand and bar. */
  @Column('text', { nullable: true }) handle: Handle | null;
  @Column('text', { nullable: true }) hand: Side | null;
  /** s, where the line asks for one. */
  @Column('double precision', { nullable: true }) rest: number | null;
}
