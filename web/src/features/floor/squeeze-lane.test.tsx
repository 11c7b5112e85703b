/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import { jest } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState, type ReactElement } from 'react';
import type { DoneTrial } from '../../parts/squeeze/test-order.ts';
import { SqueezeLane } from './squeeze-lane.tsx';

const PROTOCOL = {
  ...{ handle: 2, elbow: 90, posture: 'seated' as const },
  ...{ handOrder: 'alternating' as const, trials: 2, rest: 60 },
};
const onKeep = jest.fn();
const onClose = jest.fn();

/** The lane with what remembers its trials. */
function Lane({ start = [] }: { start?: readonly DoneTrial[] }): ReactElement {
  const [told, setTold] = useState(start);
  return <SqueezeLane protocol={PROTOCOL} told={told} onTold={setTold} onKeep={onKeep} onClose={onClose} />;
}
const score = async (hand: string, words: string): Promise<void> =>
  userEvent.type(
    screen.getByRole('textbox', { name: new RegExp(`^Score, ${hand} hand`) }),
    `${words}{Enter}`,
  );

beforeEach(() => {
  onKeep.mockClear();
  onClose.mockClear();
});

it('asks one hand at a time in the order of the protocol, and says what rest is left', async () => {
  render(<Lane />);
  await score('left', '40,5');
  expect(screen.getByText('trial 1 of 2')).toBeTruthy();
  expect(screen.getByRole('timer').textContent).toBe('ready');
  await score('right', '38');
  // The left squeezed a moment ago.
  expect(screen.getByRole('timer').textContent).toMatch(/^rest (60|59) s$/);
  expect(screen.getByRole('status').textContent).toBe('2 of 4');
});

it('a score that cannot be is refused where it stands, and what was typed stays', async () => {
  render(<Lane />);
  await score('left', '400');
  expect(screen.getByText(/from above 0 to 150 kgf/)).toBeTruthy();
  expect(screen.getByRole<HTMLInputElement>('textbox', { name: /^Score, left hand/ }).value).toBe('400');
  expect(screen.getByRole('status').textContent).toBe('0 of 4');
});

it('undo takes the last trial back; half a test can be kept, and a whole one is offered to be saved', async () => {
  const done = (hand: 'left' | 'right', force: number): DoneTrial => ({
    ...{ sent: { hand, force }, peak: force, at: 0 },
  });
  render(<Lane start={[done('left', 40), done('right', 38), done('left', 41)]} />);
  await userEvent.click(screen.getByRole('button', { name: 'Undo trial' }));
  expect(screen.getByRole('status').textContent).toBe('2 of 4');
  await userEvent.click(screen.getByRole('button', { name: 'Keep what there is' }));
  expect(onKeep).toHaveBeenLastCalledWith([
    { hand: 'left', force: 40 },
    { hand: 'right', force: 38 },
  ]);
  await score('left', '41.5');
  await score('right', '39');
  expect(screen.getByText('All trials are done')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Save' }));
  expect(onKeep.mock.lastCall![0]).toHaveLength(4);
});

it('nothing can be kept before the first trial; the way back is always there', async () => {
  render(<Lane />);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep what there is' }).disabled).toBe(true);
  await userEvent.click(screen.getByRole('button', { name: 'To the lane' }));
  expect(onClose).toHaveBeenCalledTimes(1);
});
