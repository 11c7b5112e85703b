/** @jest-environment jsdom */
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { DataTable } from './data-table.tsx';

const ROWS = [
  { grip: 'mixed', slip: 122.5, sets: 36 },
  { grip: 'hook', slip: null, sets: 80 },
  { grip: 'double overhand', slip: 95, sets: 144 },
] as const;

const show = (): void =>
  void render(
    <DataTable<(typeof ROWS)[number]>
      name="Where each grip slips"
      rows={ROWS}
      columns={[
        { id: 'grip', head: 'grip', cell: ({ grip }) => grip, by: ({ grip }) => grip },
        { id: 'slip', head: 'lightest slip', cell: ({ slip }) => slip ?? 'none', by: ({ slip }) => slip },
        { id: 'sets', head: 'sets', cell: ({ sets }) => sets },
      ]}
    />,
  );
const firsts = (): (string | null)[] => screen.getAllByRole('rowheader').map((each) => each.textContent);
const press = (name: string): Promise<void> => userEvent.click(screen.getByRole('button', { name }));

it('names itself, its columns and its rows, in the order in which they came', () => {
  show();
  expect(screen.getByRole('table', { name: 'Where each grip slips' })).toBeTruthy();
  expect(screen.getAllByRole('columnheader').map((each) => each.textContent)).toEqual([
    'grip',
    'lightest slip',
    'sets',
  ]);
  expect(firsts()).toEqual(['mixed', 'hook', 'double overhand']);
});

it('puts rows in order by a column that is pressed, the other way round, and back; what has no figure comes last', async () => {
  show();
  await press('lightest slip');
  expect(firsts()).toEqual(['double overhand', 'mixed', 'hook']);
  expect(screen.getByRole('columnheader', { name: 'lightest slip' }).getAttribute('aria-sort')).toBe(
    'ascending',
  );
  await press('lightest slip');
  expect(firsts()).toEqual(['mixed', 'double overhand', 'hook']);
  expect(screen.getByRole('columnheader', { name: 'lightest slip' }).getAttribute('aria-sort')).toBe(
    'descending',
  );
  await press('lightest slip');
  expect(firsts()).toEqual(['mixed', 'hook', 'double overhand']);
});

it('orders words as words, and offers no order where there is none', async () => {
  show();
  await press('grip');
  expect(firsts()).toEqual(['double overhand', 'hook', 'mixed']);
  expect(within(screen.getByRole('columnheader', { name: 'sets' })).queryByRole('button')).toBeNull();
});
