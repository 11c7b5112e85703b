import type { SessionView } from '@iron-clasp/contract';
import { useEffect, type ReactElement } from 'react';
import { Navigate, Outlet, useLocation } from 'react-router';
import { AccountContext } from '../data/session/account.ts';
import { useSending } from '../offline/use-outbox.ts';
import { DateHabitContext, type DateHabit } from '../ui/date-words.ts';
import { Failed, Loading } from '../ui/states.tsx';
import { useSession } from '../data/session/session.ts';

/** Lets only a signed-in account through, in its own theme, and sends what waits. */
export function SignedIn(): ReactElement {
  const session = useSession();
  const { pathname } = useLocation();
  // The floor is dark for glare, whatever the desk’s theme.
  const theme = /^\/(floor|live|sessions)(\/|$)/.test(pathname) ? 'dark' : session.data?.account.theme;
  useEffect(() => {
    if (theme) document.documentElement.dataset['theme'] = theme;
  }, [theme]);
  if (session.data)
    return (
      <AccountContext value={session.data.account}>
        <DateHabitContext value={habitOf(session.data.club)}>
          <Sending accountId={session.data.account.id} />
          <Outlet />
        </DateHabitContext>
      </AccountContext>
    );
  if (session.error?.status === 401)
    return <Navigate to={`/sign-in?next=${encodeURIComponent(pathname)}`} replace />;
  if (session.error) {
    return (
      <main className="mx-auto max-w-prose p-8">
        <h1 className="text-4xl">Iron Clasp</h1>
        <Failed error={session.error} retry={() => void session.refetch()} />
      </main>
    );
  }
  return <Loading what="Iron Clasp" />;
}

const WEEK_STARTS_ON = { sunday: 0, monday: 1, saturday: 6 } as const;
const habitOf = ({ dateOrder, weekStart }: SessionView['club']): DateHabit => ({
  order: dateOrder,
  weekStartsOn: WEEK_STARTS_ON[weekStart],
});

/** Sends what waits; a part of its own, so that nothing else is drawn anew for it. */
function Sending({ accountId }: { accountId: string }): null {
  useSending(accountId);
  return null;
}
