import { notifyManager, useQueryClient } from '@tanstack/react-query';
import type { CallsView } from '@iron-clasp/contract';
import { useCallback, useEffect, useSyncExternalStore } from 'react';
import { keys } from '../data/keys.ts';
import { afterPaint } from '../ui/after-paint.ts';
import { useAccount } from '../data/session/account.ts';
import { ApiError, ask } from '../data/client.ts';
import type { Waiting } from './outbox.ts';
import { outbox } from './own-outbox.ts';
import { keepCalls } from '../data/training/calls.ts';
import { sendInOrder, waitBeforeRound, type Fate, type Round } from './send-in-order.ts';
import { signedOut } from '../data/session/query-client.ts';

/** The sending under way: one for the whole page. */
let sending: Promise<Round> | null = null;

/** The entries of the signed-in account that wait, oldest first. */
export function useWaiting(): readonly Waiting[] {
  const accountId = useAccount()?.id;
  const all = useSyncExternalStore(outbox.subscribe, outbox.all);
  return all.filter((entry) => entry.accountId === accountId);
}

/** Those of one session; whoever follows it is drawn anew only where one of them changes. */
export function useWaitingOf(sessionId: string): readonly Waiting[] {
  const accountId = useAccount()?.id ?? '';
  return useSyncExternalStore(outbox.subscribe, () => outbox.of(sessionId, accountId));
}

/** Does what waits live in this page only, since the device has no room? */
export function useUnsaved(): boolean {
  return useSyncExternalStore(outbox.subscribe, outbox.unsaved);
}

/** Sends what waits of an account, by itself: mounted once, where somebody is signed in. */
export function useSending(accountId: string): void {
  const client = useQueryClient();
  const unsent = useSyncExternalStore(outbox.subscribe, () =>
    outbox.all().some((entry) => entry.accountId === accountId && !entry.refused),
  );

  const send = useCallback((): Promise<Round> => {
    const one = async (entry: Waiting): Promise<Fate> => {
      try {
        const view = await sendOne(entry);
        // What the server has is known before the entry is let go: in between, nothing looks undone.
        keepCalls(client, view);
        await told();
        outbox.acknowledge(entry);
        // What opens a session is part of what it is called from: the floor is read anew, and before anything else is
        // sent, else its answer would be older than that of a later set, and the lane would fall back.
        if (entry.kind === 'hands' || entry.kind === 'squeeze')
          await client.invalidateQueries({ queryKey: keys.training(entry.sessionId, 'floor') });
        return 'kept';
      } catch (error) {
        if (!(error instanceof ApiError)) return 'later';
        if (error.passing) return error.status === 0 ? 'unreachable' : 'later';
        // Not refused, only not now: after signing in, or with a fresh token, it goes through.
        if (error.status === 401 || error.code === 'stale-page') {
          signedOut(client);
          return 'signedOut';
        }
        outbox.refuse(entry.id, error.message, error.other);
        return 'refused';
      }
    };
    sending ??= sendInOrder(
      () => outbox.all().filter((entry) => entry.accountId === accountId && !entry.refused),
      one,
    ).finally(() => (sending = null));
    return sending;
  }, [accountId, client]);

  useEffect(() => {
    if (!unsent) return;
    let over = false;
    let failures = 0;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const round = async (): Promise<void> => {
      clearTimeout(timer);
      const ended = await send();
      if (over || ended !== 'again') return;
      failures += 1;
      timer = setTimeout(() => void round(), waitBeforeRound(failures));
    };
    const now = (): void => {
      if (over) return;
      failures = 0;
      void round();
    };
    // What was tapped is painted before it is sent.
    const callOff = afterPaint(now);
    // Something new waits, or the network is back: what is left is tried at once.
    const stop = outbox.subscribe(() => {
      if (!sending) afterPaint(now);
    });
    window.addEventListener('online', now);
    return () => {
      over = true;
      callOff();
      stop();
      clearTimeout(timer);
      window.removeEventListener('online', now);
    };
  }, [unsent, send]);

  // What another tab has sent is on the server now.
  useEffect(() => outbox.onOthers(() => void client.invalidateQueries({ queryKey: ['training'] })), [client]);
}

/** Until every page that shows the answer was told of it: queries tell theirs a task later, the outbox at once. */
const told = (): Promise<void> => new Promise((resolve) => notifyManager.schedule(() => resolve()));

/** Sends an entry and gives the session as it is called then: a set or hold answers with that, for the rest it is asked for. */
async function sendOne(entry: Waiting): Promise<CallsView> {
  const { sessionId, kind, method, path, body } = entry;
  const answer = await ask<CallsView>(method, path, body ?? undefined).catch((error: unknown) => {
    // What is to be taken back never arrived: there is nothing to take back.
    if (method !== 'DELETE' || !(error instanceof ApiError && error.status === 404)) throw error;
  });
  const called = method === 'PUT' && (kind === 'set' || kind === 'hold' || kind === 'extra');
  return called && answer ? answer : ask<CallsView>('GET', `/sessions/${sessionId}/calls`);
}
