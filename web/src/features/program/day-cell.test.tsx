/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import { DndContext } from '@dnd-kit/core';
import type { ProgramMark, ProgramSession } from '@iron-clasp/contract';
import { render, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import { DayCell } from './day-cell.tsx';

const TODAY = '2026-11-24';
const HEAVY: ProgramSession = {
  ...{ id: '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c13', version: 1, on: TODAY, title: 'Heavy', begun: false },
  ...{ rehearsesMeet: false, holds: [] },
  lines: [
    { liftId: 'deadlift.conventional', text: 'ramp top 2x1 @ 125kg', role: 'top' },
    { liftId: 'deadlift.conventional', text: 'back-off 3x4 @ 105kg', role: 'backoff' },
    { liftId: 'press', text: 'volume 4x6 @ 42.5kg', role: 'volume' },
  ],
};
const MARKS: ProgramMark[] = [
  { liftId: 'deadlift.conventional', role: 'top', choice: 'mixed', sideUnder: 'right' },
  { liftId: 'deadlift.conventional', role: 'backoff', choice: 'straps', sideUnder: null },
];

const cell = (marks: readonly ProgramMark[], today = TODAY): ReactElement => (
  <DndContext>
    <DayCell
      {...{ day: TODAY, today, sessions: [HEAVY], chosen: null, marksOf: () => marks }}
      {...{ onOpen: () => undefined, onMove: () => undefined, onRemove: () => undefined }}
    />
  </DndContext>
);

/** Whether each line keeps room for a mark. */
const rooms = (): boolean[] =>
  screen
    .getAllByRole('listitem')
    .filter((item) => item.textContent.includes('@') && !item.querySelector('li'))
    .map((item) => item.querySelector('[style]') !== null);

it('keeps the room of a grip before it is known, where a grip can be called', () => {
  const { rerender } = render(cell([]));
  expect(rooms()).toEqual([true, true, false]);
  expect(screen.queryAllByRole('img')).toEqual([]);
  rerender(cell(MARKS));
  expect(screen.getAllByRole('img').map((mark) => mark.getAttribute('aria-label'))).toEqual([
    'mixed, right under',
    'straps',
  ]);
  expect(rooms()).toEqual([true, true, false]);
});

it('keeps none on a day that is over', () => {
  render(cell([], '2026-11-25'));
  expect(rooms()).toEqual([false, false, false]);
});
