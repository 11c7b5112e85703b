/** @jest-environment jsdom */
import 'fake-indexeddb/auto';
import '../../ui/component.test-helper.ts';
import { jest } from '@jest/globals';
import { SOUND_HAND } from '@iron-clasp/core';
import type { FloorView } from '@iron-clasp/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { AccountContext } from '../../data/session/account.ts';
import { alone, COACH, DAY, floorView, kept, SOUND } from './floor-view.test-helper.ts';
import { Opening } from './opening-panel.tsx';

const TORN = { ...SOUND, left: { ...SOUND_HAND, palm: 'torn' as const } };
const onSqueeze = jest.fn();
beforeEach(() => {
  alone();
  onSqueeze.mockClear();
});

function open(more: Partial<FloorView>, { unseen = true, first = true } = {}): void {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <AccountContext value={COACH}>
        <Opening
          view={floorView([], more)}
          accountId="a"
          unseen={unseen}
          first={first}
          onSqueeze={onSqueeze}
        />
      </AccountContext>
    </QueryClientProvider>,
  );
}
const press = (name: string): Promise<void> => userEvent.click(screen.getByRole('button', { name }));

it('hands that nobody has ever looked at have no last time: they are said to be sound by whoever looks', async () => {
  open({ handsOn: null });
  expect(screen.getByText('Hands not looked at yet')).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Same as last time' })).toBeNull();
  await press('Both are sound');
  expect(kept()).toMatchObject([{ kind: 'hands', method: 'PUT', body: { hands: SOUND } }]);
});

it('what was found last time is kept by one tap', async () => {
  open({ handsOn: '2026-11-22', hands: TORN });
  expect(screen.getByText(/torn/)).toBeTruthy();
  await press('Same as last time');
  expect(kept()).toMatchObject([{ kind: 'hands', body: { hands: TORN } }]);
});

it('what changed is tapped on the drawing, a zone and its state, and nothing is kept before that is said', async () => {
  open({ handsOn: '2026-11-22' });
  await press('They changed');
  expect(kept()).toEqual([]);
  const panel = screen.getByRole('region', { name: 'Opening the session' });
  await userEvent.click(within(panel).getByRole('radio', { name: /torn/i }));
  expect(kept()).toEqual([]);
  await press('Save');
  expect(kept()).toMatchObject([{ kind: 'hands', body: { hands: TORN } }]);
});

it('hands that are looked at for the first time and found sound are kept as sound from the drawing, too', async () => {
  open({ handsOn: null });
  await press('Not sound');
  expect(screen.queryByRole('button', { name: 'Nothing changed' })).toBeNull();
  await press('Both are sound');
  expect(kept()).toMatchObject([{ kind: 'hands', body: { hands: SOUND } }]);
});

it('a squeeze test is offered before the work, and only there', async () => {
  open({ handsOn: DAY }, { unseen: false });
  await press('Squeeze test');
  expect(onSqueeze).toHaveBeenCalledTimes(1);
});

it('nothing is asked once the hands are known and the work has begun', () => {
  open({ handsOn: DAY }, { unseen: false, first: false });
  expect(screen.queryByRole('region', { name: 'Opening the session' })).toBeNull();
});
