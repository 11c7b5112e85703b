import type { SetRole } from '../calls/set-role.ts';
import { checkOneOf } from '../check.ts';
import { bool, day, listOf, oneOf, optional, positive, range, record, type Check } from '../shape.ts';
import { HOOK_STAGES, NAIL_STATES, SKIN_STATES } from './hand-state.ts';
import type { HookStage, NailState, SkinState } from './hand-state.ts';

/** A set as a hook stage looks at it. */
export interface HookedWork {
  readonly role: SetRole;
  readonly reps: number;
  /** Share of the lift's best single. */
  readonly share: number;
  /** Work sets, no warm-ups, hooked earlier in the session. */
  readonly hookedBefore: number;
}

/** A stage of getting used to the hook grip. */
export interface HookStageLimits {
  readonly name: string;
  /** May the set be hooked? */
  readonly allows: (set: HookedWork) => boolean;
  /** What is hooked for practice in every school, as a coach would say it; null where the school alone decides. */
  readonly practises: string | null;
  /**
   * Skin budget of a week in seconds at the deadlift max (load-seconds divided by the max); null for no limit. A heavy
   * single costs about 5, a light triple about 4.
   */
  readonly weeklyMaxSeconds: number | null;
  /** What the stage leaves out, as a coach would say it. */
  readonly limit: string;
}

/** Share of the best up to which a warm-up is one of the lighter ones. */
const LIGHT_WARM_UP_SHARE = 0.6;
/** Share of the best up to which a single or back-off is light. */
const LIGHT_WORK_SHARE = 0.8;
/** Hooked top sets of a session while the hook is carried: one or two, as the skin allows. */
const CARRIED_TOP_SETS = 2;

const isWarmUp = ({ role }: HookedWork): boolean => role === 'warmup';

/** The stages: lighter warm-ups, all warm-ups and one light set, one or two top sets, volume as the skin allows. */
export const HOOK_STAGES_BY_ID: Readonly<Record<HookStage, HookStageLimits>> = {
  none: {
    name: 'not started',
    allows: () => false,
    practises: null,
    weeklyMaxSeconds: 0,
    limit: 'No hook yet: it has not been started with this lifter.',
  },
  learn: {
    name: 'learn',
    allows: (set) => isWarmUp(set) && set.share <= LIGHT_WARM_UP_SHARE,
    practises: 'the lighter warm-ups are hooked, in every school',
    weeklyMaxSeconds: 25,
    limit: 'Hook stage “learn”: the lighter warm-ups only, until pain is 3 or less and the skin is sound.',
  },
  build: {
    name: 'build',
    allows: (set) =>
      isWarmUp(set) ||
      (set.hookedBefore === 0 &&
        set.share <= LIGHT_WORK_SHARE &&
        (set.role === 'backoff' || (set.role === 'top' && set.reps === 1))),
    practises: 'all warm-ups and one light single or back-off are hooked',
    weeklyMaxSeconds: 50,
    limit: 'Hook stage “build”: warm-ups and one light single or back-off, not yet the heavy sets.',
  },
  carry: {
    name: 'carry',
    // Three attempts are pulled in one grip: on the platform no thumb is spared for later.
    allows: (set) =>
      isWarmUp(set) || set.role === 'attempt' || (set.role === 'top' && set.hookedBefore < CARRIED_TOP_SETS),
    practises: 'all warm-ups and one or two top sets a session are hooked',
    weeklyMaxSeconds: 80,
    limit: 'Hook stage “carry”: one or two top sets carry it, the back-offs spare the skin.',
  },
  settled: {
    name: 'settled',
    allows: () => true,
    practises: null,
    weeklyMaxSeconds: null,
    limit: 'The hook is settled: volume as the skin allows.',
  },
};

/** What one session with hooked sets did to the thumbs. */
export interface HookSession {
  /** Day, YYYY-MM-DD. */
  readonly on: string;
  /** Worst thumb pain, 0–10. */
  readonly pain: number;
  /** Thumb skin afterwards; left out where nobody looked at the hands, and the session then counts for nothing. */
  readonly skin?: SkinState;
  readonly nail?: NailState;
  /** Did a hooked set slip? */
  readonly slipped: boolean;
}

/** Where the hook goes next, and by which rule. */
export interface HookMove {
  readonly stage: HookStage;
  readonly move: 'up' | 'back' | 'stay';
  readonly ruleId: string;
  readonly reason: string;
}

/** Pain, 0–10, at or below which a session counts as easy on the thumbs. */
export const EASY_THUMB_PAIN = 3;
/** Pain, 0–10, from which the hook goes a stage back. */
export const HARD_THUMB_PAIN = 6;
/** Easy sessions in a row before the next stage. */
export const EASY_SESSIONS_TO_MOVE_UP = 3;

/** A rule that moves the stage. */
export interface HookStageRule {
  readonly id: string;
  readonly move: 'up' | 'back' | 'stay';
  readonly reason: string;
  /** Sessions with hooked sets since the stage was entered, the latest first. */
  readonly when: (sessions: readonly HookSession[]) => boolean;
}

const easy = ({ pain, skin, nail, slipped }: HookSession): boolean =>
  pain <= EASY_THUMB_PAIN &&
  (skin === 'sound' || skin === 'callused') &&
  (nail ?? 'sound') === 'sound' &&
  !slipped;

/** Read in order; the first that applies decides. */
export const HOOK_STAGE_RULES: readonly HookStageRule[] = [
  {
    id: 'hook.back-on-tear',
    move: 'back',
    reason: 'The thumb skin tore: one stage back until it has healed.',
    when: ([last]) => last?.skin === 'torn',
  },
  {
    id: 'hook.back-on-bleeding-nail',
    move: 'back',
    reason: 'Blood under the nail: one stage back, and the nail a little longer.',
    when: ([last]) => last?.nail === 'bleeding',
  },
  {
    id: 'hook.back-on-pain',
    move: 'back',
    reason: `Thumb pain of ${HARD_THUMB_PAIN} or more: one stage back; tape, and slack skin pushed up the thumb first.`,
    when: ([last]) => (last?.pain ?? 0) >= HARD_THUMB_PAIN,
  },
  {
    id: 'hook.up-when-easy',
    move: 'up',
    reason: `${EASY_SESSIONS_TO_MOVE_UP} sessions with pain of ${EASY_THUMB_PAIN} or less, sound skin and no slip: the next stage.`,
    when: (sessions) =>
      sessions.length >= EASY_SESSIONS_TO_MOVE_UP && sessions.slice(0, EASY_SESSIONS_TO_MOVE_UP).every(easy),
  },
  {
    id: 'hook.stay',
    move: 'stay',
    reason:
      'Not yet easy often enough: stay. Discomfort fades over days for some, over twelve weeks for others.',
    when: () => true,
  },
];

const sessionsCheck: Check = listOf(
  record<HookSession>({
    on: day,
    pain: range(0, 10),
    skin: optional(oneOf(SKIN_STATES)),
    nail: optional(oneOf(NAIL_STATES)),
    slipped: bool,
  }),
  10_000,
);

/**
 * The hook stage after the sessions since the present stage was entered (in any order), and the rule that moved it:
 * up after easy sessions in a row, back on a tear, blood under the nail or pain of 6 or more. A hook that has not been
 * started stays so: starting it is the coach's decision. Source: the trade's adaptation rules.
 * @throws InvalidInputError for an unknown stage or a session that cannot be used.
 * @example nextHookStage('carry', [{ on: '2026-11-20', pain: 7, skin: 'tender', slipped: false }]).stage // 'build'
 */
export function nextHookStage(stage: HookStage, sessions: readonly HookSession[]): HookMove {
  checkOneOf('stage', stage, HOOK_STAGES);
  sessionsCheck('sessions', sessions);
  const looked = sessions.filter((each) => each.skin !== undefined);
  const latestFirst = [...looked].sort((a, b) => b.on.localeCompare(a.on));
  const rule = HOOK_STAGE_RULES.find((each) => each.when(latestFirst))!;
  const at = HOOK_STAGES.indexOf(stage);
  const lowest = HOOK_STAGES.indexOf('learn');
  const to =
    stage === 'none' || rule.move === 'stay'
      ? at
      : rule.move === 'up'
        ? Math.min(at + 1, HOOK_STAGES.length - 1)
        : Math.max(at - 1, lowest);
  return {
    stage: HOOK_STAGES[to]!,
    move: to > at ? 'up' : to < at ? 'back' : 'stay',
    ruleId: rule.id,
    reason: rule.reason,
  };
}

/** One hooked set as the skin budget counts it. */
export interface HookedSet {
  /** Load on the hands, kg. */
  readonly load: number;
  /** s of set demand. */
  readonly seconds: number;
}

export interface SkinBudget {
  /** Load-seconds, kg·s, that the stage allows in a week; null for no limit. */
  readonly allowance: number | null;
  readonly spent: number;
  /** What is left, not below 0; null for no limit. */
  readonly left: number | null;
  /** Share spent, 1 for all of it; null for no limit. */
  readonly share: number | null;
}

const hookedCheck: Check = listOf(
  record<HookedSet>({ load: positive(2000), seconds: positive(3600) }),
  10_000,
);

/**
 * Hooked load-seconds of this week against what the stage allows, kg·s: exposure of the thumb skin is a budget.
 * @throws InvalidInputError for an unknown stage, a max that is not above 0 or a set that cannot be used.
 * @example skinBudget('learn', 100, [{ load: 50, seconds: 10 }]) // { allowance: 2500, spent: 500, left: 2000, share: 0.2 }
 */
export function skinBudget(stage: HookStage, deadliftMax: number, week: readonly HookedSet[]): SkinBudget {
  checkOneOf('stage', stage, HOOK_STAGES);
  positive(2000)('deadliftMax', deadliftMax);
  hookedCheck('week', week);
  const spent = week.reduce((sum, set) => sum + set.load * set.seconds, 0);
  const { weeklyMaxSeconds } = HOOK_STAGES_BY_ID[stage];
  if (weeklyMaxSeconds === null) return { allowance: null, spent, left: null, share: null };
  const allowance = weeklyMaxSeconds * deadliftMax;
  return {
    allowance,
    spent,
    left: Math.max(0, allowance - spent),
    share: allowance > 0 ? spent / allowance : spent > 0 ? 1 : 0,
  };
}
