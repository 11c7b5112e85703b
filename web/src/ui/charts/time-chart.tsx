import { format, parseISO } from 'date-fns';
import type { ReactElement } from 'react';
import { shortDay } from '../figures.ts';
import { useWidth } from '../use-width.ts';
import { ChartFrame } from './chart-frame.tsx';
import { timeGeometry, type TimeSeries } from './time-geometry.ts';

const MARGIN = { top: 24, right: 76, bottom: 30, left: 48 };
/** Marks and dashes tell series apart; tone only helps. */
const LOOKS = [
  { stroke: 'var(--verdigris)', dash: undefined, mark: 'circle' },
  { stroke: 'var(--ink)', dash: '6 4', mark: 'square' },
  { stroke: 'var(--ochre)', dash: '2 3', mark: 'diamond' },
] as const;
/** Height of a row beneath the days, and what fills it. */
const ROW = 18;
const BENEATH = ['var(--verdigris)', 'var(--ink)', 'var(--edge)'] as const;
const TEXT = { className: 'figures', fontSize: 14, fill: 'var(--quiet)' } as const;

interface TimeChartProps {
  readonly name: string;
  readonly label: string;
  readonly unit: string;
  readonly series: readonly TimeSeries[];
  readonly height?: number;
  readonly fromZero?: boolean;
  /** Stretches of time behind the lines. */
  readonly bands?: readonly { readonly from: string; readonly to: string; readonly label: string }[];
  /** Days that divide the time: today, a meet. */
  readonly days?: readonly { readonly on: string; readonly label: string }[];
  /** What happened meanwhile, a row each beneath the days: a day alone is a mark, several are a bar. */
  readonly beneath?: readonly {
    readonly name: string;
    readonly spans: readonly { readonly from: string; readonly to: string; readonly words: string }[];
  }[];
  /** A mark on each figure; without, where there are too many to tell apart. */
  readonly marked?: boolean;
  readonly figure?: (value: number) => string;
}

/** Figures over time with their doubt: one line a series, named at its end. */
export function TimeChart({
  name,
  label,
  unit,
  series,
  height = 230,
  fromZero = false,
  bands = [],
  days = [],
  beneath = [],
  marked = true,
  figure = (value) => value.toFixed(1),
}: TimeChartProps): ReactElement {
  const [ref, measured] = useWidth<HTMLDivElement>();
  const width = Math.max(measured, 300);
  const rows = beneath.filter((row) => row.spans.length > 0);
  const { x, y, lines, dayTicks, valueTicks } = timeGeometry(
    series,
    { width, height, margin: MARGIN },
    { fromZero },
  );
  const floor = height - MARGIN.bottom;
  const doubt = series.some((each) => each.points.some((point) => point.low !== undefined));
  const table = {
    head: ['day', 'of', unit, ...(doubt ? ['from', 'to'] : [])],
    rows: series.flatMap((each) =>
      each.points.map((point) => [
        point.on,
        each.name,
        figure(point.value),
        ...(doubt
          ? [
              point.low === undefined ? null : figure(point.low),
              point.high === undefined ? null : figure(point.high),
            ]
          : []),
      ]),
    ),
  };
  const ends = spread(
    series.flatMap((each, i) => {
      const last = each.points.at(-1);
      return last ? [{ i, name: each.name, at: y(last.value) }] : [];
    }),
  );
  const clip = (day: string): number =>
    Math.max(MARGIN.left, Math.min(width - MARGIN.right, x(parseISO(day))));
  return (
    <ChartFrame name={name} label={label} table={table}>
      <div ref={ref}>
        <svg
          role="img"
          aria-label={label}
          width={width}
          height={height + ROW * rows.length}
          className="block"
        >
          {rows.map((row, i) => (
            <g key={row.name}>
              <text x={width - MARGIN.right + 8} y={height + ROW * (i + 0.5)} dy="0.35em" {...TEXT}>
                {row.name}
              </text>
              {row.spans.map((span) => (
                <rect
                  key={`${span.from} ${span.words}`}
                  x={clip(span.from) - (span.from === span.to ? 1.5 : 0)}
                  width={Math.max(3, clip(span.to) - clip(span.from))}
                  y={height + ROW * i + 3}
                  height={ROW - 6}
                  fill={BENEATH[i % BENEATH.length]}
                >
                  <title>{span.words}</title>
                </rect>
              ))}
            </g>
          ))}
          {bands.map((band) => (
            <rect
              key={band.from}
              x={clip(band.from)}
              width={Math.max(0, clip(band.to) - clip(band.from))}
              y={MARGIN.top}
              height={floor - MARGIN.top}
              fill="var(--verdigris)"
              opacity={0.1}
            >
              <title>{`${band.label}, ${shortDay(band.from)} to ${shortDay(band.to)}`}</title>
            </rect>
          ))}
          {days.map((day) => (
            <g key={day.label}>
              <line
                x1={clip(day.on)}
                x2={clip(day.on)}
                y1={MARGIN.top - 4}
                y2={floor}
                stroke="var(--forge)"
                strokeDasharray="1 3"
              />
              <text x={clip(day.on)} y={MARGIN.top - 9} textAnchor="middle" {...TEXT} fill="var(--forge)">
                {day.label}
              </text>
            </g>
          ))}
          {valueTicks.map((tick) => (
            <g key={tick}>
              <line
                x1={MARGIN.left}
                x2={width - MARGIN.right}
                y1={y(tick)}
                y2={y(tick)}
                stroke="var(--rule)"
              />
              <text x={MARGIN.left - 8} y={y(tick)} dy="0.35em" textAnchor="end" {...TEXT}>
                {figure(tick).replace(/\.0$/, '')}
              </text>
            </g>
          ))}
          {dayTicks.map((tick) => (
            <text key={+tick} x={x(tick)} y={height - 8} textAnchor="middle" {...TEXT}>
              {format(tick, 'd MMM')}
            </text>
          ))}
          {lines.map(({ name: of, path, band }, i) => {
            const look = LOOKS[i % LOOKS.length]!;
            return (
              <g key={of}>
                {band && <path d={band} fill={look.stroke} opacity={0.13} />}
                <path d={path} fill="none" stroke={look.stroke} strokeWidth={2} strokeDasharray={look.dash} />
                {(marked ? series[i]!.points : []).map((point) => (
                  <Mark
                    key={point.on}
                    kind={look.mark}
                    x={x(parseISO(point.on))}
                    y={y(point.value)}
                    fill={look.stroke}
                  />
                ))}
              </g>
            );
          })}
          {ends.map(({ i, name: of, at }) => (
            <text
              key={of}
              x={width - MARGIN.right + 8}
              y={at}
              dy="0.35em"
              className="figures"
              fontSize={15}
              fontWeight={600}
              fill={LOOKS[i % LOOKS.length]!.stroke}
            >
              {of}
            </text>
          ))}
          <text x={MARGIN.left - 40} y={11} {...TEXT}>
            {unit}
          </text>
        </svg>
      </div>
    </ChartFrame>
  );
}

function Mark({ kind, x, y, fill }: { kind: string; x: number; y: number; fill: string }): ReactElement {
  if (kind === 'square') return <rect x={x - 3} y={y - 3} width={6} height={6} fill={fill} />;
  if (kind === 'diamond')
    return <path d={`M ${x} ${y - 4} L ${x + 4} ${y} L ${x} ${y + 4} L ${x - 4} ${y} Z`} fill={fill} />;
  return <circle cx={x} cy={y} r={3.2} fill={fill} />;
}

/** Names at the line ends kept a line apart. */
function spread(
  ends: readonly { readonly i: number; readonly name: string; readonly at: number }[],
): { i: number; name: string; at: number }[] {
  let last = -Infinity;
  return [...ends]
    .sort((a, b) => a.at - b.at)
    .map((end) => {
      last = Math.max(end.at, last + 17);
      return { ...end, at: last };
    });
}
