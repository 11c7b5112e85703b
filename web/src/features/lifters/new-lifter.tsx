import {
  BEST_PULLED,
  BEST_PULLED_NAMES,
  SPORT_NAMES,
  SPORTS,
  type BestPulled,
  type Sport,
} from '@iron-clasp/core';
import { LifterRequest } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { Controller } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { typedMass } from '../../ui/figures.ts';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed } from '../../ui/states.tsx';
import { useSaveLifter } from '../../data/lifters/lifters.ts';
import { ToToday } from '../../ui/to-today.tsx';

/** A lifter in under a minute: name, sport, best deadlift. The rest is asked where it changes a call. */
export function NewLifter(): ReactElement {
  const unit = useUnit();
  const navigate = useNavigate();
  // One id a form: sent again after a lost answer it is still the same lifter.
  const [id] = useState(() => crypto.randomUUID());
  const save = useSaveLifter(id);
  const { form, field, onSubmit, failed, sending } = useRequestForm({
    request: LifterRequest,
    start: {
      ...{ name: '', sport: 'powerlifting' as Sport, deadliftMax: '' },
      bestPulled: 'notSaid' as BestPulled,
    },
    bodyOf: ({ name, sport, deadliftMax, bestPulled }): LifterRequest => ({
      ...{ name, sport, unit, version: 0, deadliftMax: typedMass(deadliftMax, unit) },
      // Nobody asked is no answer: it stays among the questions that are open.
      ...(bestPulled !== 'notSaid' && { bestPulled }),
    }),
    send: (body) => save.mutateAsync(body),
    onSaved: (made) => void navigate(`/lifters/${made.id}/profile`),
  });
  return (
    <div className="px-4 pb-12 pt-4 md:px-8">
      <ToToday />
      <h1 className="text-4xl">New lifter</h1>
      <p className="text-quiet">
        Three answers and how the best was pulled are enough to start; the rest is asked where it would change
        a call.
      </p>
      <form onSubmit={onSubmit} noValidate aria-label="New lifter" className="mt-4 grid max-w-lg gap-4">
        <Field label="Name" autoFocus autoComplete="off" maxLength={120} {...field('name')} />
        <Controller
          control={form.control}
          name="sport"
          render={({ field: { value, onChange } }) => (
            <Choices
              legend="Sport"
              value={value}
              options={SPORTS.map((each) => [each, SPORT_NAMES[each]] as const)}
              onChange={onChange}
            />
          )}
        />
        <Field
          label="Best deadlift"
          unit={unit}
          inputMode="decimal"
          autoComplete="off"
          {...field('deadliftMax')}
        />
        <Controller
          control={form.control}
          name="bestPulled"
          render={({ field: { value, onChange } }) => (
            <Choices
              legend="How was it pulled? A bare-handed best says more of the hands than anything else."
              value={value}
              options={BEST_PULLED.map((each) => [each, BEST_PULLED_NAMES[each]] as const)}
              onChange={onChange}
            />
          )}
        />
        {failed && <Failed error={failed} />}
        <Button type="submit" look="action" className="justify-self-start" disabled={sending}>
          Add lifter
        </Button>
      </form>
    </div>
  );
}
