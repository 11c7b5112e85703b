import type { EffortRule } from '../calls/school.ts';
import type { Grip } from '../clasp-curve/types.ts';
import { checkOneOf } from '../check.ts';
import type { Lift } from '../set-demand/lift.ts';
import { liftOf } from '../set-demand/lifts.ts';

export const HOLD_KINDS = [
  'frontRackHold',
  'behindBackHold',
  'supinatedDeadHold',
  'thickBarHold',
  'deadHang',
  'fabricHang',
  'platePinch',
  'hexHold',
  'carry',
  'overhandReps',
] as const;
export type HoldKindId = (typeof HOLD_KINDS)[number];

/** What a behind-back hold is for decides its length. */
export const HOLD_AIMS = ['deadlift', 'events', 'medleys'] as const;
export type HoldAim = (typeof HOLD_AIMS)[number];

/** A kind of hold as it is prescribed: working figures with their reasons. */
export interface HoldKind {
  readonly name: string;
  /** What it is for. */
  readonly aim: string;
  /** Lifts of the catalogue that it may be done as; the first is the usual one. */
  readonly lifts: readonly [string, ...string[]];
  /** True where the school's own hold scheme gives sets, seconds, rest and effort. */
  readonly bySchool: boolean;
  readonly sets: number;
  /** s at the start; by aim where the aim decides. */
  readonly seconds: number;
  readonly secondsByAim?: Readonly<Record<HoldAim, number>>;
  /** What moves first when a session succeeds: the load, or the time up to `mostSeconds`. */
  readonly progress: 'load' | 'time';
  readonly mostSeconds: number;
  /** s by which the time grows. */
  readonly step: number;
  /** s: shortest and longest rest. */
  readonly rest: readonly [number, number];
  /** The kind's own effort rule, where the trade has one; else the school's. */
  readonly effort?: EffortRule;
  /** The grip it is done with, where that is what it is about; else the school's order decides. */
  readonly grip?: Grip;
  /** True where it is done in repetitions: its seconds are theirs added up. */
  readonly inReps?: boolean;
  /** Most load on the hands as a share of the deadlift max, unless the coach raises it; null for the body's own limits. */
  readonly ceilingShare: number | null;
  /** True where the bar starts from pins, so that their height decides what is compared. */
  readonly pins?: boolean;
  readonly setUp: string;
  /** What comes when time and load have been taken as far as they go. */
  readonly beyond: string;
  readonly reason: string;
}

const MINUTES_3_TO_5 = [180, 300] as const;
const SHORT_REST = [90, 180] as const;

/** Every hold of the trade, with where it starts and how it moves on. */
export const HOLD_KINDS_BY_ID: Readonly<Record<HoldKindId, HoldKind>> = {
  frontRackHold: {
    name: 'Front rack hold',
    aim: 'deadlift grip and confidence',
    lifts: ['hold.front-rack'],
    bySchool: true,
    sets: 2,
    seconds: 10,
    progress: 'load',
    mostSeconds: 30,
    step: 0,
    rest: MINUTES_3_TO_5,
    ceilingShare: 1,
    pins: true,
    setUp: 'Pins slightly below lockout, so that the legs can help; not so high that the shoulders shrug.',
    beyond: 'The goal is close to the deadlift max; expect not to reach it.',
    reason: 'add load when every set reaches its time; one repetition each, held: not a rack pull',
  },
  behindBackHold: {
    name: 'Behind-back hold',
    aim: 'pure hand strength',
    lifts: ['hold.behind-back'],
    bySchool: false,
    sets: 3,
    seconds: 30,
    secondsByAim: { deadlift: 10, events: 30, medleys: 60 },
    progress: 'load',
    mostSeconds: 60,
    step: 0,
    rest: MINUTES_3_TO_5,
    ceilingShare: 1,
    pins: true,
    setUp: 'High pickup, bar behind the thighs, thumb clamped on the index or middle finger.',
    beyond: 'A longer aim: 60 s for medleys.',
    reason: 'start lighter than you think; every set reaches its time, then load up next week',
  },
  supinatedDeadHold: {
    name: 'Supinated dead hold',
    aim: 'hands plus upper back',
    lifts: ['hold.supinated'],
    bySchool: false,
    sets: 2,
    seconds: 30,
    progress: 'time',
    mostSeconds: 120,
    step: 5,
    rest: SHORT_REST,
    ceilingShare: 0.6,
    pins: true,
    setUp: 'Palms forward, shoulders back, elbows straight; a load good for ten to twelve rows.',
    beyond: 'A thicker bar.',
    reason: 'beat last week’s time up to two minutes, then load',
  },
  thickBarHold: {
    name: 'Thick-bar hold',
    aim: 'hand opening',
    lifts: ['hold.thick-bar'],
    bySchool: false,
    sets: 2,
    seconds: 10,
    progress: 'time',
    mostSeconds: 30,
    step: 2,
    rest: MINUTES_3_TO_5,
    ceilingShare: 0.8,
    pins: true,
    setUp: 'Pins slightly below lockout; about a third less than on a common bar.',
    beyond: 'A thicker handle.',
    reason: 'time first, then load, then diameter',
  },
  deadHang: {
    name: 'Dead hang',
    aim: 'endurance',
    lifts: ['hang.dead'],
    bySchool: false,
    sets: 2,
    seconds: 20,
    progress: 'time',
    mostSeconds: 60,
    step: 5,
    rest: SHORT_REST,
    ceilingShare: null,
    setUp: 'Box under the feet, shoulders set.',
    beyond: 'One hand, with the other on a band.',
    reason: '10 to 30 s towards 60; then load, then one hand',
  },
  fabricHang: {
    name: 'Fabric hang',
    aim: 'endurance of the open hand',
    lifts: ['hang.fabric'],
    bySchool: false,
    sets: 2,
    seconds: 15,
    progress: 'time',
    mostSeconds: 60,
    step: 5,
    rest: SHORT_REST,
    effort: { kind: 'fractionOfBest', fraction: 0.6 },
    ceilingShare: null,
    setUp: 'Fabric doubled over the bar, gripped high; box under the feet.',
    beyond: 'One hand, with the other on a band.',
    reason: 'at 55 to 65 % of the best time: fabric punishes a hand that gives out',
  },
  platePinch: {
    name: 'Plate pinch',
    aim: 'thumb and fingertips',
    lifts: ['pinch.plates', 'pinch.block'],
    bySchool: false,
    sets: 3,
    seconds: 15,
    progress: 'time',
    mostSeconds: 30,
    step: 5,
    rest: SHORT_REST,
    ceilingShare: null,
    setUp: 'Smooth sides out; lift only clear of the floor, feet away.',
    beyond: 'A wider pinch.',
    reason: '15 s towards 30, then load',
  },
  hexHold: {
    name: 'Hex head hold',
    aim: 'thumb and fingertips',
    lifts: ['hold.hex'],
    bySchool: false,
    sets: 3,
    seconds: 15,
    progress: 'time',
    mostSeconds: 30,
    step: 5,
    rest: SHORT_REST,
    ceilingShare: null,
    setUp: 'Palm over the head, finger ends on the corners; feet away.',
    beyond: 'The next dumbbell.',
    reason: '15 s towards 30, then load',
  },
  carry: {
    name: 'Carry',
    aim: 'endurance under walking',
    lifts: ['carry.handles', 'carry.frame', 'carry.dumbbells', 'carry.axle'],
    bySchool: false,
    sets: 3,
    seconds: 30,
    progress: 'load',
    mostSeconds: 60,
    step: 0,
    rest: MINUTES_3_TO_5,
    ceilingShare: 1,
    setUp: 'Lane clear, short quick steps.',
    beyond: 'A fourth set.',
    reason: 'three or four carries of 30 s, twice a week; load moves',
  },
  overhandReps: {
    name: 'High-rep double overhand pulls',
    aim: 'a first base for hands that give out early',
    lifts: ['deadlift.conventional', 'row.barbell', 'romanian'],
    bySchool: false,
    sets: 2,
    seconds: 50,
    progress: 'time',
    mostSeconds: 75,
    step: 5,
    rest: [120, 180],
    effort: { kind: 'fractionOfBest', fraction: 0.75 },
    grip: 'doubleOverhand',
    inReps: true,
    ceilingShare: 0.7,
    setUp: 'Touch and go, no straps, double overhand to the last repetition.',
    beyond: 'A third set.',
    reason: 'two or three sets of 10 to 15, the grip never let go between repetitions',
  },
};

/**
 * The lift of the catalogue that a kind of hold is usually done as.
 * @throws InvalidInputError for anything but a kind of hold.
 * @example holdLift('behindBackHold').id // 'hold.behind-back'
 */
export function holdLift(kind: HoldKindId): Lift {
  checkOneOf('kind', kind, HOLD_KINDS);
  return liftOf(HOLD_KINDS_BY_ID[kind].lifts[0]);
}
