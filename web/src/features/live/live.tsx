import type { CalledSet, CallsView, LiveEvent, StandsRequest } from '@iron-clasp/contract';
import { useQueryClient } from '@tanstack/react-query';
import { sayCall, sayStanding, SET_ROLE_TAGS, HOLD_ENDING_NAMES, HOLD_KINDS_BY_ID } from '@iron-clasp/core';
import { useEffect, useState, type ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { useUnit } from '../../data/session/use-unit.ts';
import { monotonicNow } from '../../offline/clocks.ts';
import { elapsed, type HoldClock } from '../../offline/hold-clock.ts';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { formatMass, seconds as saySeconds } from '../../ui/figures.ts';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { keys } from '../../data/keys.ts';
import { useCalls } from '../../data/training/calls.ts';
import { countDone, wantedHolds } from '../../data/training/wanted-holds.ts';

interface Followed {
  readonly clock: HoldClock;
  readonly target: number;
}

/** How long until a stream that was refused is tried again, ms. */
const TRY_AGAIN_MS = 2_000;

/** A second screen that follows the floor: a laptop, the gym's television. It only looks. */
export function Live(): ReactElement {
  const { sessionIds = '' } = useParams();
  const ids = sessionIds.split(',');
  const client = useQueryClient();
  const [clocks, setClocks] = useState<Readonly<Record<string, Followed>>>({});
  const [stands, setStands] = useState<Readonly<Record<string, StandsRequest>>>({});
  const [connected, setConnected] = useState(false);
  useEffect(() => {
    let stream: EventSource;
    let again: ReturnType<typeof setTimeout> | undefined;
    // Whatever happened while nobody listened is fetched afresh.
    const refresh = (): void => {
      for (const id of sessionIds.split(','))
        void client.invalidateQueries({ queryKey: keys.training(id, 'calls') });
    };
    const open = (): void => {
      stream = new EventSource(`/api/live/${sessionIds}`);
      stream.onopen = () => {
        setConnected(true);
        refresh();
      };
      stream.onerror = () => {
        setConnected(false);
        // The browser tries again by itself, but not after a proxy said that no server is there.
        if (stream.readyState === EventSource.CLOSED) again = setTimeout(open, TRY_AGAIN_MS);
      };
      stream.onmessage = hear;
    };
    const hear = ({ data }: MessageEvent<string>): void => {
      const event = JSON.parse(data) as LiveEvent;
      if (event.kind === 'stands') {
        setStands((now) => ({ ...now, [event.sessionId]: event.stands! }));
        return;
      }
      if (event.kind !== 'clock') {
        void client.invalidateQueries({ queryKey: keys.training(event.sessionId, 'calls') });
        return;
      }
      const { state, seconds, target } = event.clock!;
      const clock: HoldClock =
        state === 'running'
          ? { state: 'running', startedAt: monotonicNow() - seconds * 1000 }
          : { state: 'ready' };
      setClocks((now) => ({ ...now, [event.sessionId]: { clock, target } }));
    };
    open();
    return () => {
      clearTimeout(again);
      stream.close();
    };
  }, [sessionIds, client]);
  return (
    <main className="min-h-dvh p-4">
      <header className="flex items-baseline justify-between border-b border-rule pb-1">
        <h1 className="text-2xl">The floor, followed</h1>
        <p role="status" className={connected ? 'text-verdigris' : 'text-ochre'}>
          {connected ? 'as it happens' : 'not connected; trying again'}
        </p>
        <Link to="/floor" className="underline underline-offset-4">
          Choose others
        </Link>
      </header>
      <div className="grid gap-x-8 gap-y-4 pt-3 md:grid-cols-2 2xl:grid-cols-3">
        {ids.map((id) => (
          <LiveLane key={id} id={id} followed={clocks[id]} stands={stands[id]} />
        ))}
      </div>
    </main>
  );
}

function LiveLane({
  id,
  followed,
  stands,
}: {
  id: string;
  followed: Followed | undefined;
  stands: StandsRequest | undefined;
}): ReactElement {
  const calls = useCalls(id);
  const unit = useUnit();
  if (!calls.data)
    return calls.isPending ? (
      <Loading what="the lane" lines={4} />
    ) : (
      <Failed error={calls.error} retry={() => void calls.refetch()} />
    );
  const { session, sets, holds, holdsDone } = calls.data;
  const wanted = wantedHolds(holds, holdsDone);
  const toHold = wanted.find(({ hold, done }) => done < hold.sets);
  const count = countDone(sets, wanted);
  const now = standsAt(sets, stands);
  const line = stands && now?.id === stands.plannedSetId ? stands : called(now);
  const last = [...sets].reverse().find((set) => set.done);
  const lastHold = holdsDone.at(-1);
  return (
    <section aria-label={session.lifterName} className="border-t-4 border-ink pt-2">
      <h2 className="flex items-baseline justify-between text-3xl">
        {session.lifterName}
        <span className="figures text-xl text-quiet">
          {count.done} of {count.of}
        </span>
      </h2>
      {session.hands.stop && <Caution stop>{session.hands.stop}</Caution>}
      {followed?.clock.state === 'running' ? (
        <Running {...followed} />
      ) : now ? (
        <>
          <p className="figures text-6xl font-semibold">
            {formatMass(line!.load, unit)} × {now.seconds ? saySeconds(now.seconds) : now.reps}
          </p>
          <p className="flex items-center gap-3 text-2xl">
            {line!.choice && (
              <GripMark
                choice={line!.choice}
                {...(line!.sideUnder && { sideUnder: line!.sideUnder })}
                size={40}
              />
            )}
            {line!.line}
          </p>
          {sayStanding(now.call) && <p className="text-lg text-quiet">{sayStanding(now.call)}</p>}
          <p className="text-lg text-quiet">
            {now.liftName}, {SET_ROLE_TAGS[now.role]}
          </p>
        </>
      ) : (
        <p className="text-4xl">
          {toHold ? HOLD_KINDS_BY_ID[toHold.hold.kind].name.toLowerCase() : 'all done'}
        </p>
      )}
      <p className="text-lg" aria-live="polite">
        {lastHold
          ? `last hold ${formatMass(lastHold.load, unit)}: ${lastHold.seconds.toFixed(1)} s, ${HOLD_ENDING_NAMES[lastHold.ended]}`
          : last?.done
            ? `last ${formatMass(last.done.load, unit)} × ${last.done.reps}${last.done.slippedAtRep !== null ? `, slipped at ${last.done.slippedAtRep}` : ''}`
            : 'nothing done yet'}
      </p>
    </section>
  );
}

/** The set that the floor says it is at; where it says nothing, or that one is done, the first that is not. */
function standsAt(sets: CallsView['sets'], stands: StandsRequest | undefined): CalledSet | undefined {
  const open = sets.filter((set) => set.done === null);
  const said = stands && open.find((set) => set.id === stands.plannedSetId);
  if (said) return said;
  // At the hold, whatever sets were jumped over.
  return stands?.plannedSetId === null ? undefined : open[0];
}

/** What the server calls, where the floor has said nothing. */
function called(set: CalledSet | undefined): Omit<StandsRequest, 'plannedSetId'> | undefined {
  if (!set) return undefined;
  const { choice, sideUnder } = set.call;
  return {
    load: set.loading.total,
    line: sayCall(set.call),
    ...(choice && { choice }),
    ...(sideUnder && { sideUnder }),
  };
}

function Running({ clock, target }: Followed): ReactElement {
  const [, paint] = useState(0);
  useEffect(() => {
    let frame = requestAnimationFrame(function step() {
      paint((n) => n + 1);
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, []);
  const now = elapsed(clock, monotonicNow());
  return (
    <p role="timer" className="figures text-8xl font-semibold text-verdigris">
      {now.toFixed(1)}
      <span className="text-3xl text-quiet"> of {target} s</span>
    </p>
  );
}
