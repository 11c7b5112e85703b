import {
  closedOn,
  isGripCaution,
  sameCall,
  sayCall,
  type Grip,
  type GripChoice,
  type HoldKindId,
  type Side,
  type LoggedHoldFacts,
  type LoggedSetFacts,
  type SetCall,
} from '@iron-clasp/core';
import type {
  CalledSet,
  FloorView,
  LoggedSetView,
  LogHoldRequest,
  LogSetRequest,
} from '@iron-clasp/contract';
import { countDone, wantedHolds, type WantedHold } from '../../data/training/wanted-holds.ts';
import type { DoneTrial } from '../../parts/squeeze/test-order.ts';
import type { Waiting } from '../../offline/outbox.ts';

/** A log entry as it was before it was put right. */
export type Earlier =
  | { readonly kind: 'set'; readonly body: LogSetRequest }
  | { readonly kind: 'hold'; readonly body: LogHoldRequest };

/** What was done on this device that can be taken back, the latest last. */
export type Action =
  /** `earlier`: the entry put one right, which comes back where it is undone; `group`: logged by one tap with others. */
  | {
      readonly kind: 'set' | 'hold';
      readonly id: string;
      readonly earlier?: Earlier;
      readonly group?: string;
    }
  | { readonly kind: 'skip'; readonly at: string }
  | { readonly kind: 'decide'; readonly before: Pick<LaneMemory, 'agreed' | 'kept'> };

/** What a device remembers of a lane beside the log: what the coach agreed to, skipped, and did last. */
export interface LaneMemory {
  /** The call each set was agreed on, by set id. */
  readonly agreed: Readonly<Record<string, SetCall>>;
  /** New calls that the coach did not take, as they were said. */
  readonly kept: Readonly<Record<string, string>>;
  readonly skipped: readonly string[];
  /** Set id, or the {@link holdKey} of a hold, that somebody jumped to. */
  readonly at: string | null;
  readonly actions: readonly Action[];
  /** Wall time at which the rest is over, ms, and how long it was, s. */
  readonly rest: { readonly until: number; readonly of: number } | null;
  /** Trials of a squeeze test that is not kept yet. */
  readonly squeeze: readonly DoneTrial[];
}

export const NEW_LANE: LaneMemory = {
  ...{ agreed: {}, kept: {}, skipped: [], at: null },
  ...{ actions: [], rest: null, squeeze: [] },
};

/** A set as it was done, here or on another device. */
export type DoneEntry = Omit<LoggedSetView, 'plannedSetId' | 'doneAt'> & {
  /** On this device and not on the server yet. */
  readonly waiting: boolean;
};

export interface DoneHold {
  readonly id: string;
  readonly kind: HoldKindId;
  readonly liftId: string;
  readonly load: number;
  readonly seconds: number;
  readonly target: number;
  readonly ended: LogHoldRequest['ended'];
  readonly grip: Grip;
  readonly sideUnder: Side | null;
  readonly chalk: LogHoldRequest['chalk'];
  readonly diameter: number;
  readonly pin: number | null;
  readonly confidence: number | null;
  readonly pain: number | null;
  readonly waiting: boolean;
}

export interface LaneSet {
  readonly set: CalledSet;
  readonly done: DoneEntry | null;
}

export interface NowSet {
  readonly kind: 'set';
  readonly set: CalledSet;
}
export interface NowHold extends WantedHold {
  readonly kind: 'hold';
}

/** How a lane's memory names a hold. */
export const holdKey = (kind: HoldKindId): string => `hold:${kind}`;
const keyOf = (now: NowSet | NowHold): string => (now.kind === 'set' ? now.set.id : holdKey(now.hold.kind));

/** A lane as it stands: what is done, what is now, what comes next. */
export interface Lane {
  readonly sets: readonly LaneSet[];
  readonly holds: readonly DoneHold[];
  readonly current: NowSet | NowHold | null;
  readonly next: NowSet | NowHold | null;
  /** Sets and holds done, and how many there are. */
  readonly count: { readonly done: number; readonly of: number };
}

/** Puts the server's view, what waits on this device and what the device remembers together. */
export function laneOf(view: FloorView, waiting: readonly Waiting[], memory: LaneMemory): Lane {
  const { sets, holdsDone, session } = view.calls;
  const own = waiting.filter((entry) => entry.sessionId === session.id && !entry.refused);
  const ids = new Set(own.map((entry) => entry.id));
  const logged = new Map<string, DoneEntry>();
  for (const { id, done } of sets) if (done && !ids.has(done.id)) logged.set(id, { ...done, waiting: false });
  for (const entry of own) {
    if (entry.kind !== 'set' || !entry.body) continue;
    const set = sets.find((each) => each.id === entry.body!.plannedSetId);
    if (set) logged.set(set.id, doneOf(entry.id, entry.body, set, view));
  }
  const holds: DoneHold[] = [
    ...holdsDone.filter((done) => !ids.has(done.id)).map((done) => ({ ...done, waiting: false })),
    ...own.flatMap((entry) =>
      entry.kind === 'hold' && entry.body ? [heldOf(entry.id, entry.body, view)] : [],
    ),
  ];
  const rows = sets.map((set): LaneSet => ({ set, done: logged.get(set.id) ?? null }));
  const wanted = wantedHolds(view.calls.holds, holds).map((each): NowHold => ({ kind: 'hold', ...each }));
  const left = [
    ...rows.filter(({ done }) => !done).map(({ set }): NowSet => ({ kind: 'set', set })),
    ...wanted.filter(({ hold, done }) => done < hold.sets),
  ].filter((each) => !memory.skipped.includes(keyOf(each)));
  // A hold that somebody went to is shown also once all its sets are done: one more may be.
  const now = [...left, ...wanted].find((each) => keyOf(each) === memory.at) ?? left[0];
  const place = now === undefined ? -1 : left.indexOf(now);
  return {
    sets: rows,
    holds,
    current: now ?? null,
    next: left[place + 1] ?? null,
    count: countDone(rows, wanted),
  };
}

/**
 * The warm-ups of one lift that stand ahead together: the current one and those that follow it, as long as each may simply be
 * done as called. Fewer than two are no group.
 */
export function warmupsAhead({ current, sets }: Lane, memory: LaneMemory): CalledSet[] {
  if (current?.kind !== 'set') return [];
  const found: CalledSet[] = [];
  for (const { set, done } of sets.slice(sets.findIndex((row) => row.set.id === current.set.id))) {
    if (set.role !== 'warmup' || set.liftId !== current.set.liftId) break;
    if (done || memory.skipped.includes(set.id)) continue;
    if (agreedCall(set, memory).verdict === 'stop' || set.seconds !== null) break;
    found.push(set);
  }
  return found.length > 1 ? found : [];
}

function doneOf(id: string, body: LogSetRequest, set: CalledSet, view: FloorView): DoneEntry {
  const { load, reps, grip, strapped, chalk, slippedAtRep, pain, confidence, cause, signs, note } = body;
  return {
    ...{ id, load, reps, style: set.style, grip, strapped, chalk },
    seconds: body.seconds ?? set.seconds,
    diameter: set.eventBar ?? closedOn(set.liftId, barDiameter(view, body.barId), set.handle),
    sideUnder: body.sideUnder ?? null,
    slippedAtRep: slippedAtRep ?? null,
    pain: pain ?? null,
    confidence: confidence ?? null,
    cause: cause ?? null,
    signs: signs ?? [],
    note: note ?? null,
    waiting: true,
  };
}

/** A hold that waits on this device; entries of older versions did not yet say what was held. */
function heldOf(id: string, body: LogHoldRequest, view: FloorView): DoneHold {
  const hold = view.calls.holds.find((each) => !body.kind || each.kind === body.kind)?.hold;
  const liftId = body.liftId ?? hold?.lift ?? 'hold.front-rack';
  const { load, seconds, target, ended, grip, chalk, pin, confidence, pain } = body;
  return {
    ...{ id, liftId, load, seconds, target, ended, grip, chalk, waiting: true },
    sideUnder: body.sideUnder ?? null,
    ...{ pin: pin ?? null, confidence: confidence ?? null, pain: pain ?? null },
    kind: body.kind ?? hold?.kind ?? 'frontRackHold',
    diameter: body.diameter ?? closedOn(liftId, barDiameter(view, body.barId)),
  };
}

/** A hold as it was done, as it is sent. */
export function bodyOfHold(done: DoneHold, barId: string): Omit<LogHoldRequest, 'doneAt'> {
  const { kind, liftId, load, seconds, target, ended, grip, chalk, diameter } = done;
  const { sideUnder, pin, confidence, pain } = done;
  return {
    ...{ kind, liftId, load, seconds, target, ended, grip, chalk, diameter, barId },
    ...(sideUnder && { sideUnder }),
    ...(pin !== null && { pin }),
    ...(confidence !== null && { confidence }),
    ...(pain !== null && { pain }),
  };
}

/** Diameter of the bar that an entry names, as it was then; the session's where it names none. */
function barDiameter({ calls }: FloorView, barId: string | undefined): number {
  const { bar, bars, fixedDiameter } = calls.session;
  return fixedDiameter ?? bars.find((each) => each.id === barId)?.diameter ?? bar.diameter;
}

/** What was done of the session, as the core reads every log. */
export function doneToday(lane: Lane): { done: LoggedSetFacts[]; holds: LoggedHoldFacts[] } {
  return {
    done: lane.sets.flatMap(({ set: { liftId }, done }): LoggedSetFacts[] => {
      if (!done) return [];
      const { load, reps, style, seconds, grip, strapped, chalk, diameter, slippedAtRep } = done;
      return [{ liftId, load, reps, style, seconds, grip, strapped, chalk, diameter, slippedAtRep }];
    }),
    holds: lane.holds.map(({ liftId, load, seconds, ended, grip, chalk, diameter }, place) => ({
      ...{ liftId, load, seconds, ended, grip, chalk, diameter, place },
    })),
  };
}

/** Repetitions at which a slip is thought of ahead. */
const MOST_SLIPS = 6;

/**
 * What is done today once the current set is, for each way it can end: as it is called, or with a slip at one of its
 * repetitions. How long a timed set lasts is known only when it ends.
 */
export function afterSet(
  lane: Lane,
  called: Omit<LogSetRequest, 'doneAt'>,
  view: FloorView,
): ReturnType<typeof doneToday>[] {
  const { sets, current } = lane;
  if (current?.kind !== 'set') return [];
  const { set } = current;
  const slips = set.seconds === null ? Math.min(called.reps, MOST_SLIPS) : 0;
  const ends = [{}, ...Array.from({ length: slips }, (_, i) => ({ slippedAtRep: i + 1 }))];
  return ends.map((end) => {
    const body = { ...called, ...end, barId: view.calls.session.bar.id, doneAt: '' };
    const done = doneOf('', body, set, view);
    return doneToday({ ...lane, sets: sets.map((each) => (each.set === set ? { set, done } : each)) });
  });
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

/**
 * An agreed call with what is to be minded now: grip and chalk are agreed to, a caution is nobody's to agree to. What is said
 * of a grip alone stands with that grip.
 */
export function mindedNow(agreed: SetCall, now: SetCall | undefined): SetCall {
  if (!now || now === agreed) return agreed;
  const cautions = sameCall(agreed, now)
    ? now.cautions
    : [...agreed.cautions.filter(isGripCaution), ...now.cautions.filter((each) => !isGripCaution(each))];
  const alike =
    cautions.length === agreed.cautions.length && cautions.every((each, i) => each === agreed.cautions[i]);
  return alike ? agreed : { ...agreed, cautions };
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
  return Boolean(now?.permitted && now.why.ruleId !== 'evidence.below-threshold');
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
  return sayCall(call);
}

/** The grip as one chooses it on the floor: a bare one, or straps. */
export function choiceOf({ grip, strapped }: Pick<LogSetRequest, 'grip' | 'strapped'>): GripChoice {
  return strapped ? 'straps' : grip;
}
