import { CLOSING_TO_OPENING_LIMIT } from '../grip-week/grip-work.ts';
import { HANDS_CHECK_HOLDS_DAYS } from '../hands/hands-today.ts';
import { PAIN_PARTS, PAINS, SIDES, type HandsToday, type Side } from '../hands/hand-state.ts';
import { handsCheck } from '../calls/check-call.ts';
import { SHARP_PAIN } from '../calls/stop-rules.ts';
import { untilDay } from '../say-days.ts';
import { bool, listOf, oneOf, optional, range, record, text, whole, type Check } from '../shape.ts';

/** Pages on which what is found can be mended. */
export const ATTENTION_STEPS = ['hands', 'squeeze', 'holds', 'calls', 'log', 'profile'] as const;
export type AttentionStep = (typeof ATTENTION_STEPS)[number];

/** How grave a finding is, the gravest first. */
export const ATTENTION_LEVELS = ['stop', 'caution', 'note'] as const;
export type AttentionLevel = (typeof ATTENTION_LEVELS)[number];

/** What is known of a lifter who may need the coach. */
export interface AttentionFacts {
  readonly hands: HandsToday;
  /** Bare-handed slips in the last fortnight and in the one before, with the bare-handed sets of each. */
  readonly slips: {
    readonly recent: number;
    readonly recentSets: number;
    readonly before: number;
    readonly beforeSets: number;
  };
  /** Days since the last squeeze test; left out where there was none. */
  readonly daysSinceTest?: number;
  /** Days since the hands were last looked at, null where they never were; left out of a lifter who logs nothing. */
  readonly daysSinceLook?: number | null;
  /** The hook is ready to move, up or back, to the stage named. */
  readonly hook?: { readonly move: 'up' | 'back'; readonly to: string };
  /** Does the club test this lifter at all? */
  readonly tests: boolean;
  /** Both hands or one: down in two squeeze tests running. */
  readonly squeezeDown: readonly Side[];
  /** Closing over opening work of the last week; null with no opening work, left out where no grip work was done. */
  readonly closingToOpening?: number | null;
  /** Meet with its third attempt: chance that the hand holds it, and the chance that is asked. */
  readonly meet?: {
    readonly name: string;
    readonly days: number;
    readonly third?: {
      readonly load: number;
      readonly chance: number;
      readonly asked: number;
      /** The log cannot tell yet. */
      readonly unproven?: boolean;
    };
  };
  /** Conditions of the history that nobody has cleared, in words. */
  readonly uncleared: readonly string[];
}

/** Something that wants the coach's eye, with the one step to where it is mended. */
export interface AttentionFinding {
  readonly ruleId: string;
  readonly level: AttentionLevel;
  readonly text: string;
  readonly step: AttentionStep;
}

/** A rule of the club view. */
export interface AttentionRule {
  readonly id: string;
  readonly level: AttentionLevel;
  readonly step: AttentionStep;
  /** The rule as a coach would say it. */
  readonly reason: string;
  /** What it finds, in words; undefined for nothing. */
  readonly find: (facts: AttentionFacts) => string | undefined;
}

/** Slips in a fortnight below which a rise is chance. */
export const FEWEST_SLIPS = 3;
/** Standard errors by which a share of slips must have risen: chance does so once in ten. */
const RISE_Z = 1.2816;
/** Pain, 0–10, from which the coach should know. */
export const NOTED_PAIN = 4;
/** Days after which a squeeze test is overdue: six weeks. */
export const TEST_OVERDUE_DAYS = 42;
/** Days to a meet within which its third attempt is looked at. */
export const MEET_NEAR_DAYS = 42;

const sides = (facts: AttentionFacts, test: (hand: HandsToday['left']) => boolean): string =>
  SIDES.filter((side) => test(facts.hands[side])).join(' and ');
const said = (found: string, words: (found: string) => string): string | undefined =>
  found ? words(found) : undefined;

/** In the order in which they are read out, gravest first. */
export const ATTENTION_RULES: readonly AttentionRule[] = [
  {
    id: 'attention.unwell',
    level: 'stop',
    step: 'hands',
    reason: 'Unwell, dizzy or faint on the last check: nothing is lifted.',
    find: ({ hands }) => (hands.unwell ? 'Unwell: nothing is lifted' : undefined),
  },
  {
    id: 'attention.numb',
    level: 'stop',
    step: 'hands',
    reason: 'Numbness or spreading pain: nothing is lifted until a clinician has looked.',
    find: (facts) =>
      said(
        sides(facts, (hand) => hand.numb || hand.spreadingPain === true),
        (found) => `Numb or spreading pain, ${found}`,
      ),
  },
  {
    id: 'attention.sharp-pain',
    level: 'stop',
    step: 'hands',
    reason: `Pain of ${SHARP_PAIN} or more: nothing is lifted today.`,
    find: (facts) =>
      said(
        sides(facts, (hand) => PAIN_PARTS.some((part) => (hand[part] ?? 0) >= SHARP_PAIN)),
        (found) => `Sharp pain, ${found}`,
      ),
  },
  {
    id: 'attention.torn-skin',
    level: 'stop',
    step: 'hands',
    reason: 'Torn skin: straps for pulling until it has healed.',
    find: (facts) =>
      said(
        sides(facts, (hand) => hand.palm === 'torn' || hand.thumb === 'torn'),
        (found) => `Torn skin, ${found}`,
      ),
  },
  {
    id: 'attention.finger',
    level: 'stop',
    step: 'hands',
    reason: 'Sprained or dislocated finger: straps for pulling until it has healed.',
    find: (facts) =>
      said(
        sides(facts, (hand) => hand.finger !== 'sound'),
        (found) => `Injured finger, ${found}`,
      ),
  },
  {
    id: 'attention.uncleared',
    level: 'caution',
    step: 'profile',
    reason: 'A condition that a clinician has not cleared.',
    find: ({ uncleared }) => (uncleared.length ? `Not cleared: ${uncleared.join(', ')}` : undefined),
  },
  {
    id: 'attention.pain',
    level: 'caution',
    step: 'hands',
    reason: `Pain of ${NOTED_PAIN} or more in hand, thumb joint, elbow or biceps.`,
    find: (facts: AttentionFacts): string | undefined => {
      const found = SIDES.flatMap((side) => {
        const hand = facts.hands[side];
        const parts = PAIN_PARTS.flatMap((part) =>
          (hand[part] ?? 0) >= NOTED_PAIN && (hand[part] ?? 0) < SHARP_PAIN
            ? [`${PAINS[part]} ${hand[part]}`]
            : [],
        );
        return parts.length ? [`${side} ${parts.join(', ')}`] : [];
      });
      return found.length ? `Pain: ${found.join('; ')} of 10` : undefined;
    },
  },
  {
    id: 'attention.squeeze-down',
    level: 'caution',
    step: 'squeeze',
    reason: 'Down in two squeeze tests running by more than the error of measurement.',
    find: ({ squeezeDown }) =>
      squeezeDown.length ? `Squeeze down twice running, ${squeezeDown.join(' and ')}` : undefined,
  },
  {
    id: 'attention.third-attempt',
    level: 'caution',
    step: 'calls',
    reason: 'A meet is near, and the hand may not hold the third attempt as surely as is asked.',
    find: ({ meet }) =>
      meet?.third && meet.days >= 0 && meet.days <= MEET_NEAR_DAYS && meet.third.chance < meet.third.asked
        ? meet.third.unproven
          ? `${meet.name} ${untilDay(meet.days)}: not known yet whether the hand holds the third attempt`
          : `${meet.name} ${untilDay(meet.days)}: the third attempt holds ${Math.round(meet.third.chance * 100)} times in 100, asked ${Math.round(meet.third.asked * 100)}`
        : undefined,
  },
  {
    id: 'attention.slips-rising',
    level: 'caution',
    step: 'log',
    reason:
      'A larger share of bare-handed sets slipped in the last fortnight than in the one before, by more than chance brings nine times in ten.',
    find: ({ slips }: AttentionFacts): string | undefined => {
      const { recent, recentSets, before, beforeSets } = slips;
      if (recent < FEWEST_SLIPS) return undefined;
      return riseOfShare(recent, recentSets, before, beforeSets) >= RISE_Z
        ? `Slips rising: ${recent} of ${recentSets} bare sets in 14 days, ${before} of ${beforeSets} before`
        : undefined;
    },
  },
  {
    id: 'attention.closing-against-opening',
    level: 'note',
    step: 'holds',
    reason: `Closing work more than ${CLOSING_TO_OPENING_LIMIT} times the opening work, or no opening work at all: the usual road to elbow pain.`,
    find: ({ closingToOpening }) =>
      closingToOpening === null
        ? 'Closes the hand and never opens it this week'
        : closingToOpening !== undefined && closingToOpening > CLOSING_TO_OPENING_LIMIT
          ? `Closing ${closingToOpening.toFixed(0)} times the opening work this week`
          : undefined,
  },
  {
    id: 'attention.hook-moves',
    level: 'note',
    step: 'hands',
    reason:
      'After easy, looked-at sessions the hook may carry more; a tear, blood under the nail or hard pain takes it back.',
    find: ({ hook }) =>
      hook && (hook.move === 'up' ? `Hook may move up to ${hook.to}` : `Hook goes back to ${hook.to}`),
  },
  {
    id: 'attention.look-due',
    level: 'note',
    step: 'hands',
    reason: `Who trains has the hands looked at every ${HANDS_CHECK_HOLDS_DAYS} days: a session without a look counts for nothing.`,
    find: ({ daysSinceLook }) =>
      daysSinceLook === null
        ? 'Trains, and the hands were never looked at'
        : daysSinceLook !== undefined && daysSinceLook > HANDS_CHECK_HOLDS_DAYS
          ? `Hands last looked at ${daysSinceLook} days ago`
          : undefined,
  },
  {
    id: 'attention.test-overdue',
    level: 'note',
    step: 'squeeze',
    reason: `A lifter who is tested goes no longer than ${TEST_OVERDUE_DAYS / 7} weeks without one.`,
    find: ({ tests, daysSinceTest }) =>
      tests && daysSinceTest !== undefined && daysSinceTest > TEST_OVERDUE_DAYS
        ? `Squeeze test overdue: the last one ${daysSinceTest} days ago`
        : undefined,
  },
  {
    id: 'attention.meet-near',
    level: 'note',
    step: 'calls',
    reason: 'Two weeks out the last heavy hold and the openers have to be settled.',
    find: ({ meet }) =>
      meet && meet.days >= 0 && meet.days <= 14 ? `${meet.name} ${untilDay(meet.days)}` : undefined,
  },
];

/** Difference of two shares in standard errors, pooled. Source: the two-proportion score test. */
function riseOfShare(recent: number, recentSets: number, before: number, beforeSets: number): number {
  const [n, m] = [Math.max(recentSets, recent, 1), Math.max(beforeSets, before, 1)];
  const pooled = (recent + before) / (n + m);
  const error = Math.sqrt(pooled * (1 - pooled) * (1 / n + 1 / m));
  return error > 0 ? (recent / n - before / m) / error : 0;
}

const count = whole(0, 1_000_000);
const factsCheck: Check = record<AttentionFacts>({
  hands: handsCheck,
  slips: record<AttentionFacts['slips']>({
    recent: count,
    recentSets: count,
    before: count,
    beforeSets: count,
  }),
  daysSinceTest: optional(range(0, 36_525)),
  daysSinceLook: optional((field, value) => (value === null ? undefined : range(0, 36_525)(field, value))),
  hook: optional(record<NonNullable<AttentionFacts['hook']>>({ move: oneOf(['up', 'back']), to: text(60) })),
  tests: bool,
  squeezeDown: listOf(oneOf(SIDES), 2),
  closingToOpening: optional((field, value) => (value === null ? undefined : range(0, 1e9)(field, value))),
  meet: optional(
    record<NonNullable<AttentionFacts['meet']>>({
      name: text(200),
      days: range(-36_525, 36_525),
      third: optional(
        record<NonNullable<NonNullable<AttentionFacts['meet']>['third']>>({
          load: range(0, 2000),
          chance: range(0, 1),
          asked: range(0, 1),
          unproven: optional(bool),
        }),
      ),
    }),
  ),
  uncleared: listOf(text(200), 100),
});

/**
 * Who needs attention and why: every rule of {@link ATTENTION_RULES} held against what is known of a lifter, the gravest
 * finding first, each with the one step to the page that mends it.
 * @throws InvalidInputError naming the fact that cannot be used.
 * @example
 * findAttention({ hands: { left: { ...SOUND_HAND, palm: 'torn' }, right: SOUND_HAND }, slips: { recent: 0, recentSets: 10, before: 0, beforeSets: 10 }, tests: false, squeezeDown: [], uncleared: [] }).map((each) => each.ruleId)
 * // ['attention.torn-skin']
 */
export function findAttention(facts: AttentionFacts): AttentionFinding[] {
  factsCheck('', facts);
  return ATTENTION_RULES.flatMap(({ id, level, step, find }) => {
    const found = find(facts);
    return found ? [{ ruleId: id, level, text: found, step }] : [];
  });
}
