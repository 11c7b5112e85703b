import type { DaySession, DayView } from '@iron-clasp/contract';
import clsx from 'clsx';
import { useState, type ReactElement } from 'react';
import { Link, useNavigate } from 'react-router';
import { MOST_LANES, useFloorsAhead } from '../../data/club/day.ts';
import { useRack } from '../../data/lifters/rack.ts';
import { useIsCoach, useMayLog } from '../../data/session/use-is-coach.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { gripSaid, setWords, shortHold } from './day-words.ts';
import { Button } from '../../ui/button.tsx';
import { Chance } from '../../ui/chance.tsx';
import { Checkbox } from '../../ui/checkbox.tsx';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { HandsMark } from '../../ui/marks/hands-mark.tsx';
import { Empty } from '../../ui/states.tsx';

/** Who trains today, by venue, each in one line; the floor starts with those who are ticked. */
export function OnTheFloor({ day }: { day: DayView }): ReactElement {
  const navigate = useNavigate();
  const logs = useMayLog();
  const open = day.sessions.filter((session) => !session.finished);
  useFloorsAhead(open);
  // The first lanes are ticked until somebody unticks one.
  const [chosen, setChosen] = useState<readonly string[] | null>(null);
  const ticked = (chosen ?? open.slice(0, MOST_LANES).map((session) => session.id)).filter((id) =>
    open.some((session) => session.id === id),
  );
  const tick = (id: string, on: boolean): void =>
    setChosen(on ? [...ticked, id] : ticked.filter((each) => each !== id));
  const venues = [...new Set(day.sessions.map((session) => session.venue))];
  return (
    <section aria-label="On the floor" className="min-w-0">
      <h2 className="border-b-2 border-ink pb-1 text-xl">On the floor</h2>
      {day.sessions.length === 0 && (
        <Empty title="Nobody trains today">
          <p>Sessions stand here on their day.</p>
          {day.week.rows.length === 0 && <FirstSession />}
        </Empty>
      )}
      {venues.map((venue) => {
        const here = day.sessions.filter((session) => session.venue === venue);
        return (
          <section key={venue} aria-label={venue}>
            <p className="border-b border-rule pb-1 pt-2 text-quiet">
              {venue}, {here[0]!.chalk}
            </p>
            <ul>
              {here.map((session) => (
                <Row
                  key={session.id}
                  session={session}
                  ticked={ticked.includes(session.id)}
                  full={ticked.length >= MOST_LANES}
                  onTick={(on) => tick(session.id, on)}
                />
              ))}
            </ul>
          </section>
        );
      })}
      {day.total > day.sessions.length && (
        <p className="py-2 text-quiet">
          {day.total - day.sessions.length} more:{' '}
          <Link to="/floor" className="underline underline-offset-4">
            choose on the floor’s list
          </Link>
        </p>
      )}
      {day.sessions.length > 0 && (
        <p className="mt-3 flex flex-wrap items-center gap-3">
          {logs && (
            <Button
              look="action"
              className="min-h-10 px-4"
              disabled={ticked.length === 0}
              onClick={() => void navigate(`/floor/${ticked.join(',')}`)}
            >
              Start the floor with {ticked.length}
            </Button>
          )}
          <Button className="min-h-10" onClick={() => void navigate('/cards')}>
            Print cards
          </Button>
          {ticked.length > 0 && (
            <Link to={`/live/${ticked.join(',')}`} className="py-2 underline underline-offset-4">
              Follow on this screen
            </Link>
          )}
        </p>
      )}
    </section>
  );
}

/** The one next step of a club in which nothing is written yet. */
function FirstSession(): ReactElement | null {
  const coach = useIsCoach();
  const first = useRack().data?.pages[0]?.lifters[0];
  if (!coach || !first) return null;
  return (
    <p className="mt-1">
      Next:{' '}
      <Link to={`/lifters/${first.id}/program`} className="underline underline-offset-4">
        write the first session of {first.name}
      </Link>
      ; its calls stand on the sheet at once.
    </p>
  );
}

interface RowProps {
  readonly session: DaySession;
  readonly ticked: boolean;
  readonly full: boolean;
  readonly onTick: (on: boolean) => void;
}

function Row({ session, ticked, full, onTick }: RowProps): ReactElement {
  const unit = useUnit();
  const { top, hands, handsOn, stop, note } = session;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 gap-y-1 border-b border-rule py-1 md:grid-cols-[9rem_2.75rem_minmax(0,1fr)_5.5rem_2.75rem_minmax(0,7.5rem)]">
      {session.finished ? (
        <p className="min-w-0">
          <NameLink session={session} />
          <span className="block text-sm text-quiet">done today</span>
        </p>
      ) : (
        <div className="flex min-w-0 items-center">
          <Checkbox checked={ticked} disabled={!ticked && full} onChange={onTick}>
            <span className="sr-only">{session.lifterName} on the floor</span>
          </Checkbox>
          <NameLink session={session} />
        </div>
      )}
      <span className="justify-self-end md:justify-self-start">
        {top?.choice && (
          <GripMark choice={top.choice} {...(top.sideUnder && { sideUnder: top.sideUnder })} size={22} />
        )}
      </span>
      <p className="min-w-0 leading-tight">
        <span className="figures block text-lg font-semibold leading-tight">
          {top ? setWords(top, unit) : session.title}
        </span>
        <span className="block text-sm text-quiet">
          {[gripSaid(top), ...session.holds.map((hold) => shortHold(hold, unit))].join(' · ')}
        </span>
      </p>
      <span>
        {top?.probability != null && top.range && (
          <Chance
            probability={top.probability}
            range={top.range}
            threshold={top.threshold}
            unproven={top.verdict === 'unproven'}
            stacked
          />
        )}
      </span>
      <span className="col-span-2 flex items-center gap-3 md:contents">
        <HandsMark hands={hands} looked={handsOn !== null} />
        <span
          className={clsx(
            'line-clamp-2 text-sm leading-tight',
            stop || note?.level === 'stop'
              ? 'font-semibold text-oxblood'
              : note?.level === 'caution'
                ? 'text-ochre'
                : 'text-quiet',
          )}
        >
          {stop ?? note?.text ?? ''}
        </span>
      </span>
    </li>
  );
}

function NameLink({ session }: { session: DaySession }): ReactElement {
  return (
    <Link
      to={`/lifters/${session.lifterId}/calls/${session.id}`}
      className="min-w-0 font-semibold leading-tight hover:underline"
    >
      {session.lifterName}
    </Link>
  );
}
