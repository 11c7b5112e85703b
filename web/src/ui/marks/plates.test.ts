import { loadBar } from '@iron-clasp/core';
import { loadingWords, plateHeight } from './plates.ts';

describe('plates', () => {
  it('are as tall as they are, never taller than the tallest, and never shrink with mass', () => {
    expect(plateHeight(20)).toBe(450);
    expect(plateHeight(60)).toBe(450);
    expect(plateHeight(0.1)).toBe(134);
    const masses = [0.25, 0.5, 1, 1.25, 2.5, 4.5, 5, 10, 11.3, 15, 20, 20.4, 25];
    const heights = masses.map(plateHeight);
    expect([...heights].sort((a, b) => a - b)).toEqual(heights);
  });

  it('are said a side, with their unit, and each with its own where units are mixed', () => {
    const kg = [25, 5, 2.5].map((mass) => ({ mass, unit: 'kg' as const, pairs: 2 }));
    expect(loadingWords(loadBar({ target: 135, bar: 20, plates: kg }).nearest)).toBe(
      '25, 25, 5, 2.5 kg a side',
    );
    expect(loadingWords(loadBar({ target: 20, bar: 20, plates: kg }).nearest)).toBe('empty bar');
    const mixed = [...kg, { mass: 45, unit: 'lb' as const, pairs: 1 }];
    expect(
      loadingWords(loadBar({ target: 20 + 2 * (25 + 20.41165665), bar: 20, plates: mixed }).nearest),
    ).toBe('25 kg, 45 lb a side');
  });
});
