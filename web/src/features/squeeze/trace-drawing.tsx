import { analyseTrace, type TraceReading } from '@iron-clasp/core';
import type { TraceView } from '@iron-clasp/contract';
import { extent, max } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { ReactElement } from 'react';
import { ChartFrame } from '../../ui/charts/chart-frame.tsx';
import { useWidth } from '../../ui/use-width.ts';

const HEIGHT = 200;
const MARGIN = { top: 14, right: 16, bottom: 26, left: 44 };
/** Points drawn and listed at the most: more cannot be seen. */
const MOST_POINTS = 600;

/** The figures of a trace that a coach asks for. */
function figuresOf(reading: TraceReading): [string, string][] {
  const or = (value: number | null, unit: string, digits = 1): string =>
    value === null ? 'too short to say' : `${value.toFixed(digits)} ${unit}`;
  const { dropped, spikes, negatives, noQuietStart } = reading.problems;
  const faults = [
    ...(dropped ? [`${dropped} samples dropped`] : []),
    ...(spikes ? [`${spikes} spikes`] : []),
    ...(negatives ? [`${negatives} below zero`] : []),
    ...(noQuietStart ? ['no quiet start, so not tared'] : []),
  ];
  return [
    ['peak', or(reading.peak, 'kgf')],
    ['time to peak', or(reading.timeToPeak, 's', 2)],
    ['rise in 0–100 ms', or(reading.rateOfForceDevelopment100, 'kgf/s', 0)],
    ['rise in 0–200 ms', or(reading.rateOfForceDevelopment200, 'kgf/s', 0)],
    ['last second', or(reading.meanOfLastSecond, 'kgf')],
    ['impulse', or(reading.impulse, 'kgf·s', 0)],
    ['lost after the peak', or(reading.fatigueIndex, '%')],
    ['mended', faults.join(', ') || 'nothing'],
  ];
}

/** A kept trace with what it shows. */
export function TraceDrawing({ trace }: { trace: TraceView }): ReactElement {
  const [ref, measured] = useWidth<HTMLDivElement>();
  const width = Math.max(measured, 300);
  const every = Math.max(1, Math.ceil(trace.times.length / MOST_POINTS));
  const points = trace.times.flatMap((time, i) =>
    i % every === 0 ? [[time, trace.forces[i]!] as const] : [],
  );
  const [from = 0, to = 1] = extent(trace.times);
  const x = scaleLinear([from, to], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([0, max(trace.forces) ?? 1], [HEIGHT - MARGIN.bottom, MARGIN.top]).nice(4);
  const reading = trace.times.length < 8000 ? analyseTrace(trace) : undefined;
  const label = `Force of the ${trace.hand} hand over ${(to - from).toFixed(1)} s.`;
  const text = { className: 'figures', fontSize: 14, fill: 'var(--quiet)' } as const;
  return (
    <ChartFrame
      name={`trace ${trace.hand}`}
      label={label}
      table={{
        head: ['time (s)', 'force (kgf)'],
        rows: points.map(([time, force]) => [time.toFixed(3), force.toFixed(2)]),
      }}
    >
      <div ref={ref}>
        <svg role="img" aria-label={label} width={width} height={HEIGHT} className="block">
          {y.ticks(4).map((tick) => (
            <g key={tick}>
              <line
                x1={MARGIN.left}
                x2={width - MARGIN.right}
                y1={y(tick)}
                y2={y(tick)}
                stroke="var(--rule)"
              />
              <text x={MARGIN.left - 8} y={y(tick)} dy="0.35em" textAnchor="end" {...text}>
                {tick}
              </text>
            </g>
          ))}
          {x.ticks(8).map((tick) => (
            <text key={tick} x={x(tick)} y={HEIGHT - 6} textAnchor="middle" {...text}>
              {tick} s
            </text>
          ))}
          {reading && (
            <line
              x1={x(reading.onset)}
              x2={x(reading.onset)}
              y1={MARGIN.top}
              y2={HEIGHT - MARGIN.bottom}
              stroke="var(--forge)"
              strokeDasharray="4 3"
            />
          )}
          <path
            d={
              line<readonly [number, number]>(
                (p) => x(p[0]),
                (p) => y(p[1]),
              )(points) ?? ''
            }
            fill="none"
            stroke="var(--verdigris)"
            strokeWidth={2}
          />
        </svg>
        {reading && (
          <dl className="figures grid grid-cols-2 gap-x-6 text-lg sm:grid-cols-4">
            {figuresOf(reading).map(([name, value]) => (
              <div key={name}>
                <dt className="label">{name}</dt>
                <dd>{value}</dd>
              </div>
            ))}
          </dl>
        )}
      </div>
    </ChartFrame>
  );
}
