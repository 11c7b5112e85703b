import { intraclassCorrelation, minimalDetectableChange, typicalError } from './reliability.ts';

/** Six tests of three trials, kgf. */
const SCORES = [
  [52.1, 53.0, 51.4],
  [44.2, 45.9, 44.8],
  [60.3, 58.8, 61.0],
  [48.7, 50.2, 49.9],
  [55.5, 56.1, 57.3],
  [41.0, 42.2, 40.1],
];
/** The same with a noisy third trial. */
const NOISY = SCORES.map((row, i) => [row[0]!, row[1]!, row[2]! + [6, -5, 4, -6, 5, -3][i]!]);

// Figures of an independent statistics package (two-way analysis of variance and F quantiles).
describe('intraclass correlation', () => {
  it.each([
    [SCORES, 0.8, 0.982549332337, 0.958877020324, 0.99461752468],
    [SCORES, 0.95, 0.982549332337, 0.934272205379, 0.997299095177],
    [NOISY, 0.8, 0.869285044839, 0.70793743033, 0.957982404777],
  ])('%#', (scores, level, value, low, high) => {
    const found = intraclassCorrelation(scores, level)!;
    expect(found.value).toBeCloseTo(value, 9);
    expect(found.low).toBeCloseTo(low, 7);
    expect(found.high).toBeCloseTo(high, 7);
  });

  it('is not defined where nothing differs, and is one where trials agree exactly', () => {
    expect(
      intraclassCorrelation([
        [5, 5],
        [5, 5],
      ]),
    ).toBeUndefined();
    expect(
      intraclassCorrelation([
        [5, 5],
        [7, 7],
      ]),
    ).toEqual({ value: 1, low: 1, high: 1 });
  });

  it.each([
    [[[1, 2]]],
    [[[1], [2]]],
    [[[1, 2], [3]]],
    [
      [
        [1, Number.NaN],
        [3, 4],
      ],
    ],
  ])('refuses %j', (scores) => {
    expect(() => intraclassCorrelation(scores)).toThrow(/scores/);
  });
});

describe('typical error', () => {
  it('pools the differences between consecutive trials', () => {
    expect(typicalError(SCORES).value).toBeCloseTo(1.0208248299, 9);
    expect(typicalError(SCORES).degrees).toBe(10);
  });

  it('takes out a shift that all tests share', () => {
    const warmer = SCORES.map((row) => row.map((score, j) => score + 5 * j));
    expect(typicalError(warmer).value).toBeCloseTo(typicalError(SCORES).value, 9);
  });

  it('knows nothing from single trials', () => {
    expect(typicalError([[50], [52]])).toEqual({ value: 0, degrees: 0 });
  });

  it('the detectable change is 1.96·√2 of it', () => {
    expect(minimalDetectableChange(1)).toBeCloseTo(2.77185858, 7);
    expect(() => minimalDetectableChange(-1)).toThrow(/error/);
  });
});
