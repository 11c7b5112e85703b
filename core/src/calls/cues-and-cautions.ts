import type { ChalkKind } from '../clasp-curve/types.ts';
import { SIDES } from '../hands/hand-state.ts';
import {
  CHALK_CUES,
  FAMILY_CAUTIONS,
  GRIP_CUES,
  HISTORY_CAUTIONS,
  STRAP_CAUTION,
  TAPE_CUE,
  TORN_SKIN_CAUTION,
} from './cues.ts';
import type { CallContext, GripChoice } from './types.ts';

/** What to say when the set is set up. */
export function cues(context: CallContext, choice: GripChoice | null, chalk: ChalkKind): string[] {
  if (!choice) return [];
  const learning = choice === 'hook' && context.lifter.hookStage !== 'settled';
  const tape = learning && (!context.event || context.event.thumbTape) ? [TAPE_CUE] : [];
  const chalkCue = CHALK_CUES[chalk];
  return [...GRIP_CUES[choice], ...tape, ...(chalkCue && context.set.role !== 'warmup' ? [chalkCue] : [])];
}

/** Cautions of this lifter, lift and choice. */
export function cautions(context: CallContext, choice: GripChoice | null): string[] {
  const { lifter, set } = context;
  const torn = SIDES.some(
    (side) => lifter.hands[side].palm === 'torn' || lifter.hands[side].thumb === 'torn',
  );
  return [
    ...(choice === 'straps' ? [STRAP_CAUTION] : []),
    ...(torn ? [TORN_SKIN_CAUTION] : []),
    ...(FAMILY_CAUTIONS[set.lift.family] ?? []),
    ...lifter.flags
      .filter((flag) => !flag.cleared || (flag.kind === 'thumbArthritis' && choice === 'hook'))
      .map((flag) => HISTORY_CAUTIONS[flag.kind]),
  ];
}
