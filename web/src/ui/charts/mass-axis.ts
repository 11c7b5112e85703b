import { fromKg, toKg, type MassUnit } from '@iron-clasp/core';
import { scaleLinear, type ScaleLinear } from 'd3-scale';

export interface MassAxis {
  /** kg to px. */
  readonly y: ScaleLinear<number, number>;
  /** Where the lines stand, kg. */
  readonly ticks: readonly number[];
}

/** An upright axis of loads, kg, whose ends and lines are round figures in the unit that the reader reads. */
export function massAxis(
  [from, to]: readonly [number, number],
  range: readonly [number, number],
  unit: MassUnit,
  lines = 6,
): MassAxis {
  const read = scaleLinear()
    .domain([fromKg(from, unit), fromKg(to, unit)])
    .nice(lines);
  const inKg = (value: number): number => toKg(value, unit);
  return { y: scaleLinear(read.domain().map(inKg), range), ticks: read.ticks(lines).map(inKg) };
}
