import { format, parseISO } from 'date-fns';
import type { ReactElement } from 'react';
import { useArchive, useArchived } from '../api/queries.ts';
import { Button } from '../parts/button.tsx';
import { Empty, Failed, Loading } from '../parts/states.tsx';

/** Lifters that were put aside: nothing of theirs is gone. */
export function Archived(): ReactElement {
  const archived = useArchived();
  const archive = useArchive();
  return (
    <div className="px-4 pb-12 pt-4 md:px-8">
      <h1 className="text-4xl">Put aside</h1>
      {archived.isPending && <Loading what="the lifters put aside" />}
      {archived.error && <Failed error={archived.error} retry={() => void archived.refetch()} />}
      {archive.error && <Failed error={archive.error} />}
      {archived.data?.length === 0 && (
        <Empty title="Nobody is put aside">
          <p>A lifter who is put aside, from their profile, leaves the rack and keeps everything.</p>
        </Empty>
      )}
      <ul className="mt-3 max-w-2xl">
        {archived.data?.map((lifter) => (
          <li
            key={lifter.id}
            className="flex flex-wrap items-center justify-between gap-3 border-b border-rule py-2"
          >
            <span>
              <b>{lifter.name}</b>, {lifter.sport}
              <span className="text-quiet"> · since {format(parseISO(lifter.archivedAt), 'd MMM yyyy')}</span>
            </span>
            <Button
              disabled={archive.isPending}
              onClick={() =>
                archive.mutate({ lifterId: lifter.id, archived: false, version: lifter.version })
              }
            >
              Take back to the rack
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
