import { randomUUID } from 'node:crypto';
import { Injectable, type OnModuleInit } from '@nestjs/common';
import { rollup } from 'd3-array';
import type { KnownHistory } from '@iron-clasp/contract';
import { DataSource, type EntityManager } from 'typeorm';
import { Owners } from '../../platform/access/owners.ts';
import { changeVersion, insertMany, saveVersion, type Saved } from '../../platform/database/saves.ts';
import type { PageKey } from '../../platform/http/paging.ts';
import { notFound } from '../../platform/http/problem.ts';
import { BroughtRows } from '../../platform/database/brought-rows.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { Lifter, LifterHistory, type LifterChange } from './lifter.entity.ts';
import { LiftersRepository } from './lifters.repository.ts';

/** What an editor says of a lifter. */
export type LifterContent = Omit<Lifter, 'id' | 'clubId' | 'version' | 'archivedAt'>;

@Injectable()
export class LiftersService implements OnModuleInit {
  /** Lifters that come from files. */
  readonly brought = new BroughtRows(Lifter, 'archivedAt');

  constructor(
    private readonly db: DataSource,
    private readonly lifters: LiftersRepository,
    private readonly kept: KeptTables,
    private readonly owners: Owners,
  ) {}

  onModuleInit(): void {
    this.owners.register('lifter', async (id) => id);
    this.kept.register(
      { name: 'lifter', ofClub: OWN.ofClub, ofLifter: 'id = $1' },
      { name: 'lifter_history', partOf: 'lifter_id' },
      { name: 'lifter_change', partOf: 'lifter_id' },
    );
  }

  /** The lifter of this club; one of another club is not there. */
  find(clubId: string, id: string): Promise<Lifter | null> {
    return this.lifters.find(clubId, id);
  }

  /** The same, or a 404 that does not tell a foreign lifter from none. */
  async known(clubId: string, id: string): Promise<Lifter> {
    const lifter = await this.lifters.find(clubId, id);
    if (!lifter) throw notFound('lifter');
    return lifter;
  }

  /** Those on the rack, by name; only those whose name contains `find`. */
  onRack(clubId: string, find = ''): Promise<Lifter[]> {
    return this.lifters.onRack(clubId, find.trim().toLowerCase());
  }

  /** Some of those on the rack, by name; what was archived meanwhile is left out. */
  someOnRack(clubId: string, ids: readonly string[]): Promise<Lifter[]> {
    return this.lifters.someOnRack(clubId, ids);
  }

  archived(clubId: string, after: PageKey | null, limit: number): Promise<Lifter[]> {
    return this.lifters.archived(clubId, after, limit);
  }

  /** What lifters of the club are called, by id. */
  async namesOf(clubId: string, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
    const found = await this.lifters.byIds([...new Set(ids)]);
    return new Map(found.filter((each) => each.clubId === clubId).map(({ id, name }) => [id, name]));
  }

  isActive(id: string): Promise<boolean> {
    return this.lifters.isActive(id);
  }

  /** Injuries and conditions of the lifter. */
  async history(lifterId: string): Promise<KnownHistory[]> {
    return (await this.lifters.history([lifterId])).map(asKnown);
  }

  /** Those of several lifters. */
  async histories(lifterIds: readonly string[]): Promise<Map<string, KnownHistory[]>> {
    const rows = await this.lifters.history(lifterIds);
    return rollup(
      rows,
      (own) => own.map(asKnown),
      (row) => row.lifterId,
    );
  }

  changes(lifterId: string, before: PageKey | null, limit: number): Promise<LifterChange[]> {
    return this.lifters.changes(lifterId, before, limit);
  }

  /** When a field of several lifters was last changed; one whose never was is left out. */
  lastChanges(lifterIds: readonly string[], field: string): Promise<ReadonlyMap<string, Date>> {
    return this.lifters.lastChanges(lifterIds, field);
  }

  followers(clubId: string): Promise<Map<string, number>> {
    return this.lifters.followers(clubId);
  }

  /** Writes a lifter, new or at the version that the editor saw, with its history and what changed. */
  save(
    clubId: string,
    id: string,
    seen: number,
    content: LifterContent,
    history: readonly KnownHistory[],
    changes: readonly LifterChange[],
  ): Promise<Saved> {
    return this.db.transaction(async (manager) => {
      const owner = { clubId };
      const saved = await saveVersion(manager, Lifter, {
        ...{ id, owner, seen, content, what: 'lifter' },
        fresh: { archivedAt: null },
      });
      if (saved === 'same') {
        if (changes.length === 0) return saved;
        // Only the history is another one: it counts as a change of the lifter all the same.
        await changeVersion(manager, Lifter, { ...{ id, owner, seen, what: 'lifter' }, part: {} });
      }
      const rows = history.map((flag): LifterHistory => ({
        id: randomUUID(),
        lifterId: id,
        kind: flag.kind,
        side: flag.side ?? null,
        since: flag.since ?? null,
        cleared: flag.cleared,
      }));
      await this.lifters.replaceHistory(manager, id, rows);
      await this.lifters.addChanges(manager, changes);
      return saved === 'same' ? 'changed' : saved;
    });
  }

  /** Changes one thing of a lifter who is still at the version seen, and keeps that it was changed. */
  changeOne(
    clubId: string,
    id: string,
    seen: number,
    part: Partial<Lifter>,
    change: LifterChange,
  ): Promise<void> {
    return this.db.transaction(async (manager) => {
      const owner = { clubId };
      await changeVersion(manager, Lifter, { ...{ id, owner, seen, what: 'lifter' }, part });
      await this.lifters.addChanges(manager, [change]);
    });
  }

  /** Adds lifters with their history, as an import does. */
  async addMany(
    manager: EntityManager,
    lifters: readonly Lifter[],
    history: readonly LifterHistory[],
  ): Promise<void> {
    await insertMany(manager, Lifter, lifters);
    await insertMany(manager, LifterHistory, history);
  }
}

function asKnown({ kind, side, since, cleared }: LifterHistory): KnownHistory {
  return { kind, cleared, ...(side && { side }), ...(since && { since }) };
}
