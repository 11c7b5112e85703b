import {
  CHALK_NAMES,
  sayCall,
  stopToday,
  unitOfPlates,
  type AttentionFinding,
  type HoldKindId,
  type HoldPrescription,
  type SetCall,
} from '@iron-clasp/core';
import type { DayHold, DaySession, DaySet, SessionHoldView } from '@iron-clasp/contract';
import type { PlannedSet } from '../../records/training/training.entity.ts';
import type { SessionFacts } from '../../evidence/session/session-facts.service.ts';
import { eventOf, roleUnder } from '../../evidence/session/event-of.ts';
import { liftOf } from '../../evidence/session/session-parts.ts';
import { loadOn } from '../../advice/calls/load-on.ts';

/** A session with what a day says of it. */
export interface Called {
  readonly facts: SessionFacts;
  readonly calls: readonly SetCall[];
  readonly holds: readonly SessionHoldView[];
}

/** A session of a day in the one line that matters, with the gravest of what is found of its lifter. */
export function daySession(
  { facts, calls, holds }: Called,
  finding: AttentionFinding | undefined,
): DaySession {
  const { session, profile, kit, sets } = facts;
  const top = topOf(sets, calls);
  return {
    id: session.id,
    lifterId: profile.lifter.id,
    lifterName: profile.lifter.name,
    title: session.title,
    venue: kit.venue.name,
    chalk: CHALK_NAMES[session.ownChalk ?? kit.venue.chalk],
    hands: profile.hands,
    handsOn: profile.handsOn,
    stop: stopToday(profile.hands) ?? null,
    finished: session.finished,
    top: top === null ? null : daySet(sets[top]!, calls[top]!, facts),
    holds: holds.flatMap(({ kind, hold, decision }) =>
      !hold || hold.barred || decision?.what === 'skipped' ? [] : [dayHold(kind, hold)],
    ),
    note: finding ? { level: finding.level, text: finding.text } : null,
  };
}

/** The set a coach asks of first: the heaviest top set that hangs from the hands, else the heaviest of them. */
function topOf(sets: readonly PlannedSet[], calls: readonly SetCall[]): number | null {
  const rank = ({ role }: PlannedSet): number => (role === 'attempt' || role === 'top' ? 1 : 0);
  const gripped = sets.map((_, i) => i).filter((i) => calls[i]!.verdict !== 'free');
  const [first] = gripped.sort(
    (a, b) => rank(sets[b]!) - rank(sets[a]!) || sets[b]!.load - sets[a]!.load || a - b,
  );
  return first ?? null;
}

export function daySet(set: PlannedSet, call: SetCall, { session, profile, kit }: SessionFacts): DaySet {
  const loading = loadOn(set, kit.equipment);
  return {
    liftName: liftOf(set).name,
    role: roleUnder(eventOf(session, profile.nextMeet), set.role),
    ...{ load: loading.total, plates: unitOfPlates([loading]) },
    ...{ reps: set.reps, seconds: set.seconds, choice: call.choice, sideUnder: call.sideUnder ?? null },
    line: sayCall(call),
    ...{ probability: call.probability, range: call.range ?? null },
    ...{ threshold: call.threshold, verdict: call.verdict },
  };
}

export function dayHold(kind: HoldKindId, { sets, reps, seconds, load }: HoldPrescription): DayHold {
  return { kind, sets, reps: reps ?? null, seconds, load };
}
