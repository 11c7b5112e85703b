import type { QueryClient } from '@tanstack/react-query';
import { sessionQuery } from '../data/session/session.ts';

/** How long the first page is kept back for its answers, ms: what comes later is drawn when it comes. */
const SOON = 300;

/** What the first page shows, by its address. */
interface First {
  readonly path: RegExp;
  /** A lifter has a page of their own there, or none. */
  readonly ofStaff: boolean;
  readonly read: (client: QueryClient, id: string) => Promise<unknown>;
}

const FIRST: readonly First[] = [
  {
    path: /^\/()$/,
    ofStaff: true,
    read: async (client) => {
      const { dayQuery } = await import('../data/club/day.ts');
      await Promise.all([client.prefetchQuery(dayQuery), rack(client)]);
    },
  },
  {
    path: /^\/lifters\/([0-9a-f-]{36})(?:\/|$)/,
    ofStaff: true,
    read: async (client, lifterId) => {
      const { sheetQuery } = await import('../data/lifters/lifters.ts');
      await Promise.all([client.prefetchQuery(sheetQuery(lifterId)), rack(client)]);
    },
  },
  {
    path: /^\/floor\/([0-9a-f-]{36})/,
    ofStaff: false,
    read: async (client, sessionId) => {
      const { floorQuery } = await import('../data/training/floor.ts');
      await client.prefetchQuery(floorQuery(sessionId));
    },
  },
];

async function rack(client: QueryClient): Promise<void> {
  const { rackQuery } = await import('../data/lifters/rack.ts');
  await client.prefetchInfiniteQuery(rackQuery());
}

async function readAll(client: QueryClient): Promise<void> {
  for (const { path, ofStaff, read } of FIRST) {
    const [, id] = path.exec(window.location.pathname) ?? [];
    if (id === undefined) continue;
    const { account } = await client.fetchQuery(sessionQuery);
    if (!ofStaff || account.lifterId === null) await read(client, id);
  }
}

/**
 * Reads what the first page shows while its code is on its way, so that it is drawn once, with its answers in it, and not
 * empty first and then again for each of them. Settles soon, whatever comes.
 */
export function firstAnswers(client: QueryClient): Promise<void> {
  // What fails is asked for again by the page, which says so.
  const read = readAll(client).catch(() => undefined);
  return Promise.race([read, new Promise<void>((resolve) => setTimeout(resolve, SOON))]);
}
