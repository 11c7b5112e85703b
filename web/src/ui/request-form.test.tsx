/** @jest-environment jsdom */
import './component.test-helper.ts';
import { jest } from '@jest/globals';
import { GripperAttemptRequest } from '@iron-clasp/contract';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { Field } from './field.tsx';
import { typedNumber } from './figures.ts';
import { useRequestForm } from './request-form.ts';

const GRIPPER = '3f2f4e0a-7a5e-4b9e-9d0e-0c1f2a3b4c5d';

function Form({
  send,
  onSaved = () => undefined,
}: {
  send: (body: GripperAttemptRequest) => Promise<string>;
  onSaved?: (answer: string) => void;
}): ReactElement {
  const { field, onSubmit, failed, sending } = useRequestForm({
    request: GripperAttemptRequest,
    start: { held: '' },
    bodyOf: ({ held }): GripperAttemptRequest => ({
      ...{ gripperId: GRIPPER, hand: 'left', depth: 'open', closed: true, doneAt: '2026-11-24T12:00:00Z' },
      ...(held !== '' && { seconds: typedNumber(held) }),
    }),
    send,
    onSaved,
  });
  return (
    <form onSubmit={onSubmit} noValidate>
      <Field label="Held" {...field('held', 'seconds')} />
      {failed && <p role="status">{failed.message}</p>}
      <button type="submit" disabled={sending}>
        Save
      </button>
    </form>
  );
}

const refusal = (fields: { path: string; message: string }[]): Error =>
  Object.assign(new Error('The request is not right.'), { fields });
const type = async (words: string): Promise<void> => {
  await userEvent.clear(screen.getByLabelText('Held'));
  await userEvent.type(screen.getByLabelText('Held'), words);
  await userEvent.click(screen.getByText('Save'));
};

it('what the contract refuses is never sent; the fault stands at the field, by its own words', async () => {
  const send = jest.fn(async () => 'kept');
  render(<Form send={send} />);
  await type('long');
  expect((await screen.findByRole('alert')).textContent).toBe('Seconds held must be a number from 0 to 600.');
  expect(screen.getByLabelText<HTMLInputElement>('Held').value).toBe('long');
  expect(send).not.toHaveBeenCalled();
});

it('what is right is sent as the body, and the answer handed on', async () => {
  const send = jest.fn(async (_body: GripperAttemptRequest) => 'kept');
  const onSaved = jest.fn();
  render(<Form send={send} onSaved={onSaved} />);
  await type('4,5');
  await waitFor(() => expect(onSaved).toHaveBeenCalledWith('kept'));
  expect(send.mock.calls[0]![0]).toMatchObject({ seconds: 4.5, hand: 'left' });
});

it('what the server says of a field stands at that field, and goes with the next good try', async () => {
  const send = jest
    .fn<(body: GripperAttemptRequest) => Promise<string>>()
    .mockRejectedValueOnce(refusal([{ path: 'seconds', message: 'Nobody holds that long.' }]))
    .mockResolvedValueOnce('kept');
  render(<Form send={send} />);
  await type('500');
  expect((await screen.findByRole('alert')).textContent).toBe('Nobody holds that long.');
  expect(screen.queryByRole('status')).toBeNull();
  await type('50');
  await waitFor(() => expect(send).toHaveBeenCalledTimes(2));
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
});

it('a failure that belongs to no field is told beside the form, and what was typed stays', async () => {
  render(<Form send={() => Promise.reject(refusal([]))} />);
  await type('5');
  expect((await screen.findByRole('status')).textContent).toBe('The request is not right.');
  expect(screen.getByLabelText<HTMLInputElement>('Held').value).toBe('5');
});
