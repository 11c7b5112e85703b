import type { OwnDayView } from '@iron-clasp/contract';
import { sayHands } from '@iron-clasp/core';
import clsx from 'clsx';
import { format, parseISO } from 'date-fns';
import { Timer } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useFloorsAhead, useOwnDay } from '../../data/club/day.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { Chance } from '../../ui/chance.tsx';
import { nearDay, shortDay, soon } from '../../ui/figures.ts';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { HandsMark } from '../../ui/marks/hands-mark.tsx';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { gripSaid, setWords, shortHold } from './day-words.ts';

/** A lifter's home: the session of the day, what is to be minded, the coach's word, and the coming days. */
export function OwnToday({ lifterId }: { lifterId: string }): ReactElement {
  const day = useOwnDay(lifterId);
  return (
    <div className="px-4 pb-10 pt-4 md:px-6">
      {day.isPending && <Loading what="today" lines={7} />}
      {day.error && !day.data && <Failed error={day.error} retry={() => void day.refetch()} />}
      {day.data && <Drawn day={day.data} sheet={`/lifters/${lifterId}`} />}
    </div>
  );
}

type Session = OwnDayView['sessions'][number];

function Drawn({ day, sheet }: { day: OwnDayView; sheet: string }): ReactElement {
  const { today, sessions, meet, hands, handsOn, handsStale, mind, note, week } = day;
  useFloorsAhead(sessions);
  const rest = sessions.every(({ on }) => on !== today);
  return (
    <>
      <header className="mb-3 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-3xl md:text-4xl">{format(parseISO(today), 'EEEE d MMMM')}</h1>
        <p className="text-quiet">
          {[...(rest ? ['no session today'] : []), ...(meet ? [`${meet.name} ${soon(meet.days)}`] : [])].join(
            ' · ',
          )}
        </p>
      </header>
      <div className="grid gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <div className="grid content-start gap-6">
          {sessions.map((session) => (
            <SessionOf key={session.id} session={session} today={today} sheet={sheet} />
          ))}
          {sessions.length === 0 && (
            <p className="text-quiet">Nothing is written for you yet. Ask your coach.</p>
          )}
          <Days week={week} sheet={sheet} />
        </div>
        <div className="order-first grid content-start gap-5 lg:order-none">
          <section aria-label="Your hands">
            <h2 className="border-b-2 border-ink pb-1 text-xl">Your hands</h2>
            <p className="flex items-center gap-3 py-2">
              <HandsMark hands={hands} looked={handsOn !== null} size={34} />
              <span>
                {sayHands(hands, handsOn !== null)}
                <span className={clsx('block text-sm', handsStale ? 'text-ochre' : 'text-quiet')}>
                  {handsOn ? `looked at ${nearDay(handsOn, today)}` : 'never looked at'}
                </span>
              </span>
            </p>
            <Link to={`${sheet}/hands`} className="underline underline-offset-4">
              Look at them now
            </Link>
          </section>
          {mind.length > 0 && (
            <section aria-label="To mind">
              <h2 className="border-b-2 border-ink pb-1 text-xl">To mind</h2>
              <ul>
                {mind.map(({ level, text, step }) => (
                  <li key={text} className="border-b border-rule py-1.5">
                    <Link
                      to={`${sheet}/${step}`}
                      className={clsx(
                        'underline decoration-rule underline-offset-4',
                        level === 'stop' && 'font-semibold text-oxblood',
                        level === 'caution' && 'text-ochre',
                      )}
                    >
                      {text}
                    </Link>
                  </li>
                ))}
              </ul>
            </section>
          )}
          {note && (
            <section aria-label="From your coach">
              <h2 className="border-b-2 border-ink pb-1 text-xl">From your coach</h2>
              <p className="py-2">
                {note.text}
                <span className="block text-sm text-quiet">
                  {shortDay(note.on)}, {note.title}
                </span>
              </p>
            </section>
          )}
        </div>
      </div>
    </>
  );
}

/** The session that is trained today, or the next one: its heaviest set as it is called, its holds, and the way onto the floor. */
function SessionOf({
  session,
  today,
  sheet,
}: {
  session: Session;
  today: string;
  sheet: string;
}): ReactElement {
  const unit = useUnit();
  const { id, title, venue, chalk, top, holds, stop, on } = session;
  return (
    <section aria-label={title}>
      <h2 className="border-b-2 border-ink pb-1 text-xl">
        {title}
        {on !== today && `, ${nearDay(on, today)}`}
      </h2>
      <p className="pt-1.5 text-quiet">
        {venue}, {chalk}
      </p>
      {stop && <Caution stop>{stop}</Caution>}
      {top && (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
          {top.choice && (
            <GripMark choice={top.choice} {...(top.sideUnder && { sideUnder: top.sideUnder })} size={34} />
          )}
          <p className="min-w-0 grow leading-tight">
            <span className="figures block text-3xl font-semibold">{setWords(top, unit)}</span>
            {gripSaid(top)}
          </p>
          {top.probability !== null && top.range && (
            <Chance
              probability={top.probability}
              range={top.range}
              threshold={top.threshold}
              unproven={top.verdict === 'unproven'}
            />
          )}
        </div>
      )}
      {holds.length > 0 && (
        <p className="pb-2 text-verdigris">{holds.map((hold) => shortHold(hold, unit)).join(' · ')}</p>
      )}
      <p className="flex flex-wrap items-center gap-3">
        {on === today && (
          <Link
            to={`/floor/${id}`}
            className="inline-flex min-h-12 items-center gap-2 rounded-sm border border-forge bg-forge px-5 font-semibold text-on-forge hover:brightness-110"
          >
            <Timer size={18} aria-hidden /> To the floor
          </Link>
        )}
        <Link to={`${sheet}/calls/${id}`} className="py-2 underline underline-offset-4">
          Every set
        </Link>
        <Link to={`/cards/${id}`} className="py-2 underline underline-offset-4">
          Card
        </Link>
      </p>
    </section>
  );
}

/** The coming days as a list: what a phone reads better than a grid. */
function Days({ week: { days, rows }, sheet }: { week: OwnDayView['week']; sheet: string }): ReactElement {
  const cells = rows[0]?.cells;
  return (
    <section aria-label="The coming days">
      <h2 className="border-b-2 border-ink pb-1 text-xl">The coming days</h2>
      <ul>
        {days.map((day, i) => {
          const cell = cells?.[i];
          return (
            <li key={day} className="grid grid-cols-[4.5rem_minmax(0,1fr)] border-b border-rule py-1.5">
              <span className={clsx('figures', i === 0 ? 'font-semibold text-forge' : 'text-quiet')}>
                {i === 0 ? 'today' : format(parseISO(day), 'EEE d')}
              </span>
              <span>
                {cell?.meet && <b className="mr-3">{cell.meet}</b>}
                {cell?.sessions.map(({ id, title, heavy, holds }) => (
                  <Link
                    key={id}
                    to={`${sheet}/calls/${id}`}
                    className="mr-3 underline decoration-rule underline-offset-4"
                  >
                    {title}
                    {heavy && <span className="text-quiet">, heavy pull</span>}
                    {holds > 0 && <span className="text-verdigris">, {holds === 1 ? 'hold' : 'holds'}</span>}
                  </Link>
                ))}
                {!cell?.meet && !cell?.sessions.length && <span className="text-quiet">–</span>}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
