import type { Grip } from '../clasp-curve/types.ts';
import type { Lift, LiftFamily, StrapAdmission, StrapFit } from './lift.ts';

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

/** Working diameters, mm, of what is put around a bar or hung over it: the hand closes on that. */
export const HANDLE_MM = { thick: 50, towel: 40 } as const;

/** Working diameters, mm, of what is not a bar. */
export const THICK_HANDLE_MM = 50;
export const COMMON_HANDLE_MM = 32;
export const DUMBBELL_MM = 30;

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
const NO_GRIP_WORK: StrapAdmission = {
  allowed: false,
  ruleId: 'lift.straps-never-on-grip-work',
  reason: 'the hand is what is trained: a strapped hold tells and builds nothing',
};

/** Why a lift of the catalogue admits no straps: each reason once. */
export const STRAP_REFUSALS: readonly Extract<StrapAdmission, { allowed: false }>[] = [
  NO_CLEAN,
  NO_HANG,
  NOT_GRIPPED,
  NO_GRIP_WORK,
].flatMap((each) => (each.allowed ? [] : [each]));

const ANY_GRIP: readonly Grip[] = ['doubleOverhand', 'mixed', 'hook'];
/** Both hands the same way: the bar or handle must stay level with the body. */
export const EVEN: readonly Grip[] = ['doubleOverhand', 'hook'];
export const OVERHAND: readonly Grip[] = ['doubleOverhand'];

type More = Partial<Omit<Lift, 'id' | 'name'>>;
type Make = (id: string, name: string, more?: More) => Lift;

export const pull: Make = (id, name, more = {}) => ({
  id,
  name,
  family: 'pull',
  secondsPerRep: 5,
  continuous: false,
  timed: false,
  dynamicFactor: CONTROLLED_PULL,
  loadMeans: 'total',
  grips: true,
  curve: 'support',
  position: 'front',
  straps: YES,
  strapFit: LOOP,
  mustDropFast: false,
  aimIsBack: false,
  chalk: true,
  admits: ANY_GRIP,
  kind: 'support',
  wrist: ['mid'],
  needs: [],
  cues: [],
  ...more,
});

/** A maker whose lifts all share `base`. */
const family =
  (base: More): Make =>
  (id, name, more = {}) =>
    pull(id, name, { ...base, ...more });

export const deadlift = family({ family: 'deadlift' });
export const hinge = family({ secondsPerRep: 4, continuous: true, strapFit: LOOP_LIGHT, admits: EVEN });
export const row = family({
  family: 'row',
  secondsPerRep: 2.5,
  continuous: true,
  strapFit: LOOP_LIGHT,
  aimIsBack: true,
  admits: EVEN,
});
export const olympicPull = family({
  family: 'olympicPull',
  secondsPerRep: 3,
  dynamicFactor: EXPLOSIVE_PULL,
  strapFit: QUICK,
  mustDropFast: true,
  admits: EVEN,
});
const fullLift = (kind: 'clean' | 'snatch', straps: StrapAdmission): Make =>
  family({
    family: kind,
    secondsPerRep: 3,
    dynamicFactor: FULL_LIFT,
    straps,
    strapFit: QUICK,
    mustDropFast: true,
    admits: EVEN,
  });
export const clean = fullLift('clean', NO_CLEAN);
export const snatch = fullLift('snatch', YES);
const notGripped = (kind: 'press' | 'squat'): Make =>
  family({
    family: kind,
    secondsPerRep: 3,
    continuous: true,
    dynamicFactor: STILL,
    grips: false,
    curve: null,
    straps: NOT_GRIPPED,
    kind: null,
    wrist: [],
    admits: [],
  });
export const press = notGripped('press');
export const squat = notGripped('squat');
export const bodyweightPull = family({
  family: 'bodyweightPull',
  secondsPerRep: 3,
  continuous: true,
  loadMeans: 'addedToBody',
  straps: NO_HANG,
  needs: ['pullUpBar'],
  admits: OVERHAND,
});
export const curl = family({
  family: 'curl',
  secondsPerRep: 3,
  continuous: true,
  straps: NO_HANG,
  admits: OVERHAND,
});
export const carry = family({
  family: 'carry',
  secondsPerRep: 30,
  timed: true,
  dynamicFactor: CARRY,
  strapFit: HEAVY,
  admits: OVERHAND,
  cues: ['Short quick steps, shoulders down, hands closed before the load leaves the ground.'],
});
export const hold = family({
  family: 'hold',
  secondsPerRep: 10,
  timed: true,
  dynamicFactor: STILL,
  straps: NO_GRIP_WORK,
  needs: ['rack'],
});
export const hang = family({
  family: 'hang',
  secondsPerRep: 20,
  timed: true,
  dynamicFactor: STILL,
  loadMeans: 'addedToBody',
  straps: NO_GRIP_WORK,
  needs: ['pullUpBar'],
  admits: OVERHAND,
});
/** Work of the hand alone: no grip to call, nothing a strap could do. */
const handWork = (kind: LiftFamily): More => ({
  family: kind,
  dynamicFactor: STILL,
  grips: false,
  curve: null,
  straps: NO_GRIP_WORK,
  chalk: false,
  admits: [],
  continuous: true,
  secondsPerRep: 3,
});
export const pinch = family({
  ...handWork('pinch'),
  curve: 'pinch',
  chalk: true,
  timed: true,
  secondsPerRep: 20,
  kind: 'pinch',
});
export const crush = family({ ...handWork('crush'), kind: 'crush' });
export const wristWork = family(handWork('wrist'));
export const opening = family({ ...handWork('opening'), kind: 'fingerOpening' });

/** Event work that is hugged or carried on the back: the hands work, but no grip on a bar is called. */
export const event = family({
  family: 'event',
  secondsPerRep: 6,
  grips: false,
  curve: null,
  straps: NOT_GRIPPED,
  kind: 'openHand',
  wrist: ['mid'],
  admits: [],
});
