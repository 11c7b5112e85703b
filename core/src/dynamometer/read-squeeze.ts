import { daysBetween } from '../days.ts';
import { SIDES, type Side } from '../hands/hand-state.ts';
import { oneOf, optional, record, type Check } from '../shape.ts';
import type { Reason } from '../calls/types.ts';
import { capital } from '../calls/plain-words.ts';
import { testCheck, testsCheck } from './check-test.ts';
import { minimalDetectableChange, typicalError, type TypicalError } from './reliability.ts';
import { expectedScore, scoreForecast, type ExpectedScore, type HandTest } from './squeeze-level.ts';
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
  /** What the mean of today's trials was expected to be from the tests before, kgf; undefined without one. */
  readonly baseline?: number;
  readonly change?: number;
  /** Change over what the hand is expected to differ by: its level in doubt, its days, its trials. */
  readonly z?: number;
  readonly typicalError: TypicalError & { readonly fromLog: boolean };
  readonly minimalDetectableChange: number;
  /** `normal` unless the change is one that chance alone brings once in twenty; `unknown` without an earlier test. */
  readonly verdict: 'normal' | 'down' | 'up' | 'unknown';
  /** The last test and today's together lie below what was expected before them. */
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
 * Reads today's squeeze test against the lifter's own earlier ones of the same protocol: scores, change against what was
 * expected of a hand that moves and differs from day to day, what change would be unusual, and a verdict for each hand. A
 * change smaller than the minimal detectable change is no change. A drop in two tests running proposes easier holds today.
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
  const base = {
    ...own,
    typicalError: { value: error, degrees: logged.degrees, fromLog },
    // Until another day is known, what repeated trials say.
    minimalDetectableChange: minimalDetectableChange(error),
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
  // Part of a drop in two tests, today is judged by what was expected before the drop.
  const dropped = droppedFrom(own, past, on);
  const expected = dropped ?? expectedScore(asTests(past, on), own.trials.length);
  const logScore = meanLog(own);
  const z = (logScore - expected.mean) / expected.sd;
  const baseline = Math.exp(expected.mean);
  const change = Math.exp(logScore) - baseline;
  const detectable = UNUSUAL * expected.sd * baseline;
  const verdict = dropped || z < -UNUSUAL ? 'down' : z > UNUSUAL ? 'up' : 'normal';
  if (verdict !== 'normal')
    why.push(
      says(
        `squeeze.${verdict}`,
        `${capital(side)} hand ${verdict} by ${Math.abs(change).toFixed(1)} kgf; more than the ${detectable.toFixed(1)} kgf by which this hand differs from day to day.`,
      ),
    );
  return {
    ...base,
    minimalDetectableChange: detectable,
    baseline,
    change,
    z,
    verdict,
    sustainedDrop: dropped !== undefined,
  };
}

/** Standard deviations beyond which a score is unusual: once in twenty by chance, either way. */
const UNUSUAL = 1.96;

const meanLog = ({ trials }: HandScores): number =>
  trials.reduce((sum, force) => sum + Math.log(force), 0) / trials.length;

type PastScores = HandScores & { readonly on: string };

const asTests = (past: readonly PastScores[], on: string): HandTest[] =>
  past.map(({ on: day, trials }) => ({ ageDays: daysBetween(day, on), trials }));

/**
 * Today and the last test together, against what was expected before the last: one of them alone may be a bad day.
 * @returns what was expected, where both together lie unusually low.
 */
function droppedFrom(own: HandScores, past: readonly PastScores[], on: string): ExpectedScore | undefined {
  const [last, ...older] = past;
  if (!last || older.length === 0 || daysBetween(last.on, on) > SUSTAINED_WITHIN_DAYS) return undefined;
  const forecast = scoreForecast(asTests(older, last.on));
  const then = forecast(0, last.trials.length);
  const now = forecast(daysBetween(last.on, on), own.trials.length);
  const missed = [meanLog(last) - then.mean, meanLog(own) - now.mean];
  // One very bad day beside a usual one is no drop in two tests: each has to lie low by itself.
  if (missed[0]! > -then.sd || missed[1]! > -now.sd) return undefined;
  // The doubt about the level is the same in both; days and trials are not.
  const ownVariance = [then, now].reduce((sum, { sd, levelSd }) => sum + sd * sd - levelSd * levelSd, 0);
  const variance = now.levelSd ** 2 + ownVariance / 4;
  return (missed[0]! + missed[1]!) / 2 < -UNUSUAL * Math.sqrt(variance) ? now : undefined;
}
