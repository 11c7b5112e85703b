import type { HoldKind } from './hold-kinds.ts';
import type { HoldSession } from './progression.ts';

/** The holes of the rack at hand, and the one that the coach chose. Heights mm above the floor, from low to high. */
export interface RackPins {
  readonly heights: readonly number[];
  /** Left out, the pin of the last hold of the kind stays. */
  readonly chosen?: number;
}

/** The pin a hold starts from. */
export interface HoldPin {
  /** mm above the floor. */
  readonly height: number;
  /** Of the rack at hand, counted from the floor; null where its holes are not listed. */
  readonly hole: number | null;
}

/** Pins this close, mm, are the same: racks are measured with a tape. */
export const SAME_PIN_MM = 20;

/** Were two holds done from the same pin? One whose pin nobody noted is compared with any. */
export function samePin(a: number | undefined, b: number | undefined): boolean {
  return a === undefined || b === undefined || Math.abs(a - b) <= SAME_PIN_MM;
}

/** The pin of the next hold, and how it is said; no pin where none is known, or where the kind needs none. */
export function pinOf(
  kind: HoldKind,
  pins: RackPins | undefined,
  history: readonly HoldSession[],
): { readonly pin?: HoldPin; readonly text: string } {
  if (!kind.pins) return { text: kind.setUp };
  const heights = pins?.heights ?? [];
  const wanted = pins?.chosen ?? history.find((session) => session.pin !== undefined)?.pin;
  if (wanted === undefined)
    return {
      text: heights.length ? `${kind.setUp} Note the hole: the next hold goes back to it.` : kind.setUp,
    };
  if (heights.length === 0)
    return { pin: { height: wanted, hole: null }, text: `Pins at ${wanted} mm, as before.` };
  const hole = heights.reduce(
    (best, height, i) => (Math.abs(height - wanted) < Math.abs(heights[best]! - wanted) ? i : best),
    0,
  );
  const height = heights[hole]!;
  return {
    pin: { height, hole: hole + 1 },
    text: samePin(height, wanted)
      ? `Pins in hole ${hole + 1} of the rack (${height} mm)${pins?.chosen === undefined ? ', as last time' : ''}.`
      : `Pins in hole ${hole + 1} (${height} mm), the nearest to ${wanted} mm here: not compared with holds from there.`,
  };
}
