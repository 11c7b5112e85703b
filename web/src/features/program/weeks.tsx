import type { SeasonSession } from '@iron-clasp/contract';
import { addDays, format, parseISO, startOfISOWeek } from 'date-fns';
import { Copy, PencilLine, Trash2, Undo2 } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { nearDay } from '../../ui/figures.ts';
import { Failed } from '../../ui/states.tsx';
import {
  useChangeWeek,
  useMoveDay,
  useRemoveSession,
  useRestoreSession,
  type WeekChange,
} from '../../data/training/programs.ts';
import { Select } from '../../ui/select.tsx';
import { DateField, DayButton } from '../../ui/date-field.tsx';

export interface OpenSession {
  readonly kind: 'change' | 'copy';
  readonly sessionId: string;
}

const iso = (date: Date): string => format(date, 'yyyy-MM-dd');
const mondayOf = (day: string): string => iso(startOfISOWeek(parseISO(day)));

interface WeeksProps {
  readonly lifterId: string;
  readonly sessions: readonly SeasonSession[];
  readonly today: string;
  readonly onOpen: (open: OpenSession) => void;
}

/** The coming weeks: each session moved, copied, changed or taken off; each week repeated, moved or cleared as a whole. */
export function Weeks({ lifterId, sessions, today, onOpen }: WeeksProps): ReactElement {
  const weeks = new Map<string, SeasonSession[]>();
  for (const session of sessions) {
    const monday = mondayOf(session.on);
    weeks.set(monday, [...(weeks.get(monday) ?? []), session]);
  }
  const remove = useRemoveSession(lifterId);
  const restore = useRestoreSession(lifterId);
  const move = useMoveDay(lifterId);
  const [gone, setGone] = useState<SeasonSession | null>(null);
  const fault = remove.error ?? restore.error ?? move.error;
  return (
    <>
      {gone && (
        <p
          role="status"
          className="mt-3 flex flex-wrap items-center gap-3 border-l-4 border-ochre bg-raised px-3 py-2"
        >
          <span className="grow">
            {gone.title}, {nearDay(gone.on, today)}, is off the program.
          </span>
          <Button
            disabled={restore.isPending}
            className="inline-flex items-center gap-2"
            onClick={() => restore.mutate(gone.id, { onSuccess: () => setGone(null) })}
          >
            <Undo2 size={16} aria-hidden /> Undo
          </Button>
        </p>
      )}
      {fault && <Failed error={fault} />}
      {[...weeks].map(([monday, each]) => (
        <section key={monday} aria-label={`Week of ${format(parseISO(monday), 'd MMMM')}`} className="mt-4">
          <Week lifterId={lifterId} monday={monday} />
          <ul>
            {each.map((session) => (
              <li key={session.id} className="flex items-center gap-x-1 border-b border-rule py-1">
                <span className="mr-auto min-w-0">
                  <b className="figures text-lg">{nearDay(session.on, today)}</b> {session.title}
                </span>
                <DayButton
                  words={`Day of ${session.title}, ${session.on}`}
                  value={session.on}
                  disabled={move.isPending}
                  onChange={(heldOn) => move.mutate({ id: session.id, version: session.version, heldOn })}
                />
                <Tool
                  words={`Edit ${session.title}, ${session.on}`}
                  onPress={() => onOpen({ kind: 'change', sessionId: session.id })}
                >
                  <PencilLine size={17} aria-hidden />
                </Tool>
                <Tool
                  words={`Copy ${session.title}, ${session.on}`}
                  onPress={() => onOpen({ kind: 'copy', sessionId: session.id })}
                >
                  <Copy size={17} aria-hidden />
                </Tool>
                <Tool
                  words={`Remove ${session.title}, ${session.on}`}
                  onPress={() =>
                    remove.mutate(
                      { id: session.id, version: session.version },
                      { onSuccess: () => setGone(session) },
                    )
                  }
                >
                  <Trash2 size={17} aria-hidden />
                </Tool>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </>
  );
}

function Tool({
  words,
  onPress,
  children,
}: {
  words: string;
  onPress: () => void;
  children: ReactElement;
}): ReactElement {
  return (
    <button type="button" aria-label={words} title={words} onClick={onPress} className="p-2 hover:text-forge">
      {children}
    </button>
  );
}

/** The head of a week, with what can be done to the whole of it. */
function Week({ lifterId, monday }: { lifterId: string; monday: string }): ReactElement {
  const [doing, setDoing] = useState<WeekChange['kind'] | null>(null);
  const [weeks, setWeeks] = useState(3);
  const [to, setTo] = useState(() => iso(addDays(parseISO(monday), 7)));
  const change = useChangeWeek(lifterId);
  const done = change.data;
  const start = (kind: WeekChange['kind']): void => {
    change.reset();
    setDoing(doing === kind ? null : kind);
  };
  const send = (what: WeekChange): void => change.mutate(what, { onSuccess: () => setDoing(null) });
  return (
    <header className="border-b-2 border-ink pb-1">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="mr-auto text-xl">Week of {format(parseISO(monday), 'd MMMM')}</h2>
        {(['repeat', 'move', 'clear'] as const).map((kind) => (
          <button
            key={kind}
            type="button"
            aria-expanded={doing === kind}
            onClick={() => start(kind)}
            className="py-1 text-quiet underline decoration-rule underline-offset-4 hover:text-ink"
          >
            {kind}
          </button>
        ))}
      </div>
      {doing === 'repeat' && (
        <div className="flex flex-wrap items-center gap-2 py-2">
          Write it into the next
          <Select
            aria-label="Write it into the next"
            value={String(weeks)}
            options={Array.from(
              { length: 12 },
              (_, i) => [String(i + 1), i === 0 ? '1 week' : `${i + 1} weeks`] as const,
            )}
            onChange={(value) => setWeeks(Number(value))}
          />
          <Button
            look="action"
            disabled={change.isPending}
            onClick={() => send({ kind: 'repeat', day: monday, weeks })}
          >
            Repeat the week
          </Button>
        </div>
      )}
      {doing === 'move' && (
        <div className="flex flex-wrap items-center gap-2 py-2">
          To the week of
          <DateField aria-label="To the week of" value={to} onChange={setTo} />
          <Button
            look="action"
            disabled={change.isPending}
            onClick={() => send({ kind: 'move', day: monday, to })}
          >
            Move the week
          </Button>
        </div>
      )}
      {doing === 'clear' && (
        <div className="flex flex-wrap items-center gap-2 py-2">
          <span>Everything of it that is not begun comes off the program.</span>
          <Button
            look="action"
            disabled={change.isPending}
            onClick={() => send({ kind: 'clear', day: monday })}
          >
            Clear the week
          </Button>
        </div>
      )}
      {change.error && <Failed error={change.error} />}
      {done && doing === null && (
        <p role="status" className="py-1 text-sm text-verdigris">
          {done.sessions} {done.sessions === 1 ? 'session' : 'sessions'} written, moved or taken off
          {done.left > 0 && `; ${done.left} left as they were`}.
        </p>
      )}
    </header>
  );
}
