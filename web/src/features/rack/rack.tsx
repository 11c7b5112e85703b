import type { RackRow } from '@iron-clasp/contract';
import clsx from 'clsx';
import { CircleAlert, CircleUserRound, Info, Keyboard, LogOut, Moon, OctagonX, Sun } from 'lucide-react';
import { useDeferredValue, useState, type ReactElement, type RefObject } from 'react';
import { NavLink, useNavigate } from 'react-router';
import { useWaiting } from '../../offline/use-outbox.ts';
import { Button } from '../../ui/button.tsx';
import { LongListIn } from '../../ui/long-list.tsx';
import { useNearEnd } from '../../ui/use-near-end.ts';
import { HandsMark } from '../../ui/marks/hands-mark.tsx';
import { nearDay, soon } from '../../ui/figures.ts';
import { Failed, Loading } from '../../ui/states.tsx';
import { usePreferences, useSession } from '../../data/session/session.ts';
import { useSignOut } from '../../parts/session/use-sign-out.ts';
import { useIsCoach, useMayLog } from '../../data/session/use-is-coach.ts';
import { useRack } from '../../data/lifters/rack.ts';

const HEAD_LINK = 'underline decoration-rule underline-offset-4 hover:text-ink';

/** The coach's lifters as slim rows, those who need attention first. */
export function Rack({
  filterRef,
  onHelp,
}: {
  filterRef: RefObject<HTMLInputElement | null>;
  onHelp: () => void;
}): ReactElement {
  const [filter, setFilter] = useState('');
  // The server looks through every page; typing goes on meanwhile.
  const find = useDeferredValue(filter.trim());
  const rack = useRack(find);
  const session = useSession();
  const [coach, logs] = [useIsCoach(), useMayLog()];
  const navigate = useNavigate();
  const pages = rack.data?.pages ?? [];
  // What is here already is narrowed at once, so that Enter never opens somebody the typed name does not fit.
  const wanted = filter.trim().toLowerCase();
  const rows = pages.flatMap((page) => page.lifters).filter((row) => row.name.toLowerCase().includes(wanted));
  const more = useNearEnd(() => void rack.fetchNextPage(), rack.hasNextPage && !rack.isFetchingNextPage);

  return (
    <div className="flex h-full max-h-dvh flex-col lg:sticky lg:top-0">
      <header className="px-4 pt-4">
        <p className="figures text-2xl font-semibold leading-none">Iron Clasp</p>
        <p className="flex flex-wrap items-baseline justify-between gap-x-3 text-quiet">
          {session.data?.club.name}
          <span className="flex gap-3">
            <NavLink to="/" className={HEAD_LINK}>
              Today
            </NavLink>
            <NavLink to="/club" className={HEAD_LINK}>
              Club
            </NavLink>
            <NavLink to="/kit" className={HEAD_LINK}>
              Kit
            </NavLink>
            <NavLink to="/practice" className={HEAD_LINK}>
              Practice
            </NavLink>
          </span>
        </p>
        <input
          ref={filterRef}
          type="search"
          aria-label="Find a lifter"
          placeholder="Find a lifter  ( / )"
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && rows[0]) {
              void navigate(`/lifters/${rows[0].id}/calls`);
              setFilter('');
              event.currentTarget.blur();
            }
            if (event.key === 'Escape') setFilter('');
          }}
          className="mt-3 w-full rounded-sm border border-edge bg-raised px-2.5 py-1.5 placeholder:text-quiet"
        />
      </header>
      <nav aria-label="The rack" className="mt-3 grow overflow-y-auto border-t border-rule">
        {rack.isPending && (
          <div className="px-4">
            <Loading what="the rack" lines={9} />
          </div>
        )}
        {rack.error && (
          <div className="px-4">
            <Failed error={rack.error} retry={() => void rack.refetch()} />
          </div>
        )}
        {pages[0]?.total === 0 && find === '' && (
          <p className="p-4 text-quiet">
            No lifters yet.{' '}
            <NavLink to="/lifters/new" className={HEAD_LINK}>
              Add the first
            </NavLink>
          </p>
        )}
        {rack.data && !rack.isPlaceholderData && rows.length === 0 && wanted !== '' && (
          <p role="status" className="p-4 text-quiet">
            Nobody here is called “{filter}”.
          </p>
        )}
        <LongListIn items={rows} keyOf={(row) => row.id} height={(row) => (row.flag ? 73 : 54)}>
          {(row) => <Row row={row} today={pages[0]!.today} />}
        </LongListIn>
        {rack.hasNextPage && (
          <p ref={more} className="px-4 py-2">
            <Button disabled={rack.isFetchingNextPage} onClick={() => void rack.fetchNextPage()}>
              {pages[0]!.total - rows.length} more
            </Button>
          </p>
        )}
        {rack.data && (
          <p className="flex flex-wrap justify-between gap-x-4 gap-y-1 px-4 py-3 text-sm text-quiet">
            {coach && (
              <NavLink to="/lifters/new" className={HEAD_LINK}>
                New lifter
              </NavLink>
            )}
            {logs && (
              <NavLink to="/floor" className={HEAD_LINK}>
                The floor
              </NavLink>
            )}
            <NavLink to="/cards" className={HEAD_LINK}>
              Today’s cards
            </NavLink>
            <NavLink to="/lifters/archived" className={HEAD_LINK}>
              Archive
            </NavLink>
          </p>
        )}
      </nav>
      <Controls onHelp={onHelp} />
    </div>
  );
}

function Row({ row, today }: { row: RackRow; today: string }): ReactElement {
  return (
    <NavLink
      to={`/lifters/${row.id}/calls`}
      className={({ isActive }) =>
        clsx(
          'flex items-center gap-3 border-b border-rule py-1.5 pr-4 leading-tight hover:bg-raised',
          isActive ? 'border-l-4 border-l-forge bg-raised pl-2' : 'border-l-4 border-l-transparent pl-2',
        )
      }
    >
      <HandsMark hands={row.hands} looked={row.handsOn !== null} />
      <span className="min-w-0 grow">
        <span className="flex items-baseline justify-between gap-2">
          <span className="truncate font-semibold">{row.name}</span>
          {row.meet && (
            <span className="figures shrink-0 text-quiet" title={row.meet.name}>
              {row.meet.days > 1 ? `${row.meet.days} d to meet` : `meet ${soon(row.meet.days)}`}
            </span>
          )}
        </span>
        <span className="block truncate text-sm text-quiet">
          {row.nextSession
            ? `${nearDay(row.nextSession.on, today)}: ${row.nextSession.title}`
            : 'nothing planned'}
        </span>
        {row.flag && <Flag flag={row.flag} />}
      </span>
    </NavLink>
  );
}

const FLAGS = {
  stop: { Icon: OctagonX, tone: 'text-oxblood' },
  caution: { Icon: CircleAlert, tone: 'text-ochre' },
  note: { Icon: Info, tone: 'text-quiet' },
} as const;

function Flag({ flag }: { flag: NonNullable<RackRow['flag']> }): ReactElement {
  const { Icon, tone } = FLAGS[flag.level];
  return (
    <span
      className={clsx('flex items-center gap-1.5 text-sm', tone, flag.level !== 'note' && 'font-semibold')}
    >
      <Icon size={14} aria-hidden className="shrink-0" />
      <span className="truncate" title={flag.text}>
        {flag.text}
      </span>
    </span>
  );
}

/** Unit, theme, keys and sign-out, with what waits to be sent. */
export function Controls({ onHelp }: { onHelp: () => void }): ReactElement {
  const session = useSession();
  const preferences = usePreferences();
  const signOut = useSignOut();
  const waiting = useWaiting();
  const { unit = 'kg', theme = 'light' } = session.data?.account ?? {};
  const control = 'flex h-10 min-w-10 items-center justify-center gap-1.5 rounded-sm px-2 hover:bg-raised';
  return (
    <footer className="flex items-center border-t border-rule px-2 py-1">
      <button
        type="button"
        className={clsx(control, 'figures text-lg')}
        onClick={() => preferences.mutate({ unit: unit === 'kg' ? 'lb' : 'kg' })}
      >
        <span className={unit === 'kg' ? 'font-semibold underline underline-offset-4' : 'text-quiet'}>
          kg
        </span>
        <span className={unit === 'lb' ? 'font-semibold underline underline-offset-4' : 'text-quiet'}>
          lb
        </span>
        <span className="sr-only">
          , now {unit}, change to {unit === 'kg' ? 'lb' : 'kg'}
        </span>
      </button>
      <button
        type="button"
        className={control}
        onClick={() => preferences.mutate({ theme: theme === 'light' ? 'dark' : 'light' })}
        aria-label={theme === 'light' ? 'Dark theme' : 'Light theme'}
      >
        {theme === 'light' ? <Moon size={18} aria-hidden /> : <Sun size={18} aria-hidden />}
      </button>
      <button type="button" className={control} onClick={onHelp} aria-label="Keys">
        <Keyboard size={18} aria-hidden />
      </button>
      {waiting.length > 0 && (
        <span role="status" className="figures px-2 text-ochre">
          {waiting.length} waiting
        </span>
      )}
      <NavLink to="/account" className={clsx(control, 'ml-auto')} aria-label="Your account">
        <CircleUserRound size={18} aria-hidden />
      </NavLink>
      <button
        type="button"
        className={control}
        onClick={() => signOut.mutate()}
        disabled={signOut.isPending}
        aria-label="Sign out"
        title="Sign out"
      >
        <LogOut size={18} aria-hidden />
      </button>
    </footer>
  );
}
