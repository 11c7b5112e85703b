/** @jest-environment jsdom */
import { findUndo } from '../../ui/component.test-helper.ts';
import { jest } from '@jest/globals';
import type { LibraryPlan, LibraryView } from '@iron-clasp/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Toasts } from '../../ui/toast.tsx';
import { Library } from './library.tsx';

const PLAN = '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c31';
const WEEK: LibraryPlan = {
  ...{ id: PLAN, version: 2, title: 'Base week', kind: 'week' },
  sessions: [
    {
      ...{ day: 0, title: 'Pulls', holds: ['deadHang'] },
      lines: [
        { liftId: 'deadlift.conventional', text: 'ramp top 2x1 @ 88%' },
        { liftId: 'deadlift.conventional', text: 'back-off 3x4 @ 70%' },
      ],
    },
    { day: 3, title: 'Arms', holds: [], lines: [{ liftId: 'band-opening', text: 'accessory 3x15 band' }] },
  ],
};

const sent: [method: string, path: string][] = [];
const bodies: Record<string, unknown>[] = [];
/** What the server says of the next change. */
let refusal: object | null;
let library: LibraryView;
const onDone = jest.fn();
const open = (): void => {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Toasts>
        <Library lifterId="l" today="2026-11-24" onDone={onDone} />
      </Toasts>
    </QueryClientProvider>,
  );
};
beforeEach(() => {
  sent.length = 0;
  bodies.length = 0;
  refusal = null;
  window.localStorage.clear();
  library = { plans: [WEEK] };
  const json = (body: unknown, status = 200): unknown => ({
    status,
    ok: status === 200,
    headers: new Headers(),
    json: async () => body,
  });
  Object.assign(globalThis, {
    fetch: async (path: string, { method = 'GET', body }: RequestInit) => {
      if (method !== 'GET') sent.push([method, path]);
      if (typeof body === 'string') bodies.push(JSON.parse(body) as Record<string, unknown>);
      if (method === 'PUT' && refusal) return json({ error: refusal }, 400);
      return json(
        path.includes('/library') ? library : { lifters: [{ id: 'l', name: 'Odalys Brandt' }], next: null },
      );
    },
  });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
});

it('a week stands day by day with its lines, each lift named once, and its holds', async () => {
  open();
  const pulls = await screen.findByText(/ramp top 2x1 @ 88%/);
  expect(pulls.textContent).toMatch(/^\S.*ramp top 2x1 @ 88% · back-off 3x4 @ 70%$/);
  expect(pulls.parentElement!.textContent).toMatch(/^Mon Pulls.*Dead hang$/);
  expect(screen.getByText('Thu')).toBeTruthy();
});

it('one is used through the panel that copies, and the list is there again after it', async () => {
  open();
  await userEvent.click(await screen.findByRole('button', { name: 'Use Base week' }));
  expect(await screen.findByRole('heading', { name: 'Write: Base week' })).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
  expect(await screen.findByRole('heading', { name: 'From the library' })).toBeTruthy();
});

it('one is taken out at the version that was seen, and back in', async () => {
  open();
  await userEvent.click(await screen.findByRole('button', { name: 'Remove Base week from the library' }));
  await waitFor(() => expect(sent).toEqual([['DELETE', `/api/library/${PLAN}?version=2`]]));
  await userEvent.click(await findUndo());
  await waitFor(() => expect(sent.at(-1)).toEqual(['PUT', `/api/library/${PLAN}/restored`]));
});

it('one is changed in place, from the version that was seen', async () => {
  open();
  await userEvent.click(await screen.findByRole('button', { name: 'Edit Base week' }));
  const first = screen.getByLabelText('Session 1, line 1: sets');
  await userEvent.clear(first);
  await userEvent.type(first, '3x1 @ 85%');
  expect(screen.getByText('volume 3x1 @ 85%')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Session 1, move line 2 up' }));
  await userEvent.click(screen.getByRole('button', { name: 'Remove Arms' }));
  await userEvent.click(screen.getByRole('button', { name: 'Add a session' }));
  await userEvent.type(screen.getByLabelText('Title of session 2'), 'Rows');
  await userEvent.type(screen.getByLabelText('Session 2, line 1: sets'), '4x8 @ 60%');
  await userEvent.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(sent).toEqual([['PUT', `/api/library/${PLAN}`]]));
  expect(bodies[0]).toEqual({
    ...{ title: 'Base week', version: 2 },
    sessions: [
      {
        ...{ day: 0, title: 'Pulls', holds: ['deadHang'] },
        lines: [
          { liftId: 'deadlift.conventional', text: 'back-off 3x4 @ 70%' },
          { liftId: 'deadlift.conventional', text: '3x1 @ 85%' },
        ],
      },
      // The day after the last that is left.
      { day: 1, title: 'Rows', holds: [], lines: [{ liftId: 'deadlift.conventional', text: '4x8 @ 60%' }] },
    ],
  });
  expect(await screen.findByRole('heading', { name: 'From the library' })).toBeTruthy();
});

it('what is wrong with a change stands at its line, and what was typed is there again later', async () => {
  open();
  await userEvent.click(await screen.findByRole('button', { name: 'Edit Base week' }));
  const line = screen.getByLabelText('Session 2, line 1: sets');
  await userEvent.clear(line);
  await userEvent.type(line, '3x@');
  expect(screen.getByText(/At character \d/)).toBeTruthy();
  await userEvent.clear(line);
  await userEvent.type(line, '3x12 @ 20kg');
  const message = 'Write the load as a share of a best, as 80%.';
  refusal = { code: 'invalid-input', message, fields: [{ path: 'sessions[1].lines[0].text', message }] };
  await userEvent.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() =>
    expect(document.getElementById(line.getAttribute('aria-describedby')!)!.textContent).toBe(message),
  );
  await userEvent.type(screen.getByLabelText('Title in the library'), ' B');
  document.body.innerHTML = '';
  open();
  await userEvent.click(await screen.findByRole('button', { name: 'Edit Base week' }));
  expect(screen.getByText(/is back; it is not saved yet/)).toBeTruthy();
  expect(screen.getByLabelText<HTMLInputElement>('Title in the library').value).toBe('Base week B');
  await userEvent.click(screen.getByRole('button', { name: 'Discard draft' }));
  expect(screen.getByLabelText<HTMLInputElement>('Session 2, line 1: sets').value).toBe(
    'accessory 3x15 band',
  );
  await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
  expect(await screen.findByRole('heading', { name: 'From the library' })).toBeTruthy();
});

it('an empty one says how something comes into it', async () => {
  library = { plans: [] };
  open();
  expect(await screen.findByText(/choose “Save to the library”/)).toBeTruthy();
});

it('many are looked through by their titles', async () => {
  library = {
    plans: Array.from({ length: 9 }, (_, i) => ({
      ...WEEK,
      id: `${PLAN.slice(0, -1)}${i}`,
      title: `Week ${i}`,
    })),
  };
  open();
  await userEvent.type(await screen.findByLabelText('Find a plan'), 'week 7');
  expect(screen.getAllByRole('button', { name: /^Use / })).toHaveLength(1);
  await userEvent.type(screen.getByLabelText('Find a plan'), 'x');
  expect(screen.getByText('No plan is called so.')).toBeTruthy();
});
