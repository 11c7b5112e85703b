import type { LiveEvent } from '@iron-clasp/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** Where the lane of a session stood last: for whoever begins to follow, at whichever process. */
@Entity('lane_stand')
export class LaneStand {
  @PrimaryColumn('uuid') sessionId: string;
  @Column('jsonb') event: LiveEvent;
  @Column('timestamptz') toldAt: Date;
}
