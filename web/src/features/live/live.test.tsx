/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import type { CallsView, LiveEvent, LoggedSetView } from '@iron-clasp/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, render, screen, waitFor } from '@testing-library/react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { calledSet } from '../../data/training/calls.test-helper.ts';
import { Live } from './live.tsx';

const SESSION = '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c13';
const DONE = { id: 'l', load: 140, reps: 1, slippedAtRep: null } as unknown as LoggedSetView;

/** What the server answers now, and how often it was asked. */
let view: CallsView;
let asked = 0;
/** Every stream that the page opened, the latest last. */
const streams: Stream[] = [];
class Stream {
  static readonly CLOSED = 2;
  readyState = 0;
  onopen = (): void => undefined;
  onerror = (): void => undefined;
  onmessage = (_: { data: string }): void => undefined;
  constructor(readonly url: string) {
    streams.push(this);
  }
  close(): void {
    this.readyState = Stream.CLOSED;
  }
  tell(event: Partial<LiveEvent>): void {
    act(() => this.onmessage({ data: JSON.stringify({ sessionId: SESSION, ...event }) }));
  }
}
const viewOf = (done: readonly boolean[], holdsDone: number): CallsView =>
  ({
    session: { id: SESSION, lifterName: 'Odalys Brandt', hands: { stop: null } },
    sets: done.map((each, i) => calledSet(`set ${i}`, 140, each ? DONE : null)),
    holds: [
      { kind: 'frontRackHold', hold: { kind: 'frontRackHold', sets: 2, seconds: 10 } },
      { kind: 'platePinch', hold: null },
    ],
    holdsDone: Array.from({ length: holdsDone }, () => ({
      ...{ kind: 'frontRackHold', load: 116, seconds: 10.2, ended: 'putDown' },
    })),
  }) as unknown as CallsView;
beforeEach(() => {
  streams.length = 0;
  asked = 0;
  view = viewOf([true, false], 0);
  Object.assign(globalThis, {
    EventSource: Stream,
    fetch: async (path: string) => {
      if (path.endsWith('/calls')) asked += 1;
      const answer = path.endsWith('/calls') ? view : { account: { unit: 'kg' } };
      return { status: 200, ok: true, headers: new Headers(), json: async () => answer };
    },
  });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
});
const open = (): void => {
  const router = createMemoryRouter([{ path: '/live/:sessionIds', Component: Live }], {
    initialEntries: [`/live/${SESSION}`],
  });
  render(
    <QueryClientProvider client={new QueryClient()}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
};

it('counts sets and holds as the floor does, and a hold that is not prescribed is none', async () => {
  open();
  expect(await screen.findByText('1 of 4')).toBeTruthy();
  expect(screen.getByText('last 140 kg × 1')).toBeTruthy();
  view = viewOf([true, true], 1);
  streams[0]!.tell({ kind: 'changed' });
  expect(await screen.findByText('3 of 4')).toBeTruthy();
  expect(screen.getByText('front rack hold')).toBeTruthy();
  expect(screen.getByText(/last hold 116 kg: 10\.2 s/)).toBeTruthy();
  // One hold more than asked is no more of the whole.
  view = viewOf([true, true], 3);
  streams[0]!.tell({ kind: 'changed' });
  expect(await screen.findByText('4 of 4')).toBeTruthy();
  expect(screen.getByText('all done')).toBeTruthy();
});

it('shows the clock of a hold while it runs', async () => {
  open();
  await screen.findByText('1 of 4');
  streams[0]!.tell({
    kind: 'clock',
    clock: { state: 'running', seconds: 3, target: 10 },
  } as Partial<LiveEvent>);
  expect((await screen.findByRole('timer')).textContent).toMatch(/^3\.\d of 10 s$/);
  streams[0]!.tell({
    kind: 'clock',
    clock: { state: 'stopped', seconds: 0, target: 10 },
  } as Partial<LiveEvent>);
  await waitFor(() => expect(screen.queryByRole('timer')).toBeNull());
});

it('says when it follows nobody, tries again by itself, and reads anew what it missed', async () => {
  open();
  await screen.findByText('1 of 4');
  expect(screen.getByRole('status').textContent).toBe('not connected; trying again');
  const before = asked;
  act(() => streams[0]!.onopen());
  expect(screen.getByRole('status').textContent).toBe('as it happens');
  await waitFor(() => expect(asked).toBeGreaterThan(before));
  // A proxy that finds no server closes the stream for good: the browser would not try again.
  act(() => {
    streams[0]!.close();
    streams[0]!.onerror();
  });
  expect(screen.getByRole('status').textContent).toBe('not connected; trying again');
  await waitFor(() => expect(streams).toHaveLength(2));
  expect(streams[1]!.url).toBe(`/api/live/${SESSION}`);
});

it('shows the set that the floor stands at, with the load it is done with', async () => {
  view = viewOf([false, false], 0);
  open();
  await screen.findByText('0 of 4');
  streams[0]!.tell({
    kind: 'stands',
    stands: { plannedSetId: 'set 1', load: 132.5, line: 'straps, 3 turns', choice: 'straps' },
  } as Partial<LiveEvent>);
  expect(await screen.findByText(/132\.5 kg × 1/)).toBeTruthy();
  expect(screen.getByText('straps, 3 turns')).toBeTruthy();
});
