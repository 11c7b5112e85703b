import { GRIPS } from '../clasp-curve/types.ts';
import { GRIP_NAMES } from './say-call.ts';
import { SIDES, type HandToday, type HistoryKind, type Side } from '../hands/hand-state.ts';
import type { SetRole } from './set-role.ts';
import type { CallLifter, EventRules, GripChoice, Reason, ReasonRank } from './types.ts';
import { GRIP_CHOICES } from './types.ts';
import type { Lift } from '../set-demand/lift.ts';

/** What a rule may look at: the lifter today, the lift and role, and the rulebook of the day. */
export interface RuleFacts {
  readonly lifter: CallLifter;
  readonly lift: Lift;
  readonly role: SetRole;
  readonly reps: number;
  readonly event?: EventRules;
}

/** What a rule takes away: grip choices, or a side that may not be turned under. */
export interface Removal {
  readonly choices: readonly GripChoice[];
  readonly sidesUnder: readonly Side[];
  /** Named where the wording depends on the case (a side, a lift). */
  readonly text?: string;
}

/** A rule that bars something whatever school and coach say (ranks safety to lift), or limits it for now (adaptation). */
export interface CallRule {
  readonly id: string;
  readonly rank: Extract<ReasonRank, 'safety' | 'event' | 'venue' | 'lift' | 'adaptation'>;
  /** The sentence a coach would say. */
  readonly reason: string;
  /** Undefined where the rule does not apply. */
  readonly removes: (facts: RuleFacts) => Removal | undefined;
}

const BARE: readonly GripChoice[] = ['doubleOverhand', 'mixed', 'hook'];

const sidesWhere = (lifter: CallLifter, test: (hand: HandToday) => boolean): Side[] =>
  SIDES.filter((side) => test(lifter.hands[side]));
const flaggedSides = (lifter: CallLifter, kind: HistoryKind): Side[] =>
  lifter.flags.filter((flag) => flag.kind === kind).flatMap((flag) => (flag.side ? [flag.side] : [...SIDES]));
const named = (sides: readonly Side[]): string => sides.join(' and ');

function whereHand(
  test: (hand: HandToday) => boolean,
  choices: readonly GripChoice[],
  text: (sides: string) => string,
) {
  return ({ lifter }: RuleFacts): Removal | undefined => {
    const sides = sidesWhere(lifter, test);
    return sides.length ? { choices, sidesUnder: [], text: text(named(sides)) } : undefined;
  };
}

function neverUnder(kind: HistoryKind, text: (sides: string) => string) {
  return ({ lifter }: RuleFacts): Removal | undefined => {
    const sides = flaggedSides(lifter, kind);
    return sides.length ? { choices: [], sidesUnder: sides, text: text(named(sides)) } : undefined;
  };
}

/** Roles in which each hook stage lets the hook be used. */
const HOOK_ROLES: Record<CallLifter['hookStage'], readonly SetRole[]> = {
  none: [],
  learn: ['warmup'],
  build: ['warmup', 'accessory', 'volume'],
  carry: ['warmup', 'accessory', 'volume', 'top', 'attempt'],
  settled: ['warmup', 'accessory', 'volume', 'backoff', 'top', 'attempt'],
};

/** Every rule that takes a grip away before school and coach are heard. */
export const CALL_RULES: readonly CallRule[] = [
  {
    id: 'safety.numbness-stop',
    rank: 'safety',
    reason: 'Numbness or tingling: stop, no gripping today; refer to a clinician.',
    removes: whereHand(
      (hand) => hand.numb,
      GRIP_CHOICES,
      (sides) => `Numbness or tingling in the ${sides} hand: stop, no gripping today; refer to a clinician.`,
    ),
  },
  {
    id: 'safety.biceps-never-supinated',
    rank: 'safety',
    reason: 'A hand with a biceps injury or repair is never turned under.',
    removes: neverUnder(
      'bicepsTendon',
      (sides) => `Biceps injury or repair on the ${sides}: that hand is never turned under.`,
    ),
  },
  {
    id: 'safety.shoulder-never-supinated',
    rank: 'safety',
    reason: 'A hand below a troubled shoulder is never turned under.',
    removes: neverUnder(
      'shoulder',
      (sides) => `Shoulder trouble on the ${sides}: that hand is never turned under.`,
    ),
  },
  {
    id: 'safety.torn-callus-straps',
    rank: 'safety',
    reason: 'Torn callus: straps for pulling until it has healed.',
    removes: whereHand(
      (hand) => hand.palm === 'torn',
      BARE,
      (sides) => `Torn callus on the ${sides} hand: straps for pulling until it has healed.`,
    ),
  },
  {
    id: 'safety.finger-injury-straps',
    rank: 'safety',
    reason: 'Sprained or dislocated finger: straps for pulling until it has healed.',
    removes: whereHand(
      (hand) => hand.finger !== 'sound',
      BARE,
      (sides) => `Injured finger on the ${sides} hand: straps for pulling until it has healed.`,
    ),
  },
  {
    id: 'safety.damaged-thumb-no-hook',
    rank: 'safety',
    reason: 'No hook on damaged thumb skin.',
    removes: whereHand(
      (hand) => hand.thumb === 'torn',
      ['hook'],
      (sides) => `Thumb skin torn on the ${sides}: no hook until it has healed.`,
    ),
  },
  {
    id: 'safety.thumb-arthritis-hook-top-only',
    rank: 'safety',
    reason: 'Thumb-joint arthritis: hook on top sets only, and stop on joint pain.',
    removes: ({ lifter, role }) =>
      flaggedSides(lifter, 'thumbArthritis').length && role !== 'top' && role !== 'attempt'
        ? { choices: ['hook'], sidesUnder: [] }
        : undefined,
  },
  {
    id: 'event.straps-barred',
    rank: 'event',
    reason: 'The rulebook of the day bars straps.',
    removes: ({ event }) =>
      event && !event.straps
        ? { choices: ['straps'], sidesUnder: [], text: `${event.name}: the rulebook bars straps.` }
        : undefined,
  },
  {
    id: 'lift.straps-not-admitted',
    rank: 'lift',
    reason: 'The lift does not admit straps.',
    removes: ({ lift }) =>
      lift.straps.allowed
        ? undefined
        : { choices: ['straps'], sidesUnder: [], text: sentence(`${lift.name}: ${lift.straps.reason}`) },
  },
  {
    id: 'lift.no-straps-on-snatch-singles',
    rank: 'lift',
    reason: 'No straps on snatch singles or doubles unless the hands are damaged.',
    removes: ({ lift, reps, lifter }) =>
      lift.family === 'snatch' &&
      reps < 3 &&
      !sidesWhere(lifter, (hand) => hand.palm === 'torn' || hand.thumb === 'torn').length
        ? { choices: ['straps'], sidesUnder: [] }
        : undefined,
  },
  {
    id: 'lift.grip-not-admitted',
    rank: 'lift',
    reason: 'The grip has no place on this lift.',
    removes: ({ lift }: RuleFacts): Removal | undefined => {
      const choices = GRIPS.filter((grip) => !lift.admits.includes(grip));
      if (!lift.grips || choices.length === 0) return undefined;
      return {
        choices,
        sidesUnder: [],
        text: `${lift.name}: no place for ${choices.map((grip) => GRIP_NAMES[grip]).join(' or ')} grip on this lift.`,
      };
    },
  },
  {
    id: 'adaptation.hook-stage',
    rank: 'adaptation',
    reason: 'The hook is built up in stages so that skin and thumbs keep pace.',
    removes: ({ lifter, role }) =>
      HOOK_ROLES[lifter.hookStage].includes(role)
        ? undefined
        : { choices: ['hook'], sidesUnder: [], text: HOOK_STAGE_TEXT[lifter.hookStage] },
  },
];

const HOOK_STAGE_TEXT: Record<CallLifter['hookStage'], string> = {
  none: 'No hook yet: it has not been started with this lifter.',
  learn: 'Hook stage “learn”: warm-ups only until pain is 3 or less and the skin is sound.',
  build: 'Hook stage “build”: warm-ups and light work, not yet the heavy sets.',
  carry: 'Hook stage “carry”: top sets carry it, the back-offs spare the skin.',
  settled: 'The hook is settled.',
};

function sentence(text: string): string {
  return text.endsWith('.') ? text : `${text}.`;
}

/** Everything the rules take away from a set. */
export interface Barred {
  /** The first rule, in order of rank, that takes each choice away. */
  readonly choices: ReadonlyMap<GripChoice, Reason>;
  readonly sidesUnder: ReadonlyMap<Side, Reason>;
  /** Rules that took something away here, in order. */
  readonly fired: readonly Reason[];
}

/** Reads all rules; both sides barred from turning under bars the mixed grip by the same rule. */
export function applyRules(facts: RuleFacts, rules: readonly CallRule[] = CALL_RULES): Barred {
  const choices = new Map<GripChoice, Reason>();
  const sidesUnder = new Map<Side, Reason>();
  const fired: Reason[] = [];
  for (const rule of rules) {
    const removal = rule.removes(facts);
    if (!removal) continue;
    const reason: Reason = { ruleId: rule.id, rank: rule.rank, text: removal.text ?? rule.reason };
    fired.push(reason);
    for (const choice of removal.choices) if (!choices.has(choice)) choices.set(choice, reason);
    for (const side of removal.sidesUnder) if (!sidesUnder.has(side)) sidesUnder.set(side, reason);
  }
  if (sidesUnder.size === SIDES.length && !choices.has('mixed'))
    choices.set('mixed', [...sidesUnder.values()][0]!);
  return { choices, sidesUnder, fired };
}
