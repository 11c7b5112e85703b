import { holdLoad, type Grip, type HoldCurve, type MassUnit } from '@iron-clasp/core';
import type { CurvePoint } from '@iron-clasp/contract';
import { max, min } from 'd3-array';
import { scaleLinear, scaleLog, type ScaleContinuousNumeric } from 'd3-scale';
import { area, line } from 'd3-shape';
import { massAxis } from './mass-axis.ts';

export interface CurveFrame {
  readonly width: number;
  readonly height: number;
  readonly margin: {
    readonly top: number;
    readonly right: number;
    readonly bottom: number;
    readonly left: number;
  };
}

export interface CurveScales {
  /** Seconds to px. */
  readonly x: ScaleContinuousNumeric<number, number>;
  /** kg to px. */
  readonly y: ScaleContinuousNumeric<number, number>;
}

export interface CurveGeometry extends CurveScales {
  /** Path of the load held as often as not. */
  readonly middle: string;
  /** Band between the loads held nine times and once in ten. */
  readonly band: string;
  readonly secondsTicks: readonly number[];
  readonly loadTicks: readonly number[];
}

export const SHORTEST = 1;
export const LONGEST = 120;
/** The stretch of the curve, s, that must be inside the frame: what lifts and holds ask. */
const FRAMED = [3, 45] as const;
/** Plain axes end here, s: past it nothing is asked of a barbell grip. */
export const PLAIN_LONGEST = 60;
const PLAIN_TICKS = [0, 10, 20, 30, 40, 50, 60];
const STEPS = 60;
const SECONDS_TICKS = [1, 2, 5, 10, 20, 30, 60, 120];

/** Scales, curve and band of one grip, for a drawing of load against seconds. */
export function curveGeometry(
  curve: HoldCurve,
  grip: Grip,
  points: readonly CurvePoint[],
  loads: readonly number[],
  frame: CurveFrame,
  { plain = false, unit = 'kg' }: { readonly plain?: boolean; readonly unit?: MassUnit } = {},
): CurveGeometry {
  const { width, height, margin } = frame;
  const samples = Array.from({ length: STEPS + 1 }, (_, i) => {
    const seconds = SHORTEST * (LONGEST / SHORTEST) ** (i / STEPS);
    const held = (probability: number): number => holdLoad(curve, { seconds, probability, grip });
    return { seconds, middle: held(0.5), sure: held(0.9), bold: held(0.1) };
  });
  const all = [
    ...points.map((point) => point.load),
    ...loads,
    ...samples
      .filter((sample) => sample.seconds >= FRAMED[0] && sample.seconds <= FRAMED[1])
      .map((sample) => sample.middle),
  ];
  const x = (plain ? scaleLinear().domain([0, PLAIN_LONGEST]) : scaleLog().domain([SHORTEST, LONGEST]))
    .range([margin.left, width - margin.right])
    .clamp(true);
  const { y, ticks } = massAxis(
    [Math.max(0, min(all)! * 0.9), max(all)! * 1.08],
    [height - margin.bottom, margin.top],
    unit,
  );
  const [low, high] = y.domain() as [number, number];
  const inside = (load: number): number => y(Math.min(high, Math.max(low, load)));
  return {
    x,
    y,
    middle:
      line<(typeof samples)[number]>()
        .x((sample) => x(sample.seconds))
        .y((sample) => inside(sample.middle))(
        samples.filter(
          (sample) =>
            sample.middle <= high && sample.middle >= low && (!plain || sample.seconds <= PLAIN_LONGEST),
        ),
      ) ?? '',
    band:
      area<(typeof samples)[number]>()
        .x((sample) => x(sample.seconds))
        .y0((sample) => inside(sample.sure))
        .y1((sample) => inside(sample.bold))(
        samples.filter((sample) => !plain || sample.seconds <= PLAIN_LONGEST),
      ) ?? '',
    secondsTicks: plain ? PLAIN_TICKS : SECONDS_TICKS,
    loadTicks: ticks,
  };
}
