import clsx from 'clsx';
import { Printer } from 'lucide-react';
import type { ReactElement, ReactNode } from 'react';
import { useParams } from 'react-router';
import { useToday } from '../../data/lifters/rack.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { useAllCalls, useCalls } from '../../data/training/calls.ts';
import { useProgram } from '../../data/training/programs.ts';
import { Button } from '../../ui/button.tsx';
import { shiftDay } from '../../ui/date-words.ts';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { WrittenCard, WrittenWeek } from './written-card.tsx';
import { ToToday } from '../../ui/to-today.tsx';
import { usePageOf } from '../../ui/page-of.ts';

/** The session card of one lifter, to print or to read from the phone. */
export function OneCard(): ReactElement {
  const { sessionId = '' } = useParams();
  usePageOf(useCalls(sessionId).data?.session.lifterName);
  return (
    <Page title="Session card">
      <Card sessionId={sessionId} />
    </Page>
  );
}

/** A lifter's week on one page. */
export function WeekCard(): ReactElement {
  const { lifterId = '', day = '' } = useParams();
  const program = useProgram(lifterId, day);
  const unit = useUnit();
  const monday = program.data?.weeks[0];
  const ids = (program.data?.sessions ?? [])
    .filter(({ on }) => monday && on >= monday && on < shiftDay(monday, 7))
    .map(({ id }) => id);
  const calls = useAllCalls(ids);
  const views = calls.flatMap(({ data }) => data ?? []);
  const failed = calls.find(({ error }) => error)?.error ?? program.error;
  return (
    <Page title="The week on one page" wide>
      {failed && <Failed error={failed} retry={() => void program.refetch()} />}
      {program.data && ids.length === 0 && (
        <Empty title="Nothing is written for this week">
          <p>Its sessions stand here once they are written.</p>
        </Empty>
      )}
      {!failed && (program.isPending || views.length < ids.length) && <Loading what="the week" lines={9} />}
      {ids.length > 0 && views.length === ids.length && <WrittenWeek views={views} unit={unit} />}
    </Page>
  );
}

/** The cards of everybody who trains today, one page each. */
export function TodaysCards(): ReactElement {
  const today = useToday();
  const sessions = today.data?.sessions ?? [];
  const ids = sessions.map(({ id }) => id);
  // In their order: one that comes before those above it would be pushed off the screen as they come.
  const awaited = useAllCalls(ids).findIndex(({ isPending }) => isPending);
  const shown = awaited < 0 ? ids : ids.slice(0, awaited);
  return (
    <Page title="Today’s cards">
      {today.error && <Failed error={today.error} retry={() => void today.refetch()} />}
      {today.data && sessions.length === 0 && (
        <Empty title="Nobody trains today">
          <p>Cards stand here on days with a written session.</p>
        </Empty>
      )}
      {shown.map((id) => (
        <Card key={id} sessionId={id} />
      ))}
      {(today.isPending || awaited >= 0) && <Loading what="the cards" lines={9} />}
    </Page>
  );
}

function Page({
  title,
  wide = false,
  children,
}: {
  title: string;
  wide?: boolean;
  children: ReactNode;
}): ReactElement {
  return (
    <main className={clsx('mx-auto px-4 py-4', wide ? 'max-w-5xl' : 'max-w-3xl')}>
      <div className="no-print mb-4 flex items-center justify-between gap-4">
        <ToToday always />
        <h1 className="text-2xl">{title}</h1>
        <Button onClick={() => window.print()} className="inline-flex items-center gap-2">
          <Printer size={16} aria-hidden /> Print
        </Button>
      </div>
      {children}
    </main>
  );
}

function Card({ sessionId }: { sessionId: string }): ReactElement {
  const calls = useCalls(sessionId);
  const unit = useUnit();
  if (calls.isPending) return <Loading what="the card" lines={8} />;
  if (!calls.data) return <Failed error={calls.error} retry={() => void calls.refetch()} />;
  return <WrittenCard view={calls.data} unit={unit} />;
}
