import {
  FINGER_STATES,
  LIMITS,
  NAIL_STATES,
  SKIN_STATES,
  type FingerState,
  type HandsToday,
  type HandToday,
  type HookMove,
  type HookStage,
  type MixedLedger,
  type NailState,
  type SetRole,
  type Side,
  type SkinBudget,
  type SkinState,
} from '@iron-clasp/core';
import { Flag, Moment, OneOf, Optional, Part, Whole } from './fields.ts';
import type { KnownHistory } from './history.ts';

const PAIN = 'Pain must be a whole number from 0 to 10.';
const SKIN = 'Skin must be sound, callused, tender or torn.';

/** One hand as a check sees it. */
export class HandBody implements HandToday {
  @OneOf(SKIN_STATES, SKIN)
  palm: SkinState;

  @OneOf(SKIN_STATES, SKIN)
  thumb: SkinState;

  @OneOf(FINGER_STATES, 'A finger must be sound, sprained or dislocated.')
  finger: FingerState;

  @Flag('Say whether the hand is numb.')
  numb: boolean;

  @Whole(LIMITS.pain, PAIN)
  pain: number;

  @Whole(LIMITS.pain, PAIN)
  elbowPain: number;

  @Optional()
  @OneOf(NAIL_STATES, 'The nail must be sound, split or bleeding.')
  nail?: NailState;

  @Optional()
  @Whole(LIMITS.pain, PAIN)
  thumbJointPain?: number;

  @Optional()
  @Whole(LIMITS.pain, PAIN)
  wristPain?: number;

  @Optional()
  @Whole(LIMITS.pain, PAIN)
  bicepsPain?: number;

  @Optional()
  @Flag('Say whether the pain spreads.')
  spreadingPain?: boolean;
}

/** Both hands. */
export class HandsBody implements HandsToday {
  @Part(() => HandBody, 'Say how the left hand is.')
  left: HandBody;

  @Part(() => HandBody, 'Say how the right hand is.')
  right: HandBody;

  /** Dizzy, faint or otherwise unwell: nothing is lifted until a check says otherwise. */
  @Optional()
  @Flag('Say whether the lifter is unwell.')
  unwell?: boolean;
}

/** A hands check under a client-made id. */
export class HandsCheckRequest {
  @Part(() => HandsBody, 'Say how both hands are.')
  hands: HandsToday;

  @Moment('The time of the check is not a date and time.')
  checkedAt: string;
}

/** A kept hands check, and which calls of the next session it changed. */
export interface HandsCheckView {
  readonly hands: HandsToday;
  readonly checkedOn: string;
  readonly changed: readonly {
    readonly liftName: string;
    readonly role: SetRole;
    readonly load: number;
    readonly before: string;
    readonly after: string;
  }[];
}

/** The lifter's hands over time, the latest first. */
export interface HandsHistoryView {
  readonly now: HandsToday;
  readonly checkedOn: string | null;
  readonly stale: boolean;
  /** The hook: where it stands, the rule that would move it, and what this week has cost the skin. */
  readonly hook: {
    readonly stage: HookStage;
    readonly next: HookMove;
    readonly sessions: number;
    readonly budget: SkinBudget;
  };
  readonly ledger: MixedLedger;
  readonly nextUnder: Side;
  readonly history: readonly KnownHistory[];
  /** Tape, nails and skin: what to see to, in words. */
  readonly reminders: readonly string[];
  readonly checks: readonly {
    readonly id: string;
    readonly on: string;
    readonly by: string | null;
    readonly hands: HandsToday;
  }[];
}
