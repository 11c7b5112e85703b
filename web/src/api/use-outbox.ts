import { useQueryClient } from '@tanstack/react-query';
import type { CallsView } from '@iron-clasp/contract';
import { useCallback, useEffect, useRef, useSyncExternalStore } from 'react';
import { ApiError, ask } from './client.ts';
import { isHold, Outbox, type Waiting, type WaitingHold } from './outbox.ts';
import { keepCalls, signedOut, useSession } from './queries.ts';

export const outbox = new Outbox(window.localStorage);

/** How often waiting entries are tried again while the page is open. */
const RETRY_MS = 4000;

/** The entries of the signed-in account that wait, and a way to send them now. Sending happens by itself. */
export function useOutbox(): { waiting: readonly Waiting[]; send: () => Promise<void> } {
  const all = useSyncExternalStore(outbox.subscribe, outbox.all);
  const client = useQueryClient();
  const accountId = useSession().data?.account.id;
  const sending = useRef<Promise<void> | null>(null);
  const waiting = all.filter((entry) => entry.accountId === accountId);

  const send = useCallback((): Promise<void> => {
    const next = (): Waiting | undefined =>
      outbox.all().find((entry) => entry.accountId === accountId && !entry.refused);
    const work = async (): Promise<void> => {
      // In order, one at a time; what cannot be sent now stays for the next try.
      for (let entry = next(); entry; entry = next()) {
        try {
          const view = await (isHold(entry) ? sendHold(entry) : takeBack(entry));
          outbox.acknowledge(entry);
          keepCalls(client, view);
        } catch (error) {
          if (!(error instanceof ApiError) || error.passing) return;
          // Not refused, only not now: after signing in, or with a fresh token, it goes through.
          if (error.status === 401 || error.code === 'stale-page') return signedOut(client);
          outbox.refuse(entry.id, error.message);
        }
      }
    };
    sending.current ??= work().finally(() => (sending.current = null));
    return sending.current;
  }, [accountId, client]);

  const unsent = waiting.some((entry) => !entry.refused);
  useEffect(() => {
    if (!unsent) return;
    void send();
    const timer = setInterval(() => void send(), RETRY_MS);
    const now = (): void => void send();
    window.addEventListener('online', now);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', now);
    };
  }, [unsent, send]);

  useEffect(() => {
    const other = (): void => outbox.refresh();
    window.addEventListener('storage', other);
    return () => window.removeEventListener('storage', other);
  }, []);

  return { waiting, send };
}

function sendHold(entry: WaitingHold): Promise<CallsView> {
  return ask<CallsView>('PUT', `/sessions/${entry.sessionId}/holds/${entry.id}`, entry.body);
}

async function takeBack(entry: Waiting): Promise<CallsView> {
  await ask('DELETE', `/holds/${entry.id}`).catch((error: unknown) => {
    // It never arrived: there is nothing to take back.
    if (!(error instanceof ApiError && error.status === 404)) throw error;
  });
  return ask<CallsView>('GET', `/sessions/${entry.sessionId}/calls`);
}
