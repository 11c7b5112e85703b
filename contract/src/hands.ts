import { IsISO8601, IsObject } from 'class-validator';
import type { HandsToday, SetRole } from '@iron-clasp/core';

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
  readonly checks: readonly {
    readonly id: string;
    readonly on: string;
    readonly by: string | null;
    readonly hands: HandsToday;
  }[];
}
