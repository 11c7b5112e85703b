import { schoolCheck } from '../calls/check-call.ts';
import type { LadderStep, School } from '../calls/school.ts';
import type { HistoryFlag, HistoryKind, HookStage, Side } from '../hands/hand-state.ts';
import { HISTORY_KINDS, HOOK_STAGES, SIDES } from '../hands/hand-state.ts';
import { SPORTS, STANCES, type Sport, type Stance } from './sport-and-stance.ts';
import { bool, listOf, oneOf, optional, range, record, type Check } from '../shape.ts';

/** An entry of the history with its age. */
export interface DatedFlag extends HistoryFlag {
  readonly monthsAgo?: number;
}

/** A lifter's standing facts, as far as they can contradict one another. */
export interface ProfileFacts {
  readonly sport: Sport;
  readonly stance: Stance;
  readonly largeThighs: boolean;
  readonly trainingMonths: number;
  readonly hookStage: HookStage;
  /** With the months since it is known, where the day was said. */
  readonly history: readonly DatedFlag[];
  readonly school: School;
  /** Does the next contest allow straps? Left out where none is planned. */
  readonly nextEventStraps?: boolean;
}

/** Two facts that do not go together, what the calls do about it, and the mend. */
export interface ProfileConflict {
  readonly id: string;
  readonly text: string;
  readonly mend: string;
}

/** How one contradiction shows in a profile. */
export interface ProfileConflictRule {
  readonly id: string;
  readonly find: (facts: ProfileFacts) => Omit<ProfileConflict, 'id'> | undefined;
}

/** Months after which an operation is no recent one: by then somebody can say whether it is healed. */
const NOT_RECENT_MONTHS = 12;

const HEAVY = ['top', 'attempt'] as const;

const asks = ({ school }: ProfileFacts, step: LadderStep): boolean =>
  HEAVY.some((role) => school.ladder[role][0] === step);
const sidesOf = ({ history }: ProfileFacts, ...kinds: readonly HistoryKind[]): Side[] =>
  SIDES.filter((side) => history.some((flag) => kinds.includes(flag.kind) && flag.side === side));
const has = ({ history }: ProfileFacts, kind: HistoryKind): boolean =>
  history.some((flag) => flag.kind === kind);

/** What in a profile does not go together. Safety is called right in any case; the coach is told why the school is not followed. */
export const PROFILE_CONFLICT_RULES: readonly ProfileConflictRule[] = [
  {
    id: 'conflict.mixed-on-barred-arm',
    find: (facts: ProfileFacts): ReturnType<ProfileConflictRule['find']> => {
      const sides = sidesOf(facts, 'bicepsTendon', 'shoulder');
      if (!asks(facts, 'mixed') || sides.length === 0) return undefined;
      return {
        text:
          sides.length === 2
            ? `${facts.school.name} pulls heavy with mixed grip, but neither arm may be turned under: hook or straps are called instead.`
            : `${facts.school.name} pulls heavy with mixed grip, but the ${sides[0]} arm is never turned under: only the other side is called, and sides cannot alternate.`,
        mend: 'Follow a school that does not rest on mixed grip, or keep this one knowing that.',
      };
    },
  },
  {
    id: 'conflict.side-not-said',
    find: ({ history }) =>
      history.some((flag) => ['bicepsTendon', 'shoulder'].includes(flag.kind) && !flag.side)
        ? {
            text: 'A biceps or shoulder entry names no side, so neither arm may be turned under.',
            mend: 'Say which side it is.',
          }
        : undefined,
  },
  {
    id: 'conflict.operation-long-ago',
    find: ({ history }) =>
      history.some(
        ({ kind, cleared, monthsAgo = 0 }) =>
          kind === 'recentOperation' && !cleared && monthsAgo >= NOT_RECENT_MONTHS,
      )
        ? {
            text: 'An operation of more than a year ago still stands as recent and not cleared: no maximal efforts are called.',
            mend: 'Ask what the clinician says, and mark it cleared; until then nothing changes.',
          }
        : undefined,
  },
  {
    id: 'conflict.hook-with-arthritis',
    find: (facts) =>
      has(facts, 'thumbArthritis') && facts.school.ladder.volume[0] === 'hook'
        ? {
            text: `${facts.school.name} hooks the volume, but with thumb-joint arthritis hook stays on the last warm-ups and top sets.`,
            mend: 'Follow a school that straps the volume.',
          }
        : undefined,
  },
  {
    id: 'conflict.hook-not-learnt',
    find: (facts) =>
      asks(facts, 'hook') && facts.hookStage === 'none'
        ? {
            text: `${facts.school.name} pulls heavy with hook, but the hook has not been started: the heavy sets are called otherwise until it is.`,
            mend: 'Set the hook stage to learn and start on warm-ups.',
          }
        : undefined,
  },
  {
    id: 'conflict.straps-in-training-not-in-meet',
    find: ({ school, nextEventStraps }) =>
      nextEventStraps === false &&
      school.strapsFirst.some((policy) =>
        policy.when.every((each) => each.kind === 'roles' && each.roles.includes('top')),
      )
        ? {
            text: `${school.name} straps top sets, but the next contest bars straps.`,
            mend: 'Follow a school of bare heavy sets into the meet, or check the rulebook of the event.',
          }
        : undefined,
  },
  {
    id: 'conflict.no-straps-where-event-allows',
    find: ({ school, nextEventStraps }) =>
      nextEventStraps === true && school.strapsFirst.length === 0 && !school.strapsLast
        ? {
            text: `The next contest allows straps, where they are then always used, but ${school.name} never trains with them.`,
            mend: 'Follow the strongman school into the event.',
          }
        : undefined,
  },
  {
    id: 'conflict.sport-and-school',
    find: ({ sport, school }) =>
      sport === 'weightlifting' &&
      !school.ladder.top.includes('hook') &&
      !school.ladder.top.includes('bestBare')
        ? {
            text: `Weightlifters hook the bar; ${school.name} never does.`,
            mend: 'Follow the weightlifting school, or one with hook in its order.',
          }
        : undefined,
  },
  {
    id: 'conflict.tight-thighs-without-sumo',
    find: ({ stance, largeThighs }) =>
      largeThighs && stance !== 'sumo'
        ? {
            text: 'Large thighs matter for the grip under a sumo stance only.',
            mend: 'Say sumo, or leave the thighs out.',
          }
        : undefined,
  },
];

const datedFlagCheck: Check = record<DatedFlag>({
  kind: oneOf(HISTORY_KINDS),
  side: optional(oneOf(SIDES)),
  cleared: bool,
  monthsAgo: optional(range(0, 2400)),
});

const profileCheck: Check = record<ProfileFacts>({
  sport: oneOf(SPORTS),
  stance: oneOf(STANCES),
  largeThighs: bool,
  trainingMonths: range(0, 1200),
  hookStage: oneOf(HOOK_STAGES),
  history: listOf(datedFlagCheck, 100),
  school: schoolCheck,
  nextEventStraps: optional(bool),
});

/**
 * What in a lifter's profile contradicts itself, each with the mend.
 * @throws InvalidInputError naming the entry that cannot be used.
 * @example profileConflicts({ sport: 'powerlifting', stance: 'conventional', largeThighs: false, trainingMonths: 60, hookStage: 'none', history: [], school: findSchool('hook-committed') })[0].id // 'conflict.hook-not-learnt'
 */
export function profileConflicts(facts: ProfileFacts): ProfileConflict[] {
  profileCheck('', facts);
  return PROFILE_CONFLICT_RULES.flatMap(({ id, find }) => {
    const found = find(facts);
    return found ? [{ id, ...found }] : [];
  });
}
