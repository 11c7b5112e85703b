import clsx from 'clsx';
import { ArrowLeft } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Link, useNavigate } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { MOST_LANES, useFloorsAhead } from '../../data/club/day.ts';
import { useToday } from '../../data/lifters/rack.ts';
import { Checkbox } from '../../ui/checkbox.tsx';

/** Who is on the floor: up to six of today's sessions, a lane for each. */
export function FloorStart(): ReactElement {
  const today = useToday();
  const navigate = useNavigate();
  useFloorsAhead(today.data?.sessions);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  return (
    <main className="mx-auto max-w-2xl px-4 py-4">
      <Link to="/" className="inline-flex min-h-16 items-center gap-2">
        <ArrowLeft size={22} aria-hidden /> Today
      </Link>
      <h1 className="text-4xl">The floor</h1>
      <p className="text-quiet">Who trains with you now? Up to {MOST_LANES}, a lane for each.</p>
      {today.isPending && <Loading what="today’s sessions" lines={6} />}
      {today.error && <Failed error={today.error} retry={() => void today.refetch()} />}
      {today.data?.sessions.length === 0 && (
        <Empty title="Nobody trains today">
          <p>Sessions stand here on their day. Write one on a lifter’s Program page.</p>
        </Empty>
      )}
      <ul className="mt-3">
        {today.data?.sessions.map((session) => {
          const place = chosen.indexOf(session.id);
          return (
            <li key={session.id}>
              <Checkbox
                large
                className={clsx('min-h-16 border-b border-rule px-1', place >= 0 && 'bg-raised')}
                checked={place >= 0}
                disabled={place < 0 && chosen.length >= MOST_LANES}
                onChange={(checked) =>
                  setChosen(checked ? [...chosen, session.id] : chosen.filter((each) => each !== session.id))
                }
              >
                <span className="flex items-center gap-4">
                  <span className="grow text-xl">
                    <b>{session.lifterName}</b>
                    <span className="block text-base text-quiet">
                      {session.title}, {session.venue}
                    </span>
                  </span>
                  {place >= 0 && <span className="figures pr-3 text-2xl">{place + 1}</span>}
                </span>
              </Checkbox>
            </li>
          );
        })}
      </ul>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button
          look="action"
          className="min-h-20 px-8 text-2xl"
          disabled={chosen.length === 0}
          onClick={() => void navigate(`/floor/${chosen.join(',')}`)}
        >
          Start
        </Button>
        <Button
          className="min-h-20 px-6 text-xl"
          disabled={chosen.length === 0}
          onClick={() => void navigate(`/live/${chosen.join(',')}`)}
        >
          Follow on this screen
        </Button>
      </div>
    </main>
  );
}
