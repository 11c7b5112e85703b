/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import { jest } from '@jest/globals';
import type { LifterView, SessionPlanView, VenueChoice, SessionPreviewView } from '@iron-clasp/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { AccountContext, type Account } from '../../data/session/account.ts';
import { Toasts } from '../../ui/toast.tsx';
import { SessionEditor } from './session-editor.tsx';

const VENUE_ID = '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c01';
const BAR_ID = '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c02';
const VENUE: VenueChoice = {
  ...{ id: VENUE_ID, name: 'Rope works', chalk: 'block', note: '' },
  bars: [{ id: BAR_ID, name: 'Power bar', mass: 20, collars: 0, diameter: 29 }],
  plates: [{ mass: 25, unit: 'kg', pairs: 6 }],
} as unknown as VenueChoice;
const LIFTER = { id: 'l', deadliftMax: 180, bestLifts: [], usualVenueId: VENUE_ID } as unknown as LifterView;
const ACCOUNT: Account = {
  ...{
    id: 'a',
    name: 'Maren',
    email: 'm@x.example',
    unit: 'kg',
    theme: 'light',
    role: 'coach',
    lifterId: null,
  },
};
const PLAN = {
  ...{
    id: 's',
    title: 'Heavy',
    heldOn: '2026-11-26',
    venueId: VENUE_ID,
    barId: BAR_ID,
    holds: [],
    version: 3,
  },
  ...{ later: 0, started: false, lines: [{ liftId: 'deadlift.conventional', text: 'top 1x1 @ 91%' }] },
} as unknown as SessionPlanView;

/** What the week lacks: one exercise, and a hold of the proposed block. */
const LACKS = {
  week: {
    from: '2026-11-23',
    forearm: {
      sessions: [
        {
          on: '2026-11-26',
          exercises: [
            { lift: 'band-opening', name: 'Band opening', sets: 3, reps: 15, covers: ['opening', 'mid'] },
          ],
        },
      ],
    },
  },
  nextWeek: { from: '2026-11-30', forearm: { sessions: [] } },
  proposal: { propose: true, kinds: ['deadHang'], why: [{ text: 'Slips are rising.' }] },
};

const sent: { path: string; body: Record<string, unknown> }[] = [];
let answer: () => Response;
const json = (status: number, body: unknown): Response =>
  ({ status, ok: status < 400, headers: new Headers(), json: async () => body }) as unknown as Response;
beforeEach(() => {
  sent.length = 0;
  answer = () => json(200, PLAN);
  preview = { lines: [] };
  window.localStorage.clear();
  Object.assign(globalThis, {
    fetch: async (path: string, { method, body }: RequestInit) => {
      if (path.endsWith('/holds')) return json(200, LACKS);
      if (method === 'GET') return json(200, [VENUE]);
      if (path.endsWith('/session-preview')) return json(200, preview);
      sent.push({ path, body: JSON.parse(String(body)) as Record<string, unknown> });
      return answer();
    },
  });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
});

/** How the server would call what is written. */
let preview: SessionPreviewView = { lines: [] };

const onDone = jest.fn();
const open = (start: SessionPlanView | null): { unmount: () => void } =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <AccountContext value={ACCOUNT}>
        <Toasts>
          <SessionEditor lifter={LIFTER} start={start} on="2026-11-24" onDone={onDone} />
        </Toasts>
      </AccountContext>
    </QueryClientProvider>,
  );
/** Writes at the end of a field, all at once: every key draws the whole editor anew. */
async function write(field: HTMLElement, words: string): Promise<void> {
  await userEvent.click(field);
  await userEvent.paste(words);
}
const title = (): Promise<HTMLInputElement> => screen.findByLabelText<HTMLInputElement>('Title');

it('a written session is sent with its lines, venue and day', async () => {
  open(null);
  await write(await title(), 'Pulls');
  await write(screen.getByLabelText('Line 1: sets'), 'top 1x1 @ 91%');
  await userEvent.click(screen.getByText('Save'));
  await waitFor(() => expect(onDone).toHaveBeenCalled());
  expect(sent[0]!.path).toMatch(/^\/api\/lifters\/l\/sessions\/[0-9a-f-]{36}$/);
  expect(sent[0]!.body).toMatchObject({
    ...{ title: 'Pulls', heldOn: '2026-11-24', venueId: VENUE_ID, holds: [], version: 0 },
    lines: [{ liftId: 'deadlift.conventional', text: 'top 1x1 @ 91%' }],
  });
});

it('a line says how it would be called, and what stands against it, while it is written', async () => {
  preview = {
    lines: [
      {
        call: 'mixed, right under',
        warnings: [
          { text: 'Torn callus on the left: straps.', stop: true },
          { text: 'Clear feet.', stop: false },
        ],
      },
    ],
  };
  open(null);
  await write(await screen.findByLabelText('Line 1: sets'), 'top 1x1 @ 91%');
  expect(await screen.findByText(/mixed, right under/)).toBeTruthy();
  expect(screen.getByText('Torn callus on the left: straps.')).toBeTruthy();
  expect(screen.getByText('Clear feet.')).toBeTruthy();
  // Asked about, not saved.
  expect(sent).toEqual([]);
});

it('holds are added after the lifts and taken out, each by its name', async () => {
  open(null);
  await write(await title(), 'Pulls');
  await write(screen.getByLabelText('Line 1: sets'), 'top 1x1 @ 91%');
  const add = async (name: string): Promise<void> => {
    await userEvent.click(screen.getByRole('combobox', { name: 'Add a hold after the lifts' }));
    await userEvent.click(await screen.findByRole('option', { name }));
  };
  await add('Front rack hold');
  await add('Carry');
  await add('Dead hang');
  await userEvent.click(screen.getByLabelText('Remove Carry'));
  await userEvent.click(screen.getByText('Save'));
  await waitFor(() => expect(sent.length).toBe(1));
  expect(sent[0]!.body).toMatchObject({ holds: ['frontRackHold', 'deadHang'] });
});

it('Enter opens a line below, with the same lift', async () => {
  open(null);
  await write(await screen.findByLabelText('Line 1: sets'), '3x5 @ 75%');
  await userEvent.keyboard('{Enter}');
  expect(screen.getByRole('combobox', { name: 'Line 2: lift' }).textContent).toBe(
    screen.getByRole('combobox', { name: 'Line 1: lift' }).textContent,
  );
});

it('what is half written is found again, with the same id, until it is given up', async () => {
  const first = open(null);
  await write(await title(), 'Half a plan');
  first.unmount();
  const second = open(null);
  expect((await title()).value).toBe('Half a plan');
  expect(screen.getByText(/is back; it is not saved yet/)).toBeTruthy();
  await userEvent.click(screen.getByText('Discard draft'));
  expect((await title()).value).toBe('');
  second.unmount();
  open(null);
  expect((await title()).value).toBe('');
  expect(screen.queryByText(/is back/)).toBeNull();
});

it('a draft of an older version is sent as one, so that nothing newer is overwritten unseen', async () => {
  const first = open(PLAN);
  await write(await title(), ', mine');
  first.unmount();
  open({ ...PLAN, title: 'Heavy, theirs', version: 4 });
  expect((await title()).value).toBe('Heavy, mine');
  answer = () =>
    json(409, {
      error: { code: 'changed-meanwhile', message: 'This session was changed since.', fields: [] },
    });
  await userEvent.click(screen.getByText('Save'));
  expect(await screen.findByText('This session was changed since.')).toBeTruthy();
  expect(sent[0]!.body['version']).toBe(3);
  expect((await title()).value).toBe('Heavy, mine');
});

it('what the server says of a field stands at it', async () => {
  open(null);
  answer = () =>
    json(400, {
      error: {
        code: 'invalid-input',
        message: 'The session is not right.',
        fields: [{ path: 'title', message: 'Give the session a title.' }],
      },
    });
  const said = (field: HTMLElement): string =>
    document.getElementById(field.getAttribute('aria-describedby')!)!.textContent;
  await title();
  await userEvent.click(screen.getByText('Save'));
  // What the contract refuses is not even sent.
  await waitFor(async () => expect((await title()).getAttribute('aria-invalid')).toBe('true'));
  expect(said(await title())).toBe('Title must be 1 to 80 characters.');
  expect(sent).toEqual([]);
  await write(await title(), 'Pulls');
  await write(screen.getByLabelText('Line 1: sets'), 'top 1x1 @ 91%');
  await userEvent.click(screen.getByText('Save'));
  await waitFor(async () => expect(said(await title())).toBe('Give the session a title.'));
  expect(sent.length).toBe(1);
});

it('what the week lacks is dropped in by one press, in place of an empty line', async () => {
  open(null);
  await write(await screen.findByLabelText('Title'), 'Arms');
  await userEvent.click(await screen.findByRole('button', { name: 'Add Band opening to the session' }));
  await userEvent.click(screen.getByRole('button', { name: /^Add Dead hang/ }));
  expect(screen.queryByRole('button', { name: /^Add Band opening/ })).toBeNull();
  expect(screen.getByLabelText<HTMLInputElement>('Line 1: sets').value).toBe('accessory 3x15 band');
  await userEvent.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]!.body).toMatchObject({
    holds: ['deadHang'],
    lines: [{ liftId: 'band-opening', text: 'accessory 3x15 band' }],
  });
});

it('of a week far ahead nothing is proposed, and it is said why', async () => {
  open({ ...PLAN, heldOn: '2027-02-02' });
  expect(await screen.findByText(/known for this week and the next/)).toBeTruthy();
});
