import type { SessionView } from '@iron-clasp/contract';
import { askAhead } from '../data/asked-ahead.ts';
import { lastHere, type Pages } from '../data/session/last-here.ts';
import { firstPageAt, isForLifters, type FirstPage } from './first-pages.ts';

/*
 * Before everything else, and by itself where the rest is still on its way: fetches the pages that are opened first, and what
 * they show. Without it a page is asked for only once the router has been fetched, read and run, and its answers only once
 * the page has.
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
  const ask = (whose: Pages): void => {
    if (whose === 'club' || isForLifters(first.page))
      for (const path of answers(first.id)) void askAhead(path);
  };
  const session = askAhead('/session');
  const before = lastHere();
  // Whoever was here before is most likely here again; a lifter in a coach's place asks for other things, and takes none of these.
  if (before) ask(before);
  else
    void session.then(async (answer) => {
      if (!answer?.ok) return;
      const { account } = (await answer.json()) as SessionView;
      ask(account.lifterId === null ? 'club' : 'own');
    });
  // What does not come is asked for again by the router, which says so.
  void Promise.allSettled(pages());
}
if (window.location.pathname === '/sign-in') void askAhead('/welcome');
