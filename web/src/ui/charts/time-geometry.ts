import { extent } from 'd3-array';
import { scaleLinear, scaleTime, type ScaleLinear, type ScaleTime } from 'd3-scale';
import { area, line } from 'd3-shape';
import { addDays, parseISO } from 'date-fns';

/** One figure on a day, with its doubt where it has one. */
export interface TimePoint {
  readonly on: string;
  readonly value: number;
  readonly low?: number;
  readonly high?: number;
}

export interface TimeSeries {
  readonly name: string;
  readonly points: readonly TimePoint[];
}

export interface TimeFrame {
  readonly width: number;
  readonly height: number;
  readonly margin: {
    readonly top: number;
    readonly right: number;
    readonly bottom: number;
    readonly left: number;
  };
}

export interface TimeGeometry {
  readonly x: ScaleTime<number, number>;
  readonly y: ScaleLinear<number, number>;
  readonly lines: readonly { readonly name: string; readonly path: string; readonly band: string | null }[];
  readonly dayTicks: readonly Date[];
  readonly valueTicks: readonly number[];
}

/** Room above and below the figures, a share of their spread. */
const ROOM = 0.12;

/** Places figures over time in a frame, px; a single day or a single value still gets room around it. */
export function timeGeometry(
  series: readonly TimeSeries[],
  { width, height, margin }: TimeFrame,
  { fromZero = false }: { readonly fromZero?: boolean } = {},
): TimeGeometry {
  const points = series.flatMap((each) => each.points);
  const days = extent(points, (point) => parseISO(point.on));
  const first = days[0] ?? new Date(0);
  const last = days[1] ?? new Date(0);
  const [least = 0, most = 1] = extent(
    points.flatMap((point) => [point.value, point.low ?? point.value, point.high ?? point.value]),
  );
  const spread = most - least || Math.abs(most) || 1;
  const x = scaleTime()
    .domain(+first === +last ? [addDays(first, -7), addDays(last, 7)] : [first, last])
    .range([margin.left, width - margin.right]);
  const y = scaleLinear()
    .domain([fromZero ? 0 : least - ROOM * spread, most + ROOM * spread])
    .range([height - margin.bottom, margin.top])
    .nice(5);
  const at = (point: TimePoint): number => x(parseISO(point.on));
  return {
    x,
    y,
    lines: series.map(({ name, points: own }) => ({
      name,
      path: line<TimePoint>(at, (point) => y(point.value))(own) ?? '',
      band: own.some((point) => point.low !== undefined)
        ? (area<TimePoint>(
            at,
            (point) => y(point.low ?? point.value),
            (point) => y(point.high ?? point.value),
          )(own) ?? null)
        : null,
    })),
    dayTicks: x.ticks(Math.max(2, Math.round((width - margin.left - margin.right) / 110))),
    valueTicks: y.ticks(5),
  };
}
