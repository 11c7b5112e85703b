import { USUAL_REST } from '@iron-clasp/core';
import type { CalledSet, FloorView, LogHoldRequest, LogSetRequest, SentTrial } from '@iron-clasp/contract';
import { useQueryClient } from '@tanstack/react-query';
import { clockNow } from '../../data/clock.ts';
import { keys } from '../../data/keys.ts';
import { useAccount } from '../../data/session/account.ts';
import { useMoveSession } from '../../data/training/calls.ts';
import { clocks } from '../../offline/clocks.ts';
import { READY } from '../../offline/hold-clock.ts';
import { outbox } from '../../offline/own-outbox.ts';
import { withUnwell } from '../../ui/marks/zone-state.ts';
import { entriesOf, laneAfter, undo, type Act } from './acts.ts';
import {
  agreedCall,
  asCalled,
  bodyOfHold,
  holdKey,
  type DoneEntry,
  type DoneHold,
  type Earlier,
  type Lane,
  type LaneMemory,
} from './lane.ts';
import { bodyOf, dated, lastDone, loadOf } from './lane-entries.ts';

type SetBody = Omit<LogSetRequest, 'doneAt'>;

/** What can be done on a lane. */
interface LaneActs {
  readonly act: (what: Act) => void;
  /** The set as it is called now, to be logged. */
  readonly called: (set: CalledSet) => SetBody;
  readonly logSet: (set: CalledSet, body: SetBody) => void;
  readonly logWarmups: (sets: readonly CalledSet[]) => void;
  readonly logHold: (body: LogHoldRequest) => void;
  readonly put: (set: CalledSet, entry: DoneEntry, body: Omit<SetBody, 'plannedSetId'>) => void;
  readonly putHold: (logged: DoneHold, right: DoneHold) => void;
  /** One more set like this one. */
  readonly again: (like: CalledSet) => void;
  readonly sweat: (on: boolean) => void;
  readonly takeBack: () => void;
  readonly keepTest: (trials: readonly SentTrial[]) => void;
  readonly tellUnwell: (unwell: boolean) => void;
}

/** What is needed to act on a lane. */
interface ActingOn {
  readonly view: FloorView;
  readonly lane: Lane;
  readonly memory: LaneMemory;
  readonly change: (change: (memory: LaneMemory) => LaneMemory) => void;
  /** When what is logged now was done: on the day of the session. */
  readonly moment: () => string;
  /** What lay over the lane is done with. */
  readonly onDone: () => void;
}

/** What is done on a lane: each is kept in the queue at once, and remembered, so that it can be taken back. */
export function useLaneActs({ view, lane, memory, change, moment, onDone }: ActingOn): LaneActs {
  const accountId = useAccount()!.id;
  const { session } = view.calls;
  const now = lane.current;
  const act = (what: Act): void => change((now) => laneAfter(now, what));
  const logged = (
    what: 'set' | 'hold',
    id: string,
    rest: number,
    stays: string | null = null,
    group?: string,
  ): void =>
    change((before) =>
      laneAfter(before, {
        ...{ kind: 'log', what, id, rest, stays, now: Date.now() },
        ...(group && { group }),
      }),
    );
  const called = (set: CalledSet): SetBody => {
    const agreed = agreedCall(set, memory);
    return asCalled(set, agreed, session.venue.chalk, loadOf(set, agreed, view));
  };
  const common = { sessionId: session.id, accountId };
  const logSet = (set: CalledSet, body: SetBody): void => {
    const id = crypto.randomUUID();
    outbox.say({ ...common, id, kind: 'set', body: dated(body, session.bar.id, moment()) });
    logged('set', id, set.rest ?? USUAL_REST[set.role]);
    onDone();
  };
  /** All warm-ups that are left of a lift, as called, by one tap; one undo takes them back. */
  const logWarmups = (sets: readonly CalledSet[]): void => {
    const group = crypto.randomUUID();
    for (const set of sets) {
      const id = crypto.randomUUID();
      outbox.say({ ...common, id, kind: 'set', body: dated(called(set), session.bar.id, moment()) });
      logged('set', id, USUAL_REST.warmup, null, group);
    }
  };
  const logHold = (body: LogHoldRequest): void => {
    const id = crypto.randomUUID();
    outbox.say({ ...common, id, kind: 'hold', body });
    // Between two holds the lane stays at the holds, whatever sets were jumped over.
    if (now?.kind !== 'hold') return;
    const { hold, done } = now;
    logged('hold', id, hold.rest[0], done + 1 < hold.sets ? holdKey(hold.kind) : null);
  };
  const correct = (of: string, earlier: Earlier, now: Earlier): void => {
    const id = crypto.randomUUID();
    outbox.say({ ...common, id: of, kind: earlier.kind, body: null });
    outbox.say({ ...common, id, ...now });
    act({ kind: 'correct', id, of, earlier });
    onDone();
  };
  /** Puts a logged set right: what it was is kept, for an undo. */
  const put = (set: CalledSet, entry: DoneEntry, body: Omit<SetBody, 'plannedSetId'>): void => {
    const of = { plannedSetId: set.id };
    correct(
      entry.id,
      { kind: 'set', body: dated({ ...of, ...bodyOf(entry) }, session.bar.id, moment()) },
      { kind: 'set', body: dated({ ...of, ...body }, session.bar.id, moment()) },
    );
  };
  const putHold = (logged: DoneHold, right: DoneHold): void => {
    const body = (of: DoneHold): LogHoldRequest => ({
      ...bodyOfHold(of, session.bar.id),
      doneAt: moment(),
    });
    correct(logged.id, { kind: 'hold', body: body(logged) }, { kind: 'hold', body: body(right) });
  };
  const again = (like: CalledSet): void => {
    const id = crypto.randomUUID();
    outbox.say({ ...common, id, kind: 'extra', body: { like: like.id } });
    act({ kind: 'go', at: id });
    onDone();
  };
  const move = useMoveSession(session.id);
  const client = useQueryClient();
  const sweat = (on: boolean): void =>
    move.mutate(
      { sweat: on, version: session.version },
      // What the device calls again from knows of the heat too.
      { onSettled: () => client.refetchQueries({ queryKey: keys.training(session.id, 'floor') }) },
    );
  const takeBack = (): void => {
    const undone = undo(memory, () => crypto.randomUUID());
    // Another device may have made the last entry: this one remembers no act then.
    const last = memory.actions.length === 0 ? lastDone(lane) : undefined;
    change(() => undone.memory);
    for (const entry of entriesOf({ ...(last && { gone: [last] }), ...undone }, common)) outbox.say(entry);
    clocks.set(session.id, READY);
    onDone();
  };
  const keepTest = (trials: readonly SentTrial[]): void => {
    const { protocol, protocolId } = view.squeeze;
    outbox.say({
      ...{ ...common, id: crypto.randomUUID(), kind: 'squeeze', lifterId: session.lifterId },
      body: {
        ...{ protocol, trials: [...trials], testedAt: moment(), sessionId: session.id },
        ...(protocolId && { protocolId }),
        source: trials.some(({ trace }) => trace) ? 'device' : 'hand',
      },
    });
    change((now) => ({ ...now, squeeze: [] }));
    onDone();
  };
  const tellUnwell = (unwell: boolean): void => {
    outbox.say({
      ...{ ...common, id: crypto.randomUUID(), kind: 'hands', lifterId: session.lifterId },
      body: { hands: withUnwell(view.hands, unwell), checkedAt: clockNow().toISOString() },
    });
    onDone();
  };
  return {
    act,
    called,
    logSet,
    logWarmups,
    logHold,
    put,
    putHold,
    again,
    sweat,
    takeBack,
    keepTest,
    tellUnwell,
  };
}
