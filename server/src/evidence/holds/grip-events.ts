import {
  findLift,
  HOLD_KINDS_BY_ID,
  SPACING_RULES,
  type EffortRule,
  type ForearmDay,
  type GripEvent,
  type GripEventKind,
  type GripWeek,
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

/** A hold of a session, as far as the week notices it. */
export interface HeldContent {
  readonly kind: HoldKindId;
  /** Near the limit. */
  readonly hard: boolean;
}

/** What a session holds, planned or done. */
export interface SessionContent {
  readonly id: string;
  /** Day, YYYY-MM-DD. */
  readonly on: string;
  readonly sets: readonly { readonly liftId: string; readonly role: SetRole; readonly strapped: boolean }[];
  readonly holds: readonly HeldContent[];
  /** What closing grippers came to. */
  readonly grippers?: 'goal' | 'work';
  /** A hold taken until the hand gave out. */
  readonly failed?: boolean;
  /** A squeeze test opened it. */
  readonly tested?: boolean;
}

const PULLING: readonly LiftFamily[] = ['deadlift', 'pull', 'olympicPull', 'row', 'carry'];
/** What a forearm session is made of. */
const FOREARM: readonly LiftFamily[] = ['crush', 'pinch', 'wrist', 'opening'];
const UPPER: readonly LiftFamily[] = ['press', 'bodyweightPull', 'curl'];
const HAND_WORK: readonly LiftFamily[] = ['crush', 'pinch', 'hold', 'hang', 'wrist', 'carry'];

/** Is a hold of this kind near the limit, by the coach's rule, the kind's own, or the school's? */
export function isHardHold(kind: HoldKindId, school: School, effort?: EffortRule | null): boolean {
  const own = HOLD_KINDS_BY_ID[kind];
  return (effort ?? own.effort ?? school.hold.effort).kind === 'nearLimit';
}

/** A top set or an attempt: the heaviest of the day. */
const isHeavy = (role: SetRole): boolean => role === 'top' || role === 'attempt';

/** A heavy deadlift in the bare hands, planned or done. */
export function isHeavyBarePull({ liftId, role, strapped }: SessionContent['sets'][number]): boolean {
  return isHeavy(role) && !strapped && findLift(liftId)?.family === 'deadlift';
}

/** A heavy set that hangs from the bare hands. */
export function isHeavyBareSet({ liftId, role, strapped }: SessionContent['sets'][number]): boolean {
  return isHeavy(role) && !strapped && findLift(liftId)?.grips === true;
}

/** What the hands notice of sessions, in order: one event of a kind a session. */
export function gripEventsOf(sessions: readonly SessionContent[]): GripEvent[] {
  return sessions.flatMap((session) => {
    const kinds: GripEventKind[] = [];
    const note = (kind: GripEventKind): void => void (kinds.includes(kind) || kinds.push(kind));
    if (session.tested) note('test');
    for (const set of session.sets) {
      const lift = findLift(set.liftId);
      if (lift) note(eventOf(lift, set));
    }
    for (const { hard } of session.holds) note(hard ? 'hardHold' : 'closingWork');
    if (session.grippers) note(session.grippers === 'goal' ? 'hardHold' : 'closingWork');
    if (session.failed) note('failure');
    return kinds.map((kind, i) => ({
      kind,
      at: `${session.on}T17:${String(i).padStart(2, '0')}:00Z`,
      session: session.id,
    }));
  });
}

/** Carries, hangs, pinches and grippers count like any grip work: hard where they are the heaviest of the day. */
function eventOf(lift: Lift, set: SessionContent['sets'][number]): GripEventKind {
  if (lift.family === 'opening') return 'openingWork';
  if (HAND_WORK.includes(lift.family) && !set.strapped)
    return isHeavy(set.role) && lift.family !== 'wrist' ? 'hardHold' : 'closingWork';
  return isHeavyBarePull(set) ? 'heavyBarePull' : 'mainLift';
}

/** Days of a week as forearm work is placed after them. */
export function forearmDays(days: readonly string[], sessions: readonly SessionContent[]): ForearmDay[] {
  const on = (day: string | undefined): SessionContent[] => sessions.filter((each) => each.on === day);
  return days.map((day, i) => ({
    on: day,
    session: kindOf(on(day)),
    taken: on(day).some((session) =>
      session.sets.some(({ liftId }) => FOREARM.includes(findLift(liftId)?.family ?? 'press')),
    ),
    heavyPullNextDay: on(days[i + 1]).some((session) => session.sets.some(isHeavyBarePull)),
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
  isHard: (hold: LoggedHold) => boolean,
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
          hard: isHeavyBarePull(set),
          ...(set.seconds !== null && { seconds: set.seconds }),
        },
      ];
    }),
    ...holds.flatMap((hold): GripWorkItem[] => {
      const lift = findLift(hold.liftId) ?? holdLift(hold.kind);
      if (hold.ended === 'notLifted' || (lift.loadMeans === 'addedToBody' && bodyMass === null)) return [];
      return [
        {
          on: hold.trainingDay,
          lift: lift.id,
          sets: 1,
          reps: 1,
          seconds: hold.seconds,
          load: hold.load,
          grip: hold.grip,
          hard: isHard(hold),
          ...(lift.loadMeans === 'addedToBody' && { bodyMass: bodyMass! }),
        },
      ];
    }),
  ];
}

/** A week of events with the meet that they lead to, and the day straps came off. */
export function weekOf(
  events: readonly GripEvent[],
  { profile: { nextMeet }, strapsOffOn: off }: WeekFacts,
): GripWeek {
  return {
    events,
    ...(nextMeet && { meetOn: nextMeet.heldOn }),
    ...(off !== undefined && { strapsOffOn: off }),
  };
}

/** What a week is held against beside its events. */
export interface WeekFacts {
  readonly profile: LifterProfile;
  /** Left out where straps never were usual, or still are used. */
  readonly strapsOffOn: string | undefined;
}
