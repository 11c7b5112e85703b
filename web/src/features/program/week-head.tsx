import { format, parseISO } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { shiftDay } from '../../ui/date-words.ts';
import { DateField } from '../../ui/date-field.tsx';
import { Select } from '../../ui/select.tsx';
import { Failed } from '../../ui/states.tsx';
import { useChangeWeek, type WeekChange } from '../../data/training/programs.ts';

/** The head of a week, with what can be done to the whole of it. */
export function WeekHead({
  lifterId,
  monday,
  id,
  empty,
  onCopy,
}: {
  lifterId: string;
  monday: string;
  id: string;
  /** Nothing is written in it: there is nothing to be done to it. */
  empty: boolean;
  /** Opens what copies the week to other lifters, or keeps it. */
  onCopy: () => void;
}): ReactElement {
  const [doing, setDoing] = useState<WeekChange['kind'] | null>(null);
  const [weeks, setWeeks] = useState(3);
  const [to, setTo] = useState(() => shiftDay(monday, 7));
  const change = useChangeWeek(lifterId);
  const done = change.data;
  const start = (kind: WeekChange['kind']): void => {
    change.reset();
    setDoing(doing === kind ? null : kind);
  };
  const send = (what: WeekChange): void => change.mutate(what, { onSuccess: () => setDoing(null) });
  // What is asked for goes with the tap: closed once all is read anew, it would move the week under somebody's finger.
  const asking = change.isPending ? null : doing;
  return (
    <header className="border-b-2 border-ink pb-1">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 id={id} className="mr-auto text-xl">
          Week of {format(parseISO(monday), 'd MMMM')}
        </h2>
        {!empty && (
          <>
            <Link
              to={`/cards/week/${lifterId}/${monday}`}
              className="py-1 text-quiet underline decoration-rule underline-offset-4 hover:text-ink"
            >
              card<span className="sr-only"> of the week of {format(parseISO(monday), 'd MMMM')}</span>
            </Link>
            <button
              type="button"
              onClick={onCopy}
              className="py-1 text-quiet underline decoration-rule underline-offset-4 hover:text-ink"
            >
              copy<span className="sr-only"> the week of {format(parseISO(monday), 'd MMMM')}</span>
            </button>
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
          </>
        )}
      </div>
      {asking === 'repeat' && (
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
          <Button look="action" onClick={() => send({ kind: 'repeat', day: monday, weeks })}>
            Repeat the week
          </Button>
        </div>
      )}
      {asking === 'move' && (
        <div className="flex flex-wrap items-center gap-2 py-2">
          To the week of
          <DateField aria-label="To the week of" value={to} onChange={setTo} />
          <Button look="action" onClick={() => send({ kind: 'move', day: monday, to })}>
            Move the week
          </Button>
        </div>
      )}
      {asking === 'clear' && (
        <div className="flex flex-wrap items-center gap-2 py-2">
          <span>Everything of it that is not begun comes off the program.</span>
          <Button look="action" onClick={() => send({ kind: 'clear', day: monday })}>
            Clear the week
          </Button>
        </div>
      )}
      {change.error && <Failed error={change.error} />}
      {change.isPending && (
        <p role="status" className="py-1 text-sm text-quiet">
          Under way …
        </p>
      )}
      {done && doing === null && (
        <p role="status" className="py-1 text-sm text-verdigris">
          {done.sessions} {done.sessions === 1 ? 'session' : 'sessions'} written, moved or taken off
          {done.left > 0 && `; ${done.left} left as they were`}.
        </p>
      )}
    </header>
  );
}
