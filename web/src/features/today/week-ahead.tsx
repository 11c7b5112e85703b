import type { DayCell, DayWeek } from '@iron-clasp/contract';
import clsx from 'clsx';
import { format, parseISO } from 'date-fns';
import { Flag } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';

/** The coming seven days: days across, lifters down, with what is heavy, held, and where a block or a meet lies. */
export function WeekAhead({ week }: { week: DayWeek }): ReactElement {
  const { days, rows, more } = week;
  return (
    <section aria-label="The week ahead" className="order-last min-w-0">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="text-xl">The week ahead</h2>
        <p aria-hidden className="flex flex-wrap items-center gap-x-4 text-sm text-quiet">
          <span className="flex items-center gap-1.5">
            <Bar /> session
          </span>
          <span className="flex items-center gap-1.5">
            <Bar heavy /> heavy pull
          </span>
          <span className="flex items-center gap-1.5">
            <Dot /> hold
          </span>
          <span className="flex items-center gap-1.5">
            <span className="inline-block h-4 w-6 bg-verdigris/20" /> hold block
          </span>
        </p>
      </div>
      {rows.length === 0 ? (
        <p className="border-t border-rule py-3 text-quiet">Nothing is written for the coming days.</p>
      ) : (
        <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Sessions of the coming days">
          <table className="w-full min-w-[34rem] table-fixed border-collapse">
            <thead>
              <tr>
                <th scope="col" className="w-40 text-left font-normal">
                  <span className="sr-only">Lifter</span>
                </th>
                {days.map((day, i) => (
                  <th
                    key={day}
                    scope="col"
                    className={clsx(
                      'figures py-0.5 text-center font-medium',
                      i === 0 ? 'text-ink' : 'text-quiet',
                    )}
                  >
                    {format(parseISO(day), 'EEE d')}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.lifterId} className="border-t border-rule">
                  <th scope="row" className="truncate py-0.5 text-left font-normal">
                    <Link to={`/lifters/${row.lifterId}/program`} className="hover:underline">
                      {row.lifterName}
                      <span className="sr-only">, program</span>
                    </Link>
                  </th>
                  {row.cells.map((cell, i) => (
                    <Cell key={days[i]} cell={cell} lifterId={row.lifterId} today={i === 0} />
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {more > 0 && <p className="pt-1 text-sm text-quiet">{more} more lifters train this week.</p>}
    </section>
  );
}

function Cell({ cell, lifterId, today }: { cell: DayCell; lifterId: string; today: boolean }): ReactElement {
  return (
    <td
      title={cell.block ?? undefined}
      className={clsx(
        'h-7 border-l border-rule text-center',
        cell.block && 'bg-verdigris/15',
        today && 'border-t-2 border-t-forge bg-raised',
      )}
    >
      <span className="flex items-center justify-center gap-1.5">
        {cell.sessions.map((session) => (
          <Link
            key={session.id}
            to={`/lifters/${lifterId}/calls/${session.id}`}
            title={session.title}
            aria-label={`${session.title}${session.heavy ? ', heavy pull' : ''}${session.holds > 0 ? ', hold' : ''}`}
            className="inline-flex min-h-6 min-w-6 items-center justify-center gap-1 hover:bg-rule/60"
          >
            <Bar heavy={session.heavy} />
            {session.holds > 0 && <Dot />}
          </Link>
        ))}
        {cell.meet && (
          <span title={cell.meet} className="text-forge">
            <Flag size={15} aria-label={cell.meet} fill="currentColor" />
          </span>
        )}
        {cell.block && <span className="sr-only">{cell.block}</span>}
      </span>
    </td>
  );
}

function Bar({ heavy = false }: { heavy?: boolean }): ReactElement {
  return <span aria-hidden className={clsx('inline-block h-4', heavy ? 'w-1 bg-ink' : 'w-px bg-quiet')} />;
}

function Dot(): ReactElement {
  return <span aria-hidden className="inline-block size-2 rounded-full bg-verdigris" />;
}
