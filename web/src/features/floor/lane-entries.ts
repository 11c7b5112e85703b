import { loadBar, type HoldKindId, type SetCall } from '@iron-clasp/core';
import type { CalledSet, FloorView, LogSetRequest, StandsRequest } from '@iron-clasp/contract';
import type { Waiting } from '../../offline/outbox.ts';
import { saidOn, type DoneEntry, type DoneHold, type Lane, type LaneMemory } from './lane.ts';
import { handsNow, holdsNow } from './opening.ts';

/** The body of a set as it is sent. */
export const dated = (body: Omit<LogSetRequest, 'doneAt'>, barId: string, doneAt: string): LogSetRequest => ({
  ...body,
  barId,
  doneAt,
});

/** What stands on the floor, for those who follow on another screen. */
export const standing = (set: CalledSet, call: SetCall, load: number): StandsRequest => ({
  plannedSetId: set.id,
  load,
  line: saidOn(call),
  ...(call.choice && { choice: call.choice }),
  ...(call.sideUnder && { sideUnder: call.sideUnder }),
});

/** The floor with what this device knows of hands and squeeze before the server does. */
export function withOpening(view: FloorView, waiting: readonly Waiting[]): FloorView {
  const hands = handsNow(view, waiting);
  const holds = holdsNow(view, waiting);
  const sets = withExtras(view, waiting);
  if (hands === view.hands && holds === view.calls.holds && sets === view.calls.sets) return view;
  const { session } = view.underWay;
  return {
    ...view,
    hands,
    calls: { ...view.calls, holds, sets },
    underWay: { ...view.underWay, session: { ...session, lifter: { ...session.lifter, hands } } },
  };
}

/** The sets with those that this device added and the server does not have yet: each is called like the one it repeats. */
function withExtras(view: FloorView, waiting: readonly Waiting[]): readonly CalledSet[] {
  const { sets, session } = view.calls;
  const extras = waiting.flatMap((entry): CalledSet[] => {
    if (entry.kind !== 'extra' || entry.sessionId !== session.id || entry.refused) return [];
    const like = sets.find((set) => set.id === entry.body.like);
    if (!like || sets.some((set) => set.id === entry.id)) return [];
    return [{ ...like, id: entry.id, done: null, override: null, overrides: [], fault: null }];
  });
  return extras.length > 0 ? [...sets, ...extras] : sets;
}

/** The hold that was the last act on this device, where nobody has said yet how it was. */
export function heldLast({ actions }: LaneMemory, { holds }: Lane): DoneHold | undefined {
  const last = actions.at(-1);
  return last?.kind === 'hold' ? holds.find((each) => each.id === last.id) : undefined;
}

export const isDone = (kind: HoldKindId, { holds }: Lane): boolean =>
  holds.some((each) => each.kind === kind);

export function handsWaiting(waiting: readonly Waiting[], sessionId: string): boolean {
  return waiting.some((entry) => entry.kind === 'hands' && entry.sessionId === sessionId);
}

/** What goes on the bar: as planned, or the lighter load that a weak or barred call asks for. */
export function loadOf(set: CalledSet, call: SetCall, view: FloorView): number {
  if (call.choice !== null || call.lighterLoad === undefined || call.verdict === 'free')
    return set.loading.total;
  if (set.loading.perSide.length === 0) return call.lighterLoad;
  return loadBar({ target: call.lighterLoad, ...view.equipment }).atOrBelow?.total ?? set.loading.total;
}

export function bodyOf(entry: DoneEntry): Omit<LogSetRequest, 'doneAt' | 'plannedSetId'> {
  const { load, reps, grip, sideUnder, strapped, chalk, slippedAtRep } = entry;
  const { pain, confidence, cause, signs, note, seconds } = entry;
  return {
    ...(seconds !== null && { seconds }),
    ...(signs.length > 0 && { signs: [...signs] }),
    ...{ load, reps, grip, strapped, chalk },
    ...(sideUnder !== null && { sideUnder }),
    ...(slippedAtRep !== null && { slippedAtRep }),
    ...(pain !== null && { pain }),
    ...(confidence !== null && { confidence }),
    ...(cause !== null && { cause }),
    ...(note !== null && { note }),
  };
}

/** The last entry there is, whichever device made it. */
export function lastDone({ sets, holds }: Lane): { kind: 'set' | 'hold'; id: string } | undefined {
  const hold = holds.at(-1);
  if (hold) return { kind: 'hold', id: hold.id };
  const set = sets.filter(({ done }) => done).at(-1);
  return set && { kind: 'set', id: set.done!.id };
}
