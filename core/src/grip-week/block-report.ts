import { curveOverTime } from '../clasp-curve/curve-over-time.ts';
import { levelChange } from '../clasp-curve/level-change.ts';
import { checkMovingCurve, type MovingCurve } from '../clasp-curve/moving-curve.ts';
import { addDays, daysBetween } from '../days.ts';
import { bool, day, listOf, optional, range, record, type Check } from '../shape.ts';
import type { Estimate } from '../statistics/estimate.ts';

/** A heavy bare-handed set, as far as a block is judged by it. */
export interface HeavySet {
  /** Day, YYYY-MM-DD. */
  readonly on: string;
  readonly slipped: boolean;
  /** 1 to 5, where it was said. */
  readonly confidence?: number;
}

export interface BlockQuestion {
  readonly today: string;
  readonly startsOn: string;
  readonly endsOn: string;
  /** How the hands moved, fitted today. */
  readonly moving: MovingCurve;
  readonly heavySets: readonly HeavySet[];
}

/** How the hands stood at one time of a block. */
export interface BlockMoment {
  readonly when: 'before' | 'after' | 'fourWeeksLater';
  /** Last day of what it rests on. */
  readonly on: string;
  /** Load held 10 s as often as not, kg, as the log of that day told it. */
  readonly tenSeconds: Estimate;
  /** Heavy bare-handed sets of the four weeks up to it, and how many slipped. */
  readonly heavy: number;
  readonly slipped: number;
  /** Mean, where any was said. */
  readonly confidence: number | null;
}

export interface BlockReport {
  readonly moments: readonly BlockMoment[];
  /** What became of the 10 s load from before to the last moment; `unclear` where the change is smaller than its doubt. */
  readonly verdict: 'up' | 'down' | 'unclear' | 'notYet';
  readonly text: string;
}

/** Days of heavy sets that one moment counts, and days after a block at which it is looked at again. */
const WINDOW_DAYS = 28;

const questionCheck: Check = record<BlockQuestion>({
  today: day,
  startsOn: day,
  endsOn: day,
  heavySets: listOf(record<HeavySet>({ on: day, slipped: bool, confidence: optional(range(1, 5)) }), 100_000),
  moving: (field, value) => checkMovingCurve(value as MovingCurve, field),
});

/**
 * What a hold block did: the load held 10 s, slips and confidence before it, after it and four weeks later, the load as
 * the moving curve has it on those days. A change smaller than the doubt of both figures is said to be none.
 * @throws InvalidInputError naming the field that cannot be used.
 * @example
 * blockReport({ today: '2026-11-26', startsOn: '2026-11-02', endsOn: '2026-11-29', moving: fitMovingCurve([], { referenceLoad: 140 }), heavySets: [] }).verdict
 * // 'notYet'
 */
export function blockReport(question: BlockQuestion): BlockReport {
  questionCheck('', question);
  const { today, startsOn, endsOn, moving, heavySets } = question;
  const days: readonly (readonly [BlockMoment['when'], string])[] = [
    ['before', addDays(startsOn, -1)],
    ['after', endsOn],
    ['fourWeeksLater', addDays(endsOn, WINDOW_DAYS)],
  ];
  const past = days.filter(([, on]) => on <= today);
  const moments = past.map(([when, on]): BlockMoment => {
    const ago = daysBetween(on, today);
    const then = curveOverTime(moving, [ago])[0]!;
    const sets = heavySets.filter((set) => set.on <= on && set.on > addDays(on, -WINDOW_DAYS));
    const said = sets.flatMap((set) => set.confidence ?? []);
    return {
      when,
      on,
      tenSeconds: then.tenSeconds,
      heavy: sets.length,
      slipped: sets.filter((set) => set.slipped).length,
      confidence: said.length ? said.reduce((sum, each) => sum + each, 0) / said.length : null,
    };
  });
  const [before, ...later] = moments;
  const last = later.at(-1);
  if (!before || !last)
    return { moments, verdict: 'notYet', text: 'The block is not over: it is judged on its last day.' };
  const { ratio } = levelChange(moving, daysBetween(before.on, today), daysBetween(last.on, today));
  const change = ratio.value - 1;
  const percent = `${change < 0 ? '−' : '+'}${Math.abs(100 * change).toFixed(0)} %`;
  if (ratio.low < 1 && ratio.high > 1)
    return {
      moments,
      verdict: 'unclear',
      text: `The load held 10 s changed by ${percent}, less than its doubt: no change can be told.`,
    };
  return {
    moments,
    verdict: change > 0 ? 'up' : 'down',
    text: `The load held 10 s changed by ${percent}, more than its doubt.`,
  };
}
