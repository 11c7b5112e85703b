import { GRIP_NAMES, type CeilingsAtReps, type MassUnit } from '@iron-clasp/core';
import type { CalledSet } from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { useWidth } from '../use-width.ts';
import { Axes } from './axes.tsx';
import { rampGeometry } from './ramp-geometry.ts';

const HEIGHT = 380;
const MARGIN = { top: 28, right: 116, bottom: 44, left: 52 };
/** Tones of the regions, the weakest grip first: told apart by the names at the edge too, never by tone alone. */
const TONES = [0.1, 0.22, 0.34];

interface RampChartProps {
  readonly ceilings: readonly CeilingsAtReps[];
  readonly sets: readonly CalledSet[];
  readonly liftName: string;
  readonly unit: MassUnit;
}

/** Load against repetitions: the regions where each grip is the first that holds, and the planned sets. */
export function RampChart({ ceilings, sets, liftName, unit }: RampChartProps): ReactElement {
  const [ref, measured] = useWidth<HTMLDivElement>();
  const width = Math.max(measured, 320);
  const points = sets.map((set) => ({ set, reps: set.reps, load: set.loading.total }));
  const { x, y, lines, repsTicks, loadTicks } = rampGeometry(
    ceilings,
    points,
    { width, height: HEIGHT, margin: MARGIN },
    unit,
  );
  return (
    <div ref={ref}>
      <svg
        role="img"
        aria-label={`${liftName}: load against repetitions with the ceiling of each grip and ${sets.length} planned sets. The table below holds the figures.`}
        width={width}
        height={HEIGHT}
        className="block"
      >
        {lines.map(({ grip, region }, place) => (
          <path key={grip} d={region} fill="var(--verdigris)" opacity={TONES[place]} />
        ))}
        <Axes
          frame={{ width, height: HEIGHT, margin: MARGIN }}
          x={x}
          xTicks={repsTicks}
          xName="repetitions"
          y={y}
          loadTicks={loadTicks}
          yName={unit}
          unit={unit}
        />
        {namesApart(lines).map(({ grip, path, end, nameY }) => (
          <g key={grip}>
            <path d={path} fill="none" stroke="var(--verdigris)" strokeWidth={2} />
            <text
              x={end.x + 8}
              y={nameY}
              dy="0.35em"
              className="figures"
              fontSize={14}
              fontWeight={600}
              fill="var(--verdigris)"
            >
              {GRIP_NAMES[grip]}
            </text>
          </g>
        ))}
        {points.map(({ set, reps, load: kg }) => (
          <circle
            key={set.id}
            cx={x(Math.min(reps, repsTicks[repsTicks.length - 1]!))}
            cy={y(kg)}
            r={set.role === 'top' || set.role === 'attempt' ? 6 : 4}
            fill={set.call.choice === 'straps' ? 'var(--ground)' : 'var(--forge)'}
            stroke="var(--forge)"
            strokeWidth={2}
          />
        ))}
      </svg>
    </div>
  );
}

/** Keeps the names at the ends of the lines a line apart. */
function namesApart<Line extends { readonly end: { readonly y: number } }>(
  lines: readonly Line[],
): (Line & { readonly nameY: number })[] {
  let last = -Infinity;
  return [...lines]
    .sort((a, b) => a.end.y - b.end.y)
    .map((each) => {
      last = Math.max(each.end.y, last + 17);
      return { ...each, nameY: last };
    });
}
