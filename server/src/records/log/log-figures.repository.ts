import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { NOT_GRIPPED } from './not-gripped.ts';

/** Bare-handed sets and holds of the last fortnight and of the one before, with the slips among them. */
export interface BareFortnights {
  readonly recent: number;
  readonly recentSets: number;
  readonly before: number;
  readonly beforeSets: number;
}

/** Share of a lifter's sets that were strapped, and the slips of heavy bare ones, by whether the month's volume was. */
export interface StrappedMonths {
  readonly strapped: boolean;
  readonly sets: number;
  readonly slips: number;
}

/** Counts and shares over the log, of several lifters or a whole club. */
@Injectable()
export class LogFigures {
  constructor(private readonly db: DataSource) {}

  /** Slips of the last fortnight and of the one before it, by lifter; warm-ups do not count. */
  async bareFortnights(lifterIds: readonly string[], today: string): Promise<Map<string, BareFortnights>> {
    const rows: (BareFortnights & { id: string })[] = await this.db.query(
      `SELECT lifter_id AS id,
              count(*) FILTER (WHERE late AND slipped)::int AS recent, count(*) FILTER (WHERE late)::int AS "recentSets",
              count(*) FILTER (WHERE NOT late AND slipped)::int AS before, count(*) FILTER (WHERE NOT late)::int AS "beforeSets"
         FROM (SELECT lifter_id, training_day > $2::date - 14 AS late, slipped_at_rep IS NOT NULL AS slipped FROM logged_set
                WHERE lifter_id = ANY($1) AND training_day > $2::date - 28 AND undone_at IS NULL AND NOT strapped
                  AND role <> 'warmup' AND lift_id <> ALL($3)
               UNION ALL
               SELECT lifter_id, training_day > $2::date - 14, ended = 'slipped' FROM logged_hold
                WHERE lifter_id = ANY($1) AND training_day > $2::date - 28 AND undone_at IS NULL) x
        GROUP BY lifter_id`,
      [lifterIds, today, NOT_GRIPPED],
    );
    return new Map(rows.map(({ id, ...bare }) => [id, bare]));
  }

  /** Chalked sets and holds on each bar since the instant given for it. */
  async chalkedSince(
    bars: readonly { readonly id: string; readonly since: Date | null }[],
  ): Promise<Map<string, number>> {
    const rows: { id: string; n: number }[] = await this.db.query(
      `SELECT b.id, ((SELECT count(*) FROM logged_set s WHERE s.bar_id = b.id AND s.chalk <> 'none' AND s.undone_at IS NULL
                         AND s.done_at > coalesce(b.since, '-infinity'))
                   + (SELECT count(*) FROM logged_hold h WHERE h.bar_id = b.id AND h.chalk <> 'none' AND h.undone_at IS NULL
                         AND h.done_at > coalesce(b.since, '-infinity')))::int AS n
         FROM unnest($1::uuid[], $2::timestamptz[]) AS b (id, since)`,
      [bars.map((bar) => bar.id), bars.map((bar) => bar.since)],
    );
    return new Map(rows.map((row) => [row.id, row.n]));
  }

  /** Mixed sets of the club since a day, and in how many of them a bent elbow was seen. */
  async mixedArms(clubId: string, since: string): Promise<{ sets: number; bent: number }> {
    const [row]: { sets: number; bent: number }[] = await this.db.query(
      `SELECT count(*)::int AS sets, count(*) FILTER (WHERE 'elbowBent' = ANY (signs))::int AS bent
         FROM logged_set
        WHERE club_id = $1 AND training_day >= $2 AND undone_at IS NULL AND grip = 'mixed' AND NOT strapped`,
      [clubId, since],
    );
    return row!;
  }

  /** Slips on heavy bare sets in months whose volume was mostly strapped, and in months in which it was not. */
  strappedMonths(clubId: string, since: string): Promise<StrappedMonths[]> {
    return this.db.query(
      `WITH months AS (
         SELECT lifter_id, date_trunc('month', training_day) AS month,
                avg(strapped::int) FILTER (WHERE role IN ('backoff', 'volume')) AS strapped_share,
                count(*) FILTER (WHERE role IN ('top', 'attempt') AND NOT strapped) AS sets,
                count(*) FILTER (WHERE role IN ('top', 'attempt') AND NOT strapped AND slipped_at_rep IS NOT NULL) AS slips
           FROM logged_set
          WHERE club_id = $1 AND undone_at IS NULL AND lift_id <> ALL ($2) AND training_day > $3::date
          GROUP BY 1, 2)
       SELECT strapped_share >= 0.5 AS strapped, sum(sets)::int AS sets, sum(slips)::int AS slips
         FROM months WHERE strapped_share IS NOT NULL AND sets > 0 GROUP BY 1`,
      [clubId, NOT_GRIPPED, since],
    );
  }

  /** Share of working sets that were strapped within each stretch of time; null where there were none. */
  async strappedShares(
    spells: readonly { readonly lifterId: string; readonly from: Date; readonly to: Date }[],
  ): Promise<(number | null)[]> {
    const rows: { share: number | null }[] = await this.db.query(
      `SELECT (SELECT avg(s.strapped::int)::float FROM logged_set s
                WHERE s.lifter_id = w.lifter_id AND s.undone_at IS NULL AND s.role <> 'warmup' AND s.lift_id <> ALL ($4)
                  AND s.done_at BETWEEN w.since AND w.until) AS share
         FROM unnest($1::uuid[], $2::timestamptz[], $3::timestamptz[]) WITH ORDINALITY AS w (lifter_id, since, until, place)
        ORDER BY w.place`,
      [
        spells.map((each) => each.lifterId),
        spells.map((each) => each.from),
        spells.map((each) => each.to),
        NOT_GRIPPED,
      ],
    );
    return rows.map((row) => row.share);
  }

  /** Lifters of the club by how many sets they logged since a day, the busiest first. */
  async busiest(clubId: string, since: string): Promise<string[]> {
    const rows: { id: string }[] = await this.db.query(
      `SELECT lifter_id AS id FROM logged_set WHERE club_id = $1 AND training_day > $2 AND undone_at IS NULL
        GROUP BY 1 ORDER BY count(*) DESC, 1`,
      [clubId, since],
    );
    return rows.map((row) => row.id);
  }
}
