import { checkRange } from '../check.ts';
import { listOf, oneOf, positive, range, record, type Check } from '../shape.ts';
import { formatMass, fromKg, MASS_UNITS, type MassUnit } from '../units/mass.ts';
import type { BarLoading } from './load-bar.ts';

/** A load as the plates say it. */
export interface SaidLoad {
  /** The figure without its unit. */
  readonly figure: string;
  readonly unit: MassUnit;
  /** The same in the reader's unit with its name, where the plates are of the other one. */
  readonly beside: string | null;
}

/** What bar and plates add up to by their names: whole pounds, half kilograms. */
const STEP: Readonly<Record<MassUnit, number>> = { kg: 0.5, lb: 1 };

const loadingsCheck: Check = listOf(
  record<BarLoading>({
    total: range(0, 5000),
    perSide: listOf(
      record<BarLoading['perSide'][number]>({ mass: positive(500), unit: oneOf(MASS_UNITS) }),
      200,
    ),
  }),
  1000,
);

/**
 * The unit that all plates on the bars of some sets have; null where there are none, or of both.
 * @throws InvalidInputError naming the loading that cannot be used.
 * @example unitOfPlates([{ total: 49.98, perSide: [{ mass: 25, unit: 'lb' }] }]) // 'lb'
 */
export function unitOfPlates(loadings: readonly BarLoading[]): MassUnit | null {
  loadingsCheck('loadings', loadings);
  const [unit = null, ...others] = new Set(
    loadings.flatMap(({ perSide }) => perSide.map((plate) => plate.unit)),
  );
  return others.length > 0 ? null : unit;
}

/**
 * The unit of the plates on the bars of some sets: the one that all of them have, else the reader's.
 * @throws InvalidInputError naming the loading that cannot be used, or for an unknown unit.
 * @example unitAtHand([{ total: 49.98, perSide: [{ mass: 25, unit: 'lb' }] }], 'kg') // 'lb'
 */
export function unitAtHand(loadings: readonly BarLoading[], reader: MassUnit): MassUnit {
  oneOf(MASS_UNITS)('reader', reader);
  return unitOfPlates(loadings) ?? reader;
}

/**
 * A load, kg, in the unit of the plates at hand: what somebody reads off the bar is 110 lb and not 49.98 kg. In the reader's own
 * unit it is as exact as it stands there; in the other one bar and plates are taken by their names, and the reader's stands beside.
 * @throws InvalidInputError for a load that is none, or an unknown unit.
 * @example sayLoad(49.98, 'lb', 'kg') // { figure: '110', unit: 'lb', beside: '50 kg' }
 * @example sayLoad(102.5, 'kg', 'kg') // { figure: '102.5', unit: 'kg', beside: null }
 */
export function sayLoad(kg: number, atHand: MassUnit, reader: MassUnit): SaidLoad {
  checkRange('kg', kg, 0, 5000);
  oneOf(MASS_UNITS)('atHand', atHand);
  oneOf(MASS_UNITS)('reader', reader);
  if (atHand === reader) return { figure: formatMass(kg, reader).split(' ')[0]!, unit: reader, beside: null };
  const nearest = (unit: MassUnit, step: number): number => Math.round(fromKg(kg, unit) / step) * step;
  return {
    figure: String(nearest(atHand, STEP[atHand])),
    unit: atHand,
    beside: `${nearest(reader, STEP[reader])} ${reader}`,
  };
}
