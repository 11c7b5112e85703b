import type { MadeLinkView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import type { ReactElement } from 'react';
import { ShownOnce } from './shown-once.tsx';

/** The one time an address is shown that opens something to whoever holds it. */
export function MadeAddress({ link, what }: { link: MadeLinkView; what: string }): ReactElement {
  const until = format(parseISO(link.expiresAt), 'd MMM yyyy');
  return (
    <ShownOnce
      words={`The ${what} is made and lasts until ${until}. Its address is shown this once; send it on:`}
      label="Address"
      value={`${window.location.origin}${link.path}`}
    />
  );
}
