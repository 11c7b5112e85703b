import { hands } from '../calls/fixtures.test-helper.ts';
import { handsOn, type HandsCheck } from './hands-today.ts';
import { SOUND_HAND } from './hand-state.ts';

const checks: HandsCheck[] = [
  { on: '2026-11-20', hands: hands('left', { palm: 'torn', pain: 4, bicepsPain: 3, numb: true }) },
  { on: '2026-11-10', hands: hands('left', { palm: 'callused', nail: 'split' }) },
  { on: '2026-12-10', hands: hands('left', {}) },
];

it('takes the latest check up to the day, and says what changed', () => {
  expect(handsOn(checks, '2026-11-22')).toMatchObject({
    hands: { left: { palm: 'torn' }, right: SOUND_HAND },
    checkedOn: '2026-11-20',
    daysOld: 2,
    stale: false,
    changes: [
      'left palm: callused to torn',
      'left thumb nail: split to sound',
      'left hand: numb',
      'left hand pain: 0 to 4',
      'left biceps pain: 0 to 3',
    ],
  });
});

it('is stale after a week, and without a check', () => {
  expect(handsOn(checks, '2026-11-28').stale).toBe(true);
  expect(handsOn(checks, '2026-11-27').stale).toBe(false);
  expect(handsOn(checks, '2026-11-01')).toEqual({
    hands: { left: SOUND_HAND, right: SOUND_HAND },
    stale: true,
    changes: [],
  });
});

it('names what it cannot use', () => {
  expect(() => handsOn([{ on: '2026-11-20', hands: hands('left', { pain: 12 }) }], '2026-11-22')).toThrow(
    /checks\[0\]\.hands\.left\.pain/,
  );
});
