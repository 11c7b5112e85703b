import { findLift, LIFTS } from '@iron-clasp/core';
import { ExtraSetRequest } from '@iron-clasp/contract';
import { useRef, type ReactElement } from 'react';
import { Controller } from 'react-hook-form';
import { useAddSet } from '../../data/training/floor.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { typedMass, typedNumber } from '../../ui/figures.ts';
import { useRequestForm } from '../../ui/request-form.ts';
import { Select } from '../../ui/select.tsx';
import { Failed } from '../../ui/states.tsx';
import { SECOND } from './panel-sizes.ts';

interface OtherLiftProps {
  readonly sessionId: string;
  readonly onAdded: (id: string) => void;
  readonly onClose: () => void;
}

/** A set of another lift, as the day asks for it: the server calls it, so that it needs the network. */
export function OtherLift({ sessionId, onAdded, onClose }: OtherLiftProps): ReactElement {
  const unit = useUnit();
  const add = useAddSet(sessionId);
  const id = useRef(crypto.randomUUID());
  const { form, field, fault, onSubmit, failed, sending } = useRequestForm({
    request: ExtraSetRequest,
    start: { liftId: 'deadlift.conventional', load: '', amount: '' },
    bodyOf: ({ liftId, load, amount }) =>
      Object.assign(new ExtraSetRequest(), {
        liftId,
        load: load.trim() === '' ? 0 : typedMass(load, unit),
        ...(findLift(liftId)?.timed ? { seconds: typedNumber(amount) } : { reps: typedNumber(amount) }),
      }),
    send: (body) => add.mutateAsync({ id: id.current, body }),
    onSaved: () => onAdded(id.current),
  });
  const timed = findLift(form.watch('liftId'))?.timed === true;
  return (
    <form
      noValidate
      aria-label="Add another lift"
      className="mx-auto flex min-h-0 w-full max-w-2xl grow flex-col"
      onSubmit={onSubmit}
    >
      <div className="grid min-h-0 grow content-start gap-4 overflow-y-auto px-4 py-3">
        <h2 className="text-2xl">Add another lift</h2>
        <Controller
          control={form.control}
          name="liftId"
          render={({ field: { value, onChange } }) => (
            <Select
              label="Lift"
              value={value}
              error={fault('liftId')}
              options={LIFTS.map((lift) => [lift.id, lift.name] as const)}
              onChange={onChange}
            />
          )}
        />
        <div className="grid grid-cols-2 gap-4">
          <Field label="Load" unit={unit} inputMode="decimal" {...field('load')} />
          <Field
            label={timed ? 'Seconds' : 'Repetitions'}
            inputMode="numeric"
            {...field('amount', timed ? 'seconds' : 'reps')}
          />
        </div>
        {failed && <Failed error={failed} />}
      </div>
      <div className="grid shrink-0 grid-cols-2 gap-2 px-3 py-2">
        <Button className={SECOND} onClick={onClose}>
          Cancel
        </Button>
        <Button type="submit" look="action" className={SECOND} disabled={sending}>
          Add the set
        </Button>
      </div>
    </form>
  );
}
