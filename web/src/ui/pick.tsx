import type { ReactElement, ReactNode } from 'react';

interface PickProps<Value extends string> {
  readonly label: ReactNode;
  readonly value: Value;
  readonly options: readonly (readonly [Value, string])[];
  readonly error?: string | undefined;
  readonly onChange: (value: Value) => void;
}

/** One of many, from a list that folds out, with its label above and its message below. */
export function Pick<Value extends string>({
  label,
  value,
  options,
  error,
  onChange,
}: PickProps<Value>): ReactElement {
  return (
    <label className="grid min-w-0 content-start gap-1">
      <span className="label">{label}</span>
      <select
        value={value}
        aria-invalid={error ? true : undefined}
        onChange={(event) => onChange(event.target.value as Value)}
        className="w-full min-w-0 rounded-sm border border-edge bg-ground px-2 py-2 text-ink"
      >
        {options.map(([each, words]) => (
          <option key={each} value={each}>
            {words}
          </option>
        ))}
      </select>
      {error && (
        <span role="alert" className="text-oxblood">
          {error}
        </span>
      )}
    </label>
  );
}
