import {
  ROLE_NAMES,
  ROLE_WORDS,
  STAFF_ROLES,
  StaffInvitationRequest,
  type MadeLinkView,
  type PeopleView,
  type PersonView,
  type StaffRole,
} from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { Controller } from 'react-hook-form';
import { ago } from '../../data/clock.ts';
import {
  useChangePerson,
  useInviteStaff,
  useMakePasswordLink,
  usePeople,
  useRemovePerson,
  useRevokeInvitation,
} from '../../data/people/people.ts';
import { useAccount } from '../../data/session/account.ts';
import { Ask } from '../../ui/ask.tsx';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { DateField } from '../../ui/date-field.tsx';
import { useDateHabit, writeDay } from '../../ui/date-words.ts';
import { Field } from '../../ui/field.tsx';
import { MadeAddress } from '../../ui/made-address.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Select } from '../../ui/select.tsx';
import { Failed, Loading } from '../../ui/states.tsx';
import { useToast } from '../../ui/toast.tsx';

interface Made {
  readonly link: MadeLinkView;
  readonly what: string;
}

/** Everybody who signs in to the club, what they may do and until when. */
export function People(): ReactElement {
  const people = usePeople();
  const [made, setMade] = useState<Made | null>(null);
  return (
    <div className="mt-3 grid gap-8 xl:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="min-w-0">
        {people.isPending && <Loading what="the people" lines={6} />}
        {people.error && !people.data && <Failed error={people.error} retry={() => void people.refetch()} />}
        {people.data && <Listed view={people.data} onMade={setMade} />}
        {made && <MadeAddress link={made.link} what={made.what} />}
      </div>
      <Invite onMade={(link) => setMade({ link, what: 'invitation' })} />
    </div>
  );
}

function Listed({ view, onMade }: { view: PeopleView; onMade: (made: Made) => void }): ReactElement {
  const staff = view.people.filter((each) => each.role !== 'lifter');
  const lifters = view.people.filter((each) => each.role === 'lifter');
  return (
    <>
      <section aria-label="Staff">
        <h2 className="border-b-2 border-ink pb-1 text-2xl">Staff</h2>
        <ul>
          {staff.map((person) => (
            <Person key={person.id} person={person} onMade={onMade} />
          ))}
          {view.invited.map((each) => (
            <Invited key={each.id} invited={each} />
          ))}
        </ul>
      </section>
      <section aria-label="Lifters who sign in" className="mt-6">
        <h2 className="border-b-2 border-ink pb-1 text-2xl">Lifters who sign in</h2>
        {lifters.length === 0 && (
          <p className="py-2 text-quiet">Nobody yet. A lifter is invited on their profile.</p>
        )}
        <ul>
          {lifters.map((person) => (
            <li key={person.id} className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1.5">
              <Who person={person} />
              <NewPasswordButton person={person} onMade={onMade} />
            </li>
          ))}
        </ul>
      </section>
    </>
  );
}

function Who({ person }: { person: PersonView }): ReactElement {
  const here = useAccount()?.id === person.id;
  return (
    <span className="min-w-0 grow basis-56">
      <b>{person.name}</b>
      {here && ' (you)'}
      <span className="block truncate text-sm text-quiet">
        {person.email} · {person.seenAt ? `seen ${ago(person.seenAt)}` : 'not signed in anywhere'}
      </span>
    </span>
  );
}

function Person({ person, onMade }: { person: PersonView; onMade: (made: Made) => void }): ReactElement {
  const change = useChangePerson();
  const remove = useRemovePerson();
  const say = useToast();
  const failed = change.error ?? remove.error;
  const save = (changes: { readonly role?: StaffRole; readonly endsOn?: string | null }): void => {
    const { id, version, endsOn } = person;
    const role = person.role as StaffRole;
    change.mutate(
      { id, version, role, endsOn, ...changes },
      { onSuccess: () => say(`${person.name}: saved.`) },
    );
  };
  return (
    <li className="border-b border-rule py-1.5">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1">
        <Who person={person} />
        <Select
          aria-label={`What ${person.name} may do`}
          className="w-32"
          value={person.role as StaffRole}
          disabled={change.isPending}
          options={STAFF_ROLES.map((each) => [each, ROLE_NAMES[each]] as const)}
          onChange={(role) => save({ role })}
        />
        <EndField name={person.name} endsOn={person.endsOn} onChange={(endsOn) => save({ endsOn })} />
        <NewPasswordButton person={person} onMade={onMade} />
        <Ask
          title={`Remove ${person.name}?`}
          words="They are signed out everywhere and sign in no more. What they wrote and logged stays, under their name."
          confirm="Remove"
          onConfirm={() => remove.mutate(person.id, { onSuccess: () => say(`${person.name} was removed.`) })}
        >
          <Button look="quiet" disabled={remove.isPending}>
            Remove
          </Button>
        </Ask>
      </div>
      {failed && <Failed error={failed} />}
    </li>
  );
}

/** The last day of an account: saved once it is a day, or taken away. */
function EndField({
  name,
  endsOn,
  onChange,
}: {
  name: string;
  endsOn: string | null;
  onChange: (endsOn: string | null) => void;
}): ReactElement {
  const [typed, setTyped] = useState<string | null>(null);
  const set = (day: string): void => {
    setTyped(day);
    const now = day === '' ? null : day;
    if ((now === null || /^\d{4}-\d{2}-\d{2}$/.test(now)) && now !== endsOn) onChange(now);
  };
  return (
    <DateField
      aria-label={`Last day of ${name}`}
      className="w-36"
      none="no end"
      value={typed ?? endsOn ?? ''}
      onChange={set}
    />
  );
}

function NewPasswordButton({
  person,
  onMade,
}: {
  person: PersonView;
  onMade: (made: Made) => void;
}): ReactElement {
  const make = useMakePasswordLink();
  return (
    <>
      <Button
        look="quiet"
        disabled={make.isPending}
        onClick={() =>
          make.mutate(person.id, {
            onSuccess: (link) => onMade({ link, what: `link to a new password for ${person.name}` }),
          })
        }
      >
        New password
        <span className="sr-only"> for {person.name}</span>
      </Button>
      {make.error && <Failed error={make.error} />}
    </>
  );
}

function Invited({ invited }: { invited: PeopleView['invited'][number] }): ReactElement {
  const revoke = useRevokeInvitation();
  const habit = useDateHabit();
  return (
    <li className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1.5 text-quiet">
      <span className="min-w-0 grow basis-56">
        <b>{invited.name}</b>, {ROLE_NAMES[invited.role].toLowerCase()}
        {invited.endsOn && `, until ${writeDay(invited.endsOn, habit)}`}
        <span className="block truncate text-sm">
          {invited.email} ·{' '}
          {invited.expired
            ? 'the invitation ran out: make another'
            : `invited, until ${writeDay(invited.expiresAt.slice(0, 10), habit)}`}
        </span>
      </span>
      <Button look="quiet" disabled={revoke.isPending} onClick={() => revoke.mutate(invited.id)}>
        Remove
        <span className="sr-only"> the invitation of {invited.name}</span>
      </Button>
      {revoke.error && <Failed error={revoke.error} />}
    </li>
  );
}

function Invite({ onMade }: { onMade: (link: MadeLinkView) => void }): ReactElement {
  const invite = useInviteStaff();
  const { form, field, fault, onSubmit, failed, sending } = useRequestForm<
    { name: string; email: string; role: StaffRole; endsOn: string },
    StaffInvitationRequest,
    MadeLinkView
  >({
    request: StaffInvitationRequest,
    start: { name: '', email: '', role: 'coach', endsOn: '' },
    bodyOf: ({ endsOn, ...typed }) => ({ ...typed, endsOn: endsOn === '' ? null : endsOn }),
    send: (body) => invite.mutateAsync(body),
    onSaved: (link) => {
      form.reset();
      onMade(link);
    },
  });
  const role = form.watch('role');
  return (
    <form
      onSubmit={onSubmit}
      noValidate
      aria-label="Invite to the staff"
      className="grid content-start gap-3"
    >
      <h2 className="border-b-2 border-ink pb-1 text-2xl">Invite</h2>
      <Field label="Name" autoComplete="off" {...field('name')} />
      <Field label="E-mail" type="email" autoComplete="off" {...field('email')} />
      <Controller
        control={form.control}
        name="role"
        render={({ field: { value, onChange } }) => (
          <Choices
            legend="As"
            value={value}
            options={STAFF_ROLES.map((each) => [each, ROLE_NAMES[each]] as const)}
            onChange={onChange}
          />
        )}
      />
      <p className="text-quiet">
        {ROLE_NAMES[role]}: {ROLE_WORDS[role]}.
      </p>
      <Controller
        control={form.control}
        name="endsOn"
        render={({ field: { value, onChange } }) => (
          <DateField
            label="Last day, if it ends"
            none="no end"
            value={value}
            error={fault('endsOn')}
            onChange={onChange}
          />
        )}
      />
      {failed && <Failed error={failed} />}
      <Button type="submit" look="action" className="justify-self-start" disabled={sending}>
        Make an invitation
      </Button>
    </form>
  );
}
