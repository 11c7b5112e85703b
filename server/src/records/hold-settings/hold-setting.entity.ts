import type { EffortRule, HoldAim, HoldKindId } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** How a coach wants one kind of hold prescribed to a lifter; null where the kind or the school decides. */
@Entity('hold_setting')
export class HoldSetting {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('text') kind: HoldKindId;
  @Column('text', { nullable: true }) aim: HoldAim | null;
  @Column('jsonb', { nullable: true }) effort: EffortRule | null;
  /** kg as the lift is written. */
  @Column('double precision', { nullable: true }) ceiling: number | null;
  @Column('jsonb', { nullable: true }) target: { readonly load: number; readonly on: string } | null;
  /** mm above the floor. */
  @Column('double precision', { nullable: true }) pinHeight: number | null;
  /** Grows with every change; an editor that saw an older one is told so. */
  @Column('int') version: number;
}
