import type { AttentionLevel, HandsToday, Sport } from '@iron-clasp/core';

/** One lifter on the rack. */
export interface RackRow {
  readonly id: string;
  readonly name: string;
  readonly sport: Sport;
  readonly nextSession: { readonly id: string; readonly on: string; readonly title: string } | null;
  readonly meet: { readonly name: string; readonly on: string; readonly days: number } | null;
  readonly hands: HandsToday;
  /** Day of the check behind `hands`; null where nobody has looked. */
  readonly handsOn: string | null;
  readonly flag: { readonly level: AttentionLevel; readonly text: string } | null;
}

export interface RackView {
  readonly today: string;
  /** Ordered by who needs attention. */
  readonly lifters: readonly RackRow[];
  /** Lifters of the club that match, on this page and the others. */
  readonly total: number;
  /** What to ask the next page with; null where this is the last. */
  readonly next: string | null;
}

/** Everybody who trains today, by name. */
export interface TodayView {
  readonly today: string;
  readonly sessions: readonly {
    readonly id: string;
    readonly lifterId: string;
    readonly lifterName: string;
    readonly title: string;
    readonly venue: string;
  }[];
}
