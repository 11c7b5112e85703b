import { Injectable } from '@nestjs/common';
import {
  chanceWorthMore,
  LIFTS,
  medianLoad,
  shareRange,
  worthOf,
  type Estimate,
  type HoldCurve,
  type School,
} from '@iron-clasp/core';
import type { PointEvidence } from '@iron-clasp/contract';
import { DataSource, In } from 'typeorm';
import { Clock } from '../clock.ts';
import { CurvesService } from '../curves/curves.service.ts';
import { Lifter } from '../lifters/lifter.entity.ts';
import { SchoolsRepository } from './schools.repository.ts';

/** Lifters whose curves are read for one page: the busiest of the last quarter. */
const MOST_LIFTERS = 40;
/** Fewer lifters, or spells, than this on one side say nothing. */
const FEWEST = 5;
/** Pain from which a hand counts as sore, and to which it has to come down, 0–10. */
const SORE = 4;
const BETTER = 2;
/** Weeks over which a block of holds is judged. */
const WEEKS = 12;

const NOT_GRIPPED = LIFTS.filter((lift) => !lift.grips).map((lift) => lift.id);
const percent = (share: number): string => `${Math.round(share * 100)} %`;
const said = ({ value, low, high }: Estimate): string =>
  `${percent(value)} (${Math.round(low * 100)}–${percent(high)})`;
const count = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
/** Two ranges that do not touch. */
const apart = (a: Estimate, b: Estimate): boolean => a.high < b.low || b.high < a.low;
const median = (values: readonly number[]): number => {
  const order = [...values].sort((a, b) => a - b);
  const middle = Math.floor(order.length / 2);
  return order.length % 2 ? order[middle]! : (order[middle - 1]! + order[middle]!) / 2;
};

interface Followed {
  readonly lifter: Lifter;
  readonly school: School;
  readonly months: number;
  readonly now: HoldCurve;
  readonly before: HoldCurve;
  /** Timed holds behind each. */
  readonly holds: number;
  readonly holdsBefore: number;
}

/** What the club's own logs say about the points on which schools disagree: each with its doubt, or why nothing can be said. */
@Injectable()
export class PointEvidenceService {
  constructor(
    private readonly db: DataSource,
    private readonly curves: CurvesService,
    private readonly schools: SchoolsRepository,
    private readonly clock: Clock,
  ) {}

  async all(clubId: string): Promise<PointEvidence[]> {
    const followed = await this.followed(clubId);
    return [
      await this.strapsOnVolume(clubId),
      gripOfHeavySets(followed),
      holdEffort(followed),
      await this.strapsForSoreHands(clubId),
      strapsForNovices(followed),
    ];
  }

  /** Slips on heavy bare sets in months whose volume was mostly strapped, against months in which it was not. */
  private async strapsOnVolume(clubId: string): Promise<PointEvidence> {
    const rows: { strapped: boolean; sets: number; slips: number }[] = await this.db.query(
      `WITH months AS (
         SELECT s.lifter_id, date_trunc('month', s.done_at) AS month,
                avg(s.strapped::int) FILTER (WHERE s.role IN ('backoff', 'volume')) AS strapped_share,
                count(*) FILTER (WHERE s.role IN ('top', 'attempt') AND NOT s.strapped) AS sets,
                count(*) FILTER (WHERE s.role IN ('top', 'attempt') AND NOT s.strapped AND s.slipped_at_rep IS NOT NULL) AS slips
           FROM logged_set s JOIN lifter l ON l.id = s.lifter_id AND l.club_id = $1
          WHERE s.undone_at IS NULL AND s.lift_id <> ALL ($2) AND s.done_at > $3::date - 365
          GROUP BY 1, 2)
       SELECT strapped_share >= 0.5 AS strapped, sum(sets)::int AS sets, sum(slips)::int AS slips
         FROM months WHERE strapped_share IS NOT NULL AND sets > 0 GROUP BY 1`,
      [clubId, NOT_GRIPPED, this.clock.today()],
    );
    const side = (strapped: boolean): { sets: number; slips: number } =>
      rows.find((row) => row.strapped === strapped) ?? { sets: 0, slips: 0 };
    const [strapped, bare] = [side(true), side(false)];
    const pointId = 'point.straps-on-volume';
    const behind = `${count(strapped.sets + bare.sets, 'heavy bare set')} of a year`;
    if (strapped.sets < 20 || bare.sets < 20)
      return {
        pointId,
        found: 'Not enough heavy bare sets in months of the one kind and of the other.',
        behind,
        speaksFor: null,
      };
    const [a, b] = [shareRange(strapped.slips, strapped.sets), shareRange(bare.slips, bare.sets)];
    const differ = apart(a, b);
    return {
      pointId,
      found: `Heavy bare sets slipped ${said(a)} of the time in months of strapped volume and ${said(b)} in months of bare volume${differ ? '' : ': no more apart than chance would have them'}. Different lifters make the two kinds of month, so this is a hint.`,
      behind,
      speaksFor: differ ? (a.value < b.value ? 'yes' : 'no') : null,
    };
  }

  /** Spells of sore hands: how soon they were better with pulls strapped, and without. */
  private async strapsForSoreHands(clubId: string): Promise<PointEvidence> {
    const rows: { strapped: boolean; spells: number; better: number }[] = await this.db.query(
      `WITH worst AS (
         SELECT h.lifter_id, h.checked_at, greatest((h.hands #>> '{left,pain}')::float, (h.hands #>> '{right,pain}')::float) AS pain
           FROM hands_check h JOIN lifter l ON l.id = h.lifter_id AND l.club_id = $1),
       spells AS (
         SELECT w.*, (SELECT n.pain FROM worst n WHERE n.lifter_id = w.lifter_id AND n.checked_at BETWEEN w.checked_at + interval '5 days' AND w.checked_at + interval '16 days' ORDER BY n.checked_at LIMIT 1) AS later,
                (SELECT avg(s.strapped::int) FROM logged_set s WHERE s.lifter_id = w.lifter_id AND s.undone_at IS NULL AND s.role <> 'warmup'
                    AND s.lift_id <> ALL ($2) AND s.done_at BETWEEN w.checked_at AND w.checked_at + interval '7 days') AS strapped_share
           FROM worst w WHERE w.pain >= $3)
       SELECT strapped_share >= 0.5 AS strapped, count(*)::int AS spells, count(*) FILTER (WHERE later <= $4)::int AS better
         FROM spells WHERE later IS NOT NULL AND strapped_share IS NOT NULL GROUP BY 1`,
      [clubId, NOT_GRIPPED, SORE, BETTER],
    );
    const side = (strapped: boolean): { spells: number; better: number } =>
      rows.find((row) => row.strapped === strapped) ?? { spells: 0, better: 0 };
    const [strapped, bare] = [side(true), side(false)];
    const pointId = 'point.straps-for-sore-hands';
    const behind = `${count(strapped.spells + bare.spells, 'spell')} of sore hands with a check a week later`;
    if (strapped.spells < FEWEST || bare.spells < FEWEST)
      return {
        pointId,
        found: `Fewer than ${FEWEST} spells of each kind have a hands check a week later: check the hands each session and it will tell.`,
        behind,
        speaksFor: null,
      };
    const [a, b] = [shareRange(strapped.better, strapped.spells), shareRange(bare.better, bare.spells)];
    return {
      pointId,
      found: `Sore hands were better within a fortnight ${said(a)} of the time with straps and ${said(b)} without.`,
      behind,
      speaksFor: apart(a, b) ? (a.value > b.value ? 'yes' : 'no') : null,
    };
  }

  /** The club's busiest lifters with their curves of now and of twelve weeks ago. */
  private async followed(clubId: string): Promise<Followed[]> {
    const busiest: { id: string }[] = await this.db.query(
      `SELECT l.id FROM lifter l WHERE l.club_id = $1 AND l.archived_at IS NULL
        ORDER BY (SELECT count(*) FROM logged_set s WHERE s.lifter_id = l.id AND s.done_at > $2::date - 90) DESC, l.id LIMIT $3`,
      [clubId, this.clock.today(), MOST_LIFTERS],
    );
    const lifters = await this.db
      .getRepository(Lifter)
      .find({ where: { id: In(busiest.map((each) => each.id)) }, order: { name: 'ASC' } });
    const found: Followed[] = [];
    for (const lifter of lifters) {
      const observations = await this.curves.observations(lifter.id);
      const earlier = observations
        .filter((each) => each.ageDays >= 7 * WEEKS)
        .map((each) => ({ ...each, ageDays: each.ageDays - 7 * WEEKS }));
      const days = (this.clock.now().getTime() - new Date(lifter.trainingSince).getTime()) / 86_400_000;
      found.push({
        lifter,
        school: await this.schools.followed(lifter),
        months: Math.floor(days / 30.44),
        now: this.curves.fit(lifter, observations),
        before: this.curves.fit(lifter, earlier),
        holds: observations.filter((each) => each.source === 'hold').length,
        holdsBefore: earlier.filter((each) => each.source === 'hold').length,
      });
    }
    return found;
  }
}

/** Chance from which a lifter's log counts as telling two grips apart. */
const TOLD = 0.85;
/** Least share of a grip's figure that must come from the lifter's own log. */
const OWN_LOG = 0.3;

/** Whose log tells hook and mixed apart, and which way. */
function gripOfHeavySets(followed: readonly Followed[]): PointEvidence {
  const told = followed.flatMap(({ lifter, now }) => {
    const own = Math.min(worthOf(now, 'hook')!.fromLog, worthOf(now, 'mixed')!.fromLog);
    return own < OWN_LOG ? [] : [{ name: lifter.name, hook: chanceWorthMore(now, 'hook', 'mixed') }];
  });
  const names = (of: typeof told, chance: (hook: number) => number): string =>
    of.map((each) => `${each.name} (likely at ${Math.round(100 * chance(each.hook))} in 100)`).join(', ');
  const hook = told.filter((each) => each.hook >= TOLD);
  const mixed = told.filter((each) => each.hook <= 1 - TOLD);
  const even = told.filter((each) => each.hook > 1 - TOLD && each.hook < TOLD);
  const parts = [
    ...(hook.length ? [`Hook holds more than mixed for ${names(hook, (chance) => chance)}`] : []),
    ...(mixed.length ? [`Mixed holds more than hook for ${names(mixed, (chance) => 1 - chance)}`] : []),
    ...(even.length ? [`Not told apart yet: ${even.map((each) => each.name).join(', ')}`] : []),
  ];
  return {
    pointId: 'point.grip-of-heavy-sets',
    found: parts.length
      ? `${parts.join('. ')}. Each lifter’s own curve decides, not the club’s.`
      : 'No lifter has logged enough of both hook and mixed grip for their own log to tell.',
    behind: `${count(told.length, 'lifter')} with both grips in the log`,
    speaksFor: hook.length + mixed.length > 0 ? 'whichever holds better in the lifter’s own log' : null,
  };
}

/** How the 10 s load moved over twelve weeks under schools of near-limit holds and of easier ones. */
function holdEffort(followed: readonly Followed[]): PointEvidence {
  const moved = followed
    .filter(({ holds, holdsBefore }) => holdsBefore >= 4 && holds >= 8)
    .map(({ school, before, now }) => ({
      near: school.hold.effort.kind === 'nearLimit',
      change: medianLoad(now, { seconds: 10 }).value / medianLoad(before, { seconds: 10 }).value - 1,
    }));
  const [near, easy] = [moved.filter((each) => each.near), moved.filter((each) => !each.near)];
  const behind = `${count(moved.length, 'lifter')} with holds in both halves of the last ${2 * WEEKS} weeks`;
  if (near.length < FEWEST || easy.length < FEWEST)
    return {
      pointId: 'point.hold-effort',
      found: `${count(near.length, 'lifter')} took holds near the limit and ${count(easy.length, 'lifter')} easier; ${FEWEST} of each are wanted before the club’s logs say anything.`,
      behind,
      speaksFor: null,
    };
  const tell = (of: typeof moved): string => `${(100 * median(of.map((each) => each.change))).toFixed(1)} %`;
  return {
    pointId: 'point.hold-effort',
    found: `Over ${WEEKS} weeks the 10 s load moved by ${tell(near)} (middle of ${near.length}) near the limit and by ${tell(easy)} (middle of ${easy.length}) with easier holds. Lifters differ in more than this.`,
    behind,
    speaksFor: null,
  };
}

/** Hands of the first two years against those of lifters who could strap from the start. */
function strapsForNovices(followed: readonly Followed[]): PointEvidence {
  const novices = followed.filter(({ months }) => months < 24);
  const bare = novices.filter(({ school }) => school.strapsNotBeforeMonths > 0 || !school.strapsLast);
  const strapped = novices.filter((each) => !bare.includes(each));
  const behind = `${count(novices.length, 'lifter')} in the first two years`;
  if (bare.length < FEWEST || strapped.length < FEWEST)
    return {
      pointId: 'point.straps-for-novices',
      found: `The club has ${count(bare.length, 'lifter')} in the first two years without straps and ${strapped.length} with; ${FEWEST} of each are wanted before their logs say anything.`,
      behind,
      speaksFor: null,
    };
  const share = (of: typeof novices): string =>
    percent(median(of.map(({ lifter, now }) => medianLoad(now, { seconds: 10 }).value / lifter.deadliftMax)));
  return {
    pointId: 'point.straps-for-novices',
    found: `Held bare for 10 s, as a share of the deadlift: ${share(bare)} without straps and ${share(strapped)} with (middles). Lifters differ in more than this.`,
    behind,
    speaksFor: null,
  };
}
