import { checkPositive, checkWhole } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { listOf, type Check } from '../shape.ts';
import { MASS_UNITS, type MassUnit } from '../units/mass.ts';

/** One denomination of plate and how many pairs of it there are. */
export interface PlatePairs {
  /** Mass of one plate in `unit`. */
  readonly mass: number;
  readonly unit: MassUnit;
  readonly pairs: number;
}

/** Finest step in which plate masses are told apart, in their own unit: a thousandth. */
export const GRAIN = 1000;

/** Asserts one denomination: a mass given to three decimals at most, in kg or lb, and up to 50 pairs of it. */
function checkPlate(field: string, plate: PlatePairs): void {
  checkPositive(`${field}.mass`, plate?.mass, 200);
  checkWhole(`${field}.pairs`, plate.pairs, 0, 50);
  if (!MASS_UNITS.includes(plate.unit as MassUnit))
    throw new InvalidInputError(`${field}.unit`, 'kg or lb', plate.unit);
  if (Math.abs(plate.mass * GRAIN - Math.round(plate.mass * GRAIN)) > 1e-6)
    throw new InvalidInputError(`${field}.mass`, 'given to three decimals at most', plate.mass);
}

/** No venue has more denominations. */
const MOST_DENOMINATIONS = 50;

export const platesCheck: Check = listOf(
  (field, value) => checkPlate(field, value as PlatePairs),
  MOST_DENOMINATIONS,
);
