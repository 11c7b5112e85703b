/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import { jest } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { AccountContext, type Account } from '../../data/session/account.ts';
import { Toasts } from '../../ui/toast.tsx';
import { Mapping } from './map-columns.tsx';
import { openFile } from './mapping.ts';

const ACCOUNT: Account = {
  ...{
    id: 'a',
    name: 'Maren',
    email: 'm@x.example',
    unit: 'kg',
    theme: 'light',
    role: 'coach',
    lifterId: null,
  },
};
const FILE = openFile('log.csv', 'Date;Athlete;Lift;kg;Reps;Grip\n3.4.2026;Ana;Deadlift;180;1;hook');
const FOUND = {
  rows: 1,
  things: 1200,
  known: 0,
  days: 3,
  lifters: 1,
  from: null,
  to: null,
  faults: [],
  leftOut: 0,
};

const json = (body: unknown): Response =>
  ({ status: 200, ok: true, headers: new Headers(), json: async () => body }) as unknown as Response;
const sent: { method: string; path: string; body?: Record<string, unknown> }[] = [];
let bring: (signal: AbortSignal) => Promise<Response>;
beforeEach(() => {
  sent.length = 0;
  window.localStorage.clear();
  // The page of the tests has none of these.
  Object.assign(AbortSignal, {
    timeout: () => new AbortController().signal,
    any: ([first]: AbortSignal[]) => first!,
  });
  Object.assign(globalThis, {
    fetch: async (path: string, { method = 'GET', body, signal }: RequestInit) => {
      sent.push({ method, path, ...(body && { body: JSON.parse(String(body)) as Record<string, unknown> }) });
      if (path.endsWith('/venues')) return json([{ id: 'v', name: 'Rope works' }]);
      if (path.includes('/lifters'))
        return json({ lifters: [{ id: 'ana', name: 'Ana Lind' }], total: 1, next: null });
      if (path.endsWith('/squeeze-protocols')) return json([]);
      if (path.endsWith('/imports/preview')) return json(FOUND);
      if (path.endsWith('/progress')) return json({ progress: { done: 800, of: 2000 } });
      return bring(signal!);
    },
  });
});

const onDone = jest.fn();
async function lookedAt(): Promise<void> {
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <AccountContext value={ACCOUNT}>
        <Toasts>
          <Mapping file={FILE} onDone={onDone} />
        </Toasts>
      </AccountContext>
    </QueryClientProvider>,
  );
  await userEvent.click(await screen.findByRole('button', { name: 'Look at the rows' }));
  await userEvent.click(await screen.findByRole('button', { name: 'Bring in 1,200 sets' }));
}

it('says how far it has come, and ends where it is cancelled, with everything still mapped', async () => {
  bring = (signal) =>
    new Promise((_, reject) => {
      signal.addEventListener('abort', () => reject(new Error('aborted')));
    });
  await lookedAt();
  expect(await screen.findByText(/Bringing in 1,200 sets … 40 %/)).toBeTruthy();
  expect(screen.getByRole('progressbar', { name: 'Rows brought in' }).getAttribute('aria-valuenow')).toBe(
    '800',
  );
  await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
  expect(await screen.findByText('Ended. Nothing was brought in.')).toBeTruthy();
  expect(onDone).not.toHaveBeenCalled();
  expect(screen.getByRole('button', { name: 'Bring in 1,200 sets' })).toBeTruthy();
});

it('is sent as it was looked at, and says where it is then', async () => {
  bring = async () => json({ done: FOUND, imports: [] });
  await lookedAt();
  await waitFor(() => expect(onDone).toHaveBeenCalled());
  expect(await screen.findByText('1,200 sets of log.csv are in the log.')).toBeTruthy();
  const [preview, put] = sent.filter(({ body }) => body);
  expect(put!.body).toEqual(preview!.body);
  expect(put!.body).toMatchObject({
    ...{ kind: 'training', columns: { day: 0, lifter: 1, lift: 2, load: 3, reps: 4, grip: 5 }, venueId: 'v' },
    lifters: [{ name: 'Ana', lifterId: 'ana' }],
  });
});
