import type { CeilingsAtReps, Grip, MassUnit } from '@iron-clasp/core';
import { max, min } from 'd3-array';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { CurveFrame } from './curve-geometry.ts';
import { massAxis } from './mass-axis.ts';

/** A planned set on the drawing. */
export interface RampSet {
  readonly reps: number;
  /** kg as the lift is written. */
  readonly load: number;
}

/** One grip's ceiling over the repetitions. */
export interface CeilingLine {
  readonly grip: Grip;
  /** Path of the load up to which the grip holds with the chance asked. */
  readonly path: string;
  /** Region between this ceiling and the one below it: where this grip is the first that holds. */
  readonly region: string;
  /** Where the line ends, for its name, px. */
  readonly end: { readonly x: number; readonly y: number };
}

export interface RampGeometry {
  /** Repetitions to px. */
  readonly x: ScaleLinear<number, number>;
  /** kg to px. */
  readonly y: ScaleLinear<number, number>;
  /** The weakest grip first. */
  readonly lines: readonly CeilingLine[];
  readonly repsTicks: readonly number[];
  readonly loadTicks: readonly number[];
}

/** Load against repetitions with the ceilings of each grip: its regions say where which grip is the first that holds. */
export function rampGeometry(
  ceilings: readonly CeilingsAtReps[],
  sets: readonly RampSet[],
  frame: CurveFrame,
  unit: MassUnit = 'kg',
): RampGeometry {
  const { width, height, margin } = frame;
  const reps = ceilings.map((each) => each.reps);
  const loads = [
    ...sets.map((set) => set.load),
    ...ceilings.flatMap((each) => each.ceilings.map((ceiling) => ceiling.value)),
  ].filter((load) => load > 0);
  const x = scaleLinear()
    .domain([min(reps) ?? 1, max(reps) ?? 1])
    .range([margin.left, width - margin.right]);
  const { y, ticks } = massAxis([0, (max(loads) ?? 100) * 1.08], [height - margin.bottom, margin.top], unit);
  const grips = ceilings[0]?.ceilings.map((each) => each.grip) ?? [];
  const at = (each: CeilingsAtReps, place: number): number =>
    place < 0 ? 0 : (each.ceilings.find((ceiling) => ceiling.grip === grips[place])?.value ?? 0);
  const lines = grips.map((grip, place): CeilingLine => {
    const last = ceilings[ceilings.length - 1]!;
    // Where two ceilings cross the weaker one bounds nothing: the region starts at the highest below.
    const below = (each: CeilingsAtReps): number =>
      Math.min(at(each, place), Math.max(0, ...grips.slice(0, place).map((_, i) => at(each, i))));
    return {
      grip,
      path:
        line<CeilingsAtReps>()
          .x((each) => x(each.reps))
          .y((each) => y(at(each, place)))(ceilings) ?? '',
      region:
        area<CeilingsAtReps>()
          .x((each) => x(each.reps))
          .y0((each) => y(below(each)))
          .y1((each) => y(at(each, place)))(ceilings) ?? '',
      end: { x: x(last.reps), y: y(at(last, place)) },
    };
  });
  return { x, y, lines, repsTicks: reps, loadTicks: ticks };
}
