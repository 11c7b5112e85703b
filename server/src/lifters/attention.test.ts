import { SOUND_HAND } from '@iron-clasp/core';
import { attention, byAttention, type AttentionFacts } from './attention.ts';

const sound = { left: SOUND_HAND, right: SOUND_HAND };
const facts = (more: Partial<AttentionFacts> = {}): AttentionFacts => ({
  hands: sound,
  history: [],
  recentSlips: 0,
  daysToMeet: null,
  ...more,
});

describe('attention', () => {
  it.each([
    ['nothing', facts(), null],
    [
      'numb',
      facts({ hands: { ...sound, left: { ...SOUND_HAND, numb: true } } }),
      { level: 'stop', text: 'numb left: no gripping' },
    ],
    [
      'torn before uncleared',
      facts({
        hands: { ...sound, right: { ...SOUND_HAND, palm: 'torn' } },
        history: [{ kind: 'shoulder', cleared: false }],
      }),
      { level: 'stop', text: 'torn skin right' },
    ],
    [
      'uncleared before sore',
      facts({
        hands: { ...sound, right: { ...SOUND_HAND, pain: 6 } },
        history: [{ kind: 'bloodPressure', cleared: false }],
      }),
      { level: 'caution', text: 'blood pressure not cleared' },
    ],
    [
      'cleared is no flag',
      facts({ history: [{ kind: 'bicepsTendon', side: 'right', cleared: true }] }),
      null,
    ],
    ['slips from three on', facts({ recentSlips: 3 }), { level: 'note', text: '3 slips in 14 days' }],
    ['two slips are luck', facts({ recentSlips: 2 }), null],
    ['meet within a fortnight', facts({ daysToMeet: 14 }), { level: 'note', text: 'meet is near' }],
    ['meet later', facts({ daysToMeet: 15 }), null],
  ] as const)('%s', (_name, given, expected) => {
    expect(attention(given)).toEqual(expected);
  });

  it('orders by gravity, then the nearest session, then name', () => {
    const row = (
      name: string,
      level: 'stop' | 'caution' | null,
      on: string | null,
    ): Parameters<typeof byAttention>[0] => ({
      id: name,
      name,
      sport: '',
      hands: sound,
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
