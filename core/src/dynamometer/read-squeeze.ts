import { RECENCY_HALF_LIFE_DAYS } from '../clasp-curve/priors.ts';
import { daysBetween } from '../days.ts';
import { SIDES, type Side } from '../hands/hand-state.ts';
import { oneOf, optional, record, type Check } from '../shape.ts';
import type { Reason } from '../calls/types.ts';
import { capital } from '../calls/plain-words.ts';
import { testCheck, testsCheck } from './check-test.ts';
import { minimalDetectableChange, typicalError, type TypicalError } from './reliability.ts';
import { sameProtocol, squeezeAsymmetry, squeezeScores } from './squeeze-scores.ts';
import type { Asymmetry, HandScores } from './squeeze-scores.ts';
import type { SqueezeTest } from './types.ts';

export interface SqueezeQuestion {
  readonly today: SqueezeTest;
  /** Earlier tests in any order; those of another protocol are set aside. */
  readonly earlier: readonly SqueezeTest[];
  /** Which score is compared. Default `best`. */
  readonly score?: 'best' | 'mean';
}

export interface HandReading extends HandScores {
  /** Recency-weighted mean of earlier tests, kgf; undefined without one. */
  readonly baseline?: number;
  readonly change?: number;
  /** Change over the hand's own spread from test to test (never taken smaller than the typical error). */
  readonly z?: number;
  readonly typicalError: TypicalError & { readonly fromLog: boolean };
  readonly minimalDetectableChange: number;
  /** `normal` unless the change exceeds the minimal detectable change; `unknown` without an earlier test. */
  readonly verdict: 'normal' | 'down' | 'up' | 'unknown';
  /** Down today, and down against the baseline before it in the last test as well. */
  readonly sustainedDrop: boolean;
}

export interface SqueezeReading {
  readonly hands: Partial<Record<Side, HandReading>>;
  readonly asymmetry?: Asymmetry;
  /** Earlier tests compared, and those set aside for another protocol. */
  readonly compared: number;
  readonly setAside: number;
  /** Where holds should be easier today: the share of their load to keep. */
  readonly easierHolds?: { readonly share: number; readonly reason: Reason };
  readonly why: readonly Reason[];
}

/** Typical error as a share of the score before a lifter's own trials say better. */
export const WORKING_TYPICAL_ERROR_SHARE = 0.04;
/** Degrees of freedom from which the lifter's own typical error replaces the working one. */
const ENOUGH_DEGREES = 3;
/** What a sustained drop leaves of the holds' load. */
export const EASIER_HOLD_SHARE = 0.9;
/** Tests further apart than this, days, are not one drop. */
const SUSTAINED_WITHIN_DAYS = 21;

const questionCheck: Check = record<SqueezeQuestion>({
  today: testCheck,
  earlier: testsCheck,
  score: optional(oneOf(['best', 'mean'])),
});

const says = (ruleId: string, text: string): Reason => ({ ruleId, rank: 'evidence', text });

/**
 * Reads today's squeeze test against the lifter's own earlier ones of the same protocol: scores, change against a
 * recency-weighted baseline, what change would be more than error of measurement, and a verdict for each hand. A change
 * smaller than the minimal detectable change is no change. A drop in two tests running proposes easier holds today.
 * Forces in kgf.
 * @throws InvalidInputError naming the test and field that cannot be used.
 * @example
 * readSqueeze({ today: { on: '2026-11-20', protocol: { handle: 2, elbow: 90, posture: 'seated', handOrder: 'leftFirst', trials: 1, rest: 60 }, trials: [{ hand: 'left', force: 50 }] }, earlier: [] }).hands.left.verdict
 * // 'unknown'
 */
export function readSqueeze(question: SqueezeQuestion): SqueezeReading {
  questionCheck('', question);
  const { today, earlier, score = 'best' } = question;
  const before = earlier.filter((test) => test.on < today.on);
  const alike = before
    .filter((test) => sameProtocol(test.protocol, today.protocol))
    .sort((a, b) => b.on.localeCompare(a.on));
  const setAside = before.length - alike.length;
  const why: Reason[] = [];
  if (setAside)
    why.push(
      says(
        'squeeze.other-protocol',
        `${setAside} earlier ${setAside === 1 ? 'test was' : 'tests were'} done another way (handle, elbow, posture or hand order) and ${setAside === 1 ? 'is' : 'are'} not compared.`,
      ),
    );
  const scores = squeezeScores(today);
  const past = alike.map((test) => ({ on: test.on, scores: squeezeScores(test) }));
  const hands: Partial<Record<Side, HandReading>> = {};
  for (const side of SIDES) {
    const own = scores[side];
    if (own) hands[side] = readHand(side, own, today.on, past, score, why);
  }
  const [left, right] = [hands.left, hands.right];
  const error = (hand: HandReading): number =>
    score === 'best' ? hand.typicalError.value : hand.typicalError.value / Math.sqrt(hand.trials.length);
  const dropped = SIDES.filter((side) => hands[side]?.sustainedDrop);
  const reason =
    dropped.length > 0
      ? says(
          'squeeze.sustained-drop',
          `The ${dropped.join(' and ')} hand is down in two tests running by more than its error of measurement: holds at 90 % today.`,
        )
      : undefined;
  return {
    hands,
    ...(left &&
      right && {
        asymmetry: squeezeAsymmetry(
          left[score],
          right[score],
          Math.hypot(error(left), error(right)) / Math.SQRT2,
        ),
      }),
    compared: alike.length,
    setAside,
    ...(reason && { easierHolds: { share: EASIER_HOLD_SHARE, reason } }),
    why: reason ? [...why, reason] : why,
  };
}

function readHand(
  side: Side,
  own: HandScores,
  on: string,
  tests: readonly { readonly on: string; readonly scores: ReturnType<typeof squeezeScores> }[],
  score: 'best' | 'mean',
  why: Reason[],
): HandReading {
  const past = tests.flatMap(({ on: day, scores }) => (scores[side] ? [{ on: day, ...scores[side] }] : []));
  const logged = typicalError([own.trials, ...past.map((each) => each.trials)]);
  const fromLog = logged.degrees >= ENOUGH_DEGREES && logged.value > 0;
  const error = fromLog ? logged.value : WORKING_TYPICAL_ERROR_SHARE * own[score];
  const detectable = minimalDetectableChange(error);
  const base = {
    ...own,
    typicalError: { value: error, degrees: logged.degrees, fromLog },
    minimalDetectableChange: detectable,
  };
  if (!past.length) {
    why.push(
      says(
        'squeeze.first-test',
        `${capital(side)} hand: the first test done this way; nothing to compare with.`,
      ),
    );
    return { ...base, verdict: 'unknown', sustainedDrop: false };
  }
  const { mean, sd } = weighted(past, on, score);
  const change = own[score] - mean;
  const verdict = change < -detectable ? 'down' : change > detectable ? 'up' : 'normal';
  const [last, ...older] = past;
  const lastDown =
    older.length > 0 &&
    daysBetween(last!.on, on) <= SUSTAINED_WITHIN_DAYS &&
    last![score] - weighted(older, last!.on, score).mean < -detectable;
  // Today is judged against what was normal before the last test, which may be part of the drop.
  const stillDown = lastDown && own[score] - weighted(older, on, score).mean < -detectable;
  if (verdict !== 'normal')
    why.push(
      says(
        `squeeze.${verdict}`,
        `${capital(side)} hand ${verdict} by ${Math.abs(change).toFixed(1)} kgf; more than the ${detectable.toFixed(1)} kgf that error of measurement explains.`,
      ),
    );
  return {
    ...base,
    baseline: mean,
    change,
    z: change / Math.max(sd, error),
    verdict,
    sustainedDrop: stillDown,
  };
}

/** Recency-weighted mean and standard deviation of earlier scores on a day. */
function weighted(
  past: readonly (HandScores & { readonly on: string })[],
  day: string,
  score: 'best' | 'mean',
): { mean: number; sd: number } {
  const rows = past.map((each) => ({
    value: each[score],
    weight: 2 ** (-daysBetween(each.on, day) / RECENCY_HALF_LIFE_DAYS),
  }));
  const total = rows.reduce((sum, row) => sum + row.weight, 0);
  // So old that every weight vanishes: then all count alike.
  const weight = (row: { weight: number }): number => (total > 1e-200 ? row.weight / total : 1 / rows.length);
  const mean = rows.reduce((sum, row) => sum + weight(row) * row.value, 0);
  const variance = rows.reduce((sum, row) => sum + weight(row) * (row.value - mean) ** 2, 0);
  return { mean, sd: Math.sqrt(variance) };
}
