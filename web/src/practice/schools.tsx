import {
  GRIP_NAMES,
  SCHOOL_POINTS,
  SCHOOLS,
  SET_ROLE_NAMES,
  type EffortRule,
  type LadderStep,
  type School,
  type SetRole,
} from '@iron-clasp/core';
import type { ReactElement, ReactNode } from 'react';

const STEP_WORDS: Record<LadderStep, string> = { ...GRIP_NAMES, bestBare: 'the better of mixed and hook' };
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

/** The schools side by side with every setting, and the points on which they disagree. */
export function Schools(): ReactElement {
  return (
    <>
      <div className="mt-4 grid gap-x-8 gap-y-6 xl:grid-cols-2">
        {SCHOOLS.map((school) => (
          <section key={school.id} aria-label={school.name} className="border-t-2 border-ink pt-2">
            <h2 className="text-2xl">{school.name}</h2>
            <p className="text-quiet">{school.summary}</p>
            <dl className="mt-3 grid grid-cols-[7rem_1fr] gap-x-3 gap-y-2">
              {ROLES.map((role) => (
                <Setting key={role} name={SET_ROLE_NAMES[role]}>
                  {school.ladder[role].map((step) => STEP_WORDS[step]).join(', then ')}
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
          </section>
        ))}
      </div>
      <section aria-label="Where they disagree" className="mt-10">
        <h2 className="border-b-2 border-ink pb-1 text-2xl">Where they disagree</h2>
        {SCHOOL_POINTS.map((point) => (
          <article key={point.id} className="border-b border-rule py-4">
            <h3 className="text-xl">{point.question}</h3>
            <ul className="mt-2 grid gap-3 md:grid-cols-2">
              {point.sides.map((side) => (
                <li key={side.says} className="border-l-4 border-rule pl-3">
                  <b>{side.says}</b>: {side.because}
                  <span className="block text-sm text-quiet">
                    {side.schools.map((id) => NAME_OF.get(id)).join(' · ')}
                  </span>
                </li>
              ))}
            </ul>
            <p className="mt-2 text-sm text-quiet">What would settle it for a lifter: {point.settledBy}.</p>
          </article>
        ))}
      </section>
    </>
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
