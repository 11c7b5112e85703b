import type {
  Alternation,
  BestPulled,
  ChalkKind,
  HistoryKind,
  HookStage,
  MassUnit,
  Side,
  Sport,
  Stance,
  Thresholds,
} from '@iron-clasp/core';
import type { BestLift } from '@iron-clasp/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('lifter')
export class Lifter {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('text') name: string;
  @Column('text') sport: Sport;
  /** What the coach adds in words; nothing is computed from it. */
  @Column('text') sportWords: string;
  @Column('text') unit: MassUnit;
  @Column('text') dominantHand: Side;
  @Column('text') stance: Stance;
  @Column('boolean') largeThighs: boolean;
  /** kg. */
  @Column('double precision') deadliftMax: number;
  @Column('date') trainingSince: string;
  @Column('text') schoolId: string;
  @Column('text') hookStage: HookStage;
  @Column('jsonb') thresholds: Thresholds;
  /** Grows with every change; an editor that saw an older one is told so. */
  @Column('int') version: number;
  @Column('timestamptz', { nullable: true }) archivedAt: Date | null;
  /** The club's own copy of a school, where the lifter follows one; `schoolId` is then the original. */
  @Column('uuid', { nullable: true }) clubSchoolId: string | null;
  /** mm, wrist crease to the tip of the middle finger. */
  @Column('double precision', { nullable: true }) handLength: number | null;
  /** mm, hand spread. */
  @Column('double precision', { nullable: true }) handSpan: number | null;
  /** kg, for hangs. */
  @Column('double precision', { nullable: true }) bodyMass: number | null;
  @Column('int', { nullable: true }) usualReps: number | null;
  /** Day of the best deadlift. */
  @Column('date', { nullable: true }) deadliftOn: string | null;
  /** How the best deadlift was held, and with which chalk. */
  @Column('text') bestPulled: BestPulled;
  @Column('text', { nullable: true }) bestChalk: ChalkKind | null;
  /** The side practised under in a mixed grip. */
  @Column('text', { nullable: true }) practisedUnder: Side | null;
  @Column('text') alternation: Alternation;
  /** Fingers that reach over the thumb in a hook. */
  @Column('int', { nullable: true }) thumbFingers: 2 | 3 | null;
  @Column('boolean') clenches: boolean;
  @Column('boolean') armsBendUnderMixed: boolean;
  @Column('jsonb') bestLifts: readonly BestLift[];
  /** Questions that nobody has answered yet: their values are the usual ones. */
  @Column('text', { array: true }) unanswered: string[];
}

/** What a field of a lifter may hold. */
export type FieldValue = string | number | boolean | object | null;

/** One field of a lifter as it was changed. */
@Entity('lifter_change')
export class LifterChange {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') lifterId: string;
  @Column('uuid') changedBy: string;
  @Column('timestamptz') changedAt: Date;
  @Column('int') version: number;
  @Column('text') field: string;
  @Column('jsonb', { nullable: true }) before: FieldValue;
  @Column('jsonb', { nullable: true }) after: FieldValue;
}

/** Injury or condition, and whether a clinician has cleared it. */
@Entity('lifter_history')
export class LifterHistory {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') lifterId: string;
  @Column('text') kind: HistoryKind;
  @Column('text', { nullable: true }) side: Side | null;
  @Column('date', { nullable: true }) since: string | null;
  @Column('boolean') cleared: boolean;
}
