import {
  findLift,
  SLOPE_FLOOR,
  setDemand,
  type Ending,
  type Grip,
  type GripChoice,
  type HoldKindId,
  type SetDemand,
  type SetRole,
  type Side,
} from '@iron-clasp/core';
import { addDays, addWeeks, format, parseISO, startOfISOWeek } from 'date-fns';
import { chanceOf, type Chance } from './random.ts';
import {
  BACK_WEEKS,
  HOME,
  type DemoLifter,
  type DemoVenue,
  type HiddenTruth,
  type PlannedDay,
  type PlannedLift,
} from './scenario.ts';

export const WEEKS_OF_LOGS = 26;
export const WEEKS_PLANNED = 7;

export interface SimSet {
  readonly lift: string;
  readonly role: SetRole;
  readonly load: number;
  readonly reps: number;
  readonly seconds: number | null;
}

export interface SimLoggedSet extends SimSet {
  readonly grip: Grip;
  readonly strapped: boolean;
  readonly sideUnder: Side | null;
  readonly slippedAtRep: number | null;
}

export interface SimHold {
  readonly load: number;
  readonly seconds: number;
  readonly target: number;
  readonly ended: Ending;
  readonly grip: Grip;
}

export interface SimSession {
  readonly on: string;
  readonly title: string;
  readonly venue: string;
  readonly hasHold: boolean;
  readonly holdKind: HoldKindId;
  /** Past sessions have logs, coming ones a plan. */
  readonly planned: readonly SimSet[];
  readonly logged: readonly SimLoggedSet[];
  readonly holds: readonly SimHold[];
}

/** Load of a training week against the best one: three weeks up, one easy. */
const WAVE = [0.95, 0.98, 1, 0.9];
/** Warm-up steps as shares of the first working load, with their repetitions. */
const RAMP: readonly (readonly [number, number])[] = [
  [0.4, 5],
  [0.55, 4],
  [0.7, 3],
  [0.82, 2],
  [0.91, 1],
];

/** Plays the lifter's last 26 weeks and plans the coming ones; the same today gives the same result. */
export function simulate(lifter: DemoLifter, venues: readonly DemoVenue[], today: string): SimSession[] {
  const chance = chanceOf(lifter.name);
  const days = chanceOf(`${lifter.name} from day to day`);
  const { layoff } = lifter.truth;
  const monday = startOfISOWeek(parseISO(today));
  const sessions: SimSession[] = [];
  for (let week = -WEEKS_OF_LOGS; week < WEEKS_PLANNED; week++) {
    if (layoff && week >= layoff.from && week <= layoff.to) continue;
    for (const day of lifter.week) {
      const on = format(addDays(addWeeks(monday, week), day.weekday), 'yyyy-MM-dd');
      const plan = planDay(lifter, day, week);
      const venue = venues.find((each) => each.name === (day.venue ?? HOME))!;
      const head = {
        on,
        title: day.title,
        venue: venue.name,
        hasHold: day.hold === true,
        holdKind: kindOf(day),
      };
      if (on >= today) sessions.push({ ...head, planned: plan, logged: [], holds: [] });
      else sessions.push({ ...head, planned: [], ...play(lifter, venue, plan, day, week, { chance, days }) });
    }
  }
  return sessions;
}

function planDay(lifter: DemoLifter, day: PlannedDay, week: number): SimSet[] {
  const wave = WAVE[(week + WEEKS_OF_LOGS) % WAVE.length]!;
  // Lifts grow towards the present max, by about a tenth over the half-year; the future stands still.
  const level = lifter.deadliftMax * wave * (1 + (0.1 * Math.min(week, 0)) / WEEKS_OF_LOGS);
  return day.lifts.flatMap((entry) => planLift(entry, level));
}

const toStep = (load: number): number => Math.max(25, Math.round(load / 2.5) * 2.5);

function planLift(entry: PlannedLift, level: number): SimSet[] {
  const work = (role: SetRole, share: number, sets: number, reps: number): SimSet[] =>
    Array.from({ length: sets }, () => ({
      lift: entry.lift,
      role,
      load: toStep(level * share),
      reps,
      seconds: entry.seconds ?? null,
    }));
  const warmups = (entry.role === 'accessory' ? [] : RAMP.slice(0, entry.role === 'top' ? 5 : 3)).map(
    ([share, reps]) => ({
      lift: entry.lift,
      role: 'warmup' as const,
      load: toStep(level * entry.share * share),
      reps,
      seconds: entry.seconds ?? null,
    }),
  );
  const backoff = entry.backoff
    ? work('backoff', entry.backoff.share, entry.backoff.sets, entry.backoff.reps)
    : [];
  return [...warmups, ...work(entry.role, entry.share, entry.sets, entry.reps), ...backoff];
}

function play(
  lifter: DemoLifter,
  venue: DemoVenue,
  plan: readonly SimSet[],
  day: PlannedDay,
  week: number,
  { chance, days }: { readonly chance: Chance; readonly days: Chance },
): Pick<SimSession, 'logged' | 'holds'> {
  const hand = handOf(lifter, venue, week, Math.exp(lifter.truth.days * days.normal()));
  const logged = [
    ...plan.map((set, i) => doSet(lifter, set, week, i, hand, chance)),
    ...opening(lifter, day),
  ];
  const inBlock = lifter.blocks.some(
    (block) => block.kind === 'holdBlock' && week >= block.from && week <= block.to,
  );
  const kind = kindOf(day);
  // Heavy holds come in blocks; hangs and pinches stay all year.
  const holds = !day.hold
    ? []
    : kind !== 'frontRackHold'
      ? doOtherHolds(lifter, kind, week, hand, chance)
      : inBlock
        ? doHolds(lifter, week, hand, chance)
        : [];
  return { logged, holds };
}

/** Band opening after every session but the first of the week, by those who do it. */
function opening({ opensHands, week }: DemoLifter, day: PlannedDay): SimLoggedSet[] {
  if (!opensHands || day === week[0]) return [];
  return Array.from({ length: 3 }, () => ({
    lift: 'band-opening',
    role: 'accessory',
    load: 3,
    reps: 20,
    seconds: null,
    grip: 'doubleOverhand',
    strapped: false,
    sideUnder: null,
    slippedAtRep: null,
  }));
}

/** True median seconds of the lifter's hand on a day: the hidden truth at work. */
type Hand = (demand: SetDemand, grip: Grip, earlierHolds?: number) => number;

function handOf({ truth, deadliftMax }: DemoLifter, venue: DemoVenue, week: number, today: number): Hand {
  const slope = Math.max(truth.slope, SLOPE_FLOOR);
  const chalk = venue.chalk === 'block' ? 1 : venue.chalk === 'liquid' ? 0.97 : truth.noChalk;
  const diameter = 0.982 ** (venue.bar.diameter - 28.5);
  const grown = (1 + (truth.growth * week) / WEEKS_OF_LOGS) * (1 - lostOf(truth, week));
  const ten = deadliftMax * truth.tenSecondShare * grown * today * chalk * diameter;
  return (demand, grip, earlierHolds = 0) =>
    10 * ((ten * worth(truth, grip) * 0.97 ** earlierHolds) / demand.load) ** slope;
}

/** Share of load that a layoff has cost and that is not back yet. */
export function lostOf({ layoff }: HiddenTruth, week: number): number {
  if (!layoff || week < layoff.from) return 0;
  return layoff.lost * Math.max(0, Math.min(1, 1 - (week - layoff.to) / BACK_WEEKS));
}

function worth(truth: HiddenTruth, grip: Grip): number {
  return grip === 'mixed' ? truth.mixed : grip === 'hook' ? truth.hook : 1;
}

function doSet(
  lifter: DemoLifter,
  set: SimSet,
  week: number,
  place: number,
  hand: Hand,
  chance: Chance,
): SimLoggedSet {
  const lift = findLift(set.lift)!;
  const choice = admitted(habit(lifter, set.role, week), set.lift);
  const strapped = choice === 'straps';
  const grip: Grip = choice === 'straps' ? 'doubleOverhand' : choice;
  const demand = setDemand({
    lift,
    reps: set.reps,
    load: set.load,
    ...(set.seconds && { seconds: set.seconds }),
  });
  const held = hand(demand, grip) * Math.exp(lifter.truth.scatter * chance.normal());
  const slips = lift.grips && !strapped && held < demand.seconds;
  const sideUnder = grip === 'mixed' ? underOf(lifter, week, place) : null;
  return {
    ...set,
    grip,
    strapped,
    sideUnder,
    slippedAtRep: slips ? Math.min(set.reps, 1 + Math.floor((held / demand.seconds) * set.reps)) : null,
    // A slip ends a timed set early; its true seconds are on the clock.
    seconds: slips && set.seconds ? tenths(held) : set.seconds,
  };
}

function habit(lifter: DemoLifter, role: SetRole, week: number): GripChoice {
  const grips = lifter.habits[role === 'attempt' ? 'top' : role];
  return grips[(week + WEEKS_OF_LOGS) % grips.length]!;
}

function admitted(choice: GripChoice, liftId: string): GripChoice {
  const lift = findLift(liftId)!;
  if (choice === 'straps' && !lift.straps.allowed) return 'doubleOverhand';
  return choice === 'straps' || lift.admits.includes(choice) ? choice : 'doubleOverhand';
}

/** Most lifters drift to one side: four sets in five the non-dominant hand goes under, unless an injury bars it. */
function underOf(lifter: DemoLifter, week: number, place: number): Side {
  const barred = lifter.history.find(
    (flag) => flag.kind === 'bicepsTendon' || flag.kind === 'shoulder',
  )?.side;
  const usual: Side = lifter.dominantHand === 'right' ? 'left' : 'right';
  const other: Side = lifter.dominantHand;
  const wanted = (week + place + WEEKS_OF_LOGS) % 5 === 0 ? other : usual;
  return wanted === barred ? (wanted === 'left' ? 'right' : 'left') : wanted;
}

const kindOf = (day: PlannedDay): HoldKindId => day.holdKind ?? 'frontRackHold';

/** Kinds that the demo holds beside the front rack hold: sets, seconds, and what is written on the hands or the body. */
const OTHER_HOLDS: Partial<Record<HoldKindId, { sets: number; seconds: number; share: number }>> = {
  behindBackHold: { sets: 3, seconds: 30, share: 0.43 },
  deadHang: { sets: 2, seconds: 30, share: 0 },
  platePinch: { sets: 3, seconds: 15, share: 0.27 },
};

/** True worth of a position or a pinch against the front rack hold. */
const OTHER_WORTH: Partial<Record<HoldKindId, number>> = { behindBackHold: 0.9, platePinch: 0.4 };

function doOtherHolds(
  lifter: DemoLifter,
  kind: HoldKindId,
  week: number,
  hand: Hand,
  chance: Chance,
): SimHold[] {
  const { sets, seconds, share } = OTHER_HOLDS[kind]!;
  const hang = kind === 'deadHang';
  const growth = 1 + (0.08 * Math.min(week, 0)) / WEEKS_OF_LOGS;
  // Plates pinched together come in tens; a bar in steps; a hang begins with the body alone.
  const load = hang ? 0 : kind === 'platePinch' ? 30 : toStep(lifter.deadliftMax * share * growth);
  return Array.from({ length: sets }, (_, earlier) => {
    const onHands = (hang ? lifter.bodyMass : load) / (OTHER_WORTH[kind] ?? 1);
    const held =
      hand({ load: onHands, seconds }, 'doubleOverhand', earlier) *
      Math.exp(lifter.truth.scatter * chance.normal());
    const ended: Ending = held < seconds ? 'slipped' : 'stopped';
    return {
      load,
      seconds: tenths(Math.min(held, seconds)),
      target: seconds,
      ended,
      grip: 'doubleOverhand' as const,
    };
  });
}

const HOLD_TARGET = 10;

function doHolds(lifter: DemoLifter, week: number, hand: Hand, chance: Chance): SimHold[] {
  const grip: Grip = lifter.habits.top.find((each) => each !== 'straps') as Grip;
  // A coach's eye: a little under what ten seconds would take, a step more each week of a block.
  const block = lifter.blocks.find(
    (each) => each.kind === 'holdBlock' && week >= each.from && week <= each.to,
  )!;
  const guess =
    lifter.deadliftMax *
    lifter.truth.tenSecondShare *
    worth(lifter.truth, grip) *
    (0.86 + 0.03 * (week - block.from));
  const load = toStep(guess);
  return [0, 1].map((earlier) => {
    const held =
      hand({ load, seconds: HOLD_TARGET }, grip, earlier) * Math.exp(lifter.truth.scatter * chance.normal());
    const ended: Ending = held < HOLD_TARGET ? 'slipped' : 'stopped';
    return { load, seconds: tenths(Math.min(held, HOLD_TARGET)), target: HOLD_TARGET, ended, grip };
  });
}

function tenths(seconds: number): number {
  return Math.max(0.5, Math.round(seconds * 10) / 10);
}
