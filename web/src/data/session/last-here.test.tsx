/** @jest-environment jsdom */
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { lastHere, rememberHere } from './last-here.ts';
import { saysWhoIsHere, serverSays } from './server-says.test-helper.ts';
import { useSession } from './session.ts';

const within = ({ children }: { children: ReactNode }): ReactNode => (
  <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
    {children}
  </QueryClientProvider>
);

it.each([
  ['club', null],
  ['own', 'somebody'],
] as const)('a session of somebody with the pages “%s” is remembered', async (pages, lifterId) => {
  rememberHere(undefined);
  saysWhoIsHere(lifterId);
  const { result } = renderHook(useSession, { wrapper: within });
  await waitFor(() => expect(result.current.data).toBeDefined());
  expect(lastHere()).toBe(pages);
});

it('it is forgotten where the session has ended, and not where no answer came', async () => {
  for (const [status, pages] of [
    [503, 'club'],
    [401, undefined],
  ] as const) {
    rememberHere('club');
    serverSays(status);
    const { result } = renderHook(useSession, { wrapper: within });
    await waitFor(() => expect(result.current.error).toBeTruthy());
    expect(lastHere()).toBe(pages);
  }
});
