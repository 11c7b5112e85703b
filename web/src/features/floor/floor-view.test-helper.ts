import { SOUND_HAND, type HandsToday } from '@iron-clasp/core';
import type { CalledSet, FloorView } from '@iron-clasp/contract';
import { outbox } from '../../offline/own-outbox.ts';
import type { Account } from '../../data/session/account.ts';

export const SOUND: HandsToday = { left: SOUND_HAND, right: SOUND_HAND };

export const COACH = { id: 'a', role: 'coach', unit: 'kg', lifterId: null } as unknown as Account;

/** The day that these sessions are held on. */
export const DAY = '2026-11-24';

/** A session as its floor has it, with the hands looked at today unless something else is said. */
export function floorView(
  sets: readonly CalledSet[],
  { sessionId = 's', ...more }: Partial<FloorView> & { readonly sessionId?: string } = {},
): FloorView {
  const session = {
    ...{ id: sessionId, lifterId: 'l', lifterName: 'Wren Castellane', on: DAY, version: 1, sweat: false },
    ...{ title: 'Day one', venue: { name: 'Rope works', chalk: 'block' }, pinHeights: [] },
    bar: { id: 'b', name: 'Power bar', diameter: 29 },
    bars: [],
  };
  return {
    calls: { session, sets, holds: [], holdsDone: [], evidence: {} },
    ...{ finished: false, handsOn: DAY, hands: SOUND, underWay: { session: { lifter: {} } } },
    squeeze: {
      ...{ protocolId: null, earlier: [], today: null, todays: [] },
      protocol: {
        ...{ handle: 2, elbow: 90, posture: 'seated', handOrder: 'alternating', trials: 2, rest: 60 },
      },
    },
    equipment: { bar: 20, plates: [20, 10, 5, 2.5, 1.25].map((mass) => ({ mass, unit: 'kg', pairs: 4 })) },
    ...more,
  } as unknown as FloorView;
}

/** What this device keeps for the server now, the oldest first. */
export const kept = (): { kind: string; method: string; body: Record<string, unknown> | null }[] =>
  outbox
    .all()
    .map(({ kind, method, body }) => ({ kind, method, body: body as Record<string, unknown> | null }));

/** Nothing waits, and no server answers. */
export function alone(): void {
  for (const { id } of outbox.all()) outbox.remove(id);
  Object.assign(globalThis, {
    fetch: async () => {
      throw new TypeError('no network');
    },
  });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
}
