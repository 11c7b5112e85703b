import clsx from 'clsx';
import { useId, type ReactElement, type ReactNode } from 'react';

interface ChoicesProps<Value extends string> {
  readonly legend: ReactNode;
  readonly value: Value;
  readonly options: readonly (readonly [Value, string])[];
  readonly onChange: (value: Value) => void;
  /** Taller targets, for a thumb with chalk on it. */
  readonly large?: boolean;
}

/** One of a few, all in sight: radio buttons drawn as a row that wraps. */
export function Choices<Value extends string>({
  legend,
  value,
  options,
  onChange,
  large = false,
}: ChoicesProps<Value>): ReactElement {
  const name = useId();
  return (
    <fieldset>
      <legend className="label">{legend}</legend>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {options.map(([each, words]) => (
          <label
            key={each}
            className={clsx(
              'flex cursor-pointer items-center gap-2 rounded-sm border bg-raised px-3',
              'has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-forge',
              large ? 'min-h-12' : 'min-h-9',
              value === each ? 'border-forge font-semibold' : 'border-edge hover:border-ink',
            )}
          >
            <input
              type="radio"
              name={name}
              checked={value === each}
              onChange={() => onChange(each)}
              className="accent-forge"
            />
            {words}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
