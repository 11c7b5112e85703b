import { HISTORY_KINDS, HISTORY_NAMES, SIDES } from '@iron-clasp/core';
import type { KnownHistory } from '@iron-clasp/contract';
import type { ReactElement, ReactNode } from 'react';
import { Button } from '../../ui/button.tsx';
import { Checkbox } from '../../ui/checkbox.tsx';
import { Select } from '../../ui/select.tsx';
import { DateField } from '../../ui/date-field.tsx';

/** What the lifter has had, which side, since when, and whether it is cleared. */
export function History({
  flags,
  note,
  onChange,
}: {
  flags: readonly KnownHistory[];
  note: ReactNode;
  onChange: (flags: readonly KnownHistory[]) => void;
}): ReactElement {
  const replace = (at: number, flag: KnownHistory): void =>
    onChange(flags.map((each, i) => (i === at ? flag : each)));
  return (
    <fieldset>
      <legend className="label">History: who must clear it is a physician or physiotherapist{note}</legend>
      <ul className="mt-1 grid gap-2">
        {flags.map((flag, i) => (
          <li key={i} className="flex flex-wrap items-center gap-2">
            <Select
              aria-label={`Entry ${i + 1}: what`}
              value={flag.kind}
              options={HISTORY_KINDS.map((kind) => [kind, HISTORY_NAMES[kind]] as const)}
              onChange={(kind) => replace(i, { ...flag, kind })}
            />
            <Select
              aria-label={`Entry ${i + 1}: side`}
              value={flag.side ?? ''}
              options={[['', 'no side'], ...SIDES.map((side) => [side, side] as const)]}
              onChange={(side) => {
                const { side: _side, ...rest } = flag;
                replace(i, side ? { ...rest, side } : rest);
              }}
            />
            <span className="flex items-center gap-2">
              since
              <DateField
                aria-label={`Entry ${i + 1}: since`}
                className="w-44"
                value={flag.since ?? ''}
                onChange={(day) => {
                  const { since: _since, ...rest } = flag;
                  replace(i, day ? { ...rest, since: day } : rest);
                }}
              />
            </span>
            <Checkbox
              checked={flag.cleared}
              onChange={(checked) => replace(i, { ...flag, cleared: checked })}
            >
              cleared
            </Checkbox>
            <Button
              look="quiet"
              aria-label={`Remove entry ${i + 1}`}
              onClick={() => onChange(flags.filter((_, at) => at !== i))}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <Button className="mt-2" onClick={() => onChange([...flags, { kind: 'shoulder', cleared: false }])}>
        Add an entry
      </Button>
    </fieldset>
  );
}
