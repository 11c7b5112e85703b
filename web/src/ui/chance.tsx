import clsx from 'clsx';
import type { ReactElement } from 'react';
import { percent } from './figures.ts';

interface ChanceProps {
  readonly probability: number;
  readonly range: { readonly low: number; readonly high: number };
  readonly threshold: number;
  /** The log cannot tell yet: no cause for alarm. */
  readonly unproven?: boolean;
  /** The figure under its line, where width is dear. */
  readonly stacked?: boolean;
}

const WIDTH = 84;

/** A chance with its range: a line from low to high, a mark at the figure, a tick at what is asked for. */
export function Chance({
  probability,
  range,
  threshold,
  unproven = false,
  stacked = false,
}: ChanceProps): ReactElement {
  const at = (share: number): number => 2 + share * (WIDTH - 4);
  const weak = probability < threshold && !unproven;
  const tone = unproven ? 'var(--edge)' : weak ? 'var(--ochre)' : 'var(--verdigris)';
  const words = `${percent(probability)}, between ${percent(range.low)} and ${percent(range.high)}; ${percent(threshold)} is asked for`;
  return (
    <span
      className={stacked ? 'inline-flex flex-col leading-none' : 'inline-flex items-center gap-2'}
      title={words}
    >
      <svg
        role="img"
        aria-label={`Chance of holding ${words}`}
        width={WIDTH}
        height={16}
        className="shrink-0"
      >
        <line x1={2} x2={WIDTH - 2} y1={8} y2={8} stroke="var(--rule)" strokeWidth={2} />
        <line
          x1={at(range.low)}
          x2={Math.max(at(range.high), at(range.low) + 2)}
          y1={8}
          y2={8}
          stroke={tone}
          strokeWidth={5}
          opacity={0.55}
        />
        <line
          x1={at(threshold)}
          x2={at(threshold)}
          y1={1}
          y2={15}
          stroke="var(--ink)"
          strokeWidth={1.2}
          strokeDasharray="2 2"
        />
        <circle cx={at(probability)} cy={8} r={4} fill={tone} />
      </svg>
      <span
        aria-hidden
        className={clsx(
          'figures text-lg',
          !stacked && 'text-right @4xl:w-14 @4xl:text-left',
          weak && 'font-semibold text-ochre',
        )}
      >
        {percent(probability)}
      </span>
    </span>
  );
}
