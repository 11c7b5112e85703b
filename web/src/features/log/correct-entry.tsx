import { GRIP_CHOICES, GRIP_NAMES, SIDES, type GripChoice, type Side } from '@iron-clasp/core';
import { CorrectionRequest, type LogEntry } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { Controller } from 'react-hook-form';
import { useCorrect } from '../../data/log/log.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { FormEnd } from '../../ui/form-end.tsx';
import { Checkbox } from '../../ui/checkbox.tsx';
import { Field } from '../../ui/field.tsx';
import { inUnit, typedMass, typedNumber } from '../../ui/figures.ts';
import { useRequestForm } from '../../ui/request-form.ts';
import { Select } from '../../ui/select.tsx';

/** Puts an entry right; the first value is kept beside it. */
export function CorrectEntry({
  lifterId,
  entry,
  onDone,
}: {
  lifterId: string;
  entry: LogEntry;
  onDone: () => void;
}): ReactElement {
  const unit = useUnit();
  const correct = useCorrect(lifterId, entry);
  // One id a form: sent again after a lost answer it is still the same correction.
  const [id] = useState(() => crypto.randomUUID());
  const [before] = useState(() => ({
    load: String(Number(inUnit(entry.load, unit).toFixed(1))),
    amount: String(entry.kind === 'hold' ? entry.seconds : (entry.reps ?? 1)),
    slip: entry.slippedAtRep === null ? '' : String(entry.slippedAtRep),
    slipped: entry.ended === 'slipped',
    note: entry.note ?? '',
    choice: (entry.strapped ? 'straps' : entry.grip) as GripChoice,
    side: (entry.sideUnder ?? '') as Side | '',
  }));
  const { form, field, fault, onSubmit, failed, sending } = useRequestForm({
    request: CorrectionRequest,
    start: before,
    // What was not touched is not said again: it stands as it was logged, to the last decimal.
    bodyOf: ({ load, amount, slip, slipped, note, choice, side }): CorrectionRequest => ({
      ...(choice !== before.choice && {
        ...(entry.kind === 'set' && { strapped: choice === 'straps' }),
        ...(choice !== 'straps' && { grip: choice }),
      }),
      ...(choice === 'mixed' && side !== '' && side !== before.side && { sideUnder: side }),
      ...(load !== before.load && { load: typedMass(load, unit) }),
      ...(amount !== before.amount &&
        (entry.kind === 'hold' ? { seconds: typedNumber(amount) } : { reps: typedNumber(amount) })),
      ...(entry.kind === 'set' &&
        slip !== before.slip && { slippedAtRep: slip.trim() === '' ? null : typedNumber(slip) }),
      ...(entry.kind === 'hold' &&
        slipped !== before.slipped && { ended: slipped ? ('slipped' as const) : ('stopped' as const) }),
      ...(note !== before.note && { note }),
    }),
    send: (body) => correct.mutateAsync({ id, body }),
    onSaved: onDone,
  });
  return (
    <form
      onSubmit={onSubmit}
      noValidate
      aria-label="Edit entry"
      className="mb-3 grid max-w-2xl gap-3 bg-raised p-3"
    >
      <div className="grid gap-3 sm:grid-cols-3">
        <Field label="Load" unit={unit} inputMode="decimal" {...field('load')} />
        <Field
          label={entry.kind === 'hold' ? 'Seconds held' : 'Repetitions'}
          inputMode="decimal"
          {...field('amount', entry.kind === 'hold' ? 'seconds' : 'reps')}
        />
        {entry.kind === 'set' ? (
          <Field
            label="Slipped at repetition"
            inputMode="numeric"
            placeholder="held"
            {...field('slip', 'slippedAtRep')}
          />
        ) : (
          <Controller
            control={form.control}
            name="slipped"
            render={({ field: { value, onChange } }) => (
              <Checkbox className="self-end" checked={value} onChange={onChange}>
                slipped
              </Checkbox>
            )}
          />
        )}
      </div>
      {entry.gripped && (
        <div className="grid gap-3 sm:grid-cols-2">
          <Controller
            control={form.control}
            name="choice"
            render={({ field: { value, onChange } }) => (
              <Select
                label="Grip"
                value={value}
                error={fault('grip')}
                options={GRIP_CHOICES.filter((each) => entry.kind === 'set' || each !== 'straps').map(
                  (each) => [each, GRIP_NAMES[each]] as const,
                )}
                onChange={onChange}
              />
            )}
          />
          {form.watch('choice') === 'mixed' && (
            <Controller
              control={form.control}
              name="side"
              render={({ field: { value, onChange } }) => (
                <Select
                  label="Hand under"
                  value={value}
                  error={fault('sideUnder')}
                  options={[['', 'not said'], ...SIDES.map((each) => [each, each] as const)]}
                  onChange={onChange}
                />
              )}
            />
          )}
        </div>
      )}
      <Field label="Note" maxLength={500} {...field('note')} />
      <FormEnd failed={failed} sending={sending} onCancel={onDone} />
    </form>
  );
}
