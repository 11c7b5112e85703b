import { logSurvival, normalCdf, normalInverse, upperTail, type Tail } from './normal.ts';

const tail = (z: number): Tail => {
  const into = { logSurvival: 0, hazard: 0 };
  upperTail(z, into);
  return into;
};
const hazard = (z: number): number => tail(z).hazard;

describe('the standard normal, in both tails', () => {
  // Tabulated values of Φ and of the inverse Mills ratio.
  it.each([
    [0, 0.5],
    [1, 0.8413447460685429],
    [-1.959963984540054, 0.025],
    [-6, 9.865876450376981e-10],
  ])('Φ(%d)', (x, expected) => expect(normalCdf(x) / expected).toBeCloseTo(1, 9));

  it('inverts itself', () => {
    for (const p of [1e-9, 0.025, 0.5, 0.9, 0.999999])
      expect(normalCdf(normalInverse(p)) / p).toBeCloseTo(1, 6);
  });

  it.each([
    [0, Math.log(0.5)],
    [2, -3.7831843336820317],
    [10, -53.23128515051247],
    [-3, -0.0013508099647481923],
  ])('ln Φ(−%d)', (z, expected) => expect(logSurvival(z)).toBeCloseTo(expected, 9));

  it('stays finite far out, where Φ itself is 0', () => {
    expect(Number.isFinite(logSurvival(200))).toBe(true);
    expect(logSurvival(200)).toBeCloseTo(-20000 - Math.log(200) - 0.5 * Math.log(2 * Math.PI), 3);
    expect(logSurvival(-200)).toBe(-0);
  });

  it('has a hazard that vanishes left and follows z right', () => {
    expect(hazard(0)).toBeCloseTo(Math.sqrt(2 / Math.PI), 12);
    expect(hazard(-40)).toBe(0);
    expect(hazard(100)).toBeCloseTo(100.0099980009, 6);
    expect(hazard(-8) / 5.052271083536893e-15).toBeCloseTo(1, 9);
  });

  it('gives both at once as it gives one', () => {
    for (const z of [-9, -2, -1e-9, 0, 1e-9, 3, 30, 300])
      expect(Math.abs(tail(z).logSurvival / logSurvival(z) - 1)).toBeLessThan(1e-12);
  });
});
