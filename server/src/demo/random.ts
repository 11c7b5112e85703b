import { createHash } from 'node:crypto';
import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A stable UUID for a name, so that the demo has the same addresses every time. */
export function idOf(name: string): string {
  const hex = createHash('sha256').update(`iron-clasp demo ${name}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** Seeded randomness: the same name gives the same stream. */
export interface Chance {
  /** Uniform on [0, 1). */
  readonly uniform: () => number;
  /** Standard normal. */
  readonly normal: () => number;
}

export function chanceOf(name: string): Chance {
  const generator = xoroshiro128plus(
    parseInt(createHash('sha256').update(name).digest('hex').slice(0, 8), 16),
  );
  const uniform = (): number => uniformFloat64(generator);
  return { uniform, normal: randomNormal.source(uniform)() };
}
