/** @jest-environment jsdom */
import './component.test-helper.ts';
import { jest } from '@jest/globals';
import { GripperAttemptRequest, MeetRequest } from '@iron-clasp/contract';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { Field } from './field.tsx';
import { typedNumber } from './figures.ts';
import { useRequestForm, type Fault } from './request-form.ts';

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

interface Meet {
  readonly name: string;
  readonly attempts: readonly string[];
}
const start: Meet = { name: '', attempts: [] };
const kept = (value: Meet) => ({ value, set: jest.fn(), discard: jest.fn(), done: jest.fn() });

/** A form of controls that are told what they show, with a draft behind it. */
function Drafted({
  draft,
  send,
  onFailed = () => undefined,
  onLeave = () => undefined,
  check,
}: {
  draft: ReturnType<typeof kept>;
  send: (body: MeetRequest) => Promise<string>;
  onFailed?: (error: Error) => void;
  onLeave?: () => void;
  check?: (body: MeetRequest) => Fault | null;
}): ReactElement {
  const { typed, set, restart, leave, fault, within, wrong, onSubmit } = useRequestForm({
    request: MeetRequest,
    start,
    draft,
    bodyOf: ({ name, attempts }: Meet): MeetRequest => ({
      ...{ name, heldOn: '2026-12-12', straps: false, thumbTape: true, liquidChalk: true, version: 0 },
      attempts: attempts.map(typedNumber),
    }),
    send,
    onFailed,
    onLeave,
    ...(check && { check }),
  });
  return (
    <form onSubmit={onSubmit} noValidate>
      <Field
        label="Meet"
        value={typed.name}
        error={fault('name')}
        onChange={(event) => set({ name: event.target.value })}
      />
      <Field
        label="Attempts"
        value={typed.attempts.join(' ')}
        error={within('attempts')}
        onChange={(event) => set({ attempts: event.target.value.split(' ') })}
      />
      {wrong && <output>{`${wrong.path}: ${wrong.message}`}</output>}
      <button type="button" onClick={() => restart(start)}>
        Discard
      </button>
      <button type="button" onClick={leave}>
        Cancel
      </button>
      <button type="submit">Save</button>
    </form>
  );
}
const shown = (label: string): string => screen.getByLabelText<HTMLInputElement>(label).value;
const save = (): Promise<void> => userEvent.click(screen.getByText('Save'));

describe('a form with a draft', () => {
  it('starts from it, tells it every change, and is done with it once it is saved', async () => {
    const draft = kept({ name: 'Lantern', attempts: ['120'] });
    const send = jest.fn(async (_body: MeetRequest) => 'kept');
    render(<Drafted draft={draft} send={send} />);
    expect(shown('Meet')).toBe('Lantern');
    await userEvent.type(screen.getByLabelText('Meet'), '!');
    expect(draft.set).toHaveBeenCalledWith({ name: 'Lantern!' });
    expect(draft.done).not.toHaveBeenCalled();
    await save();
    await waitFor(() => expect(draft.done).toHaveBeenCalledTimes(1));
    expect(send.mock.calls[0]![0]).toMatchObject({ name: 'Lantern!', attempts: [120] });
  });

  it('keeps it where the server fails, and tells of the failure', async () => {
    const draft = kept({ name: 'Lantern', attempts: [] });
    const onFailed = jest.fn();
    render(<Drafted draft={draft} send={() => Promise.reject(refusal([]))} onFailed={onFailed} />);
    await save();
    await waitFor(() => expect(onFailed).toHaveBeenCalledTimes(1));
    expect(draft.done).not.toHaveBeenCalled();
    expect(shown('Meet')).toBe('Lantern');
  });

  it('says the first that is wrong within a part, and it goes once that is changed', async () => {
    const refused = refusal([{ path: 'attempts[1]', message: 'Lighter than the one before it.' }]);
    render(
      <Drafted
        draft={kept({ name: 'Lantern', attempts: ['130', '131'] })}
        send={() => Promise.reject(refused)}
      />,
    );
    await save();
    expect((await screen.findByRole('alert')).textContent).toBe('Lighter than the one before it.');
    expect(screen.getByRole('status').textContent).toBe('attempts[1]: Lighter than the one before it.');
    await userEvent.type(screen.getByLabelText('Attempts'), '5');
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('is checked by the core before anything else, and starts anew when it is told to', async () => {
    const send = jest.fn(async () => 'kept');
    const check = ({ name }: MeetRequest): Fault | null =>
      name === 'Taken' ? { path: 'name', message: 'There is one of that name.' } : null;
    const draft = kept({ name: 'Taken', attempts: [] });
    render(<Drafted draft={draft} send={send} check={check} />);
    await save();
    expect((await screen.findByRole('alert')).textContent).toBe('There is one of that name.');
    expect(send).not.toHaveBeenCalled();
    await userEvent.click(screen.getByText('Discard'));
    expect(shown('Meet')).toBe('');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(draft.discard).toHaveBeenCalledWith(start);
    expect(draft.done).not.toHaveBeenCalled();
  });

  it('is given up with its draft, and sends nothing', async () => {
    const draft = kept({ name: 'Lantern', attempts: ['120'] });
    const send = jest.fn(async () => 'kept');
    const onLeave = jest.fn();
    render(<Drafted draft={draft} send={send} onLeave={onLeave} />);
    await userEvent.click(screen.getByText('Cancel'));
    expect(draft.done).toHaveBeenCalledTimes(1);
    expect(onLeave).toHaveBeenCalledTimes(1);
    expect(send).not.toHaveBeenCalled();
  });
});
