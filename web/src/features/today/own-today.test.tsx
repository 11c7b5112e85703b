/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import type { DaySession, OwnDayView } from '@iron-clasp/contract';
import { SOUND_HAND } from '@iron-clasp/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { AccountContext, type Account } from '../../data/session/account.ts';
import { OwnToday } from './own-today.tsx';

const HANDS = { left: { ...SOUND_HAND, thumb: 'tender' as const }, right: SOUND_HAND };
const HEAVY = {
  ...{ id: 's1', lifterId: 'l', lifterName: 'Odalys Brandt', title: 'Deadlift, heavy', finished: false },
  ...{
    venue: 'Rope works',
    chalk: 'block chalk',
    hands: HANDS,
    handsOn: '2026-11-23',
    stop: null,
    note: null,
  },
  top: {
    ...{ liftName: 'Conventional deadlift', role: 'top', load: 49.98, plates: 'lb', reps: 1, seconds: null },
    ...{ choice: 'mixed', sideUnder: 'left', line: 'mixed, left under', probability: 0.93 },
    ...{ range: { low: 0.85, high: 0.97 }, threshold: 0.95, verdict: 'unproven' },
  },
  holds: [{ kind: 'frontRackHold', sets: 2, reps: null, seconds: 10, load: 116 }],
} as unknown as DaySession;
const days = Array.from({ length: 7 }, (_, i) => `2026-11-${24 + i}`);
const EMPTY = { sessions: [], block: null, meet: null };
const VIEW: OwnDayView = {
  ...{ today: '2026-11-24', hands: HANDS, handsOn: '2026-11-23', handsStale: false, note: null, mind: [] },
  sessions: [{ ...HEAVY, on: '2026-11-24' }],
  week: {
    ...{ days, more: 0 },
    rows: [
      {
        ...{ lifterId: 'l', lifterName: 'Odalys Brandt' },
        cells: [
          { ...EMPTY, sessions: [{ id: 's1', title: 'Deadlift, heavy', heavy: true, holds: 1 }] },
          ...Array.from({ length: 5 }, () => EMPTY),
          { ...EMPTY, meet: 'Lantern Cup' },
        ],
      },
    ],
  },
  meet: { name: 'Lantern Cup', days: 6 },
};
const ACCOUNT = { id: 'a', role: 'lifter', unit: 'kg', lifterId: 'l' } as unknown as Account;

/** The page as the server's answer makes it. */
async function drawn(view: OwnDayView): Promise<void> {
  const answer = { status: 200, ok: true, headers: new Headers(), json: async () => view };
  Object.assign(globalThis, { fetch: async () => answer });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
  render(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient()}>
        <AccountContext value={ACCOUNT}>
          <OwnToday lifterId="l" />
        </AccountContext>
      </QueryClientProvider>
    </MemoryRouter>,
  );
  await screen.findByRole('heading', { name: 'Tuesday 24 November' });
}
const hrefOf = (name: string | RegExp): string | null =>
  screen.getByRole('link', { name }).getAttribute('href');

it('the session of today stands with its heaviest set as the plates say it, and the way onto the floor', async () => {
  await drawn(VIEW);
  const session = within(screen.getByRole('region', { name: 'Deadlift, heavy' }));
  expect(session.getByText('Deadlift 110 lb × 1')).toBeTruthy();
  expect(session.getByText('hold 2 × 10 s at 116 kg')).toBeTruthy();
  expect(hrefOf('To the floor')).toBe('/floor/s1');
  expect(hrefOf('Every set')).toBe('/lifters/l/calls/s1');
  expect(screen.getByText('Lantern Cup in 6 d')).toBeTruthy();
});

it('a session of another day is named with its day, and no floor is offered', async () => {
  await drawn({ ...VIEW, sessions: [{ ...HEAVY, on: '2026-11-27' }] });
  expect(screen.getByRole('heading', { name: 'Deadlift, heavy, Fri 27 Nov' })).toBeTruthy();
  expect(screen.getByText(/no session today/)).toBeTruthy();
  expect(screen.queryByRole('link', { name: 'To the floor' })).toBeNull();
});

it('what stops the day is said, hands that were looked at too long ago too', async () => {
  const stopped = { ...HEAVY, stop: 'Numbness stops every line today.', on: '2026-11-24' };
  await drawn({ ...VIEW, sessions: [stopped], handsStale: true, handsOn: null });
  expect(screen.getByText('Numbness stops every line today.')).toBeTruthy();
  expect(screen.getByText('never looked at').className).toContain('text-ochre');
});

it('what is to be minded leads to its page, and the coach’s word stands with its session', async () => {
  await drawn({
    ...VIEW,
    mind: [{ level: 'caution', text: 'Slips rising', step: 'log' }],
    note: { on: '2026-11-21', title: 'Deadlift, volume', text: 'Lock the knees sooner.' },
  });
  expect(hrefOf('Slips rising')).toBe('/lifters/l/log');
  expect(screen.getByText('Lock the knees sooner.').textContent).toMatch(/Sat 21 Nov, Deadlift, volume/);
});

it('somebody for whom nothing is written is told whom to ask', async () => {
  await drawn({ ...VIEW, sessions: [], week: { days, rows: [], more: 0 }, meet: null });
  expect(screen.getByText(/Ask your coach/)).toBeTruthy();
  expect(screen.getAllByText('–')).toHaveLength(7);
});
