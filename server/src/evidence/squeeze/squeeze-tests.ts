import {
  readSqueeze,
  sameProtocol,
  squeezeScores,
  type Easing,
  type SqueezeProtocol,
  type SqueezeReading,
  type SqueezeTest,
} from '@iron-clasp/core';
import type { SqueezeTestView } from '@iron-clasp/contract';
import { Remembered } from '../../platform/memory/remembered.ts';
import type { SqueezeTestRow } from '../../records/squeeze/squeeze.entity.ts';

/** How a squeeze is usually tested; every club has it beside its own protocols. */
export const WORKING_PROTOCOL: SqueezeProtocol = {
  handle: 2,
  elbow: 90,
  posture: 'seated',
  handOrder: 'alternating',
  trials: 3,
  rest: 60,
};
export const WORKING_PROTOCOL_NAME = 'Seated, elbow at 90°, handle 2';

/** A test as the core takes it. */
export function asTest({ testedOn, protocol, trials }: SqueezeTestRow): SqueezeTest {
  return { on: testedOn, protocol, trials: trials.map(({ hand, force }) => ({ hand, force })) };
}

/** Readings of the tests of a club's lifters: pages ask for the same ones again and again, and each takes a search. */
const readings = new Remembered(readSqueeze, { max: 2000 });

/** The latest test with peaks against the earlier ones; null where there is none. */
export function latestReading(
  latestFirst: readonly SqueezeTestRow[],
): { readonly test: SqueezeTestRow; readonly reading: SqueezeReading } | null {
  const peaks = latestFirst.filter((test) => test.trials.length > 0);
  const [test, ...earlier] = peaks;
  return test ? { test, reading: readings.of({ today: asTest(test), earlier: earlier.map(asTest) }) } : null;
}

/** What the test of the day takes off the holds; undefined where there is none, or the coach declined. */
export function easingOn(latestFirst: readonly SqueezeTestRow[], on: string): Easing | undefined {
  const latest = latestReading(latestFirst.filter((test) => test.testedOn <= on));
  if (!latest || latest.test.testedOn !== on || latest.test.easingDeclined) return undefined;
  return latest.reading.easierHolds;
}

export function testView(
  row: SqueezeTestRow,
  like: SqueezeProtocol | null,
  names: ReadonlyMap<string, string>,
  by: string | null,
): SqueezeTestView {
  const { id, testedOn, testedAt, protocol, protocolId, source, trials, contractions, easingDeclined, note } =
    row;
  return {
    id,
    on: testedOn,
    at: testedAt.toISOString(),
    protocol,
    protocolName: (protocolId && names.get(protocolId)) ?? WORKING_PROTOCOL_NAME,
    source,
    trials,
    scores: squeezeScores(asTest(row)),
    compared: like !== null && trials.length > 0 && sameProtocol(like, protocol),
    contractions,
    easingDeclined,
    note,
    by,
  };
}
