import { checkBoolean, checkList, checkObject, checkOneOf, checkPositive, checkRange } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { BEST_KNOWN, CURVE_FAMILIES, EFFECTS, GRIPS, type CurveEvidence, type HoldCurve } from './types.ts';

/** No fit gives a term on ln seconds beyond this: its search is bounded well inside. */
const LARGEST_TERM = 100;
/** Where the data leave a direction open its variance stands at about 1e8; nothing honest is larger. */
const LARGEST_COVARIANCE = 1e13;

/** Curves already found sound: a session asks hundreds of questions of the same one. */
const sound = new WeakSet<object>();

/**
 * Asserts a curve as {@link fitHoldCurve} makes it (it may have travelled as JSON since).
 * @throws InvalidInputError naming the part that is missing or not a finite number.
 */
export function checkHoldCurve(curve: HoldCurve, field = 'curve'): void {
  if (typeof curve === 'object' && curve !== null && sound.has(curve)) return;
  checkObject(field, curve);
  checkOneOf(`${field}.family`, curve.family, CURVE_FAMILIES);
  checkPositive(`${field}.referenceLoad`, curve.referenceLoad, 2000);
  checkRange(`${field}.intercept`, curve.intercept, -LARGEST_TERM, LARGEST_TERM);
  checkRange(`${field}.slope`, curve.slope, -LARGEST_TERM, LARGEST_TERM);
  checkRange(`${field}.logSigma`, curve.logSigma, -15, 10);
  checkRange(`${field}.daySd`, curve.daySd, 0, LARGEST_TERM);
  checkList(`${field}.effects`, curve.effects, (each, name) => {
    checkOneOf(`${name}.name`, each?.name, EFFECTS);
    checkRange(`${name}.value`, each.value, -LARGEST_TERM, LARGEST_TERM);
  });
  const size = curve.effects.length + 3;
  const square = (rows: unknown): boolean =>
    Array.isArray(rows) &&
    rows.length === size &&
    rows.every(
      (row) =>
        Array.isArray(row) &&
        row.length === size &&
        row.every((cell) => typeof cell === 'number' && Math.abs(cell) <= LARGEST_COVARIANCE),
    );
  if (!square(curve.covariance))
    throw new InvalidInputError(`${field}.covariance`, `${size} rows of ${size} numbers`, curve.covariance);
  checkEvidence(`${field}.evidence`, curve.evidence);
  if (curve.handLength !== undefined) checkRange(`${field}.handLength`, curve.handLength, 50, 400);
  sound.add(curve);
}

/** @throws InvalidInputError naming the part of what stands behind a curve that is missing or no number. */
export function checkEvidence(field: string, evidence: CurveEvidence): void {
  checkObject(field, evidence);
  checkOneOf(`${field}.prior`, evidence.prior, ['default', 'flat']);
  checkRange(`${field}.observations`, evidence.observations, 0, 1e12);
  checkRange(`${field}.slipped`, evidence.slipped, 0, 1e12);
  checkOneOf(`${field}.best`, evidence.best ?? 'told', BEST_KNOWN);
  checkList(`${field}.spread`, evidence.spread, (each, name) => {
    checkOneOf(`${name}.grip`, each?.grip, GRIPS);
    checkRange(`${name}.step`, each.step, -1000, 1000);
    checkRange(`${name}.count`, each.count, 0, 1e12);
  });
  checkRange(`${field}.effective`, evidence.effective, 0, 1e12);
  checkBoolean(`${field}.settled`, evidence.settled);
}
