import type { Reason } from '../calls/types.ts';
import { GRIP_KINDS, KIT_NEEDS, WRIST_POSITIONS } from '../set-demand/lift.ts';
import type { GripKind, KitNeed, Lift, LiftFamily, WristPosition } from '../set-demand/lift.ts';
import { liftOf, LIFTS } from '../set-demand/lifts.ts';
import {
  bool,
  day,
  listOf,
  oneOf,
  optional,
  positive,
  range,
  record,
  text,
  whole,
  type Check,
} from '../shape.ts';
import { forearmLoad, type ForearmLoad, type LastForearmWork } from './forearm-load.ts';
import { CLOSING_KINDS, CLOSING_TO_OPENING_LIMIT, OPENING_KINDS, UNKNOWN_EFFORT } from './grip-work.ts';

/** What a day's session trains; forearm work follows upper-body and pulling sessions. */
export const SESSION_KINDS = ['pull', 'upper', 'lower', 'rest'] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];

export interface ForearmDay {
  readonly on: string;
  readonly session: SessionKind;
  /** A heavy bare-handed deadlift on the day after: the hands stay fresh. */
  readonly heavyPullNextDay?: boolean;
  /** Forearm work is written for it already: it gets no more. */
  readonly taken?: boolean;
}

export interface ForearmWeekQuestion {
  /** The days of the week in order. */
  readonly days: readonly ForearmDay[];
  /** What is at hand beside a bar and plates. */
  readonly kit: readonly KitNeed[];
  /** What the week already holds, by the id of the lift: main lifts, holds, carries and forearm work. */
  readonly planned: readonly { readonly lift: string; readonly sets: number }[];
  /** Worst elbow pain today, 0–10. */
  readonly elbowPain?: number;
  /** Nothing is placed before it. Left out, every day is still to come. */
  readonly today?: string;
  /** kg; with it each exercise gets a load. */
  readonly deadliftMax?: number;
  /** How exercises went the last time. */
  readonly last?: readonly LastForearmWork[];
}

/** One exercise of a forearm session. */
export interface ForearmExercise {
  readonly lift: string;
  readonly name: string;
  readonly sets: number;
  readonly reps?: number;
  /** s a set, where it is timed. */
  readonly seconds?: number;
  /** Left out where no deadlift max was given. */
  readonly load?: ForearmLoad;
  readonly covers: readonly (GripKind | WristPosition)[];
}

export interface ForearmWeek {
  readonly sessions: readonly { readonly on: string; readonly exercises: readonly ForearmExercise[] }[];
  /** What the week touches with the proposal in. */
  readonly covered: { readonly kinds: readonly GripKind[]; readonly wrist: readonly WristPosition[] };
  /** What the kit at hand cannot reach, and what would. */
  readonly outOfReach: readonly {
    readonly what: GripKind | WristPosition;
    readonly needs: readonly KitNeed[];
  }[];
  /** Closing over opening work with the proposal in; null without opening work. */
  readonly closingToOpening: number | null;
  readonly why: readonly Reason[];
}

const FOREARM_FAMILIES: readonly LiftFamily[] = ['crush', 'pinch', 'hang', 'wrist', 'opening', 'curl'];
/** Kinds that a sore elbow is spared. */
const SPARED_BY_SORE_ELBOW: readonly GripKind[] = ['crush', 'pinch', 'openHand', 'wristFlexion'];
const SORE_ELBOW = 4;
/** Forearm days a week. */
const MOST_DAYS = 3;
/** Exercises after one session; more is a session of its own. */
const MOST_A_DAY = 4;
/** Bands and dumbbell-light things repeat sets to even closing and opening out; more than this is no longer a remedy. */
const MOST_OPENING_SETS = 12;

const TARGETS: readonly (GripKind | WristPosition)[] = [...GRIP_KINDS, ...WRIST_POSITIONS];
const bit = (target: GripKind | WristPosition): number => 1 << TARGETS.indexOf(target);
const targetsOf = (lift: Lift): (GripKind | WristPosition)[] => (lift.kind ? [lift.kind, ...lift.wrist] : []);
const mask = (lift: Lift): number => targetsOf(lift).reduce((all, each) => all | bit(each), 0);

const CANDIDATES = LIFTS.filter((lift) => FOREARM_FAMILIES.includes(lift.family) && lift.kind !== null);

/** Seconds at the 10 s load that a set of forearm work is worth, roughly: its time at half effort. */
const workOf = (lift: Lift, sets: number): number => {
  const dose = doseOf(lift);
  return sets * (dose.seconds ?? (dose.reps ?? 5) * lift.secondsPerRep) * UNKNOWN_EFFORT;
};

function doseOf(lift: Lift): { sets: number; reps?: number; seconds?: number } {
  if (lift.timed) return { sets: 2, seconds: lift.secondsPerRep };
  if (lift.family === 'crush') return { sets: 3, reps: 8 };
  return { sets: lift.family === 'opening' ? 3 : 2, reps: 15 };
}

const questionCheck: Check = record<ForearmWeekQuestion>({
  days: listOf(
    record<ForearmDay>({
      on: day,
      session: oneOf(SESSION_KINDS),
      heavyPullNextDay: optional(bool),
      taken: optional(bool),
    }),
    14,
  ),
  kit: listOf(oneOf(KIT_NEEDS), 100),
  planned: listOf(
    record<ForearmWeekQuestion['planned'][number]>({
      lift: (field, value) => void liftOf(value as string, field),
      sets: whole(1, 100),
    }),
    500,
  ),
  elbowPain: optional(range(0, 10)),
  today: optional(day),
  deadliftMax: optional(positive(2000)),
  last: optional(
    listOf(record<LastForearmWork>({ lift: text(100), load: range(0, 2000), reached: bool }), 500),
  ),
});

/**
 * Proposes the forearm and wrist work that a week still lacks: the fewest exercises, with the kit at hand, that touch
 * every kind of hand work (crush, pinch, support, open hand, wrist flexion and extension, rotation, deviation, finger
 * opening) and short, mid and long wrist positions, placed after upper-body and pulling sessions, never the day before a
 * heavy bare-handed pull nor on days that are past, with opening work added until closing no longer outweighs it. Source: set cover, solved
 * exactly over the targets.
 * @throws InvalidInputError naming the field that cannot be used.
 * @example
 * planForearmWeek({ days: [{ on: '2026-11-23', session: 'pull' }], kit: ['band'], planned: [] }).sessions[0].exercises.map((each) => each.lift).includes('band-opening')
 * // true
 */
export function planForearmWeek(question: ForearmWeekQuestion): ForearmWeek {
  questionCheck('', question);
  const { days, kit, planned, elbowPain = 0, today, deadliftMax, last = [] } = question;
  const lastOf = (lift: string): LastForearmWork | undefined => last.find((each) => each.lift === lift);
  const why: Reason[] = [];
  const has = (lift: Lift): boolean => lift.needs.every((need) => kit.includes(need));
  const plannedLifts = planned.map(({ lift, sets }) => ({ lift: liftOf(lift), sets }));
  const already = plannedLifts.reduce((all, { lift }) => all | mask(lift), 0);
  const sore = elbowPain >= SORE_ELBOW;
  if (sore)
    why.push({
      ruleId: 'forearm.sore-elbow',
      rank: 'safety',
      text: 'Elbow pain: no added closing work this week, opening and extension stay in; ask a physiotherapist if it stays.',
    });
  const spared = (lift: Lift): boolean => sore && SPARED_BY_SORE_ELBOW.includes(lift.kind!);
  const usable = CANDIDATES.filter((lift) => has(lift) && !spared(lift));
  const reachable = usable.reduce((all, lift) => all | mask(lift), already);
  const wanted = TARGETS.filter((target) => !(sore && SPARED_BY_SORE_ELBOW.includes(target as GripKind)));
  const cover = fewest(
    usable,
    wanted.filter((target) => reachable & bit(target)).reduce((all, each) => all | bit(each), 0) & ~already,
  );
  const doses = cover.map((lift) => ({ lift, ...doseOf(lift) }));
  const all = [...plannedLifts, ...doses];
  const closing = sum(all, CLOSING_KINDS);
  let opening = sum(all, OPENING_KINDS);
  const opener = doses.find(({ lift }) => lift.kind === 'fingerOpening') ?? firstOpener(usable);
  if (opener && closing > CLOSING_TO_OPENING_LIMIT * opening) {
    const perSet = workOf(opener.lift, 1);
    const missing = Math.ceil((closing / CLOSING_TO_OPENING_LIMIT - opening) / perSet - 1e-9);
    const known = doses.includes(opener);
    const more = Math.min(known ? missing : Math.max(missing, 1), MOST_OPENING_SETS);
    if (known) opener.sets += more;
    else doses.push({ ...opener, sets: more });
    opening += more * perSet;
    why.push({
      ruleId: 'forearm.opening-against-closing',
      rank: 'evidence',
      text: `More opening work: closing outweighs it more than ${CLOSING_TO_OPENING_LIMIT} to 1.`,
    });
  }
  const ahead = days.filter((each) => !each.taken && (today === undefined || each.on >= today));
  const placed = place(doses, ahead, why).map((session) => ({
    ...session,
    exercises: session.exercises.map((each) =>
      deadliftMax === undefined
        ? each
        : { ...each, load: forearmLoad(each.lift, deadliftMax, lastOf(each.lift)) },
    ),
  }));
  const after = doses.reduce((mine, { lift }) => mine | mask(lift), already);
  const covered = <T extends GripKind | WristPosition>(targets: readonly T[]): T[] =>
    targets.filter((target) => after & bit(target));
  return {
    sessions: placed,
    covered: { kinds: covered(GRIP_KINDS), wrist: covered(WRIST_POSITIONS) },
    outOfReach: wanted
      .filter((target) => !(after & bit(target)))
      .map((what) => ({ what, needs: cheapest(what, kit) })),
    closingToOpening: opening > 0 ? closing / opening : null,
    why,
  };
}

function sum(items: readonly { lift: Lift; sets: number }[], kinds: readonly GripKind[]): number {
  return items
    .filter(({ lift }) => lift.kind !== null && kinds.includes(lift.kind))
    .reduce((total, { lift, sets }) => total + workOf(lift, sets), 0);
}

function firstOpener(usable: readonly Lift[]): ({ lift: Lift } & ReturnType<typeof doseOf>) | undefined {
  const lift = usable.find((each) => each.kind === 'fingerOpening');
  return lift && { lift, ...doseOf(lift) };
}

/** The fewest exercises that cover every wanted target: breadth first over the sets of targets. */
function fewest(lifts: readonly Lift[], wanted: number): Lift[] {
  const useful = lifts.map((lift) => ({ lift, gives: mask(lift) & wanted })).filter((each) => each.gives);
  /** The exercise that reached a set of targets first, and from which set. */
  const reached = new Map<number, { readonly lift: Lift; readonly from: number } | null>([[0, null]]);
  const wayTo = (state: number): Lift[] => {
    const last = reached.get(state);
    return last ? [...wayTo(last.from), last.lift] : [];
  };
  let edge = [0];
  while (edge.length > 0 && !reached.has(wanted)) {
    const next: number[] = [];
    for (const from of edge)
      for (const { lift, gives } of useful) {
        const to = from | gives;
        if (reached.has(to)) continue;
        reached.set(to, { lift, from });
        next.push(to);
      }
    edge = next;
  }
  return wayTo(wanted);
}

/** Kit that the lightest-equipped exercise for a target would still need. */
function cheapest(what: GripKind | WristPosition, kit: readonly KitNeed[]): readonly KitNeed[] {
  const missing = CANDIDATES.filter((lift) => targetsOf(lift).includes(what)).map((lift) =>
    lift.needs.filter((need) => !kit.includes(need)),
  );
  return (
    missing.reduce<readonly KitNeed[] | undefined>(
      (least, each) => (!least || each.length < least.length ? each : least),
      undefined,
    ) ?? []
  );
}

/** Spreads the exercises over two or three days, closing first and opening last on each. */
function place(
  doses: readonly ({ lift: Lift } & ReturnType<typeof doseOf>)[],
  days: readonly ForearmDay[],
  why: Reason[],
): ForearmWeek['sessions'] {
  if (!doses.length || !days.length) return [];
  const fresh = days.filter((each) => !each.heavyPullNextDay);
  const best = fresh.filter((each) => each.session === 'pull' || each.session === 'upper');
  const rest = fresh.filter((each) => each.session === 'lower');
  const eligible = best.length ? best : rest.length ? rest : fresh;
  if (!best.length)
    why.push({
      ruleId: 'forearm.no-fitting-day',
      rank: 'evidence',
      text: eligible.length
        ? 'No upper-body or pulling session that is not the day before a heavy bare-handed pull: placed elsewhere.'
        : 'Every day stands before a heavy bare-handed pull: nothing is placed.',
    });
  if (!eligible.length) return [];
  const wantedDays = Math.max(Math.min(2, eligible.length), Math.ceil(doses.length / MOST_A_DAY));
  const count = Math.min(eligible.length, MOST_DAYS, wantedDays);
  const chosen = Array.from(
    { length: count },
    (_, i) => eligible[Math.floor((i * eligible.length) / count)]!,
  );
  const closing = doses.filter(({ lift }) => lift.kind !== 'fingerOpening');
  const opening = doses.filter(({ lift }) => lift.kind === 'fingerOpening');
  return chosen
    .map(({ on }, i) => ({
      on,
      exercises: [
        ...closing.filter((_, at) => at % count === i).map((each) => exercise(each, each.sets)),
        // Opening work follows closing on every forearm day.
        ...opening.flatMap((each) => {
          const sets = Math.floor(each.sets / count) + (i < each.sets % count ? 1 : 0);
          return sets ? [exercise(each, sets)] : [];
        }),
      ],
    }))
    .filter((session) => session.exercises.length > 0);
}

function exercise(
  { lift, reps, seconds }: { lift: Lift } & ReturnType<typeof doseOf>,
  sets: number,
): ForearmExercise {
  return {
    lift: lift.id,
    name: lift.name,
    sets,
    ...(reps !== undefined && { reps }),
    ...(seconds !== undefined && { seconds }),
    covers: targetsOf(lift),
  };
}
