import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One event of a meet, with its own rule on straps and its own bar. */
export interface MeetEvent {
  readonly liftId: string;
  readonly straps: boolean;
  /** Of the event's bar, mm; left out or null where it is the meet's. */
  readonly barDiameter?: number | null;
}

/** A contest with its own switches: the rulebook of the day outranks the program. */
@Entity('meet')
export class Meet {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('text') name: string;
  @Column('date') heldOn: string;
  @Column('boolean') straps: boolean;
  @Column('boolean') thumbTape: boolean;
  @Column('boolean') liquidChalk: boolean;
  @Column('text') place: string;
  /** Of the meet's bar, mm; null where nobody knows. */
  @Column('double precision', { nullable: true }) barDiameter: number | null;
  /** Planned deadlift attempts in order, kg. */
  @Column('jsonb') attempts: number[];
  /** Events whose rule on straps or bar is another than the meet's; empty where there is one rule for all. */
  @Column('jsonb') events: readonly MeetEvent[];
  @Column('int') version: number;
  @Column('timestamptz', { nullable: true }) removedAt: Date | null;
}
