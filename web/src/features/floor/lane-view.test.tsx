/** @jest-environment jsdom */
import 'fake-indexeddb/auto';
import '../../ui/component.test-helper.ts';
import type { CalledSet } from '@iron-clasp/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { calledSet, setCall } from '../../data/training/calls.test-helper.ts';
import { AccountContext } from '../../data/session/account.ts';
import { alone, COACH, floorView, kept } from './floor-view.test-helper.ts';
import { LaneView } from './lane-view.tsx';

/** Nothing is called again here: the server's calls stand. */
class NoWorker extends EventTarget {
  postMessage(): void {}
  terminate(): void {}
}
Object.assign(globalThis, { Worker: NoWorker });
beforeEach(alone);

const warmup = (id: string, load: number): CalledSet => ({ ...calledSet(id, load), role: 'warmup', reps: 3 });
let lanes = 0;

/** A lane of a session that no test before has touched. */
function run(sets: readonly CalledSet[], more: Parameters<typeof floorView>[1] = {}): void {
  const sessionId = `lane-${++lanes}`;
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <AccountContext value={COACH}>
        <MemoryRouter initialEntries={[`/floor/${sessionId}`]}>
          <Routes>
            <Route
              path="/floor/:sessionIds"
              element={<LaneView view={floorView(sets, { sessionId, ...more })} />}
            />
          </Routes>
        </MemoryRouter>
      </AccountContext>
    </QueryClientProvider>,
  );
}
const press = (name: string | RegExp): Promise<void> => userEvent.click(screen.getByRole('button', { name }));
const theSet = (): HTMLElement => screen.getByRole('region', { name: 'The set' });
const count = (): string => screen.getAllByRole('status')[0]!.textContent!;

it('a set is logged as called by one tap, and the next one stands there', async () => {
  run([calledSet('a', 150), calledSet('b', 160)]);
  expect(theSet().textContent).toMatch(/150\u00a0kg × 1/);
  expect(theSet().textContent).toMatch(/hook/);
  expect(count()).toMatch(/^0 of 2 done/);
  await press('Done as called');
  expect(theSet().textContent).toMatch(/160\u00a0kg × 1/);
  expect(count()).toMatch(/^1 of 2 done/);
  expect(kept()).toMatchObject([
    {
      kind: 'set',
      method: 'PUT',
      body: { plannedSetId: 'a', load: 150, reps: 1, grip: 'hook', strapped: false },
    },
  ]);
  expect(screen.getByRole('timer').textContent).toMatch(/^rest [34]:/);
});

it('undo takes the last set back, on the device and on its way to the server', async () => {
  run([calledSet('a', 150), calledSet('b', 160)]);
  await press('Done as called');
  await press('Undo');
  expect(count()).toMatch(/^0 of 2 done/);
  expect(theSet().textContent).toMatch(/150\u00a0kg/);
  expect(kept().filter(({ method }) => method === 'PUT')).toEqual([]);
});

it('the warm-ups of a lift are logged together, and one undo takes them back together', async () => {
  run([warmup('a', 60), warmup('b', 100), calledSet('c', 150)]);
  await press(/^All 2 done/);
  expect(count()).toMatch(/^2 of 3 done/);
  expect(kept().map(({ body }) => body!['plannedSetId'])).toEqual(['a', 'b']);
  await press('Undo');
  expect(count()).toMatch(/^0 of 3 done/);
});

it('a single that slipped is told at once, asks what was seen, and leaves the question behind', async () => {
  run([calledSet('a', 150), calledSet('b', 160)]);
  await press('Slipped');
  expect(kept()).toMatchObject([{ kind: 'set', body: { plannedSetId: 'a', slippedAtRep: 1 } }]);
  expect(theSet().textContent).toMatch(/160\u00a0kg/);
});

it('a slip in a set of several asks at which repetition, of that set only', async () => {
  run([
    { ...calledSet('a', 120), reps: 3 },
    { ...calledSet('b', 125), reps: 3 },
  ]);
  await press('Slipped');
  expect(kept()).toEqual([]);
  await userEvent.click(within(theSet()).getByRole('button', { name: '2' }));
  expect(kept()).toMatchObject([{ body: { plannedSetId: 'a', slippedAtRep: 2 } }]);
  // The question that was open for one set is none of the next.
  expect(within(theSet()).queryByRole('button', { name: '2' })).toBeNull();
});

it('a set that is barred is left out by the key of the usual case, and nothing is logged', async () => {
  const barred = {
    ...calledSet('a', 150),
    call: setCall(null, {
      verdict: 'stop',
      probability: null,
      reasons: [{ ruleId: 'safety.torn-skin', rank: 'safety', text: 'Torn skin: straps until healed.' }],
    }),
  };
  run([barred, calledSet('b', 160)]);
  expect(theSet().textContent).toMatch(/Torn skin: straps until healed/);
  expect(screen.queryByRole('button', { name: 'Done as called' })).toBeNull();
  await press('Leave it out');
  expect(theSet().textContent).toMatch(/160\u00a0kg/);
  expect(kept()).toEqual([]);
});

it('unwell is one tap, stops the lane, and one tap says well again', async () => {
  run([calledSet('a', 150)]);
  await press('Unwell');
  expect(screen.queryByRole('button', { name: 'Done as called' })).toBeNull();
  expect(kept()).toMatchObject([{ kind: 'hands', body: { hands: { unwell: true } } }]);
  await press(/well again/i);
  expect(await screen.findByRole('button', { name: 'Done as called' })).toBeTruthy();
});

it('a session that is over takes no tap by accident', () => {
  run([calledSet('a', 150)], { finished: true });
  expect(screen.queryByRole('button', { name: 'Done as called' })).toBeNull();
  expect(screen.getByRole('main').textContent).toMatch(/over/);
});
