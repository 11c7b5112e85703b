import { format, parseISO } from 'date-fns';
import type { ReactElement } from 'react';
import { useParams } from 'react-router';
import { WrittenCard } from './written-card.tsx';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { useShared } from '../../data/sharing/sharing.ts';
import { usePageOf } from '../../ui/page-of.ts';

/** What the holder of a read-only link sees: the coming sessions as cards, in the lifter's own unit. */
export function Shared(): ReactElement {
  const { secret = '' } = useParams();
  const shared = useShared(secret);
  usePageOf(shared.data?.lifterName);
  return (
    <main className="mx-auto max-w-3xl px-4 py-4">
      {shared.isPending && <Loading what="the sessions" lines={9} />}
      {shared.error && (
        <>
          <h1 className="text-4xl">Iron Clasp</h1>
          <Failed error={shared.error} retry={() => void shared.refetch()} />
        </>
      )}
      {shared.data && (
        <>
          <h1 className="text-4xl">{shared.data.lifterName}</h1>
          <p className="mb-6 text-quiet">
            {shared.data.club}. The coming {shared.data.ahead} days, to read; this link lasts until{' '}
            {format(parseISO(shared.data.expiresAt), 'EEEE d MMMM')}.{' '}
            <a
              href={`webcal://${window.location.host}/api/shared/${encodeURIComponent(secret)}/calendar.ics`}
              className="underline underline-offset-4"
            >
              Follow it in a calendar
            </a>
          </p>
          {shared.data.sessions.length === 0 && (
            <Empty title="Nothing is written for the coming days">
              <p>Sessions stand here once your coach has written them.</p>
            </Empty>
          )}
          {shared.data.sessions.map((view) => (
            <WrittenCard key={view.session.id} view={view} unit={shared.data.unit} />
          ))}
        </>
      )}
    </main>
  );
}
