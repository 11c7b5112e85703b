import { checkText } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { liftCheck } from './check-lift.ts';
import type { Lift } from './lift.ts';
import {
  bodyweightPull,
  carry,
  clean,
  COMMON_HANDLE_MM,
  crush,
  curl,
  deadlift,
  DUMBBELL_MM,
  EVEN,
  event,
  hang,
  hinge,
  hold,
  olympicPull,
  opening,
  OVERHAND,
  pinch,
  press,
  pull,
  row,
  snatch,
  squat,
  STILL,
  THICK_HANDLE_MM,
  wristWork,
} from './lift-families.ts';

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
  clean('clean.axle', 'Axle clean', {
    needs: ['axle'],
    diameter: THICK_HANDLE_MM,
    admits: ['doubleOverhand', 'mixed'],
  }),
  clean('clean.continental', 'Continental clean', {
    needs: ['axle'],
    diameter: THICK_HANDLE_MM,
    secondsPerRep: 6,
    admits: ['doubleOverhand', 'mixed'],
    cues: ['To the belt first, then set the hands anew for the chest.'],
  }),
  press('press', 'Press'),
  press('bench', 'Bench press', { cues: ['A little chalk helps pressing too.'] }),
  squat('squat', 'Squat'),
  bodyweightPull('pull-up', 'Pull-up'),
  bodyweightPull('pull-up.towel', 'Towel pull-up', {
    needs: ['pullUpBar', 'fabric'],
    kind: 'openHand',
    cues: ['One towel for each hand, gripped high, wrists straight.'],
  }),
  bodyweightPull('chin-up', 'Chin-up', { position: 'supinated' }),
  bodyweightPull('hanging-leg-raise', 'Hanging leg raise'),
  curl('curl', 'Curl', { position: 'supinated' }),
  curl('curl.reverse', 'Reverse curl', {
    kind: 'wristExtension',
    wrist: ['short', 'mid'],
    cues: ['Thumbless for more grip; on the arm or pull day.'],
  }),
  carry('carry.handles', 'Farmer carry', {
    loadMeans: 'bothHands',
    needs: ['handles'],
    diameter: COMMON_HANDLE_MM,
  }),
  carry('carry.frame', 'Frame carry', { needs: ['frame'], diameter: COMMON_HANDLE_MM }),
  carry('carry.dumbbells', 'Dumbbell carry', {
    loadMeans: 'eachHand',
    needs: ['dumbbells'],
    diameter: DUMBBELL_MM,
  }),
  carry('carry.axle', 'Axle carry', { needs: ['axle'], kind: 'openHand', diameter: THICK_HANDLE_MM }),
  event('stone.load', 'Stone load', {
    needs: ['stone'],
    cues: ['Fingers under the widest part, forearms squeezed in, hips through.'],
  }),
  event('keg.load', 'Keg load', { needs: ['keg'], cues: ['One hand under, one hand over the far rim.'] }),
  event('sandbag.carry', 'Sandbag carry', {
    needs: ['sandbag'],
    timed: true,
    secondsPerRep: 30,
    cues: ['High on the chest, hands clasped, short steps.'],
  }),
  event('yoke.walk', 'Yoke walk', {
    needs: ['yoke'],
    timed: true,
    secondsPerRep: 20,
    chalk: false,
    kind: null,
    wrist: [],
    cues: ['Hands push out on the uprights; they do not carry.'],
  }),
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
  // One hand carries what two would: the load counts double.
  hang('hang.one-arm', 'One-arm hang', {
    dynamicFactor: 2 * STILL,
    secondsPerRep: 10,
    cues: ['Shoulder set before the other hand lets go; swap sides.'],
  }),
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
