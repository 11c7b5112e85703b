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
