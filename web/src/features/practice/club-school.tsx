import {
  checkSchool,
  findSchool,
  InvalidInputError,
  SET_ROLE_NAMES,
  SET_ROLES,
  type School,
} from '@iron-clasp/core';
import type { ClubSchoolView } from '@iron-clasp/contract';
import { ArrowLeft } from 'lucide-react';
import { useState, type FormEvent, type ReactElement } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { typedNumber } from '../../ui/figures.ts';
import { Failed, Loading } from '../../ui/states.tsx';
import { GripOrder, StrapPolicies } from './school-parts.tsx';
import { useArchiveSchool, useClubSchools, useSaveSchool } from '../../data/schools/schools.ts';

/** A copy of a school to adjust: a new one of an original, or one of the club's. */
export function ClubSchool(): ReactElement {
  const { schoolId = '' } = useParams();
  const copies = useClubSchools();
  const original = findSchool(schoolId);
  const own = copies.data?.find((each) => each.id === schoolId);
  return (
    <div className="pt-4">
      <Link to="/practice/schools" className="inline-flex items-center gap-1 py-2">
        <ArrowLeft size={18} aria-hidden /> Schools
      </Link>
      {original && (
        <Editor
          key={schoolId}
          own={null}
          basedOn={original}
          start={{ ...original, name: `${original.name}, ours` }}
        />
      )}
      {!original && copies.isPending && <Loading what="the school" lines={9} />}
      {!original && copies.error && <Failed error={copies.error} retry={() => void copies.refetch()} />}
      {own && <Editor key={schoolId} own={own} basedOn={findSchool(own.basedOn)!} start={own.school} />}
      {!original && copies.data && !own && (
        <p className="py-4 text-quiet">There is no such school in your club. Go back to the schools.</p>
      )}
    </div>
  );
}

interface Typed {
  readonly months: string;
  readonly sets: string;
  readonly seconds: string;
  readonly restFrom: string;
  readonly restTo: string;
  readonly effort: string;
}

const minutes = (seconds: number): string => String(Number((seconds / 60).toFixed(2)));

function typedOf({ strapsNotBeforeMonths, hold }: School): Typed {
  const { effort } = hold;
  return {
    months: String(strapsNotBeforeMonths),
    sets: String(hold.sets),
    seconds: String(hold.seconds),
    restFrom: minutes(hold.rest[0]),
    restTo: minutes(hold.rest[1]),
    effort: String(Math.round(100 * (effort.kind === 'nearLimit' ? effort.probability : effort.fraction))),
  };
}

function Editor({
  own,
  basedOn,
  start,
}: {
  own: ClubSchoolView | null;
  basedOn: School;
  start: School;
}): ReactElement {
  // One id a copy: sent again after a lost answer it is still the same one.
  const [id] = useState(() => own?.id ?? crypto.randomUUID());
  const [base, setBase] = useState(own?.version ?? 0);
  const [school, setSchool] = useState(start);
  const [typed, setTyped] = useState(() => typedOf(start));
  const [fault, setFault] = useState<{ readonly path: string; readonly message: string } | null>(null);
  const save = useSaveSchool(id);
  const archive = useArchiveSchool(id);
  const copies = useClubSchools();
  const navigate = useNavigate();
  const set = (part: Partial<School>): void => setSchool({ ...school, ...part });
  const send = (event: FormEvent): void => {
    event.preventDefault();
    const effort = typedNumber(typed.effort) / 100;
    const written: School = {
      ...school,
      strapsNotBeforeMonths: typedNumber(typed.months),
      hold: {
        ...school.hold,
        sets: typedNumber(typed.sets),
        seconds: typedNumber(typed.seconds),
        rest: [60 * typedNumber(typed.restFrom), 60 * typedNumber(typed.restTo)],
        effort:
          school.hold.effort.kind === 'nearLimit'
            ? { kind: 'nearLimit', probability: effort }
            : { kind: 'fractionOfBest', fraction: effort },
      },
    };
    try {
      checkSchool(written);
    } catch (error) {
      if (!(error instanceof InvalidInputError)) throw error;
      return setFault({ path: error.field, message: `Must be ${error.allowed}.` });
    }
    setFault(null);
    save.mutate(
      { basedOn: basedOn.id, version: base, school: written },
      {
        onSuccess: () => void navigate('/practice/schools'),
        onError: (error) => {
          if (error.code !== 'changed-meanwhile') return;
          void copies.refetch().then(({ data }) => {
            const now = data?.find((each) => each.id === id);
            if (now) setBase(now.version);
          });
        },
      },
    );
  };
  const at = (path: string): string | undefined => (fault?.path === path ? fault.message : undefined);
  const figure = (label: string, key: keyof Typed, path: string, unit?: string): ReactElement => (
    <Field
      label={label}
      {...(unit && { unit })}
      className="w-36"
      inputMode="decimal"
      value={typed[key]}
      error={at(path)}
      onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
    />
  );
  return (
    <form onSubmit={send} noValidate aria-label="School" className="grid max-w-4xl gap-6">
      <h2 className="text-3xl">
        {own ? school.name : `A copy of ${basedOn.name}`}
        <span className="block text-base font-normal text-quiet">
          after {basedOn.name}, which stays as it is
        </span>
      </h2>
      <div className="grid gap-4 sm:grid-cols-2">
        <Field
          label="Name"
          value={school.name}
          maxLength={120}
          error={at('name')}
          onChange={(event) => set({ name: event.target.value })}
        />
        <Field
          label="What it holds, in a sentence"
          value={school.summary}
          maxLength={500}
          error={at('summary')}
          onChange={(event) => set({ summary: event.target.value })}
        />
      </div>
      <fieldset>
        <legend className="w-full border-b border-ink pb-1 font-semibold">
          Grip order: the first that reaches the chance asked is called
        </legend>
        {SET_ROLES.map((role) => (
          <GripOrder
            key={role}
            name={SET_ROLE_NAMES[role]}
            steps={school.ladder[role]}
            was={basedOn.ladder[role]}
            error={at(`ladder.${role}`)}
            onChange={(steps) => set({ ladder: { ...school.ladder, [role]: steps } })}
          />
        ))}
        <Field
          label="Because"
          className="mt-2"
          value={school.ladderReason}
          maxLength={500}
          error={at('ladderReason')}
          onChange={(event) => set({ ladderReason: event.target.value })}
        />
      </fieldset>
      <StrapPolicies
        school={school}
        basedOn={basedOn}
        onChange={set}
        months={figure('Not in the first', 'months', 'strapsNotBeforeMonths', 'months')}
      />
      <fieldset className="grid gap-3">
        <legend className="w-full border-b border-ink pb-1 font-semibold">Holds</legend>
        <Choices
          legend="How near the limit"
          value={school.hold.effort.kind}
          options={[
            ['nearLimit', 'near the limit: reached so many times in 100'],
            ['fractionOfBest', 'a share of the predicted time, %'],
          ]}
          onChange={(kind) =>
            set({
              hold: {
                ...school.hold,
                effort:
                  kind === 'nearLimit'
                    ? { kind, probability: 0.65 }
                    : { kind: 'fractionOfBest', fraction: 0.6 },
              },
            })
          }
        />
        <div className="flex flex-wrap gap-4">
          {figure(
            'Effort',
            'effort',
            school.hold.effort.kind === 'nearLimit' ? 'hold.effort.probability' : 'hold.effort.fraction',
            '%',
          )}
          {figure('Sets', 'sets', 'hold.sets')}
          {figure('Seconds', 'seconds', 'hold.seconds')}
          {figure('Rest from', 'restFrom', 'hold.rest[0]', 'min')}
          {figure('to', 'restTo', 'hold.rest', 'min')}
        </div>
        <Field
          label="Because"
          value={school.hold.reason}
          maxLength={500}
          error={at('hold.reason')}
          onChange={(event) => set({ hold: { ...school.hold, reason: event.target.value } })}
        />
      </fieldset>
      {fault && (
        <p role="alert" className="text-oxblood">
          Not saved yet: {fault.path} {fault.message.charAt(0).toLowerCase() + fault.message.slice(1)}
        </p>
      )}
      {(save.error ?? archive.error) && <Failed error={save.error ?? archive.error} />}
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="action" disabled={save.isPending}>
          {save.error?.code === 'changed-meanwhile' ? 'Save mine over theirs' : own ? 'Save it' : 'Save'}
        </Button>
        {own && (
          <Button
            look="quiet"
            disabled={archive.isPending}
            onClick={() =>
              archive.mutate(
                { archived: !own.archived, version: base },
                { onSuccess: () => void navigate('/practice/schools') },
              )
            }
          >
            {own.archived ? 'Take it back into use' : 'Archive it'}
          </Button>
        )}
      </div>
      <p className="text-sm text-quiet">
        Whatever a school says, safety, the rules of the event and of the house come before it.
      </p>
    </form>
  );
}
