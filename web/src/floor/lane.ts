import {
  findLift,
  sameCall,
  sayCall,
  type DoneSet,
  type Grip,
  type GripChoice,
  type HoldObservation,
  type SetCall,
} from '@iron-clasp/core';
import type { CalledSet, FloorView, LogHoldRequest, LogSetRequest } from '@iron-clasp/contract';
import type { Waiting } from '../api/outbox.ts';

/** What was done on this device that can be taken back, the latest last. */
export type Action =
  | { readonly kind: 'set' | 'hold'; readonly id: string }
  | { readonly kind: 'skip'; readonly at: string }
  | { readonly kind: 'decide'; readonly before: Pick<LaneMemory, 'agreed' | 'kept'> };

/** What a device remembers of a lane beside the log: what the coach agreed to, skipped, and did last. */
export interface LaneMemory {
  /** The call each set was agreed on, by set id. */
  readonly agreed: Readonly<Record<string, SetCall>>;
  /** New calls that the coach did not take, as they were said. */
  readonly kept: Readonly<Record<string, string>>;
  readonly skipped: readonly string[];
  /** Set id, or `hold`, that somebody jumped to. */
  readonly at: string | null;
  readonly actions: readonly Action[];
  /** Wall time at which the rest is over, ms, and how long it was, s. */
  readonly rest: { readonly until: number; readonly of: number } | null;
}

export const NEW_LANE: LaneMemory = { agreed: {}, kept: {}, skipped: [], at: null, actions: [], rest: null };

/** A set as it was done, here or on another device. */
export interface DoneEntry {
  readonly id: string;
  readonly load: number;
  readonly reps: number;
  readonly grip: Grip;
  readonly strapped: boolean;
  readonly chalk: LogSetRequest['chalk'];
  readonly slippedAtRep: number | null;
  readonly pain: number | null;
  readonly confidence: number | null;
  readonly cause: string | null;
  readonly note: string | null;
  readonly waiting: boolean;
}

export interface DoneHold {
  readonly id: string;
  readonly load: number;
  readonly seconds: number;
  readonly target: number;
  readonly ended: LogHoldRequest['ended'];
  readonly grip: Grip;
  readonly waiting: boolean;
}

export interface LaneSet {
  readonly set: CalledSet;
  readonly done: DoneEntry | null;
}

/** A lane as it stands: what is done, what is now, what comes next. */
export interface Lane {
  readonly sets: readonly LaneSet[];
  readonly holds: readonly DoneHold[];
  readonly current: { readonly kind: 'set'; readonly set: CalledSet } | { readonly kind: 'hold' } | null;
  readonly next: CalledSet | 'hold' | null;
  /** Sets and holds done, and how many there are. */
  readonly count: { readonly done: number; readonly of: number };
}

/** Puts the server's view, what waits on this device and what the device remembers together. */
export function laneOf(view: FloorView, waiting: readonly Waiting[], memory: LaneMemory): Lane {
  const { sets, hold, holdsDone, session } = view.calls;
  const own = waiting.filter((entry) => entry.sessionId === session.id && !entry.refused);
  const ids = new Set(own.map((entry) => entry.id));
  const logged = new Map<string, DoneEntry>();
  for (const { id, done } of sets) if (done && !ids.has(done.id)) logged.set(id, { ...done, waiting: false });
  for (const entry of own)
    if (entry.kind === 'set' && entry.body) logged.set(entry.body.plannedSetId, doneOf(entry.id, entry.body));
  const holds: DoneHold[] = [
    ...holdsDone.filter((done) => !ids.has(done.id)).map((done) => ({ ...done, waiting: false })),
    ...own.flatMap((entry) =>
      entry.kind === 'hold' && entry.body ? [{ ...entry.body, id: entry.id, waiting: true }] : [],
    ),
  ];
  const rows = sets.map((set): LaneSet => ({ set, done: logged.get(set.id) ?? null }));
  const wanted = hold && !hold.barred ? hold.sets : 0;
  const left: (CalledSet | 'hold')[] = rows
    .filter(({ set, done }) => !done && !memory.skipped.includes(set.id))
    .map(({ set }) => set);
  if (holds.length < wanted && !memory.skipped.includes('hold')) left.push('hold');
  const jumped =
    memory.at === 'hold' && wanted > 0
      ? 'hold'
      : left.find((each) => each !== 'hold' && each.id === memory.at);
  const now = jumped ?? left[0];
  const place = now === undefined ? -1 : left.indexOf(now);
  return {
    sets: rows,
    holds,
    current: now === undefined ? null : now === 'hold' ? { kind: 'hold' } : { kind: 'set', set: now },
    next: left[place + 1] ?? null,
    count: {
      done: rows.filter((row) => row.done).length + Math.min(holds.length, wanted),
      of: rows.length + wanted,
    },
  };
}

function doneOf(id: string, body: LogSetRequest): DoneEntry {
  const { load, reps, grip, strapped, chalk, slippedAtRep, pain, confidence, cause, note } = body;
  return {
    ...{ id, load, reps, grip, strapped, chalk },
    slippedAtRep: slippedAtRep ?? null,
    pain: pain ?? null,
    confidence: confidence ?? null,
    cause: cause ?? null,
    note: note ?? null,
    waiting: true,
  };
}

/** What the core calls the rest of the session from. */
export function doneToday(view: FloorView, lane: Lane): { done: DoneSet[]; holds: HoldObservation[] } {
  const { diameter } = view.calls.session.bar;
  const done = lane.sets.flatMap(({ set, done: entry }): DoneSet[] =>
    entry
      ? [
          {
            lift: set.liftId,
            load: entry.load,
            reps: entry.reps,
            grip: entry.grip,
            strapped: entry.strapped,
            chalk: entry.chalk,
            diameter,
            ...(set.seconds && { seconds: set.seconds }),
            ...(entry.slippedAtRep && { slippedAtRep: entry.slippedAtRep }),
          },
        ]
      : [],
  );
  // Only what hangs from a bar or handle tells of the support curve as it is written; a hang wants the body's mass too.
  const lift = view.calls.hold ? findLift(view.calls.hold.lift) : undefined;
  const tells = lift === undefined || (lift.curve === 'support' && lift.loadMeans === 'total');
  const holds = (tells ? lane.holds : []).map((hold, place): HoldObservation => ({
    load: hold.load,
    ...(lift && { position: lift.position }),
    seconds: hold.seconds,
    ended: hold.ended,
    grip: hold.grip,
    chalk: view.calls.session.venue.chalk,
    diameter,
    earlierHolds: place,
    ageDays: 0,
  }));
  return { done, holds };
}

/** A set whose call is another one now than what was agreed. */
export interface Proposal {
  readonly set: CalledSet;
  readonly before: SetCall;
  readonly after: SetCall;
}

/** The call a set stands at: what was agreed, else what it was called when the lane opened. */
export function agreedCall(set: CalledSet, memory: LaneMemory): SetCall {
  return memory.agreed[set.id] ?? set.call;
}

/** What the coach has to decide: sets not done whose new call differs from the agreed one and was not turned down already. */
export function proposalsOf(lane: Lane, calls: readonly SetCall[], memory: LaneMemory): Proposal[] {
  return lane.sets.flatMap(({ set, done }, i) => {
    const after = calls[i];
    const before = agreedCall(set, memory);
    if (done || !after || sameCall(before, after) || stillGood(before, after)) return [];
    return memory.kept[set.id] === said(after) ? [] : [{ set, before, after }];
  });
}

/** Does the agreed call still do what is asked, though another would be called now? Then it is left in peace. */
function stillGood(before: SetCall, after: SetCall): boolean {
  const now = after.alternatives.grips.find((each) => each.choice === before.choice);
  return Boolean(now?.permitted && (now.probability === null || now.probability >= after.threshold));
}

const said = (call: SetCall): string => `${sayCall(call)} ${call.verdict}`;

/** The coach takes the new calls, or keeps the old ones; either can be taken back. */
export function decide(memory: LaneMemory, proposals: readonly Proposal[], take: boolean): LaneMemory {
  const { agreed, kept } = memory;
  const changed = Object.fromEntries(
    proposals.map(({ set, after }) => [set.id, take ? after : said(after)] as const),
  );
  return {
    ...memory,
    ...(take
      ? { agreed: { ...agreed, ...(changed as Record<string, SetCall>) } }
      : { kept: { ...kept, ...(changed as Record<string, string>) } }),
    actions: [...memory.actions, { kind: 'decide', before: { agreed, kept } }],
  };
}

/** Takes back the last thing done: what is left of the memory, and the log entry to take back where it was one. */
export function undo(memory: LaneMemory): {
  memory: LaneMemory;
  entry?: { kind: 'set' | 'hold'; id: string };
} {
  const last = memory.actions.at(-1);
  if (!last) return { memory };
  const actions = memory.actions.slice(0, -1);
  if (last.kind === 'skip')
    return { memory: { ...memory, actions, skipped: memory.skipped.filter((each) => each !== last.at) } };
  if (last.kind === 'decide') return { memory: { ...memory, actions, ...last.before } };
  return { memory: { ...memory, actions, rest: null, at: null }, entry: { kind: last.kind, id: last.id } };
}

/** The body of a set that went as called. */
export function asCalled(
  set: CalledSet,
  call: SetCall,
  chalk: LogSetRequest['chalk'],
  load: number,
): Omit<LogSetRequest, 'doneAt'> {
  return {
    plannedSetId: set.id,
    load,
    reps: set.reps,
    grip: call.grip ?? 'doubleOverhand',
    strapped: call.choice === 'straps',
    chalk: call.choice === null ? 'none' : call.chalk.kind === 'none' ? 'none' : chalk,
    ...(call.choice === 'mixed' && call.sideUnder && { sideUnder: call.sideUnder }),
  };
}

/** A call as it stands on the floor, in words. */
export function saidOn(call: SetCall): string {
  return call.choice === null && call.lighterLoad !== undefined ? 'only lighter' : sayCall(call);
}

/** The grip as one chooses it on the floor: a bare one, or straps. */
export function choiceOf({ grip, strapped }: Pick<LogSetRequest, 'grip' | 'strapped'>): GripChoice {
  return strapped ? 'straps' : grip;
}
