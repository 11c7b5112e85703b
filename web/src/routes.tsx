import { createBrowserRouter, Navigate, type RouteObject } from 'react-router';
import { PageFault } from './parts/page-fault.tsx';
import { Loading } from './parts/states.tsx';

const pending = { HydrateFallback: () => <Loading what="the page" /> };

/** Every screen has an address and is fetched when first visited. */
const routes: RouteObject[] = [
  {
    path: '/sign-in',
    ...pending,
    ErrorBoundary: PageFault,
    lazy: async () => ({ Component: (await import('./sign-in/sign-in.tsx')).SignIn }),
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
          {
            path: 'lifters/:lifterId',
            ...pending,
            lazy: async () => ({ Component: (await import('./sheet/sheet.tsx')).Sheet }),
            children: [
              { index: true, element: <Navigate to="calls" replace /> },
              {
                path: 'calls',
                ...pending,
                lazy: async () => ({ Component: (await import('./sheet/calls.tsx')).Calls }),
              },
              {
                path: 'hands',
                ...pending,
                lazy: async () => ({ Component: (await import('./hands/hands.tsx')).Hands }),
              },
              {
                path: 'curve',
                ...pending,
                lazy: async () => ({ Component: (await import('./sheet/curve.tsx')).Curve }),
              },
            ],
          },
        ],
      },
      {
        path: '/floor/:sessionId',
        ...pending,
        lazy: async () => ({ Component: (await import('./floor/floor.tsx')).Floor }),
      },
    ],
  },
  { path: '*', ...pending, lazy: async () => ({ Component: (await import('./parts/nowhere.tsx')).Nowhere }) },
];

export const router = createBrowserRouter(routes);
