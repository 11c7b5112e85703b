import type { ComponentType } from 'react';
import { createBrowserRouter, Navigate, type RouteObject } from 'react-router';
import { openOutbox } from '../offline/own-outbox.ts';
import { PageFault } from './page-fault.tsx';
import { Titled, type PageHandle } from './page-title.tsx';
import { SignIn } from '../features/sign-in/sign-in.tsx';
import { Loading } from '../ui/states.tsx';

const pending = { HydrateFallback: () => <Loading what="the page" /> };

/** A part that shows what waits to be sent: the device's database is opened while it is fetched. */
async function withOutbox(load: () => Promise<ComponentType>): Promise<{ Component: ComponentType }> {
  const [Component] = await Promise.all([load(), openOutbox()]);
  return { Component };
}

/** A page of a screen by its name, fetched when first visited. */
const page = (path: string, title: string, load: () => Promise<ComponentType>): RouteObject => ({
  path,
  handle: { title } satisfies PageHandle,
  ...pending,
  lazy: async () => ({ Component: await load() }),
});

/** The same for a page on which coaches plan. */
const planned = (path: string, title: string, load: () => Promise<ComponentType>): RouteObject =>
  page(path, title, async () => {
    const [Shown, { Planning }] = await Promise.all([load(), import('./planning.tsx')]);
    return () => (
      <Planning>
        <Shown />
      </Planning>
    );
  });

/**
 * Every screen has an address and is fetched when first visited.
 * @param answers settles once the first page may be drawn.
 */
const routesAfter = (answers: Promise<void>): RouteObject[] => [
  {
    path: '/sign-in',
    handle: { title: 'Sign in' } satisfies PageHandle,
    ErrorBoundary: PageFault,
    // With the rest: it is small, and whoever comes for the first time waits for it.
    Component: SignIn,
  },
  {
    ...page(
      '/shared/:secret',
      'Coming sessions',
      async () => (await import('../features/cards/shared.tsx')).Shared,
    ),
    ErrorBoundary: PageFault,
  },
  {
    ...page('/join/:secret', 'Invitation', async () => (await import('../features/sign-in/join.tsx')).Join),
    ErrorBoundary: PageFault,
  },
  {
    ...page(
      '/set-up',
      'A club of your own',
      async () => (await import('../features/sign-in/set-up.tsx')).SetUp,
    ),
    ErrorBoundary: PageFault,
  },
  {
    ...page(
      '/set-up/export',
      'Bring a club back',
      async () => (await import('../features/sign-in/bring-club.tsx')).BringClub,
    ),
    ErrorBoundary: PageFault,
  },
  {
    ...page(
      '/new-password/:secret',
      'New password',
      async () => (await import('../features/sign-in/new-password.tsx')).NewPassword,
    ),
    ErrorBoundary: PageFault,
  },
  {
    ...pending,
    ErrorBoundary: PageFault,
    lazy: () =>
      withOutbox(async () => {
        const [{ SignedIn }] = await Promise.all([import('./signed-in.tsx'), answers]);
        return SignedIn;
      }),
    children: [
      {
        path: '/',
        ...pending,
        lazy: async () => ({ Component: (await import('./desk.tsx')).Desk }),
        children: [
          {
            index: true,
            handle: { title: 'Today' } satisfies PageHandle,
            ...pending,
            lazy: async () => ({ Component: (await import('../features/today/today.tsx')).Today }),
          },
          // On a narrow screen the rack has a page of its own; on a wide one it stands beside Today.
          page('lifters', 'Lifters', async () => (await import('../features/today/today.tsx')).Today),
          page('guide', 'Guide', async () => (await import('../features/guide/guide.tsx')).Guide),
          page(
            'account',
            'Your account',
            async () => (await import('../features/account/account.tsx')).OwnAccount,
          ),
          {
            path: 'club',
            ...pending,
            lazy: async () => ({ Component: (await import('../features/club/club-page.tsx')).ClubPage }),
            children: [
              page('', 'Who needs attention', async () => (await import('../features/club/club.tsx')).Club),
              page('import', 'Import', async () => (await import('../features/imports/imports.tsx')).Imports),
              page('people', 'People', async () => (await import('../features/club/people.tsx')).People),
              page(
                'settings',
                'Settings',
                async () => (await import('../features/club/settings.tsx')).Settings,
              ),
              page('api', 'API', async () => (await import('../features/club/api-tokens.tsx')).ApiTokens),
              page('export', 'Export', async () => (await import('../features/club/export.tsx')).ClubExport),
              page('backups', 'Backups', async () => (await import('../features/club/backups.tsx')).Backups),
              page('deeds', 'Who did what', async () => (await import('../features/club/deeds.tsx')).Deeds),
            ],
          },
          planned('kit', 'Kit', async () => (await import('../features/kit/kit.tsx')).Kit),
          planned('kit/new', 'New venue', async () => (await import('../features/kit/kit.tsx')).Kit),
          planned('kit/:venueId', 'Kit', async () => (await import('../features/kit/kit.tsx')).Kit),
          planned(
            'lifters/new',
            'New lifter',
            async () => (await import('../features/lifters/new-lifter.tsx')).NewLifter,
          ),
          planned(
            'lifters/archived',
            'Archived lifters',
            async () => (await import('../features/lifters/archived.tsx')).Archived,
          ),
          {
            path: 'lifters/:lifterId',
            ...pending,
            lazy: async () => ({ Component: (await import('../features/sheet/sheet.tsx')).Sheet }),
            children: [
              { index: true, element: <Navigate to="calls" replace /> },
              page('calls', 'Calls', async () => (await import('../features/sheet/calls.tsx')).Calls),
              page(
                'calls/:sessionId',
                'Calls',
                async () => (await import('../features/sheet/calls.tsx')).Calls,
              ),
              planned(
                'profile',
                'Profile',
                async () => (await import('../features/lifters/profile.tsx')).Profile,
              ),
              page('log', 'Log', async () => (await import('../features/log/log.tsx')).Log),
              page('hands', 'Hands', async () => (await import('../features/hands/hands.tsx')).Hands),
              planned(
                'program',
                'Program',
                async () => (await import('../features/program/program.tsx')).Program,
              ),
              page('ramp', 'Ramp', async () => (await import('../features/sheet/ramp.tsx')).Ramp),
              page('curve', 'Curve', async () => (await import('../features/sheet/curve.tsx')).Curve),
              page(
                'track-record',
                'Track record',
                async () => (await import('../features/sheet/track-record.tsx')).TrackRecord,
              ),
              page('holds', 'Holds', async () => (await import('../features/holds/holds.tsx')).Holds),
              page(
                'squeeze',
                'Squeeze',
                async () => (await import('../features/squeeze/squeeze.tsx')).Squeeze,
              ),
              page(
                'grippers',
                'Grippers',
                async () => (await import('../features/squeeze/grippers.tsx')).Grippers,
              ),
              page(
                'compare',
                'Compare',
                async () => (await import('../features/compare/compare.tsx')).Compare,
              ),
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
                'School of the club',
                async () => (await import('../features/practice/club-school.tsx')).ClubSchool,
              ),
              page(
                'schools',
                'Schools',
                async () => (await import('../features/practice/schools.tsx')).Schools,
              ),
              page('rules', 'Rules', async () => (await import('../features/practice/rules.tsx')).Rules),
              page(
                'lifts',
                'Lifts and exercises',
                async () => (await import('../features/practice/lifts.tsx')).Lifts,
              ),
              page('holds', 'Holds', async () => (await import('../features/practice/holds.tsx')).Holds),
              page(
                'set-up',
                'Setting up',
                async () => (await import('../features/practice/set-up.tsx')).SetUp,
              ),
              page(
                'curve',
                'The curve',
                async () => (await import('../features/practice/curve-words.tsx')).CurveWords,
              ),
              page(
                'slips',
                'Slips and mistakes',
                async () => (await import('../features/practice/slips.tsx')).Slips,
              ),
            ],
          },
        ],
      },
      page('/cards', 'Today’s cards', async () => (await import('../features/cards/cards.tsx')).TodaysCards),
      page(
        '/cards/week/:lifterId/:day',
        'Card of the week',
        async () => (await import('../features/cards/cards.tsx')).WeekCard,
      ),
      page('/cards/:sessionId', 'Card', async () => (await import('../features/cards/cards.tsx')).OneCard),
      page('/floor', 'The floor', async () => (await import('../features/floor/floor-start.tsx')).FloorStart),
      page(
        '/floor/:sessionIds',
        'The floor',
        async () => (await import('../features/floor/floor.tsx')).Floor,
      ),
      page(
        '/live/:sessionIds',
        'The floor, followed',
        async () => (await import('../features/live/live.tsx')).Live,
      ),
      page(
        '/sessions/:sessionId/end',
        'How it went',
        async () => (await import('../features/floor/session-end.tsx')).SessionEnd,
      ),
    ],
  },
  page('*', 'Nothing at this address', async () => (await import('./nowhere.tsx')).Nowhere),
];

export const makeRouter = (answers: Promise<void>): ReturnType<typeof createBrowserRouter> =>
  createBrowserRouter([{ ...pending, Component: Titled, children: routesAfter(answers) }]);
