import {
  findLift,
  HOLD_KINDS_BY_ID,
  toKg,
  type HoldKindId,
  type HoldKit,
  type KitNeed,
} from '@iron-clasp/core';
import type { VenueKit } from '../../records/kit/kit.service.ts';

/** mm from which a bar is a thick one. */
const THICK_BAR = 45;
/** kg that a belt can hang from a body, and that dumbbells come in. */
const HANG_LOADS = range(0, 40, 2.5);
const DUMBBELLS = range(5, 60, 2.5);

/** What a kind of hold is loaded with in a venue. */
export interface KindKit {
  readonly equipment: HoldKit;
  readonly lift?: string;
  /** Of what the hand closes on, mm. */
  readonly diameter?: number;
}

/** What of a kind's kit the venue lacks; a venue that has listed nothing is taken to have it. */
export function missingFor(kind: HoldKindId, { venue, bars, handles }: VenueKit): readonly KitNeed[] {
  if (kind === 'thickBarHold' && bars.some((bar) => bar.diameter >= THICK_BAR)) return [];
  if (!venue.has) return [];
  const has = new Set<KitNeed>([...venue.has, ...(handles.length ? (['handles'] as const) : [])]);
  const lacks = HOLD_KINDS_BY_ID[kind].lifts.map((lift) =>
    findLift(lift)!.needs.filter((need) => !has.has(need)),
  );
  return lacks.reduce((least, each) => (each.length < least.length ? each : least));
}

/** What the kind is loaded with there. */
export function kitFor(kind: HoldKindId, { venue, bars, handles, equipment }: VenueKit): KindKit {
  const plates = equipment.kind === undefined || equipment.kind === 'bar' ? equipment.plates : [];
  if (kind === 'thickBarHold') {
    const thick = bars.find((bar) => bar.diameter >= THICK_BAR);
    return thick
      ? { equipment: { bar: thick.mass, collars: thick.collars, plates }, diameter: thick.diameter }
      : { equipment };
  }
  if (kind === 'deadHang' || kind === 'fabricHang')
    return { equipment: { kind: 'loads', loads: HANG_LOADS } };
  if (kind === 'platePinch') {
    // Two alike, smooth sides out.
    const pinched = plates.map((plate) => 2 * toKg(plate.mass, plate.unit)).filter((load) => load >= 5);
    return { equipment: { kind: 'loads', loads: pinched.length ? pinched : [10, 20, 30, 40] } };
  }
  if (kind === 'hexHold') return { equipment: { kind: 'loads', loads: DUMBBELLS } };
  if (kind === 'carry') {
    const handle = handles.find((each) => each.diameter < THICK_BAR);
    if (handle)
      return {
        equipment: { kind: 'twoHandles', handle: handle.mass, plates },
        lift: 'carry.handles',
        diameter: handle.diameter,
      };
    if (!venue.has || venue.has.includes('dumbbells'))
      return { equipment: { kind: 'loads', loads: DUMBBELLS }, lift: 'carry.dumbbells' };
  }
  return { equipment };
}

function range(from: number, to: number, step: number): number[] {
  return Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => from + i * step);
}
