import { deadliftMaxFrom, referenceLoadFrom } from './reference-load.ts';

it('takes the max where it is known, before any set', () => {
  expect(deadliftMaxFrom({ deadliftMax: 180, heavySet: { load: 200, reps: 5 } })).toBe(180);
  expect(referenceLoadFrom({ deadliftMax: 180 })).toBeCloseTo(126, 12);
  expect(referenceLoadFrom({ deadliftMax: 180 }, 'pinch')).toBeCloseTo(45, 12);
});

it('estimates it from a heavy set: a single is itself, more repetitions count for more', () => {
  expect(deadliftMaxFrom({ heavySet: { load: 170, reps: 1 } })).toBe(170);
  expect(deadliftMaxFrom({ heavySet: { load: 150, reps: 6 } })).toBeCloseTo(175, 12);
});

it.each([
  [{}, /deadliftMax must be given/],
  [{ heavySet: { load: 100, reps: 20 } }, /heavySet\.reps/],
  [{ deadliftMax: -1 }, /deadliftMax/],
])('refuses %j', (known, words) => expect(() => referenceLoadFrom(known)).toThrow(words));
