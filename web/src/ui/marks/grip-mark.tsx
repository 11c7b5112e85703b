import { GRIP_NAMES, type GripChoice, type Side } from '@iron-clasp/core';
import type { ReactElement } from 'react';

interface GripMarkProps {
  readonly choice: GripChoice;
  readonly sideUnder?: Side;
  /** Height, px. */
  readonly size?: number;
}

/** What the mark shows, in words. */
export function gripWords(choice: GripChoice, sideUnder?: Side): string {
  return sideUnder ? `${GRIP_NAMES[choice]}, ${sideUnder} under` : GRIP_NAMES[choice];
}

/**
 * A grip seen from the bar's end, left hand and right hand side by side: the bar a disc, the fingers an arc on the
 * side they wrap, the thumb a wedge (tucked inside the fingers for hook), straps a spiral.
 */
export function GripMark({ choice, sideUnder, size = 24 }: GripMarkProps): ReactElement {
  // Where no side is called, a mixed grip is drawn the usual way: the other hand of a right-hander under.
  const under = sideUnder ?? (choice === 'mixed' ? 'left' : undefined);
  return (
    <svg
      role="img"
      aria-label={gripWords(choice, sideUnder)}
      viewBox="0 0 48 24"
      height={size}
      width={size * 2}
      className="shrink-0"
    >
      <Hand x={12} under={under === 'left'} choice={choice} />
      <Hand x={36} under={under === 'right'} choice={choice} />
    </svg>
  );
}

function Hand({ x, under, choice }: { x: number; under: boolean; choice: GripChoice }): ReactElement {
  // An overhand hand closes over the top of the bar; turned under it is the same hand upside down.
  return (
    <g
      transform={`translate(${x} 12.5) scale(1 ${under ? -1 : 1})`}
      fill="none"
      stroke="currentColor"
      strokeLinecap="round"
    >
      <circle r={3.4} fill="currentColor" stroke="none" />
      <path d="M -8.6 4.6 A 9.4 9.4 0 1 1 9 2.6" strokeWidth={2.6} />
      {choice === 'hook' && (
        <path
          d="M -3.2 9.6 Q 6.6 9.4 6.2 -2 Q 5.6 4.4 -2 5.6 Z"
          fill="var(--forge)"
          stroke="var(--forge)"
          strokeWidth={1.6}
          strokeLinejoin="round"
        />
      )}
      {choice === 'straps' && (
        <path
          d="M 2.6 5.4 A 6 6 0 1 1 5.9 0.6 M -6 10 Q 0 7.4 5.6 10"
          stroke="var(--verdigris)"
          strokeWidth={2}
        />
      )}
      {(choice === 'doubleOverhand' || choice === 'mixed') && (
        <path d="M -4.6 10.6 L 6.6 8" strokeWidth={2.6} />
      )}
    </g>
  );
}
