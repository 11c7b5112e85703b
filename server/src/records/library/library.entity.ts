import type { LibrarySession } from '@iron-clasp/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A session or a week that the club keeps to start from; nobody's own. */
@Entity('library_plan')
export class LibraryPlanRow {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('text') kind: 'session' | 'week';
  @Column('text') title: string;
  @Column('jsonb') sessions: readonly LibrarySession[];
  /** Lifts beside the deadlift whose best its shares are of; any other share is of the best that stands in. */
  @Column('jsonb') bests: readonly string[];
  @Column('timestamptz', { nullable: true }) removedAt: Date | null;
  @Column('int') version: number;
}
