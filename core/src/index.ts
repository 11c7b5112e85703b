/**
 * The judgement of grip coaching, computed: how long a hand holds a load, which grip, straps and chalk a set gets, which
 * holds come next, and what the measurements of a hand say. Loads are kg, times s, diameters mm, forces kgf. Bad input
 * throws {@link InvalidInputError}, which names the field and what is allowed.
 * @packageDocumentation
 */
export * from './errors.ts';
export * from './limits.ts';
export * from './vocabulary.ts';
export * from './units/mass.ts';
export * from './statistics/share-range.ts';
export type { Estimate } from './statistics/estimate.ts';
export type { GaussianPrior } from './statistics/posterior.ts';

// How long a hand holds a load.
export * from './clasp-curve/types.ts';
export {
  BASE_DIAMETER_MM,
  COMMON_HAND_MM,
  EFFECT_MULTIPLIERS,
  INTERCEPT_PRIORS,
  LOG_SIGMA_PRIOR,
  PINCH_REFERENCE_SHARE_OF_DEADLIFT,
  RECENCY_HALF_LIFE_DAYS,
  REFERENCE_SHARE_OF_DEADLIFT,
  SLOPE_FLOOR,
  SLOPE_PRIOR,
} from './clasp-curve/priors.ts';
export * from './clasp-curve/fit-hold-curve.ts';
export * from './clasp-curve/moving-curve.ts';
export type { MovingDay, MovingFit } from './clasp-curve/fit-moving-curve.ts';
export { driftAsShare, levelChange, type LevelChange } from './clasp-curve/level-change.ts';
export * from './clasp-curve/block-drift.ts';
export * from './clasp-curve/back-test.ts';
export * from './clasp-curve/reference-load.ts';
export { holdProbability, holdProbabilityRange, type HoldQuestion } from './clasp-curve/hold-probability.ts';
export * from './clasp-curve/hold-load.ts';
export { holdsNear } from './clasp-curve/holds-near.ts';
export * from './clasp-curve/hold-seconds.ts';
export * from './clasp-curve/read-outs.ts';
export * from './clasp-curve/curve-over-time.ts';

// Lifts, and what a set asks of the hand.
export * from './set-demand/lift.ts';
export * from './set-demand/lifts.ts';
export {
  CARRY,
  CONTROLLED_PULL,
  EXPLOSIVE_PULL,
  FULL_LIFT,
  HANDLE_MM,
  STILL,
  STRAP_REFUSALS,
  THICK_HANDLE_MM,
} from './set-demand/lift-families.ts';
export * from './set-demand/is-bar-lift.ts';
export * from './set-demand/set-demand.ts';
export * from './set-demand/set-observation.ts';
export * from './set-demand/grip-ceilings.ts';
export * from './log/observe-log.ts';
export * from './log/hold-trials.ts';
export * from './log/observe-best.ts';

// Hands.
export * from './hands/hand-state.ts';
export * from './hands/hands-today.ts';
export {
  IMBALANCE_FLAG,
  mixedLedger,
  nextSideUnder,
  type LedgerSide,
  type MixedLedger,
  type MixedSet,
} from './hands/mixed-ledger.ts';
export * from './hands/hook-stages.ts';
export * from './hands/hand-reminders.ts';
export * from './hands/say-hands.ts';

// Calls.
export * from './calls/set-role.ts';
export * from './calls/types.ts';
export * from './calls/school.ts';
export * from './calls/schools.ts';
export * from './calls/check-school.ts';
export * from './calls/school-points.ts';
export type { CallRule, RuleEffect, RuleFacts } from './calls/rules.ts';
export * from './calls/call-rules.ts';
export { CAUTIONS, CUES, type Advice, type AdviceFacts } from './calls/advice.ts';
export { HISTORY_CAUTIONS } from './calls/history-cautions.ts';
export { stopToday } from './calls/stop-rules.ts';
export { sayStanding } from './calls/wording.ts';
export { CHALK_PLACES, FAMILY_CHALK_PLACES } from './calls/chalk-call.ts';
export { callSet } from './calls/call-set.ts';
export * from './calls/call-session.ts';
export * from './calls/call-again.ts';
export * from './calls/say-call.ts';

// What in a profile does not go together.
export * from './profile/profile-conflicts.ts';
// Sports and stances.
export * from './profile/sport-and-stance.ts';
export * from './profile/read-lifter-lines.ts';

// Holds, and how grip work is spread over a week.
export * from './hold-prescriptions/hold-kinds.ts';
export type {
  FixedLoads,
  HandlesEquipment,
  HoldEquipment,
  HoldKit,
} from './hold-prescriptions/hold-loads.ts';
export { BACK_OFF_SHARE, type HoldChange, type HoldSession } from './hold-prescriptions/progression.ts';
export * from './hold-prescriptions/hold-endings.ts';
export type { HoldPin, RackPins } from './hold-prescriptions/hold-pins.ts';
export type { RampHold } from './hold-prescriptions/hold-ramp.ts';
export type { HoldPrescription, HoldRequest } from './hold-prescriptions/hold-request.ts';
export * from './hold-prescriptions/prescribe-hold.ts';
export * from './hold-prescriptions/change-hold.ts';
export { easeHold, type Easing } from './hold-prescriptions/ease-hold.ts';
export * from './grip-week/spacing-figures.ts';
export * from './grip-week/spacing-rules.ts';
export * from './grip-week/grip-work.ts';
export * from './grip-week/full-week.ts';
export * from './grip-week/hold-block.ts';
export * from './grip-week/block-report.ts';
export * from './grip-week/hard-effort.ts';
export * from './grip-week/straps-off.ts';
export * from './grip-week/forearm-load.ts';
export * from './grip-week/forearm-line.ts';
export * from './grip-week/forearm-week.ts';

// An audit of the grip for a lifter of whom the log says little.
export * from './audit/grip-audit.ts';

// Programs.
export * from './set-line/line-for.ts';
export * from './set-line/set-line.ts';
export type { LineTerms } from './set-line/line-terms.ts';
export {
  MAX_STAND_INS,
  maxOfLift,
  type KnownBest,
  type KnownBests,
  type LiftMax,
  type MaxStandIn,
} from './set-line/max-of-lift.ts';

// Past training, read from files.
export * from './training-file/read-table.ts';
export * from './training-file/write-table.ts';
export {
  ALL_FILE_FIELDS,
  FILE_FIELD_NAMES,
  FILE_FIELDS,
  FILE_KIND_NAMES,
  FILE_KINDS,
  guessColumns,
  type FileColumns,
  type FileField,
  type FileKind,
} from './training-file/columns.ts';
export * from './training-file/training-words.ts';
export { isGripCaution } from './calls/grip-cautions.ts';
export * from './say-days.ts';
export * from './training-file/read-days.ts';
export * from './training-file/read-training-rows.ts';
export * from './training-file/read-hand-rows.ts';
export type { RowFault } from './training-file/cells.ts';
export * from './training-file/read-lifter-rows.ts';

// Kit: bars, plates, and what a venue cannot give.
export * from './kit/brushing.ts';
export * from './kit/plan-faults.ts';
export * from './kit/venue-kit.ts';
export * from './kit/venue-presets.ts';
export type { PlatePairs } from './bar-loading/plates.ts';
export * from './bar-loading/load-at-hand.ts';
export * from './bar-loading/load-bar.ts';
export * from './bar-loading/load-ramp.ts';

// Grippers, dynamometer and force traces.
export * from './gripper-ladder/types.ts';
export {
  fitGripperLadder,
  GRIPPER_PRIORS,
  REFERENCE_RESISTANCE,
} from './gripper-ladder/fit-gripper-ladder.ts';
export {
  closeProbability,
  closeProbabilityRange,
  halfChanceResistance,
  type CloseQuestion,
} from './gripper-ladder/close-probability.ts';
export * from './gripper-ladder/gripper-plan.ts';
export * from './dynamometer/types.ts';
export * from './dynamometer/reliability.ts';
export * from './dynamometer/squeeze-scores.ts';
export * from './dynamometer/read-squeeze.ts';
export { MAX_SQUEEZE } from './dynamometer/check-test.ts';
export * from './force-trace/clean-trace.ts';
export { analyseTrace, ONSET_FORCE, type TraceReading } from './force-trace/analyse-trace.ts';
export * from './force-trace/repeated-contractions.ts';
export * from './force-trace/read-trace-csv.ts';

// What went wrong, and what is about to.
export * from './slip-causes/slip-causes.ts';
export * from './usual-mistakes/usual-mistakes.ts';
// Where the facts that rules look at come from, and which nothing supplies yet.
export * from './facts/fact-sources.ts';

// A lifter against their own history, and who needs the coach.
export * from './compare/same-load.ts';
export * from './compare/top-and-back-off.ts';
export * from './compare/squeeze-against-hold.ts';
export * from './attention/attention-rules.ts';
