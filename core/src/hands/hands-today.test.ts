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

it('a check of the day itself counts, one of a later day does not, in whatever order they are given', () => {
  const on = (today: string): unknown => handsOn(checks, today).checkedOn;
  expect(['2026-11-09', '2026-11-10', '2026-11-19', '2026-11-20', '2026-12-10'].map(on)).toEqual([
    ...[undefined, '2026-11-10', '2026-11-10', '2026-11-20', '2026-12-10'],
  ]);
  expect(handsOn([...checks].reverse(), '2026-11-22')).toEqual(handsOn(checks, '2026-11-22'));
});

it('says that somebody is unwell, and is so no longer; a first check changes nothing', () => {
  const well = hands('left', {});
  const changes = (...each: HandsCheck['hands'][]): readonly string[] =>
    handsOn(
      each.map((one, i) => ({ on: `2026-11-1${i}`, hands: one })),
      '2026-11-20',
    ).changes;
  expect(changes(well, { ...well, unwell: true })).toEqual(['unwell']);
  expect(changes({ ...well, unwell: true }, { ...well, unwell: false })).toEqual(['no longer unwell']);
  expect(changes(hands('left', { palm: 'torn' }))).toEqual([]);
});

it('a change of pain by 2 is worth a word, by 1 it is not, whichever way', () => {
  const changes = (was: number, is: number): readonly string[] =>
    handsOn(
      [
        { on: '2026-11-10', hands: hands('left', { pain: was }) },
        { on: '2026-11-11', hands: hands('left', { pain: is }) },
      ],
      '2026-11-12',
    ).changes;
  expect(changes(1, 3)).toEqual(['left hand pain: 1 to 3']);
  expect(changes(3, 1)).toEqual(['left hand pain: 3 to 1']);
  expect([changes(2, 3), changes(3, 2), changes(4, 4)]).toEqual([[], [], []]);
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
