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
