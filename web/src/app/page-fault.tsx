import type { ReactElement } from 'react';
import { useRouteError } from 'react-router';
import { Button } from '../ui/button.tsx';

/** The last net: a page that broke, or whose newer version is not here any more. */
export function PageFault(): ReactElement {
  const error = useRouteError();
  const outdated =
    error instanceof Error && /dynamically imported module|module script|Importing/i.test(error.message);
  return (
    <main className="mx-auto max-w-prose p-8">
      <h1 className="text-4xl">{outdated ? 'This page is out of date' : 'This page broke'}</h1>
      <p className="my-4">
        {outdated
          ? 'Iron Clasp was updated since you opened it. Reload to go on; what you logged is kept.'
          : 'What you logged is kept on this device. Reload; if it breaks again, tell us what you did last.'}
      </p>
      <Button look="action" onClick={() => window.location.reload()}>
        Reload
      </Button>
    </main>
  );
}
