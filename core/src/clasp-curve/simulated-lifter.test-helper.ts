import type { HoldObservation } from './types.ts';

/** A small linear congruential generator: the same logs on every run. */
export function chance(seed: number): { uniform: () => number; normal: () => number } {
  let state = seed;
  const uniform = (): number => (state = (state * 48271) % 2147483647) / 2147483647;
  const normal = (): number => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
  return { uniform, normal };
}

/** kg; the 10 s load that the prior expects. */
export const PRIOR_TEN = 126;

/** A lifter drawn from the prior itself, and forty of their holds, most of them stopped on purpose. */
export function simulatedLifter(seed: number): { ten: number; hook: number; log: HoldObservation[] } {
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
