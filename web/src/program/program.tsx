import type { SeasonSession, SessionPlanView } from '@iron-clasp/contract';
import { addDays, format, isSameISOWeek, parseISO, startOfISOWeek } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { ask } from '../api/client.ts';
import { usePlan, useSaveSessions, type SessionToSave } from '../api/queries.ts';
import { Button } from '../parts/button.tsx';
import { nearDay } from '../parts/figures.ts';
import { Failed, Loading } from '../parts/states.tsx';
import { useOpenSheet } from '../sheet/sheet.tsx';
import { SessionEditor } from './session-editor.tsx';

/** What the editor is open for: nothing, a new session, one to change, or one to copy. */
type Open =
  { readonly kind: 'none' | 'new' } | { readonly kind: 'change' | 'copy'; readonly sessionId: string };

/** The lifter's coming sessions as the coach writes them. */
export function Program(): ReactElement {
  const { lifter, season, today } = useOpenSheet();
  const [open, setOpen] = useState<Open>({ kind: 'none' });
  const coming = season.sessions.filter((session) => session.on >= today && !session.done);
  const plan = usePlan('sessionId' in open ? open.sessionId : null);
  const close = (): void => setOpen({ kind: 'none' });
  return (
    <div className="grid gap-x-10 gap-y-6 py-4 xl:grid-cols-[minmax(0,19rem)_minmax(0,1fr)]">
      <section aria-label="Coming sessions" className={open.kind === 'none' ? '' : 'hidden xl:block'}>
        <div className="flex flex-wrap gap-2">
          <Button look="action" onClick={() => setOpen({ kind: 'new' })}>
            Write a session
          </Button>
          <CopyWeek lifterId={lifter.id} sessions={season.sessions} today={today} />
        </div>
        {coming.length === 0 && <p className="py-4 text-quiet">Nothing is written from today on.</p>}
        <ul className="mt-3">
          {coming.map((session) => (
            <li key={session.id} className="flex items-center gap-x-1 border-b border-rule py-1.5">
              <span className="mr-auto min-w-0">
                <b className="figures text-lg">{nearDay(session.on, today)}</b> {session.title}
              </span>
              <Button
                look="quiet"
                className="px-1.5"
                aria-label={`Change ${session.title}, ${session.on}`}
                onClick={() => setOpen({ kind: 'change', sessionId: session.id })}
              >
                Change
              </Button>
              <Button
                look="quiet"
                className="px-1.5"
                aria-label={`Copy ${session.title}, ${session.on}`}
                onClick={() => setOpen({ kind: 'copy', sessionId: session.id })}
              >
                Copy
              </Button>
            </li>
          ))}
        </ul>
      </section>
      <div className="min-w-0">
        {open.kind === 'none' && <LineHelp />}
        {'sessionId' in open && plan.isPending && <Loading what="the session" lines={6} />}
        {'sessionId' in open && plan.error && <Failed error={plan.error} retry={() => void plan.refetch()} />}
        {open.kind === 'new' && (
          <SessionEditor key="new" lifter={lifter} start={null} on={today} onDone={close} />
        )}
        {'sessionId' in open && plan.data && !plan.isFetching && (
          <SessionEditor
            key={`${open.kind} ${open.sessionId} ${plan.data.version}`}
            lifter={lifter}
            start={open.kind === 'copy' ? copied(plan.data) : plan.data}
            on={today}
            onDone={close}
          />
        )}
      </div>
    </div>
  );
}

/** The same session a week on, as a new one. */
function copied(plan: SessionPlanView): SessionPlanView {
  const heldOn = format(addDays(parseISO(plan.heldOn), 7), 'yyyy-MM-dd');
  return { ...plan, id: '', version: 0, heldOn, started: false };
}

function CopyWeek({
  lifterId,
  sessions,
  today,
}: {
  lifterId: string;
  sessions: readonly SeasonSession[];
  today: string;
}): ReactElement | null {
  const save = useSaveSessions(lifterId);
  const [fault, setFault] = useState<Error | null>(null);
  const [busy, setBusy] = useState(false);
  const week = sessions.filter((session) => isSameISOWeek(parseISO(session.on), parseISO(today)));
  const nextStart = addDays(startOfISOWeek(parseISO(today)), 7);
  const after = sessions.filter((session) => isSameISOWeek(parseISO(session.on), nextStart));
  if (!week.length) return null;
  const copy = async (): Promise<void> => {
    setBusy(true);
    setFault(null);
    try {
      const plans = await Promise.all(
        week.map((session) => ask<SessionPlanView>('GET', `/sessions/${session.id}/plan`)),
      );
      const copies = plans.map((plan): SessionToSave => {
        const { title, venueId, hasHold, lines, heldOn, version } = copied(plan);
        return {
          id: crypto.randomUUID(),
          body: { title, venueId, hasHold, lines: [...lines], heldOn, version },
        };
      });
      await save.mutateAsync(copies);
    } catch (error) {
      setFault(error as Error);
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Button disabled={busy || after.length > 0} onClick={() => void copy()}>
        Copy this week to the next
      </Button>
      {after.length > 0 && (
        <p className="w-full text-sm text-quiet">
          The next week already holds {after.length} {after.length === 1 ? 'session' : 'sessions'}: copy
          single sessions, or clear it first, so that nothing is written twice.
        </p>
      )}
      {fault && <Failed error={fault} />}
    </>
  );
}

const EXAMPLES: readonly (readonly [string, string])[] = [
  ['3x5 @ 75%', 'three sets of five at 75 % of the deadlift max; volume where no role is said'],
  ['top 1x1 @ 172.5', 'a top single; a load without a unit is in your unit'],
  ['ramp top 2x1 @ 91%', 'two top singles with their warm-ups before them'],
  ['back-off 3x4 @ 105kg touch', 'back-offs, touch-and-go'],
  ['2x30s @ 140lb', 'held or carried for time'],
];

function LineHelp(): ReactElement {
  return (
    <section aria-label="How a line is written">
      <h2 className="border-b-2 border-ink pb-1 text-xl">How a line is written</h2>
      <p className="py-2 text-quiet">
        Role, sets x repetitions or seconds, @, load. Roles: warm-up, top, back-off, volume, accessory,
        attempt.
      </p>
      <dl className="grid gap-x-6 gap-y-2 sm:grid-cols-[16rem_1fr]">
        {EXAMPLES.map(([line, what]) => (
          <div key={line} className="contents">
            <dt>
              <code className="figures text-lg">{line}</code>
            </dt>
            <dd className="text-quiet">{what}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
