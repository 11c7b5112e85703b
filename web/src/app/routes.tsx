import type { ComponentType } from 'react';
import { createBrowserRouter, Navigate, type RouteObject } from 'react-router';
import { openOutbox } from '../offline/own-outbox.ts';
import { PageFault } from './page-fault.tsx';
import { SignIn } from '../features/sign-in/sign-in.tsx';
import { Loading } from '../ui/states.tsx';

const pending = { HydrateFallback: () => <Loading what="the page" /> };

/** A part that shows what waits to be sent: the device's database is opened while it is fetched. */
async function withOutbox(load: () => Promise<ComponentType>): Promise<{ Component: ComponentType }> {
  const [Component] = await Promise.all([load(), openOutbox()]);
  return { Component };
}

/** A page of a screen, fetched when first visited. */
const page = (path: string, load: () => Promise<ComponentType>): RouteObject => ({
  path,
  ...pending,
  lazy: async () => ({ Component: await load() }),
});

/** The same for a page on which coaches plan. */
const planned = (path: string, load: () => Promise<ComponentType>): RouteObject =>
  page(path, async () => {
    const [Shown, { Planning }] = await Promise.all([load(), import('./planning.tsx')]);
    return () => (
      <Planning>
        <Shown />
      </Planning>
    );
  });

/** Every screen has an address and is fetched when first visited. */
const routes: RouteObject[] = [
  {
    path: '/sign-in',
    ErrorBoundary: PageFault,
    // With the rest: it is small, and whoever comes for the first time waits for it.
    Component: SignIn,
  },
  {
    ...page('/shared/:secret', async () => (await import('../features/cards/shared.tsx')).Shared),
    ErrorBoundary: PageFault,
  },
  {
    ...page('/join/:secret', async () => (await import('../features/sign-in/join.tsx')).Join),
    ErrorBoundary: PageFault,
  },
  {
    ...page('/set-up', async () => (await import('../features/sign-in/set-up.tsx')).SetUp),
    ErrorBoundary: PageFault,
  },
  {
    ...page('/set-up/export', async () => (await import('../features/sign-in/bring-club.tsx')).BringClub),
    ErrorBoundary: PageFault,
  },
  {
    ...page(
      '/new-password/:secret',
      async () => (await import('../features/sign-in/new-password.tsx')).NewPassword,
    ),
    ErrorBoundary: PageFault,
  },
  {
    ...pending,
    ErrorBoundary: PageFault,
    lazy: () => withOutbox(async () => (await import('./signed-in.tsx')).SignedIn),
    children: [
      {
        path: '/',
        ...pending,
        lazy: async () => ({ Component: (await import('./desk.tsx')).Desk }),
        children: [
          {
            index: true,
            ...pending,
            lazy: async () => ({ Component: (await import('../features/today/today.tsx')).Today }),
          },
          // On a narrow screen the rack has a page of its own; on a wide one it stands beside Today.
          page('lifters', async () => (await import('../features/today/today.tsx')).Today),
          page('guide', async () => (await import('../features/guide/guide.tsx')).Guide),
          page('account', async () => (await import('../features/account/account.tsx')).OwnAccount),
          {
            path: 'club',
            ...pending,
            lazy: async () => ({ Component: (await import('../features/club/club-page.tsx')).ClubPage }),
            children: [
              page('', async () => (await import('../features/club/club.tsx')).Club),
              page('import', async () => (await import('../features/imports/imports.tsx')).Imports),
              page('people', async () => (await import('../features/club/people.tsx')).People),
              page('settings', async () => (await import('../features/club/settings.tsx')).Settings),
              page('api', async () => (await import('../features/club/api-tokens.tsx')).ApiTokens),
              page('export', async () => (await import('../features/club/export.tsx')).ClubExport),
              page('backups', async () => (await import('../features/club/backups.tsx')).Backups),
              page('deeds', async () => (await import('../features/club/deeds.tsx')).Deeds),
            ],
          },
          planned('kit', async () => (await import('../features/kit/kit.tsx')).Kit),
          planned('kit/new', async () => (await import('../features/kit/kit.tsx')).Kit),
          planned('kit/:venueId', async () => (await import('../features/kit/kit.tsx')).Kit),
          planned('lifters/new', async () => (await import('../features/lifters/new-lifter.tsx')).NewLifter),
          planned(
            'lifters/archived',
            async () => (await import('../features/lifters/archived.tsx')).Archived,
          ),
          {
            path: 'lifters/:lifterId',
            ...pending,
            lazy: async () => ({ Component: (await import('../features/sheet/sheet.tsx')).Sheet }),
            children: [
              { index: true, element: <Navigate to="calls" replace /> },
              page('calls', async () => (await import('../features/sheet/calls.tsx')).Calls),
              page('calls/:sessionId', async () => (await import('../features/sheet/calls.tsx')).Calls),
              planned('profile', async () => (await import('../features/lifters/profile.tsx')).Profile),
              page('log', async () => (await import('../features/log/log.tsx')).Log),
              page('hands', async () => (await import('../features/hands/hands.tsx')).Hands),
              planned('program', async () => (await import('../features/program/program.tsx')).Program),
              page('ramp', async () => (await import('../features/sheet/ramp.tsx')).Ramp),
              page('curve', async () => (await import('../features/sheet/curve.tsx')).Curve),
              page(
                'track-record',
                async () => (await import('../features/sheet/track-record.tsx')).TrackRecord,
              ),
              page('holds', async () => (await import('../features/holds/holds.tsx')).Holds),
              page('squeeze', async () => (await import('../features/squeeze/squeeze.tsx')).Squeeze),
              page('grippers', async () => (await import('../features/squeeze/grippers.tsx')).Grippers),
              page('compare', async () => (await import('../features/compare/compare.tsx')).Compare),
            ],
          },
          {
            path: 'practice',
            ...pending,
            lazy: async () => ({
              Component: (await import('../features/practice/practice-book.tsx')).PracticeBook,
            }),
            children: [
              { index: true, element: <Navigate to="schools" replace /> },
              planned(
                'schools/:schoolId',
                async () => (await import('../features/practice/club-school.tsx')).ClubSchool,
              ),
              page('schools', async () => (await import('../features/practice/schools.tsx')).Schools),
              page('rules', async () => (await import('../features/practice/rules.tsx')).Rules),
              page('lifts', async () => (await import('../features/practice/lifts.tsx')).Lifts),
              page('holds', async () => (await import('../features/practice/holds.tsx')).Holds),
              page('set-up', async () => (await import('../features/practice/set-up.tsx')).SetUp),
              page('curve', async () => (await import('../features/practice/curve-words.tsx')).CurveWords),
              page('slips', async () => (await import('../features/practice/slips.tsx')).Slips),
            ],
          },
        ],
      },
      page('/cards', async () => (await import('../features/cards/cards.tsx')).TodaysCards),
      page('/cards/week/:lifterId/:day', async () => (await import('../features/cards/cards.tsx')).WeekCard),
      page('/cards/:sessionId', async () => (await import('../features/cards/cards.tsx')).OneCard),
      page('/floor', async () => (await import('../features/floor/floor-start.tsx')).FloorStart),
      page('/floor/:sessionIds', async () => (await import('../features/floor/floor.tsx')).Floor),
      page('/live/:sessionIds', async () => (await import('../features/live/live.tsx')).Live),
      page(
        '/sessions/:sessionId/end',
        async () => (await import('../features/floor/session-end.tsx')).SessionEnd,
      ),
    ],
  },
  { path: '*', ...pending, lazy: async () => ({ Component: (await import('./nowhere.tsx')).Nowhere }) },
];

export const router = createBrowserRouter(routes);
