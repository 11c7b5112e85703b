import { GRIPS, type Grip } from '../clasp-curve/types.ts';
import { SET_ROLES, type SetRole } from '../calls/set-role.ts';
import { daysBetween } from '../days.ts';
import { HOOK_STAGES, SIDES, type HookStage, type Side } from '../hands/hand-state.ts';
import { IMBALANCE_FLAG } from '../hands/mixed-ledger.ts';
import { liftOf } from '../set-demand/lifts.ts';
import { bool, day, listOf, oneOf, optional, range, record, text, whole, type Check } from '../shape.ts';

/** A set as the watch for mistakes needs it. */
export interface WatchedSet {
  readonly on: string;
  readonly session: string;
  readonly lift: string;
  readonly role: SetRole;
  /** kg as the lift is written. */
  readonly load: number;
  readonly reps: number;
  readonly grip: Grip;
  readonly strapped: boolean;
  readonly sideUnder?: Side;
  readonly slipped?: boolean;
  readonly elbowBent?: boolean;
  /** Chance that the bare hand would have held it, 0–1, where the clasp curve could say. */
  readonly bareChance?: number;
}

export interface Watched {
  readonly today: string;
  readonly deadliftMax: number;
  readonly hookStage: HookStage;
  /** Sets of the last weeks in the order in which they were done. */
  readonly sets: readonly WatchedSet[];
  /** Strapped back-off that a bare top single is planned from. */
  readonly planRestsOnStrappedSets?: boolean;
}

/** A mistake that the log shows, said as a coach would. */
export interface UsualMistake {
  readonly id: string;
  readonly text: string;
  /** Sets that show it. */
  readonly sets: number;
}

/** How one of the usual mistakes shows in a log. */
export interface MistakeRule {
  readonly id: string;
  readonly text: string;
  /** Fewest sets that make it a habit rather than a day. */
  readonly least: number;
  readonly find: (watched: Watched) => number;
}

/** Weeks looked back over. */
export const WATCH_DAYS = 28;
/** A bare hand this sure of the set needed no strap. */
const SURE = 0.97;
/** Share of the deadlift max from which a load is heavy. */
const HEAVY = 0.85;
/** Hooked share of volume that spends the skin before it is ready. */
const MUCH_VOLUME = 0.5;

const pulls = ({ sets }: Watched): WatchedSet[] =>
  sets.filter(({ lift }) => ['deadlift', 'pull'].includes(liftOf(lift).family));
const countOf = (sets: readonly WatchedSet[], test: (set: WatchedSet) => boolean): number =>
  sets.filter(test).length;

/** The usual mistakes that a log of sets can show. Those of a week's spacing stand with the spacing rules. */
export const MISTAKE_RULES: readonly MistakeRule[] = [
  {
    id: 'mistake.straps-too-early',
    text: 'Straps go on for pulls that the bare hand would hold almost surely.',
    least: 3,
    find: (watched) =>
      countOf(
        pulls(watched),
        ({ strapped, role, bareChance }) =>
          strapped && role === 'warmup' && bareChance !== undefined && bareChance >= SURE,
      ),
  },
  {
    id: 'mistake.hook-only-when-heavy',
    text: 'The hook is only used when the bar is already heavy: start it light, in the warm-ups.',
    least: 2,
    find: (watched: Watched): number => {
      const hooked = pulls(watched).filter(({ grip, strapped }) => grip === 'hook' && !strapped);
      const light = countOf(hooked, ({ load }) => load < HEAVY * watched.deadliftMax);
      return light === 0 ? hooked.length : 0;
    },
  },
  {
    id: 'mistake.hook-for-all-volume',
    text: 'Most of the volume is hooked before the skin is ready.',
    least: 4,
    find: (watched: Watched): number => {
      if (watched.hookStage === 'settled') return 0;
      const volume = pulls(watched).filter(({ role }) => role === 'volume' || role === 'backoff');
      const hooked = countOf(volume, ({ grip, strapped }) => grip === 'hook' && !strapped);
      return hooked > MUCH_VOLUME * volume.length ? hooked : 0;
    },
  },
  {
    id: 'mistake.mixed-same-side',
    text: 'The mixed grip keeps the same hand under: change sides.',
    least: 4,
    find: (watched: Watched): number => {
      const mixed = pulls(watched).filter(
        ({ grip, sideUnder, strapped }) => grip === 'mixed' && sideUnder && !strapped,
      );
      const left = countOf(mixed, ({ sideUnder }) => sideUnder === 'left');
      const imbalance = mixed.length ? Math.abs(2 * left - mixed.length) / mixed.length : 0;
      return imbalance > IMBALANCE_FLAG ? Math.max(left, mixed.length - left) : 0;
    },
  },
  {
    id: 'mistake.bent-elbow-under-mixed',
    text: 'The elbow bends under mixed grip: no mixed grip until the arms stay long.',
    least: 1,
    find: (watched) =>
      countOf(pulls(watched), ({ grip, elbowBent }) => grip === 'mixed' && elbowBent === true),
  },
  {
    id: 'mistake.rack-holds-as-reps',
    text: 'Rack holds are done in repetitions: one repetition, held still.',
    least: 1,
    find: ({ sets }) => countOf(sets, ({ lift, reps }) => liftOf(lift).family === 'hold' && reps > 1),
  },
  {
    id: 'mistake.holds-before-deadlifts',
    text: 'Holds are done before the deadlifts of the same session: put them after.',
    least: 1,
    find: ({ sets }) =>
      countOf(
        sets,
        (set) =>
          liftOf(set.lift).family === 'hold' &&
          sets
            .slice(sets.indexOf(set) + 1)
            .some(
              (later) =>
                later.session === set.session &&
                liftOf(later.lift).family === 'deadlift' &&
                later.role !== 'warmup',
            ),
      ),
  },
  {
    id: 'mistake.slipping-every-session',
    text: 'Something slips in every session: stop short of failure for a while.',
    least: 3,
    find: ({ sets }: Watched): number => {
      const bySession = new Map<string, boolean>();
      for (const { session, slipped, strapped } of sets)
        if (!strapped) bySession.set(session, (bySession.get(session) ?? false) || slipped === true);
      return bySession.size > 0 && [...bySession.values()].every(Boolean) ? bySession.size : 0;
    },
  },
  {
    id: 'mistake.strapped-number-for-bare-single',
    text: 'A bare-handed single is planned from strapped back-off sets: they say nothing about the hand.',
    least: 1,
    find: (watched) =>
      watched.planRestsOnStrappedSets
        ? Math.max(
            1,
            countOf(pulls(watched), ({ strapped, role }) => strapped && role === 'backoff'),
          )
        : 0,
  },
];

const watchedCheck: Check = record<Watched>({
  today: day,
  deadliftMax: range(1, 2000),
  hookStage: oneOf(HOOK_STAGES),
  sets: listOf(
    record<WatchedSet>({
      on: day,
      session: text(200),
      lift: (field, value) => void liftOf(value as string, field),
      role: oneOf(SET_ROLES),
      load: range(0, 2000),
      reps: whole(1, 100),
      grip: oneOf(GRIPS),
      strapped: bool,
      sideUnder: optional(oneOf(SIDES)),
      slipped: optional(bool),
      elbowBent: optional(bool),
      bareChance: optional(range(0, 1)),
    }),
    5000,
  ),
  planRestsOnStrappedSets: optional(bool),
});

/**
 * The usual mistakes that the log of the last four weeks shows, each with the number of sets (or sessions) that show it.
 * @throws InvalidInputError naming the set and field that cannot be used.
 * @example
 * usualMistakes({ today: '2026-11-25', deadliftMax: 180, hookStage: 'carry', sets: [{ on: '2026-11-24', session: 'tue', lift: 'deadlift.conventional', role: 'top', load: 160, reps: 1, grip: 'mixed', strapped: false, elbowBent: true }] }).map((each) => each.id)
 * // ['mistake.bent-elbow-under-mixed']
 */
export function usualMistakes(watched: Watched): UsualMistake[] {
  watchedCheck('', watched);
  const recent = {
    ...watched,
    sets: watched.sets.filter(({ on }) => {
      const age = daysBetween(on, watched.today);
      return age >= 0 && age < WATCH_DAYS;
    }),
  };
  return MISTAKE_RULES.flatMap(({ id, text: words, least, find }) => {
    const sets = find(recent);
    return sets >= least ? [{ id, text: words, sets }] : [];
  });
}
