import { checkHoldCurve } from '../clasp-curve/check-hold-curve.ts';
import { CHALK_KINDS, GRIPS, type Grip, type HoldCurve } from '../clasp-curve/types.ts';
import { HISTORY_KINDS, HOOK_STAGES, NAIL_STATES, SIDES } from '../hands/hand-state.ts';
import { FINGER_STATES, SKIN_STATES, type HandToday, type HistoryFlag } from '../hands/hand-state.ts';
import { InvalidInputError } from '../errors.ts';
import { ledgerCheck } from '../hands/mixed-ledger.ts';
import { strapFitCheck } from '../set-demand/check-lift.ts';
import { LIFT_FAMILIES, STRAP_TYPES } from '../set-demand/lift.ts';
import { mayCarryNothing } from '../set-demand/is-bar-lift.ts';
import { findLift, liftOf } from '../set-demand/lifts.ts';
import { REP_STYLES } from '../set-demand/set-demand.ts';
import {
  bool,
  listOf,
  once,
  oneOf,
  optional,
  positive,
  range,
  record,
  text,
  variant,
  whole,
  type Check,
} from '../shape.ts';
import { LADDER_STEPS, type School, type StrapCondition, type StrapPolicy } from './school.ts';
import { SET_ROLES, type SetRole } from './set-role.ts';
import {
  ALTERNATIONS,
  FIXED_GRIPS,
  GRIP_CHOICES,
  HANDLES,
  LINE_PURPOSES,
  type CallContext,
  type CallLifter,
  type CallOverride,
  type CallVenue,
  type EventRules,
  type SetToCall,
} from './types.ts';

/** kg; heavier is no load of the job. */
const HEAVIEST = 2000;
const pain = range(0, 10);
const side = oneOf(SIDES);

export const handCheck: Check = record<HandToday>({
  palm: oneOf(SKIN_STATES),
  thumb: oneOf(SKIN_STATES),
  finger: oneOf(FINGER_STATES),
  numb: bool,
  pain,
  elbowPain: pain,
  nail: optional(oneOf(NAIL_STATES)),
  thumbJointPain: optional(pain),
  wristPain: optional(pain),
  bicepsPain: optional(pain),
  spreadingPain: optional(bool),
});

export const handsCheck: Check = record<CallLifter['hands']>({
  left: handCheck,
  right: handCheck,
  unwell: optional(bool),
});

export const flagCheck: Check = record<HistoryFlag>({
  kind: oneOf(HISTORY_KINDS),
  side: optional(side),
  cleared: bool,
});

const chance: Check = range(0.01, 0.999);
const byRole = (each: Check): Check =>
  record<Record<SetRole, unknown>>(
    Object.fromEntries(SET_ROLES.map((role) => [role, each])) as Record<SetRole, Check>,
  );

export const lifterCheck: Check = once(
  record<CallLifter>({
    dominantHand: side,
    trainingMonths: range(0, 1200),
    deadliftMax: positive(HEAVIEST),
    flags: listOf(flagCheck, 100),
    hands: handsCheck,
    hookStage: oneOf(HOOK_STAGES),
    thresholds: byRole(chance),
    nextEventStraps: optional(bool),
    gripWorkHigh: optional(bool),
    clenches: optional(bool),
    armsBendUnderMixed: optional(bool),
    tightThighs: optional(bool),
    practisedUnder: optional(side),
    alternation: optional(oneOf(ALTERNATIONS)),
    thumbFingers: optional((field, value) => {
      if (value !== 2 && value !== 3) throw new InvalidInputError(field, '2 or 3', value);
    }),
    hookBudgetLeft: optional(range(0, 1e9)),
    slippedToday: optional(
      listOf(record<{ grip: Grip; load: number }>({ grip: oneOf(GRIPS), load: positive(HEAVIEST) }), 200),
    ),
  }),
);

const seconds = positive(3600);
const reps = whole(1, 100);

const conditionCheck = variant({
  roles: record<Of<'roles'>>({ kind: text(), roles: listOf(oneOf(SET_ROLES), 20) }),
  repsAtLeast: record<Of<'repsAtLeast'>>({ kind: text(), reps }),
  families: record<Of<'families'>>({ kind: text(), families: listOf(oneOf(LIFT_FAMILIES), 50) }),
  loadAtLeastShareOfMax: record<Of<'loadAtLeastShareOfMax'>>({ kind: text(), share: positive(10) }),
  trainingMonthsBelow: record<Of<'trainingMonthsBelow'>>({ kind: text(), months: range(0, 1200) }),
  handPainAtLeast: record<Of<'handPainAtLeast'>>({ kind: text(), pain }),
  aimIsBack: record<Of<'aimIsBack'>>({ kind: text() }),
  eventAllowsStraps: record<Of<'eventAllowsStraps'>>({ kind: text() }),
  gripWorkHigh: record<Of<'gripWorkHigh'>>({ kind: text() }),
  clenches: record<Of<'clenches'>>({ kind: text() }),
  slippedToday: record<Of<'slippedToday'>>({ kind: text() }),
});
type Of<Kind extends StrapCondition['kind']> = Extract<StrapCondition, { readonly kind: Kind }>;

const policyCheck: Check = record<StrapPolicy>({
  id: text(100),
  when: listOf(conditionCheck, 20),
  reason: text(),
});

export const effortCheck: Check = variant({
  nearLimit: record<{ kind: string; probability: number }>({ kind: text(), probability: range(0.05, 0.99) }),
  fractionOfBest: record<{ kind: string; fraction: number }>({ kind: text(), fraction: range(0.05, 1) }),
});

const restCheck: Check = listOf(range(0, 3600), 2);

export const schoolCheck: Check = once(
  record<School>({
    id: text(100),
    name: text(200),
    summary: text(),
    ladder: byRole(listOf(oneOf(LADDER_STEPS), 10)),
    ladderReason: text(),
    strapsFirst: listOf(policyCheck, 50),
    strapsLast: (field, value) => (value === null ? undefined : policyCheck(field, value)),
    lastSetBare: optional(bool),
    strapsNotBeforeMonths: range(0, 1200),
    soreHands: record<School['soreHands']>({ straps: bool, reason: text() }),
    strapFits: listOf(
      record<School['strapFits'][number]>({
        id: text(100),
        when: listOf(conditionCheck, 20),
        fit: strapFitCheck,
      }),
      20,
    ),
    hold: record<School['hold']>({
      sets: whole(1, 20),
      seconds,
      rest: restCheck,
      effort: effortCheck,
      reason: text(),
    }),
  }),
);

export const venueCheck: Check = once(
  record<CallVenue>({
    name: text(200),
    chalk: oneOf(CHALK_KINDS),
    barDiameter: range(5, 200),
    straps: optional(listOf(oneOf(STRAP_TYPES), 20)),
  }),
);

export const eventCheck: Check = once(
  record<EventRules>({
    ...{ name: text(200), straps: bool, thumbTape: bool, liquidChalk: bool },
    rehearsal: optional(bool),
  }),
);

const liftOrId: Check = (field, value) => void liftOf(value as string, field);

const setFields = {
  lift: liftOrId,
  role: oneOf(SET_ROLES),
  load: positive(HEAVIEST),
  reps,
  style: optional(oneOf(REP_STYLES)),
  seconds: optional(seconds),
  diameter: optional(range(5, 200)),
  bodyMass: optional(positive(400)),
  earlierHolds: optional(whole(0, 100)),
  max: optional(positive(HEAVIEST)),
  purpose: optional(oneOf(LINE_PURPOSES)),
  hand: optional(side),
  fixed: optional(oneOf(FIXED_GRIPS)),
  under: optional(side),
  handle: optional(oneOf(HANDLES)),
  hookedBefore: optional(whole(0, 500)),
  lastOfLine: optional(bool),
};
const bodySet: Check = record<SetToCall>({ ...setFields, load: range(0, HEAVIEST) });
const barSet: Check = record<SetToCall>(setFields);

/** A set to call; what is added to a body that hangs, and what no hand hangs from, may be nothing. */
export const setCheck: Check = (field, value) => {
  const lift = (value as Partial<SetToCall> | null)?.lift;
  const known = typeof lift === 'string' ? findLift(lift) : lift;
  (known && mayCarryNothing(known) ? bodySet : barSet)(field, value);
};

export const overrideCheck: Check = record<CallOverride>({
  choice: oneOf(GRIP_CHOICES),
  sideUnder: optional(side),
  reason: text(),
  by: text(200),
});

export const curveCheck: Check = (field, value) => checkHoldCurve(value as HoldCurve, field);

/** The fields that a call and a whole session have in common. */
export const CALL_FIELDS = {
  lifter: lifterCheck,
  school: schoolCheck,
  venue: venueCheck,
  event: optional(eventCheck),
  curve: curveCheck,
  ledger: once(ledgerCheck),
  sweat: optional(bool),
  schools: optional(listOf(schoolCheck, 100)),
};

/** Asserts everything a call rests on. */
export const contextCheck: Check = record<CallContext>({
  ...CALL_FIELDS,
  set: setCheck,
  override: optional(overrideCheck),
});
