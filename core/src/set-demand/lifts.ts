import { checkText } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import type { Grip } from '../clasp-curve/types.ts';
import { liftCheck } from './check-lift.ts';
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

/** Working diameters, mm, of what is not a bar. */
export const THICK_HANDLE_MM = 50;
const COMMON_HANDLE_MM = 32;
const DUMBBELL_MM = 30;

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
const EVEN: readonly Grip[] = ['doubleOverhand', 'hook'];
const OVERHAND: readonly Grip[] = ['doubleOverhand'];

type More = Partial<Omit<Lift, 'id' | 'name'>>;
type Make = (id: string, name: string, more?: More) => Lift;

const pull: Make = (id, name, more = {}) => ({
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

const deadlift = family({ family: 'deadlift' });
const hinge = family({ secondsPerRep: 4, continuous: true, strapFit: LOOP_LIGHT, admits: EVEN });
const row = family({
  family: 'row',
  secondsPerRep: 2.5,
  continuous: true,
  strapFit: LOOP_LIGHT,
  aimIsBack: true,
  admits: EVEN,
});
const olympicPull = family({
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
const clean = fullLift('clean', NO_CLEAN);
const snatch = fullLift('snatch', YES);
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
const press = notGripped('press');
const squat = notGripped('squat');
const bodyweightPull = family({
  family: 'bodyweightPull',
  secondsPerRep: 3,
  continuous: true,
  loadMeans: 'addedToBody',
  straps: NO_HANG,
  needs: ['pullUpBar'],
  admits: OVERHAND,
});
const curl = family({
  family: 'curl',
  secondsPerRep: 3,
  continuous: true,
  straps: NO_HANG,
  admits: OVERHAND,
});
const carry = family({
  family: 'carry',
  secondsPerRep: 30,
  timed: true,
  dynamicFactor: CARRY,
  strapFit: HEAVY,
  admits: OVERHAND,
  cues: ['Short quick steps, shoulders down, hands closed before the load leaves the ground.'],
});
const hold = family({
  family: 'hold',
  secondsPerRep: 10,
  timed: true,
  dynamicFactor: STILL,
  straps: NO_GRIP_WORK,
  needs: ['rack'],
});
const hang = family({
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
const pinch = family({
  ...handWork('pinch'),
  curve: 'pinch',
  chalk: true,
  timed: true,
  secondsPerRep: 20,
  kind: 'pinch',
});
const crush = family({ ...handWork('crush'), kind: 'crush' });
const wristWork = family(handWork('wrist'));
const opening = family({ ...handWork('opening'), kind: 'fingerOpening' });

/** Every lift and exercise by its trade name; `id` is stable and travels in stored logs. */
export const LIFTS: readonly Lift[] = [
  deadlift('deadlift.conventional', 'Deadlift'),
  deadlift('deadlift.sumo', 'Sumo deadlift', {
    cues: ['Knees and shoulders lock together; hands clear of the thighs.'],
  }),
  deadlift('deadlift.clean-grip', 'Clean-grip deadlift', { admits: EVEN }),
  deadlift('deadlift.deficit', 'Deficit deadlift', { secondsPerRep: 6 }),
  deadlift('deadlift.paused', 'Paused deadlift', { secondsPerRep: 7 }),
  deadlift('deadlift.one-arm', 'One-arm deadlift', { loadMeans: 'oneHand', admits: EVEN }),
  deadlift('deadlift.axle', 'Axle deadlift', {
    needs: ['axle'],
    diameter: THICK_HANDLE_MM,
    admits: ['doubleOverhand', 'mixed'],
  }),
  hinge('romanian', 'Romanian deadlift'),
  hinge('stiff-leg', 'Stiff-leg deadlift'),
  pull('rack-pull', 'Rack pull', { needs: ['rack'] }),
  pull('block-pull', 'Block pull'),
  pull('shrug', 'Shrug', { secondsPerRep: 2.5, continuous: true, aimIsBack: true, admits: EVEN }),
  row('row.barbell', 'Barbell row'),
  row('row.dumbbell', 'Dumbbell row', {
    loadMeans: 'oneHand',
    needs: ['dumbbells'],
    diameter: DUMBBELL_MM,
    admits: OVERHAND,
  }),
  row('pull-down', 'Lat pull-down', { needs: ['cable'], admits: OVERHAND }),
  olympicPull('clean-pull', 'Clean pull'),
  olympicPull('snatch-pull', 'Snatch pull'),
  olympicPull('high-pull', 'High pull'),
  clean('clean', 'Clean'),
  clean('power-clean', 'Power clean'),
  clean('hang-clean', 'Hang clean', { secondsPerRep: 4, continuous: true }),
  snatch('snatch', 'Snatch'),
  snatch('power-snatch', 'Power snatch'),
  snatch('hang-snatch', 'Hang snatch', { secondsPerRep: 4, continuous: true }),
  press('press', 'Press'),
  press('bench', 'Bench press', { cues: ['A little chalk helps pressing too.'] }),
  squat('squat', 'Squat'),
  bodyweightPull('pull-up', 'Pull-up'),
  bodyweightPull('chin-up', 'Chin-up', { position: 'supinated' }),
  bodyweightPull('hanging-leg-raise', 'Hanging leg raise'),
  curl('curl', 'Curl', { position: 'supinated' }),
  curl('curl.reverse', 'Reverse curl', {
    kind: 'wristExtension',
    wrist: ['short', 'mid'],
    cues: ['Thumbless for more grip; on the arm or pull day.'],
  }),
  carry('carry.handles', 'Farmer carry', { needs: ['handles'], diameter: COMMON_HANDLE_MM }),
  carry('carry.frame', 'Frame carry', { needs: ['frame'], diameter: COMMON_HANDLE_MM }),
  carry('carry.dumbbells', 'Dumbbell carry', {
    loadMeans: 'eachHand',
    needs: ['dumbbells'],
    diameter: DUMBBELL_MM,
  }),
  carry('carry.axle', 'Axle carry', { needs: ['axle'], kind: 'openHand', diameter: THICK_HANDLE_MM }),
  hold('hold.front-rack', 'Front rack hold'),
  hold('hold.behind-back', 'Behind-back hold', { position: 'behindBack', admits: OVERHAND }),
  hold('hold.supinated', 'Supinated dead hold', { position: 'supinated', admits: OVERHAND }),
  hold('hold.thick-bar', 'Thick-bar hold', {
    needs: ['rack', 'thickBar'],
    kind: 'openHand',
    diameter: THICK_HANDLE_MM,
    admits: OVERHAND,
  }),
  hang('hang.dead', 'Dead hang', { cues: ['Shoulders set, thumbs around the bar.'] }),
  hang('hang.fabric', 'Fabric hang', {
    needs: ['pullUpBar', 'fabric'],
    kind: 'openHand',
    cues: ['Towels or shirts over the bar, one for each hand, gripped high.'],
  }),
  pinch('pinch.plates', 'Plate pinch', {
    needs: ['smoothPlates'],
    cues: ['Smooth sides out, thumb against four fingers, lift only clear of the floor.'],
  }),
  pinch('pinch.block', 'Block pinch', { needs: ['block'] }),
  pinch('hold.hex', 'Hex head hold', {
    needs: ['hexDumbbell'],
    loadMeans: 'eachHand',
    cues: ['Palm over the head, finger ends on the corners.'],
  }),
  crush('gripper.close', 'Gripper close', {
    needs: ['gripper'],
    wrist: ['mid'],
    cues: ['Set it deep in the palm, close fast, hold for a moment.'],
  }),
  crush('ball-squeeze', 'Ball squeeze through flexed and extended wrist', {
    needs: ['ball'],
    wrist: ['short', 'long'],
    cues: ['Squeeze, then take the wrist from flexed to extended and back.'],
  }),
  wristWork('wrist-curl.behind-back', 'Behind-back wrist curl', {
    kind: 'wristFlexion',
    wrist: ['short', 'long'],
    cues: ['Let the bar roll to the fingertips, close, curl, pause on top.'],
  }),
  wristWork('wrist-extension.standing', 'Standing wrist extension', {
    kind: 'wristExtension',
    wrist: ['short', 'mid'],
    cues: ['Light, long sets; only the wrist moves.'],
  }),
  wristWork('bar-balance', 'One-hand bar balance hold', {
    kind: 'deviation',
    timed: true,
    secondsPerRep: 20,
    loadMeans: 'oneHand',
    cues: ['Bar gripped in the middle, kept level.'],
  }),
  wristWork('lever-rotation', 'Lever rotation', {
    kind: 'rotation',
    needs: ['lever'],
    loadMeans: 'oneHand',
    cues: ['Choke up on the lever to make it easier.'],
  }),
  wristWork('bell-turnover', 'Bell turnover', { kind: 'rotation', needs: ['bell'], loadMeans: 'oneHand' }),
  wristWork('radial-raise', 'Offset-bell radial raise', {
    kind: 'deviation',
    needs: ['bell'],
    loadMeans: 'oneHand',
  }),
  wristWork('plate-wrist-raise', 'Plate wrist raise', {
    kind: 'wristExtension',
    wrist: ['short', 'mid'],
    needs: ['smoothPlates'],
    loadMeans: 'eachHand',
  }),
  wristWork('wrist-roller', 'Wrist roller', {
    kind: 'wristFlexion',
    wrist: ['short', 'mid', 'long'],
    timed: true,
    secondsPerRep: 45,
    needs: ['roller'],
    cues: ['30–60 s each way.'],
  }),
  wristWork('bar-twist', 'Bar twist', {
    kind: 'wristExtension',
    wrist: ['short', 'mid', 'long'],
    timed: true,
    secondsPerRep: 45,
    cues: ['30–60 s each way.'],
  }),
  wristWork('knuckle-press-up', 'Knuckle-to-wrist press-up', {
    kind: 'wristExtension',
    wrist: ['long'],
    loadMeans: 'addedToBody',
    needs: ['mat'],
    cues: ['On a mat, weight on the knees until the wrists are used to it.'],
  }),
  opening('band-opening', 'Band finger opening', { needs: ['band'], wrist: ['mid'] }),
  opening('band-opening.range', 'Band opening through flexed and extended wrist', {
    needs: ['band'],
    wrist: ['short', 'long'],
  }),
];

const BY_ID = new Map(LIFTS.map((lift) => [lift.id, lift]));

/**
 * The lift of the catalogue with this id, or undefined.
 * @throws InvalidInputError for an id that is no text.
 * @example findLift('clean').straps.allowed // false
 * @example findLift('kettle') // undefined
 */
export function findLift(id: string): Lift | undefined {
  checkText('id', id);
  return BY_ID.get(id);
}

/**
 * The lift itself, whether given as such or by its id.
 * @throws InvalidInputError for an id that the catalogue does not have, or anything that is no lift.
 * @example liftOf('romanian').secondsPerRep // 4
 */
export function liftOf(lift: Lift | string, field = 'lift'): Lift {
  if (typeof lift === 'string') {
    const found = BY_ID.get(lift);
    if (!found) throw new InvalidInputError(field, 'a lift of the catalogue', lift);
    return found;
  }
  // A coach's own figures for a lift are taken where they have the shape of one.
  liftCheck(field, lift);
  return lift;
}
