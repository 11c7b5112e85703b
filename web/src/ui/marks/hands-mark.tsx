import { NOTED_PAIN, PAIN_PARTS, sayHands, type HandToday, type HandsToday } from '@iron-clasp/core';
import type { ReactElement } from 'react';

/** Both hands, small: outline when sound, a broken one where nobody has looked, a mark where something is to be seen, barred when it stops work. */
export function HandsMark({
  hands,
  looked,
  size = 22,
}: {
  hands: HandsToday;
  looked: boolean;
  size?: number;
}): ReactElement {
  return (
    <svg
      role="img"
      aria-label={sayHands(hands, looked)}
      viewBox="0 0 44 24"
      height={size}
      width={(size * 44) / 24}
      className="shrink-0"
    >
      <Palm x={10} flip={1} hand={hands.left} looked={looked} />
      <Palm x={34} flip={-1} hand={hands.right} looked={looked} />
    </svg>
  );
}

interface PalmProps {
  readonly x: number;
  readonly flip: 1 | -1;
  readonly hand: HandToday;
  readonly looked: boolean;
}

function Palm({ x, flip, hand, looked }: PalmProps): ReactElement {
  const stops =
    hand.numb ||
    hand.spreadingPain === true ||
    hand.nail === 'bleeding' ||
    hand.palm === 'torn' ||
    hand.thumb === 'torn' ||
    hand.finger !== 'sound';
  const sore =
    hand.pain >= 2 ||
    PAIN_PARTS.some((part) => (hand[part] ?? 0) >= NOTED_PAIN) ||
    hand.palm === 'tender' ||
    hand.thumb === 'tender' ||
    hand.nail === 'split';
  return (
    <g transform={`translate(${x} 0) scale(${flip} 1)`}>
      <path
        d="M -6 22 V 9 Q -6 7 -4.4 7 V 4 Q -4.4 2.4 -3 2.4 T -1.6 4 V 2.6 Q -1.6 1 -0.2 1 T 1.2 2.6 V 3.6 Q 1.2 2.2 2.5 2.2 T 3.8 3.6 V 13 L 6 10.4 Q 7.4 9.2 8.2 10.6 Q 8.6 11.4 7.8 12.6 L 3.6 19 V 22 Z"
        fill={stops ? 'var(--oxblood)' : 'none'}
        stroke={stops ? 'var(--oxblood)' : 'currentColor'}
        strokeWidth={1.3}
        strokeLinejoin="round"
        {...(!looked && { strokeDasharray: '1.6 1.6' })}
      />
      {stops && <path d="M -7 22 L 7 2" stroke="var(--ground)" strokeWidth={1.8} />}
      {!stops && sore && <circle cx={0} cy={14} r={2.6} fill="var(--ochre)" />}
    </g>
  );
}
