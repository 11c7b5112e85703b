import { brushing, USUAL_BRUSHING_SETS } from './brushing.ts';

it.each([
  [0, 100, false, 100, 0],
  [99, 100, false, 1, 0.99],
  [100, 100, true, 0, 1],
  [250, 100, true, 0, 2.5],
])('%d chalked sets of %d', (sets, every, due, setsLeft, share) => {
  expect(brushing(sets, every)).toEqual({ due, setsLeft, share });
});

it('takes the usual interval where the club has set none, and refuses what is no count', () => {
  expect(brushing(0).setsLeft).toBe(USUAL_BRUSHING_SETS);
  expect(() => brushing(-1)).toThrow(/chalkedSets/);
  expect(() => brushing(3, 0)).toThrow(/every/);
});
