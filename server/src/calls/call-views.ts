import {
  findLift,
  isBarLift,
  loadBar,
  sameCall,
  sayCall,
  setDemand,
  SET_ROLE_NAMES,
  type BarLoading,
  type CallOverride,
  type HoldEquipment,
  type HoldPrescription,
  type HoldRequest,
  type Lift,
  type SetCall,
} from '@iron-clasp/core';
import type {
  CalledSet,
  CurveDemand,
  LoggedHoldView,
  LoggedSetView,
  OverrideView,
  SessionHead,
  TriedSet,
} from '@iron-clasp/contract';
import type { VenueKit } from '../kit/kit.repository.ts';
import type { LifterProfile } from '../lifters/lifters.repository.ts';
import type { LoggedHold, LoggedSet } from '../log/log.entity.ts';
import type { PlannedSet, TrainingSession } from '../training/training.entity.ts';
import type { KnownOverride } from './overrides.repository.ts';

/** What the head of a session is drawn from. */
interface HeadFacts {
  readonly session: TrainingSession;
  readonly profile: LifterProfile;
  readonly kit: VenueKit;
}

export function venueOf({ venue, bar }: VenueKit): HoldRequest['venue'] {
  return {
    name: venue.name,
    chalk: venue.chalk,
    barDiameter: bar.diameter,
    ...(venue.straps && { straps: venue.straps }),
  };
}

export function liftOf(set: PlannedSet): Lift {
  const lift = findLift(set.liftId);
  if (!lift) throw new Error(`Planned set ${set.id} names the unknown lift ${set.liftId}.`);
  return lift;
}

export function headOf({ session, profile, kit }: HeadFacts, venues: SessionHead['venues']): SessionHead {
  const { id, name, chalk, note } = kit.venue;
  return {
    id: session.id,
    lifterId: profile.lifter.id,
    lifterName: profile.lifter.name,
    title: session.title,
    on: session.heldOn,
    version: session.version,
    venue: { id, name, chalk, note },
    bars: kit.bars.map((bar) => ({ id: bar.id, name: bar.name })),
    bar: { id: kit.bar.id, name: kit.bar.name, mass: kit.bar.mass, diameter: kit.bar.diameter },
    venues: venues.map((each) => ({ id: each.id, name: each.name, chalk: each.chalk })),
  };
}

/** The decision that is in force for a set, as the engine takes it. */
export function overrideFor(
  set: PlannedSet,
  overrides: readonly KnownOverride[],
): { override?: CallOverride } {
  const found = overrides.find((each) => !each.undoneAt && each.setIds.includes(set.id));
  if (!found) return {};
  const { choice, sideUnder, reason, by } = found;
  return { override: { choice, reason, by, ...(sideUnder && { sideUnder }) } };
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
  by,
  at,
  undoneBy,
  undoneAt,
}: KnownOverride): OverrideView {
  const undone = undoneBy && undoneAt ? { by: undoneBy, at: undoneAt } : null;
  return { id, choice, sideUnder, reason, by, at, undone };
}

export function triedSet(id: string, real: SetCall, other: SetCall): TriedSet {
  const { choice, probability, verdict, reasons } = other;
  const known = new Set(real.reasons.map((reason) => reason.text));
  const why = reasons.find((reason) => !known.has(reason.text)) ?? reasons[0];
  return {
    id,
    line: sayCall(other),
    choice,
    probability,
    verdict,
    changed: !sameCall(real, other),
    why: why?.text ?? '',
  };
}

export function calledSet(
  set: PlannedSet,
  call: SetCall,
  equipment: HoldEquipment,
  done: LoggedSet | undefined,
): Omit<CalledSet, 'override' | 'overrides' | 'fault'> {
  const onBar = isBarLift(liftOf(set));
  const loading: BarLoading = onBar
    ? loadBar({ target: set.load, ...equipment }).nearest
    : { total: set.load, perSide: [] };
  return {
    id: set.id,
    liftId: set.liftId,
    liftName: liftOf(set).name,
    role: set.role,
    planned: set.load,
    loading,
    reps: set.reps,
    seconds: set.seconds,
    line: sayCall(call),
    call,
    lighter:
      call.lighterLoad === undefined
        ? null
        : onBar
          ? (loadBar({ target: call.lighterLoad, ...equipment }).atOrBelow?.total ?? null)
          : call.lighterLoad,
    done: done ? loggedSet(done) : null,
  };
}

export function loggedSet(row: LoggedSet): LoggedSetView {
  const { id, plannedSetId, load, reps, grip, strapped, slippedAtRep, chalk } = row;
  const { pain, confidence, cause, note } = row;
  return {
    ...{ id, plannedSetId, load, reps, grip, strapped, slippedAtRep, chalk, pain, confidence, cause, note },
    doneAt: row.doneAt.toISOString(),
  };
}

export function loggedHold({
  id,
  kind,
  load,
  seconds,
  target,
  ended,
  grip,
  doneAt,
}: LoggedHold): LoggedHoldView {
  return { id, kind, load, seconds, target, ended, grip, doneAt: doneAt.toISOString() };
}

/** What the session's heaviest bare-handed sets and its hold ask: one mark a lift and role. */
export function demandsOf(
  sets: readonly PlannedSet[],
  calls: readonly SetCall[],
  hold: HoldPrescription | null,
): CurveDemand[] {
  const heaviest = new Map<string, CurveDemand>();
  sets.forEach((set, i) => {
    const { demand, grip, choice } = calls[i]!;
    if (!demand || !grip || choice === 'straps' || set.role === 'warmup') return;
    const label = `${liftOf(set).name}, ${SET_ROLE_NAMES[set.role]}`;
    const known = heaviest.get(label);
    if (!known || demand.load > known.load) heaviest.set(label, { kind: 'session', label, ...demand, grip });
  });
  const marks = [...heaviest.values()];
  const lift = hold && findLift(hold.lift);
  // Only what hangs from a bar in front lies on this curve as it is written.
  return hold && !hold.barred && lift?.curve === 'support' && lift.loadMeans === 'total'
    ? [
        ...marks,
        { kind: 'session', label: lift.name, load: hold.load, seconds: hold.seconds, grip: hold.grip },
      ]
    : marks;
}

/** What the attempts of the next meet ask, in the bare grip that the next top set is called with. */
export function attemptsOf(
  { nextMeet }: LifterProfile,
  sets: readonly PlannedSet[],
  calls: readonly SetCall[],
): CurveDemand[] {
  if (!nextMeet || nextMeet.straps) return [];
  const top = sets.findIndex(
    (set, i) => (set.role === 'top' || set.role === 'attempt') && calls[i]!.choice !== 'straps',
  );
  const grip = calls[top]?.grip;
  return nextMeet.attempts.map((attempt, i) => ({
    kind: 'attempt',
    label: `${nextMeet.name}, attempt ${i + 1}`,
    ...setDemand({ lift: 'deadlift.conventional', reps: 1, load: attempt }),
    grip: grip ?? 'mixed',
  }));
}
