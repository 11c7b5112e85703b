import type { SessionView } from '@iron-clasp/contract';
import { askAhead } from '../data/asked-ahead.ts';

/*
 * By itself and before everything else: the pages that are opened first, and what they show, are fetched while the rest is
 * still on its way. Without it a page is asked for only once the router has been fetched, read and run, and its answers only
 * once the page has.
 */
interface First {
  readonly path: RegExp;
  readonly pages: () => readonly Promise<unknown>[];
  /** What it shows to the club's staff; a lifter has a page of their own at some addresses. */
  readonly answers: (found: RegExpExecArray) => readonly string[];
}

const FIRST: readonly First[] = [
  {
    path: /^\/$/,
    pages: () => [import('./signed-in.tsx'), import('./desk.tsx'), import('../features/today/today.tsx')],
    answers: () => ['/today', '/lifters?find='],
  },
  {
    path: /^\/lifters\/([0-9a-f-]{36})(?:\/|$)/,
    pages: () => [import('./signed-in.tsx'), import('./desk.tsx'), import('../features/sheet/sheet.tsx')],
    answers: ([, lifterId]) => [`/lifters/${lifterId}/sheet`, '/lifters?find='],
  },
  {
    path: /^\/floor\/([0-9a-f-]{36})/,
    pages: () => [import('./signed-in.tsx'), import('../features/floor/floor.tsx')],
    answers: ([, sessionId]) => [`/sessions/${sessionId}/floor`],
  },
];

const first = FIRST.map((each) => ({ ...each, found: each.path.exec(window.location.pathname) })).find(
  ({ found }) => found !== null,
);
if (first) {
  // What does not come is asked for again by the router, which says so.
  void Promise.allSettled(first.pages());
  void askAhead('/session').then(async (answer) => {
    if (!answer?.ok) return;
    const { account } = (await answer.json()) as SessionView;
    if (account.lifterId === null) for (const path of first.answers(first.found!)) void askAhead(path);
  });
}
if (window.location.pathname === '/sign-in') void askAhead('/welcome');
