import { fitHoldCurve } from './fit-hold-curve.ts';
import { medianLoad, worthOf } from './read-outs.ts';
import type { HoldObservation } from './types.ts';

/** A small linear congruential generator: the same logs on every run. */
function chance(seed: number): { uniform: () => number; normal: () => number } {
  let state = seed;
  const uniform = (): number => (state = (state * 48271) % 2147483647) / 2147483647;
  const normal = (): number => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
  return { uniform, normal };
}

const PRIOR_TEN = 126;

/** A lifter drawn from the prior itself, and forty of their holds, most of them stopped on purpose. */
function simulated(seed: number): { ten: number; hook: number; log: HoldObservation[] } {
  const { uniform, normal } = chance(seed * 7919 + 17);
  for (let i = 0; i < 20; i++) uniform();
  const slope = Math.max(3.5 + normal(), 1);
  const ten = PRIOR_TEN * Math.exp((0.2 * 3.5 * normal()) / slope);
  const hookTerm = 3.5 * Math.log(1.28) + 3.5 * 0.12 * normal();
  const sigma = 0.35 * Math.exp(0.4 * normal());
  const log = Array.from({ length: 40 }, (_, i): HoldObservation => {
    const hooked = i % 2 === 1;
    const load = ten * (0.75 + 0.55 * uniform());
    const held = 10 * (ten / load) ** slope * Math.exp((hooked ? hookTerm : 0) + sigma * normal());
    const wanted = [5, 10, 10, 20][i % 4]!;
    return {
      load,
      seconds: Math.max(0.3, Math.min(held, wanted)),
      ended: held < wanted ? 'slipped' : 'stopped',
      ...(hooked && { grip: 'hook' as const }),
    };
  });
  return { ten, hook: Math.exp(hookTerm / slope), log };
}

describe('a planted truth is recovered with honest doubt', () => {
  const LIFTERS = 150;
  const runs = Array.from({ length: LIFTERS }, (_, i) => {
    const { ten, hook, log } = simulated(i + 1);
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
