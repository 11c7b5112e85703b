import { GRIP_NAMES, type Ending, type HoldPrescription } from '@iron-clasp/core';
import type { CallsView, LoggedHoldView, LogHoldRequest } from '@iron-clasp/contract';
import { ArrowLeft, Undo2 } from 'lucide-react';
import { useEffect, useRef, useState, type ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { isHold, type WaitingHold } from '../api/outbox.ts';
import { useCalls, useSession } from '../api/queries.ts';
import { outbox, useOutbox } from '../api/use-outbox.ts';
import { useUnit } from '../api/use-unit.ts';
import { BarDrawing } from '../marks/bar-drawing.tsx';
import { loadingWords } from '../marks/plates.ts';
import { GripMark } from '../marks/grip-mark.tsx';
import { Button } from '../parts/button.tsx';
import { formatMass, load } from '../parts/figures.ts';
import { Caution, Failed, Loading } from '../parts/states.tsx';
import { useKeys } from '../parts/use-keys.ts';
import { CHANGE_WORDS } from '../parts/words.ts';
import { finalShare } from './hold-clock.ts';
import { HoldByHand } from './hold-by-hand.tsx';
import { useClock } from './use-clock.ts';

/** The floor: one lifter's hold large on the screen, the clock, and the slip key. Always dark, for glare. */
export function Floor(): ReactElement {
  const { sessionId = '' } = useParams();
  const calls = useCalls(sessionId);
  if (calls.isPending) return <Loading what="the floor" />;
  if (!calls.data) {
    return (
      <main className="p-6">
        <Failed error={calls.error} retry={() => void calls.refetch()} />
      </main>
    );
  }
  const { hold, session } = calls.data;
  if (!hold || hold.barred) {
    return (
      <main className="grid min-h-dvh content-center gap-6 p-6">
        <h1 className="text-4xl">{session.lifterName}</h1>
        {hold?.barred ? (
          <Caution stop>No hold today. {hold.barred.text}</Caution>
        ) : (
          <p>No hold is planned in this session ({session.title}).</p>
        )}
        <Back lifterId={session.lifterId} />
      </main>
    );
  }
  return <Holding view={calls.data} hold={hold} />;
}

function Holding({ view, hold }: { view: CallsView; hold: HoldPrescription }): ReactElement {
  const unit = useUnit();
  const accountId = useSession().data!.account.id;
  const { waiting } = useOutbox();
  const here = waiting.filter((entry) => entry.sessionId === view.session.id).filter(isHold);
  const stored = view.holdsDone.filter((each) => !waiting.some((entry) => entry.id === each.id));
  const done = stored.length + here.filter((entry) => !entry.refused).length;
  const { clock, seconds, begin, finish, clear } = useClock(hold.seconds);
  const [byHand, setByHand] = useState<WaitingHold | 'new' | null>(null);
  const last = here.filter((entry) => !entry.refused).at(-1) ?? stored.at(-1);

  const rest: Omit<LogHoldRequest, 'load' | 'seconds' | 'ended' | 'doneAt'> = {
    target: hold.seconds,
    grip: hold.grip,
    chalk: view.session.venue.chalk,
    ...(hold.sideUnder && { sideUnder: hold.sideUnder }),
  };
  const keep = (body: LogHoldRequest, replaces?: WaitingHold): void => {
    if (replaces) outbox.remove(replaces.id);
    outbox.add({ id: crypto.randomUUID(), sessionId: view.session.id, accountId, body: { ...body } });
    setByHand(null);
    clear();
  };
  const stop = (ended: Ending): void => {
    const result = finish(ended);
    if (result.state !== 'ended') return;
    // Half a second is a slip of the thumb, not a hold: nothing is logged and the clock is ready again.
    if (result.seconds < 0.5) return clear();
    keep({ ...rest, load: hold.load, seconds: result.seconds, ended, doneAt: new Date().toISOString() });
  };
  const running = clock.state === 'running';
  // The focus stays on what Space would press next, so that keyboard and screen reader never lose their place.
  const mainButton = useRef<HTMLButtonElement>(null);
  const wasRunning = useRef(running);
  useEffect(() => {
    if (wasRunning.current !== running) mainButton.current?.focus({ preventScroll: true });
    wasRunning.current = running;
  }, [running]);
  const undo = (): void => {
    // Space must not take back another: the focus goes to the clock.
    mainButton.current?.focus({ preventScroll: true });
    if (last) outbox.add({ id: last.id, sessionId: view.session.id, accountId, body: null });
  };
  useKeys({
    ' ': (event) => {
      event.preventDefault();
      if (byHand) return;
      if (running) stop('stopped');
      else begin();
    },
    s: () => running && stop('slipped'),
    u: () => !running && undo(),
  });

  const share = running ? finalShare(seconds, hold.seconds) : 0;
  return (
    <main className="relative flex min-h-dvh flex-col overflow-hidden">
      <div
        aria-hidden
        className="absolute inset-x-0 bottom-0 bg-verdigris/30 motion-reduce:hidden"
        style={{ height: `${share * 100}%` }}
      />
      <header className="relative flex items-center gap-4 border-b border-rule px-4 py-2">
        <Back lifterId={view.session.lifterId} />
        <h1 className="min-w-0 truncate text-2xl">{view.session.lifterName}</h1>
        <p className="figures ml-auto shrink-0 text-xl text-quiet" role="status">
          {done < hold.sets ? `hold ${done + 1} of ${hold.sets}` : `${done} done`}
          {here.length > 0 && <span className="text-ochre"> · {here.length} waiting</span>}
        </p>
      </header>

      <section
        aria-label="The hold"
        className="relative grid grow content-center justify-items-center gap-3 px-4 py-4 text-center"
      >
        <p className="figures text-6xl font-semibold sm:text-7xl">{formatMass(hold.load, unit)}</p>
        <p className="flex flex-wrap items-center justify-center gap-x-5 gap-y-2 text-xl">
          <span className="flex items-center gap-3">
            <GripMark choice={hold.grip} {...(hold.sideUnder && { sideUnder: hold.sideUnder })} size={36} />
            {GRIP_NAMES[hold.grip]}
            {hold.sideUnder && `, ${hold.sideUnder} under`}
          </span>
          <span className="flex items-center gap-3" title={loadingWords(hold.loading)}>
            <BarDrawing loading={hold.loading} height={56} />
          </span>
        </p>
        {byHand ? (
          <HoldByHand
            unit={unit}
            rest={rest}
            start={
              byHand === 'new'
                ? { load: hold.load, seconds: clock.state === 'ended' ? clock.seconds : 0, ended: 'stopped' }
                : byHand.body
            }
            onLog={(body) => keep(body, byHand === 'new' ? undefined : byHand)}
            onCancel={() => setByHand(null)}
          />
        ) : (
          <>
            <p
              role="timer"
              aria-label={`${seconds.toFixed(1)} seconds of ${hold.seconds}`}
              className="figures text-[7.5rem] font-semibold leading-none sm:text-[11rem]"
            >
              {seconds.toFixed(1)}
            </p>
            <p className="text-xl text-quiet">
              {running
                ? seconds >= hold.seconds
                  ? 'time: put it down'
                  : `of ${hold.seconds} s`
                : `front rack hold for ${hold.seconds} s; ${hold.pins.charAt(0).toLowerCase()}${hold.pins.slice(1)}`}
            </p>
            <div className="mt-2 grid w-full max-w-2xl grid-cols-2 gap-3">
              {running ? (
                <>
                  <Button
                    ref={mainButton}
                    look="action"
                    className="min-h-24 text-3xl"
                    onClick={() => stop('stopped')}
                  >
                    Put down
                  </Button>
                  <Button className="min-h-24 text-3xl" onClick={() => stop('slipped')}>
                    Slipped
                  </Button>
                </>
              ) : (
                <Button
                  ref={mainButton}
                  look="action"
                  className="col-span-2 min-h-24 text-3xl"
                  onClick={begin}
                >
                  Start
                </Button>
              )}
            </div>
          </>
        )}
      </section>

      {!running && (
        <footer className="relative grid gap-2 border-t border-rule bg-ground px-4 py-3">
          {here
            .filter((entry) => entry.refused)
            .map((entry) => (
              <div
                key={entry.id}
                role="alert"
                className="flex flex-wrap items-center gap-3 border-l-4 border-oxblood bg-raised px-4 py-2"
              >
                <p className="grow">
                  {formatMass(entry.body.load, unit)} for {entry.body.seconds} s was not taken:{' '}
                  {entry.refused} It is kept here until you mend or drop it.
                </p>
                <Button className="min-h-12" onClick={() => setByHand(entry)}>
                  Mend
                </Button>
                <Button className="min-h-12" onClick={() => outbox.remove(entry.id)}>
                  Drop
                </Button>
              </div>
            ))}
          <Done holds={stored} waiting={here.filter((entry) => !entry.refused)} next={view.nextHold} />
          <div className="flex flex-wrap gap-2">
            {!byHand && (
              <Button className="min-h-16 px-5" onClick={() => setByHand('new')}>
                Enter by hand
              </Button>
            )}
            {last && (
              <Button className="flex min-h-16 items-center gap-2 px-5" onClick={undo}>
                <Undo2 size={20} aria-hidden /> Undo the last hold
              </Button>
            )}
          </div>
          {hold.cautions.map((text) => (
            <Caution key={text}>{text}</Caution>
          ))}
        </footer>
      )}
    </main>
  );
}

function Back({ lifterId }: { lifterId: string }): ReactElement {
  return (
    <Link to={`/lifters/${lifterId}/calls`} className="inline-flex min-h-16 items-center gap-2 pr-2">
      <ArrowLeft size={22} aria-hidden /> Sheet
    </Link>
  );
}

function Done({
  holds,
  waiting,
  next,
}: {
  holds: readonly LoggedHoldView[];
  waiting: readonly WaitingHold[];
  next: HoldPrescription | null;
}): ReactElement | null {
  const unit = useUnit();
  if (holds.length + waiting.length === 0) return null;
  const line = (each: Pick<LogHoldRequest, 'load' | 'seconds' | 'target' | 'ended'>): string =>
    `${load(each.load, unit)} ${unit}: ${each.seconds.toFixed(1)} s of ${each.target}, ${each.ended === 'slipped' ? 'slipped' : 'put down'}`;
  return (
    <div aria-live="polite">
      <ol aria-label="Holds done" className="figures flex flex-wrap gap-x-8 gap-y-1 text-xl">
        {holds.map((each) => (
          <li key={each.id}>{line(each)}</li>
        ))}
        {waiting.map((each) => (
          <li key={each.id} className="text-ochre">
            {line(each.body)}, waiting for the server
          </li>
        ))}
      </ol>
      {next && !next.barred && (
        <p className="text-verdigris">
          Next time <b className="figures text-xl">{formatMass(next.load, unit)}</b>,{' '}
          {CHANGE_WORDS[next.change]}. {next.why[0]?.text}
        </p>
      )}
    </div>
  );
}
