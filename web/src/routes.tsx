import type { ComponentType } from 'react';
import { createBrowserRouter, Navigate, type RouteObject } from 'react-router';
import { PageFault } from './parts/page-fault.tsx';
import { Loading } from './parts/states.tsx';

const pending = { HydrateFallback: () => <Loading what="the page" /> };

/** A page of a screen, fetched when first visited. */
const page = (path: string, load: () => Promise<ComponentType>): RouteObject => ({
  path,
  ...pending,
  lazy: async () => ({ Component: await load() }),
});

/** Every screen has an address and is fetched when first visited. */
const routes: RouteObject[] = [
  {
    path: '/sign-in',
    ...pending,
    ErrorBoundary: PageFault,
    lazy: async () => ({ Component: (await import('./sign-in/sign-in.tsx')).SignIn }),
  },
  {
    ...page('/shared/:secret', async () => (await import('./shared/shared.tsx')).Shared),
    ErrorBoundary: PageFault,
  },
  {
    ...page('/join/:secret', async () => (await import('./shared/join.tsx')).Join),
    ErrorBoundary: PageFault,
  },
  {
    ...pending,
    ErrorBoundary: PageFault,
    lazy: async () => ({ Component: (await import('./sign-in/signed-in.tsx')).SignedIn }),
    children: [
      {
        path: '/',
        ...pending,
        lazy: async () => ({ Component: (await import('./rack/desk.tsx')).Desk }),
        children: [
          {
            index: true,
            ...pending,
            lazy: async () => ({ Component: (await import('./rack/no-lifter.tsx')).NoLifter }),
          },
          page('club', async () => (await import('./club/club.tsx')).Club),
          page('kit', async () => (await import('./kit/kit.tsx')).Kit),
          page('kit/new', async () => (await import('./kit/kit.tsx')).Kit),
          page('kit/:venueId', async () => (await import('./kit/kit.tsx')).Kit),
          page('lifters/new', async () => (await import('./lifters/new-lifter.tsx')).NewLifter),
          page('lifters/archived', async () => (await import('./lifters/archived.tsx')).Archived),
          {
            path: 'lifters/:lifterId',
            ...pending,
            lazy: async () => ({ Component: (await import('./sheet/sheet.tsx')).Sheet }),
            children: [
              { index: true, element: <Navigate to="calls" replace /> },
              page('calls', async () => (await import('./sheet/calls.tsx')).Calls),
              page('profile', async () => (await import('./lifters/profile.tsx')).Profile),
              page('log', async () => (await import('./log/log.tsx')).Log),
              page('hands', async () => (await import('./hands/hands.tsx')).Hands),
              page('program', async () => (await import('./program/program.tsx')).Program),
              page('ramp', async () => (await import('./sheet/ramp.tsx')).Ramp),
              page('curve', async () => (await import('./sheet/curve.tsx')).Curve),
              page('holds', async () => (await import('./holds/holds.tsx')).Holds),
              page('squeeze', async () => (await import('./squeeze/squeeze.tsx')).Squeeze),
              page('grippers', async () => (await import('./grippers/grippers.tsx')).Grippers),
              page('compare', async () => (await import('./compare/compare.tsx')).Compare),
            ],
          },
          {
            path: 'practice',
            ...pending,
            lazy: async () => ({ Component: (await import('./practice/practice-book.tsx')).PracticeBook }),
            children: [
              { index: true, element: <Navigate to="schools" replace /> },
              page('schools/:schoolId', async () => (await import('./practice/club-school.tsx')).ClubSchool),
              page('schools', async () => (await import('./practice/schools.tsx')).Schools),
              page('rules', async () => (await import('./practice/rules.tsx')).Rules),
              page('lifts', async () => (await import('./practice/lifts.tsx')).Lifts),
              page('holds', async () => (await import('./practice/holds.tsx')).Holds),
              page('set-up', async () => (await import('./practice/set-up.tsx')).SetUp),
              page('curve', async () => (await import('./practice/curve-words.tsx')).CurveWords),
              page('slips', async () => (await import('./practice/slips.tsx')).Slips),
            ],
          },
        ],
      },
      page('/cards', async () => (await import('./cards/cards.tsx')).TodaysCards),
      page('/cards/:sessionId', async () => (await import('./cards/cards.tsx')).OneCard),
      page('/floor', async () => (await import('./floor/floor-start.tsx')).FloorStart),
      page('/floor/:sessionIds', async () => (await import('./floor/floor.tsx')).Floor),
      page('/live/:sessionIds', async () => (await import('./live/live.tsx')).Live),
      page('/sessions/:sessionId/end', async () => (await import('./floor/session-end.tsx')).SessionEnd),
    ],
  },
  { path: '*', ...pending, lazy: async () => ({ Component: (await import('./parts/nowhere.tsx')).Nowhere }) },
];

export const router = createBrowserRouter(routes);
