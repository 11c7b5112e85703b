import { checkOneOf, checkRange } from '../check.ts';

/** Kilograms in one international avoirdupois pound: exact by definition. */
export const KG_PER_LB = 0.45359237;

/** The units a person may read and type masses in. Inside the core everything is kg. */
export const MASS_UNITS = ['kg', 'lb'] as const;
export type MassUnit = (typeof MASS_UNITS)[number];

/** Heavier is no mass of the job, in either unit; below 0 is a difference. */
const MAX_MASS = 1e6;

function checkMass(field: string, value: number, unit: MassUnit): void {
  if (typeof value !== 'number' || !(Math.abs(value) <= MAX_MASS) || !MASS_UNITS.includes(unit)) {
    checkRange(field, value, -MAX_MASS, MAX_MASS);
    checkOneOf('unit', unit, MASS_UNITS);
  }
}

/**
 * Converts a mass shown in `unit` to kg.
 * @throws InvalidInputError for a number beyond a million either way, or an unknown unit.
 * @example toKg(45, 'lb') // 20.41165665
 */
export function toKg(value: number, unit: MassUnit): number {
  checkMass('value', value, unit);
  return unit === 'lb' ? value * KG_PER_LB : value;
}

/**
 * Converts kg to the unit a person reads.
 * @throws InvalidInputError for a number beyond a million either way, or an unknown unit.
 * @example fromKg(20, 'lb') // 44.0925
 */
export function fromKg(kg: number, unit: MassUnit): number {
  checkMass('kg', kg, unit);
  return unit === 'lb' ? kg / KG_PER_LB : kg;
}

/**
 * A mass as a coach would write it: one decimal at most two, no trailing zeros, with its unit.
 * @throws InvalidInputError for a number beyond a million either way, or an unknown unit.
 * @example formatMass(172.5, 'kg') // '172.5 kg'
 * @example formatMass(100, 'lb') // '220.5 lb'
 */
export function formatMass(kg: number, unit: MassUnit): string {
  const value = fromKg(kg, unit);
  const digits = unit === 'lb' ? 1 : 2;
  return `${Number(value.toFixed(digits))} ${unit}`;
}
