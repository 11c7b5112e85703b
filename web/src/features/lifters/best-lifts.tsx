import { LIFTS } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import type { BestDraft } from './lifter-draft.ts';
import { Select } from '../../ui/select.tsx';
import { DateField } from '../../ui/date-field.tsx';

/** Best lifts beside the deadlift, each with its day where that is known. */
export function BestLifts({
  bests,
  onChange,
  fault,
}: {
  bests: readonly BestDraft[];
  onChange: (bests: readonly BestDraft[]) => void;
  fault: (path: string) => string | undefined;
}): ReactElement {
  const unit = useUnit();
  const replace = (at: number, best: BestDraft): void =>
    onChange(bests.map((each, i) => (i === at ? best : each)));
  return (
    <fieldset>
      <legend className="label">Best lifts beside the deadlift</legend>
      <ul className="mt-1 grid gap-2">
        {bests.map((best, i) => (
          <li
            key={best.key}
            className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-2 sm:grid-cols-[minmax(0,1fr)_auto_auto_auto]"
          >
            <Select
              aria-label={`Best lift ${i + 1}: lift`}
              value={best.liftId}
              options={LIFTS.map((lift) => [lift.id, lift.name] as const)}
              onChange={(liftId) => replace(i, { ...best, liftId })}
            />
            <span className="flex items-center gap-2">
              <input
                aria-label={`Best lift ${i + 1}: load, ${unit}`}
                inputMode="decimal"
                value={best.load}
                onChange={(event) => {
                  const { kg: _kg, ...rest } = best;
                  replace(i, { ...rest, load: event.target.value });
                }}
                className="control figures w-24 text-lg"
              />
              {unit}
            </span>
            <DateField
              aria-label={`Best lift ${i + 1}: day`}
              className="w-44"
              value={best.on}
              onChange={(on) => replace(i, { ...best, on })}
            />
            <Button
              look="quiet"
              aria-label={`Remove best lift ${i + 1}`}
              onClick={() => onChange(bests.filter((_, at) => at !== i))}
            >
              Remove
            </Button>
            {fault(`bestLifts[${i}]`) && (
              <span role="alert" className="col-span-full text-oxblood">
                {fault(`bestLifts[${i}]`)}
              </span>
            )}
          </li>
        ))}
      </ul>
      <Button
        className="mt-2"
        onClick={() => onChange([...bests, { key: crypto.randomUUID(), liftId: 'squat', load: '', on: '' }])}
      >
        Add a best lift
      </Button>
    </fieldset>
  );
}
