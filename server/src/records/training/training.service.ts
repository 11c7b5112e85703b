import { Injectable, type OnModuleInit } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { Owners } from '../../platform/access/owners.ts';
import {
  changeVersion,
  insertMany,
  keepOnce,
  saveVersion,
  type Saved,
} from '../../platform/database/saves.ts';
import { notFound, Problem } from '../../platform/http/problem.ts';
import { BroughtRows } from '../../platform/database/brought-rows.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import type { HoldKindId } from '@iron-clasp/core';
import { PlannedSet, TrainingSession, type PlannedHold } from './training.entity.ts';
import { sameSet, TrainingRepository } from './training.repository.ts';

/** What an editor says of a session. */
export type SessionContent = Pick<
  TrainingSession,
  'venueId' | 'barId' | 'heldOn' | 'title' | 'holds' | 'lines' | 'rehearsesMeet'
>;

/** Sets of a session, those added on the day too. */
const MOST_SETS = 200;
/** Sessions of a day that are listed. */
const MOST_A_DAY = 200;
const MOST_A_WEEK = 2000;

@Injectable()
export class TrainingService implements OnModuleInit {
  /** Sessions that come from files. */
  readonly brought = new BroughtRows(TrainingSession, 'removedAt');

  constructor(
    private readonly db: DataSource,
    private readonly training: TrainingRepository,
    private readonly kept: KeptTables,
    private readonly owners: Owners,
  ) {}

  onModuleInit(): void {
    this.owners.register('session', async (id) => (await this.training.byIds([id]))[0]?.lifterId ?? null);
    this.kept.register({ name: 'training_session', ...OWN }, { name: 'planned_set', partOf: 'session_id' });
  }

  /** The club's session; one that was removed is not there. */
  async find(clubId: string, id: string, manager?: EntityManager): Promise<TrainingSession | null> {
    const session = await this.training.session(clubId, id, manager);
    return session?.removedAt ? null : session;
  }

  /** The same, or a 404. */
  async known(clubId: string, id: string): Promise<TrainingSession> {
    const session = await this.find(clubId, id);
    if (!session) throw notFound('session');
    return session;
  }

  /** A session of the club that was removed, to take back. */
  async removed(clubId: string, id: string): Promise<TrainingSession | null> {
    const session = await this.training.session(clubId, id);
    return session?.removedAt ? session : null;
  }

  /** Holds a session still until the transaction ends; a 404 where it is not there. */
  async lock(manager: EntityManager, clubId: string, id: string): Promise<TrainingSession> {
    const session = await this.training.lock(manager, clubId, id);
    if (!session) throw notFound('session');
    return session;
  }

  /** Sessions by id, removed ones too: what was logged in one is history. */
  async byIds(ids: readonly string[]): Promise<Map<string, TrainingSession>> {
    return new Map((await this.training.byIds([...new Set(ids)])).map((each) => [each.id, each]));
  }

  async next(lifterId: string, today: string): Promise<TrainingSession | null> {
    const [session] = await this.training.nextOf([lifterId], today);
    return session ?? null;
  }

  async nextOf(lifterIds: readonly string[], today: string): Promise<Map<string, TrainingSession>> {
    return new Map((await this.training.nextOf(lifterIds, today)).map((each) => [each.lifterId, each]));
  }

  onDay(clubId: string, day: string): Promise<TrainingSession[]> {
    return this.training.onDay(clubId, day, MOST_A_DAY);
  }

  /** The club's sessions between two days, both included, in order. */
  ofClubBetween(clubId: string, from: string, to: string, most = MOST_A_WEEK): Promise<TrainingSession[]> {
    return this.training.ofClubBetween(clubId, from, to, most);
  }

  between(lifterId: string, from: string, to: string, manager?: EntityManager): Promise<TrainingSession[]> {
    return this.training.between(lifterId, from, to, manager);
  }

  laterInSeries(session: TrainingSession, manager?: EntityManager): Promise<TrainingSession[]> {
    return session.seriesId ? this.training.laterInSeries(session, manager) : Promise.resolve([]);
  }

  plannedSets(sessionIds: readonly string[], manager?: EntityManager): Promise<PlannedSet[]> {
    return this.training.plannedSets(sessionIds, manager);
  }

  venuesSince(lifterId: string, since: string): Promise<string[]> {
    return this.training.venuesSince(lifterId, since);
  }

  sessionsByVenue(clubId: string, venueIds: readonly string[]): Promise<Map<string, number>> {
    return this.training.sessionsByVenue(clubId, venueIds);
  }

  /** Sessions that are still to come at a venue. */
  aheadAt(clubId: string, venueId: string, today: string): Promise<number> {
    return this.training.aheadAt(clubId, venueId, today);
  }

  /** Writes a session with its sets, new or at the version its editor saw. */
  async save(
    manager: EntityManager,
    owner: Pick<TrainingSession, 'clubId' | 'lifterId'>,
    id: string,
    seen: number,
    content: SessionContent,
    sets: readonly PlannedSet[],
    more: Partial<Pick<TrainingSession, 'seriesId' | 'audit'>> = {},
  ): Promise<Saved> {
    const { clubId, lifterId } = owner;
    const saved = await saveVersion(manager, TrainingSession, {
      ...{ id, seen, content, what: 'session' },
      owner: { clubId, lifterId },
      fresh: { ...NEW_SESSION, ...more },
    });
    if (saved === 'same') {
      if (sameSets(await this.training.plannedSets([id], manager), sets)) return saved;
      // The same lines make other sets where the lifter's max is another one now.
      await this.change({ id, clubId, lifterId }, seen, {}, manager);
    }
    await this.training.replaceSets(manager, id, sets);
    return saved === 'same' ? 'changed' : saved;
  }

  /** Changes part of a session that is at the version seen. */
  change(
    session: Pick<TrainingSession, 'id' | 'clubId' | 'lifterId'>,
    seen: number,
    part: Partial<TrainingSession>,
    manager: EntityManager = this.db.manager,
  ): Promise<void> {
    const { id, clubId, lifterId } = session;
    const owner = { clubId, lifterId };
    return changeVersion(manager, TrainingSession, { ...{ id, owner, seen, part, what: 'session' } });
  }

  /**
   * Adds a set to a session that is not over, behind those it has; sent again it is the same set. The lines no longer say
   * all of it, so the session is read from its sets from then on.
   * @param make the set, from those there are; null where none is to be added after all.
   */
  async addSet(
    clubId: string,
    sessionId: string,
    id: string,
    make: (sets: readonly PlannedSet[]) => Omit<PlannedSet, 'id' | 'sessionId' | 'place'> | null,
  ): Promise<void> {
    await this.db.transaction(async (manager) => {
      const session = await this.lock(manager, clubId, sessionId);
      if (session.finished)
        throw new Problem(409, 'session-over', 'This session is over. Open it again to add a set.');
      const sets = await this.training.plannedSets([sessionId], manager);
      const others = sets.filter((set) => set.id !== id);
      if (others.length >= MOST_SETS)
        throw new Problem(409, 'too-many', `A session has at most ${MOST_SETS} sets.`);
      const place =
        sets.find((set) => set.id === id)?.place ?? Math.max(-1, ...others.map((set) => set.place)) + 1;
      const made = make(others);
      if (!made) return;
      await keepOnce(
        manager,
        PlannedSet,
        { ...made, id, sessionId, place },
        {
          owner: { sessionId },
          same: ['liftId', 'role', 'load', 'reps', 'seconds'],
          what: 'set',
        },
      );
      await manager.update(TrainingSession, { id: sessionId, clubId }, { lines: null });
    });
  }

  /** Ends a session, or opens it again where `at` is null. The plan stays as it is, so its version does too. */
  async finish({ id, clubId }: TrainingSession, at: Date | null, note: string | null): Promise<void> {
    await this.db
      .getRepository(TrainingSession)
      .update({ id, clubId }, { finished: at !== null, finishedAt: at, noteToLifter: note });
  }

  /** A session that was done before the club kept its log here. */
  past(
    of: Pick<TrainingSession, 'id' | 'clubId' | 'lifterId' | 'venueId' | 'heldOn' | 'title'>,
  ): TrainingSession {
    return {
      ...{ ...NEW_SESSION, ...of, finished: true, barId: null, holds: [], rehearsesMeet: false },
      ...{ version: 1, lines: null },
    };
  }

  async addMany(
    manager: EntityManager,
    sessions: readonly TrainingSession[],
    sets: readonly PlannedSet[],
  ): Promise<void> {
    await insertMany(manager, TrainingSession, sessions);
    await insertMany(manager, PlannedSet, sets);
  }
}

/** What a session has before anybody said anything of it. */
const NEW_SESSION = {
  sweat: false,
  audit: false,
  ownChalk: null,
  ownDiameter: null,
  seriesId: null,
  removedAt: null,
  finished: false,
  finishedAt: null,
  noteToLifter: null,
};

/** A session that is not kept: to call lines before they are saved. */
export function newSession(of: Pick<TrainingSession, 'id' | 'clubId' | 'lifterId'>): TrainingSession {
  return {
    ...{ ...NEW_SESSION, ...of, venueId: '', barId: null, heldOn: '', title: '', holds: [], lines: null },
    ...{ rehearsesMeet: false, version: 0 },
  };
}

/** Are the sets of two plans alike, in order, whatever their ids? */
export function sameSets(a: readonly PlannedSet[], b: readonly PlannedSet[]): boolean {
  return a.length === b.length && a.every((set, i) => sameSet(set, b[i]!));
}

/** The holds that an editor chose; one that a block put there stays the block's. */
export function holdsOf(kinds: readonly HoldKindId[], known: readonly PlannedHold[] = []): PlannedHold[] {
  return kinds.map((kind) => known.find((hold) => hold.kind === kind) ?? { kind, blockId: null });
}
