/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import { jest } from '@jest/globals';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { HoldByHand } from './hold-by-hand.tsx';

const REST = {
  kind: 'frontRackHold',
  liftId: 'hold.front-rack',
  target: 10,
  grip: 'hook',
  chalk: 'block',
} as const;

it('a hold that was timed by a stopwatch is logged with what was held, in the reader’s unit', async () => {
  const onLog = jest.fn();
  render(
    <HoldByHand
      pins
      unit="lb"
      rest={REST}
      start={{ load: 100, seconds: 0, ended: 'stopped' }}
      onLog={onLog}
      onCancel={() => undefined}
    />,
  );
  await userEvent.type(screen.getByLabelText('Seconds held'), '9,5');
  await userEvent.click(screen.getByRole('radio', { name: 'Slipped' }));
  await userEvent.click(screen.getByText('Log the hold'));
  await waitFor(() => expect(onLog).toHaveBeenCalled());
  expect(onLog.mock.calls[0]![0]).toMatchObject({ ...REST, seconds: 9.5, ended: 'slipped' });
  expect((onLog.mock.calls[0]![0] as { load: number }).load).toBeCloseTo(100, 1);
});

it('figures that nobody held are refused at their field and stay', async () => {
  const onLog = jest.fn();
  render(
    <HoldByHand
      pins
      unit="kg"
      rest={REST}
      start={{ load: 100, seconds: 0, ended: 'stopped' }}
      onLog={onLog}
      onCancel={() => undefined}
    />,
  );
  await userEvent.type(screen.getByLabelText('Seconds held'), '9000');
  await userEvent.click(screen.getByText('Log the hold'));
  expect((await screen.findByRole('alert')).textContent).toMatch(/0\.5 to 600/);
  expect(onLog).not.toHaveBeenCalled();
});
