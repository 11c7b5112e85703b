/** @jest-environment jsdom */
import { findUndo } from './component.test-helper.ts';
import { jest } from '@jest/globals';
import { act, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState, type ReactElement } from 'react';
import { Checkbox } from './checkbox.tsx';
import { Choices } from './choices.tsx';
import { DateField, DayButton } from './date-field.tsx';
import { DateHabitContext } from './date-words.ts';
import { Field } from './field.tsx';
import { FileField } from './file-field.tsx';
import { Progress } from './progress.tsx';
import { Select } from './select.tsx';
import { Slider } from './slider.tsx';
import { TextArea } from './text-area.tsx';
import { Toasts, useToast } from './toast.tsx';

describe('a list that folds out', () => {
  const options = [
    ['', 'every lift'],
    ['squat', 'Squat'],
    ['row', 'Row'],
  ] as const;

  it('shows what is chosen, opens by key and tells what was taken, the empty value too', async () => {
    const user = userEvent.setup();
    const taken = jest.fn();
    function Lifts(): ReactElement {
      const [value, setValue] = useState<string>('squat');
      return (
        <Select
          label="Lift"
          value={value}
          options={options}
          onChange={(now) => {
            taken(now);
            setValue(now);
          }}
        />
      );
    }
    render(<Lifts />);
    const list = screen.getByRole('combobox', { name: 'Lift' });
    expect(list.textContent).toBe('Squat');
    act(() => list.focus());
    await user.keyboard('{Enter}');
    expect(screen.getAllByRole('option').map((each) => each.textContent)).toEqual([
      'every lift',
      'Squat',
      'Row',
    ]);
    await user.keyboard('{ArrowDown}{Enter}');
    expect(taken).toHaveBeenLastCalledWith('row');
    expect(screen.getByRole('combobox').textContent).toBe('Row');
    await user.keyboard('{Enter}{Home}{Enter}');
    expect(taken).toHaveBeenLastCalledWith('');
    expect(screen.getByRole('combobox').textContent).toBe('every lift');
  });

  it('says what is wrong with it, and is described by it', () => {
    render(
      <Select label="Lift" value="" options={options} error="Choose a lift." onChange={() => undefined} />,
    );
    const list = screen.getByRole('combobox');
    expect(list.getAttribute('aria-invalid')).toBe('true');
    expect(document.getElementById(list.getAttribute('aria-describedby')!)!.textContent).toBe(
      'Choose a lift.',
    );
  });
});

it('a box is ticked by its words', async () => {
  const taken = jest.fn();
  render(
    <Checkbox checked={false} onChange={taken}>
      large thighs
    </Checkbox>,
  );
  await userEvent.click(screen.getByText('large thighs'));
  expect(taken).toHaveBeenCalledWith(true);
  expect(screen.getByRole('checkbox', { name: 'large thighs' }).getAttribute('aria-checked')).toBe('false');
});

it('one of a few is taken with the arrow keys', async () => {
  const user = userEvent.setup();
  const taken = jest.fn();
  render(
    <Choices
      legend="Hand"
      value="left"
      options={[
        ['left', 'left'],
        ['right', 'right'],
      ]}
      onChange={taken}
    />,
  );
  const group = screen.getByRole('radiogroup', { name: 'Hand' });
  expect(within(group).getByRole('radio', { name: 'left' }).getAttribute('aria-checked')).toBe('true');
  await user.click(within(group).getByRole('radio', { name: 'right' }));
  expect(taken).toHaveBeenCalledWith('right');
});

it('a value moves along its line by key, and is said in words', async () => {
  const user = userEvent.setup();
  const taken = jest.fn();
  render(<Slider label="Day" value={3} min={0} max={9} words="Tue 24 Nov" onChange={taken} />);
  const thumb = screen.getByRole('slider', { name: 'Day' });
  expect(thumb.getAttribute('aria-valuetext')).toBe('Tue 24 Nov');
  thumb.focus();
  await user.keyboard('{ArrowLeft}');
  expect(taken).toHaveBeenCalledWith(2);
  await user.keyboard('{End}');
  expect(taken).toHaveBeenLastCalledWith(9);
});

it('progress never passes its end, and nothing to do is none done', () => {
  const { rerender } = render(<Progress label="Curves" value={12} max={9} />);
  expect(screen.getByRole('progressbar', { name: 'Curves' }).getAttribute('aria-valuenow')).toBe('9');
  rerender(<Progress label="Curves" value={0} max={0} />);
  expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('0');
});

describe('a day', () => {
  function Day({ start, told }: { start: string; told: (day: string) => void }): ReactElement {
    const [day, setDay] = useState(start);
    return (
      <DateHabitContext value={{ order: 'monthFirst', weekStartsOn: 0 }}>
        <DateField
          label="Held on"
          value={day}
          onChange={(now) => {
            told(now);
            setDay(now);
          }}
        />
      </DateHabitContext>
    );
  }

  it('is typed as the club writes it, and stands so when it is left', async () => {
    const user = userEvent.setup();
    const told = jest.fn();
    render(<Day start="2026-11-24" told={told} />);
    const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Held on' });
    expect(field.value).toBe('Nov 24, 2026');
    await user.clear(field);
    expect(told).toHaveBeenLastCalledWith('');
    await user.type(field, '12/3/2026');
    expect(told).toHaveBeenLastCalledWith('2026-12-03');
    expect(field.value).toBe('12/3/2026');
    await user.tab();
    expect(field.value).toBe('Dec 3, 2026');
  });

  it('that is none stays as typed and says how to write it', async () => {
    const user = userEvent.setup();
    const told = jest.fn();
    render(<Day start="" told={told} />);
    await user.type(screen.getByRole('textbox'), 'soon');
    await user.tab();
    expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('soon');
    expect(screen.getByRole('alert').textContent).toBe('Write the day as Nov 24, 2026.');
    expect(told).toHaveBeenLastCalledWith('soon');
  });

  it('is taken from a calendar that begins its weeks as the club does', async () => {
    const user = userEvent.setup();
    const told = jest.fn();
    render(<Day start="2026-11-24" told={told} />);
    await user.click(screen.getByRole('button', { name: 'Calendar: Held on' }));
    const grid = await screen.findByRole('grid');
    expect(within(grid).getAllByRole('columnheader', { hidden: true })[0]!.textContent).toBe('Su');
    await user.click(within(grid).getByRole('button', { name: /November 26th/ }));
    expect(told).toHaveBeenLastCalledWith('2026-11-26');
    await waitFor(() => expect(screen.queryByRole('grid')).toBeNull());
    expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('Nov 26, 2026');
  });

  it('in a list is a button that says whose day it is', async () => {
    const told = jest.fn();
    render(<DayButton words="Day of Bench" value="2026-11-24" className="" onChange={told} />);
    await userEvent.click(screen.getByRole('button', { name: 'Day of Bench' }));
    await userEvent.click(await screen.findByRole('button', { name: /November 2nd/ }));
    expect(told).toHaveBeenCalledWith('2026-11-02');
  });
});

it('a field and an area are described by what is wrong with them', () => {
  render(
    <>
      <Field label="Load" unit="kg" error="Too heavy." />
      <TextArea label="Note" error="Too long." />
    </>,
  );
  for (const [name, words] of [
    ['Load (kg)', 'Too heavy.'],
    ['Note', 'Too long.'],
  ] as const) {
    const field = screen.getByRole('textbox', { name });
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(document.getElementById(field.getAttribute('aria-describedby')!)!.textContent).toBe(words);
  }
});

it('a file is chosen through a button of ours', async () => {
  const told = jest.fn();
  render(<FileField label="Trace" accept=".csv" chosen={undefined} onChange={told} />);
  const file = new File(['0,0'], 'trace.csv', { type: 'text/csv' });
  await userEvent.upload(screen.getByLabelText('Trace'), file);
  expect(told).toHaveBeenCalledWith(file);
});

describe('a word on what was done', () => {
  function Page({ undo }: { undo: () => void }): ReactElement {
    const say = useToast();
    return (
      <button type="button" onClick={() => say('Bench is off the program.', undo)}>
        Remove
      </button>
    );
  }

  it('is said once, can be undone once, and goes', async () => {
    const user = userEvent.setup();
    const undo = jest.fn();
    render(
      <Toasts>
        <Page undo={undo} />
      </Toasts>,
    );
    await user.click(screen.getByText('Remove'));
    await user.click(await findUndo());
    expect(undo).toHaveBeenCalledTimes(1);
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Undo' })).toBeNull());
  });

  it('the last three stand', async () => {
    const user = userEvent.setup();
    render(
      <Toasts>
        <Page undo={() => undefined} />
      </Toasts>,
    );
    for (let i = 0; i < 5; i++) await user.click(screen.getByText('Remove'));
    expect(screen.getAllByRole('button', { name: 'Undo' })).toHaveLength(3);
  });
});
