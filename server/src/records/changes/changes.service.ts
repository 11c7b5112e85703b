import { Injectable, type OnModuleInit } from '@nestjs/common';
import { LRUCache } from 'lru-cache';
import { DataSource } from 'typeorm';
import { KeptTables } from '../../platform/database/kept-tables.ts';
import { together } from '../../platform/database/together.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { frozen } from '../../platform/memory/frozen.ts';
import { WhileItStands } from '../../platform/memory/while-it-stands.ts';

/** Answers that this process keeps, up to some 100 kB each. */
const MOST = 2_000;
/** Rows of lists that it keeps, some 2 kB each: a club of thousands must not push its own out while it is read. */
const MOST_IN_LISTS = 30_000;

/** Rows of one lifter's changes that are summed up at the next look. */
const MOST_ROWS = 200;

/** Whose answer it is; `id` where it is of one thing of several of the lifter, as a session. */
export interface AnswerOf {
  readonly club: ClubRef;
  readonly lifterId: string;
  readonly id?: string;
}

/**
 * Works out once what rests on a lifter, on what the club's lifters share and on the club's day, until one of them changes. The
 * database counts the changes itself, so no write can be forgotten.
 */
@Injectable()
export class ChangesService implements OnModuleInit {
  readonly #answers = new WhileItStands({ max: MOST });
  readonly #lists = new LRUCache<string, { readonly stand: string; readonly answer: unknown }>({
    max: MOST_IN_LISTS,
  });

  constructor(
    private readonly db: DataSource,
    private readonly days: Days,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register(
      { name: 'changes_of_lifter', partOf: 'lifter_id', exported: 'never' },
      { name: 'changes_of_club', ofClub: 'club_id = $1', exported: 'never' },
    );
  }

  private readonly stands = together(
    async (lifterIds, clubId) => {
      const rows = await this.db.query<{ id: string; stand: string; rows: string }[]>(
        `SELECT lifter_id AS id, sum(times) || ' ' || (SELECT sum(times) FROM changes_of_club WHERE club_id = $2) AS stand,
                count(*) AS rows
           FROM changes_of_lifter WHERE lifter_id = ANY($1) AND club_id = $2 GROUP BY lifter_id`,
        [lifterIds, clubId],
      );
      const long = rows.filter((row) => Number(row.rows) > MOST_ROWS);
      if (long.length > 0) await this.sumUp(long.map(({ id }) => id));
      return rows;
    },
    (row) => row.id,
  );

  /** Puts one row in the place of many that say as much together; the number stays. */
  private async sumUp(lifterIds: readonly string[]): Promise<void> {
    await this.db.query(
      `WITH gone AS (DELETE FROM changes_of_lifter WHERE lifter_id = ANY($1) RETURNING lifter_id, club_id, times)
       INSERT INTO changes_of_lifter (lifter_id, club_id, times)
         SELECT lifter_id, club_id, sum(times) FROM gone GROUP BY lifter_id, club_id`,
      [lifterIds],
    );
  }

  /**
   * The same answer for as long as nothing that it may rest on has changed. It is given to all who ask: read, never changed.
   * @param what names the work; the same name is always the same work.
   * @param work reads what is committed, outside any transaction, and nothing of another lifter.
   */
  async untilChanged<Answer>(
    what: string,
    { club, lifterId, id = lifterId }: AnswerOf,
    work: () => Promise<Answer>,
  ): Promise<Answer> {
    // The count is read before the rows: they are at least as new as it says.
    const [row] = await this.stands([lifterId], club.id);
    // No such lifter, or one of another club: the work says so.
    if (!row) return work();
    return this.#answers.of(keyOf(what, club, id), `${row.stand} ${this.days.today(club)}`, work);
  }

  /** The same of several lifters at once: what stands is given, the rest is worked out together. */
  async allUntilChanged<Answer>(
    what: string,
    club: ClubRef,
    lifterIds: readonly string[],
    work: (missing: readonly string[]) => Promise<ReadonlyMap<string, Answer>>,
  ): Promise<Map<string, Answer>> {
    const today = this.days.today(club);
    const stands = new Map(
      (await this.stands(lifterIds, club.id)).map((row) => [row.id, `${row.stand} ${today}`]),
    );
    // Taken before anything is added: that may push out what is still to be given.
    const all = new Map<string, Answer>();
    for (const id of lifterIds) {
      const known = this.#lists.get(keyOf(what, club, id));
      if (known && known.stand === stands.get(id)) all.set(id, known.answer as Answer);
    }
    const missing = lifterIds.filter((id) => !all.has(id));
    for (const [id, found] of missing.length > 0 ? await work(missing) : []) {
      const answer = frozen(found);
      all.set(id, answer);
      const stand = stands.get(id);
      if (stand) this.#lists.set(keyOf(what, club, id), { stand, answer });
    }
    return all;
  }

  /** What rests on all lifters of a club together. */
  async untilClubChanged<Answer>(what: string, club: ClubRef, work: () => Promise<Answer>): Promise<Answer> {
    const [row] = await this.db.query<{ stand: string | null }[]>(
      `SELECT (SELECT sum(times) FROM changes_of_club WHERE club_id = $1) || ' ' ||
              (SELECT coalesce(sum(times), 0) FROM changes_of_lifter WHERE club_id = $1) AS stand`,
      [club.id],
    );
    const stand = row?.stand;
    return stand
      ? this.#answers.of(keyOf(what, club, ''), `${stand} ${this.days.today(club)}`, work)
      : work();
  }
}

/** Answers of one club are never given to another. */
const keyOf = (what: string, club: ClubRef, id: string): string => `${club.id} ${what} ${id}`;
