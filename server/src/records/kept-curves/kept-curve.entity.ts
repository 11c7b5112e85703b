import type { BackTestTally, CurveFamily, MovingCurve } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** The latest fit of a lifter's moving curve, with what it rests on, so that pages read it and do not fit. */
@Entity('kept_curve')
export class KeptCurve {
  @PrimaryColumn('uuid') lifterId: string;
  @PrimaryColumn('text') family: CurveFamily;
  @Column('uuid') clubId: string;
  /** Of the rows and figures that the fit rests on: another one means that the log or the lifter has changed. */
  @Column('text') fingerprint: string;
  /** Of those that the scales rest on: the same without the latest day. */
  @Column('text') scalesFingerprint: string;
  /** Holds and sets behind the fit. */
  @Column('int') rows: number;
  /** Ages count from the latest day of the log. */
  @Column('jsonb') curve: MovingCurve;
  @Column('timestamptz') fittedAt: Date;
}

/** What was said of a lifter beforehand against what happened, as far as it was worked out last. */
@Entity('kept_back_test')
export class KeptBackTest {
  @PrimaryColumn('uuid') lifterId: string;
  @Column('uuid') clubId: string;
  /** Of the log and the week that it rests on. */
  @Column('text') fingerprint: string;
  @Column('jsonb') tally: BackTestTally;
  @Column('timestamptz') madeAt: Date;
}
