import { GRIPS, type Grip, type HoldCurve } from '../clasp-curve/types.ts';
import { medianLoad } from '../clasp-curve/read-outs.ts';
import { checkHoldCurve } from '../clasp-curve/check-hold-curve.ts';
import { addDays } from '../days.ts';
import {
  GRIP_KINDS,
  WRIST_POSITIONS,
  type GripKind,
  type Lift,
  type WristPosition,
} from '../set-demand/lift.ts';
import { liftOf } from '../set-demand/lifts.ts';
import { REP_STYLES, setDemand, type RepStyle } from '../set-demand/set-demand.ts';
import { bool, day, listOf, oneOf, optional, positive, range, record, whole, type Check } from '../shape.ts';

/** Sets of one exercise as they were done. */
export interface GripWorkItem {
  /** Day, YYYY-MM-DD. */
  readonly on: string;
  /** Lift or exercise, by its id in the catalogue. */
  readonly lift: string;
  readonly sets: number;
  /** Repetitions a set; ignored where the lift is timed. */
  readonly reps: number;
  readonly style?: RepStyle;
  /** s a set, where it was timed. */
  readonly seconds?: number;
  /** kg as the lift is written (for a gripper its resistance). */
  readonly load: number;
  readonly bodyMass?: number;
  readonly grip?: Grip;
  readonly strapped?: boolean;
  /** Near the limit: a hard hold, a heavy bare-handed single. */
  readonly hard?: boolean;
  /** The item's own 10 s load in the same terms, kg, where no clasp curve knows it (grippers, levers, wrist work). */
  readonly tenSecondLoad?: number;
}

export interface GripWorkQuestion {
  /** The day up to which the weeks are counted, YYYY-MM-DD, included. */
  readonly today: string;
  readonly items: readonly GripWorkItem[];
  readonly curves: { readonly support: HoldCurve; readonly pinch?: HoldCurve };
}

export interface GripWork {
  /** Work of the last seven days by kind: seconds at the 10 s load. */
  readonly byKind: Readonly<Record<GripKind, number>>;
  readonly byWrist: Readonly<Record<WristPosition, number>>;
  /** Of the last seven days. */
  readonly total: number;
  /** Last seven days over the weekly mean of the last 28: 1 steady, 1.5 half as much again. Null with nothing in 28 days. */
  readonly weekAgainstMonth: number | null;
  /** Closing work over opening work of the last seven days; null with no opening work. */
  readonly closingToOpening: number | null;
  /** Days with hard grip work in the last seven. */
  readonly hardDays: number;
  /** Kinds and wrist positions that the last seven days did not touch. */
  readonly gaps: { readonly kinds: readonly GripKind[]; readonly wrist: readonly WristPosition[] };
  /** Share of the week's work whose own 10 s load is not known and was taken at half effort, 0–1. */
  readonly guessed: number;
}

/** What closes the hand. */
export const CLOSING_KINDS: readonly GripKind[] = ['crush', 'pinch', 'support', 'openHand', 'wristFlexion'];
/** What opens it. */
export const OPENING_KINDS: readonly GripKind[] = ['fingerOpening'];
/** Closing over opening work, in seconds at the 10 s load, past which elbows usually begin to ache: a working figure. */
export const CLOSING_TO_OPENING_LIMIT = 8;
/** Effort taken where an item's own 10 s load is not known: light, long sets. */
export const UNKNOWN_EFFORT = 0.5;

/** Days that a week's work is held against. */
const MONTH = 28;

const itemCheck: Check = record<GripWorkItem>({
  on: day,
  lift: (field, value) => void liftOf(value as string, field),
  sets: whole(1, 100),
  reps: whole(1, 100),
  style: optional(oneOf(REP_STYLES)),
  seconds: optional(positive(3600)),
  load: range(0, 2000),
  bodyMass: optional(positive(400)),
  grip: optional(oneOf(GRIPS)),
  strapped: optional(bool),
  hard: optional(bool),
  tenSecondLoad: optional(positive(2000)),
});

const questionCheck: Check = record<GripWorkQuestion>({
  today: day,
  items: listOf(itemCheck, 100_000),
  curves: record<GripWorkQuestion['curves']>({
    support: (field, value) => checkHoldCurve(value as HoldCurve, field),
    pinch: optional((field, value) => checkHoldCurve(value as HoldCurve, field)),
  }),
});

/**
 * Grip work done, by kind of hand work and wrist position: each set adds its seconds × (load / its own 10 s load), so
 * that a second at the load held for ten seconds counts one, whatever the exercise. Strapped sets add nothing. Loads in
 * kg, results in those seconds.
 * @throws InvalidInputError naming the item and field that cannot be used.
 * @example
 * gripWork({ today: '2026-11-22', items: [{ on: '2026-11-20', lift: 'hold.front-rack', sets: 2, reps: 1, seconds: 10, load: 126 }], curves: { support: curve } }).byKind.support
 * // 20
 */
export function gripWork(question: GripWorkQuestion): GripWork {
  questionCheck('', question);
  return workUpTo(question.today, doneOf(question, MONTH));
}

/** What one item adds. */
interface WorkDone {
  readonly item: GripWorkItem;
  readonly kind: GripKind;
  readonly wrist: readonly WristPosition[];
  readonly work: number;
  /** Whether the item's own 10 s load is known. */
  readonly known: boolean;
}

/** The items of so many days up to today that are work for the hands, each with what it adds. */
function doneOf({ today, items, curves }: GripWorkQuestion, days: number): WorkDone[] {
  const before = addDays(today, -days);
  const tens = new Map<string, number>();
  /** The 10 s load of a lift by its curve: sets of a log share a handful of them, and each is a reading of the curve. */
  const tenOf = (curve: HoldCurve, { id, position, diameter }: Lift, grip: Grip | undefined): number => {
    const key = `${id} ${grip}`;
    const known = tens.get(key);
    if (known !== undefined) return known;
    const conditions = { position, ...(diameter && { diameter }), ...(grip && { grip }) };
    const { value } = medianLoad(curve, { seconds: 10, ...conditions });
    tens.set(key, value);
    return value;
  };
  return items.flatMap((item): WorkDone[] => {
    if (item.on > today || item.on <= before || item.strapped) return [];
    const lift = liftOf(item.lift);
    const { kind, wrist } = lift;
    if (kind === null) return [];
    // A band, or the body alone, may be written as no load.
    const demand = setDemand({ ...item, load: Math.max(item.load, 1e-6) });
    const seconds = item.sets * demand.seconds;
    if (item.tenSecondLoad !== undefined)
      return [{ item, kind, wrist, work: (seconds * item.load) / item.tenSecondLoad, known: true }];
    const curve = lift.curve && curves[lift.curve];
    if (!curve) return [{ item, kind, wrist, work: seconds * UNKNOWN_EFFORT, known: false }];
    const work = (seconds * demand.load) / tenOf(curve, lift, item.grip);
    return [{ item, kind, wrist, work, known: true }];
  });
}

function workUpTo(today: string, done: readonly WorkDone[]): GripWork {
  const [weekAgo, monthAgo] = [addDays(today, -7), addDays(today, -MONTH)];
  const byKind = Object.fromEntries(GRIP_KINDS.map((kind) => [kind, 0])) as Record<GripKind, number>;
  const byWrist = Object.fromEntries(WRIST_POSITIONS.map((each) => [each, 0])) as Record<
    WristPosition,
    number
  >;
  const hard = new Set<string>();
  let total = 0;
  let month = 0;
  let guessed = 0;
  for (const { item, kind, wrist, work, known } of done) {
    if (item.on > today || item.on <= monthAgo) continue;
    month += work;
    if (item.on <= weekAgo) continue;
    total += work;
    if (!known) guessed += work;
    byKind[kind] += work;
    for (const position of wrist) byWrist[position] += work / wrist.length;
    if (item.hard) hard.add(item.on);
  }
  const sum = (kinds: readonly GripKind[]): number => kinds.reduce((all, kind) => all + byKind[kind], 0);
  const opening = sum(OPENING_KINDS);
  return {
    byKind,
    byWrist,
    total,
    weekAgainstMonth: month > 0 ? total / (month / 4) : null,
    closingToOpening: opening > 0 ? sum(CLOSING_KINDS) / opening : null,
    hardDays: hard.size,
    gaps: {
      kinds: GRIP_KINDS.filter((kind) => byKind[kind] === 0),
      wrist: WRIST_POSITIONS.filter((position) => byWrist[position] === 0),
    },
    guessed: total > 0 ? guessed / total : 0,
  };
}

/** Grip work of one week. */
export interface WeekOfGripWork {
  /** First of its seven days, YYYY-MM-DD. */
  readonly from: string;
  readonly work: GripWork;
}

/**
 * Grip work week by week, the latest last: each week is the seven days that end with it.
 * @throws InvalidInputError as {@link gripWork} does, or for weeks outside 1–520.
 * @example gripWorkByWeek({ today: '2026-11-22', items: [], curves: { support: curve } }, 2).map((week) => week.from) // ['2026-11-09', '2026-11-16']
 */
export function gripWorkByWeek(question: GripWorkQuestion, weeks: number): WeekOfGripWork[] {
  whole(1, 520)('weeks', weeks);
  questionCheck('', question);
  const done = doneOf(question, 7 * (weeks - 1) + MONTH);
  return Array.from({ length: weeks }, (_, i) => {
    const today = addDays(question.today, -7 * (weeks - 1 - i));
    return { from: addDays(today, -6), work: workUpTo(today, done) };
  });
}
