/** @jest-environment jsdom */
import { findUndo } from '../../ui/component.test-helper.ts';
import type { ProgramSession, ProgramView } from '@iron-clasp/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement, ReactNode } from 'react';
import { Toasts } from '../../ui/toast.tsx';
import { useSlips, type Slips } from './use-slips.ts';

const ODALYS = '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c11';
const MONDAY = '2026-11-30';
const TUESDAY = '2026-12-01';
const WEDNESDAY = '2026-12-02';
const HEAVY: ProgramSession = {
  ...{ id: '7d0f3d1e-3a52-4a50-8a4e-0d2f7f6b1c13', version: 1, on: MONDAY, title: 'Heavy', begun: false },
  ...{ rehearsesMeet: false, lines: [], holds: [] },
};
const viewOf = (session: ProgramSession): ProgramView => ({
  ...{ today: '2026-11-24', weeks: [MONDAY], sessions: [session], later: 0 },
});

/** Moves that were asked and wait for their answers, in their order. */
const asked: { body: { heldOn: string; version: number }; answer: (status: number, body: object) => void }[] =
  [];
beforeEach(() => {
  asked.length = 0;
  Object.assign(globalThis, {
    fetch: (_path: string, { body }: RequestInit) =>
      new Promise((resolve) =>
        asked.push({
          body: JSON.parse(String(body)) as { heldOn: string; version: number },
          answer: (status, answered) =>
            resolve({ status, ok: status < 400, headers: new Headers(), json: async () => answered }),
        }),
      ),
  });
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
});

/** The hook on a page that reads the session as it was when it was opened, and what reads it anew. */
function open(): { slips: () => Slips; shown: () => string; read: (session: ProgramSession) => void } {
  const client = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }): ReactElement => (
    <QueryClientProvider client={client}>
      <Toasts>{children}</Toasts>
    </QueryClientProvider>
  );
  const { result, rerender } = renderHook(
    (session: ProgramSession) => ({ slips: useSlips(ODALYS, viewOf(session)), session }),
    { wrapper, initialProps: HEAVY },
  );
  return {
    slips: () => result.current.slips,
    shown: () => result.current.slips.onOf(result.current.session),
    read: rerender,
  };
}
const kept = (version: number, on: string): object => ({ session: { ...HEAVY, version, on } });

it('a session stays where it was put last, whatever is read while that is on its way', async () => {
  const { slips, shown, read } = open();
  act(() => slips().moveTo(HEAVY, TUESDAY));
  expect(shown()).toBe(TUESDAY);
  await waitFor(() => expect(asked).toHaveLength(1));
  act(() => asked[0]!.answer(200, kept(2, TUESDAY)));
  await userEvent.click(await findUndo());
  expect(shown()).toBe(MONDAY);
  // What the move before left is read only now.
  read({ ...HEAVY, version: 2, on: TUESDAY });
  expect(shown()).toBe(MONDAY);
  await waitFor(() => expect(asked).toHaveLength(2));
  expect(asked[1]!.body).toEqual({ heldOn: MONDAY, version: 2 });
  act(() => asked[1]!.answer(200, kept(3, MONDAY)));
  await screen.findByText(/Heavy is on Mon 30 Nov.* now/);
  expect(shown()).toBe(MONDAY);
  // Somebody else’s later move is shown once it is read.
  read({ ...HEAVY, version: 4, on: WEDNESDAY });
  expect(shown()).toBe(WEDNESDAY);
});

it('a session that is moved on before the answer goes by the version that the answer brings', async () => {
  const { slips, shown } = open();
  act(() => slips().moveTo(HEAVY, TUESDAY));
  act(() => slips().moveTo(HEAVY, WEDNESDAY));
  await waitFor(() => expect(asked).toHaveLength(1));
  act(() => asked[0]!.answer(200, kept(2, TUESDAY)));
  await waitFor(() => expect(asked).toHaveLength(2));
  expect(shown()).toBe(WEDNESDAY);
  expect(asked[1]!.body).toEqual({ heldOn: WEDNESDAY, version: 2 });
  act(() => asked[1]!.answer(200, kept(3, WEDNESDAY)));
  await screen.findByText(/Heavy is on Wed 2 Dec.* now/);
  expect(shown()).toBe(WEDNESDAY);
});

it('a refused move goes back to where the session is, and says why', async () => {
  const { slips, shown } = open();
  act(() => slips().moveTo(HEAVY, TUESDAY));
  await waitFor(() => expect(asked).toHaveLength(1));
  act(() => asked[0]!.answer(409, { error: { code: 'begun', message: 'It stays on its day.' } }));
  await waitFor(() => expect(shown()).toBe(MONDAY));
  expect(slips().fault?.message).toContain('stays on its day');
});
