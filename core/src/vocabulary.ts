import type { Alternation, Handle, ReasonRank, GripChoice, LinePurpose } from './calls/types.ts';
import type { SetRole } from './calls/set-role.ts';
import type { LadderStep } from './calls/school.ts';
import type { BestPulled } from './log/observe-best.ts';
import type { ChalkKind } from './clasp-curve/types.ts';
import type { HandOrder } from './dynamometer/types.ts';
import type { AttentionStep } from './attention/attention-rules.ts';
import type { StartDepth } from './gripper-ladder/types.ts';
import type { HistoryKind } from './hands/hand-state.ts';
import type { HoldEnding } from './hold-prescriptions/hold-endings.ts';
import type { HoldAim } from './hold-prescriptions/hold-kinds.ts';
import type { HoldChange } from './hold-prescriptions/progression.ts';
import type { SlipSign } from './slip-causes/slip-causes.ts';
import type { Sport, Stance } from './profile/sport-and-stance.ts';
import type { GripKind, KitNeed, LoadMeaning, StrapType, WristPosition } from './set-demand/lift.ts';

// How every listed value is written for a person, in one place: a screen, a printed card and a reason say the same word for
// the same thing. The lists themselves stand with the computation that uses them.

/** A name for each value of a list. */
export type Names<Id extends string> = Readonly<Record<Id, string>>;

export const GRIP_NAMES: Names<GripChoice> = {
  doubleOverhand: 'double overhand',
  mixed: 'mixed',
  hook: 'hook',
  straps: 'straps',
};

/** A step of a school's ladder: a grip, or the better of two. */
export const LADDER_STEP_NAMES: Names<LadderStep> = {
  doubleOverhand: GRIP_NAMES.doubleOverhand,
  mixed: GRIP_NAMES.mixed,
  hook: GRIP_NAMES.hook,
  bestBare: 'the better of mixed and hook',
};

export const STRAP_NAMES: Names<StrapType> = {
  loop: 'loop',
  plain: 'plain',
  quickRelease: 'quick-release',
  figureEight: 'figure-eight',
  heavyDuty: 'heavy-duty',
};

export const CHALK_NAMES: Names<ChalkKind> = {
  block: 'block chalk',
  liquid: 'liquid chalk',
  none: 'no chalk',
};

/** What a venue allows. */
export const CHALK_RULE_NAMES: Names<ChalkKind> = { ...CHALK_NAMES, liquid: 'liquid chalk only' };

/** Whose load is written, where that is not plain from the lift. */
export const LOAD_MEANING_NAMES: Names<LoadMeaning> = {
  total: '',
  bothHands: 'both hands together',
  eachHand: 'in each hand',
  oneHand: 'in the one hand',
  addedToBody: 'added to the body',
};

/** A set by its role, as it is said. */
export const SET_ROLE_NAMES: Names<SetRole> = {
  warmup: 'warm-up',
  top: 'top set',
  backoff: 'back-off',
  volume: 'volume set',
  accessory: 'accessory set',
  attempt: 'meet attempt',
};

/** The role in short: as it stands beside a load, and as a line of a program writes it. */
export const SET_ROLE_TAGS: Names<SetRole> = {
  warmup: 'warm-up',
  top: 'top',
  backoff: 'back-off',
  volume: 'volume',
  accessory: 'accessory',
  attempt: 'attempt',
};

/** How the best deadlift was held. */
export const BEST_PULLED_NAMES: Names<BestPulled> = {
  notSaid: 'not said',
  doubleOverhand: GRIP_NAMES.doubleOverhand,
  mixed: GRIP_NAMES.mixed,
  hook: GRIP_NAMES.hook,
  straps: GRIP_NAMES.straps,
};

/** Where the side under changes. */
export const ALTERNATION_NAMES: Names<Alternation> = {
  never: 'never',
  lightBySession: 'on light sets, session by session',
  lightBySet: 'on light sets, set by set',
  always: 'always',
};

/** What is put between hand and bar. */
export const HANDLE_NAMES: Names<Handle> = { thick: 'thick handle', towel: 'towel' };

/** What a coach sees when a grip slips. */
export const SLIP_SIGN_NAMES: Names<SlipSign> = {
  elbowBent: 'elbow bent',
  barDrifted: 'bar drifted',
  thighs: 'thighs in the way',
  twoFingers: 'two fingers on the thumb',
  outerThumbBare: 'no chalk on the outer thumb',
  sweat: 'sweat',
  doubt: 'doubt',
};

/** What a line is there for. */
export const LINE_PURPOSE_NAMES: Names<LinePurpose> = {
  grip: 'for the grip',
  back: 'for the back',
  event: 'for the event',
};

/** What gave a reason its weight. */
export const REASON_RANK_NAMES: Names<ReasonRank> = {
  safety: 'safety rule',
  event: 'rule of the event',
  venue: 'rule of the venue',
  lift: 'the lift',
  adaptation: 'adaptation',
  override: 'coach',
  school: 'school',
  evidence: 'the log',
  ledger: 'mixed-grip ledger',
};

/** What became of a hold's load since the last time. */
export const HOLD_CHANGE_NAMES: Names<HoldChange> = {
  start: 'first session',
  add: 'one step more',
  longer: 'longer',
  repeat: 'same again',
  lighter: 'lighter',
  back: '7.5 % off',
  notLifted: 'not broken from the pins',
};

/** How a hold ended. */
export const HOLD_ENDING_NAMES: Names<HoldEnding> = {
  stopped: 'put down',
  slipped: 'slipped',
  notLifted: 'not broken from the pins',
};

/** What a behind-back hold is for. */
export const HOLD_AIM_NAMES: Names<HoldAim> = {
  deadlift: 'for the deadlift',
  events: 'for events',
  medleys: 'for medleys',
};

export const GRIP_KIND_NAMES: Names<GripKind> = {
  crush: 'crush',
  pinch: 'pinch',
  support: 'support',
  openHand: 'open hand',
  wristFlexion: 'wrist flexion',
  wristExtension: 'wrist extension',
  deviation: 'deviation',
  rotation: 'rotation',
  fingerOpening: 'finger opening',
};

export const WRIST_POSITION_NAMES: Names<WristPosition> = {
  short: 'wrist short',
  mid: 'wrist mid',
  long: 'wrist long',
};

export const KIT_NEED_NAMES: Names<KitNeed> = {
  rack: 'a rack with pins',
  dumbbells: 'dumbbells',
  cable: 'a cable',
  pullUpBar: 'a pull-up bar',
  fabric: 'towels or shirts to hang from',
  thickBar: 'a thick bar',
  handles: 'carry handles',
  frame: 'a frame',
  axle: 'an axle',
  smoothPlates: 'smooth plates',
  block: 'a block',
  hexDumbbell: 'a hex dumbbell',
  gripper: 'grippers',
  ball: 'a ball',
  band: 'bands',
  lever: 'a lever',
  bell: 'an offset bell',
  roller: 'a wrist roller',
  mat: 'a mat',
  stone: 'stones',
  keg: 'kegs',
  sandbag: 'sandbags',
  yoke: 'a yoke',
};

export const SPORT_NAMES: Names<Sport> = {
  powerlifting: 'Powerlifting',
  weightlifting: 'Weightlifting',
  strongman: 'Strongman',
  generalStrength: 'General strength',
  other: 'Other',
};

export const STANCE_NAMES: Names<Stance> = {
  conventional: 'conventional',
  sumo: 'sumo',
  cleanGrip: 'clean-grip',
};

/** Conditions of the history. */
export const HISTORY_NAMES: Names<HistoryKind> = {
  bicepsTendon: 'biceps tendon',
  shoulder: 'shoulder',
  elbowTendon: 'elbow tendon',
  thumbArthritis: 'thumb-joint arthritis',
  bloodPressure: 'blood pressure',
  fainting: 'fainting',
  heart: 'heart',
  recentOperation: 'recent operation',
  pregnancy: 'pregnancy',
  underEighteen: 'under 18',
};

/** How far a gripper is set before the close. */
export const START_DEPTH_NAMES: Names<StartDepth> = {
  open: 'wide open',
  parallel: 'parallel',
  deep: 'set deep',
};

export const HAND_ORDER_NAMES: Names<HandOrder> = {
  leftFirst: 'left first',
  rightFirst: 'right first',
  alternating: 'in turn',
};

/** Where something that needs the coach is attended to. */
export const ATTENTION_STEP_NAMES: Names<AttentionStep> = {
  hands: 'Look at the hands',
  squeeze: 'Test the squeeze',
  holds: 'See the grip week',
  calls: 'See the calls',
  log: 'See the slips',
  profile: 'Open the profile',
};
