import {
  findLift,
  HOLD_KINDS_BY_ID,
  SPACING_RULES,
  type ForearmDay,
  type GripEvent,
  type GripEventKind,
  type GripWorkItem,
  type HoldKindId,
  type Lift,
  type LiftFamily,
  type School,
  type SessionKind,
  type SetRole,
  type SpacingFinding,
  holdLift,
} from '@iron-clasp/core';
import type { SpacingClashView } from '@iron-clasp/contract';
import type { LoggedHold, LoggedSet } from '../../records/log/log.entity.ts';
import type { LifterProfile } from '../lifter-today/lifter-today.service.ts';

/** What a session holds, planned or done. */
export interface SessionContent {
  readonly id: string;
  /** Day, YYYY-MM-DD. */
  readonly on: string;
  readonly sets: readonly { readonly liftId: string; readonly role: SetRole; readonly strapped?: boolean }[];
  /** Null where it has no hold. */
  readonly hold: HoldKindId | null;
  /** A hold taken until the hand gave out. */
  readonly failed?: boolean;
  /** A squeeze test opened it. */
  readonly tested?: boolean;
}

const PULLING: readonly LiftFamily[] = ['deadlift', 'pull', 'olympicPull', 'row', 'carry'];
const UPPER: readonly LiftFamily[] = ['press', 'bodyweightPull', 'curl'];
const HAND_WORK: readonly LiftFamily[] = ['crush', 'pinch', 'hang', 'wrist'];

/** Is a hold of this kind near the limit in this school? */
export function isHardHold(kind: HoldKindId, school: School): boolean {
  const { bySchool, effort } = HOLD_KINDS_BY_ID[kind];
  return (bySchool ? school.hold.effort : (effort ?? school.hold.effort)).kind === 'nearLimit';
}

/** What the hands notice of sessions, in order: one event of a kind a session. */
export function gripEventsOf(sessions: readonly SessionContent[], school: School): GripEvent[] {
  return sessions.flatMap((session) => {
    const kinds: GripEventKind[] = [];
    const note = (kind: GripEventKind): void => void (kinds.includes(kind) || kinds.push(kind));
    if (session.tested) note('test');
    for (const { liftId, role, strapped } of session.sets) {
      const lift = findLift(liftId);
      if (lift) note(eventOf(lift, role, strapped === true));
    }
    if (session.hold) note(isHardHold(session.hold, school) ? 'hardHold' : 'closingWork');
    if (session.failed) note('failure');
    return kinds.map((kind, i) => ({
      kind,
      at: `${session.on}T17:${String(i).padStart(2, '0')}:00Z`,
      session: session.id,
    }));
  });
}

function eventOf(lift: Lift, role: SetRole, strapped: boolean): GripEventKind {
  if (lift.family === 'opening') return 'openingWork';
  if (HAND_WORK.includes(lift.family)) return 'closingWork';
  const heavy = role === 'top' || role === 'attempt';
  return heavy && lift.family === 'deadlift' && !strapped ? 'heavyBarePull' : 'mainLift';
}

/** Days of a week as forearm work is placed after them. */
export function forearmDays(days: readonly string[], sessions: readonly SessionContent[]): ForearmDay[] {
  const on = (day: string | undefined): SessionContent[] => sessions.filter((each) => each.on === day);
  return days.map((day, i) => ({
    on: day,
    session: kindOf(on(day)),
    heavyPullNextDay: on(days[i + 1]).some((session) =>
      session.sets.some(
        ({ liftId, role }) =>
          (role === 'top' || role === 'attempt') && findLift(liftId)?.family === 'deadlift',
      ),
    ),
  }));
}

function kindOf(sessions: readonly SessionContent[]): SessionKind {
  const families = sessions.flatMap((session) =>
    session.sets.flatMap(({ liftId }) => findLift(liftId)?.family ?? []),
  );
  if (families.length === 0) return 'rest';
  if (families.some((family) => PULLING.includes(family))) return 'pull';
  return families.some((family) => UPPER.includes(family)) ? 'upper' : 'lower';
}

/** Clashes with the rule that each breaks and the days it is about. */
export function clashViews(
  findings: readonly SpacingFinding[],
  events: readonly GripEvent[],
): SpacingClashView[] {
  return findings.map(({ ruleId, text, events: places }) => ({
    ruleId,
    rule: SPACING_RULES.find((rule) => rule.id === ruleId)!.reason,
    text,
    days: [...new Set(places.map((place) => events[place]!.at.slice(0, 10)))],
  }));
}

/** Logged sets and holds as grip work done; what does not work the hand is left out. */
export function gripItems(
  sets: readonly LoggedSet[],
  holds: readonly LoggedHold[],
  bodyMass: number | null,
): GripWorkItem[] {
  return [
    ...sets.flatMap((set): GripWorkItem[] => {
      const lift = findLift(set.liftId);
      if (!lift?.kind) return [];
      return [
        {
          on: set.trainingDay,
          lift: lift.id,
          sets: 1,
          reps: set.reps,
          style: set.style,
          load: set.load,
          grip: set.grip,
          strapped: set.strapped,
          hard: !set.strapped && set.role === 'top' && lift.family === 'deadlift',
          ...(set.seconds !== null && { seconds: set.seconds }),
        },
      ];
    }),
    ...holds.flatMap((hold): GripWorkItem[] => {
      const lift = findLift(hold.liftId) ?? holdLift(hold.kind);
      if (lift.loadMeans === 'addedToBody' && bodyMass === null) return [];
      return [
        {
          on: hold.trainingDay,
          lift: lift.id,
          sets: 1,
          reps: 1,
          seconds: hold.seconds,
          load: hold.load,
          grip: hold.grip,
          hard: true,
          ...(lift.loadMeans === 'addedToBody' && { bodyMass: bodyMass! }),
        },
      ];
    }),
  ];
}

/** A week of events with the meet that they lead to. */
export function weekOf(
  events: readonly GripEvent[],
  { nextMeet }: LifterProfile,
): { events: readonly GripEvent[]; meetOn?: string } {
  return { events, ...(nextMeet && { meetOn: nextMeet.heldOn }) };
}
