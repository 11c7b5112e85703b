import { handsCheck } from '../calls/check-call.ts';
import { SPLIT_NAIL } from '../calls/safety-rules.ts';
import { capital } from '../calls/plain-words.ts';
import { oneOf, optional, range, record, text, type Check } from '../shape.ts';
import { HOOK_STAGES, SIDES, type HandsToday, type HookStage } from './hand-state.ts';

export interface ReminderFacts {
  readonly hands: HandsToday;
  readonly hookStage: HookStage;
  /** Share of this week's skin budget that is spent; left out where there is no budget. */
  readonly skinSpent?: number;
  /** The next meet, and the days to it. */
  readonly meet?: { readonly name: string; readonly days: number };
}

/** What to see to on the hands, by rule. */
export interface ReminderRule {
  readonly id: string;
  readonly text: string;
  readonly when: (facts: ReminderFacts) => boolean;
}

/** Share of the skin budget from which the week is nearly spent. */
const NEARLY_SPENT = 0.8;

const any = ({ hands }: ReminderFacts, test: (hand: HandsToday['left']) => boolean): boolean =>
  SIDES.some((side) => test(hands[side]));
const hooks = ({ hookStage }: ReminderFacts): boolean => hookStage !== 'none';

/** Days before a meet by which a hook has to carry top sets, or is left for after it: four weeks of heavy singles. */
export const HOOK_GO_NO_GO_DAYS = 28;

/** A hook on its way, not yet carried to top sets. */
const onItsWay = ({ hookStage }: ReminderFacts): boolean => hookStage === 'learn' || hookStage === 'build';

/** Tape, nails, calluses and skin, in the order in which they are said. Source: the trade's care of the hands. */
export const REMINDER_RULES: readonly ReminderRule[] = [
  {
    id: 'hands.torn-care',
    text: 'Torn skin: clean it, trim the loose edge, cover it; straps for pulling until it has closed. Blood on a bar is cleaned before the next lifter.',
    when: (facts) => any(facts, (hand) => hand.palm === 'torn' || hand.thumb === 'torn'),
  },
  {
    id: 'hands.tender-one-less',
    text: 'Tender skin: one hard bare-handed set less today, and no hook on volume.',
    when: (facts) => any(facts, (hand) => hand.palm === 'tender' || hand.thumb === 'tender'),
  },
  {
    id: 'hands.unwell',
    text: 'Unwell: nothing is lifted until a physician has been asked and a new check says well.',
    when: ({ hands }) => hands.unwell === true,
  },
  {
    id: 'hands.callus-flat',
    text: 'Calluses: keep them flat with a file after a shower, before they catch.',
    when: (facts) => any(facts, (hand) => hand.palm === 'callused'),
  },
  {
    id: 'hands.tape-thumb',
    text: 'Tape for the hook: one turn above and one below the knuckle, the end of the thumb covered; where the rules of the meet allow it.',
    when: (facts) => hooks(facts) && any(facts, (hand) => hand.thumb === 'tender' || hand.pain >= 2),
  },
  {
    id: 'hands.nail-long',
    text: 'Thumb nails a little long: cut short they press into the bed under the hook.',
    when: (facts) => hooks(facts),
  },
  {
    id: 'hands.nail-split',
    text: `${capital(SPLIT_NAIL)}.`,
    when: (facts) => any(facts, (hand) => hand.nail === 'split'),
  },
  {
    id: 'hands.nail-bleeding',
    text: 'Blood under the nail: no hook at all until it has healed.',
    when: (facts) => any(facts, (hand) => hand.nail === 'bleeding'),
  },
  {
    id: 'hands.hook-go-no-go',
    text: `A hook that does not carry top sets ${HOOK_GO_NO_GO_DAYS} days before the meet is left for after it: that day is go or no-go.`,
    when: (facts) => facts.meet !== undefined && onItsWay(facts) && facts.meet.days > HOOK_GO_NO_GO_DAYS,
  },
  {
    id: 'hands.hook-no-go',
    text: 'The meet is closer than four weeks and the hook does not carry top sets yet: no-go, pull the meet with the grip that is practised.',
    when: (facts) =>
      facts.meet !== undefined &&
      onItsWay(facts) &&
      facts.meet.days >= 0 &&
      facts.meet.days <= HOOK_GO_NO_GO_DAYS,
  },
  {
    id: 'hands.budget-nearly-spent',
    text: 'This week’s skin budget is nearly spent: the rest of the week without the hook.',
    when: ({ skinSpent }) => (skinSpent ?? 0) >= NEARLY_SPENT,
  },
];

const factsCheck: Check = record<ReminderFacts>({
  hands: handsCheck,
  hookStage: oneOf(HOOK_STAGES),
  skinSpent: optional(range(0, 1e6)),
  meet: optional(
    record<NonNullable<ReminderFacts['meet']>>({ name: text(200), days: range(-36_525, 36_525) }),
  ),
});

/**
 * What to see to on the hands: tape, nails, calluses, torn skin and the skin budget, by {@link REMINDER_RULES}.
 * @throws InvalidInputError naming the fact that cannot be used.
 * @example handReminders({ hands: { left: { ...SOUND_HAND, palm: 'callused' }, right: SOUND_HAND }, hookStage: 'none' }).length // 1
 */
export function handReminders(facts: ReminderFacts): string[] {
  factsCheck('', facts);
  return REMINDER_RULES.filter(({ when }) => when(facts)).map(({ text }) => text);
}
