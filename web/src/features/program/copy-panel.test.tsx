/** @jest-environment jsdom */
import { findUndo } from '../../ui/component.test-helper.ts';
import { jest } from '@jest/globals';
import type { CopyView } from '@iron-clasp/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Toasts } from '../../ui/toast.tsx';
import { CopyPanel } from './copy-panel.tsx';
import type { Copied } from './open-session.ts';

const ODALYS = '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c11';
const TEODOR = '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c12';
const SESSION = '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c13';
const WRITTEN = '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c14';
const HEAVY: Copied = { kind: 'session', from: { sessionId: SESSION }, title: 'Heavy', on: '2026-11-24' };
const COPIED: CopyView = {
  lifters: [
    {
      ...{ lifterId: ODALYS, name: 'Odalys Brandt', kept: [], written: [] },
      refused: 'Bench is on Tuesday 1 December already.',
    },
    {
      ...{ lifterId: TEODOR, name: 'Teodor Vance', kept: ['Curl volume 3x12 @ 25kg'], refused: null },
      written: [{ id: WRITTEN, version: 1, on: '2026-12-01' }],
    },
  ],
};

const sent: { method: string; path: string; body: unknown }[] = [];
const json = (status: number, body: unknown): Response =>
  ({ status, ok: status < 400, headers: new Headers(), json: async () => body }) as unknown as Response;
beforeEach(() => {
  sent.length = 0;
  Object.assign(globalThis, {
    fetch: async (path: string, { method = 'GET', body }: RequestInit) => {
      if (method === 'GET')
        return json(200, {
          lifters: [
            { id: ODALYS, name: 'Odalys Brandt' },
            { id: TEODOR, name: 'Teodor Vance' },
          ],
          next: null,
        });
      sent.push({ method, path, body: body === undefined ? null : JSON.parse(String(body)) });
      return path.includes('/copies/') ? json(200, COPIED) : json(204, undefined);
    },
  });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
});

const onDone = jest.fn();
const open = (what: Copied = HEAVY): void => {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Toasts>
        <CopyPanel what={what} lifterId={ODALYS} today="2026-11-24" onDone={onDone} />
      </Toasts>
    </QueryClientProvider>,
  );
};

it('goes to everybody ticked, a week on, at the same share of their best', async () => {
  open();
  await userEvent.click(await screen.findByRole('checkbox', { name: 'Teodor Vance' }));
  await userEvent.click(screen.getByRole('button', { name: 'Copy to 2 lifters' }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]).toMatchObject({
    method: 'PUT',
    path: expect.stringMatching(/^\/api\/copies\//),
    body: { from: { sessionId: SESSION }, lifters: [ODALYS, TEODOR], on: '2026-12-01', loads: 'own' },
  });
});

it('says for whom it was written, for whom not, and which loads stayed; undo takes back what was written', async () => {
  open();
  await userEvent.click(await screen.findByRole('button', { name: 'Copy' }));
  const outcome = within(await screen.findByRole('status', { name: 'What was copied' }));
  expect(outcome.getByText(/Bench is on Tuesday 1 December already/)).toBeTruthy();
  expect(outcome.getByText(/Curl volume 3x12 @ 25kg/)).toBeTruthy();
  await userEvent.click(await findUndo());
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent[1]).toMatchObject({ method: 'DELETE', path: `/api/sessions/${WRITTEN}?version=1` });
  expect(screen.queryByRole('status', { name: 'What was copied' })).toBeNull();
});

it('nobody ticked is nobody copied to', async () => {
  open();
  await userEvent.click(await screen.findByRole('checkbox', { name: 'Odalys Brandt' }));
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Copy' }).disabled).toBe(true);
});

it('a plan of the library has no loads of its own to keep', async () => {
  open({ kind: 'week', from: { planId: SESSION }, title: 'Base week', on: null });
  expect(await screen.findByRole('heading', { name: 'Write: Base week' })).toBeTruthy();
  expect(screen.queryByText('as written')).toBeNull();
  expect(screen.queryByRole('button', { name: 'Save to the library' })).toBeNull();
  // Of a week that has begun days are past already: it goes to the next one.
  await userEvent.click(screen.getByRole('button', { name: 'Copy' }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]!.body).toMatchObject({ from: { planId: SESSION }, on: '2026-11-30', loads: 'own' });
});

it('is kept in the library under its title, and Enter there copies nothing', async () => {
  open();
  await userEvent.click(await screen.findByRole('button', { name: 'Save to the library' }));
  await userEvent.type(screen.getByLabelText('Title in the library'), ' singles{Enter}');
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]).toMatchObject({
    path: expect.stringMatching(/^\/api\/library\//),
    body: { title: 'Heavy singles', from: { sessionId: SESSION }, version: 0 },
  });
});
