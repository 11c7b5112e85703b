import type { ChalkKind } from '../clasp-curve/types.ts';
import { SIDES, type HandToday, type HistoryKind } from '../hands/hand-state.ts';
import type { StrapType } from '../set-demand/lift.ts';
import { GRIP_CAUTIONS } from './grip-cautions.ts';
import { HISTORY_CAUTIONS } from './history-cautions.ts';
import type { RuleFacts } from './rules.ts';
import { isDamaged, isHeavyOrLastWarmUp } from './safety-rules.ts';
import { NO_MAXIMAL_UNTIL_CLEARED, SORE_ELBOW } from './strain.ts';
import type { GripChoice } from './types.ts';

/** What a cue or caution may look at: the set, and what was called for it. */
export interface AdviceFacts extends RuleFacts {
  readonly choice: GripChoice | null;
  readonly chalk: ChalkKind;
  /** The rulebook of the day bars thumb tape. */
  readonly noTape?: boolean;
  readonly strapType?: StrapType;
  /** Hard holds already done in the session. */
  readonly earlierHolds: number;
}

/** A sentence that stands where it applies: a cue to say when the set is set up, or a caution. */
export interface Advice {
  readonly id: string;
  readonly kind: 'cue' | 'caution';
  readonly text: string;
  readonly when: (facts: AdviceFacts) => boolean;
}

const gripIs =
  (choice: GripChoice) =>
  (facts: AdviceFacts): boolean =>
    facts.choice === choice;
const anyHand = ({ lifter }: AdviceFacts, test: (hand: HandToday) => boolean): boolean =>
  SIDES.some((side) => test(lifter.hands[side]));
const uncleared =
  (kind: HistoryKind) =>
  ({ lifter }: AdviceFacts): boolean =>
    lifter.flags.some((flag) => flag.kind === kind && !flag.cleared);
const isHold = ({ lift }: AdviceFacts): boolean => lift.family === 'hold';

/** Reps from which a bare grip is better set afresh each time. */
const MANY_REPS = 5;

/** What to say when the set is set up. */
export const CUES: readonly Advice[] = [
  {
    id: 'cue.double-overhand',
    kind: 'cue',
    text: 'Bar at the base of the fingers, squeeze before it leaves the floor.',
    when: (facts) => facts.choice === 'doubleOverhand' && facts.lift.family !== 'hang',
  },
  {
    id: 'cue.mixed-arms-long',
    kind: 'cue',
    text: 'Arms long, elbows locked.',
    when: gripIs('mixed'),
  },
  {
    id: 'cue.mixed-bar-close',
    kind: 'cue',
    text: 'Keep the bar against the legs on the side turned under.',
    when: gripIs('mixed'),
  },
  {
    id: 'cue.hook-thumb',
    kind: 'cue',
    text: 'Thumb down the back of the bar, turn from its base, wrist in line with the middle finger.',
    when: gripIs('hook'),
  },
  {
    id: 'cue.hook-fingers',
    kind: 'cue',
    text: 'Two or three fingers over the thumb, then pull back into it.',
    when: gripIs('hook'),
  },
  {
    id: 'cue.hook-tape',
    kind: 'cue',
    text: 'Tape the thumb: one turn above and one below the knuckle.',
    when: ({ choice, lifter, noTape }) => choice === 'hook' && lifter.hookStage !== 'settled' && !noTape,
  },
  {
    id: 'cue.hook-nail',
    kind: 'cue',
    text: 'Split nail: tape over it, and leave the nail a little longer.',
    when: (facts) => facts.choice === 'hook' && anyHand(facts, (hand) => hand.nail === 'split'),
  },
  {
    id: 'cue.hook-third-finger',
    kind: 'cue',
    text: 'Two fingers reach the thumb: get some of the third over it.',
    when: ({ choice, lifter }) => choice === 'hook' && lifter.thumbFingers === 2,
  },
  {
    id: 'cue.arthritis-thumbless',
    kind: 'cue',
    text: 'Thumb joint: thumb beside the fingers, not around the bar; straps if the joint is felt.',
    when: ({ choice, lifter, role }) =>
      choice === 'doubleOverhand' &&
      (role === 'volume' || role === 'backoff') &&
      lifter.flags.some((flag) => flag.kind === 'thumbArthritis'),
  },
  {
    id: 'cue.clean-grip',
    kind: 'cue',
    text: 'Clean-grip: hands where they are for the clean, hook set before the hips drop, arms long to lockout.',
    when: ({ lift }) => lift.id === 'deadlift.clean-grip',
  },
  {
    id: 'cue.straps-put-on',
    kind: 'cue',
    text: 'Non-dominant hand first; the strap goes under the bar and winds inwards.',
    when: ({ choice, strapType }) => choice === 'straps' && strapType !== 'figureEight',
  },
  {
    id: 'cue.figure-eight-put-on',
    kind: 'cue',
    text: 'Hand through one loop, strap under the bar, hand through the other; non-dominant hand first.',
    when: ({ choice, strapType }) => choice === 'straps' && strapType === 'figureEight',
  },
  { id: 'cue.straps-squeeze', kind: 'cue', text: 'Squeeze all the same.', when: gripIs('straps') },
  {
    id: 'cue.grip-afresh',
    kind: 'cue',
    text: 'Set the grip afresh each repetition.',
    when: ({ choice, lift, reps }) =>
      choice !== null && choice !== 'straps' && !lift.timed && !lift.continuous && reps >= MANY_REPS,
  },
  {
    id: 'cue.thumb-clamped',
    kind: 'cue',
    text: 'Thumb clamped on the index or middle finger.',
    when: (facts) => isHold(facts) && facts.choice === 'doubleOverhand',
  },
  {
    id: 'cue.sumo-thighs',
    kind: 'cue',
    text: 'Large thighs: hook or double overhand clears them sooner; lock knees and shoulders together.',
    when: ({ lift, lifter }) => lift.id === 'deadlift.sumo' && lifter.tightThighs === true,
  },
  {
    id: 'cue.squat-chalk',
    kind: 'cue',
    text: 'Back chalked at bar height by a partner; alone, chalk the hands thickly and take it to the bar.',
    when: ({ lift, sweat, chalk }) => lift.family === 'squat' && sweat === true && chalk !== 'none',
  },
  {
    id: 'cue.liquid-chalk',
    kind: 'cue',
    text: 'Liquid chalk: a small dab, rub in, let it dry before the bar.',
    when: ({ choice, chalk, role, lift }) =>
      choice !== null && lift.chalk && chalk === 'liquid' && role !== 'warmup',
  },
  {
    id: 'cue.no-chalk',
    kind: 'cue',
    text: 'No chalk here: dry hands and bar at the contact points.',
    when: ({ choice, chalk, role, lift }) =>
      choice !== null && lift.chalk && chalk === 'none' && role !== 'warmup',
  },
];

const history: readonly Advice[] = (Object.keys(HISTORY_CAUTIONS) as HistoryKind[]).map((kind) => ({
  id: `caution.history.${kind}`,
  kind: 'caution',
  text: HISTORY_CAUTIONS[kind],
  when:
    kind === 'thumbArthritis'
      ? (facts) =>
          facts.lifter.flags.some((flag) => flag.kind === kind && (!flag.cleared || facts.choice === 'hook'))
      : uncleared(kind),
}));

/** Pain of a hand, 0–10, from which it is minded in all that the hand does; sharp pain stops everything. */
const SORE_HAND = 4;

/** Cautions, each where it applies. */
export const CAUTIONS: readonly Advice[] = [
  {
    id: 'caution.strapped-bar',
    kind: 'caution',
    text: GRIP_CAUTIONS.strappedBar,
    // A stack of plates on a cable, or the lifter's own body, falls on nobody else.
    when: ({ choice, lift }) =>
      choice === 'straps' && !lift.needs.includes('cable') && lift.loadMeans !== 'addedToBody',
  },
  {
    id: 'caution.fixed-straps',
    kind: 'caution',
    text: GRIP_CAUTIONS.fixedStraps,
    when: ({ choice, strapType }) =>
      choice === 'straps' && (strapType === 'figureEight' || strapType === 'heavyDuty'),
  },
  {
    id: 'caution.blood-on-bar',
    kind: 'caution',
    text: 'Cover the torn skin; blood on a bar is cleaned before the next lifter.',
    when: (facts) =>
      anyHand(facts, (hand) => hand.palm === 'torn' || hand.thumb === 'torn' || hand.nail === 'bleeding'),
  },
  {
    id: 'caution.torn-callus-at-a-meet',
    kind: 'caution',
    text: 'Torn callus, and straps are barred today: cover it as the rulebook allows, or leave the lift out; the coach decides.',
    when: (facts) =>
      facts.event?.straps === false &&
      !facts.event.rehearsal &&
      facts.choice !== null &&
      anyHand(facts, (hand) => hand.palm === 'torn'),
  },
  {
    id: 'caution.palm-up-after-biceps',
    kind: 'caution',
    text: 'Biceps injury or repair: palm-up work stays light and is the coach’s decision.',
    when: ({ lift, lifter }) =>
      lift.position === 'supinated' && lifter.flags.some((flag) => flag.kind === 'bicepsTendon'),
  },
  {
    id: 'caution.arthritis-joint',
    kind: 'caution',
    text: GRIP_CAUTIONS.arthritisJoint,
    when: (facts) =>
      facts.choice === 'hook' &&
      isHeavyOrLastWarmUp(facts) &&
      facts.lifter.flags.some((flag) => flag.kind === 'thumbArthritis'),
  },
  {
    id: 'caution.breath',
    kind: 'caution',
    text: 'Breathe through the set: the breath is not held until a clinician has cleared it.',
    when: (facts) =>
      NO_MAXIMAL_UNTIL_CLEARED.some((kind) => uncleared(kind)(facts)) && facts.role !== 'warmup',
  },
  {
    id: 'caution.safety-pins',
    kind: 'caution',
    text: 'Set the safety pins; feet clear of the bar.',
    when: isHold,
  },
  {
    id: 'caution.stop-on-pain',
    kind: 'caution',
    text: 'Stop on sharp pain, numbness or dizziness.',
    when: ({ lift }) => lift.family === 'hold' || lift.family === 'hang' || lift.family === 'pinch',
  },
  {
    id: 'caution.carry-lane',
    kind: 'caution',
    text: 'Clear the lane; feet free of the handles.',
    when: ({ lift }) => lift.family === 'carry',
  },
  {
    id: 'caution.holds-before-main-lift',
    kind: 'caution',
    text: 'Hard holds were done before this pull: holds come after the main lifts.',
    when: ({ lift, earlierHolds, role }) =>
      earlierHolds > 0 && lift.family === 'deadlift' && (role === 'top' || role === 'attempt'),
  },
  {
    id: 'caution.elbow-pain',
    kind: 'caution',
    text: 'Elbow pain: go easy on closing work, keep opening work in, and ask a physiotherapist if it stays.',
    when: (facts) => facts.lift.kind !== null && anyHand(facts, (hand) => hand.elbowPain >= SORE_ELBOW),
  },
  {
    id: 'caution.wrist-pain',
    kind: 'caution',
    text: 'Wrist pain: wrist straight under the load, easy on closing work; ask a physiotherapist if it stays.',
    when: (facts) =>
      facts.lift.family !== 'squat' && anyHand(facts, ({ wristPain = 0 }) => wristPain >= SORE_ELBOW),
  },
  {
    id: 'caution.hand-pain',
    kind: 'caution',
    text: 'Pain in the hand: less of what is felt there; stop if it turns sharp.',
    // Of a damaged hand the rules about the damage speak.
    when: (facts) =>
      facts.lift.family !== 'squat' && anyHand(facts, (hand) => hand.pain >= SORE_HAND && !isDamaged(hand)),
  },
  {
    id: 'caution.rulebook',
    kind: 'caution',
    text: 'The rulebook of the day comes first: have it checked.',
    when: ({ event, role }) => event !== undefined && role === 'attempt',
  },
  ...history,
];

/** The sentences that apply, in order. */
export function advise(facts: AdviceFacts, advice: readonly Advice[]): string[] {
  return advice.filter((each) => each.when(facts)).map((each) => each.text);
}
