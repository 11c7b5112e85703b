import { fitHoldCurve } from './fit-hold-curve.ts';
import { medianLoad, worthOf } from './read-outs.ts';
import { PRIOR_TEN, simulatedLifter } from './simulated-lifter.test-helper.ts';

describe('a planted truth is recovered with honest doubt', () => {
  const LIFTERS = 150;
  const runs = Array.from({ length: LIFTERS }, (_, i) => {
    const { ten, hook, log } = simulatedLifter(i + 1);
    const curve = fitHoldCurve(log, { referenceLoad: PRIOR_TEN });
    return { ten, hook, tenFound: medianLoad(curve, { seconds: 10 }), hookFound: worthOf(curve, 'hook')! };
  });
  const coverage = (inside: (run: (typeof runs)[number]) => boolean): number =>
    runs.filter(inside).length / LIFTERS;

  // 150 draws of an 80 % interval: three standard errors are ten points either way.
  it('the 80 % interval of the 10 s load holds the truth about four times in five', () => {
    const share = coverage(({ ten, tenFound }) => ten >= tenFound.low && ten <= tenFound.high);
    expect(share).toBeGreaterThan(0.7);
    expect(share).toBeLessThan(0.9);
  });

  it('the 80 % interval of what hook is worth holds the truth about four times in five', () => {
    const share = coverage(({ hook, hookFound }) => hook >= hookFound.low && hook <= hookFound.high);
    expect(share).toBeGreaterThan(0.7);
    expect(share).toBeLessThan(0.9);
  });

  it('forty holds halve the doubt about the 10 s load', () => {
    const width = (low: number, high: number): number => Math.log(high / low);
    const before = medianLoad(fitHoldCurve([], { referenceLoad: PRIOR_TEN }), { seconds: 10 });
    const after = runs.map(({ tenFound }) => width(tenFound.low, tenFound.high)).sort((a, b) => a - b)[
      LIFTERS / 2
    ]!;
    expect(after).toBeLessThan(width(before.low, before.high) / 2);
  });
});
