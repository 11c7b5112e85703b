import { LibraryPlanRequest, MOST_IN_A_PLAN, type LibraryPlan } from '@iron-clasp/contract';
import { findLift, parseSetLine, type HoldKindId, type MassUnit } from '@iron-clasp/core';
import { addDays, format } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { useKeepPlan } from '../../data/training/library.ts';
import { useDraft } from '../../offline/drafts.ts';
import { Button } from '../../ui/button.tsx';
import { FormEnd } from '../../ui/form-end.tsx';
import { DraftNote } from '../../ui/draft-note.tsx';
import { Field } from '../../ui/field.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Select } from '../../ui/select.tsx';
import { useToast } from '../../ui/toast.tsx';
import { hintFor, LineFault } from './line-read.tsx';
import { SessionHolds } from './session-holds.tsx';
import { linesOf, row, rowsOf, WrittenLines, type Row } from './written-lines.tsx';

/** A session of the plan as it stands in the editor. */
interface Written {
  readonly key: string;
  readonly day: number;
  readonly title: string;
  readonly rows: readonly Row[];
  readonly holds: readonly HoldKindId[];
}

interface Content {
  readonly title: string;
  readonly sessions: readonly Written[];
}

/** A Monday: days of a plan are counted from it. */
const MONDAY = new Date(2024, 0, 1);
export const dayName = (day: number, form: 'EEE' | 'EEEE'): string => format(addDays(MONDAY, day), form);

const written = ({ day, title, lines, holds }: LibraryPlan['sessions'][number]): Written => ({
  ...{ key: crypto.randomUUID(), day, title, holds },
  rows: rowsOf(lines),
});

const contentOf = ({ title, sessions }: LibraryPlan): Content => ({
  title,
  sessions: sessions.map(written),
});

/** A plan of the library changed in place: its title, and session by session its day, lines and holds. */
export function PlanEditor({ plan, onDone }: { plan: LibraryPlan; onDone: () => void }): ReactElement {
  const unit = useUnit();
  const keep = useKeepPlan();
  const say = useToast();
  const [blank] = useState(() => contentOf(plan));
  const draft = useDraft(`plan.${plan.id}`, blank, plan.version);
  const { typed, set, restart, leave, fault, wrong, onSubmit, failed, sending } = useRequestForm({
    request: LibraryPlanRequest,
    start: blank,
    draft,
    bodyOf: ({ title, sessions }: Content): LibraryPlanRequest => ({
      title,
      sessions: sessions.map(({ day, title: name, rows, holds }) => ({
        ...{ day, title: name, holds: [...holds] },
        lines: linesOf(rows),
      })),
      version: draft.found?.version ?? plan.version,
    }),
    send: (body) => keep.mutateAsync({ id: plan.id, body }),
    onSaved: () => {
      say(`${typed.title} is saved.`);
      onDone();
    },
    onLeave: onDone,
  });
  const { title, sessions } = typed;
  const put = (at: number, part: Partial<Written>): void =>
    set({ sessions: sessions.map((each, i) => (i === at ? { ...each, ...part } : each)) });
  return (
    <form onSubmit={onSubmit} noValidate aria-label={`Edit ${plan.title}`} className="grid gap-4">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Edit: {plan.title}</h2>
      {draft.found && <DraftNote at={draft.found.at} onDiscard={() => restart(contentOf(plan))} />}
      <Field
        label="Title in the library"
        value={title}
        maxLength={80}
        error={fault('title')}
        onChange={(event) => set({ title: event.target.value })}
      />
      {sessions.map((session, s) => {
        const name = session.title || `Session ${s + 1}`;
        return (
          <fieldset key={session.key} className="grid gap-3 border-t border-rule pt-3">
            <legend className="sr-only">{name}</legend>
            <div className="flex flex-wrap items-end gap-3">
              {plan.kind === 'week' && (
                <Select
                  label={`Day of session ${s + 1}`}
                  value={String(session.day)}
                  options={WEEK.map((day) => [String(day), dayName(day, 'EEEE')] as const)}
                  onChange={(day) => put(s, { day: Number(day) })}
                />
              )}
              <Field
                label={`Title of session ${s + 1}`}
                value={session.title}
                maxLength={80}
                error={fault(`sessions[${s}].title`)}
                onChange={(event) => put(s, { title: event.target.value })}
              />
              {sessions.length > 1 && (
                <Button look="quiet" onClick={() => set({ sessions: sessions.filter((_, at) => at !== s) })}>
                  Remove<span className="sr-only"> {name}</span>
                </Button>
              )}
            </div>
            <WrittenLines
              of={`Session ${s + 1}`}
              rows={session.rows}
              onRows={(rows) => put(s, { rows })}
              below={(each, i, id) => (
                <PlanRead
                  id={id}
                  row={each}
                  unit={unit}
                  refused={
                    fault(`sessions[${s}].lines[${i}].text`) ?? fault(`sessions[${s}].lines[${i}].liftId`)
                  }
                />
              )}
            />
            <SessionHolds
              kinds={session.holds}
              error={fault(`sessions[${s}].holds`)}
              onChange={(holds) => put(s, { holds })}
            />
          </fieldset>
        );
      })}
      {plan.kind === 'week' && sessions.length < MOST_IN_A_PLAN && (
        <Button
          className="justify-self-start"
          onClick={() => set({ sessions: [...sessions, empty(nextDay(sessions))] })}
        >
          Add a session
        </Button>
      )}
      <FormEnd failed={failed} sending={sending} wrong={wrong} onCancel={leave} />
    </form>
  );
}

const WEEK = [0, 1, 2, 3, 4, 5, 6];

const empty = (day: number): Written => ({
  ...{ key: crypto.randomUUID(), day, title: '', rows: [row()], holds: [] },
});

/** The day after the last one that is written. */
const nextDay = (sessions: readonly Written[]): number =>
  Math.min(6, 1 + Math.max(-1, ...sessions.map(({ day }) => day)));

/** What a best is taken as, where nobody's is meant. */
const NOMINAL = 100;

/** How a line of a plan reads, in full; where it cannot be read, or is refused, why. */
function PlanRead({
  id,
  row: { liftId, text },
  unit,
  refused,
}: {
  id: string;
  row: Row;
  unit: MassUnit;
  refused: string | undefined;
}): ReactElement {
  const quiet = refused ? 'text-sm text-oxblood' : 'figures text-base text-quiet';
  const lift = findLift(liftId)!;
  if (text.trim() === '')
    return (
      <p id={id} className={quiet}>
        {refused ?? hintFor(lift)}
      </p>
    );
  const bests = { deadliftMax: NOMINAL, bests: [{ liftId, load: NOMINAL }] };
  const read = parseSetLine(text, { ...bests, unit, lift });
  if (read.fault) return <LineFault id={id} text={text} fault={read.fault} />;
  return (
    <p id={id} className={quiet}>
      {/* Written in full it says nothing more. */}
      {refused ?? (read.line === text.trim() ? null : read.line)}
    </p>
  );
}
