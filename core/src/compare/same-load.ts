import { GRIPS, type Grip } from '../clasp-curve/types.ts';
import { daysBetween } from '../days.ts';
import {
  bool,
  day,
  listOf,
  oneOf,
  optional,
  positive,
  range,
  record,
  text,
  whole,
  type Check,
} from '../shape.ts';

/** Work done on a day, as it is compared with another week's. */
export interface ComparedWork {
  readonly on: string;
  /** Lift or hold, by its id. */
  readonly lift: string;
  /** kg as the lift is written. */
  readonly load: number;
  readonly reps: number;
  /** s, where it was timed. */
  readonly seconds?: number;
  readonly grip: Grip;
  readonly strapped: boolean;
  readonly slipped: boolean;
  /** Of the hand, 0–10. */
  readonly pain?: number;
}

/** What one week made of a load. */
export interface WeekAtLoad {
  readonly sets: number;
  readonly slips: number;
  /** Longest hold, s; null where none was timed. */
  readonly longest: number | null;
  readonly mostReps: number;
  /** Worst pain said; null where nobody said any. */
  readonly worstPain: number | null;
}

/** The same lift, load and grip in two weeks. */
export interface SameLoad {
  readonly lift: string;
  readonly load: number;
  readonly grip: Grip;
  readonly strapped: boolean;
  readonly thisWeek: WeekAtLoad;
  readonly lastWeek: WeekAtLoad;
  /** Weeks between the two: 1 for last week. */
  readonly weeksBack: number;
  readonly verdict: 'better' | 'worse' | 'same';
  /** What made the verdict. */
  readonly why: string;
}

/** Loads this close, kg, are the same: smaller than the smallest pair of plates. */
const SAME_KG = 0.6;
/** Weeks back within which an earlier week is still worth comparing. */
const MOST_WEEKS_BACK = 8;
/** s that a hand-stopped clock does not tell apart. */
const CLOCK_SECONDS = 1;

const workCheck: Check = record<ComparedWork>({
  on: day,
  lift: text(100),
  load: range(0, 2000),
  reps: whole(0, 1000),
  seconds: optional(positive(3600)),
  grip: oneOf(GRIPS),
  strapped: bool,
  slipped: bool,
  pain: optional(range(0, 10)),
});

/**
 * This week against the last one at the same lift, load and grip: the seven days that end today, and the latest seven
 * before them, up to eight weeks back, in which that load was done (loads come in waves). A slip more or fewer decides before seconds, seconds before repetitions; a second more or less on a hand-stopped clock is none. The
 * heaviest first. Loads in kg, times in s.
 * @throws InvalidInputError naming the entry and field that cannot be used.
 * @example
 * compareAtSameLoad([{ on: '2026-11-14', lift: 'hold.front-rack', load: 150, reps: 1, seconds: 8, grip: 'hook', strapped: false, slipped: true }, { on: '2026-11-21', lift: 'hold.front-rack', load: 150, reps: 1, seconds: 10, grip: 'hook', strapped: false, slipped: false }], '2026-11-22')[0].verdict
 * // 'better'
 */
export function compareAtSameLoad(work: readonly ComparedWork[], today: string): SameLoad[] {
  listOf(workCheck, 100_000)('work', work);
  day('today', today);
  const alike = new Map<string, ComparedWork[]>();
  for (const each of work) {
    const week = Math.floor(daysBetween(each.on, today) / 7);
    if (week < 0 || week > MOST_WEEKS_BACK) continue;
    const key = `${each.lift} ${each.grip} ${each.strapped}`;
    alike.set(key, [...(alike.get(key) ?? []), each]);
  }
  const groups = [...alike.values()].flatMap(byLoad).map((group) => {
    const weeks: ComparedWork[][] = [];
    for (const each of group) (weeks[Math.floor(daysBetween(each.on, today) / 7)] ??= []).push(each);
    return weeks;
  });
  return groups
    .flatMap((weeks): SameLoad[] => {
      const now = weeks[0];
      const weeksBack = weeks.findIndex((each, i) => i > 0 && each !== undefined);
      if (!now || weeksBack < 0) return [];
      const { lift, load, grip, strapped } = now[0]!;
      const [thisWeek, lastWeek] = [weekOf(now), weekOf(weeks[weeksBack]!)];
      const said = verdictOf(thisWeek, lastWeek, weeksBack === 1 ? 'last week' : `${weeksBack} weeks ago`);
      return [{ lift, load, grip, strapped, thisWeek, lastWeek, weeksBack, ...said }];
    })
    .sort((a, b) => b.load - a.load || a.lift.localeCompare(b.lift));
}

/** Work at loads close to one another, told apart where there is a gap; a fixed grid would part 99.8 from 100. */
function byLoad(work: readonly ComparedWork[]): ComparedWork[][] {
  const groups: ComparedWork[][] = [];
  for (const each of [...work].sort((a, b) => a.load - b.load)) {
    const group = groups.at(-1);
    if (group && each.load - group[0]!.load < SAME_KG) group.push(each);
    else groups.push([each]);
  }
  return groups;
}

function weekOf(work: readonly ComparedWork[]): WeekAtLoad {
  const timed = work.flatMap((each) => each.seconds ?? []);
  const pains = work.flatMap((each) => each.pain ?? []);
  return {
    sets: work.length,
    slips: work.filter((each) => each.slipped).length,
    longest: timed.length ? Math.max(...timed) : null,
    mostReps: Math.max(...work.map((each) => each.reps)),
    worstPain: pains.length ? Math.max(...pains) : null,
  };
}

function verdictOf(now: WeekAtLoad, then: WeekAtLoad, when: string): Pick<SameLoad, 'verdict' | 'why'> {
  const slipShare = now.slips / now.sets - then.slips / then.sets;
  if (Math.abs(slipShare) > 1e-9)
    return {
      verdict: slipShare < 0 ? 'better' : 'worse',
      why: `${now.slips} of ${now.sets} slipped against ${then.slips} of ${then.sets}, ${when}`,
    };
  if (now.longest !== null && then.longest !== null && Math.abs(now.longest - then.longest) >= CLOCK_SECONDS)
    return {
      verdict: now.longest > then.longest ? 'better' : 'worse',
      why: `${now.longest.toFixed(1)} s held against ${then.longest.toFixed(1)} s, ${when}`,
    };
  if (now.mostReps !== then.mostReps)
    return {
      verdict: now.mostReps > then.mostReps ? 'better' : 'worse',
      why: `${now.mostReps} repetitions against ${then.mostReps}, ${when}`,
    };
  return { verdict: 'same', why: 'no difference that the log can tell' };
}
