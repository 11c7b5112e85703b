import type { QueryClient } from '@tanstack/react-query';
import { sessionQuery } from '../data/session/session.ts';
import { firstPageAt, isForLifters, type FirstPage } from './first-pages.ts';

/** How long the first page is kept back for its answers, ms: what comes later is drawn when it comes. */
const SOON = 300;

/** What each of the first pages shows, of whom or what it is about. */
const READ: Readonly<Record<FirstPage, (client: QueryClient, id: string) => Promise<unknown>>> = {
  today: async (client) => {
    const { dayQuery } = await import('../data/club/day.ts');
    return Promise.all([client.prefetchQuery(dayQuery), rack(client)]);
  },
  sheet: async (client, lifterId) => {
    const { sheetQuery } = await import('../data/lifters/lifters.ts');
    return Promise.all([client.prefetchQuery(sheetQuery(lifterId)), rack(client)]);
  },
  floor: async (client, sessionId) => {
    const { floorQuery } = await import('../data/training/floor.ts');
    return client.prefetchQuery(floorQuery(sessionId));
  },
};

async function rack(client: QueryClient): Promise<void> {
  const { rackQuery } = await import('../data/lifters/rack.ts');
  await client.prefetchInfiniteQuery(rackQuery());
}

async function readAll(client: QueryClient): Promise<void> {
  const first = firstPageAt(window.location.pathname);
  if (!first) return;
  const { account } = await client.fetchQuery(sessionQuery);
  if (account.lifterId === null || isForLifters(first.page)) await READ[first.page](client, first.id);
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
