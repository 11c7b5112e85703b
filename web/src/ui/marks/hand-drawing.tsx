import type { HandToday, Side } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import { ARM_LINES, HAND_BOX, HAND_LINES, HAND_SHAPES } from './hand-shape.ts';
import { ZONE_NAMES, type HandZone } from './hand-zones.ts';
import { zoneLevel, zoneWords } from './zone-state.ts';

const FILL = { sound: 'var(--raised)', caution: 'var(--ochre)', stop: 'var(--oxblood)' } as const;

interface HandDrawingProps {
  readonly side: Side;
  readonly hand: HandToday;
  readonly selected: HandZone | null;
  readonly onSelect?: (zone: HandZone) => void;
  /** Only drawn, as a picture of what was: nothing to tap. */
  readonly still?: boolean;
}

/** One hand, its palm as its owner sees it, with its zones to tap. For the keyboard a page has the zones in a list or choices beside it. */
export function HandDrawing({
  side,
  hand,
  selected,
  onSelect,
  still = false,
}: HandDrawingProps): ReactElement {
  return (
    <div className="w-full max-w-56">
      <svg
        viewBox={`0 ${HAND_BOX.top} ${HAND_BOX.width} ${HAND_BOX.height}`}
        className="w-full"
        role="group"
        aria-label={`${side} hand, drawn`}
        strokeLinejoin="round"
        strokeLinecap="round"
      >
        <g transform={side === 'right' ? `translate(${HAND_BOX.width} 0) scale(-1 1)` : undefined}>
          {ARM_LINES.map((d) => (
            <path key={d} d={d} fill="none" stroke="currentColor" strokeWidth={2} opacity={0.45} />
          ))}
          {HAND_SHAPES.map(({ zone, d }) => {
            const level = zoneLevel(hand, zone);
            return (
              <path
                key={d}
                d={d}
                fill={`color-mix(in srgb, ${FILL[level]} ${level === 'sound' ? 100 : 60}%, var(--raised))`}
                stroke={selected === zone ? 'var(--forge)' : 'currentColor'}
                strokeWidth={selected === zone ? 4.5 : 2.5}
                {...(!still && { className: 'cursor-pointer', onClick: () => onSelect?.(zone) })}
              >
                <title>{`${ZONE_NAMES[zone]}: ${zoneWords(hand, zone)}`}</title>
              </path>
            );
          })}
          {HAND_LINES.map((d) => (
            <path
              key={d}
              d={d}
              fill="none"
              stroke="currentColor"
              strokeWidth={1.5}
              opacity={0.5}
              className="pointer-events-none"
            />
          ))}
        </g>
      </svg>
    </div>
  );
}
