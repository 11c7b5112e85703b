import { LIFTS } from '@iron-clasp/core';

/** Lifts that hang from no grip: a press in the log says nothing about a hand. */
export const NOT_GRIPPED: readonly string[] = LIFTS.filter((lift) => !lift.grips).map((lift) => lift.id);

/** Bare-handed sets and holds of the last fortnight and of the one before, with the slips among them. */
export interface BareFortnights {
  readonly recent: number;
  readonly recent_sets: number;
  readonly before: number;
  readonly before_sets: number;
}

/**
 * SQL that joins each lifter `l` to its {@link BareFortnights}, as `bare`. `$2` is today; the parameter named by `notGripped`
 * is {@link NOT_GRIPPED}. Warm-ups do not count.
 */
export const joinBareFortnights = (notGripped: '$3' | '$4'): string => `
  CROSS JOIN LATERAL (
    SELECT count(*) FILTER (WHERE late AND slipped)::int AS recent, count(*) FILTER (WHERE late)::int AS recent_sets,
           count(*) FILTER (WHERE NOT late AND slipped)::int AS before, count(*) FILTER (WHERE NOT late)::int AS before_sets
      FROM (SELECT s.done_at > $2::date - 14 AS late, s.slipped_at_rep IS NOT NULL AS slipped FROM logged_set s
             WHERE s.lifter_id = l.id AND s.done_at > $2::date - 28 AND s.undone_at IS NULL AND NOT s.strapped
               AND s.role <> 'warmup' AND s.lift_id <> ALL(${notGripped}::text[])
            UNION ALL
            SELECT d.done_at > $2::date - 14, d.ended = 'slipped' FROM logged_hold d
             WHERE d.lifter_id = l.id AND d.done_at > $2::date - 28 AND d.undone_at IS NULL) x) bare`;
