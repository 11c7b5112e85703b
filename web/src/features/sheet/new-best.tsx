import { BEST_PULLED_NAMES } from '@iron-clasp/core';
import type { SheetView } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { useSaveLifter } from '../../data/lifters/lifters.ts';
import { Button } from '../../ui/button.tsx';
import { formatMass, nearDay } from '../../ui/figures.ts';
import { Failed } from '../../ui/states.tsx';

/** A pull heavier than the best that percentages go by: it becomes the best once the coach agrees. */
export function NewBest({ sheet }: { sheet: SheetView }): ReactElement | null {
  const { newBest, lifter, today } = sheet;
  const unit = useUnit();
  const save = useSaveLifter(lifter.id);
  const [later, setLater] = useState(false);
  if (!newBest || later) return null;
  const { load, on, pulled, version } = newBest;
  return (
    <section
      aria-label="A new best"
      className="mt-3 flex flex-wrap items-center gap-3 border-l-4 border-verdigris pl-3"
    >
      <p>
        A new best deadlift: <b className="figures">{formatMass(load, unit)}</b>, {BEST_PULLED_NAMES[pulled]},{' '}
        {nearDay(on, today)}. Percentages still go by {formatMass(lifter.deadliftMax, unit)}.
      </p>
      <Button
        disabled={save.isPending}
        onClick={() =>
          save.mutate({
            ...{ name: lifter.name, sport: lifter.sport, version },
            ...{ deadliftMax: load, deadliftOn: on, bestPulled: pulled },
          })
        }
      >
        Make it the best
      </Button>
      <Button look="quiet" onClick={() => setLater(true)}>
        Not now
      </Button>
      {save.error && <Failed error={save.error} />}
    </section>
  );
}
