import type { ReactElement } from 'react';
import { Outlet, useMatches } from 'react-router';
import { usePageSubject } from '../ui/page-of.ts';

/** What a route says of its page. */
export interface PageHandle {
  /** Its name in the title of the window. */
  readonly title: string;
}

const PRODUCT = 'Iron Clasp';

/**
 * Every page within a window that says which it is: several lifters lie open side by side, and the history lists them. Whoever
 * does not see that another page came is told.
 */
export function Titled(): ReactElement {
  const handle = useMatches().at(-1)?.handle as PageHandle | undefined;
  const subject = usePageSubject();
  const words = [handle?.title, subject].filter((each) => each != null);
  return (
    <>
      <title>{[...words, PRODUCT].join(' · ')}</title>
      <p aria-live="polite" className="sr-only">
        {words.join(', ')}
      </p>
      <Outlet />
    </>
  );
}
