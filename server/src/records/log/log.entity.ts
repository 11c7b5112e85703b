import type {
  ChalkKind,
  Grip,
  HoldEnding,
  HoldKindId,
  RepStyle,
  SetRole,
  Side,
  SlipSign,
} from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** What every log row carries; `undoneAt` hides a row without losing it. */
abstract class LogRow {
  /** Made by the client, so that sending the same row again changes nothing. */
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('uuid') sessionId: string;
  @Column('timestamptz') doneAt: Date;
  /** The club's day of `doneAt`. */
  @Column('date') trainingDay: string;
  /** kg. */
  @Column('double precision') load: number;
  @Column('text') grip: Grip;
  @Column('text', { nullable: true }) sideUnder: Side | null;
  @Column('text') chalk: ChalkKind;
  /** The bar it was done on, where the log knows. */
  @Column('uuid', { nullable: true }) barId: string | null;
  /** Bar diameter, mm. */
  @Column('double precision') diameter: number;
  @Column('timestamptz', { nullable: true }) undoneAt: Date | null;
  /** Null where an import took it back, or nobody knows. */
  @Column('uuid', { nullable: true }) undoneBy: string | null;
  /** Of the hand, 0–10. */
  @Column('int', { nullable: true }) pain: number | null;
  /** Said before the set, 1–5. */
  @Column('int', { nullable: true }) confidence: number | null;
  /** Why it slipped, as the coach saw it: an id of the slip causes. */
  @Column('text', { nullable: true }) cause: string | null;
  /** What the coach saw when it slipped: ids of the signs of a slip. */
  @Column('text', { array: true }) signs: SlipSign[];
  /** Done in the heat, or with hands that sweat through the chalk. */
  @Column('boolean') sweat: boolean;
  @Column('text', { nullable: true }) note: string | null;
  @Column('uuid', { nullable: true }) loggedBy: string | null;
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
  @Column('text') kind: HoldKindId;
  /** What was held: a carry of dumbbells is loaded otherwise than one of handles. */
  @Column('text') liftId: string;
  /** Number of the hold within its session, from 0. */
  @Column('int') place: number;
  @Column('double precision') seconds: number;
  @Column('double precision') target: number;
  @Column('text') ended: HoldEnding;
  /** Of the pins it started from, mm above the floor; null where nobody noted it. */
  @Column('double precision', { nullable: true }) pin: number | null;
}

/** A correction after the session; `before` keeps the first value. */
@Entity('log_correction')
export class LogCorrection {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') entryId: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('uuid', { nullable: true }) correctedBy: string | null;
  @Column('timestamptz') correctedAt: Date;
  @Column('jsonb') before: Record<string, unknown>;
  @Column('jsonb') after: Record<string, unknown>;
  /** What was asked for, so that the same request is known again; null in older rows. */
  @Column('jsonb', { nullable: true }) sent: Readonly<Record<string, unknown>> | null;
}
