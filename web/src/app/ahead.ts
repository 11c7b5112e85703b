import type { SessionView } from '@iron-clasp/contract';
import { askAhead } from '../data/asked-ahead.ts';
import { firstPageAt, isForLifters, type FirstPage } from './first-pages.ts';

/*
 * By itself and before everything else: the pages that are opened first, and what they show, are fetched while the rest is
 * still on its way. Without it a page is asked for only once the router has been fetched, read and run, and its answers only
 * once the page has.
 */
interface Fetched {
  readonly pages: () => readonly Promise<unknown>[];
  readonly answers: (id: string) => readonly string[];
}

const RACK = '/lifters?find=';
const FETCHED: Readonly<Record<FirstPage, Fetched>> = {
  today: {
    pages: () => [import('./signed-in.tsx'), import('./desk.tsx'), import('../features/today/today.tsx')],
    answers: () => ['/today', RACK],
  },
  sheet: {
    pages: () => [import('./signed-in.tsx'), import('./desk.tsx'), import('../features/sheet/sheet.tsx')],
    answers: (lifterId) => [`/lifters/${lifterId}/sheet`, RACK],
  },
  floor: {
    pages: () => [import('./signed-in.tsx'), import('../features/floor/floor.tsx')],
    answers: (sessionId) => [`/sessions/${sessionId}/floor`],
  },
};

const first = firstPageAt(window.location.pathname);
if (first) {
  const { pages, answers } = FETCHED[first.page];
  // What does not come is asked for again by the router, which says so.
  void Promise.allSettled(pages());
  void askAhead('/session').then(async (answer) => {
    if (!answer?.ok) return;
    const { account } = (await answer.json()) as SessionView;
    if (account.lifterId === null || isForLifters(first.page))
      for (const path of answers(first.id)) void askAhead(path);
  });
}
if (window.location.pathname === '/sign-in') void askAhead('/welcome');
