/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { lastHere } from '../../data/session/last-here.ts';
import { signedOut } from '../../data/session/query-client.ts';
import { saysWhoIsHere, serverSays } from '../../data/session/server-says.test-helper.ts';
import { useSession } from '../../data/session/session.ts';
import { useSignOut } from './use-sign-out.ts';

/** A page with its button, which is taken away once nobody is known to be signed in. */
function Inside(): ReactNode {
  const session = useSession();
  return session.data ? <Leave /> : <p>Loading</p>;
}
function Leave(): ReactNode {
  const signOut = useSignOut();
  return (
    <button type="button" onClick={() => signOut.mutate()}>
      Sign out
    </button>
  );
}
const open = async (client: QueryClient): Promise<void> => {
  saysWhoIsHere(null);
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter>
        <Routes>
          <Route path="/" element={<Inside />} />
          <Route path="/sign-in" element={<p>The way in</p>} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  await screen.findByRole('button', { name: 'Sign out' });
};

it('signing out forgets whose pages these were, and leads to the sign-in page', async () => {
  await open(new QueryClient());
  serverSays(204);
  fireEvent.click(screen.getByRole('button', { name: 'Sign out' }));
  await screen.findByText('The way in');
  expect(lastHere()).toBeUndefined();
});

it('signing out leads there too where the page was told before it that nobody is signed in', async () => {
  const client = new QueryClient();
  await open(client);
  let signedOutNow = (): void => undefined;
  globalThis.fetch = ((_path: string, { method }: RequestInit) =>
    method === 'DELETE'
      ? new Promise((resolve) => {
          signedOutNow = () => resolve({ ok: true, status: 204, headers: new Headers() } as Response);
        })
      : // Who is there is asked, and not answered yet.
        new Promise(() => undefined)) as unknown as typeof fetch;
  fireEvent.click(screen.getByRole('button', { name: 'Sign out' }));
  // What else the page asked for was refused meanwhile.
  act(() => signedOut(client));
  await screen.findByText('Loading');
  act(() => signedOutNow());
  await screen.findByText('The way in');
});
