import { Progress as Radix } from 'radix-ui';
import type { ReactElement } from 'react';

/** How far something is. */
export function Progress({ label, value, max }: { label: string; value: number; max: number }): ReactElement {
  const whole = Math.max(1, max);
  return (
    <Radix.Root
      aria-label={label}
      value={Math.min(value, whole)}
      max={whole}
      className="h-2 w-64 max-w-full overflow-hidden rounded-sm border border-edge bg-ground"
    >
      <Radix.Indicator
        className="h-full bg-forge transition-[width]"
        style={{ width: `${(100 * Math.min(value, whole)) / whole}%` }}
      />
    </Radix.Root>
  );
}
