import type { HandToday, Side } from '@iron-clasp/core';
import clsx from 'clsx';
import type { ReactElement } from 'react';
import { HAND_ZONES, ZONE_NAMES, ZONE_PLACES, type HandZone } from './hand-zones.ts';
import { zoneLevel, zoneWords } from './zone-state.ts';

const FILL = { sound: 'var(--raised)', caution: 'var(--ochre)', stop: 'var(--oxblood)' } as const;

interface HandDrawingProps {
  readonly side: Side;
  readonly hand: HandToday;
  readonly selected: HandZone | null;
  readonly onSelect?: (zone: HandZone) => void;
  /** Only drawn, as a picture of what was: nothing to tap, no list beside it. */
  readonly still?: boolean;
  /** To tap, but without the list beside it: the page has its own. */
  readonly bare?: boolean;
}

/** One hand, palm towards the reader, with its zones to tap. Every zone is a button with its state in words too. */
export function HandDrawing({
  side,
  hand,
  selected,
  onSelect,
  still = false,
  bare = false,
}: HandDrawingProps): ReactElement {
  const drawn = HAND_ZONES.filter((zone): zone is keyof typeof ZONE_PLACES => zone in ZONE_PLACES);
  return (
    <div className="w-full max-w-56">
      <svg viewBox="0 0 200 360" className="w-full" role="group" aria-label={`${side} hand, drawn`}>
        <g transform={side === 'right' ? 'translate(200 0) scale(-1 1)' : undefined}>
          {drawn.map((zone) => {
            const level = zoneLevel(hand, zone);
            return (
              <path
                key={zone}
                d={ZONE_PLACES[zone].d}
                fill={FILL[level]}
                fillOpacity={level === 'sound' ? 1 : 0.75}
                stroke={selected === zone ? 'var(--forge)' : 'currentColor'}
                strokeWidth={selected === zone ? 5 : 2}
                strokeLinejoin="round"
                {...(!still && { className: 'cursor-pointer', onClick: () => onSelect?.(zone) })}
              >
                <title>{`${ZONE_NAMES[zone]}: ${zoneWords(hand, zone)}`}</title>
              </path>
            );
          })}
        </g>
      </svg>
      <ul hidden={still || bare} aria-label={`${side} hand, zone by zone`} className="mt-2 grid gap-1">
        {HAND_ZONES.map((zone) => {
          const level = zoneLevel(hand, zone);
          return (
            <li key={zone}>
              <button
                type="button"
                aria-pressed={selected === zone}
                onClick={() => onSelect?.(zone)}
                className={clsx(
                  'flex min-h-9 w-full items-baseline justify-between gap-2 rounded-sm border px-2 py-1 text-left',
                  selected === zone ? 'border-forge' : 'border-transparent hover:border-edge',
                )}
              >
                <span className="label">{ZONE_NAMES[zone]}</span>
                <span
                  className={clsx(
                    level === 'stop' && 'font-semibold text-oxblood',
                    level === 'caution' && 'text-ochre',
                    level === 'sound' && 'text-quiet',
                  )}
                >
                  {zoneWords(hand, zone)}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
