import { checkText } from '../check.ts';
import { MAX_STAND_INS, maxOfLift, type KnownBests, type LiftMax } from './max-of-lift.ts';
import { liftOf } from '../set-demand/lifts.ts';
import type { Lift } from '../set-demand/lift.ts';
import { fromKg } from '../units/mass.ts';
import { parseSetLine, type SetLineContext, type SetLineFault } from './set-line.ts';

/** A line as it is written for somebody else. */
export type LineFor =
  | {
      readonly line: string;
      /** The load stands as it was written: no best of both lifters says how it would change. */
      readonly kept: boolean;
      readonly fault?: undefined;
    }
  | { readonly fault: SetLineFault; readonly line?: undefined; readonly kept?: undefined };

/** Shares are written to the half percent, as people write them. */
const SHARE_STEP = 0.5;
/** Loads that no share can say, to the half unit. */
const LOAD_STEP = 0.5;

/**
 * Writes a line of one lifter for another, at the same share of a best: of the lift's own best where both are known, else of the
 * one that stands in for it ({@link MAX_STAND_INS}) where both have that. A share of one lift's best is never read as a share of
 * another's: where the reader's line would be, the load is written out. Where no best of both is known the load stays as written.
 * @param context of the lifter for whom the line was written; its unit is that of loads written out.
 * @throws InvalidInputError for a text that is none or too long, or bests that cannot be used.
 * @example lineFor('top 1x1 @ 180kg', { deadliftMax: 200, unit: 'kg', lift: 'deadlift.conventional' }, { deadliftMax: 150 }).line // 'top 1x1 @ 90%'
 * @example lineFor('3x5 @ 100kg', { deadliftMax: 200, unit: 'kg', lift: 'squat' }, { deadliftMax: 150 }).kept // true
 */
export function lineFor(line: string, context: SetLineContext, to: KnownBests): LineFor {
  checkText('line', line, 200);
  const read = parseSetLine(line, context);
  if (read.fault) return { fault: read.fault };
  const lift = liftOf(context.lift);
  const theirs = maxOfLift(lift, to);
  const load = Math.max(...read.sets.map((set) => set.load));
  if (load === 0) return { line: read.line, kept: false };
  const basis = sharedBasis(lift, context, to);
  if (!basis) {
    // A share of a best that the other has not, or of another lift's, would be another load altogether.
    const kept = read.of ? withLoad(read.line, written(load, context)) : read.line;
    return { line: kept, kept: true };
  }
  const sameBasis = theirs?.liftId === basis.liftId;
  if (read.of && read.of.liftId === basis.liftId && sameBasis) return { line: read.line, kept: false };
  const share = load / basis.from;
  const said = sameBasis ? `@ ${nearest(share * 100, SHARE_STEP)}%` : written(share * basis.to, context);
  return { line: withLoad(read.line, said), kept: false };
}

/**
 * Writes a line of a plan that is nobody's own for a lifter, at the same share of the lifter's best. A share of a best that is
 * not known of the lifter is a fault: no load of anybody's stands behind it.
 * @param context of the plan: the bests that its shares are of, each of any size.
 * @throws InvalidInputError as {@link lineFor}.
 * @example planLineFor('3x5 @ 80%', { deadliftMax: 100, unit: 'kg', lift: 'deadlift.conventional' }, { deadliftMax: 150 }).line // 'volume 3x5 @ 80%'
 */
export function planLineFor(line: string, context: SetLineContext, to: KnownBests): LineFor {
  checkText('line', line, 200);
  const { of } = parseSetLine(line, context);
  if (!of || bestIn(of.liftId, to)?.liftId === of.liftId) return lineFor(line, context, to);
  const name = liftOf(of.liftId).name.toLowerCase();
  const message = `Its share is of the best ${name}, which is not known. Add it to the profile.`;
  return { fault: { at: Math.max(0, line.indexOf('@')), length: 1, message } };
}

/**
 * The line with its load as a share of the best it would be read against, for a plan that is nobody's own; as it is where that
 * best is not known, or the line says a share, an effort or no load.
 * @throws InvalidInputError for a text that is none or too long, or a context that cannot be used.
 * @example lineAsShare('top 1x1 @ 180kg', { deadliftMax: 200, unit: 'kg', lift: 'deadlift.conventional' }) // 'top 1x1 @ 90%'
 */
export function lineAsShare(line: string, context: SetLineContext): string {
  const read = parseSetLine(line, context);
  if (read.fault) return line;
  const best = maxOfLift(context.lift, context);
  const load = Math.max(...read.sets.map((set) => set.load));
  if (read.of || !best || load === 0) return read.line;
  return withLoad(read.line, `@ ${nearest((load / best.max) * 100, SHARE_STEP)}%`);
}

/** A best that both have for the lift: its own before the one that stands in. */
function sharedBasis(
  lift: Lift,
  from: KnownBests,
  to: KnownBests,
): { readonly liftId: string; readonly from: number; readonly to: number } | undefined {
  const standIn = MAX_STAND_INS.find((each) => each.when(lift));
  for (const liftId of [lift.id, ...(standIn ? [standIn.from] : [])]) {
    const [one, other] = [from, to].map((each) => bestIn(liftId, each));
    if (one?.liftId === liftId && other?.liftId === liftId) return { liftId, from: one.max, to: other.max };
  }
  return undefined;
}

const bestIn = (liftId: string, { deadliftMax, bests = [] }: KnownBests): LiftMax | undefined =>
  maxOfLift(liftId, { deadliftMax, bests });

const nearest = (value: number, step: number): number => Number((Math.round(value / step) * step).toFixed(2));

const written = (load: number, { unit }: SetLineContext): string =>
  `@ ${Math.max(LOAD_STEP, nearest(fromKg(load, unit), LOAD_STEP))}${unit}`;

/** The line as it was read in full, with another load. */
const withLoad = (line: string, said: string): string => line.replace(/@ [\d.]+(%|kg|lb| left)/, said);
