import type { BarLoading } from '@iron-clasp/core';

/** Height of a plate, mm: measured from common iron plates, straight lines between them. */
const SIZES: readonly (readonly [kg: number, height: number])[] = [
  [0.5, 134],
  [1.25, 160],
  [2.5, 190],
  [5, 228],
  [10, 325],
  [15, 400],
  [20, 450],
  [25, 450],
];

/** Height of a plate of this mass, mm. */
export function plateHeight(kg: number): number {
  const above = SIZES.findIndex(([mass]) => mass >= kg);
  if (above === 0) return SIZES[0]![1];
  if (above === -1) return SIZES.at(-1)![1];
  const [lightMass, lightHeight] = SIZES[above - 1]!;
  const [mass, height] = SIZES[above]!;
  return lightHeight + ((kg - lightMass) / (mass - lightMass)) * (height - lightHeight);
}

/** One side in words: `25, 25, 5 kg a side`. */
export function loadingWords(loading: BarLoading): string {
  if (loading.perSide.length === 0) return 'empty bar';
  const units = new Set(loading.perSide.map((plate) => plate.unit));
  const plates = loading.perSide.map((plate) =>
    units.size > 1 ? `${plate.mass} ${plate.unit}` : String(plate.mass),
  );
  return `${plates.join(', ')}${units.size > 1 ? '' : ` ${loading.perSide[0]!.unit}`} a side`;
}
