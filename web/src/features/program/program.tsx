import type { SeasonSession, SessionPlanView } from '@iron-clasp/contract';
import { useRef, useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { mondayOf, shiftDay } from '../../ui/date-words.ts';
import { nearDay } from '../../ui/figures.ts';
import { Button } from '../../ui/button.tsx';
import { Failed, Loading } from '../../ui/states.tsx';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { draftName, SessionEditor } from './session-editor.tsx';
import { useHasDraft } from '../../offline/drafts.ts';
import type { OpenSession } from './open-session.ts';
import { CopyPanel } from './copy-panel.tsx';
import { Library } from './library.tsx';
import { Weeks } from './weeks.tsx';
import { usePlan, useProgram } from '../../data/training/programs.ts';

/** What the editor is open for. */
type Open = { readonly kind: 'none' } | OpenSession;

/** The lifter's coming weeks as the coach writes them: a grid of days, and the session that is written beneath its week. */
export function Program(): ReactElement {
  const { lifter, season, today } = useOpenSheet();
  const [open, setOpen] = useState<Open>({ kind: 'none' });
  const [from, setFrom] = useState(today);
  const program = useProgram(lifter.id, from);
  const plan = usePlan('sessionId' in open ? open.sessionId : null);
  const waits = useHasDraft(draftName(lifter.id, null));
  const editor = useRef<HTMLDivElement>(null);
  const close = (): void => setOpen({ kind: 'none' });
  const show = (next: OpenSession): void => {
    setOpen(next);
    // Beneath the grid it would open out of sight.
    requestAnimationFrame(() => editor.current?.scrollIntoView({ block: 'nearest' }));
  };
  const { data: view } = program;
  const chosen =
    'sessionId' in open ? open.sessionId : open.kind === 'copy' ? (open.what.from.sessionId ?? null) : null;
  const day =
    open.kind === 'new'
      ? open.on
      : open.kind === 'copy'
        ? open.what.on
        : view?.sessions.find(({ id }) => id === chosen)?.on;
  // With the editor open only its own week stands above it, and none above the library.
  const weeks =
    open.kind === 'library' ? [] : (view?.weeks.filter((monday) => !day || monday === mondayOf(day)) ?? []);
  return (
    <div className="py-4">
      <section aria-label="Coming sessions">
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <Button look="action" onClick={() => show({ kind: 'new', on: today })}>
            New session
          </Button>
          <Button onClick={() => show({ kind: 'library' })}>From the library</Button>
          {waits && open.kind !== 'new' && (
            <p className="text-sm text-quiet">Your draft of one waits there.</p>
          )}
          <span className="ml-auto flex gap-2">
            {from > today && (
              <Button look="quiet" onClick={() => setFrom(today)}>
                This week
              </Button>
            )}
            <Button
              look="quiet"
              disabled={program.isPlaceholderData}
              onClick={() => setFrom(shiftDay(view?.weeks[0] ?? today, -7 * WEEKS_SHOWN))}
            >
              Earlier weeks
            </Button>
            <Button
              look="quiet"
              disabled={program.isPlaceholderData}
              onClick={() => setFrom(shiftDay(view?.weeks[0] ?? today, 7 * WEEKS_SHOWN))}
            >
              Later weeks{view && view.later > 0 && `: ${view.later} written`}
            </Button>
          </span>
        </div>
        <NotLogged sessions={season.sessions.filter(({ on, done }) => on < today && !done)} today={today} />
        {program.isPending && <Loading what="the program" lines={8} />}
        {program.error && <Failed error={program.error} retry={() => void program.refetch()} />}
        {view && view.sessions.length === 0 && view.later === 0 && (
          <p className="pt-3 text-quiet">Nothing is written for these weeks.</p>
        )}
        {view && <Weeks lifterId={lifter.id} view={view} weeks={weeks} chosen={chosen} onOpen={show} />}
      </section>
      <div ref={editor} className="mt-5 min-w-0">
        {'sessionId' in open && plan.isPending && <Loading what="the session" lines={6} />}
        {'sessionId' in open && plan.error && <Failed error={plan.error} retry={() => void plan.refetch()} />}
        {open.kind === 'new' && (
          <SessionEditor key={`new ${open.on}`} lifter={lifter} start={null} on={open.on} onDone={close} />
        )}
        {'sessionId' in open && plan.data && !plan.isFetching && (
          <SessionEditor
            key={`${open.kind} ${open.sessionId} ${plan.data.version}`}
            lifter={lifter}
            start={open.kind === 'editCopy' ? copied(plan.data) : plan.data}
            on={today}
            onDone={close}
          />
        )}
        {open.kind === 'copy' && (
          <CopyPanel
            key={JSON.stringify(open.what.from)}
            what={open.what}
            lifterId={lifter.id}
            today={today}
            onEdit={
              open.what.from.sessionId
                ? () => show({ kind: 'editCopy', sessionId: open.what.from.sessionId! })
                : undefined
            }
            onDone={close}
          />
        )}
        {open.kind === 'library' && <Library lifterId={lifter.id} today={today} onDone={close} />}
        {(open.kind === 'new' || 'sessionId' in open) && <LineHelp />}
      </div>
    </div>
  );
}

/** As many as the server gives at a time. */
const WEEKS_SHOWN = 4;

/** The same session a week on, as a new one. */
function copied(plan: SessionPlanView): SessionPlanView {
  const heldOn = shiftDay(plan.heldOn, 7);
  return { ...plan, id: '', version: 0, heldOn, started: false, later: 0 };
}

const EXAMPLES: readonly (readonly [string, string])[] = [
  [
    '3x5 @ 75%',
    'three sets of five at 75 % of the best in that lift, of the deadlift for other pulls; where no role is said volume, from 90 % on top',
  ],
  ['top 1x1 @ 172.5', 'a top single; a load without a unit is in your unit'],
  ['ramp top 2x1 @ 91%', 'two top singles with their warm-ups before them'],
  ['back-off 3x4 @ 105kg touch', 'back-offs, touch-and-go'],
  ['3x5 @ 2 left', 'by effort: two repetitions left in the tank'],
  ['2x30s @ 140lb', 'held or carried for time'],
  ['3x6 bodyweight, 2x20 band', 'no load'],
  ['3x8 @ 60 grip', 'there for the grip, the back or the event, whatever the lift usually is'],
  ['1x3 @ 80% hook rest 3min', 'fixes the grip, bare, straps, left under, left hand or the rest'],
  ['3x8 @ 30 thick', 'a thick handle, or a towel, between hand and bar'],
];

function LineHelp(): ReactElement {
  return (
    <details className="mt-6 border-t border-rule pt-2">
      <summary className="cursor-pointer underline underline-offset-4">How a line is written</summary>
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
    </details>
  );
}

/** Sessions of past days of which nothing is logged: entered later, each entry is dated to its day. */
function NotLogged({
  sessions,
  today,
}: {
  sessions: readonly SeasonSession[];
  today: string;
}): ReactElement | null {
  if (sessions.length === 0) return null;
  return (
    <section aria-label="Not logged yet" className="mt-4">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Not logged yet</h2>
      <ul>
        {sessions.slice(-MOST_PAST).map((session) => (
          <li key={session.id} className="flex items-baseline gap-3 border-b border-rule py-1.5">
            <span className="mr-auto min-w-0">
              <b className="figures text-lg">{nearDay(session.on, today)}</b> {session.title}
            </span>
            <Link to={`/floor/${session.id}`} className="underline underline-offset-4">
              Log what was done<span className="sr-only"> in {session.title}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Past sessions that are listed. */
const MOST_PAST = 8;
