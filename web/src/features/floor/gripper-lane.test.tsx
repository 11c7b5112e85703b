/** @jest-environment jsdom */
import 'fake-indexeddb/auto';
import '../../ui/component.test-helper.ts';
import { jest } from '@jest/globals';
import type { FloorView, GrippersView } from '@iron-clasp/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { AccountContext, type Account } from '../../data/session/account.ts';
import { outbox } from '../../offline/own-outbox.ts';
import { GripperLane } from './gripper-lane.tsx';

const SLATE = { id: '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c21', name: 'Slate', resistance: 50 };
const work = { gripper: SLATE, probability: 0.92, sets: 2, reps: 5, reason: { text: 'Closed easily.' } };
const VIEW = {
  plans: {
    left: { working: work, opening: { sets: 2, reps: 15 }, why: [] },
    right: {
      barred: { text: 'Elbow pain of 5: no gripper goals.' },
      opening: { sets: 2, reps: 15 },
      why: [],
    },
  },
} as unknown as GrippersView;
const SESSION = { id: 's', lifterId: 'l' } as FloorView['calls']['session'];
const ACCOUNT = { id: 'a', role: 'coach', unit: 'kg', lifterId: null } as unknown as Account;

const json = (body: unknown): Response =>
  ({ status: 200, ok: true, headers: new Headers(), json: async () => body }) as unknown as Response;
const onClose = jest.fn();
beforeEach(() => {
  Object.assign(globalThis, { fetch: async () => json(VIEW) });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
  for (const { id } of outbox.all()) outbox.remove(id);
  render(
    <QueryClientProvider client={new QueryClient()}>
      <AccountContext value={ACCOUNT}>
        <GripperLane
          session={SESSION}
          accountId="a"
          moment={() => '2026-11-24T12:00:00Z'}
          onClose={onClose}
        />
      </AccountContext>
    </QueryClientProvider>,
  );
});

it('one set of the open hand stands large, and what bars the other is said', async () => {
  expect(await screen.findByText('left')).toBeTruthy();
  expect(screen.getByText('working set 1 of 2')).toBeTruthy();
  expect(screen.getByText(/no gripper goals/)).toBeTruthy();
  expect(screen.getByRole('status').textContent).toBe('0 of 2');
});

it('one tap tells a set, and the next stands there; what was told waits to be sent', async () => {
  await userEvent.click(await screen.findByRole('button', { name: 'Closed' }));
  expect(screen.getByText('working set 2 of 2')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Not closed' }));
  expect(screen.getByText('All done')).toBeTruthy();
  expect(screen.getByText('Opening after: band, 2 × 15')).toBeTruthy();
  expect(outbox.all().map(({ method, path, body }) => [method, path.split('/').slice(1, 4), body])).toEqual(
    [true, false].map((closed) => [
      'PUT',
      ['lifters', 'l', 'gripper-attempts'],
      { gripperId: SLATE.id, hand: 'left', depth: 'open', closed, doneAt: '2026-11-24T12:00:00Z' },
    ]),
  );
});

it('the last is taken back, left out or told', async () => {
  await userEvent.click(await screen.findByRole('button', { name: 'Closed' }));
  await userEvent.click(screen.getByRole('button', { name: 'Skip' }));
  expect(screen.getByText('All done')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Undo set' }));
  expect(screen.getByText('working set 2 of 2')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Undo set' }));
  expect(screen.getByText('working set 1 of 2')).toBeTruthy();
  // Never sent: nothing is left to send, or to take back on the server.
  expect(outbox.all().filter(({ body }) => body !== null)).toEqual([]);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Undo set' }).disabled).toBe(true);
});
