import type { MadeLinkView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { Button } from './button.tsx';

/** The one time an address is shown that opens something to whoever holds it. */
export function MadeAddress({ link, what }: { link: MadeLinkView; what: string }): ReactElement {
  const [copied, setCopied] = useState(false);
  const address = `${window.location.origin}${link.path}`;
  return (
    <div role="status" className="mt-3 border-l-4 border-verdigris bg-raised px-4 py-3">
      <p>
        The {what} is made and lasts until {format(parseISO(link.expiresAt), 'd MMM yyyy')}. Its address is
        shown this once; send it on:
      </p>
      <p className="mt-1 flex flex-wrap items-center gap-2">
        <input
          readOnly
          aria-label="Address"
          value={address}
          onFocus={(event) => event.target.select()}
          className="control min-w-0 grow"
        />
        <Button onClick={() => void navigator.clipboard?.writeText(address).then(() => setCopied(true))}>
          {copied ? 'Copied' : 'Copy'}
        </Button>
      </p>
    </div>
  );
}
