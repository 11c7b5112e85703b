import type { CallsView } from '@iron-clasp/contract';
import {
  HOLD_KINDS_BY_ID,
  GRIP_NAMES,
  sayStanding,
  type BarLoading,
  type MassUnit,
  SET_ROLE_TAGS,
  LOAD_MEANING_NAMES,
} from '@iron-clasp/core';
import { ArrowLeft, Printer } from 'lucide-react';
import { Fragment, type ReactElement, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { useUnit } from '../../data/session/use-unit.ts';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { loadingWords } from '../../ui/marks/plates.ts';
import { Button } from '../../ui/button.tsx';
import { formatMass, seconds, shortDay } from '../../ui/figures.ts';
import { Caution, Empty, Failed, Loading } from '../../ui/states.tsx';
import { groupSets } from '../../data/training/set-groups.ts';
import { useCalls } from '../../data/training/calls.ts';
import { useToday } from '../../data/lifters/rack.ts';

/** The session card of one lifter, to print or to read from the phone. */
export function OneCard(): ReactElement {
  const { sessionId = '' } = useParams();
  return (
    <Page title="Session card">
      <Card sessionId={sessionId} />
    </Page>
  );
}

/** The cards of everybody who trains today, one page each. */
export function TodaysCards(): ReactElement {
  const today = useToday();
  const sessions = today.data?.sessions ?? [];
  return (
    <Page title="Today’s cards">
      {today.isPending && <Loading what="the cards" lines={9} />}
      {today.error && <Failed error={today.error} retry={() => void today.refetch()} />}
      {today.data && sessions.length === 0 && (
        <Empty title="Nobody trains today">
          <p>Cards stand here on days with a written session.</p>
        </Empty>
      )}
      {sessions.map((each) => (
        <Card key={each.id} sessionId={each.id} />
      ))}
    </Page>
  );
}

function Page({ title, children }: { title: string; children: ReactNode }): ReactElement {
  return (
    <main className="mx-auto max-w-3xl px-4 py-4">
      <div className="no-print mb-4 flex items-center justify-between gap-4">
        <Link to="/" className="inline-flex items-center gap-1 py-2">
          <ArrowLeft size={18} aria-hidden /> Rack
        </Link>
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

/** One session as it goes on paper or a phone. */
export function WrittenCard({ view, unit }: { view: CallsView; unit: MassUnit }): ReactElement {
  const { session } = view;
  const holds = view.holds.flatMap(({ hold }) => hold ?? []);
  const groups = groupSets(view.sets);
  const once = (of: (set: (typeof view.sets)[number]) => readonly string[]): string[] => [
    ...new Set(view.sets.flatMap(of)),
  ];
  const cautions = [
    ...new Set([...once((set) => set.call.cautions), ...holds.flatMap((hold) => hold.cautions)]),
  ];
  // What is said of every lift once, not set by set.
  const cues = once((set) => (set.role === 'warmup' ? [] : set.call.cues));
  return (
    <article className="card mb-10" aria-label={`${session.lifterName}, ${session.title}`}>
      <header className="flex flex-wrap items-end justify-between gap-x-6 border-b-4 border-ink pb-1">
        <h2 className="text-3xl">{session.lifterName}</h2>
        <p>
          {session.title}, {shortDay(session.on)}, {session.venue.name}
        </p>
      </header>
      {session.hands.stop && <Caution stop>{session.hands.stop}</Caution>}
      <table className="w-full border-collapse">
        <caption className="sr-only">Sets in order</caption>
        <thead>
          <tr className="border-b border-ink text-left">
            {['set', 'load and one side', 'grip and chalk'].map((name) => (
              <th key={name} scope="col" className="label py-1 pr-3">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {groups.map(({ first: set, count }, i) => (
            <Fragment key={set.id}>
              {groups[i - 1]?.first.liftName !== set.liftName && (
                <Lift name={[set.liftName, LOAD_MEANING_NAMES[set.loadMeans]].filter(Boolean).join(', ')} />
              )}
              <tr className="border-b border-rule align-baseline">
                <td className="py-1 pr-3">
                  {SET_ROLE_TAGS[set.role]}{' '}
                  <b className="whitespace-nowrap">
                    {count > 1 && `${count} × `}
                    {set.seconds ? seconds(set.seconds) : set.reps}
                  </b>
                </td>
                <Loaded kg={set.loading.total} loading={set.loading} unit={unit} />
                <td className="py-1">
                  <span className="flex items-start gap-2">
                    {set.call.choice && (
                      <GripMark
                        choice={set.call.choice}
                        {...(set.call.sideUnder && { sideUnder: set.call.sideUnder })}
                        size={18}
                      />
                    )}
                    <span>
                      {set.line}
                      {sayStanding(set.call) && set.role !== 'warmup' && <i> ({sayStanding(set.call)})</i>}
                    </span>
                  </span>
                </td>
              </tr>
            </Fragment>
          ))}
          {holds
            .filter((hold) => !hold.barred)
            .map((hold) => (
              <Fragment key={hold.kind}>
                <Lift name={HOLD_KINDS_BY_ID[hold.kind].name} />
                <tr className="border-b border-rule align-baseline">
                  <td className="py-1 pr-3 whitespace-nowrap">
                    {hold.sets} × {hold.seconds} s
                  </td>
                  <Loaded kg={hold.load} loading={hold.loading} unit={unit} />
                  <td className="py-1">
                    <span className="mr-2 inline-block align-middle">
                      <GripMark
                        choice={hold.grip}
                        {...(hold.sideUnder && { sideUnder: hold.sideUnder })}
                        size={18}
                      />
                    </span>
                    {GRIP_NAMES[hold.grip]}
                    {hold.sideUnder && `, ${hold.sideUnder} under`}; rest {hold.rest[0] / 60}–
                    {hold.rest[1] / 60} min
                    {hold.pin && `; ${hold.pins}`}
                  </td>
                </tr>
              </Fragment>
            ))}
        </tbody>
      </table>
      <div className="mt-3 grid gap-x-8 gap-y-3 sm:grid-cols-2">
        {cautions.length > 0 && <Sentences title="Take care" of={cautions} />}
        {cues.length > 0 && <Sentences title="Set it up" of={cues} />}
      </div>
    </article>
  );
}

/** The lift that the rows below it are of. */
function Lift({ name }: { name: string }): ReactElement {
  return (
    <tr className="border-b border-rule">
      <th scope="rowgroup" colSpan={3} className="pt-2 pb-0.5 text-left">
        {name}
      </th>
    </tr>
  );
}

/** What stands on the bar, and the plates of one side. */
function Loaded({ kg, loading, unit }: { kg: number; loading: BarLoading; unit: MassUnit }): ReactElement {
  return (
    <td className="py-1 pr-3">
      <span className="figures mr-3 text-lg whitespace-nowrap">{formatMass(kg, unit)}</span>
      <span className="block text-sm sm:inline print:inline">{loadingWords(loading)}</span>
    </td>
  );
}

function Sentences({ title, of }: { title: string; of: readonly string[] }): ReactElement {
  return (
    <section>
      <h3 className="text-lg">{title}</h3>
      <ul className="list-disc pl-5 text-sm">
        {of.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
    </section>
  );
}
