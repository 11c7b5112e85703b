import { SOUND_HAND, type HandToday } from './hand-state.ts';
import { handWords, sayHands } from './say-hands.ts';

const hand = (more: Partial<HandToday>): HandToday => ({ ...SOUND_HAND, ...more });

it.each([
  [{ spreadingPain: true }, ['pain that spreads']],
  [{ nail: 'split' as const }, ['nail split']],
  [{ nail: 'bleeding' as const }, ['blood under the nail']],
  [{ numb: true, palm: 'torn' as const, pain: 4 }, ['numb', 'callus torn', 'pain 4']],
  [{ thumbJointPain: 2, bicepsPain: 3 }, ['thumb joint 2', 'biceps 3']],
  [{ palm: 'tender' as const, thumb: 'tender' as const }, ['palm tender', 'thumb tender']],
  [{ thumb: 'torn' as const, finger: 'sprained' as const }, ['thumb torn', 'finger sprained']],
  [
    { palm: 'callused' as const, thumb: 'callused' as const, finger: 'dislocated' as const },
    ['finger dislocated'],
  ],
  [{}, []],
])('of a hand with %j', (more, words) => expect(handWords(hand(more))).toEqual(words));

it('hands are said to be sound only where somebody has looked and found nothing', () => {
  const sound = { left: SOUND_HAND, right: SOUND_HAND };
  expect(sayHands(sound, true)).toBe('Both hands sound');
  expect(sayHands(sound, false)).toBe('Hands not looked at yet');
  expect(sayHands({ ...sound, right: hand({ spreadingPain: true }) }, true)).toBe('right: pain that spreads');
  expect(sayHands({ ...sound, unwell: true, left: hand({ pain: 2 }) }, true)).toBe(
    'unwell: nothing is lifted; left: pain 2',
  );
  expect(sayHands({ ...sound, left: hand({ nail: 'split' }) }, true)).toBe('left: nail split');
});
