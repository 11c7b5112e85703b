import { GRIP_NAMES, type Grip, type MassUnit } from '@iron-clasp/core';
import type { CurvePoint, CurveView } from '@iron-clasp/contract';
import { useRef, type PointerEvent, type ReactElement } from 'react';
import { inUnit, seconds } from '../figures.ts';
import { useWidth } from '../use-width.ts';
import { answerTo, type Asked } from './asked.ts';
import { Axes } from './axes.tsx';
import { curveGeometry, LONGEST, SHORTEST, type CurveScales } from './curve-geometry.ts';

const HEIGHT = 400;
const MARGIN = { top: 30, right: 20, bottom: 44, left: 52 };

/** The clasp curve of one grip: load against seconds, the points by how they ended, the band, and today's demands. */
export function ClaspChart({
  view,
  grip,
  unit,
  plain = false,
  asked = null,
  onAsk,
}: {
  view: CurveView;
  grip: Grip;
  unit: MassUnit;
  /** Plain seconds along the bottom instead of their logarithm. */
  plain?: boolean;
  /** A load or a time that is asked about. */
  asked?: Asked | null;
  /** Says what was asked by pressing or dragging along an axis. */
  onAsk?: (asked: Asked) => void;
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
    { plain, unit },
  );
  const { x, y } = geometry;
  const dragging = useRef<'load' | 'seconds' | null>(null);
  const ask = (event: PointerEvent<SVGSVGElement>): void => {
    const box = event.currentTarget.getBoundingClientRect();
    if (dragging.current === 'load') onAsk?.({ load: Math.max(1, y.invert(event.clientY - box.top)) });
    if (dragging.current === 'seconds') onAsk?.({ seconds: Math.max(1, x.invert(event.clientX - box.left)) });
  };
  const [askedX, askedY] = asked ? placeOf(asked, view, grip, geometry) : [0, 0];
  const slipped = points.filter((point) => point.ended === 'slipped').length;

  return (
    <div ref={ref}>
      <svg
        role="img"
        aria-label={`Load against seconds for ${GRIP_NAMES[grip]}: ${points.length} logged holds and sets drawn, ${slipped} of them slips; ${demands.length} demands of the next session. The table below holds the figures.`}
        width={width}
        height={HEIGHT}
        className="block touch-none"
        onPointerDown={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const [px, py] = [event.clientX - box.left, event.clientY - box.top];
          // The left axis asks about a load, the bottom one about a time.
          dragging.current =
            px < MARGIN.left + 8 ? 'load' : py > HEIGHT - MARGIN.bottom - 8 ? 'seconds' : null;
          if (dragging.current) event.currentTarget.setPointerCapture(event.pointerId);
          ask(event);
        }}
        onPointerMove={ask}
        onPointerUp={() => (dragging.current = null)}
        onPointerCancel={() => (dragging.current = null)}
      >
        <rect
          x={0}
          y={0}
          width={MARGIN.left + 8}
          height={HEIGHT}
          fill="transparent"
          className="cursor-ns-resize"
        />
        <rect
          x={0}
          y={HEIGHT - MARGIN.bottom - 8}
          width={width}
          height={MARGIN.bottom + 8}
          fill="transparent"
          className="cursor-ew-resize"
        />
        <Axes
          frame={{ width, height: HEIGHT, margin: MARGIN }}
          x={x}
          xTicks={geometry.secondsTicks}
          xName={plain ? 'seconds held' : 'seconds held, log'}
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
        {asked && (
          <g stroke="var(--forge)" strokeWidth={1.4} strokeDasharray="5 4">
            <path d={`M ${MARGIN.left} ${askedY} H ${askedX} V ${HEIGHT - MARGIN.bottom}`} fill="none" />
            <circle
              cx={askedX}
              cy={askedY}
              r={5}
              fill="var(--ground)"
              strokeDasharray="none"
              strokeWidth={2}
            />
          </g>
        )}
        {placeLabels(demands, geometry).map(({ demand, labelY }) => {
          const [cx, cy] = [x(demand.seconds), y(demand.load)];
          const right = cx < width * 0.6;
          return (
            <g key={demand.label} className="figures" fontSize={14}>
              <path
                d={`M ${cx} ${cy - 7} L ${cx + 7} ${cy} L ${cx} ${cy + 7} L ${cx - 7} ${cy} Z`}
                fill={demand.kind === 'attempt' ? 'var(--ink)' : 'var(--forge)'}
                stroke="var(--ground)"
                strokeWidth={1.5}
              />
              <text
                x={right ? cx + 12 : cx - 12}
                y={labelY}
                dy="0.35em"
                textAnchor={right ? 'start' : 'end'}
                fontWeight={600}
                fill={demand.kind === 'attempt' ? 'var(--ink)' : 'var(--forge)'}
                style={{ paintOrder: 'stroke', stroke: 'var(--ground)', strokeWidth: 5 }}
              >
                {demand.label} {Math.round(inUnit(demand.load, unit))}, {seconds(demand.seconds)}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}

/** Where the answer to a question lies on the curve, px. */
function placeOf(
  asked: Asked,
  view: CurveView,
  grip: Grip,
  { x, y }: CurveScales,
): readonly [number, number] {
  const { load, seconds: held } = answerTo(view.curve, grip, asked);
  return [x(Math.min(LONGEST, Math.max(SHORTEST, held))), y(load)];
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
