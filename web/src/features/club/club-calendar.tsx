import type { MadeLinkView } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { clockNow } from '../../data/clock.ts';
import { useCalendarLinks, useMakeCalendarLink, useRevokeCalendarLink } from '../../data/sharing/sharing.ts';
import { LinkList } from '../../ui/link-list.tsx';
import { MadeAddress } from '../../ui/made-address.tsx';
import { NewLink } from '../../ui/new-link.tsx';
import { Failed, Loading } from '../../ui/states.tsx';

const LASTS = [
  [90, 'three months'],
  [366, 'a year'],
] as const;
const AHEAD = [
  [29, 'four weeks ahead'],
  [90, 'three months ahead'],
] as const;

/** The club's sessions, meets and tests in whatever calendar its coaches use. */
export function ClubCalendar(): ReactElement {
  const links = useCalendarLinks();
  const make = useMakeCalendarLink();
  const revoke = useRevokeCalendarLink();
  const [made, setMade] = useState<MadeLinkView | null>(null);
  const failed = make.error ?? revoke.error;
  return (
    <section aria-label="Calendar of the club" className="mt-8 grid max-w-xl gap-3">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Calendar</h2>
      <p className="text-quiet">
        Sessions, meets and tests of every lifter, by name, in the calendar that you use: it follows the
        address and looks again every hour. Nothing of hands or health is in it. Whoever has the address reads
        it.
      </p>
      {links.isPending && <Loading what="the links" lines={2} />}
      {links.error && !links.data && <Failed error={links.error} retry={() => void links.refetch()} />}
      {links.data && (
        <LinkList
          links={links.data}
          now={clockNow().toISOString()}
          removing={revoke.isPending}
          onRemove={(id) => revoke.mutate(id)}
        />
      )}
      <NewLink
        {...{ shows: AHEAD, lasts: LASTS, usual: { ahead: AHEAD[1][0], days: LASTS[1][0] } }}
        making={make.isPending}
        onMake={(chosen) => make.mutate(chosen, { onSuccess: setMade })}
      />
      {failed && <Failed error={failed} />}
      {made && <MadeAddress link={made} what="link to the calendar" />}
    </section>
  );
}
