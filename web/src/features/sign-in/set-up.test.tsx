/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { SetUpRequest } from '@iron-clasp/contract';
import { MemoryRouter, Route, Routes } from 'react-router';
import { NewPassword } from './new-password.tsx';
import { SetUp } from './set-up.tsx';

const sent: { method: string | undefined; path: string; body: SetUpRequest & { password: string } }[] = [];
let answers: Record<string, { status: number; body: unknown }>;
beforeEach(() => {
  window.localStorage.clear();
  sent.length = 0;
  answers = { '/api/welcome': { status: 200, body: { demo: null, setUp: true } } };
  Object.assign(globalThis, {
    fetch: async (path: string, { method, body }: RequestInit) => {
      if (method !== 'GET') sent.push({ method, path, body: JSON.parse(String(body)) });
      const { status, body: answer } = answers[path]!;
      return { status, ok: status < 400, headers: new Headers(), json: async () => answer };
    },
  });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
});

function open(at: string): void {
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MemoryRouter initialEntries={[at]}>
        <Routes>
          <Route path="/set-up" element={<SetUp />} />
          <Route path="/new-password/:secret" element={<NewPassword />} />
          <Route path="*" element={<p>another page</p>} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

/** Writes into a field, all at once. */
async function write(label: string | RegExp, words: string): Promise<void> {
  await userEvent.clear(await screen.findByLabelText(label));
  await userEvent.click(screen.getByLabelText(label));
  await userEvent.paste(words);
}
const PASSWORD = 'kiln tether oval prow';

async function fill(lifters: string): Promise<void> {
  await write('Code of the terminal', 'ABCD-EFGH-JKLM');
  await write('Name of the club', 'Slag Lane Barbell');
  await write('Your name', 'Ada Quill');
  await write('E-mail', 'ada@slag.example');
  await write(/^Password/, PASSWORD);
  await write('Name of the venue', 'The yard');
  await userEvent.click(screen.getByRole('radio', { name: 'kg' }));
  await write(/^Lifters/, lifters);
}
const start = (): Promise<void> => userEvent.click(screen.getByRole('button', { name: 'Start the club' }));

it('sends nothing while a line of the lifters cannot be read, and says which and why', async () => {
  open('/set-up');
  await fill('Ana Lind 182,5\nBo Marsh');
  await write('The same again', PASSWORD);
  const rows = screen.getByRole('list', { name: 'As they are read' });
  expect(within(rows).getByText('Ana Lind')).toBeTruthy();
  expect(rows.textContent).toContain('Line 2, “Bo Marsh”: Write the best deadlift after the name');
  expect((screen.getByRole('button', { name: 'Start the club' }) as HTMLButtonElement).disabled).toBe(true);
  expect(
    screen.getByText('One line of the lifters cannot be read. Put it right, or take it out.'),
  ).toBeTruthy();
  expect(sent).toEqual([]);
});

it('asks for the password a second time, and refuses another one', async () => {
  open('/set-up');
  await fill('');
  await start();
  expect(await screen.findByText('Type the password a second time.')).toBeTruthy();
  await write('The same again', 'another one');
  expect(await screen.findByText('The two are not the same.')).toBeTruthy();
  await start();
  expect(sent).toEqual([]);
});

it('starts the club with what was typed, and goes to Today; what the server says of a field stands at it', async () => {
  open('/set-up');
  await fill('Ana Lind 182,5\nBo Marsh; 402 lb');
  await write('The same again', PASSWORD);
  const field = { path: 'code', message: 'This is not a code that the terminal shows.' };
  const refusal = { error: { code: 'invalid-input', message: field.message, fields: [field] } };
  answers['/api/set-up'] = { status: 400, body: refusal };
  await start();
  expect(await screen.findByText(field.message)).toBeTruthy();
  // What was typed stands; the same ids are sent again.
  answers['/api/set-up'] = { status: 200, body: { account: {}, club: {}, token: 'x' } };
  await start();
  expect(await screen.findByText('another page')).toBeTruthy();
  expect(sent).toHaveLength(2);
  const [first, second] = sent.map((each) => each.body);
  expect(second).toEqual(first);
  expect(second).toMatchObject({
    code: 'ABCD-EFGH-JKLM',
    club: { name: 'Slag Lane Barbell', unit: 'kg' },
    owner: { name: 'Ada Quill', email: 'ada@slag.example', password: PASSWORD },
    venue: { name: 'The yard', preset: 'powerlifting' },
    lifters: [{ name: 'Ana Lind', deadliftMax: 182.5 }, { name: 'Bo Marsh' }],
  });
  expect(second!.lifters[1]!.deadliftMax).toBeCloseTo(182.344, 2);
});

it('what was typed outlives a reload, but for code and password; it goes when the club is started', async () => {
  open('/set-up');
  await fill('Ana Lind 182,5');
  await write('The same again', PASSWORD);
  cleanup();
  expect(JSON.stringify({ ...window.localStorage })).not.toMatch(/kiln tether|ABCD-EFGH/);
  open('/set-up');
  const value = async (label: string | RegExp): Promise<string> =>
    ((await screen.findByLabelText(label)) as HTMLInputElement).value;
  expect(await value('Name of the club')).toBe('Slag Lane Barbell');
  expect(await value('E-mail')).toBe('ada@slag.example');
  expect(await value(/^Lifters/)).toBe('Ana Lind 182,5');
  expect(screen.getByRole('radio', { name: 'kg' }).ariaChecked).toBe('true');
  expect(await value('Code of the terminal')).toBe('');
  expect(await value(/^Password/)).toBe('');
  await write('Code of the terminal', 'ABCD-EFGH-JKLM');
  await write(/^Password/, PASSWORD);
  await write('The same again', PASSWORD);
  answers['/api/set-up'] = { status: 200, body: { account: {}, club: {}, token: 'x' } };
  await start();
  expect(await screen.findByText('another page')).toBeTruthy();
  expect({ ...window.localStorage }).toEqual({});
});

it('where a club was started already, there is nothing to start', async () => {
  answers['/api/welcome'] = { status: 200, body: { demo: null, setUp: false } };
  open('/set-up');
  expect(await screen.findByText(/A club was started here already/)).toBeTruthy();
  expect(screen.queryByLabelText('Code of the terminal')).toBeNull();
});

describe('a new password by a link', () => {
  const address = '/api/password-links/abc';
  const whose = { club: 'Slag Lane Barbell', name: 'Ivo Brandt', email: 'ivo@slag.example' };

  it('is taken once both typings are the same', async () => {
    answers[address] = { status: 200, body: whose };
    open('/new-password/abc');
    await screen.findByText(/Ivo Brandt, this is for your account at Slag Lane Barbell/);
    const set = screen.getByRole('button', { name: 'Set the password' }) as HTMLButtonElement;
    await write(/^Password/, PASSWORD);
    expect(set.disabled).toBe(true);
    await write('The same again', PASSWORD);
    await waitFor(() => expect(set.disabled).toBe(false));
    await userEvent.click(set);
    expect(await screen.findByText(/every device was signed out/)).toBeTruthy();
    expect(sent).toMatchObject([{ method: 'POST', path: address, body: { password: PASSWORD } }]);
  });

  it('that has run out says so', async () => {
    answers[address] = {
      status: 404,
      body: { error: { code: 'link-gone', message: 'This link has run out.' } },
    };
    open('/new-password/abc');
    expect(await screen.findByText('This link has run out.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Set the password' })).toBeNull();
  });
});
