import { SOUND_HAND, type HandsToday, type HandToday } from '../hands/hand-state.ts';
import { stopToday } from './stop-rules.ts';

const hands = (left: Partial<HandToday>, more: Partial<HandsToday> = {}): HandsToday => ({
  left: { ...SOUND_HAND, ...left },
  right: SOUND_HAND,
  ...more,
});

it('sound hands stop nothing', () => {
  expect(stopToday(hands({}))).toBeUndefined();
  expect(stopToday(hands({}, { unwell: false }))).toBeUndefined();
});

it.each<[string, HandsToday, RegExp]>([
  ['unwell', hands({}, { unwell: true }), /Unwell/],
  ['numb', hands({ numb: true }), /[Nn]umb.*left/],
  ['sharp pain', hands({ pain: 8 }), /left/],
])('%s stops all of it, and says why', (_name, state, words) => {
  expect(stopToday(state)).toMatch(words);
});

it('pain of 7 is not sharp yet', () => {
  expect(stopToday(hands({ pain: 7 }))).toBeUndefined();
});
