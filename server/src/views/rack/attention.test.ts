import { SOUND_HAND } from '@iron-clasp/core';
import { byAttention, flagOf } from './attention.ts';

const sound = { left: SOUND_HAND, right: SOUND_HAND };
const facts = (more: Partial<Parameters<typeof flagOf>[0]> = {}): Parameters<typeof flagOf>[0] => ({
  hands: sound,
  uncleared: [],
  recent: 0,
  recentSets: 40,
  before: 0,
  beforeSets: 40,
  ...more,
});

describe('attention on the rack', () => {
  it.each([
    ['nothing', facts(), null],
    ['hands nobody has looked at', facts({ hands: null }), null],
    [
      'torn before uncleared',
      facts({
        hands: { ...sound, right: { ...SOUND_HAND, palm: 'torn' } },
        uncleared: ['shoulder'],
      }),
      { level: 'stop', text: 'Torn skin, right' },
    ],
    [
      'uncleared before sore',
      facts({ hands: { ...sound, right: { ...SOUND_HAND, pain: 6 } }, uncleared: ['bloodPressure'] }),
      { level: 'caution', text: 'Not cleared: blood pressure' },
    ],
    [
      'more slips than the fortnight before',
      facts({ recent: 4, before: 1 }),
      { level: 'caution', text: 'Slips rising: 4 of 40 bare sets in 14 days, 1 of 40 before' },
    ],
    ['as many slips as ever', facts({ recent: 4, before: 4 }), null],
  ] as const)('%s', (_name, given, expected) => {
    expect(flagOf(given, null)).toEqual(expected);
  });

  it('a meet within a fortnight', () => {
    const meet = (days: number): Parameters<typeof flagOf>[1] => ({ name: 'Open', on: '2026-12-08', days });
    expect(flagOf(facts(), meet(14))).toEqual({ level: 'note', text: 'Open in 14 days' });
    expect(flagOf(facts(), meet(15))).toBeNull();
  });

  it('orders by gravity, then the nearest session, then name', () => {
    const row = (
      name: string,
      level: 'stop' | 'caution' | null,
      on: string | null,
    ): Parameters<typeof byAttention>[0] => ({
      id: name,
      name,
      sport: 'other',
      hands: sound,
      handsOn: null,
      meet: null,
      flag: level && { level, text: '' },
      nextSession: on ? { id: name, on, title: '' } : null,
    });
    const rows = [
      row('D', null, null),
      row('C', null, '2026-11-25'),
      row('B', 'caution', '2026-11-26'),
      row('A', null, '2026-11-25'),
      row('E', 'stop', null),
    ];
    expect(rows.sort(byAttention).map((each) => each.name)).toEqual(['E', 'B', 'A', 'C', 'D']);
  });
});
