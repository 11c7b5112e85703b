import { HISTORY_KINDS, SIDES, type HistoryFlag, type HistoryKind, type Side } from '@iron-clasp/core';
import { Day, Flag, OneOf, Optional } from './fields.ts';

export const HISTORY_MESSAGE =
  'Each entry says what it is, which side, whether it is cleared, and since which day if known.';

/** An entry of history with the day since which it is known. */
export type KnownHistory = HistoryFlag & { readonly since?: string };

/** An entry of history with the day since which it is known. */
export class HistoryBody implements HistoryFlag {
  @OneOf(HISTORY_KINDS, HISTORY_MESSAGE)
  kind: HistoryKind;

  @Optional()
  @OneOf(SIDES, HISTORY_MESSAGE)
  side?: Side;

  @Flag(HISTORY_MESSAGE)
  cleared: boolean;

  @Optional()
  @Day(HISTORY_MESSAGE)
  since?: string;
}
