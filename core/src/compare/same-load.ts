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
  readonly verdict: 'better' | 'worse' | 'same';
  /** What made the verdict. */
  readonly why: string;
}

/** Loads this close, kg, are the same: smaller than the smallest pair of plates. */
const SAME_KG = 0.6;
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
 * This week against last at the same lift, load and grip: the seven days that end today and the seven before. A slip more
 * or fewer decides before seconds, seconds before repetitions; a second more or less on a hand-stopped clock is none. The
 * heaviest first. Loads in kg, times in s.
 * @throws InvalidInputError naming the entry and field that cannot be used.
 * @example
 * compareAtSameLoad([{ on: '2026-11-14', lift: 'hold.front-rack', load: 150, reps: 1, seconds: 8, grip: 'hook', strapped: false, slipped: true }, { on: '2026-11-21', lift: 'hold.front-rack', load: 150, reps: 1, seconds: 10, grip: 'hook', strapped: false, slipped: false }], '2026-11-22')[0].verdict
 * // 'better'
 */
export function compareAtSameLoad(work: readonly ComparedWork[], today: string): SameLoad[] {
  listOf(workCheck, 100_000)('work', work);
  day('today', today);
  const groups = new Map<string, { now: ComparedWork[]; then: ComparedWork[] }>();
  for (const each of work) {
    const age = daysBetween(each.on, today);
    if (age < 0 || age >= 14) continue;
    const key = `${each.lift} ${Math.round(each.load / SAME_KG)} ${each.grip} ${each.strapped}`;
    const group = groups.get(key) ?? { now: [], then: [] };
    (age < 7 ? group.now : group.then).push(each);
    groups.set(key, group);
  }
  return [...groups.values()]
    .filter(({ now, then }) => now.length > 0 && then.length > 0)
    .map(({ now, then }) => {
      const { lift, load, grip, strapped } = now[0]!;
      const [thisWeek, lastWeek] = [weekOf(now), weekOf(then)];
      return { lift, load, grip, strapped, thisWeek, lastWeek, ...verdictOf(thisWeek, lastWeek) };
    })
    .sort((a, b) => b.load - a.load || a.lift.localeCompare(b.lift));
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

function verdictOf(now: WeekAtLoad, then: WeekAtLoad): Pick<SameLoad, 'verdict' | 'why'> {
  const slipShare = now.slips / now.sets - then.slips / then.sets;
  if (Math.abs(slipShare) > 1e-9)
    return {
      verdict: slipShare < 0 ? 'better' : 'worse',
      why: `${now.slips} of ${now.sets} slipped, ${then.slips} of ${then.sets} last week`,
    };
  if (now.longest !== null && then.longest !== null && Math.abs(now.longest - then.longest) >= CLOCK_SECONDS)
    return {
      verdict: now.longest > then.longest ? 'better' : 'worse',
      why: `${now.longest.toFixed(1)} s held, ${then.longest.toFixed(1)} s last week`,
    };
  if (now.mostReps !== then.mostReps)
    return {
      verdict: now.mostReps > then.mostReps ? 'better' : 'worse',
      why: `${now.mostReps} repetitions, ${then.mostReps} last week`,
    };
  return { verdict: 'same', why: 'no difference that the log can tell' };
}
