import {
  CLOSING_TO_OPENING_LIMIT,
  GRIP_KINDS,
  KIT_NEED_NAMES,
  WRIST_POSITIONS,
  type GripKind,
  type GripWork,
  type KitNeed,
  type WristPosition,
  GRIP_KIND_NAMES,
  WRIST_POSITION_NAMES,
} from '@iron-clasp/core';
import type { GripWeekView, HoldsView } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useTakeForearm } from '../../data/holds/holds.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { formatMass, shortDay } from '../../ui/figures.ts';
import { Caution, Failed } from '../../ui/states.tsx';

const wordOf = (what: GripKind | WristPosition): string =>
  what in GRIP_KIND_NAMES ? GRIP_KIND_NAMES[what as GripKind] : WRIST_POSITION_NAMES[what as WristPosition];

/** The forearm and wrist week: what the hands did, what is missing, what would fill it, and what clashes. */
export function GripWeek({ view, lifterId }: { view: HoldsView; lifterId: string }): ReactElement {
  const coach = useIsCoach();
  const [which, setWhich] = useState<'this' | 'next'>('this');
  const week = which === 'this' ? view.week : view.nextWeek;
  return (
    <section aria-label="Forearm and wrist week" className="grid min-w-0 gap-4">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Forearm and wrist week</h2>
      <Balance work={view.work} />
      <Choices
        legend="Plan"
        value={which}
        onChange={setWhich}
        options={[
          ['this', `this week, from ${shortDay(view.week.from)}`],
          ['next', 'next week'],
        ]}
      />
      <Clashes week={week} />
      <Proposals week={week} lifterId={coach ? lifterId : null} />
    </section>
  );
}

/** Work of the last seven days by kind, closing against opening, and the wrist. */
function Balance({ work }: { work: GripWork }): ReactElement {
  const most = Math.max(1, ...GRIP_KINDS.map((kind) => work.byKind[kind]));
  const ratio = work.closingToOpening;
  return (
    <div>
      <p className="label">Done in the last seven days, in seconds at the load held 10 s</p>
      <ul className="mt-1 grid gap-x-6 md:max-xl:grid-cols-2">
        {GRIP_KINDS.map((kind) => (
          <li key={kind} className="grid grid-cols-[8rem_1fr_3rem] items-center gap-2">
            <span>{GRIP_KIND_NAMES[kind]}</span>
            <span className="h-2.5 bg-rule/50" aria-hidden>
              <span
                className="block h-full bg-verdigris"
                style={{ width: `${(work.byKind[kind] / most) * 100}%` }}
              />
            </span>
            <span className="figures text-right text-lg">
              {work.byKind[kind] === 0 ? (
                <span className="text-ochre">none</span>
              ) : (
                Math.round(work.byKind[kind])
              )}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-2">
        {WRIST_POSITIONS.map(
          (position) => `${WRIST_POSITION_NAMES[position]} ${Math.round(work.byWrist[position])}`,
        ).join(' · ')}
        {' · '}
        {work.hardDays} hard {work.hardDays === 1 ? 'day' : 'days'}
        {work.weekAgainstMonth !== null && ` · ${work.weekAgainstMonth.toFixed(1)} of a usual week`}
      </p>
      {(ratio === null || ratio > CLOSING_TO_OPENING_LIMIT) && work.total > 0 && (
        <Caution>
          {ratio === null
            ? 'The hand was closed and never opened: band opening belongs after the closing work.'
            : `Closing ${ratio.toFixed(0)} times the opening work; elbows begin to ache past ${CLOSING_TO_OPENING_LIMIT}.`}
        </Caution>
      )}
      {work.guessed > 0.5 && (
        <p className="text-sm text-quiet">
          {Math.round(work.guessed * 100)} % of it is taken at half effort: no own 10 s load is known for
          those.
        </p>
      )}
    </div>
  );
}

function Clashes({ week }: { week: GripWeekView }): ReactElement {
  return week.clashes.length === 0 ? (
    <p className="text-quiet">Nothing clashes with a spacing rule.</p>
  ) : (
    <ul aria-label="Clashes" className="grid gap-1">
      {week.clashes.map((clash) => (
        <li key={clash.ruleId + clash.text}>
          <Caution>
            {clash.days.length > 0 && <b>{clash.days.map(shortDay).join(', ')}: </b>}
            {clash.text} <span className="text-quiet">Rule: {clash.rule}</span>
          </Caution>
        </li>
      ))}
    </ul>
  );
}

/** @param lifterId of whom a coach may write it for; null for everybody else. */
function Proposals({ week, lifterId }: { week: GripWeekView; lifterId: string | null }): ReactElement {
  const { forearm } = week;
  const unit = useUnit();
  const take = useTakeForearm(lifterId ?? '');
  return (
    <div>
      <h3 className="text-lg">What would fill the gaps, with the kit at hand</h3>
      {forearm.sessions.length === 0 ? (
        <p className="text-quiet">Nothing: the week touches everything that the kit can reach.</p>
      ) : (
        <ul>
          {forearm.sessions.map((session) => (
            <li
              key={session.on}
              className="grid grid-cols-[7rem_1fr_auto] gap-x-3 border-b border-rule py-1.5"
            >
              <span className="figures">{shortDay(session.on)}</span>
              <span>
                {session.exercises.map((each, i) => (
                  <span key={each.lift} className="block">
                    <b>{each.name}</b>{' '}
                    <span className="figures">
                      {each.sets} × {each.seconds !== undefined ? `${each.seconds} s` : each.reps}
                      {each.load && each.load.load > 0 && ` at ${formatMass(each.load.load, unit)}`}
                    </span>{' '}
                    <span className="text-sm text-quiet">{each.covers.map(wordOf).join(', ')}</span>
                    {i < session.exercises.length - 1 && ' '}
                  </span>
                ))}
              </span>
              {lifterId !== null && (
                <Button
                  className="self-start"
                  disabled={take.isPending}
                  onClick={() => take.mutate({ day: session.on, sessionId: crypto.randomUUID() })}
                >
                  Add<span className="sr-only"> the work of {shortDay(session.on)} to the program</span>
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {take.error && <Failed error={take.error} />}
      {forearm.why.map((why) => (
        <p key={why.text} className="text-sm text-quiet">
          {why.text}
        </p>
      ))}
      {forearm.outOfReach.length > 0 && (
        <p className="text-sm text-quiet">
          Out of reach here:{' '}
          {forearm.outOfReach
            .map(
              ({ what, needs }) =>
                `${wordOf(what)}${needs.length ? ` (needs ${needs.map((need: KitNeed) => KIT_NEED_NAMES[need]).join(', ')})` : ''}`,
            )
            .join('; ')}
          .{' '}
          <Link to="/kit" className="underline underline-offset-4">
            Kit
          </Link>
        </p>
      )}
    </div>
  );
}
