/** Zones of a hand that a check speaks of. */
export const HAND_ZONES = [
  'palm',
  'thumb',
  'nail',
  'finger',
  'nerves',
  'pain',
  'thumbJoint',
  'wrist',
  'elbow',
  'biceps',
] as const;
export type HandZone = (typeof HAND_ZONES)[number];

export const ZONE_NAMES: Record<HandZone, string> = {
  palm: 'palm skin',
  thumb: 'thumb skin',
  nail: 'thumb nail',
  finger: 'fingers',
  nerves: 'feeling',
  pain: 'pain',
  thumbJoint: 'thumb joint',
  wrist: 'wrist',
  elbow: 'elbow',
  biceps: 'biceps',
};

/** Where each zone lies on a left hand seen from its palm, in a box of 200 × 360, the arm below it; a right hand is its mirror. */
export const ZONE_PLACES: Record<Exclude<HandZone, 'pain' | 'nerves'>, { readonly d: string }> = {
  finger: {
    d: 'M40 128 V52 q0 -12 12 -12 t12 12 V40 q0 -13 13 -13 t13 13 V36 q0 -13 13 -13 t13 13 V52 q0 -12 12 -12 t12 12 V128 Z',
  },
  palm: { d: 'M40 132 H140 V214 q0 22 -24 26 H64 q-24 -4 -24 -26 Z' },
  thumb: { d: 'M146 172 L166 132 q8 -12 20 -6 q11 7 6 20 L146 222 Z' },
  nail: { d: 'M176 128 q8 -6 14 0 q4 5 0 12 l-6 8 q-12 0 -14 -9 Z' },
  thumbJoint: { d: 'M132 216 a18 18 0 1 0 0.1 0 Z' },
  wrist: { d: 'M62 242 H118 V264 H62 Z' },
  elbow: { d: 'M61 268 H119 L124 298 H56 Z' },
  biceps: { d: 'M54 304 H126 Q140 330 126 356 H54 Q40 330 54 304 Z' },
};
