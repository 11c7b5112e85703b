import { checkVenueKit, InvalidInputError, USUAL_BRUSHING_SETS, type VenueKit } from '@iron-clasp/core';

/** A venue as a new one starts: one common bar, and plates to be counted. */
export function EMPTY_KIT(): VenueKit {
  return {
    name: '',
    chalk: 'block',
    note: '',
    straps: null,
    has: null,
    bars: [newBar()],
    plates: [20, 10, 5, 2.5, 1.25].map((mass) => ({ mass, unit: 'kg', pairs: 1 })),
    handles: [],
    grippers: [],
    racks: [],
    dynamometers: [],
  };
}

export function newBar(): VenueKit['bars'][number] {
  return {
    ...{ id: crypto.randomUUID(), name: 'Bar', mass: 20, diameter: 29, collars: 0 },
    knurl: 'medium',
    brushEvery: USUAL_BRUSHING_SETS,
  };
}

/** What cannot be used, by its path in the request, in words beside the field; null where all can. */
export function faultOf(kit: VenueKit): { readonly path: string; readonly message: string } | null {
  try {
    checkVenueKit(kit);
    return null;
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    return { path: `kit.${error.field}`, message: `Must be ${error.allowed}.` };
  }
}

/** Pin heights as typed: `500, 550, 600` or `500 to 900 by 50`, mm. What is no figure stays one that is refused. */
export function typedHeights(text: string): number[] {
  const steps = /^\s*([\d.,]+)\s*to\s*([\d.,]+)\s*by\s*([\d.,]+)\s*$/i.exec(text);
  const number = (word: string): number => Number(word.replace(',', '.'));
  if (steps) {
    const [from, to, by] = [number(steps[1]!), number(steps[2]!), number(steps[3]!)];
    if (!(by > 0) || !(to >= from) || (to - from) / by > 200) return [Number.NaN];
    return Array.from({ length: Math.floor((to - from) / by + 1e-9) + 1 }, (_, i) => from + i * by);
  }
  return text
    .split(/[\s;,]+/)
    .filter((word) => word !== '')
    .map(Number);
}

/** Heights as they are written out: even steps as `from to by`. */
export function heightsText(heights: readonly number[]): string {
  const [first, second] = heights;
  const last = heights.at(-1);
  if (
    heights.length > 3 &&
    heights.every((each, i) => Math.abs(each - (first! + i * (second! - first!))) < 1e-6)
  )
    return `${first} to ${last} by ${second! - first!}`;
  return heights.join(', ');
}
