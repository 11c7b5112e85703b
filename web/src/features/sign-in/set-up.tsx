import { readLifterLines, VENUE_PRESETS, type LifterLine, type VenuePresetId } from '@iron-clasp/core';
import { MOST_FIRST_LIFTERS, SetUpRequest } from '@iron-clasp/contract';
import { useState, type ReactElement, type ReactNode } from 'react';
import { Controller } from 'react-hook-form';
import { Link, useNavigate } from 'react-router';
import { useSetUp, useWelcome } from '../../data/session/session.ts';
import { useDraft, type Draft } from '../../offline/drafts.ts';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { ClubFields, habitsHere } from '../../ui/club-fields.tsx';
import { Field } from '../../ui/field.tsx';
import { formatMass } from '../../ui/figures.ts';
import { FileField } from '../../ui/file-field.tsx';
import { NewPasswordFields, typedTwice } from '../../ui/new-password.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed, Loading } from '../../ui/states.tsx';
import { TextArea } from '../../ui/text-area.tsx';
import { TerminalCode } from './terminal-code.tsx';

/** A table of names is small; what is larger is something else. */
const LARGEST_FILE = 1_000_000;

/** A club of one's own from nothing: one page, one button, and the first lifters are on the rack. */
export function SetUp(): ReactElement {
  const welcome = useWelcome();
  return (
    <main className="mx-auto max-w-3xl px-4 pb-16 pt-8 md:px-8">
      <h1 className="text-4xl">A club of your own</h1>
      {welcome.isPending && <Loading what="the page" lines={6} />}
      {welcome.error && <Failed error={welcome.error} retry={() => void welcome.refetch()} />}
      {welcome.data && !welcome.data.setUp && (
        <p className="mt-4 text-xl">
          A club was started here already.{' '}
          <Link to="/sign-in" className="underline underline-offset-4">
            Sign in
          </Link>
          , or ask its owner to invite you.
        </p>
      )}
      {welcome.data?.setUp && (
        <>
          <p className="mt-2 text-quiet">
            You have one already, as an export?{' '}
            <Link to="/set-up/export" className="underline underline-offset-4">
              Bring it back
            </Link>
            .
          </p>
          <Form />
        </>
      )}
    </main>
  );
}

interface Typed {
  code: string;
  name: string;
  habits: ReturnType<typeof habitsHere>;
  ownerName: string;
  email: string;
  password: string;
  again: string;
  venue: string;
  preset: VenuePresetId;
  lifters: string;
}

const START: Typed = {
  ...{ code: '', name: '', habits: habitsHere(), ownerName: '', email: '', password: '', again: '' },
  ...{ venue: '', preset: 'powerlifting', lifters: '' },
};

/** What is typed outlives a reload; code and password are typed again, since a device keeps no secret. */
function useTyped(): Pick<Draft<Typed>, 'value' | 'set' | 'discard' | 'done'> {
  const { value, set, discard, done } = useDraft<Omit<Typed, 'code' | 'password' | 'again'>>(
    'set-up',
    START,
    0,
  );
  return {
    value: { ...START, ...value, code: '', password: '', again: '' },
    set: ({ code: _code, password: _password, again: _again, ...rest }) => {
      if (Object.keys(rest).length > 0) set(rest);
    },
    discard,
    done,
  };
}

function Form(): ReactElement {
  const setUp = useSetUp();
  const draft = useTyped();
  const navigate = useNavigate();
  // Made once a page: sent again after a lost answer it is still the same club.
  const [ids] = useState(() => ({
    club: crypto.randomUUID(),
    owner: crypto.randomUUID(),
    venue: crypto.randomUUID(),
    lifters: Array.from({ length: MOST_FIRST_LIFTERS }, () => crypto.randomUUID()),
  }));
  const read = ({ lifters, habits }: Pick<Typed, 'lifters' | 'habits'>): LifterLine[] =>
    readLifterLines(lifters, habits.unit);
  const { form, field, fault, set, onSubmit, failed, sending } = useRequestForm<Typed, SetUpRequest, unknown>(
    {
      request: SetUpRequest,
      start: START,
      draft,
      bodyOf: (typed): SetUpRequest => ({
        code: typed.code,
        club: { id: ids.club, name: typed.name, ...typed.habits },
        owner: { id: ids.owner, name: typed.ownerName, email: typed.email, password: typed.password },
        venue: { id: ids.venue, name: typed.venue, preset: typed.preset },
        lifters: read(typed)
          .filter((row) => row.fault === undefined)
          .slice(0, MOST_FIRST_LIFTERS)
          .map(({ name, deadliftMax }, i) => ({ id: ids.lifters[i]!, name, deadliftMax })),
      }),
      send: (body) => setUp.mutateAsync(body),
      onSaved: () => void navigate('/', { replace: true }),
    },
  );
  const typed = form.watch();
  const rows = read(typed);
  const faults = rows.filter((row) => row.fault !== undefined).length;
  const twice = typedTwice(typed.password, typed.again);
  const preset = VENUE_PRESETS.find((each) => each.id === typed.preset)!;
  const [tried, setTried] = useState(false);
  const ready = faults === 0 && twice.ready;
  return (
    <form
      onSubmit={(event) => {
        setTried(true);
        if (ready) return onSubmit(event);
        event.preventDefault();
        if (typed.again === '') form.setFocus('again');
      }}
      noValidate
      aria-label="A club of your own"
      className="mt-2 grid gap-8"
    >
      <Part title="The code">
        <p className="text-quiet">
          The terminal in which Iron Clasp was started shows it: whoever runs the machine starts the club.
        </p>
        <TerminalCode {...field('code')} />
      </Part>
      <Part title="The club">
        <Field label="Name of the club" autoComplete="organization" {...field('name', 'club.name')} />
        <Controller
          control={form.control}
          name="habits"
          render={({ field: { value } }) => (
            <ClubFields
              value={value}
              fault={(each) => fault(`club.${each}`)}
              onChange={(changes) => set({ habits: { ...value, ...changes } })}
            />
          )}
        />
      </Part>
      <Part title="You, its owner">
        <Field label="Your name" autoComplete="name" {...field('ownerName', 'owner.name')} />
        <Field label="E-mail" type="email" autoComplete="username" {...field('email', 'owner.email')} />
        <NewPasswordFields
          first={field('password', 'owner.password')}
          second={form.register('again')}
          differ={twice.differ}
          missing={tried && typed.again === ''}
        />
      </Part>
      <Part title="Where you train">
        <Field label="Name of the venue" autoComplete="off" {...field('venue', 'venue.name')} />
        <Controller
          control={form.control}
          name="preset"
          render={({ field: { value } }) => (
            <Choices
              legend="What kind of room is it?"
              value={value}
              options={VENUE_PRESETS.map(({ id, name }) => [id, name] as const)}
              onChange={(preset) => set({ preset })}
            />
          )}
        />
        <p className="text-quiet">{preset.reason} Every bar and plate can be changed under Kit.</p>
      </Part>
      <Part title="The first lifters">
        <p className="text-quiet">
          One a line: name, then best deadlift. Paste them from a message or a table, or leave it empty for
          now.
        </p>
        <TextArea
          label={`Lifters, best deadlift in ${typed.habits.unit} unless a line says otherwise`}
          rows={6}
          spellCheck={false}
          placeholder={'Ana Lind 182.5\nBo Marsh 402 lb'}
          {...field('lifters')}
        />
        <FromFile onText={(lifters) => set({ lifters })} />
        <Rows rows={rows} unit={typed.habits.unit} />
      </Part>
      {failed && <Failed error={failed} />}
      <div className="grid gap-2">
        <Button
          type="submit"
          look="action"
          disabled={sending || faults > 0}
          className="justify-self-start px-6 py-3"
        >
          {sending ? 'Starting the club …' : 'Start the club'}
        </Button>
        {faults > 0 && (
          <p role="status" className="text-oxblood">
            {faults === 1 ? 'One line' : `${faults} lines`} of the lifters cannot be read. Put{' '}
            {faults === 1 ? 'it' : 'them'} right, or take {faults === 1 ? 'it' : 'them'} out.
          </p>
        )}
      </div>
    </form>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }): ReactElement {
  return (
    <section aria-label={title} className="grid gap-3">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">{title}</h2>
      {children}
    </section>
  );
}

/** The lines of a file, as if they had been pasted. */
function FromFile({ onText }: { onText: (text: string) => void }): ReactElement {
  const [chosen, setChosen] = useState<string>();
  const [fault, setFault] = useState<string>();
  const take = async (file: File): Promise<void> => {
    setChosen(file.name);
    if (file.size > LARGEST_FILE) return setFault(`${file.name} is too large for a list of lifters.`);
    const text = await file.text();
    if (text.includes('\u0000') || text.includes('\ufffd'))
      return setFault(`${file.name} is no plain text. Save it as CSV (UTF-8), or paste the lines.`);
    setFault(undefined);
    onText(text);
  };
  return (
    <div className="max-w-80">
      <FileField
        label="Or from a file (CSV or text)"
        accept=".csv,.tsv,.txt,text/*"
        chosen={chosen}
        onChange={(file) => void take(file)}
      />
      {fault && (
        <p role="alert" className="text-oxblood">
          {fault}
        </p>
      )}
    </div>
  );
}

/** What was read, line by line, before anything is sent. */
function Rows({ rows, unit }: { rows: readonly LifterLine[]; unit: 'kg' | 'lb' }): ReactElement | null {
  if (rows.length === 0) return null;
  const over = rows.length - MOST_FIRST_LIFTERS;
  return (
    <ul aria-label="As they are read" className="grid gap-x-6 sm:grid-cols-2">
      {rows.map((row) => (
        <li
          key={row.line}
          className="flex min-h-9 items-baseline justify-between gap-3 border-b border-rule py-1"
        >
          {row.fault === undefined ? (
            <>
              <span className="truncate">{row.name}</span>
              <span className="figures text-lg">{formatMass(row.deadliftMax, unit)}</span>
            </>
          ) : (
            <span className="text-oxblood">
              Line {row.line}, “{row.text}”: {row.fault}
            </span>
          )}
        </li>
      ))}
      {over > 0 && (
        <li className="text-ochre sm:col-span-2">
          The first {MOST_FIRST_LIFTERS} are taken; add the other {over} afterwards.
        </li>
      )}
    </ul>
  );
}
