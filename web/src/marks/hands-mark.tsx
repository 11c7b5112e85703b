import { NOTED_PAIN, PAIN_PARTS, PAINS, SIDES, type HandToday, type HandsToday } from '@iron-clasp/core';
import type { ReactElement } from 'react';

/** The state of one hand in words; empty where there is nothing to report. */
export function handWords(hand: HandToday): string[] {
  return [
    ...(hand.numb ? ['numb'] : []),
    ...(hand.palm === 'torn' ? ['callus torn'] : hand.palm === 'tender' ? ['palm tender'] : []),
    ...(hand.thumb === 'torn' ? ['thumb torn'] : hand.thumb === 'tender' ? ['thumb tender'] : []),
    ...(hand.finger === 'sound' ? [] : [`finger ${hand.finger}`]),
    ...PAIN_PARTS.flatMap((part) => {
      const pain = hand[part] ?? 0;
      return pain > 0 ? [`${part === 'pain' ? 'pain' : PAINS[part]} ${pain}`] : [];
    }),
  ];
}

/** Both hands, small: outline when sound, a mark where something is to be seen, barred when it stops work. */
export function HandsMark({ hands, size = 22 }: { hands: HandsToday; size?: number }): ReactElement {
  const words = SIDES.map((side) => `${side} ${handWords(hands[side]).join(', ') || 'sound'}`).join('; ');
  return (
    <svg
      role="img"
      aria-label={`Hands: ${words}`}
      viewBox="0 0 44 24"
      height={size}
      width={(size * 44) / 24}
      className="shrink-0"
    >
      <Palm x={10} flip={1} hand={hands.left} />
      <Palm x={34} flip={-1} hand={hands.right} />
    </svg>
  );
}

function Palm({ x, flip, hand }: { x: number; flip: 1 | -1; hand: HandToday }): ReactElement {
  const stops = hand.numb || hand.palm === 'torn' || hand.thumb === 'torn' || hand.finger !== 'sound';
  const sore =
    hand.pain >= 2 ||
    PAIN_PARTS.some((part) => (hand[part] ?? 0) >= NOTED_PAIN) ||
    hand.palm === 'tender' ||
    hand.thumb === 'tender';
  return (
    <g transform={`translate(${x} 0) scale(${flip} 1)`}>
      <path
        d="M -6 22 V 9 Q -6 7 -4.4 7 V 4 Q -4.4 2.4 -3 2.4 T -1.6 4 V 2.6 Q -1.6 1 -0.2 1 T 1.2 2.6 V 3.6 Q 1.2 2.2 2.5 2.2 T 3.8 3.6 V 13 L 6 10.4 Q 7.4 9.2 8.2 10.6 Q 8.6 11.4 7.8 12.6 L 3.6 19 V 22 Z"
        fill={stops ? 'var(--oxblood)' : 'none'}
        stroke={stops ? 'var(--oxblood)' : 'currentColor'}
        strokeWidth={1.3}
        strokeLinejoin="round"
      />
      {stops && <path d="M -7 22 L 7 2" stroke="var(--ground)" strokeWidth={1.8} />}
      {!stops && sore && <circle cx={0} cy={14} r={2.6} fill="var(--ochre)" />}
    </g>
  );
}
