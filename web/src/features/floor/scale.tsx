import type { ReactElement } from 'react';

/** A scale to tap; tapped again it is not said. */
export function Scale({
  label,
  from,
  to,
  value,
  onChange,
}: {
  label: string;
  from: number;
  to: number;
  value: number | undefined;
  onChange: (value: number | undefined) => void;
}): ReactElement {
  return (
    <div role="group" aria-label={label}>
      <p className="label">
        {label}, {from}–{to}
      </p>
      <div className="mt-1 flex gap-1">
        {Array.from({ length: to - from + 1 }, (_, i) => from + i).map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={value === each}
            aria-label={`${label} ${each}`}
            onClick={() => onChange(value === each ? undefined : each)}
            className="figures min-h-16 min-w-0 grow border border-edge bg-raised text-xl aria-pressed:border-forge aria-pressed:bg-forge aria-pressed:text-on-forge"
          >
            {each}
          </button>
        ))}
      </div>
    </div>
  );
}
