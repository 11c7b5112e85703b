import { useState, type ReactElement } from 'react';
import { Button } from './button.tsx';
import { Select } from './select.tsx';

/** Days to choose from, in words. */
type Days = readonly (readonly [days: number, words: string])[];

/** How far a new link shows and how long it lasts, chosen before it is made. */
export function NewLink({
  shows,
  lasts,
  usual,
  making,
  onMake,
}: {
  shows: Days;
  lasts: Days;
  /** Chosen to begin with. */
  usual: { readonly ahead: number; readonly days: number };
  making: boolean;
  onMake: (chosen: { readonly ahead: number; readonly days: number }) => void;
}): ReactElement {
  const [chosen, setChosen] = useState(usual);
  return (
    <div className="flex flex-wrap items-end gap-2">
      <Select
        label="Shows"
        value={String(chosen.ahead)}
        options={shows.map(([each, words]) => [String(each), words] as const)}
        onChange={(value) => setChosen({ ...chosen, ahead: Number(value) })}
      />
      <Select
        label="Lasts"
        value={String(chosen.days)}
        options={lasts.map(([each, words]) => [String(each), words] as const)}
        onChange={(value) => setChosen({ ...chosen, days: Number(value) })}
      />
      <Button disabled={making} onClick={() => onMake(chosen)}>
        Make a link
      </Button>
    </div>
  );
}
