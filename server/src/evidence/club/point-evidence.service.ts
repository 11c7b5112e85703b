import { Injectable } from '@nestjs/common';
import {
  IMBALANCE_FLAG,
  chanceWorthMore,
  medianLoad,
  shareRange,
  SORE,
  worthOf,
  type Estimate,
  type HoldCurve,
  type School,
} from '@iron-clasp/core';
import type { PointEvidence } from '@iron-clasp/contract';
import { addDays, subDays } from 'date-fns';
import { Clock } from '../../platform/clock/clock.ts';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { ChangesService } from '../../records/changes/changes.service.ts';
import { HandsChecksService } from '../../records/hands-checks/hands-checks.service.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { LogService } from '../../records/log/log.service.ts';
import { SchoolsService } from '../../records/schools/schools.service.ts';
import { CurvesService } from '../curves/curves.service.ts';

/** Lifters whose curves are read for one page: the busiest of the last quarter. */
const MOST_LIFTERS = 40;
/** Fewer lifters, or spells, than this on one side say nothing. */
const FEWEST = 5;
/** Pain to which a sore hand has to come down, 0–10. */
const BETTER = 2;
/** Checks further back than this are left out, days. */
const SORE_LOOKS_BACK = 3 * 365;
/** Weeks over which a block of holds is judged. */
const WEEKS = 12;

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
    private readonly log: LogService,
    private readonly lifters: LiftersService,
    private readonly checks: HandsChecksService,
    private readonly curves: CurvesService,
    private readonly schools: SchoolsService,
    private readonly clock: Clock,
    private readonly days: Days,
    private readonly changes: ChangesService,
  ) {}

  all(club: ClubRef): Promise<PointEvidence[]> {
    return this.changes.untilClubChanged('point evidence', club, () => this.read(club));
  }

  private async read(club: ClubRef): Promise<PointEvidence[]> {
    const followed = await this.followed(club);
    return [
      await this.strapsOnVolume(club),
      gripOfHeavySets(followed),
      holdEffort(followed),
      await this.strapsForSoreHands(club),
      strapsForNovices(followed),
      await this.asymmetry(club, followed),
      await this.hookVolume(followed),
      await this.bicepsRisk(club),
    ];
  }

  /** How many of the lifters who pull mixed keep one side. */
  private async asymmetry(club: ClubRef, followed: readonly Followed[]): Promise<PointEvidence> {
    const ledgers = await Promise.all(followed.map(({ lifter }) => this.curves.ledger(club, lifter.id)));
    const mixed = ledgers.filter(({ left, right }) => left.sets + right.sets >= FEWEST_MIXED_SETS);
    const onOneSide = mixed.filter(({ imbalance }) => imbalance >= IMBALANCE_FLAG);
    return {
      pointId: 'point.asymmetry',
      found: `${count(onOneSide.length, 'lifter')} of the ${mixed.length} who pull mixed keep one side. What that does to an arm is not told by half a year of logs.`,
      behind: `${count(mixed.length, 'lifter')} with at least ${FEWEST_MIXED_SETS} mixed sets`,
      speaksFor: null,
    };
  }

  /** Sound thumbs where the volume is hooked, and where the hook is kept for the top sets. */
  private async hookVolume(followed: readonly Followed[]): Promise<PointEvidence> {
    const hooking = followed.filter(({ lifter }) => lifter.hookStage !== 'none');
    const checks = await this.checks.latestOf(hooking.map(({ lifter }) => lifter.id));
    const seen = hooking.filter(({ lifter }) => checks.has(lifter.id));
    const all = seen.filter(({ school }) => school.ladder.volume[0] === 'hook');
    const few = seen.filter((each) => !all.includes(each));
    const behind = `${count(seen.length, 'lifter')} who hook, with hands that were looked at`;
    if (all.length < FEWEST || few.length < FEWEST)
      return {
        pointId: 'point.hook-volume',
        found: `${count(all.length, 'lifter')} hook the volume and ${count(few.length, 'lifter')} keep it for the top sets; ${FEWEST} of each are wanted before their thumbs say anything.`,
        ...{ behind, speaksFor: null },
      };
    const sound = (of: typeof seen): string => {
      const fine = of.filter(({ lifter }) => {
        const { left, right } = checks.get(lifter.id)!.hands;
        return [left, right].every(({ thumb }) => thumb === 'sound' || thumb === 'callused');
      });
      return `${fine.length} of ${of.length}`;
    };
    return {
      pointId: 'point.hook-volume',
      found: `Thumbs are sound in ${sound(all)} who hook the volume and in ${sound(few)} who do not.`,
      ...{ behind, speaksFor: null },
    };
  }

  /** How often an elbow was seen to bend under mixed grip. */
  private async bicepsRisk(club: ClubRef): Promise<PointEvidence> {
    const { sets, bent } = await this.log.mixedArms(club.id, shiftDay(this.days.today(club), -365));
    return {
      pointId: 'point.biceps-risk',
      found:
        bent === 0
          ? 'Nobody has noted an elbow that bends under mixed grip; injuries are too rare for a club’s logs to count.'
          : `An elbow was seen to bend in ${count(bent, 'mixed set')}; injuries are too rare for a club’s logs to count.`,
      behind: `${count(sets, 'mixed set')} of a year`,
      speaksFor: null,
    };
  }

  /** Slips on heavy bare sets in months whose volume was mostly strapped, against months in which it was not. */
  private async strapsOnVolume(club: ClubRef): Promise<PointEvidence> {
    const rows = await this.log.strappedMonths(club.id, shiftDay(this.days.today(club), -365));
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
  private async strapsForSoreHands(club: ClubRef): Promise<PointEvidence> {
    const checks = await this.checks.ofClub(club.id, subDays(this.clock.now(), SORE_LOOKS_BACK));
    const worst = ({ hands }: (typeof checks)[number]): number => Math.max(hands.left.pain, hands.right.pain);
    const spells = checks.flatMap((check) => {
      if (worst(check) < SORE) return [];
      const [from, to] = [addDays(check.checkedAt, 5), addDays(check.checkedAt, 16)];
      const later = checks.find(
        (each) => each.lifterId === check.lifterId && each.checkedAt >= from && each.checkedAt <= to,
      );
      const week = { lifterId: check.lifterId, from: check.checkedAt, to: addDays(check.checkedAt, 7) };
      return later ? [{ ...week, better: worst(later) <= BETTER }] : [];
    });
    const shares = await this.log.strappedShares(spells);
    const rows = [true, false].map((strapped) => {
      const own = spells.filter((_, i) => shares[i] !== null && shares[i]! >= 0.5 === strapped);
      return { strapped, spells: own.length, better: own.filter((each) => each.better).length };
    });
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
  private async followed(club: ClubRef): Promise<Followed[]> {
    const today = this.days.today(club);
    const [rack, busiest] = await Promise.all([
      this.lifters.onRack(club.id),
      this.log.busiest(club.id, shiftDay(today, -90)),
    ]);
    const rank = ({ id }: Lifter): number => (busiest.includes(id) ? busiest.indexOf(id) : rack.length);
    const chosen = new Set([...rack].sort((a, b) => rank(a) - rank(b)).slice(0, MOST_LIFTERS));
    const lifters = rack.filter((each) => chosen.has(each));
    const schools = await this.schools.followedBy(lifters);
    const found: Followed[] = [];
    for (const lifter of lifters) {
      const observations = await this.curves.observations(club, lifter);
      const earlier = observations
        .filter((each) => each.ageDays >= 7 * WEEKS)
        .map((each) => ({ ...each, ageDays: each.ageDays - 7 * WEEKS }));
      found.push({
        lifter,
        school: schools.get(lifter.id)!,
        months: Math.floor(daysBetween(lifter.trainingSince, today) / 30.44),
        now: await this.curves.fit(lifter, observations),
        before: this.curves.fitPart(lifter, earlier),
        holds: observations.filter((each) => each.source === 'hold').length,
        holdsBefore: earlier.filter((each) => each.source === 'hold').length,
      });
    }
    return found;
  }
}

/** Mixed sets below which a lifter is not asked for their sides. */
const FEWEST_MIXED_SETS = 10;
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
