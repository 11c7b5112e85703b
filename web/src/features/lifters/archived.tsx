import { format, parseISO } from 'date-fns';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { saySport } from '../../ui/words.ts';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { useArchive } from '../../data/lifters/lifters.ts';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useArchived } from '../../data/lifters/rack.ts';
import { BringLifter } from './bring-lifter.tsx';
import { ToToday } from '../../ui/to-today.tsx';

/** Archived lifters: nothing of theirs is gone. */
export function Archived(): ReactElement {
  const coach = useIsCoach();
  const archived = useArchived();
  const archive = useArchive();
  const lifters = archived.data?.pages.flatMap((page) => page.lifters);
  return (
    <div className="px-4 pb-12 pt-4 md:px-8">
      <ToToday />
      <h1 className="text-4xl">Archived lifters</h1>
      {archived.isPending && <Loading what="the archived lifters" />}
      {archived.error && <Failed error={archived.error} retry={() => void archived.refetch()} />}
      {archive.error && <Failed error={archive.error} />}
      {lifters?.length === 0 && (
        <Empty title="Nobody is archived">
          <p>A lifter who is archived, from their profile, leaves the rack and keeps everything.</p>
        </Empty>
      )}
      <ul className="mt-3 max-w-2xl">
        {lifters?.map((lifter) => (
          <li
            key={lifter.id}
            className="flex flex-wrap items-center justify-between gap-3 border-b border-rule py-2"
          >
            <span>
              <Link
                to={`/lifters/${lifter.id}/profile`}
                className="font-semibold underline underline-offset-4"
              >
                {lifter.name}
              </Link>
              , {saySport(lifter)}
              <span className="text-quiet"> · since {format(parseISO(lifter.archivedAt), 'd MMM yyyy')}</span>
            </span>
            <Button
              disabled={archive.isPending}
              onClick={() =>
                archive.mutate({ lifterId: lifter.id, archived: false, version: lifter.version })
              }
            >
              Restore
            </Button>
          </li>
        ))}
      </ul>
      {archived.hasNextPage && (
        <Button
          className="mt-3"
          disabled={archived.isFetchingNextPage}
          onClick={() => void archived.fetchNextPage()}
        >
          More
        </Button>
      )}
      {coach && <BringLifter />}
    </div>
  );
}
