import type { HandZone } from './hand-zones.ts';

/**
 * One hand for every size: a left palm as its owner sees it, thumb outwards, in a box of 240 by 332.
 * A right hand is its mirror. Palm and fingers keep the proportions of a real hand: the middle finger is
 * about four fifths of the palm, the little one starts lower and leans away.
 */
export const HAND_BOX = { width: 240, top: 24, height: 332 } as const;

/** A zone that has a place on the drawing. Pain of no certain place and feeling have none. */
export type PlacedZone = Exclude<HandZone, 'pain' | 'nerves'>;

/** One outline of the drawing and the zone that a tap on it opens. */
export interface HandShape {
  readonly zone: PlacedZone;
  readonly d: string;
}

interface Digit {
  /** Middle of its base, in the box. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly length: number;
  /** Degrees it leans from upright, to the right when above 0. */
  readonly lean: number;
}

const FINGERS: readonly Digit[] = [
  { x: 93, y: 140, width: 27, length: 88, lean: -9 },
  { x: 123, y: 133, width: 28, length: 101, lean: -1 },
  { x: 153, y: 137, width: 27, length: 91, lean: 7 },
  { x: 180, y: 152, width: 23, length: 70, lean: 19 },
];

const round = (value: number): number => Math.round(value * 10) / 10;

/** A point of a digit: `along` from its base to its tip and `across` from its left to its right, each as a share. */
function at({ x, y, width, length, lean }: Digit, along: number, across: number): string {
  const angle = (lean * Math.PI) / 180;
  const up = along * length;
  // A finger is a fifth thinner at its tip.
  const aside = (across - 0.5) * width * (1 - 0.2 * along);
  return `${round(x + up * Math.sin(angle) + aside * Math.cos(angle))} ${round(y - up * Math.cos(angle) + aside * Math.sin(angle))}`;
}

const digit = (each: Digit): string =>
  `M${at(each, 0, 0)} L${at(each, 0.86, 0)} Q${at(each, 1.01, 0.04)} ${at(each, 1.01, 0.5)} Q${at(each, 1.01, 0.96)} ${at(each, 0.86, 1)} L${at(each, 0, 1)} Q${at(each, 0.04, 0.5)} ${at(each, 0, 0)} Z`;

const crease = (each: Digit, along: number): string =>
  `M${at(each, along, 0.08)} Q${at(each, along + 0.035, 0.5)} ${at(each, along, 0.92)}`;

/**
 * What is drawn, from the back to the front: a later outline lies over an earlier one. What belongs to the hand runs clockwise,
 * so that its parts can be filled as one: where two run against each other a hole is left.
 */
export const HAND_SHAPES: readonly HandShape[] = [
  { zone: 'wrist', d: 'M95 268 H161 Q160 284 162 298 H94 Q96 284 95 268 Z' },
  ...FINGERS.map((each) => ({ zone: 'finger' as const, d: digit(each) })),
  {
    zone: 'thumb',
    d: 'M84 240 Q72 238 60 226 Q36 200 22 169 Q12 152 12 141 Q14 128 27 131 Q40 136 52 153 Q66 172 82 186 Z',
  },
  { zone: 'nail', d: 'M25 133 Q14 132 13 142 Q13 150 19 157 Q27 152 30 145 Q31 137 25 133 Z' },
  {
    zone: 'palm',
    d: 'M79 147 Q128 122 166 140 Q184 149 189 165 Q190 208 175 240 Q166 256 162 268 H95 Q90 254 82 238 Q74 218 76 186 Q79 164 79 147 Z',
  },
  { zone: 'thumbJoint', d: 'M80 208 A17 17 0 0 1 80 242 A17 17 0 0 1 80 208 Z' },
  // The whole arm, small beside the hand: what hurts up there bars work of the hand as well.
  {
    zone: 'biceps',
    d: 'M203 218 Q203 204 216 203 Q230 204 230 219 Q236 238 229 262 H206 Q198 240 203 218 Z',
  },
  { zone: 'elbow', d: 'M217.5 257 a12 12 0 1 0 0.1 0 Z' },
];

/** Lines that are only looked at: creases of fingers, palm and thumb, and how wrist and small arm go on. */
export const HAND_LINES: readonly string[] = [
  ...FINGERS.flatMap((each) => [crease(each, 0.36), crease(each, 0.66)]),
  'M182 176 Q150 170 118 152',
  'M172 212 Q132 190 84 184',
  'M106 148 Q124 188 98 250',
  'M40 170 Q50 166 55 156',
];

/** The arm going on below the wrist, and forearm and fist of the small arm: no zone of their own. */
export const ARM_LINES: readonly string[] = [
  'M94 302 Q92 330 84 352',
  'M162 302 Q166 330 174 352',
  'M206 277 Q202 296 211 322 Q204 330 208 340 Q217 350 227 340 Q231 330 224 322 Q233 296 229 277 M211 322 H224',
];

/** Where a mark about a zone stands. */
export const ZONE_CENTRES: Readonly<Record<PlacedZone, readonly [x: number, y: number]>> = {
  finger: [123, 88],
  palm: [132, 200],
  thumb: [44, 172],
  nail: [22, 143],
  thumbJoint: [80, 225],
  wrist: [128, 283],
  elbow: [217, 269],
  biceps: [216, 234],
};
