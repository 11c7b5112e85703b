import { Injectable, type OnModuleInit } from '@nestjs/common';
import type { LiveEvent } from '@iron-clasp/contract';
import { DataSource } from 'typeorm';
import { Clock } from '../../platform/clock/clock.ts';
import { KeptTables } from '../../platform/database/kept-tables.ts';
import { readMany } from '../../platform/database/read-many.ts';
import { LaneStand } from './lane-stand.entity.ts';

/** A lane that has told nothing for so long stands nowhere, ms. */
const FORGOTTEN_AFTER = 24 * 60 * 60_000;

@Injectable()
export class LaneStandsService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly clock: Clock,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    // Where a lane stands now is nothing to keep.
    this.kept.register({ name: 'lane_stand', partOf: 'session_id', exported: 'never' });
  }

  async keep(event: LiveEvent): Promise<void> {
    await this.db.query(
      `INSERT INTO lane_stand (session_id, event, told_at) VALUES ($1, $2, $3)
       ON CONFLICT (session_id) DO UPDATE SET event = EXCLUDED.event, told_at = EXCLUDED.told_at`,
      [event.sessionId, JSON.stringify(event), this.clock.now()],
    );
  }

  async forget(sessionId: string): Promise<void> {
    await this.db.getRepository(LaneStand).delete({ sessionId });
  }

  /** Where the named sessions stood last, those that stand anywhere. */
  async of(sessionIds: readonly string[]): Promise<LiveEvent[]> {
    const since = new Date(this.clock.now().getTime() - FORGOTTEN_AFTER);
    const rows = await readMany(this.db, LaneStand, 'session_id = ANY($1) AND told_at > $2', [
      sessionIds,
      since,
    ]);
    return rows.map((row) => row.event);
  }
}
