import {
  checkSchool,
  findSchool,
  InvalidInputError,
  LADDER_STEPS,
  SCHOOLS,
  SET_ROLE_NAMES,
  SET_ROLES,
  type LadderStep,
  type School,
  type StrapCondition,
  type StrapPolicy,
} from '@iron-clasp/core';
import type { ClubSchoolView } from '@iron-clasp/contract';
import { ArrowLeft, X } from 'lucide-react';
import { useState, type FormEvent, type ReactElement } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useArchiveSchool, useClubSchools, useSaveSchool } from '../api/school-queries.ts';
import { Button } from '../parts/button.tsx';
import { Choices } from '../parts/choices.tsx';
import { Field } from '../parts/field.tsx';
import { typedNumber } from '../parts/figures.ts';
import { Failed, Loading } from '../parts/states.tsx';
import { STEP_WORDS } from './schools.tsx';

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
          <Order
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
      <Straps
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
          {save.error?.code === 'changed-meanwhile'
            ? 'Save mine over theirs'
            : own
              ? 'Save it'
              : 'Keep the copy'}
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
            {own.archived ? 'Take it back into use' : 'Put it aside'}
          </Button>
        )}
      </div>
      <p className="text-sm text-quiet">
        Whatever a school says, safety, the rules of the event and of the house come before it.
      </p>
    </form>
  );
}

/** A grip order as chips: take one out, or add one at the end. */
function Order({
  name,
  steps,
  was,
  error,
  onChange,
}: {
  name: string;
  steps: readonly LadderStep[];
  was: readonly LadderStep[];
  error: string | undefined;
  onChange: (steps: readonly LadderStep[]) => void;
}): ReactElement {
  const left = LADDER_STEPS.filter((step) => !steps.includes(step));
  return (
    <div className="flex flex-wrap items-center gap-2 border-b border-rule py-2">
      <span className="label w-24 shrink-0">{name}</span>
      {steps.map((step, i) => (
        <span key={step} className="inline-flex items-center border border-edge bg-raised pl-2">
          {i > 0 && <span className="mr-1 text-quiet">then</span>}
          {STEP_WORDS[step]}
          <button
            type="button"
            aria-label={`${name}: take out ${STEP_WORDS[step]}`}
            onClick={() => onChange(steps.filter((each) => each !== step))}
            className="p-1.5 hover:text-forge"
          >
            <X size={14} aria-hidden />
          </button>
        </span>
      ))}
      {left.length > 0 && (
        <select
          aria-label={`${name}: add a grip`}
          value=""
          onChange={(event) => onChange([...steps, event.target.value as LadderStep])}
          className="rounded-sm border border-edge bg-ground px-2 py-1"
        >
          <option value="">then …</option>
          {left.map((step) => (
            <option key={step} value={step}>
              {STEP_WORDS[step]}
            </option>
          ))}
        </select>
      )}
      {steps.join() !== was.join() && <span className="text-sm text-ochre">adjusted</span>}
      {error && (
        <span role="alert" className="w-full text-oxblood">
          {error}
        </span>
      )}
    </div>
  );
}

/** Every strap policy of the practice book that can be switched on, the original's own first. */
function policiesFor(basedOn: School): readonly StrapPolicy[] {
  const others = SCHOOLS.filter((school) => school.id !== basedOn.id).flatMap((school) => school.strapsFirst);
  return [...basedOn.strapsFirst, ...others];
}

function repsOf(policy: StrapPolicy): number | undefined {
  return policy.when.find(
    (each): each is Extract<StrapCondition, { kind: 'repsAtLeast' }> => each.kind === 'repsAtLeast',
  )?.reps;
}

function Straps({
  school,
  basedOn,
  months,
  onChange,
}: {
  school: School;
  basedOn: School;
  months: ReactElement;
  onChange: (part: Partial<School>) => void;
}): ReactElement {
  const last = basedOn.strapsLast ?? {
    id: `school.${school.id}.straps-last`,
    when: [{ kind: 'roles' as const, roles: SET_ROLES.filter((role) => role !== 'attempt') }],
    reason: 'straps once every bare grip has failed',
  };
  return (
    <fieldset>
      <legend className="w-full border-b border-ink pb-1 font-semibold">Straps</legend>
      <ul>
        {policiesFor(basedOn).map((policy) => {
          const on = school.strapsFirst.find((each) => each.id === policy.id);
          const reps = repsOf(on ?? policy);
          return (
            <li key={policy.id} className="flex flex-wrap items-center gap-x-3 border-b border-rule py-1.5">
              <label className="flex grow items-center gap-2">
                <input
                  type="checkbox"
                  checked={on !== undefined}
                  onChange={(event) =>
                    onChange({
                      strapsFirst: event.target.checked
                        ? [...school.strapsFirst, policy]
                        : school.strapsFirst.filter((each) => each.id !== policy.id),
                    })
                  }
                  className="accent-forge"
                />
                {policy.reason}
              </label>
              {on && reps !== undefined && (
                <label className="flex items-center gap-2 text-sm">
                  from
                  <input
                    type="number"
                    min={1}
                    max={30}
                    aria-label={`Repetitions from which: ${policy.reason}`}
                    value={reps}
                    onChange={(event) =>
                      onChange({
                        strapsFirst: school.strapsFirst.map((each) =>
                          each.id === policy.id
                            ? {
                                ...each,
                                when: each.when.map((when) =>
                                  when.kind === 'repsAtLeast'
                                    ? { ...when, reps: Number(event.target.value) || 1 }
                                    : when,
                                ),
                              }
                            : each,
                        ),
                      })
                    }
                    className="w-16 rounded-sm border border-edge bg-ground px-2 py-1"
                  />
                  reps
                </label>
              )}
            </li>
          );
        })}
        <li className="border-b border-rule py-1.5">
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={school.strapsLast !== null}
              onChange={(event) => onChange({ strapsLast: event.target.checked ? last : null })}
              className="accent-forge"
            />
            last of all, once the bare grips fall short: {last.reason}
          </label>
        </li>
        <li className="border-b border-rule py-1.5">
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={school.soreHands.straps}
              onChange={(event) =>
                onChange({
                  soreHands: {
                    straps: event.target.checked,
                    reason: event.target.checked
                      ? 'sore hands are spared with straps'
                      : 'hands that merely hurt are still worked',
                  },
                })
              }
              className="accent-forge"
            />
            for hands that hurt, skin sound
          </label>
        </li>
      </ul>
      <div className="mt-2">{months}</div>
    </fieldset>
  );
}
