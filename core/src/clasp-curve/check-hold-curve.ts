import { checkFinite, checkList, checkObject, checkOneOf, checkPositive } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { EFFECTS, type HoldCurve } from './types.ts';

/** Curves already found sound: a session asks hundreds of questions of the same one. */
const sound = new WeakSet<object>();

/**
 * Asserts a curve as {@link fitHoldCurve} makes it (it may have travelled as JSON since).
 * @throws InvalidInputError naming the part that is missing or not a finite number.
 */
export function checkHoldCurve(curve: HoldCurve, field = 'curve'): void {
  if (typeof curve === 'object' && curve !== null && sound.has(curve)) return;
  checkObject(field, curve);
  checkPositive(`${field}.referenceLoad`, curve.referenceLoad);
  checkFinite(`${field}.intercept`, curve.intercept);
  checkFinite(`${field}.slope`, curve.slope);
  checkFinite(`${field}.logSigma`, curve.logSigma);
  checkList(`${field}.effects`, curve.effects, (each, name) => {
    checkOneOf(`${name}.name`, each?.name, EFFECTS);
    checkFinite(`${name}.value`, each.value);
  });
  const size = curve.effects.length + 3;
  const square = (rows: unknown): boolean =>
    Array.isArray(rows) &&
    rows.length === size &&
    rows.every((row) => Array.isArray(row) && row.length === size && row.every(Number.isFinite));
  if (!square(curve.covariance))
    throw new InvalidInputError(
      `${field}.covariance`,
      `${size} rows of ${size} finite numbers`,
      curve.covariance,
    );
  checkObject(`${field}.evidence`, curve.evidence);
  checkOneOf(`${field}.evidence.prior`, curve.evidence.prior, ['default', 'flat']);
  sound.add(curve);
}
