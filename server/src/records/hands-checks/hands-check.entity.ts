import type { HandsToday } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One look at both hands; the latest one counts. */
@Entity('hands_check')
export class HandsCheck {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('date') checkedOn: string;
  @Column('jsonb') hands: HandsToday;
  @Column('uuid', { nullable: true }) checkedBy: string | null;
  /** Orders the checks of one day. */
  @Column('timestamptz') checkedAt: Date;
}
