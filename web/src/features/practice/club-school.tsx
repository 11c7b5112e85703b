import {
  checkSchool,
  findSchool,
  InvalidInputError,
  SET_ROLE_NAMES,
  SET_ROLES,
  type School,
} from '@iron-clasp/core';
import { SchoolRequest, type ClubSchoolView } from '@iron-clasp/contract';
import { ArrowLeft } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { typedNumber } from '../../ui/figures.ts';
import { useRequestForm, type Fault } from '../../ui/request-form.ts';
import { Failed, Loading, NotSaved } from '../../ui/states.tsx';
import { isStale } from '../../data/client.ts';
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

/** The school with its figures as they were typed; what is no figure stays one that is refused. */
function withFigures(school: School, typed: Typed): School {
  const effort = typedNumber(typed.effort) / 100;
  return {
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
}

/** What a school cannot say, by its path in the request; null where all can be called by. */
function faultOf(school: School): Fault | null {
  try {
    checkSchool(school);
    return null;
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    return { path: `school.${error.field}`, message: `Must be ${error.allowed}.` };
  }
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
  const [first] = useState(() => ({ school: start, figures: typedOf(start) }));
  const save = useSaveSchool(id);
  const archive = useArchiveSchool(id);
  const copies = useClubSchools();
  const navigate = useNavigate();
  const form = useRequestForm({
    request: SchoolRequest,
    start: first,
    bodyOf: ({ school: written, figures }: typeof first): SchoolRequest => ({
      ...{ basedOn: basedOn.id, version: base },
      school: withFigures(written, figures),
    }),
    check: (body) => faultOf(body.school),
    send: (body) => save.mutateAsync(body),
    onSaved: () => void navigate('/practice/schools'),
    onFailed: (error) => {
      if (!isStale(error)) return;
      void copies.refetch().then(({ data }) => {
        const now = data?.find((each) => each.id === id);
        if (now) setBase(now.version);
      });
    },
  });
  const { school, figures } = form.typed;
  const set = (part: Partial<School>): void => form.set({ school: { ...school, ...part } });
  const at = (path: string): string | undefined => form.fault(`school.${path}`);
  const figure = (label: string, key: keyof Typed, path: string, unit?: string): ReactElement => (
    <Field
      label={label}
      {...(unit && { unit })}
      className="w-36"
      inputMode="decimal"
      value={figures[key]}
      error={at(path)}
      onChange={(event) => form.set({ figures: { ...figures, [key]: event.target.value } })}
    />
  );
  return (
    <form onSubmit={form.onSubmit} noValidate aria-label="School" className="grid max-w-4xl gap-6">
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
      {form.wrong && (
        <NotSaved path={form.wrong.path.replace(/^school\./, '')} message={form.wrong.message} />
      )}
      {(form.failed ?? archive.error) && <Failed error={(form.failed ?? archive.error)!} />}
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="action" disabled={form.sending}>
          {isStale(form.failed) ? 'Save mine over theirs' : own ? 'Save it' : 'Save'}
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
