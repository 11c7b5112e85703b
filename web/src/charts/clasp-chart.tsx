import { GRIP_NAMES, type Grip, type MassUnit } from '@iron-clasp/core';
import type { CurvePoint, CurveView } from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { load, seconds } from '../parts/figures.ts';
import { useWidth } from '../parts/use-width.ts';
import { Axes } from './axes.tsx';
import { curveGeometry, LONGEST, SHORTEST, type CurveScales } from './curve-geometry.ts';

const HEIGHT = 400;
const MARGIN = { top: 30, right: 20, bottom: 44, left: 52 };

/** The clasp curve of one grip: load against seconds, the points by how they ended, the band, and today's demands. */
export function ClaspChart({
  view,
  grip,
  unit,
}: {
  view: CurveView;
  grip: Grip;
  unit: MassUnit;
}): ReactElement {
  const [ref, measured] = useWidth<HTMLDivElement>();
  const width = Math.max(measured, 320);
  const points = view.points.filter((point) => point.grip === grip);
  const demands = view.demands.filter((demand) => demand.grip === grip);
  const geometry = curveGeometry(
    view.curve,
    grip,
    points,
    demands.map((demand) => demand.load),
    { width, height: HEIGHT, margin: MARGIN },
  );
  const { x, y } = geometry;
  const slipped = points.filter((point) => point.ended === 'slipped').length;

  return (
    <div ref={ref}>
      <svg
        role="img"
        aria-label={`Load against seconds for ${GRIP_NAMES[grip]}: ${points.length} logged holds and sets drawn, ${slipped} of them slips; ${demands.length} demands of the next session. The table below holds the figures.`}
        width={width}
        height={HEIGHT}
        className="block"
      >
        <Axes
          frame={{ width, height: HEIGHT, margin: MARGIN }}
          x={x}
          xTicks={geometry.secondsTicks}
          xName="seconds held"
          y={y}
          loadTicks={geometry.loadTicks}
          yName={`${unit} on both hands`}
          unit={unit}
        />
        <path d={geometry.band} fill="var(--verdigris)" opacity={0.16} />
        <path d={geometry.middle} fill="none" stroke="var(--verdigris)" strokeWidth={2.5} />
        {points.map((point, i) => (
          <Point key={i} point={point} scales={geometry} />
        ))}
        {placeLabels(demands, geometry).map(({ demand, labelY }) => {
          const [cx, cy] = [x(demand.seconds), y(demand.load)];
          const right = cx < width * 0.6;
          return (
            <g key={demand.label} className="figures" fontSize={14}>
              <path
                d={`M ${cx} ${cy - 7} L ${cx + 7} ${cy} L ${cx} ${cy + 7} L ${cx - 7} ${cy} Z`}
                fill="var(--forge)"
                stroke="var(--ground)"
                strokeWidth={1.5}
              />
              <text
                x={right ? cx + 12 : cx - 12}
                y={labelY}
                dy="0.35em"
                textAnchor={right ? 'start' : 'end'}
                fontWeight={600}
                fill="var(--forge)"
                style={{ paintOrder: 'stroke', stroke: 'var(--ground)', strokeWidth: 5 }}
              >
                {demand.label} {load(Math.round(demand.load), unit)}, {seconds(demand.seconds)}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}

/** Keeps labels of neighbouring demands a line apart. */
function placeLabels(
  demands: CurveView['demands'],
  { y }: CurveScales,
): { demand: CurveView['demands'][number]; labelY: number }[] {
  let last = -Infinity;
  return [...demands]
    .sort((a, b) => b.load - a.load)
    .map((demand) => {
      last = Math.max(y(demand.load), last + 18);
      return { demand, labelY: last };
    });
}

function Point({ point, scales }: { point: CurvePoint; scales: CurveScales }): ReactElement {
  const cx = scales.x(Math.min(LONGEST, Math.max(SHORTEST, point.seconds)));
  const cy = scales.y(point.load);
  // Half a block old is half as dark; nothing fades out altogether.
  const opacity = 0.3 + 0.7 * 2 ** (-point.ageDays / 42);
  if (point.ended === 'slipped') {
    return (
      <path
        d={`M ${cx - 4} ${cy - 4} l 8 8 m 0 -8 l -8 8`}
        stroke="var(--oxblood)"
        strokeWidth={2}
        opacity={opacity}
      />
    );
  }
  // Put down on purpose: at least this long, so the mark points on to longer times.
  return (
    <g
      opacity={opacity}
      stroke="var(--ink)"
      strokeWidth={1.4}
      fill={point.source === 'hold' ? 'var(--ink)' : 'none'}
    >
      <circle cx={cx} cy={cy} r={3.4} />
      <path d={`M ${cx + 4.5} ${cy} h 6`} />
    </g>
  );
}
