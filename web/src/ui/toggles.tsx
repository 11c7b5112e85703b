import { ToggleGroup } from 'radix-ui';
import type { ReactElement } from 'react';

/** Any of several, each on or off with a tap. */
export function Toggles<Value extends string>({
  legend,
  values,
  options,
  onChange,
}: {
  legend: string;
  values: readonly Value[];
  options: readonly (readonly [Value, string])[];
  onChange: (values: readonly Value[]) => void;
}): ReactElement {
  return (
    <fieldset>
      <legend className="label">{legend}</legend>
      <ToggleGroup.Root
        type="multiple"
        value={[...values]}
        onValueChange={(now) => onChange(options.map(([each]) => each).filter((each) => now.includes(each)))}
        aria-label={legend}
        className="mt-1 grid grid-cols-[repeat(auto-fit,minmax(8.5rem,1fr))] gap-1.5"
      >
        {options.map(([value, words]) => (
          <ToggleGroup.Item
            key={value}
            value={value}
            className="min-h-13 rounded-sm border border-edge bg-raised px-3 leading-tight hover:border-ink data-[state=on]:border-forge data-[state=on]:bg-forge data-[state=on]:text-on-forge"
          >
            {words}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </fieldset>
  );
}
