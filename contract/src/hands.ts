import { IsISO8601, IsObject } from 'class-validator';
import type {
  HookMove,
  HookStage,
  MixedLedger,
  Side,
  SkinBudget,
  HandsToday,
  SetRole,
} from '@iron-clasp/core';
import type { KnownHistory } from './lifters.ts';

/** A hands check under a client-made id; the core says what is wrong with the hands. */
export class HandsCheckRequest {
  @IsObject({ message: 'Say how both hands are.' })
  hands: HandsToday;

  @IsISO8601({ strict: true }, { message: 'The time of the check is not a date and time.' })
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
