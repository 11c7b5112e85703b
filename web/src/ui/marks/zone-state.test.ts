import { SOUND_HAND } from '@iron-clasp/core';
import { HAND_ZONES } from './hand-zones.ts';
import { sameHands, ZONE_OPTIONS, zoneLevel, zoneOption, zoneWords } from './zone-state.ts';

it('a sound hand is sound in every zone', () => {
  for (const zone of HAND_ZONES) {
    expect(zoneLevel(SOUND_HAND, zone)).toBe('sound');
    expect(zoneOption(SOUND_HAND, zone)).toBe(ZONE_OPTIONS[zone][0]);
  }
});

it('what is chosen is what is read back, zone by zone', () => {
  for (const zone of HAND_ZONES)
    for (const option of ZONE_OPTIONS[zone])
      expect(zoneOption({ ...SOUND_HAND, ...option.change }, zone).id).toBe(option.id);
});

it('compares by what is seen, not by what was left out', () => {
  const left = { ...SOUND_HAND, nail: 'sound' as const, thumbJointPain: 0, spreadingPain: false };
  expect(sameHands({ left, right: SOUND_HAND }, { right: SOUND_HAND, left: SOUND_HAND })).toBe(true);
  expect(sameHands({ left, right: { ...SOUND_HAND, pain: 1 } }, { left, right: SOUND_HAND })).toBe(false);
});

it.each([
  [{ palm: 'torn' as const }, 'palm', 'stop', 'torn'],
  [{ thumb: 'tender' as const }, 'thumb', 'caution', 'tender'],
  [{ nail: 'bleeding' as const }, 'nail', 'stop', 'blood under it'],
  [{ numb: true }, 'nerves', 'stop', 'numb or tingling'],
  [{ elbowPain: 4 }, 'elbow', 'caution', '4 of 10'],
  [{ bicepsPain: 3 }, 'biceps', 'caution', '3 of 10'],
  [{ pain: 8 }, 'pain', 'stop', '8 of 10'],
  [{ pain: 2 }, 'pain', 'sound', '2 of 10'],
] as const)('%j', (hand, zone, level, words) => {
  expect(zoneLevel({ ...SOUND_HAND, ...hand }, zone)).toBe(level);
  expect(zoneWords({ ...SOUND_HAND, ...hand }, zone)).toBe(words);
});
