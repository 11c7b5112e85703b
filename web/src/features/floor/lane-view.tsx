import { HOLD_KINDS_BY_ID, loadBar, USUAL_REST, type SetCall, HOLD_CHANGE_NAMES } from '@iron-clasp/core';
import type { CalledSet, FloorView, LogHoldRequest, LogSetRequest } from '@iron-clasp/contract';
import { useEffect, useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useAccount } from '../../data/session/account.ts';
import type { Waiting } from '../../offline/outbox.ts';
import { outbox, useWaiting } from '../../offline/use-outbox.ts';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { formatMass, minutes } from '../../ui/figures.ts';
import { Caution } from '../../ui/states.tsx';
import { useKeys } from '../../ui/use-keys.ts';
import { AllSets } from './all-sets.tsx';
import { clocks } from '../../offline/clocks.ts';
import { HoldPanel } from './hold-panel.tsx';
import { READY } from '../../offline/hold-clock.ts';
import {
  agreedCall,
  asCalled,
  decide,
  laneOf,
  proposalsOf,
  saidOn,
  undo,
  type DoneEntry,
  type DoneHold,
  type LaneMemory,
} from './lane.ts';
import { Foot, ToSheet } from './lane-foot.tsx';
import { useLaneMemory } from './lane-memory.ts';
import { handsNow, holdNow } from './opening.ts';
import { Opening } from './opening-panel.tsx';
import { Otherwise } from './otherwise.tsx';
import { Proposals } from './proposals.tsx';
import { Refused } from './refused.tsx';
import { SetPanel } from './set-panel.tsx';
import { useCallsAgain } from './use-calls-again.ts';
import { useRest } from './use-clock.ts';
import { NO_SET, useTellStands } from './use-tell-stands.ts';
import { clockNow } from '../../data/clock.ts';

/** What lies over the lane: nothing, the list of sets, a set told otherwise, or an entry that is said more of. */
type Over =
  | { readonly kind: 'list' }
  | { readonly kind: 'otherwise'; readonly set: CalledSet; readonly slipped: boolean }
  | { readonly kind: 'more'; readonly set: CalledSet; readonly entry: DoneEntry };

/** One lane: the current set or hold large, the next below, what was done, and one key to take it back. */
export function LaneView({ view: known }: { view: FloorView }): ReactElement {
  const unit = useUnit();
  const coach = useIsCoach();
  const accountId = useAccount()!.id;
  const waiting = useWaiting();
  const view = withOpening(known, waiting);
  const { session, hold } = view.calls;
  const [memory, change] = useLaneMemory(session.id);
  const [over, setOver] = useState<Over | null>(null);
  const lane = laneOf(view, waiting, memory);
  const calls = useCallsAgain(view, known, lane);
  const proposals = proposalsOf(lane, calls, memory);
  const rest = useRest(memory.rest);
  const refused = waiting.filter((entry) => entry.sessionId === session.id && entry.refused);
  const opening = view.handsOn !== session.on && lane.count.done === 0 && !handsWaiting(waiting, session.id);

  // The calls a lane opened with are what it stands at until the coach agrees to others.
  const unknown = lane.sets.filter(({ set, done }) => !done && !memory.agreed[set.id]);
  useEffect(() => {
    if (unknown.length === 0) return;
    change((now) => ({
      ...now,
      agreed: { ...Object.fromEntries(unknown.map(({ set }) => [set.id, set.call])), ...now.agreed },
    }));
  });

  const logged = (kind: 'set' | 'hold', id: string, seconds: number): void =>
    change((now) => ({
      ...now,
      // Between two holds the lane stays at the holds, whatever sets were jumped over.
      at: kind === 'hold' && hold && lane.holds.length + 1 < hold.sets ? 'hold' : null,
      actions: [...now.actions, { kind, id }].slice(-200),
      rest: { until: Date.now() + seconds * 1000, of: seconds },
    }));
  const logSet = (set: CalledSet, body: Omit<LogSetRequest, 'doneAt'>, replaces?: string): void => {
    const common = { sessionId: session.id, accountId };
    if (replaces) outbox.add({ ...common, id: replaces, kind: 'set', body: null });
    const id = crypto.randomUUID();
    outbox.add({
      ...common,
      id,
      kind: 'set',
      body: { ...body, barId: session.bar.id, doneAt: clockNow().toISOString() },
    });
    if (replaces)
      change((now) => ({
        ...now,
        actions: [
          ...now.actions.filter((each) => !('id' in each && each.id === replaces)),
          { kind: 'set', id },
        ],
      }));
    else logged('set', id, USUAL_REST[set.role]);
    setOver(null);
  };
  const logHold = (body: LogHoldRequest, replaces?: string): void => {
    const common = { sessionId: session.id, accountId };
    if (replaces) outbox.add({ ...common, id: replaces, kind: 'hold', body: null });
    const id = crypto.randomUUID();
    outbox.add({ ...common, id, kind: 'hold', body: { ...body } });
    logged('hold', id, hold!.rest[0]);
  };
  const takeBack = (): void => {
    const last = lastDone(
      memory,
      lane.sets.flatMap(({ done }) => done ?? []),
      lane.holds,
    );
    const { memory: before, entry } = undo(memory);
    const gone = entry ?? (memory.actions.length === 0 ? last : undefined);
    change(() => before);
    if (gone) outbox.add({ id: gone.id, kind: gone.kind, sessionId: session.id, accountId, body: null });
    clocks.set(session.id, READY);
    setOver(null);
  };
  const canUndo = memory.actions.length > 0 || lane.count.done > 0;
  useKeys({
    u: () => canUndo && clocks.of(session.id).state !== 'running' && takeBack(),
    Escape: () => setOver(null),
  });
  const now = lane.current;
  const call = now?.kind === 'set' ? agreedCall(now.set, memory) : null;
  const load = now?.kind === 'set' ? loadOf(now.set, call!, view) : 0;
  useTellStands(
    session.id,
    now?.kind === 'set'
      ? {
          plannedSetId: now.set.id,
          load,
          line: saidOn(call!),
          ...(call!.choice && { choice: call!.choice }),
          ...(call!.sideUnder && { sideUnder: call!.sideUnder }),
        }
      : NO_SET,
  );
  const lastSet = lane.sets.filter(({ done }) => done).at(-1);
  return (
    <main className="relative flex min-h-[calc(100dvh-2px)] flex-col">
      <header className="relative z-10 flex items-center gap-3 border-b border-rule px-3">
        <ToSheet lifterId={session.lifterId} />
        <h1 className="min-w-0 truncate text-2xl">{session.lifterName}</h1>
        <p className="figures ml-auto shrink-0 text-xl text-quiet" role="status">
          {now?.kind === 'hold' && hold
            ? `hold ${lane.holds.length + 1} of ${hold.sets}`
            : `${lane.count.done} of ${lane.count.of} done`}
          {waiting.length > 0 && <span className="text-ochre"> · {waiting.length} waiting</span>}
        </p>
      </header>

      <Opening
        view={known}
        accountId={accountId}
        unseen={opening}
        first={lane.count.done === 0 && lane.count.of > 0}
      />
      {refused.map((entry) => (
        <Refused key={entry.id} entry={entry} unit={unit} />
      ))}
      {proposals.length > 0 && (
        <Proposals
          proposals={proposals}
          equipment={view.equipment}
          onTake={() => change((each) => decide(each, proposals, true))}
          onKeep={() => change((each) => decide(each, proposals, false))}
        />
      )}

      {over?.kind === 'list' ? (
        <AllSets
          lane={lane}
          holdName={hold && !hold.barred ? HOLD_KINDS_BY_ID[hold.kind].name : null}
          memory={memory}
          onGo={(at) => {
            change((each) => ({ ...each, at, skipped: each.skipped.filter((skipped) => skipped !== at) }));
            setOver(null);
          }}
          onMore={(set, entry) => setOver({ kind: 'more', set, entry })}
          onClose={() => setOver(null)}
        />
      ) : over?.kind === 'otherwise' ? (
        <Otherwise
          key={over.set.id}
          set={over.set}
          start={asCalled(
            over.set,
            agreedCall(over.set, memory),
            session.venue.chalk,
            loadOf(over.set, agreedCall(over.set, memory), view),
          )}
          slipped={over.slipped}
          onLog={(body) => logSet(over.set, body)}
          onSkip={() => {
            change((each) => ({
              ...each,
              at: null,
              skipped: [...each.skipped, over.set.id],
              actions: [...each.actions, { kind: 'skip', at: over.set.id }],
            }));
            setOver(null);
          }}
          onClose={() => setOver(null)}
        />
      ) : over?.kind === 'more' ? (
        <Otherwise
          key={over.entry.id}
          set={over.set}
          start={{ plannedSetId: over.set.id, ...bodyOf(over.entry) }}
          slipped={over.entry.slippedAtRep !== null}
          onLog={(body) => logSet(over.set, body, over.entry.id)}
          onClose={() => setOver(null)}
        />
      ) : now === null ? (
        <section className="grid grow content-center justify-items-center gap-4 p-6 text-center">
          <h2 className="text-4xl">{lane.count.of === 0 ? 'Nothing is planned' : 'All done'}</h2>
          {hold?.barred && <Caution stop>No hold today. {hold.barred.text}</Caution>}
          <Link
            to={`/sessions/${session.id}/end`}
            className="inline-flex min-h-20 items-center rounded-sm bg-forge px-8 text-2xl font-semibold text-on-forge"
          >
            How it went
          </Link>
        </section>
      ) : now.kind === 'set' ? (
        <SetPanel
          set={now.set}
          call={call!}
          load={load}
          equipment={view.equipment}
          next={lane.next}
          hold={hold}
          onDone={() => logSet(now.set, asCalled(now.set, call!, session.venue.chalk, load))}
          onSlip={(rep) =>
            logSet(now.set, { ...asCalled(now.set, call!, session.venue.chalk, load), slippedAtRep: rep })
          }
          onOtherwise={() => setOver({ kind: 'otherwise', set: now.set, slipped: false })}
        />
      ) : (
        <HoldPanel view={view} hold={hold!} holds={lane.holds} alone={!coach} onLog={logHold} />
      )}

      <footer className="relative grid gap-1 border-t border-rule bg-ground px-3 py-2">
        <Done holds={lane.holds} view={view} />
        <div className="flex flex-wrap items-center gap-x-4">
          {rest !== null && now !== null && (
            <p
              role="timer"
              className={rest === 0 ? 'text-xl font-semibold text-forge' : 'text-xl text-quiet'}
            >
              {rest === 0 ? 'Rest is over' : `rest ${minutes(rest)}`}
            </p>
          )}
          {lastSet?.done && over === null && (
            <button
              type="button"
              aria-live="polite"
              className="ml-auto min-h-16 text-right text-quiet hover:text-ink"
              onClick={() => setOver({ kind: 'more', set: lastSet.set, entry: lastSet.done! })}
            >
              last{' '}
              <b className="figures text-lg text-ink">
                {formatMass(lastSet.done.load, unit)} × {lastSet.done.reps}
              </b>
              {lastSet.done.slippedAtRep !== null && `, slipped at ${lastSet.done.slippedAtRep}`}
              {lastSet.done.waiting && <span className="text-ochre">, waiting</span>}
              <span className="block underline underline-offset-4">Say more of it</span>
            </button>
          )}
        </div>
        <Foot
          sessionId={session.id}
          canUndo={canUndo}
          canHold={hold !== null && hold.barred === undefined && now?.kind !== 'hold'}
          onUndo={takeBack}
          onList={() => setOver(over?.kind === 'list' ? null : { kind: 'list' })}
          onHold={() => {
            setOver(null);
            change((each) => ({ ...each, at: 'hold' }));
          }}
        />
      </footer>
    </main>
  );
}

/** The floor with what this device knows of hands and squeeze before the server does. */
function withOpening(view: FloorView, waiting: readonly Waiting[]): FloorView {
  const hands = handsNow(view, waiting);
  const hold = holdNow(view, waiting);
  if (hands === view.hands && hold === view.calls.hold) return view;
  const { session } = view.underWay;
  return {
    ...view,
    hands,
    calls: { ...view.calls, hold },
    underWay: { ...view.underWay, session: { ...session, lifter: { ...session.lifter, hands } } },
  };
}

function handsWaiting(waiting: readonly Waiting[], sessionId: string): boolean {
  return waiting.some((entry) => entry.kind === 'hands' && entry.sessionId === sessionId);
}

/** What goes on the bar: as planned, or the lighter load that a weak or barred call asks for. */
function loadOf(set: CalledSet, call: SetCall, view: FloorView): number {
  if (call.choice !== null || call.lighterLoad === undefined || call.verdict === 'free')
    return set.loading.total;
  if (set.loading.perSide.length === 0) return call.lighterLoad;
  return loadBar({ target: call.lighterLoad, ...view.equipment }).atOrBelow?.total ?? set.loading.total;
}

function bodyOf(entry: DoneEntry): Omit<LogSetRequest, 'doneAt' | 'plannedSetId'> {
  const { load, reps, grip, sideUnder, strapped, chalk, slippedAtRep } = entry;
  const { pain, confidence, cause, note } = entry;
  return {
    ...{ load, reps, grip, strapped, chalk },
    ...(sideUnder !== null && { sideUnder }),
    ...(slippedAtRep !== null && { slippedAtRep }),
    ...(pain !== null && { pain }),
    ...(confidence !== null && { confidence }),
    ...(cause !== null && { cause }),
    ...(note !== null && { note }),
  };
}

/** The last entry there is, where this device remembers none of its own: another device may have made it. */
function lastDone(
  memory: LaneMemory,
  sets: readonly DoneEntry[],
  holds: readonly DoneHold[],
): { kind: 'set' | 'hold'; id: string } | undefined {
  const hold = holds.at(-1);
  if (hold) return { kind: 'hold', id: hold.id };
  const set = sets.at(-1);
  return set && memory.actions.length === 0 ? { kind: 'set', id: set.id } : undefined;
}

/** Holds done, those that wait too, and what comes next time. */
function Done({ holds, view }: { holds: readonly DoneHold[]; view: FloorView }): ReactElement | null {
  const unit = useUnit();
  const next = view.calls.nextHold;
  if (holds.length === 0) return null;
  return (
    <div aria-live="polite">
      <ol aria-label="Holds done" className="figures flex flex-wrap gap-x-8 gap-y-1 text-xl">
        {holds.map((each) => (
          <li key={each.id} className={each.waiting ? 'text-ochre' : ''}>
            {formatMass(each.load, unit)}: {each.seconds.toFixed(1)} s of {each.target},{' '}
            {each.ended === 'slipped' ? 'slipped' : 'put down'}
            {each.waiting && ', waiting for the server'}
          </li>
        ))}
      </ol>
      {next && !next.barred && (
        <p className="text-verdigris">
          Next time <b className="figures text-xl">{formatMass(next.load, unit)}</b>,{' '}
          {HOLD_CHANGE_NAMES[next.change]}. {next.why[0]?.text}
        </p>
      )}
    </div>
  );
}
