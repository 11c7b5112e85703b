import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { insertMany } from '../../platform/database/saves.ts';
import { LoggedSet } from './log.entity.ts';

/** Sets that came from files: many at once, and taken back as they came. */
@Injectable()
export class BroughtSetsService {
  constructor(private readonly db: DataSource) {}

  /** Of the sets with these ids, those that stand in the club's log. */
  async standing(clubId: string, ids: readonly string[]): Promise<ReadonlySet<string>> {
    const rows: { id: string }[] = await this.db.query(
      'SELECT id FROM logged_set WHERE id = ANY($1) AND club_id = $2 AND undone_at IS NULL',
      [ids, clubId],
    );
    return new Set(rows.map((row) => row.id));
  }

  /** Adds sets that are not there, and takes back the undoing of those that are; the ids of both. */
  async bringBack(
    manager: EntityManager,
    clubId: string,
    sets: readonly LoggedSet[],
  ): Promise<ReadonlySet<string>> {
    const ids = sets.map((set) => set.id);
    const rows: { id: string; undone: boolean }[] = await manager.query(
      'SELECT id, undone_at IS NOT NULL AS undone FROM logged_set WHERE id = ANY($1) AND club_id = $2',
      [ids, clubId],
    );
    const known = new Map(rows.map((row) => [row.id, row.undone]));
    const back = rows.filter((row) => row.undone).map((row) => row.id);
    await manager.query('UPDATE logged_set SET undone_at = NULL WHERE id = ANY($1) AND club_id = $2', [
      back,
      clubId,
    ]);
    const fresh = sets.filter((set) => !known.has(set.id));
    await insertMany(manager, LoggedSet, fresh);
    return new Set([...back, ...fresh.map((set) => set.id)]);
  }

  async undoMany(manager: EntityManager, clubId: string, ids: readonly string[], at: Date): Promise<void> {
    await manager.query(
      'UPDATE logged_set SET undone_at = $3 WHERE id = ANY($1) AND club_id = $2 AND undone_at IS NULL',
      [ids, clubId, at],
    );
  }

  /** Those of the sessions of which anything still stands. */
  async sessionsWithEntries(manager: EntityManager, ids: readonly string[]): Promise<ReadonlySet<string>> {
    const rows: { id: string }[] = await manager.query(
      `SELECT session_id AS id FROM logged_set WHERE session_id = ANY($1) AND undone_at IS NULL
       UNION SELECT session_id FROM logged_hold WHERE session_id = ANY($1) AND undone_at IS NULL`,
      [ids],
    );
    return new Set(rows.map((row) => row.id));
  }
}
