import type { BackTestReading } from '@iron-clasp/core';
import { scaleLinear } from 'd3-scale';
import type { ReactElement } from 'react';
import { share } from '../figures.ts';
import { useWidth } from '../use-width.ts';
import { ChartFrame } from './chart-frame.tsx';

const ROW = 26;
const MARGIN = { top: 22, right: 96, bottom: 8, left: 76 };
const TEXT = { className: 'figures', fontSize: 14, fill: 'var(--quiet)' } as const;

/** For each tenth of the chance that was said: the tick is what was said, the dot what was held, the bar its range. */
export function SaidAndHeld({ tenths }: { tenths: BackTestReading['tenths'] }): ReactElement {
  const [ref, measured] = useWidth<HTMLDivElement>();
  const width = Math.max(measured, 300);
  const x = scaleLinear()
    .domain([0, 1])
    .range([MARGIN.left, width - MARGIN.right]);
  const height = MARGIN.top + ROW * tenths.length + MARGIN.bottom;
  const label = 'Share of sets and holds that were held, by the chance that was said beforehand.';
  return (
    <ChartFrame
      name="said and held"
      label={label}
      table={{
        head: ['said', 'held', 'from', 'to', 'sets and holds'],
        rows: tenths.map(({ said, held, trials }) => [
          share(said),
          share(held.value),
          share(held.low),
          share(held.high),
          trials,
        ]),
      }}
    >
      <div ref={ref}>
        <svg role="img" aria-label={label} width={width} height={height} className="block">
          {[0, 0.25, 0.5, 0.75, 1].map((tick) => (
            <g key={tick}>
              <line
                x1={x(tick)}
                x2={x(tick)}
                y1={MARGIN.top}
                y2={height - MARGIN.bottom}
                stroke="var(--rule)"
              />
              <text x={x(tick)} y={MARGIN.top - 8} textAnchor="middle" {...TEXT}>
                {share(tick)}
              </text>
            </g>
          ))}
          {tenths.map(({ said, held, trials }, i) => {
            const y = MARGIN.top + ROW * (i + 0.5);
            const off = said < held.low || said > held.high;
            const tone = off ? 'var(--ochre)' : 'var(--verdigris)';
            return (
              <g key={i}>
                <text x={4} y={y} dy="0.35em" {...TEXT} fill="var(--ink)">
                  said {share(said)}
                </text>
                <line
                  x1={x(held.low)}
                  x2={Math.max(x(held.high), x(held.low) + 2)}
                  y1={y}
                  y2={y}
                  stroke={tone}
                  strokeWidth={6}
                  opacity={0.5}
                />
                <line x1={x(said)} x2={x(said)} y1={y - 9} y2={y + 9} stroke="var(--ink)" strokeWidth={2} />
                <circle cx={x(held.value)} cy={y} r={4.5} fill={tone} />
                <text x={width - MARGIN.right + 12} y={y} dy="0.35em" {...TEXT}>
                  of {trials}
                </text>
              </g>
            );
          })}
        </svg>
      </div>
    </ChartFrame>
  );
}
