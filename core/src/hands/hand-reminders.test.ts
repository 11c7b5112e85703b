import { SOUND_HAND } from './hand-state.ts';
import { handReminders, REMINDER_RULES, type ReminderFacts } from './hand-reminders.ts';

const facts = (
  more: Partial<ReminderFacts['hands']['left']> = {},
  hookStage: ReminderFacts['hookStage'] = 'none',
) => ({
  hands: { left: { ...SOUND_HAND, ...more }, right: SOUND_HAND },
  hookStage,
});

it('sound hands without a hook need nothing', () => {
  expect(handReminders(facts())).toEqual([]);
});

it.each([
  ['hands.torn-care', facts({ palm: 'torn' })],
  ['hands.callus-flat', facts({ palm: 'callused' })],
  ['hands.tape-thumb', facts({ thumb: 'tender' }, 'learn')],
  ['hands.nail-long', facts({}, 'settled')],
  ['hands.nail-split', facts({ nail: 'split' })],
  ['hands.nail-bleeding', facts({ nail: 'bleeding' })],
  ['hands.tender-one-less', facts({ palm: 'tender' })],
  ['hands.hook-go-no-go', { ...facts({}, 'build'), meet: { name: 'Open', days: 29 } }],
  ['hands.hook-no-go', { ...facts({}, 'learn'), meet: { name: 'Open', days: 28 } }],
  ['hands.unwell', { ...facts(), hands: { ...facts().hands, unwell: true } }],
  ['hands.budget-nearly-spent', { ...facts({}, 'learn'), skinSpent: 0.8 }],
])('%s', (id, about) => {
  expect(handReminders(about)).toContain(REMINDER_RULES.find((rule) => rule.id === id)!.text);
});

it('a tender thumb without a hook wants no tape for one', () => {
  expect(handReminders(facts({ thumb: 'tender' })).join(' ')).not.toMatch(/Tape/);
});

it('a hook that carries top sets, or was never started, has no go or no-go', () => {
  for (const stage of ['none', 'carry', 'settled'] as const)
    expect(handReminders({ ...facts({}, stage), meet: { name: 'Open', days: 20 } }).join(' ')).not.toMatch(
      /no-go/,
    );
});

describe('each reminder by its figure', () => {
  const told = (id: string, about: ReminderFacts): boolean =>
    handReminders(about).includes(REMINDER_RULES.find((rule) => rule.id === id)!.text);
  const meetIn = (days: number): ReminderFacts => ({ ...facts({}, 'learn'), meet: { name: 'Open', days } });

  it('speaks of palm and thumb, on either hand', () => {
    expect(told('hands.torn-care', facts({ thumb: 'torn' }))).toBe(true);
    expect(told('hands.tender-one-less', facts({ thumb: 'tender' }))).toBe(true);
    const right = { hands: { left: SOUND_HAND, right: { ...SOUND_HAND, palm: 'torn' as const } } };
    expect(told('hands.torn-care', { ...right, hookStage: 'none' })).toBe(true);
  });

  it('tapes a hooked thumb that is tender or hurts from 2 on', () => {
    const taped = (more: Parameters<typeof facts>[0]): boolean =>
      told('hands.tape-thumb', facts(more, 'build'));
    expect([taped({}), taped({ pain: 1 }), taped({ pain: 2 }), taped({ thumb: 'tender' })]).toEqual([
      ...[false, false, true, true],
    ]);
  });

  it('is go or no-go on the day four weeks before the meet, and nothing once it is over', () => {
    const at = [29, 28, 0, -1].map((days) => [
      told('hands.hook-go-no-go', meetIn(days)),
      told('hands.hook-no-go', meetIn(days)),
    ]);
    expect(at).toEqual([
      [true, false],
      [false, true],
      [false, true],
      [false, false],
    ]);
  });

  it('says that the budget is nearly spent from four fifths on, and where there is one', () => {
    const spent = (skinSpent?: number): boolean =>
      told('hands.budget-nearly-spent', { ...facts(), ...(skinSpent !== undefined && { skinSpent }) });
    expect([spent(), spent(0.79), spent(0.8)]).toEqual([false, false, true]);
  });
});
