import { derivedId } from '../platform/database/derived-id.ts';
import { createHash } from 'node:crypto';
import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A stable UUID for a name, so that the demo has the same addresses every time. */
export function idOf(name: string): string {
  return derivedId(`iron-clasp demo ${name}`);
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
