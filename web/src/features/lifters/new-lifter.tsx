import { SPORT_NAMES, SPORTS, type Sport } from '@iron-clasp/core';
import { useState, type FormEvent, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { typedMass } from '../../ui/figures.ts';
import { Failed } from '../../ui/states.tsx';
import { useSaveLifter } from '../../data/lifters/lifters.ts';

/** A lifter in under a minute: name, sport, best deadlift. The rest is asked where it changes a call. */
export function NewLifter(): ReactElement {
  const unit = useUnit();
  const navigate = useNavigate();
  // One id a form: sent again after a lost answer it is still the same lifter.
  const [id] = useState(() => crypto.randomUUID());
  const save = useSaveLifter(id);
  const [name, setName] = useState('');
  const [sport, setSport] = useState<Sport>('powerlifting');
  const [max, setMax] = useState('');
  const fault = (path: string): string | undefined =>
    save.error?.fields.find((field) => field.path === path)?.message;
  const send = (event: FormEvent): void => {
    event.preventDefault();
    save.mutate(
      { name, sport, unit, version: 0, deadliftMax: typedMass(max, unit) },
      { onSuccess: (made) => void navigate(`/lifters/${made.id}/profile`) },
    );
  };
  return (
    <div className="px-4 pb-12 pt-4 md:px-8">
      <h1 className="text-4xl">New lifter</h1>
      <p className="text-quiet">
        Three answers are enough to start; the rest is asked where it would change a call.
      </p>
      <form onSubmit={send} noValidate aria-label="New lifter" className="mt-4 grid max-w-lg gap-4">
        <Field
          label="Name"
          autoFocus
          autoComplete="off"
          value={name}
          maxLength={120}
          error={fault('name')}
          onChange={(event) => setName(event.target.value)}
        />
        <Choices
          legend="Sport"
          value={sport}
          options={SPORTS.map((each) => [each, SPORT_NAMES[each]] as const)}
          onChange={setSport}
        />
        <Field
          label="Best deadlift"
          unit={unit}
          inputMode="decimal"
          autoComplete="off"
          value={max}
          error={fault('deadliftMax')}
          onChange={(event) => setMax(event.target.value)}
        />
        {save.error && save.error.fields.length === 0 && <Failed error={save.error} />}
        <Button type="submit" look="action" className="justify-self-start" disabled={save.isPending}>
          Add lifter
        </Button>
      </form>
    </div>
  );
}
