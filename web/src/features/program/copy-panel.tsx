import { CopyRequest, MOST_COPIED_TO, type CopyView, type LoadsCarried } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { useEveryLifter } from '../../data/lifters/rack.ts';
import { useCopy, useTakeBack } from '../../data/training/library.ts';
import { Button } from '../../ui/button.tsx';
import { FormEnd } from '../../ui/form-end.tsx';
import { Checkbox } from '../../ui/checkbox.tsx';
import { Choices } from '../../ui/choices.tsx';
import { DateField } from '../../ui/date-field.tsx';
import { mondayOf, shiftDay } from '../../ui/date-words.ts';
import { Field } from '../../ui/field.tsx';
import { shortDay } from '../../ui/figures.ts';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed, Loading } from '../../ui/states.tsx';
import { useToast } from '../../ui/toast.tsx';
import { KeepInLibrary } from './keep-in-library.tsx';
import type { Copied } from './open-session.ts';

interface CopyPanelProps {
  readonly what: Copied;
  /** Whose program is open: ticked to begin with. */
  readonly lifterId: string;
  readonly today: string;
  /** Opens a copy in the editor before it is kept; for a session only. */
  readonly onEdit?: (() => void) | undefined;
  readonly onDone: () => void;
}

interface Typed {
  readonly lifters: readonly string[];
  readonly on: string;
  readonly loads: LoadsCarried;
}

/** From so many lifters on a name is looked for rather than read. */
const LOOKED_FOR = 13;

/** Copies a session, a week or a plan of the library to several lifters at once, each at their own loads. */
export function CopyPanel({ what, lifterId, today, onEdit, onDone }: CopyPanelProps): ReactElement {
  const everybody = useEveryLifter();
  const copy = useCopy();
  const takeBack = useTakeBack();
  const say = useToast();
  const [id, setId] = useState(() => crypto.randomUUID());
  const [find, setFind] = useState('');
  const [done, setDone] = useState<CopyView | null>(null);
  const { typed, set, fault, onSubmit, wrong, failed, sending } = useRequestForm({
    request: CopyRequest,
    start: {
      lifters: [lifterId],
      on: firstDay(what, today),
      loads: 'own',
    } as Typed,
    bodyOf: ({ lifters, on, loads }: Typed): CopyRequest => ({
      ...{ from: what.from, lifters: [...lifters], on, loads },
    }),
    send: (body) => copy.mutateAsync({ id, body }),
    onSaved: (answer) => {
      setDone(answer);
      // What is copied next is another copy.
      setId(crypto.randomUUID());
      const many = answer.lifters.filter((each) => each.refused === null).length;
      if (many > 0)
        say(`${what.title} is written for ${lifters(many)}.`, () => {
          setDone(null);
          void takeBack(answer);
        });
    },
  });
  const all = everybody.data ?? [];
  const shown = all.filter(
    (each) => each.name.toLowerCase().includes(find.trim().toLowerCase()) || typed.lifters.includes(each.id),
  );
  return (
    <form onSubmit={onSubmit} noValidate aria-label={`Copy ${what.title}`} className="grid gap-4">
      <h2 className="border-b-2 border-ink pb-1 text-xl">
        {what.on ? 'Copy' : 'Write'}: {what.title}
      </h2>
      <div className="grid gap-x-8 gap-y-4 md:grid-cols-[minmax(0,1fr)_18rem]">
        <fieldset>
          <legend className="label">To</legend>
          {everybody.isPending && <Loading what="the lifters" lines={3} />}
          {everybody.error && <Failed error={everybody.error} retry={() => void everybody.refetch()} />}
          {all.length >= LOOKED_FOR && (
            <Field label="Find a lifter" value={find} onChange={(event) => setFind(event.target.value)} />
          )}
          <div className="mt-1 grid max-h-56 grid-cols-2 gap-x-4 overflow-y-auto lg:grid-cols-3">
            {shown.map((lifter) => (
              <Checkbox
                key={lifter.id}
                checked={typed.lifters.includes(lifter.id)}
                disabled={typed.lifters.length >= MOST_COPIED_TO && !typed.lifters.includes(lifter.id)}
                onChange={(on) =>
                  set({
                    lifters: on
                      ? [...typed.lifters, lifter.id]
                      : typed.lifters.filter((each) => each !== lifter.id),
                  })
                }
              >
                {lifter.name}
              </Checkbox>
            ))}
          </div>
          {fault('lifters') && <p className="text-sm text-oxblood">{fault('lifters')}</p>}
        </fieldset>
        <div className="grid content-start gap-4">
          <DateField
            label={what.kind === 'week' ? 'To the week of' : 'On'}
            value={typed.on}
            error={fault('on')}
            onChange={(on) => set({ on })}
          />
          {what.on && (
            <Choices
              legend="Loads"
              value={typed.loads}
              options={[
                ['own', 'the same share of each one’s best'],
                ['written', 'as written'],
              ]}
              onChange={(loads) => set({ loads })}
            />
          )}
        </div>
      </div>
      <FormEnd
        failed={failed}
        sending={sending}
        wrong={wrong}
        action={typed.lifters.length > 1 ? `Copy to ${lifters(typed.lifters.length)}` : 'Copy'}
        idle={typed.lifters.length === 0}
        onCancel={onDone}
        leave={done ? 'Close' : 'Cancel'}
        between={onEdit && <Button onClick={onEdit}>Edit the copy first</Button>}
      >
        {what.on && <KeepInLibrary what={what} />}
      </FormEnd>
      {done && <Outcome copy={done} />}
    </form>
  );
}

const lifters = (many: number): string => (many === 1 ? '1 lifter' : `${many} lifters`);
const later = (one: string, other: string): string => (one > other ? one : other);

/** Where a copy goes to begin with: a week on, a plan's session today, a plan's week on the first Monday that is not past. */
function firstDay({ kind, on }: Copied, today: string): string {
  if (on) return later(shiftDay(on, 7), today);
  const monday = mondayOf(today);
  return kind === 'session' || monday === today ? today : shiftDay(monday, 7);
}

/** What was written for whom, and what was not. */
function Outcome({ copy }: { copy: CopyView }): ReactElement {
  return (
    <ul role="status" aria-label="What was copied">
      {copy.lifters.map(({ lifterId, name, written, kept, refused }) => (
        <li key={lifterId} className="grid gap-x-3 border-b border-rule py-1.5 sm:grid-cols-[12rem_1fr]">
          <b>{name}</b>
          <span>
            {refused ? (
              <span className="text-ochre">Nothing written: {refused}</span>
            ) : (
              <span className="text-verdigris">{written.map(({ on }) => shortDay(on)).join(', ')}</span>
            )}
            {kept.length > 0 && (
              <span className="block text-sm text-ochre">
                Load as written, since no best of both is known: {kept.join('; ')}
              </span>
            )}
          </span>
        </li>
      ))}
    </ul>
  );
}
