import { sayHands, type HandToday, type HandsToday } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import { HAND_SHAPES, ZONE_CENTRES, type PlacedZone } from './hand-shape.ts';
import { HAND_ZONES, type HandZone } from './hand-zones.ts';
import { zoneLevel } from './zone-state.ts';

/** The hand without the small arm beside it: that one is too small for a mark. */
const WIDTH = 186;
const HEIGHT = 304;
const GAP = 20;
/** All its parts as one path: every row of the rack has two hands. */
const OUTLINE = HAND_SHAPES.filter(({ zone }) => zone !== 'elbow' && zone !== 'biceps' && zone !== 'nail')
  .map(({ d }) => d)
  .join(' ');

/** Both hands, small: the hand of the check as an outline, a broken one where nobody has looked, a dot where something is to be seen, filled and barred when it stops work. */
export function HandsMark({
  hands,
  looked,
  size = 30,
}: {
  hands: HandsToday;
  looked: boolean;
  size?: number;
}): ReactElement {
  const width = 2 * WIDTH + GAP;
  return (
    <svg
      role="img"
      aria-label={sayHands(hands, looked)}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      height={size}
      width={(size * width) / HEIGHT}
      strokeLinejoin="round"
      strokeLinecap="round"
      className="shrink-0"
    >
      <SmallHand hand={hands.left} looked={looked} scale={HEIGHT / size} />
      <g transform={`translate(${width} 0) scale(-1 1)`}>
        <SmallHand hand={hands.right} looked={looked} scale={HEIGHT / size} />
      </g>
    </svg>
  );
}

/** Where a mark about a zone stands on the small hand: what has no place on it stands where the arm goes on. */
function markedAt(zone: HandZone): readonly [number, number] {
  if (zone === 'pain' || zone === 'nerves') return ZONE_CENTRES.palm;
  return zone === 'elbow' || zone === 'biceps' ? ZONE_CENTRES.wrist : ZONE_CENTRES[zone satisfies PlacedZone];
}

/** `scale` is how much of the box one pixel covers: lines keep their width at every size. */
function SmallHand({
  hand,
  looked,
  scale,
}: {
  hand: HandToday;
  looked: boolean;
  scale: number;
}): ReactElement {
  const levels = HAND_ZONES.map((zone) => [zone, zoneLevel(hand, zone)] as const);
  const stops = levels.some(([, level]) => level === 'stop');
  const ink = stops ? 'var(--oxblood)' : 'currentColor';
  return (
    <g>
      {/* One line around the whole hand: every part with a broad line first, then all of them filled. */}
      <path
        d={OUTLINE}
        fill="none"
        stroke={ink}
        strokeWidth={2.2 * scale}
        {...(!looked && { strokeDasharray: `${1.6 * scale} ${2 * scale}`, strokeLinecap: 'butt' })}
      />
      <path d={OUTLINE} fill={stops ? 'var(--oxblood)' : 'var(--raised)'} />
      {stops ? (
        <path d="M10 290 L180 20" stroke="var(--ground)" strokeWidth={2 * scale} />
      ) : (
        levels.map(([zone, level]) => {
          const [cx, cy] = markedAt(zone);
          return (
            level === 'caution' && <circle key={zone} cx={cx} cy={cy} r={2.6 * scale} fill="var(--ochre)" />
          );
        })
      )}
    </g>
  );
}
