import { format, isSameDay, parseISO } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useDeeds, usePeople } from '../../data/people/people.ts';
import { Button } from '../../ui/button.tsx';
import { LongList } from '../../ui/long-list.tsx';
import { Select } from '../../ui/select.tsx';
import { Empty, Failed, Loading } from '../../ui/states.tsx';

/** Every change of the club with who made it and about whom, and every sign-in. */
export function Deeds(): ReactElement {
  const [by, setBy] = useState('');
  const people = usePeople();
  const found = useDeeds(by);
  const deeds = found.data?.pages.flatMap((page) => page.deeds) ?? [];
  return (
    <section aria-label="Who did what" className="mt-3">
      <Select
        label="Of whom"
        className="max-w-72"
        value={by}
        options={[
          ['', 'everybody'],
          ...(people.data?.people ?? []).map(({ id, name }) => [id, name] as const),
        ]}
        onChange={setBy}
      />
      {found.isPending && <Loading what="what was done" lines={9} />}
      {found.error && !found.data && <Failed error={found.error} retry={() => void found.refetch()} />}
      {found.data && deeds.length === 0 && (
        <Empty title="Nothing yet">
          <p>Every change and every sign-in stands here from now on: whose it was, when, and about whom.</p>
        </Empty>
      )}
      <div className="mt-2">
        <LongList
          items={deeds.map((deed, i) => ({ deed, at: parseISO(deed.at), before: deeds[i - 1]?.at }))}
          keyOf={({ deed }) => deed.id}
          height={() => 37}
        >
          {({ deed, at, before }) => (
            <>
              {!(before && isSameDay(parseISO(before), at)) && (
                <h2 className="border-b-2 border-ink pb-1 pt-4 text-xl">{format(at, 'EEEE d MMMM')}</h2>
              )}
              <p className="grid grid-cols-[4rem_minmax(0,1fr)] gap-x-3 border-b border-rule py-1.5 md:grid-cols-[4rem_12rem_minmax(0,1fr)_12rem]">
                <span className="figures text-quiet">{format(at, 'HH:mm')}</span>
                <b className="truncate">{deed.by || 'somebody who was erased'}</b>
                <span className="max-md:col-start-2">{deed.what}</span>
                {deed.lifter && (
                  <Link
                    to={`/lifters/${deed.lifter.id}/calls`}
                    className="truncate underline underline-offset-4 max-md:col-start-2"
                  >
                    {deed.lifter.name}
                  </Link>
                )}
              </p>
            </>
          )}
        </LongList>
      </div>
      {found.hasNextPage && (
        <Button
          className="mt-3"
          disabled={found.isFetchingNextPage}
          onClick={() => void found.fetchNextPage()}
        >
          Earlier
        </Button>
      )}
    </section>
  );
}
