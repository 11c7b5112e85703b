import type { CallLifter } from '../calls/types.ts';
import type { GripWeek } from '../grip-week/spacing-rules.ts';
import type { HoldRequest } from '../hold-prescriptions/hold-request.ts';
import type { LoggedSlip } from '../slip-causes/slip-causes.ts';
import type { Watched, WatchedSet } from '../usual-mistakes/usual-mistakes.ts';

/**
 * Where a fact comes from that rules look at: the field of the request by which a person enters it (`Request.field`), what
 * it is computed from, or `notYet` where nothing supplies it and the rules that need it cannot speak.
 */
export type FactSource = { readonly entered: string } | { readonly computedFrom: string } | 'notYet';

const entered = (field: string): FactSource => ({ entered: field });
const computedFrom = (what: string): FactSource => ({ computedFrom: what });

/** Every fact that rules look at, by what asks for it. A fact that is added without its source does not compile. */
export const FACT_SOURCES = {
  /** Calls, cues and cautions. */
  call: {
    dominantHand: entered('LifterRequest.dominantHand'),
    trainingMonths: entered('LifterRequest.trainingSince'),
    deadliftMax: entered('LifterRequest.deadliftMax'),
    flags: entered('LifterRequest.history'),
    hands: entered('HandsCheckRequest.hands'),
    hookStage: entered('LifterRequest.hookStage'),
    thresholds: entered('LifterRequest.thresholds'),
    nextEventStraps: entered('MeetRequest.straps'),
    tightThighs: entered('LifterRequest.largeThighs'),
    slippedToday: entered('LogSetRequest.slippedAtRep'),
    practisedUnder: entered('LifterRequest.practisedUnder'),
    alternation: entered('LifterRequest.alternation'),
    thumbFingers: entered('LifterRequest.thumbFingers'),
    clenches: entered('LifterRequest.clenches'),
    armsBendUnderMixed: entered('LifterRequest.armsBendUnderMixed'),
    gripWorkHigh: computedFrom('the log of the last seven days'),
    hookBudgetLeft: computedFrom('the log of the week and the hook stage'),
  } satisfies Record<keyof CallLifter, FactSource>,
  /** Likely causes of a slip. */
  slip: {
    lift: computedFrom('the planned set'),
    role: computedFrom('the planned set'),
    reps: entered('LogSetRequest.reps'),
    slippedAtRep: entered('LogSetRequest.slippedAtRep'),
    grip: entered('LogSetRequest.grip'),
    chalk: entered('LogSetRequest.chalk'),
    confidence: entered('LogSetRequest.confidence'),
    thumbPain: entered('LogSetRequest.pain'),
    expected: computedFrom('the call made before the slip'),
    thumbFingers: entered('LogSetRequest.signs'),
    outerThumbChalked: entered('LogSetRequest.signs'),
    elbowBent: entered('LogSetRequest.signs'),
    barDrifted: entered('LogSetRequest.signs'),
    draggedOnThighs: entered('LogSetRequest.signs'),
    sweat: entered('LogSetRequest.signs'),
  } satisfies Record<keyof LoggedSlip, FactSource>,
  /** Prescribed holds. */
  hold: {
    kind: entered('SessionHoldsRequest.kinds'),
    curve: computedFrom('the log'),
    school: entered('LifterRequest.schoolId'),
    lifter: computedFrom('the profile, as for calls'),
    venue: entered('VenueRequest.kit'),
    ledger: computedFrom('the log'),
    history: entered('LogHoldRequest.seconds'),
    equipment: entered('VenueRequest.kit'),
    lift: computedFrom('what the venue has'),
    diameter: computedFrom('what the venue has'),
    bodyMass: entered('LifterRequest.bodyMass'),
    meet: entered('MeetRequest.heldOn'),
    event: entered('MeetRequest.straps'),
    aim: entered('HoldSettingRequest.aim'),
    effort: entered('HoldSettingRequest.effort'),
    ceiling: entered('HoldSettingRequest.ceiling'),
    target: entered('HoldSettingRequest.target'),
    pins: entered('HoldSettingRequest.pinHeight'),
    timing: computedFrom('the log and the plan'),
  } satisfies Record<keyof HoldRequest, FactSource>,
  /** Spacing of the grip week. */
  week: {
    events: computedFrom('the plan and the log'),
    meetOn: entered('MeetRequest.heldOn'),
    strapsOffOn: computedFrom('the log of the last twelve weeks'),
  } satisfies Record<keyof GripWeek, FactSource>,
  /** Usual mistakes. */
  mistakes: {
    today: computedFrom('the day of the club'),
    deadliftMax: entered('LifterRequest.deadliftMax'),
    hookStage: entered('LifterRequest.hookStage'),
    sets: computedFrom('the log of the last four weeks'),
    planRestsOnStrappedSets: computedFrom('the next session and the log'),
  } satisfies Record<keyof Watched, FactSource>,
  /** Sets that usual mistakes are looked for in. */
  watchedSet: {
    on: entered('LogSetRequest.doneAt'),
    session: computedFrom('the session it is logged in'),
    lift: computedFrom('the planned set'),
    role: computedFrom('the planned set'),
    load: entered('LogSetRequest.load'),
    reps: entered('LogSetRequest.reps'),
    grip: entered('LogSetRequest.grip'),
    strapped: entered('LogSetRequest.strapped'),
    sideUnder: entered('LogSetRequest.sideUnder'),
    slipped: entered('LogSetRequest.slippedAtRep'),
    elbowBent: entered('LogSetRequest.signs'),
    bareChance: computedFrom('the clasp curve'),
  } satisfies Record<keyof WatchedSet, FactSource>,
} as const;

export type FactGroup = keyof typeof FACT_SOURCES;

/** Facts that nothing supplies yet, as `group.fact`. The list can only shrink: its test names every entry. */
export const NOT_YET_SUPPLIED: readonly string[] = Object.entries(FACT_SOURCES).flatMap(([group, facts]) =>
  Object.entries(facts).flatMap(([fact, source]) => (source === 'notYet' ? [`${group}.${fact}`] : [])),
);
