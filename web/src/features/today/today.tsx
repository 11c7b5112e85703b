import type { DayView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useDay } from '../../data/club/day.ts';
import { useAccount } from '../../data/session/account.ts';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useRack } from '../../data/lifters/rack.ts';
import { soon } from '../../ui/figures.ts';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { OnTheFloor } from './on-the-floor.tsx';
import { OwnToday } from './own-today.tsx';
import { ToDecide } from './to-decide.tsx';
import { WeekAhead } from './week-ahead.tsx';

/** Home: who trains today, what waits for the coach, and the week ahead. */
export function Today(): ReactElement {
  const lifterId = useAccount()?.lifterId;
  return lifterId ? <OwnToday lifterId={lifterId} /> : <ClubToday />;
}

function ClubToday(): ReactElement {
  const day = useDay();
  return (
    <div className="px-4 pb-10 pt-4 md:px-6">
      {day.isPending && <Loading what="today" lines={9} />}
      {day.error && !day.data && <Failed error={day.error} retry={() => void day.refetch()} />}
      {day.data && <Drawn day={day.data} />}
    </div>
  );
}

function Drawn({ day }: { day: DayView }): ReactElement {
  const coach = useIsCoach();
  const nobody = useRack().data?.pages[0]?.total === 0;
  const facts = [
    day.total === 0 ? 'nobody trains today' : day.total === 1 ? '1 trains today' : `${day.total} train today`,
    ...(coach && day.decide.length > 0 ? [`${day.decide.length + day.moreToDecide} to decide`] : []),
    ...(day.meet ? [`${day.meet.name} ${soon(day.meet.days)}`] : []),
  ];
  return (
    <>
      <header className="mb-3 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-4xl">{format(parseISO(day.today), 'EEEE d MMMM')}</h1>
        <p className="text-quiet">{facts.join(' · ')}</p>
        <Link to="/lifters" className="ml-auto py-2 underline underline-offset-4 lg:hidden">
          All lifters
        </Link>
      </header>
      {nobody ? (
        <Empty title="The club has no lifters yet">
          <p>
            <Link to="/lifters/new" className="underline underline-offset-4">
              Add the first lifter
            </Link>
            : three answers are enough for the first calls.
          </p>
        </Empty>
      ) : (
        <div className="grid gap-x-7 gap-y-5 xl:grid-cols-[minmax(0,1fr)_19rem]">
          <div className="contents min-w-0 xl:grid xl:content-start xl:gap-5">
            <OnTheFloor day={day} />
            <WeekAhead week={day.week} />
          </div>
          <ToDecide day={day} />
        </div>
      )}
    </>
  );
}
