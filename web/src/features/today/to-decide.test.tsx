/** @jest-environment jsdom */
import { findUndo } from '../../ui/component.test-helper.ts';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { DayDecision, DayView } from '@iron-clasp/contract';
import { MemoryRouter, Route, Routes } from 'react-router';
import { AccountContext, type Account } from '../../data/session/account.ts';
import { Toasts } from '../../ui/toast.tsx';
import { ToDecide } from './to-decide.tsx';

const HOLD: DayDecision = {
  ...{ id: 'hold', level: 'note', lifterId: 'l', who: 'Odalys Brandt', open: '/lifters/l/holds' },
  about: {
    ...{ kind: 'hold', on: '2026-11-24', why: 'Every set reached its time.' },
    hold: { kind: 'frontRackHold', sets: 2, reps: null, seconds: 10, load: 110 },
  },
  act: { kind: 'acceptHold', sessionId: 's', hold: 'frontRackHold' },
};
const TORN: DayDecision = {
  ...{
    id: 'torn',
    level: 'stop',
    lifterId: 'j',
    who: 'Jun Takeda-Moss',
    open: '/lifters/j/hands',
    act: null,
  },
  about: { kind: 'found', text: 'Torn skin, left' },
};
const BAR: DayDecision = {
  ...{ id: 'bar', level: 'note', lifterId: null, who: 'Rope works', open: '/kit/v' },
  about: { kind: 'bar', bar: 'Power bar', chalkedSets: 346 },
  act: { kind: 'brush', barId: 'b' },
};

const sent: { method: string | undefined; path: string; body: unknown }[] = [];
let refuse = false;
beforeEach(() => {
  sent.length = 0;
  refuse = false;
  Object.assign(globalThis, {
    fetch: async (path: string, { method, body }: RequestInit) => {
      sent.push({ method, path, body: body ? JSON.parse(String(body)) : null });
      const answer = refuse ? { error: { code: 'gone', message: 'The session is gone.', fields: [] } } : {};
      return { status: refuse ? 404 : 200, ok: !refuse, headers: new Headers(), json: async () => answer };
    },
  });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
});

function open(decide: readonly DayDecision[], role: 'coach' | 'lifter' = 'coach'): void {
  const day = { today: '2026-11-24', decide, moreToDecide: 0 } as unknown as DayView;
  render(
    <QueryClientProvider client={new QueryClient()}>
      <AccountContext value={{ id: 'x', role, unit: 'lb' } as unknown as Account}>
        <Toasts>
          <MemoryRouter>
            <Routes>
              <Route path="/" element={<ToDecide day={day} />} />
              <Route path="*" element={<p>another page</p>} />
            </Routes>
          </MemoryRouter>
        </Toasts>
      </AccountContext>
    </QueryClientProvider>,
  );
}
const row = (who: string): HTMLElement => screen.getByText(who, { selector: 'b' }).closest('li')!;

it('says each in a line, loads in the reader’s unit', () => {
  open([TORN, HOLD, BAR]);
  expect(row('Jun Takeda-Moss').textContent).toContain('Torn skin, left');
  expect(row('Odalys Brandt').textContent).toMatch(/today: Front rack hold 2 × 10 s at 242\.5 lb/);
  expect(row('Rope works').textContent).toContain('Power bar: 346 chalked sets since it was brushed');
  // What has to be looked at first has no button.
  expect(within(row('Jun Takeda-Moss')).queryByRole('button')).toBeNull();
});

it('a hold is accepted in one click, and taken back under the same id', async () => {
  open([HOLD]);
  await userEvent.click(screen.getByRole('button', { name: /Accept/ }));
  await screen.findAllByText('Odalys Brandt: hold accepted.');
  expect(sent[0]).toMatchObject({ method: 'PUT', body: { kind: 'frontRackHold', what: 'accepted' } });
  await userEvent.click(await findUndo());
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent[1]).toMatchObject({ method: 'DELETE', path: sent[0]!.path });
});

it('what the server refuses is said, and stays to be decided', async () => {
  refuse = true;
  open([BAR]);
  await userEvent.click(screen.getByRole('button', { name: /Brushed/ }));
  await screen.findAllByText('The session is gone.');
  expect((screen.getByRole('button', { name: /Brushed/ }) as HTMLButtonElement).disabled).toBe(false);
});

it('by keyboard: arrows move, a accepts what can be accepted, o opens', async () => {
  open([TORN, HOLD]);
  await userEvent.keyboard('a');
  expect(sent).toHaveLength(0);
  await userEvent.keyboard('{ArrowDown}a');
  await waitFor(() => expect(sent).toHaveLength(1));
  await userEvent.keyboard('{ArrowUp}o');
  await screen.findByText('another page');
});

it('nothing to decide is said; who is no coach only opens', () => {
  open([]);
  expect(screen.getByText('Nothing waits for you.')).toBeTruthy();
  open([HOLD], 'lifter');
  expect(screen.queryByRole('button', { name: /Accept/ })).toBeNull();
});
