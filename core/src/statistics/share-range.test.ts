import fc from 'fast-check';
import { shareRange } from './share-range.ts';

it('holds the share, stays inside 0 and 1, and narrows with more counted', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 2000 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (of, share) => {
        const count = Math.round(share * of);
        const { value, low, high } = shareRange(count, of);
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high).toBeLessThanOrEqual(1);
        expect(value).toBeGreaterThanOrEqual(low - 1e-12);
        expect(value).toBeLessThanOrEqual(high + 1e-12);
        const more = shareRange(10 * count, 10 * of);
        expect(more.high - more.low).toBeLessThan(high - low);
      },
    ),
  );
});

it('answers as published for 8 of 20 at 80 %, and with everything for nothing', () => {
  const { low, high } = shareRange(8, 20);
  expect([low, high].map((each) => each.toFixed(3))).toEqual(['0.272', '0.543']);
  expect(shareRange(0, 0)).toEqual({ value: 0.5, low: 0, high: 1 });
  expect(() => shareRange(3, 2)).toThrow(/count/);
});
