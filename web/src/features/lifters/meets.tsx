import type { MeetView, ProfileView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useState, type FormEvent, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { formatMass, inUnit, typedMass } from '../../ui/figures.ts';
import { Failed } from '../../ui/states.tsx';
import { useMeet } from '../../data/lifters/lifters.ts';

const SWITCHES = [
  ['straps', 'straps'],
  ['thumbTape', 'thumb tape'],
  ['liquidChalk', 'liquid chalk'],
] as const;

/** The contests to come, each with the rules of its day and the planned attempts. */
export function Meets({ profile }: { profile: ProfileView }): ReactElement {
  const unit = useUnit();
  const [open, setOpen] = useState<string | null>(null);
  const remove = useMeet(profile.id);
  return (
    <section aria-label="Meets">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Meets</h2>
      {profile.meets.length === 0 && open === null && (
        <p className="py-2 text-quiet">None is planned: no rules of an event apply.</p>
      )}
      <ul>
        {profile.meets.map((meet) => (
          <li key={meet.id} className="border-b border-rule py-2">
            {open === meet.id ? (
              <MeetForm profile={profile} meet={meet} onDone={() => setOpen(null)} />
            ) : (
              <div className="flex flex-wrap items-center gap-x-3">
                <span className="grow">
                  <b>{meet.name}</b>, {format(parseISO(meet.heldOn), 'EEE d MMM yyyy')}
                  <span className="block text-sm text-quiet">
                    {SWITCHES.map(([key, words]) => `${words} ${meet[key] ? 'allowed' : 'barred'}`).join(
                      ' · ',
                    )}
                    {meet.attempts.length > 0 &&
                      ` · attempts ${meet.attempts.map((each) => formatMass(each, unit)).join(', ')}`}
                  </span>
                </span>
                <Button look="quiet" aria-label={`Change ${meet.name}`} onClick={() => setOpen(meet.id)}>
                  Change
                </Button>
                <Button
                  look="quiet"
                  aria-label={`Take off ${meet.name}`}
                  disabled={remove.isPending}
                  onClick={() => remove.mutate({ id: meet.id, body: null })}
                >
                  Take off
                </Button>
              </div>
            )}
          </li>
        ))}
      </ul>
      {remove.error && <Failed error={remove.error} />}
      {open === 'new' ? (
        <MeetForm profile={profile} meet={null} onDone={() => setOpen(null)} />
      ) : (
        <Button className="mt-2" onClick={() => setOpen('new')}>
          Add a meet
        </Button>
      )}
    </section>
  );
}

function MeetForm({
  profile,
  meet,
  onDone,
}: {
  profile: ProfileView;
  meet: MeetView | null;
  onDone: () => void;
}): ReactElement {
  const unit = useUnit();
  const save = useMeet(profile.id);
  // One id a form: sent again after a lost answer it is still the same meet.
  const [id] = useState(() => meet?.id ?? crypto.randomUUID());
  const [name, setName] = useState(meet?.name ?? '');
  const [heldOn, setHeldOn] = useState(meet?.heldOn ?? '');
  const [rules, setRules] = useState({
    straps: meet?.straps ?? profile.sport === 'strongman',
    thumbTape: meet?.thumbTape ?? true,
    liquidChalk: meet?.liquidChalk ?? true,
  });
  const written = (meet?.attempts ?? [])
    .map((each) => String(Number(inUnit(each, unit).toFixed(1))))
    .join(', ');
  const [attempts, setAttempts] = useState(written);
  const fault = (path: string): string | undefined =>
    save.error?.fields.find((field) => field.path.startsWith(path))?.message;
  const send = (event: FormEvent): void => {
    event.preventDefault();
    const kg =
      attempts === written && meet
        ? [...meet.attempts]
        : attempts
            .split(/[\s;]+/)
            .filter((each) => each !== '')
            .map((each) => typedMass(each, unit));
    save.mutate(
      { id, body: { name, heldOn, ...rules, attempts: kg, version: meet?.version ?? 0 } },
      { onSuccess: onDone },
    );
  };
  return (
    <form onSubmit={send} noValidate aria-label="Meet" className="grid gap-3 py-2">
      <div className="grid gap-3 sm:grid-cols-2">
        <Field
          label="Meet"
          value={name}
          maxLength={80}
          error={fault('name')}
          onChange={(event) => setName(event.target.value)}
        />
        <Field
          label="Day of the meet"
          type="date"
          value={heldOn}
          error={fault('heldOn')}
          onChange={(event) => setHeldOn(event.target.value)}
        />
      </div>
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
        <legend className="label">The rulebook of the day allows</legend>
        {SWITCHES.map(([key, words]) => (
          <label key={key} className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={rules[key]}
              onChange={(event) => setRules({ ...rules, [key]: event.target.checked })}
              className="accent-forge"
            />
            {words}
          </label>
        ))}
      </fieldset>
      <Field
        label="Deadlift attempts, with a space between"
        unit={unit}
        inputMode="text"
        placeholder={unit === 'kg' ? '125 132.5 137.5' : '275 292 303'}
        value={attempts}
        error={fault('attempts')}
        onChange={(event) => setAttempts(event.target.value)}
      />
      {save.error && save.error.fields.length === 0 && <Failed error={save.error} />}
      <div className="flex gap-2">
        <Button type="submit" look="action" disabled={save.isPending}>
          Keep the meet
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </form>
  );
}
