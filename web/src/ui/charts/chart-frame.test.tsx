/** @jest-environment jsdom */
import '../component.test-helper.ts';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { ChartFrame } from './chart-frame.tsx';

const show = (rows: (string | number)[][]): void =>
  void render(
    <ChartFrame name="loads" label="Loads by day." table={{ head: ['day', 'kg'], rows }}>
      <svg />
    </ChartFrame>,
  );

it('its points are read one by one with the arrow keys, from either end', async () => {
  show([
    ['Mon', 100],
    ['Tue', 105],
    ['Wed', 110],
  ]);
  screen.getByRole('group', { name: /Loads by day/ }).focus();
  const at = (): string | null => screen.getByRole('status').textContent;
  await userEvent.keyboard('{ArrowRight}');
  expect(at()).toBe('day Mon · kg 100');
  await userEvent.keyboard('{ArrowRight}');
  expect(at()).toBe('day Tue · kg 105');
  await userEvent.keyboard('{End}');
  expect(at()).toBe('day Wed · kg 110');
  await userEvent.keyboard('{ArrowRight}');
  expect(at()).toBe('day Wed · kg 110');
  await userEvent.keyboard('{PageUp}');
  expect(at()).toBe('day Mon · kg 100');
  expect(screen.getByText('The 3 rows as a table')).toBeTruthy();
});

it('a drawing that nothing stands in yet says so, and has no table to open or to save', async () => {
  show([]);
  expect(screen.getByText('Nothing stands in it yet.')).toBeTruthy();
  expect(screen.queryByText(/as a table/)).toBeNull();
  expect(screen.queryByRole('button', { name: 'CSV' })).toBeNull();
  expect(screen.getByRole('button', { name: 'SVG' })).toBeTruthy();
  screen.getByRole('group', { name: /Loads by day/ }).focus();
  await userEvent.keyboard('{ArrowRight}');
  expect(screen.getByRole('status').textContent).toBe('');
});
