import {
  FINGER_STATES,
  NAIL_STATES,
  SIDES,
  SKIN_STATES,
  type HandsToday,
  type HandToday,
  type PainPart,
} from '@iron-clasp/core';
import { HAND_ZONES, type HandZone } from './hand-zones.ts';

/** What can be said of a zone: each option with the change it makes to the hand. */
export interface ZoneOption {
  readonly id: string;
  readonly words: string;
  readonly change: Partial<HandToday>;
}

const PAIN = Array.from({ length: 11 }, (_, pain) => pain);
/** Zones that are told by how much they hurt, with the part of the hand that keeps it. */
const PAIN_ZONES: Readonly<Partial<Record<HandZone, PainPart>>> = {
  pain: 'pain',
  thumbJoint: 'thumbJointPain',
  wrist: 'wristPain',
  elbow: 'elbowPain',
  biceps: 'bicepsPain',
};
const painOptions = (part: PainPart): ZoneOption[] =>
  PAIN.map((pain) => ({ id: String(pain), words: String(pain), change: { [part]: pain } }));

/** The options of each zone, the sound one first. */
export const ZONE_OPTIONS: Record<HandZone, readonly ZoneOption[]> = {
  palm: SKIN_STATES.map((palm) => ({ id: palm, words: palm, change: { palm } })),
  thumb: SKIN_STATES.map((thumb) => ({ id: thumb, words: thumb, change: { thumb } })),
  nail: NAIL_STATES.map((nail) => ({
    id: nail,
    words: nail === 'bleeding' ? 'blood under it' : nail,
    change: { nail },
  })),
  finger: FINGER_STATES.map((finger) => ({ id: finger, words: finger, change: { finger } })),
  nerves: [
    { id: 'sound', words: 'normal', change: { numb: false, spreadingPain: false } },
    { id: 'numb', words: 'numb or tingling', change: { numb: true, spreadingPain: false } },
    { id: 'spreading', words: 'pain that spreads', change: { numb: false, spreadingPain: true } },
  ],
  pain: painOptions('pain'),
  thumbJoint: painOptions('thumbJointPain'),
  wrist: painOptions('wristPain'),
  elbow: painOptions('elbowPain'),
  biceps: painOptions('bicepsPain'),
};

type SkinZone = 'palm' | 'thumb' | 'finger';

/** Which option describes the hand now. */
export function zoneOption(hand: HandToday, zone: HandZone): ZoneOption {
  const options = ZONE_OPTIONS[zone];
  if (zone === 'nerves') return options[hand.numb ? 1 : hand.spreadingPain ? 2 : 0]!;
  const part = PAIN_ZONES[zone];
  const id = part ? (hand[part] ?? 0) : zone === 'nail' ? (hand.nail ?? 'sound') : hand[zone as SkinZone];
  return options.find((option) => option.id === String(id)) ?? options[0]!;
}

export function zoneWords(hand: HandToday, zone: HandZone): string {
  const { words } = zoneOption(hand, zone);
  return PAIN_ZONES[zone] ? (words === '0' ? 'no pain' : `${words} of 10`) : words;
}

/** Are two pairs of hands alike in every zone? */
export function sameHands(a: HandsToday, b: HandsToday): boolean {
  return (
    (a.unwell ?? false) === (b.unwell ?? false) &&
    SIDES.every((side) =>
      HAND_ZONES.every((zone) => zoneOption(a[side], zone).id === zoneOption(b[side], zone).id),
    )
  );
}

/** The hands of somebody who is unwell, or no longer so. */
export function withUnwell({ left, right }: HandsToday, unwell: boolean): HandsToday {
  return { left, right, ...(unwell && { unwell }) };
}

/** Pain, 0–10, from which a zone asks for care, and from which it stops work. */
const CARE = 3;
const STOP = 8;

export function zoneLevel(hand: HandToday, zone: HandZone): 'sound' | 'caution' | 'stop' {
  const { id } = zoneOption(hand, zone);
  if (PAIN_ZONES[zone]) {
    const pain = Number(id);
    return pain >= STOP ? 'stop' : pain >= CARE ? 'caution' : 'sound';
  }
  if (['torn', 'bleeding', 'sprained', 'dislocated', 'numb', 'spreading'].includes(id)) return 'stop';
  return id === 'tender' || id === 'split' ? 'caution' : 'sound';
}
