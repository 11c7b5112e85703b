import {
  findLift,
  sayCall,
  sayHands,
  stopToday,
  SET_ROLE_NAMES,
  type EventRules,
  type HoldPrescription,
  type SetCall,
} from '@iron-clasp/core';
import type {
  CalledSet,
  CurveDemand,
  LoggedHoldView,
  LoggedSetView,
  OverrideView,
  SessionHead,
} from '@iron-clasp/contract';
import type { KnownOverride } from '../../records/call-overrides/call-overrides.service.ts';
import type { Venue } from '../../records/kit/kit.entity.ts';
import type { LoggedHold, LoggedSet } from '../../records/log/log.entity.ts';
import type { PlannedSet } from '../../records/training/training.entity.ts';
import type { LifterProfile } from '../../evidence/lifter-today/lifter-today.service.ts';
import type { SessionFacts } from '../../evidence/session/session-facts.service.ts';
import { liftOf } from '../../evidence/session/session-parts.ts';
import type { AttemptCall } from '../../advice/calls/attempts.ts';
import { loadBelow, loadOn } from '../../advice/calls/load-on.ts';
import { eventBar, eventOf, fixedDiameter, roleUnder } from '../../evidence/session/event-of.ts';

export function headOf({ session, profile, kit }: SessionFacts, venues: readonly Venue[]): SessionHead {
  const { id, name, chalk, note } = kit.venue;
  return {
    id: session.id,
    lifterId: profile.lifter.id,
    lifterName: profile.lifter.name,
    title: session.title,
    on: session.heldOn,
    version: session.version,
    sweat: session.sweat,
    note: session.noteToLifter ?? '',
    own: { chalk: session.ownChalk, barDiameter: session.ownDiameter },
    fixedDiameter: fixedDiameter(session, profile.nextMeet),
    event: eventSaid(eventOf(session, profile.nextMeet)),
    hands: {
      said: sayHands(profile.hands, profile.handsOn !== null),
      stop: stopToday(profile.hands) ?? null,
    },
    venue: { id, name, chalk, note },
    bars: kit.bars.map(({ id: barId, name: barName, diameter }) => ({ id: barId, name: barName, diameter })),
    bar: { id: kit.bar.id, name: kit.bar.name, mass: kit.bar.mass, diameter: kit.bar.diameter },
    venues: venues.map((each) => ({ id: each.id, name: each.name, chalk: each.chalk })),
    pinHeights: kit.pinHeights,
  };
}

/** The rules in force, as a page names them. */
function eventSaid(event: EventRules | undefined): SessionHead['event'] {
  return event ? { name: event.name, rehearsal: event.rehearsal === true } : null;
}

export function overridesOf(
  set: PlannedSet,
  overrides: readonly KnownOverride[],
): Pick<CalledSet, 'override' | 'overrides'> {
  const views = overrides.filter((each) => each.setIds.includes(set.id)).map(overrideView);
  return { override: views.find((each) => !each.undone) ?? null, overrides: views };
}

function overrideView({
  id,
  choice,
  sideUnder,
  reason,
  repeats,
  by,
  at,
  undoneBy,
  undoneAt,
}: KnownOverride): OverrideView {
  const undone = undoneBy && undoneAt ? { by: undoneBy, at: undoneAt } : null;
  return { id, choice, sideUnder, reason, repeats, by, at, undone };
}

export function calledSet(
  set: PlannedSet,
  call: SetCall,
  { session, profile, kit }: SessionFacts,
  done: LoggedSet | undefined,
): Omit<CalledSet, 'override' | 'overrides' | 'fault'> {
  return {
    id: set.id,
    liftId: set.liftId,
    liftName: liftOf(set).name,
    loadMeans: liftOf(set).loadMeans,
    role: roleUnder(eventOf(session, profile.nextMeet), set.role),
    planned: set.load,
    loading: loadOn(set, kit.equipment),
    reps: set.reps,
    style: set.style,
    seconds: set.seconds,
    purpose: set.purpose,
    handle: set.handle,
    eventBar: eventBar(session, profile.nextMeet, set) ?? null,
    rest: set.rest,
    line: sayCall(call),
    call,
    lighter: call.lighterLoad === undefined ? null : loadBelow(set, call.lighterLoad, kit.equipment),
    done: done ? loggedSet(done) : null,
  };
}

export function loggedSet(row: LoggedSet): LoggedSetView {
  const { id, plannedSetId, load, reps, style, seconds, diameter, grip, sideUnder, strapped } = row;
  const { slippedAtRep, chalk } = row;
  const { pain, confidence, cause, signs, note } = row;
  return {
    ...{ id, plannedSetId, load, reps, style, seconds, diameter, grip, sideUnder, strapped },
    ...{ slippedAtRep, chalk },
    ...{ pain, confidence, cause, signs, note },
    doneAt: row.doneAt.toISOString(),
  };
}

export function loggedHold(row: LoggedHold): LoggedHoldView {
  const { id, kind, liftId, load, seconds, target, ended, grip, sideUnder, chalk, diameter, place } = row;
  const { pin, confidence, pain } = row;
  return {
    ...{ id, kind, liftId, load, seconds, target, ended, grip, sideUnder, chalk, diameter, place },
    ...{ pin, confidence, pain },
    doneAt: row.doneAt.toISOString(),
  };
}

/** What the session's heaviest bare-handed sets and its holds ask: one mark a lift and role. */
export function demandsOf(
  { session, profile, sets }: SessionFacts,
  calls: readonly SetCall[],
  holds: readonly HoldPrescription[],
): CurveDemand[] {
  const event = eventOf(session, profile.nextMeet);
  const heaviest = new Map<string, CurveDemand>();
  sets.forEach((set, i) => {
    const { demand, grip, choice } = calls[i]!;
    if (!demand || !grip || choice === 'straps' || set.role === 'warmup') return;
    const label = `${liftOf(set).name}, ${SET_ROLE_NAMES[roleUnder(event, set.role)]}`;
    const known = heaviest.get(label);
    if (!known || demand.load > known.load) heaviest.set(label, { kind: 'session', label, ...demand, grip });
  });
  const held = holds.flatMap((hold): CurveDemand[] => {
    const lift = findLift(hold.lift);
    // Only what hangs from a bar in front lies on this curve as it is written.
    return !hold.barred && lift?.curve === 'support' && lift.loadMeans === 'total'
      ? [{ kind: 'session', label: lift.name, load: hold.load, seconds: hold.seconds, grip: hold.grip }]
      : [];
  });
  return [...heaviest.values(), ...held];
}

/** What the attempts of the next meet ask, each in the grip that it is called with. */
export function attemptsOf(profile: LifterProfile, attempts: readonly AttemptCall[]): CurveDemand[] {
  return attempts.flatMap(({ call }, i) =>
    call.grip && call.choice !== 'straps' && call.demand
      ? [
          {
            ...{ kind: 'attempt', label: `${profile.nextMeet!.name}, attempt ${i + 1}` },
            ...{ load: call.demand.load, seconds: call.demand.seconds, grip: call.grip },
          } as const,
        ]
      : [],
  );
}
