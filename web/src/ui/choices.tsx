import clsx from 'clsx';
import { RadioGroup } from 'radix-ui';
import { useId, type ReactElement, type ReactNode } from 'react';

interface ChoicesProps<Value extends string> {
  readonly legend: ReactNode;
  readonly value: Value;
  readonly options: readonly (readonly [Value, string])[];
  readonly onChange: (value: Value) => void;
  /** Taller targets, for a thumb with chalk on it. */
  readonly large?: boolean;
}

/** One of a few, all in sight: a row that wraps, moved along with the arrow keys. */
export function Choices<Value extends string>({
  legend,
  value,
  options,
  onChange,
  large = false,
}: ChoicesProps<Value>): ReactElement {
  const id = useId();
  return (
    <div>
      <p id={id} className="label">
        {legend}
      </p>
      <RadioGroup.Root
        aria-labelledby={id}
        value={value}
        onValueChange={(chosen) => onChange(chosen as Value)}
        orientation="horizontal"
        className="mt-1 flex flex-wrap gap-1.5"
      >
        {options.map(([each, words]) => (
          <RadioGroup.Item
            key={each}
            value={each}
            className={clsx(
              'flex items-center gap-2 rounded-sm border bg-raised px-3',
              large ? 'min-h-16' : 'min-h-9',
              value === each ? 'border-forge font-semibold' : 'border-edge hover:border-ink',
            )}
          >
            <span aria-hidden className="grid size-4 place-items-center rounded-full border border-edge">
              <RadioGroup.Indicator className="size-2 rounded-full bg-forge" />
            </span>
            {words}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
