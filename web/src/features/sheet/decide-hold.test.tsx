/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import type { HoldDecisionView } from '@iron-clasp/contract';
import type { HoldPrescription } from '@iron-clasp/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { DecideHold } from './decide-hold.tsx';

const HOLD = { kind: 'frontRackHold', sets: 2, seconds: 10, load: 116 } as unknown as HoldPrescription;
const sent: { method: string; path: string; body: unknown }[] = [];
beforeEach(() => {
  sent.length = 0;
  Object.assign(globalThis, {
    fetch: async (path: string, { method = 'GET', body }: RequestInit) => {
      sent.push({ method, path, body: body === undefined ? null : JSON.parse(String(body)) });
      return { status: 200, ok: true, headers: new Headers(), json: async () => ({}) };
    },
  });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
});
const open = (decision: HoldDecisionView | null, hold: HoldPrescription = HOLD): void => {
  render(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient()}>
        <DecideHold hold={hold} decision={decision} lifterId="l" sessionId="s" />
      </QueryClientProvider>
    </MemoryRouter>,
  );
};

it.each([
  ['Accept', 'accepted'],
  ['Skip', 'skipped'],
])('%s decides the hold of its kind where it stands', async (name, what) => {
  open(null);
  await userEvent.click(screen.getByRole('button', { name }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]).toMatchObject({
    method: 'PUT',
    path: expect.stringMatching(/^\/api\/sessions\/s\/hold-decisions\/[0-9a-f-]{36}$/),
    body: { kind: 'frontRackHold', what },
  });
});

it('a barred hold is not accepted, and may be left out', () => {
  open(null, { ...HOLD, barred: { ruleId: 'b', rank: 'safety', text: 'Torn skin.' } });
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Accept' }).disabled).toBe(true);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Skip' }).disabled).toBe(false);
});

it('what was decided says by whom, and is taken back', async () => {
  open({ id: 'd', what: 'accepted', by: 'Maren Solvik' } as unknown as HoldDecisionView);
  expect(screen.getByText('accepted by Maren Solvik')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]).toMatchObject({ method: 'DELETE', path: '/api/sessions/s/hold-decisions/d' });
});
