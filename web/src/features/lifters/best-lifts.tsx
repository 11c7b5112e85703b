import { LIFTS } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import type { BestDraft } from './lifter-draft.ts';

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
            <select
              aria-label={`Best lift ${i + 1}: lift`}
              value={best.liftId}
              onChange={(event) => replace(i, { ...best, liftId: event.target.value })}
              className="rounded-sm border border-edge bg-ground px-2 py-1.5"
            >
              {LIFTS.map((lift) => (
                <option key={lift.id} value={lift.id}>
                  {lift.name}
                </option>
              ))}
            </select>
            <span className="flex items-center gap-2">
              <input
                aria-label={`Best lift ${i + 1}: load, ${unit}`}
                inputMode="decimal"
                value={best.load}
                onChange={(event) => {
                  const { kg: _kg, ...rest } = best;
                  replace(i, { ...rest, load: event.target.value });
                }}
                className="figures w-24 rounded-sm border border-edge bg-ground px-2 py-1 text-lg"
              />
              {unit}
            </span>
            <input
              type="date"
              aria-label={`Best lift ${i + 1}: day`}
              value={best.on}
              onChange={(event) => replace(i, { ...best, on: event.target.value })}
              className="rounded-sm border border-edge bg-ground px-2 py-1"
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
