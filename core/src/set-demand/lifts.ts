import type { Grip } from '../clasp-curve/types.ts';

/**
 * The catalogue of lifts: how each works the hands. Figures are working defaults of the trade; timed sets replace them.
 */
export type LiftFamily =
  | 'deadlift'
  | 'pull'
  | 'row'
  | 'olympicPull'
  | 'clean'
  | 'snatch'
  | 'press'
  | 'squat'
  | 'bodyweightPull'
  | 'curl'
  | 'carry'
  | 'hold';

/** Whether a strap may be used, and why not where it may not. */
export type StrapAdmission =
  { readonly allowed: true } | { readonly allowed: false; readonly ruleId: string; readonly reason: string };

export interface Lift {
  readonly id: string;
  readonly name: string;
  readonly family: LiftFamily;
  /** Seconds on the bar of one repetition (of the whole set where `timed`). */
  readonly secondsPerRep: number;
  /** True where the repetitions follow one another without the hand being unloaded. */
  readonly continuous: boolean;
  /** True where the set is its own seconds (holds, carries). */
  readonly timed: boolean;
  /** Multiplier from bar load to load on the hands, for acceleration and swing. */
  readonly dynamicFactor: number;
  /** Does the set hang from the hands? Presses and squats do not test the grip. */
  readonly grips: boolean;
  readonly straps: StrapAdmission;
  /** Strap type and turns that fit the lift, where straps are allowed. */
  readonly strapFit?: StrapFit;
  /** True where the back, not the grip, is the aim. */
  readonly aimIsBack: boolean;
  /** The bare grips that have a place on the lift. */
  readonly admits: readonly Grip[];
}

export const STRAP_TYPES = ['loop', 'plain', 'quickRelease', 'figureEight', 'heavyDuty'] as const;
export type StrapType = (typeof STRAP_TYPES)[number];

export interface StrapFit {
  readonly type: StrapType;
  readonly turns: number;
  readonly reason: string;
}

/** Controlled pulls load the hands a little more than the bar weighs. */
export const CONTROLLED_PULL = 1.05;
/** Each step of a carry swings the load. */
export const CARRY = 1.1;
/** A pull that is meant to accelerate. */
export const EXPLOSIVE_PULL = 1.25;
/** Cleans and snatches jerk the hands hardest. */
export const FULL_LIFT = 1.3;
/** A still hold is its own weight. */
export const STILL = 1;

const LOOP: StrapFit = {
  type: 'loop',
  turns: 3,
  reason: 'heavy and never let go in a hurry: a loop with several turns',
};
const LOOP_LIGHT: StrapFit = {
  type: 'loop',
  turns: 2,
  reason: 'rep work: a loop with two turns holds and comes off between sets',
};
const QUICK: StrapFit = {
  type: 'quickRelease',
  turns: 1,
  reason: 'the bar must be let go at once: quick-release, a single turn',
};
const HEAVY: StrapFit = { type: 'heavyDuty', turns: 3, reason: 'the heaviest pulls: a heavy-duty strap' };

const YES: StrapAdmission = { allowed: true };
const NO_CLEAN: StrapAdmission = {
  allowed: false,
  ruleId: 'lift.straps-never-on-cleans',
  reason: 'straps are never used on cleans: the wrist cannot turn over tied to the bar',
};
const NO_HANG: StrapAdmission = {
  allowed: false,
  ruleId: 'lift.straps-never-on-hangs-and-curls',
  reason: 'straps are never used on pull-ups, hanging leg raises or curls',
};
const NOT_GRIPPED: StrapAdmission = {
  allowed: false,
  ruleId: 'lift.straps-not-for-presses-and-squats',
  reason: 'the set does not hang from the hands, so there is nothing for a strap to do',
};
const NO_HOLD: StrapAdmission = {
  allowed: false,
  ruleId: 'lift.straps-never-on-grip-work',
  reason: 'the hand is what is trained: a strapped hold tells and builds nothing',
};

const ANY_GRIP: readonly Grip[] = ['doubleOverhand', 'mixed', 'hook'];
/** Both hands the same way: the bar or handle must stay level with the body. */
const EVEN: readonly Grip[] = ['doubleOverhand', 'hook'];
const OVERHAND: readonly Grip[] = ['doubleOverhand'];

function pull(id: string, name: string, more: Partial<Lift> = {}): Lift {
  return {
    id,
    name,
    family: 'pull',
    secondsPerRep: 5,
    continuous: false,
    timed: false,
    dynamicFactor: CONTROLLED_PULL,
    grips: true,
    straps: YES,
    strapFit: LOOP,
    aimIsBack: false,
    admits: ANY_GRIP,
    ...more,
  };
}

const row = (id: string, name: string): Lift =>
  pull(id, name, {
    family: 'row',
    secondsPerRep: 2.5,
    continuous: true,
    strapFit: LOOP_LIGHT,
    aimIsBack: true,
    admits: EVEN,
  });
const olympicPull = (id: string, name: string): Lift =>
  pull(id, name, {
    family: 'olympicPull',
    secondsPerRep: 3,
    dynamicFactor: EXPLOSIVE_PULL,
    strapFit: QUICK,
    admits: EVEN,
  });
const fullLift = (id: string, name: string, family: 'clean' | 'snatch', straps: StrapAdmission): Lift =>
  pull(id, name, {
    family,
    secondsPerRep: 3,
    dynamicFactor: FULL_LIFT,
    straps,
    strapFit: QUICK,
    admits: EVEN,
  });
const noGrip = (id: string, name: string, family: 'press' | 'squat'): Lift =>
  pull(id, name, {
    family,
    secondsPerRep: 3,
    continuous: true,
    dynamicFactor: STILL,
    grips: false,
    straps: NOT_GRIPPED,
    admits: EVEN,
  });
const carry = (id: string, name: string): Lift =>
  pull(id, name, {
    family: 'carry',
    secondsPerRep: 30,
    timed: true,
    dynamicFactor: CARRY,
    strapFit: HEAVY,
    admits: OVERHAND,
  });
const hold = (id: string, name: string): Lift =>
  pull(id, name, { family: 'hold', secondsPerRep: 10, timed: true, dynamicFactor: STILL, straps: NO_HOLD });

/** Every lift by its trade name; `id` is stable and travels in stored logs. */
export const LIFTS: readonly Lift[] = [
  pull('deadlift.conventional', 'Deadlift', { family: 'deadlift' }),
  pull('deadlift.sumo', 'Sumo deadlift', { family: 'deadlift' }),
  pull('deadlift.clean-grip', 'Clean-grip deadlift', { family: 'deadlift', admits: EVEN }),
  pull('deadlift.deficit', 'Deficit deadlift', { family: 'deadlift', secondsPerRep: 6 }),
  pull('deadlift.paused', 'Paused deadlift', { family: 'deadlift', secondsPerRep: 7 }),
  pull('romanian', 'Romanian deadlift', {
    secondsPerRep: 4,
    continuous: true,
    strapFit: LOOP_LIGHT,
    admits: EVEN,
  }),
  pull('stiff-leg', 'Stiff-leg deadlift', {
    secondsPerRep: 4,
    continuous: true,
    strapFit: LOOP_LIGHT,
    admits: EVEN,
  }),
  pull('rack-pull', 'Rack pull'),
  pull('block-pull', 'Block pull'),
  pull('shrug', 'Shrug', { secondsPerRep: 2.5, continuous: true, aimIsBack: true, admits: EVEN }),
  row('row.barbell', 'Barbell row'),
  row('row.dumbbell', 'Dumbbell row'),
  { ...row('pull-down', 'Lat pull-down'), admits: OVERHAND },
  olympicPull('clean-pull', 'Clean pull'),
  olympicPull('snatch-pull', 'Snatch pull'),
  fullLift('clean', 'Clean', 'clean', NO_CLEAN),
  fullLift('power-clean', 'Power clean', 'clean', NO_CLEAN),
  fullLift('snatch', 'Snatch', 'snatch', YES),
  fullLift('power-snatch', 'Power snatch', 'snatch', YES),
  noGrip('press', 'Press', 'press'),
  noGrip('bench', 'Bench press', 'press'),
  noGrip('squat', 'Squat', 'squat'),
  pull('pull-up', 'Pull-up', {
    family: 'bodyweightPull',
    secondsPerRep: 3,
    continuous: true,
    straps: NO_HANG,
    admits: OVERHAND,
  }),
  pull('chin-up', 'Chin-up', {
    family: 'bodyweightPull',
    secondsPerRep: 3,
    continuous: true,
    straps: NO_HANG,
    admits: OVERHAND,
  }),
  pull('hanging-leg-raise', 'Hanging leg raise', {
    family: 'bodyweightPull',
    secondsPerRep: 3,
    continuous: true,
    straps: NO_HANG,
    admits: OVERHAND,
  }),
  pull('curl', 'Curl', {
    family: 'curl',
    secondsPerRep: 3,
    continuous: true,
    straps: NO_HANG,
    admits: OVERHAND,
  }),
  carry('carry.handles', 'Farmer carry'),
  carry('carry.frame', 'Frame carry'),
  hold('hold.front-rack', 'Front rack hold'),
  hold('hold.behind-back', 'Behind-back hold'),
];

const BY_ID = new Map(LIFTS.map((lift) => [lift.id, lift]));

/** The lift of the catalogue with this id, or undefined. */
export function findLift(id: string): Lift | undefined {
  return BY_ID.get(id);
}
