import type { HoldKindId } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** Weeks with a purpose on the season strip: a block of holds, or a test. */
@Entity('season_mark')
export class SeasonMarkRow {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('text') kind: 'holdBlock' | 'test';
  @Column('text') label: string;
  @Column('date') startsOn: string;
  @Column('date') endsOn: string;
  /** Of a hold block: what is held. */
  @Column('text') holdKind: HoldKindId;
  @Column('int') sessionsAWeek: number;
  @Column('uuid', { nullable: true }) madeBy: string | null;
  /** Grows with every change; an editor that saw an older one is told so. */
  @Column('int') version: number;
  @Column('timestamptz', { nullable: true }) removedAt: Date | null;
}
