/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import { jest } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { LogEntry } from '@iron-clasp/contract';
import { AccountContext, type Account } from '../../data/session/account.ts';
import { CorrectEntry } from './correct-entry.tsx';

const ACCOUNT = { id: 'x', role: 'coach', unit: 'kg' } as unknown as Account;
const ENTRY = {
  ...{ id: 'e', kind: 'set', sessionId: 's', load: 180.3, reps: 3, seconds: null, target: null },
  ...{ gripped: true, grip: 'hook', sideUnder: null, strapped: false, chalk: 'block', note: null },
  ...{ slippedAtRep: null, ended: null, loadMeans: 'total', leastLoad: null },
} as unknown as LogEntry;

const sent: { path: string; body: object }[] = [];
beforeEach(() => {
  sent.length = 0;
  Object.assign(globalThis, {
    fetch: async (path: string, { body }: RequestInit) => {
      sent.push({ path, body: JSON.parse(String(body)) as object });
      return { status: 204, ok: true, headers: new Headers(), json: async () => null };
    },
  });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
});

const onDone = jest.fn();
const open = (more: Partial<LogEntry> = {}): void =>
  void render(
    <QueryClientProvider client={new QueryClient()}>
      <AccountContext value={ACCOUNT}>
        <CorrectEntry lifterId="l" entry={{ ...ENTRY, ...more }} onDone={onDone} />
      </AccountContext>
    </QueryClientProvider>,
  );
const pick = async (label: string, option: string): Promise<void> => {
  await userEvent.click(screen.getByRole('combobox', { name: label }));
  await userEvent.click(await screen.findByRole('option', { name: option }));
};
const save = async (): Promise<object> => {
  await userEvent.click(screen.getByText('Save'));
  await waitFor(() => expect(sent.length).toBe(1));
  return sent[0]!.body;
};

it('what is not touched is not said again, to the last decimal', async () => {
  open();
  await userEvent.type(screen.getByLabelText('Note'), 'bar was cold');
  expect(await save()).toEqual({ note: 'bar was cold' });
  expect(sent[0]!.path).toMatch(/^\/api\/sets\/e\/corrections\//);
});

it('grip and straps are put right, a mixed grip with its side', async () => {
  open();
  await pick('Grip', 'mixed');
  await pick('Hand under', 'left');
  expect(await save()).toEqual({ strapped: false, grip: 'mixed', sideUnder: 'left' });
});

it('a set that was strapped after all', async () => {
  open();
  await pick('Grip', 'straps');
  expect(await save()).toEqual({ strapped: true });
});

it('work that hangs from no grip asks for none', () => {
  open({ gripped: false });
  expect(screen.queryByRole('combobox', { name: 'Grip' })).toBeNull();
});

it('a repetition that cannot be is refused at its field, and what was typed stays', async () => {
  open();
  await userEvent.type(screen.getByLabelText('Slipped at repetition'), '0');
  await userEvent.click(screen.getByText('Save'));
  expect((await screen.findByRole('alert')).textContent).toMatch(/whole number from 1/);
  expect(screen.getByLabelText<HTMLInputElement>('Slipped at repetition').value).toBe('0');
  expect(sent).toEqual([]);
});
