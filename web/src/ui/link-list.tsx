import type { ShareLinkView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import type { ReactElement } from 'react';
import { Button } from './button.tsx';

const day = (at: string): string => format(parseISO(at), 'd MMM yyyy');

/** Links that were made, each taken back in one click. */
export function LinkList({
  links,
  now,
  removing,
  onRemove,
}: {
  links: readonly ShareLinkView[];
  /** ISO 8601: what ended before it has run out. */
  now: string;
  removing: boolean;
  onRemove: (id: string) => void;
}): ReactElement {
  return (
    <ul>
      {links.map((link) => {
        const over = link.expiresAt < now;
        return (
          <li key={link.id} className="flex flex-wrap items-center gap-x-3 border-b border-rule py-1.5">
            <span className={link.revoked || over ? 'grow text-quiet' : 'grow'}>
              made {day(link.madeAt)} by {link.madeBy}, {link.ahead} days ahead
              {link.health && ', hands and cautions too'},{' '}
              {link.revoked
                ? `taken back ${day(link.revoked.at)} by ${link.revoked.by}`
                : over
                  ? `ran out ${day(link.expiresAt)}`
                  : `lasts until ${day(link.expiresAt)}`}
            </span>
            {!link.revoked && !over && (
              <Button look="quiet" disabled={removing} onClick={() => onRemove(link.id)}>
                Remove
              </Button>
            )}
          </li>
        );
      })}
    </ul>
  );
}
