/** Kilograms in one international avoirdupois pound: exact by definition. */
export const KG_PER_LB = 0.45359237;

/** The units a person may read and type masses in. Inside the core everything is kg. */
export const MASS_UNITS = ['kg', 'lb'] as const;
export type MassUnit = (typeof MASS_UNITS)[number];

/**
 * Converts a mass shown in `unit` to kg.
 * @example toKg(45, 'lb') // 20.41165665
 */
export function toKg(value: number, unit: MassUnit): number {
  return unit === 'lb' ? value * KG_PER_LB : value;
}

/**
 * Converts kg to the unit a person reads.
 * @example fromKg(20, 'lb') // 44.0924…
 */
export function fromKg(kg: number, unit: MassUnit): number {
  return unit === 'lb' ? kg / KG_PER_LB : kg;
}

/**
 * A mass as a coach would write it: one decimal at most two, no trailing zeros, with its unit.
 * @example formatMass(172.5, 'kg') // '172.5 kg'
 * @example formatMass(100, 'lb') // '220.5 lb'
 */
export function formatMass(kg: number, unit: MassUnit): string {
  const value = fromKg(kg, unit);
  const digits = unit === 'lb' ? 1 : 2;
  return `${Number(value.toFixed(digits))} ${unit}`;
}
