import { SOUND_HAND } from '@iron-clasp/core';
import { EXPORT_LISTS, listHead, listRows } from './export-lists.ts';

const list = (name: string): (typeof EXPORT_LISTS)[number] =>
  EXPORT_LISTS.find(({ path }) => path === `lists/${name}.csv`)!;
const names = (id: unknown): string => (id === 'ana' ? 'Ana Lind' : '');

it('what is wrong with a hand is said as the pages say it, and nobody with it is called sound', () => {
  const row = (left: object, unwell?: boolean): object => ({
    ...{ checked_on: '2026-11-24', lifter_id: 'ana', checked_by: null },
    hands: { left: { ...SOUND_HAND, ...left }, right: SOUND_HAND, ...(unwell && { unwell }) },
  });
  const rows = [
    row({ palm: 'tender', pain: 3 }),
    row({ nail: 'bleeding' }),
    row({ spreadingPain: true, wristPain: 2 }),
    row({}, true),
  ] as Record<string, unknown>[];
  expect(listHead(list('hands'))).toBe('day,lifter,left hand,right hand,unwell,looked at by\r\n');
  expect(listRows(list('hands'), rows, names).split('\r\n')).toEqual([
    '2026-11-24,Ana Lind,palm tender; pain 3,sound,,',
    '2026-11-24,Ana Lind,blood under the nail,sound,,',
    '2026-11-24,Ana Lind,pain that spreads; wrist 2,sound,,',
    '2026-11-24,Ana Lind,sound,sound,yes,',
    '',
  ]);
});

it('a squeeze tells the best of each hand, and nothing of one that was not tested', () => {
  const row = {
    ...{ tested_on: '2026-11-24', lifter_id: 'ana', note: null, undone_at: null },
    trials: [
      { hand: 'left', force: 51.5 },
      { hand: 'left', force: 53 },
    ],
  };
  expect(listRows(list('squeeze'), [row], names)).toBe('2026-11-24,Ana Lind,53,,,\r\n');
});

it('a lift that the catalogue no longer has keeps its id', () => {
  const row = { training_day: '2026-11-24', lifter_id: 'ana', lift_id: 'gone-lift', load: 100 };
  expect(listRows(list('sets'), [row], names)).toMatch(/^2026-11-24,Ana Lind,gone-lift,100,/);
});
