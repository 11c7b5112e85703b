import { toKg, type BarLoading } from '@iron-clasp/core';
import { loadingWords, plateHeight } from './plates.ts';
import type { ReactElement } from 'react';

const GAP = 2;
const SHAFT = 16;
const COLLAR = 5;
const SLEEVE_END = 12;
/** Largest plate, mm: fills the drawing's height. */
const TALLEST = 450;

/** One side of the bar from the shaft outwards: plates as tall as they are, wide enough for their number, all in one tone. */
export function BarDrawing({ loading, height = 40 }: { loading: BarLoading; height?: number }): ReactElement {
  const font = Math.max(10, Math.min(15, height * 0.3));
  const { plates, end } = place(loading, height, font);
  const total = end + SLEEVE_END;
  const middle = height / 2;
  return (
    <svg
      role="img"
      aria-label={loadingWords(loading)}
      viewBox={`0 0 ${total} ${height}`}
      width={total}
      // Where the room is narrower than the plates need, all of them are drawn smaller: none is cut off.
      className="h-auto max-w-full shrink-0"
    >
      <rect x={0} y={middle - 1.5} width={SHAFT} height={3} fill="currentColor" />
      <rect x={SHAFT} y={middle - 5} width={COLLAR} height={10} fill="currentColor" />
      <rect
        x={SHAFT + COLLAR}
        y={middle - 2.5}
        width={total - SHAFT - COLLAR}
        height={5}
        fill="currentColor"
        opacity={0.4}
      />
      {plates.map((plate, i) => (
        <g key={i}>
          <rect
            x={plate.x}
            y={middle - plate.height / 2}
            width={plate.width}
            height={plate.height}
            rx={2}
            fill="var(--ground)"
            stroke="currentColor"
            strokeWidth={1.3}
          />
          <text
            x={plate.x + plate.width / 2}
            y={middle}
            textAnchor="middle"
            dominantBaseline="central"
            fontSize={font}
            fill="currentColor"
            className="figures"
            fontWeight={600}
          >
            {plate.text}
          </text>
        </g>
      ))}
    </svg>
  );
}

interface PlacedPlate {
  readonly text: string;
  readonly x: number;
  readonly width: number;
  readonly height: number;
}

/** Plates side by side on the sleeve, px, and where the last one ends. */
function place(
  loading: BarLoading,
  height: number,
  font: number,
): { plates: readonly PlacedPlate[]; end: number } {
  let x = SHAFT + COLLAR + GAP;
  const plates = loading.perSide.map((plate) => {
    const text = String(Number(plate.mass.toFixed(2)));
    const width = Math.max(font * 0.95, text.length * font * 0.46 + 5);
    const scaled = (plateHeight(toKg(plate.mass, plate.unit)) / TALLEST) * (height - 2);
    const placed = { text, width, x, height: Math.max(scaled, font + 2) };
    x += width + GAP;
    return placed;
  });
  return { plates, end: x };
}
