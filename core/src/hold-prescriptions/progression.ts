import type { BarLoading } from '../bar-loading/load-bar.ts';
import type { Grip } from '../clasp-curve/types.ts';
import type { HoldEnding } from './hold-endings.ts';
import type { LoadMaker } from './hold-loads.ts';

/** One earlier session of the same hold: its load and how each set ended. */
export interface HoldSession {
  /** kg, as the lift is written. */
  readonly load: number;
  readonly grip: Grip;
  /** s that were asked for. */
  readonly target: number;
  /** mm above the floor; left out where nobody noted it. */
  readonly pin?: number;
  readonly sets: readonly { readonly seconds: number; readonly ended: HoldEnding }[];
}

/** What happened to load or time since the last session. */
export type HoldChange = 'start' | 'add' | 'longer' | 'repeat' | 'lighter' | 'back' | 'notLifted';

export interface Progress {
  readonly change: HoldChange;
  readonly loading: BarLoading;
  /** s. */
  readonly seconds: number;
  readonly text: string;
}

export interface Progression {
  /** Sessions with the same grip, the latest first. */
  readonly history: readonly HoldSession[];
  /** The most, as written, that the effort rule and the ceiling allow for a number of seconds. */
  readonly limit: (seconds: number) => number;
  /** The longest time, s, that the effort rule allows at a written load. */
  readonly longest: (load: number) => number;
  readonly loads: LoadMaker;
  /** s at the start. */
  readonly seconds: number;
  readonly mostSeconds: number;
  readonly step: number;
}

/** What two misses running take off: enough to reach the time again, little enough to lose no work. */
export const BACK_OFF_SHARE = 0.075;
/** A hold let go this much before the buzzer still counts as reached, s: a person stops the clock. */
export const TIMING_SLACK = 0.3;
/** No hold is prescribed shorter, s. */
export const SHORTEST_HOLD = 3;

const SAME = 1e-9;

/** Did every set of the session reach its time without a slip? */
export function reachedTime(session: HoldSession): boolean {
  return (
    session.sets.length > 0 &&
    session.sets.every((set) => set.ended === 'stopped' && set.seconds >= session.target - TIMING_SLACK)
  );
}

/** Could not be broken from the pins: that is the legs and the pin, not the grip. */
function notLifted({ load, sets }: HoldSession, loads: LoadMaker, seconds: number): Progress | undefined {
  if (!sets.some((set) => set.ended === 'notLifted')) return undefined;
  return {
    change: 'notLifted',
    loading: loads.below(load),
    seconds,
    text: 'It could not be broken from the pins: one step lighter, or the same load one hole higher.',
  };
}

/** Load moves, the time stays: every set reached it → the smallest step more that keeps the effort rule. */
export function moveLoad({ history, limit, loads, seconds }: Progression): Progress {
  const [last, before] = history;
  const most = limit(seconds);
  if (!last) {
    return {
      change: 'start',
      loading: loads.below(loads.atOrBelow(most).total),
      seconds,
      text: 'First session: one step lighter than the curve allows, so that the time is reached.',
    };
  }
  const stuck = notLifted(last, loads, seconds);
  if (stuck) return stuck;
  const same = loads.atOrBelow(last.load);
  if (!reachedTime(last) && before && !reachedTime(before)) {
    return {
      change: 'back',
      loading: loads.atOrBelow(Math.min(last.load * (1 - BACK_OFF_SHARE), most)),
      seconds,
      text: 'Two sessions running missed the time: 7.5 % off.',
    };
  }
  // One miss lowers the curve a little; it takes two to lower the load. Further past the rule than two misses would
  // take off, something else has changed: no chalk today, another bar, a long rest.
  const slack = reachedTime(last) ? 0 : BACK_OFF_SHARE;
  if (same.total * (1 - slack) > most + SAME) {
    return {
      change: 'lighter',
      loading: loads.atOrBelow(most),
      seconds,
      text: 'The log now says this load is past the effort rule: lighter.',
    };
  }
  const repeat = (text: string): Progress => ({ change: 'repeat', loading: same, seconds, text });
  if (!reachedTime(last)) return repeat('Not every set reached its time: the same load again.');
  const up = loads.above(last.load);
  if (up && up.total <= most + SAME) {
    return {
      change: 'add',
      loading: up,
      seconds,
      text: 'Every set reached its time: the smallest step the plates make.',
    };
  }
  return repeat(
    'Every set reached its time, but one step more would go past the effort rule: the same load again.',
  );
}

/** Time moves up to its most, then the load, and the time starts over. */
export function moveTime(rule: Progression): Progress {
  const { history, longest, loads, seconds, mostSeconds, step, limit } = rule;
  const [last, before] = history;
  const allowed = (load: number, wanted: number): number =>
    Math.max(SHORTEST_HOLD, Math.floor(Math.min(wanted, longest(load)) + SAME));
  if (!last) {
    const loading = loads.below(loads.atOrBelow(limit(seconds)).total);
    return {
      change: 'start',
      loading,
      seconds: allowed(loading.total, seconds),
      text: 'First session: one step lighter than the curve allows, so that the time is reached.',
    };
  }
  const stuck = notLifted(last, loads, last.target);
  if (stuck) return stuck;
  const same = loads.atOrBelow(Math.min(last.load, limit(SHORTEST_HOLD)));
  if (!reachedTime(last) && before && !reachedTime(before)) {
    const lighter = loads.atOrBelow(last.load * (1 - BACK_OFF_SHARE));
    const less = lighter.total < same.total - SAME;
    return {
      change: 'back',
      loading: less ? lighter : same,
      seconds: allowed(
        less ? lighter.total : same.total,
        less ? last.target : last.target * (1 - BACK_OFF_SHARE),
      ),
      text: `Two sessions running missed the time: 7.5 % off the ${less ? 'load' : 'time, as nothing lighter is at hand'}.`,
    };
  }
  if (same.total < last.load - SAME) {
    return {
      change: 'lighter',
      loading: same,
      seconds: allowed(same.total, last.target),
      text: 'The last load is not at hand or past the limit now: lighter.',
    };
  }
  const repeat = (text: string): Progress => ({
    change: 'repeat',
    loading: same,
    seconds: allowed(same.total, last.target),
    text,
  });
  if (!reachedTime(last)) return repeat('Not every set reached its time: the same again.');
  const longer = Math.min(last.target + step, mostSeconds);
  if (last.target < mostSeconds - SAME) {
    return longer <= longest(same.total) + SAME
      ? {
          change: 'longer',
          loading: same,
          seconds: longer,
          text: `Every set reached its time: ${longer - last.target} s longer.`,
        }
      : repeat('Every set reached its time, but longer would go past the effort rule: the same again.');
  }
  const up = loads.above(last.load);
  if (
    up &&
    up.total <= limit(Math.min(seconds, SHORTEST_HOLD)) + SAME &&
    longest(up.total) >= SHORTEST_HOLD
  ) {
    return {
      change: 'add',
      loading: up,
      seconds: allowed(up.total, seconds),
      text: 'The time is as long as it gets: the next load, and the time starts over.',
    };
  }
  return repeat(
    'The time is as long as it gets and nothing heavier fits: the same again, or what comes beyond.',
  );
}
