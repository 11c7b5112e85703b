import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Seeded chance: the same seed gives the same person and the same faults. */
export interface Chance {
  readonly uniform: () => number;
  readonly normal: () => number;
}

export function chanceOf(seed: number): Chance {
  const generator = xoroshiro128plus(seed);
  const uniform = (): number => uniformFloat64(generator);
  return { uniform, normal: randomNormal.source(uniform)() };
}

/** Strength of somebody who squeezes, kgf, and how it goes. */
export interface Person {
  readonly left: number;
  readonly right: number;
}

/** s of quiet before the squeeze, of squeezing, and what a hand takes to close. */
const QUIET = 1;
const SQUEEZING = 4;
const RISE = 0.18;
/** Share of the strength that a hand loses a second while it squeezes. */
const FADE = 0.025;
/** Scatter of one squeeze against another, a share. */
const TRIAL_SCATTER = 0.02;

/** One squeeze: force, kgf, at a number of seconds from the start. */
export type Squeeze = (seconds: number) => number;

/** A squeeze of this hand: quiet, a steep rise, a slow fade, and let go. */
export function squeezeOf(person: Person, hand: 'left' | 'right', chance: Chance): Squeeze {
  const peak = person[hand] * (1 + TRIAL_SCATTER * chance.normal());
  const start = QUIET + 0.2 * chance.uniform();
  const end = start + SQUEEZING + 0.4 * chance.uniform();
  return (seconds) => {
    if (seconds < start) return 0;
    if (seconds > end) return peak * 0.9 * Math.exp(-(seconds - end) / 0.06);
    const since = seconds - start;
    return peak * (1 - Math.exp(-since / RISE)) * (1 - FADE * Math.max(0, since - 4 * RISE));
  };
}

/** Squeeze after squeeze, 7 s on and 3 s off, that sinks towards what lasts. */
export function contractionsOf(person: Person, hand: 'left' | 'right', chance: Chance): Squeeze {
  const fresh = person[hand] * (1 + TRIAL_SCATTER * chance.normal());
  const lasting = 0.42 * fresh;
  return (seconds) => {
    const since = seconds - QUIET;
    if (since < 0 || since % 10 > 7) return 0;
    const force = lasting + (fresh - lasting) * Math.exp(-since / 70);
    return force * (1 - Math.exp(-(since % 10) / RISE));
  };
}
