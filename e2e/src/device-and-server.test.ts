import { randomUUID } from 'node:crypto';
import { callAgain, GRIPS, sameCall, type SetCall } from '@iron-clasp/core';
import type { CalledSet, CallsView, FloorView, LogHoldRequest, LogSetRequest } from '@iron-clasp/contract';
import fc from 'fast-check';
import { asRequest, type Waiting } from '../../web/src/offline/outbox.ts';
import { doneToday, laneOf, NEW_LANE } from '../../web/src/features/floor/lane.ts';
import { signIn } from '../../tools/lib/sign-in.mjs';
import { ServedCopy } from './served-copy.test-helper.ts';

/*
 * A device without a network calls the session again from what waits on it; the server calls it from what it stored. For any
 * log the two have to agree, whatever was held, with which bar, chalk and style, and whoever hangs.
 */

let server: ServedCopy;
let headers: Record<string, string>;
beforeAll(async () => {
  server = await ServedCopy.start();
  ({ headers } = await signIn(server.url));
}, 120_000);
afterAll(() => server.stop());

async function ask<Answer>(method: string, path: string, body?: object): Promise<Answer> {
  const answer = await fetch(`${server.url}/api${path}`, {
    method,
    headers,
    ...(body && { body: JSON.stringify(body) }),
  });
  const text = await answer.text();
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${text}`);
  return (text ? JSON.parse(text) : undefined) as Answer;
}

const chalk = fc.constantFrom('block', 'liquid', 'none');
const doneAt = '2026-11-24T11:00:00Z';

/** A set as somebody may have done it: otherwise than called, in any of its figures. */
const entryOf = (set: CalledSet, bars: readonly string[]): fc.Arbitrary<LogSetRequest> =>
  fc
    .record({
      share: fc.double({ min: 0.7, max: 1.1, noNaN: true }),
      reps: fc.integer({ min: 1, max: Math.max(1, set.reps) }),
      grip: fc.constantFrom(...GRIPS),
      side: fc.constantFrom('left', 'right'),
      strapped: fc.boolean(),
      chalk,
      slips: fc.boolean(),
      barId: fc.constantFrom(...bars),
    })
    .map(({ share, reps, grip, side, strapped, slips, ...rest }) => ({
      ...{
        plannedSetId: set.id,
        load: Math.max(1, Math.round(set.loading.total * share * 2) / 2),
        reps,
        grip,
      },
      ...{ strapped, doneAt, ...rest },
      ...(grip === 'mixed' && { sideUnder: side }),
      ...(slips && !strapped && { slippedAtRep: reps }),
    })) as fc.Arbitrary<LogSetRequest>;

/** Holds of every curve and kind of load: bars, thick bars, dumbbells in each hand, hangs, plates pinched. */
const HELD = [
  { kind: 'frontRackHold', liftId: 'hold.front-rack', load: 120 },
  { kind: 'behindBackHold', liftId: 'hold.behind-back', load: 110 },
  { kind: 'thickBarHold', liftId: 'hold.thick-bar', load: 90, diameter: 58 },
  { kind: 'carry', liftId: 'carry.dumbbells', load: 40 },
  { kind: 'carry', liftId: 'carry.handles', load: 90 },
  { kind: 'deadHang', liftId: 'hang.dead', load: 0 },
  { kind: 'platePinch', liftId: 'pinch.plates', load: 30 },
] as const;
const holdOf = (bars: readonly string[]): fc.Arbitrary<LogHoldRequest> =>
  fc
    .record({
      held: fc.constantFrom(...HELD),
      seconds: fc.double({ min: 2, max: 30, noNaN: true }),
      ended: fc.constantFrom('slipped', 'stopped'),
      grip: fc.constantFrom('doubleOverhand', 'hook'),
      chalk,
      barId: fc.constantFrom(...bars),
    })
    .map(({ held, seconds, ...rest }) => ({
      ...{ ...held, target: 10, doneAt, ...rest },
      seconds: Math.round(seconds * 10) / 10,
    })) as fc.Arbitrary<LogHoldRequest>;

it.each([
  ['Odalys Brandt', 'Deadlift, heavy'],
  ['Kofi Adeyemi-Lund', ''],
  ['Priya Ramsland', ''],
])(
  '%s: for any log the device calls what the server calls',
  async (name, title) => {
    const [row] = await server.query<{ id: string }>(
      `SELECT t.id FROM training_session t JOIN lifter l ON l.id = t.lifter_id
      WHERE l.name = $1 AND NOT t.finished AND ($2 = '' OR t.title = $2) ORDER BY t.held_on, t.id LIMIT 1`,
      [name, title],
    );
    const session = row!.id;
    const floor = await ask<FloorView>('GET', `/sessions/${session}/floor`);
    const bars = floor.calls.session.bars.map((bar) => bar.id);
    const logs = fc.record({
      sets: fc
        .subarray([...floor.calls.sets], { minLength: 1, maxLength: 5 })
        .chain((chosen) => fc.tuple(...chosen.map((set) => entryOf(set, bars)))),
      holds: fc.array(holdOf(bars), { maxLength: 3 }),
    });
    await fc.assert(
      fc.asyncProperty(logs, async ({ sets, holds }) => {
        const waiting: Waiting[] = [
          ...sets.map((body) =>
            asRequest({ id: randomUUID(), kind: 'set', sessionId: session, accountId: 'x', body }),
          ),
          ...holds.map((body) =>
            asRequest({ id: randomUUID(), kind: 'hold', sessionId: session, accountId: 'x', body }),
          ),
        ];
        const device = callAgain({ ...floor.underWay, ...doneToday(laneOf(floor, waiting, NEW_LANE)) });
        for (const { id, kind, body } of waiting as { id: string; kind: 'set' | 'hold'; body: object }[])
          await ask('PUT', `/sessions/${session}/${kind}s/${id}`, body);
        const stored = await ask<CallsView>('GET', `/sessions/${session}/calls`);
        const differing = stored.sets.flatMap(({ call }: { call: SetCall }, i) => {
          const own = device.calls[i]!;
          const close = Math.abs((call.probability ?? 0) - (own.probability ?? 0)) < 1e-9;
          return close && sameCall(call, own) ? [] : [`${i}: ${call.probability} against ${own.probability}`];
        });
        for (const { id, kind } of waiting) await ask('DELETE', `/${kind}s/${id}`);
        expect(differing).toEqual([]);
        // The same rows in another order: sums differ in their last digits.
        const { effective, ...evidence } = stored.evidence;
        expect(device.curve.evidence).toMatchObject(evidence);
        expect(device.curve.evidence.effective).toBeCloseTo(effective, 6);
      }),
      { numRuns: 6, seed: Number(process.env['IRON_CLASP_SEED'] ?? 4) },
    );
  },
  300_000,
);
