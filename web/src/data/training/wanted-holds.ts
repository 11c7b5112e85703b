import type { CallsView } from '@iron-clasp/contract';
import type { HoldPrescription } from '@iron-clasp/core';

/** A hold that a session asks for. */
export interface WantedHold {
  readonly hold: HoldPrescription;
  /** Holds of this kind done so far. */
  readonly done: number;
}

/** The holds that a session asks for; one that is barred is none. */
export function wantedHolds(
  holds: CallsView['holds'],
  holdsDone: readonly Pick<CallsView['holdsDone'][number], 'kind'>[],
): WantedHold[] {
  return holds.flatMap(({ hold }) =>
    hold && !hold.barred ? [{ hold, done: holdsDone.filter(({ kind }) => kind === hold.kind).length }] : [],
  );
}

/** How much of a session is done, sets and holds alike: more holds than are asked for are no more of the whole. */
export function countDone(
  sets: readonly { readonly done: unknown }[],
  wanted: readonly WantedHold[],
): { done: number; of: number } {
  const sum = (of: (each: WantedHold) => number): number =>
    wanted.reduce((total, each) => total + of(each), 0);
  return {
    done: sets.filter((set) => set.done).length + sum(({ hold, done }) => Math.min(done, hold.sets)),
    of: sets.length + sum(({ hold }) => hold.sets),
  };
}
