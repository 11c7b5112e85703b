import {
  SCHOOL_POINTS,
  SCHOOLS,
  SET_ROLE_NAMES,
  type EffortRule,
  type School,
  type SetRole,
  LADDER_STEP_NAMES,
} from '@iron-clasp/core';
import clsx from 'clsx';
import type { ReactElement, ReactNode } from 'react';
import { Link } from 'react-router';
import { Failed, Loading } from '../../ui/states.tsx';
import { useClubSchools, useSchoolEvidence } from '../../data/schools/schools.ts';

const ROLES: readonly SetRole[] = ['warmup', 'top', 'backoff', 'volume'];
const NAME_OF = new Map(SCHOOLS.map((school) => [school.id, school.name]));

export function effortWords(effort: EffortRule): string {
  return effort.kind === 'nearLimit'
    ? `near the limit, held ${Math.round(effort.probability * 100)} times in 100`
    : `${Math.round(effort.fraction * 100)} % of the predicted time`;
}

function strapWords(school: School): string[] {
  const first = school.strapsFirst.map((policy) => policy.reason);
  const last = school.strapsLast ? [`last: ${school.strapsLast.reason}`] : [];
  const wait = school.strapsNotBeforeMonths
    ? [`not in the first ${school.strapsNotBeforeMonths} months of training`]
    : [];
  const all = [...first, ...last, ...wait];
  return all.length ? all : ['never'];
}

/** The schools side by side with every setting, the club's own copies, and the points on which they disagree. */
export function Schools(): ReactElement {
  const copies = useClubSchools();
  const evidence = useSchoolEvidence();
  return (
    <>
      <section aria-label="Our own copies" className="mt-4">
        <h2 className="border-b-2 border-ink pb-1 text-2xl">Our own</h2>
        {copies.isPending && <Loading what="our own schools" lines={2} />}
        {copies.error && <Failed error={copies.error} retry={() => void copies.refetch()} />}
        {copies.data?.length === 0 && (
          <p className="py-2 text-quiet">
            None yet: copy a school below and adjust the copy; the original stays as it is.
          </p>
        )}
        <ul>
          {copies.data?.map((own) => (
            <li key={own.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-rule py-1.5">
              <Link
                to={`/practice/schools/${own.id}`}
                className="figures text-xl font-semibold underline decoration-rule underline-offset-4"
              >
                {own.school.name}
              </Link>
              <span className="grow text-quiet">
                after {NAME_OF.get(own.basedOn)}
                {own.archived
                  ? ' · archived'
                  : ` · ${own.followers} ${own.followers === 1 ? 'lifter follows' : 'lifters follow'} it`}
                {own.changedBy && ` · ${own.changedBy}`}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <div className="mt-8 grid gap-x-8 gap-y-6 xl:grid-cols-2">
        {SCHOOLS.map((school) => (
          <section key={school.id} aria-label={school.name} className="border-t-2 border-ink pt-2">
            <div className="flex items-baseline justify-between gap-3">
              <h2 className="text-2xl">{school.name}</h2>
              <Link
                to={`/practice/schools/${school.id}`}
                aria-label={`Copy ${school.name} and adjust the copy`}
                className="shrink-0 underline decoration-rule underline-offset-4"
              >
                Copy
              </Link>
            </div>
            <p className="text-quiet">{school.summary}</p>
            <Settings school={school} />
          </section>
        ))}
      </div>
      <section aria-label="Where they disagree" className="mt-10">
        <h2 className="border-b-2 border-ink pb-1 text-2xl">Where they disagree</h2>
        {evidence.error && <Failed error={evidence.error} retry={() => void evidence.refetch()} />}
        {SCHOOL_POINTS.map((point) => {
          const found = evidence.data?.evidence.find((each) => each.pointId === point.id);
          return (
            <article key={point.id} className="border-b border-rule py-4">
              <h3 className="text-xl">{point.question}</h3>
              <ul className="mt-2 grid gap-3 md:grid-cols-2">
                {point.sides.map((side) => (
                  <li
                    key={side.says}
                    className={clsx(
                      'border-l-4 pl-3',
                      found?.speaksFor === side.says ? 'border-verdigris' : 'border-rule',
                    )}
                  >
                    <b>{side.says}</b>: {side.because}
                    <span className="block text-sm text-quiet">
                      {side.schools.map((id) => NAME_OF.get(id)).join(' · ')}
                      {found?.speaksFor === side.says && ' · our log leans this way'}
                    </span>
                  </li>
                ))}
              </ul>
              <p className="mt-2 text-sm text-quiet">What would settle it for a lifter: {point.settledBy}.</p>
              {evidence.isPending && <Loading what="what our log says" lines={1} />}
              {found && (
                <p className="mt-2">
                  <span className="label">our log</span> {found.found}{' '}
                  <span className="text-sm text-quiet">({found.behind})</span>
                </p>
              )}
            </article>
          );
        })}
      </section>
    </>
  );
}

/** Every setting of a school. */
export function Settings({ school }: { school: School }): ReactElement {
  return (
    <dl className="mt-3 grid grid-cols-[7rem_1fr] gap-x-3 gap-y-2">
      {ROLES.map((role) => (
        <Setting key={role} name={SET_ROLE_NAMES[role]}>
          {school.ladder[role].map((step) => LADDER_STEP_NAMES[step]).join(', then ')}
        </Setting>
      ))}
      <Setting name="straps">
        <ul className="grid gap-1">
          {strapWords(school).map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      </Setting>
      <Setting name="sore hands">{school.soreHands.reason}</Setting>
      <Setting name="holds">
        {school.hold.sets} × {school.hold.seconds} s, {effortWords(school.hold.effort)}; rest{' '}
        {school.hold.rest[0] / 60}–{school.hold.rest[1] / 60} min: {school.hold.reason}
      </Setting>
    </dl>
  );
}

function Setting({ name, children }: { name: string; children: ReactNode }): ReactElement {
  return (
    <>
      <dt className="label pt-0.5">{name}</dt>
      <dd>{children}</dd>
    </>
  );
}
