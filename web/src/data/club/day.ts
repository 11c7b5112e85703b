import { useQuery, useQueryClient, type QueryClient, type UseQueryResult } from '@tanstack/react-query';
import type { DayDecision, DayView, OwnDayView } from '@iron-clasp/contract';
import { useEffect } from 'react';
import { type ApiError, ask } from '../client.ts';
import { clockNow } from '../clock.ts';
import { keys } from '../keys.ts';
import { clubChanged, lifterChanged } from '../refresh.ts';
import { floorQuery } from '../training/floor.ts';

/** Lanes that stand on one floor. */
export const MOST_LANES = 6;

export const dayQuery = {
  queryKey: keys.club('day'),
  queryFn: (): Promise<DayView> => ask<DayView>('GET', '/today'),
};

export function useDay(): UseQueryResult<DayView, ApiError> {
  return useQuery(dayQuery);
}

/** A lifter's own day. */
export function useOwnDay(lifterId: string): UseQueryResult<OwnDayView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'day'),
    queryFn: () => ask<OwnDayView>('GET', `/lifters/${lifterId}/day`),
  });
}

/** How long a page stands before the floors are fetched, ms: read and drawn beside it they would keep it back. */
const STANDS = 500;

/**
 * Fetches the floors of today's sessions while there is a network: in the gym there may be none. One after the other: each
 * is worked out, and read, while somebody uses the page.
 */
export function useFloorsAhead(sessions: readonly { readonly id: string }[] | undefined): void {
  const client = useQueryClient();
  useEffect(() => {
    let over = false;
    const fetchAll = async (): Promise<void> => {
      for (const { id } of sessions?.slice(0, 2 * MOST_LANES) ?? []) {
        if (over) return;
        await client.prefetchQuery(floorQuery(id));
      }
    };
    const timer = setTimeout(() => void fetchAll(), STANDS);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [client, sessions]);
}

/** A decision that was made, and how it is taken back. */
export interface Decided {
  readonly undo: () => Promise<void>;
}

interface Step {
  readonly method: 'PUT' | 'PATCH' | 'DELETE';
  readonly path: string;
  readonly body?: object;
}

/** What is sent to decide, and what takes it back; ids are made here, once a click, so that a second try changes nothing. */
function stepsOf(act: NonNullable<DayDecision['act']>, lifterId: string): { do: Step[]; undo: Step[] } {
  const kept = (path: string, body: object): { do: Step[]; undo: Step[] } => ({
    do: [{ method: 'PUT', path, body }],
    undo: [{ method: 'DELETE', path }],
  });
  switch (act.kind) {
    case 'acceptHold':
      return kept(`/sessions/${act.sessionId}/hold-decisions/${crypto.randomUUID()}`, {
        ...{ kind: act.hold, what: 'accepted' },
      });
    case 'brush':
      return kept(`/bars/${act.barId}/brushings/${crypto.randomUUID()}`, {
        brushedAt: clockNow().toISOString(),
      });
    case 'moveHook': {
      const { from, to } = act;
      const move = (body: object): Step => ({
        method: 'PATCH',
        path: `/lifters/${lifterId}/hook-stage`,
        body,
      });
      return { do: [move({ from, to })], undo: [move({ from: to, to: from })] };
    }
    case 'placeBlock': {
      const placed = act.blocks.map((block) => ({ id: crypto.randomUUID(), block }));
      return {
        do: placed.map(({ id, block }) => ({
          ...{
            method: 'PUT',
            path: `/lifters/${lifterId}/hold-blocks/${id}`,
            body: { ...block, version: 0 },
          },
        })),
        undo: placed.map(({ id }) => ({ method: 'DELETE', path: `/hold-blocks/${id}` })),
      };
    }
  }
}

/** Decides what one click decides. */
export function useDecideToday(): (decision: DayDecision) => Promise<Decided> {
  const client = useQueryClient();
  return async ({ act, lifterId }) => {
    if (!act) throw new Error('This has to be looked at first.');
    const steps = stepsOf(act, lifterId ?? '');
    const take = async (all: readonly Step[]): Promise<void> => {
      try {
        for (const { method, path, body } of all) await ask<unknown>(method, path, body);
      } finally {
        // A part of it may be done.
        changed(client, lifterId);
      }
    };
    await take(steps.do);
    return { undo: () => take(steps.undo) };
  };
}

function changed(client: QueryClient, lifterId: string | null): void {
  if (lifterId) lifterChanged(client, lifterId);
  else clubChanged(client);
}
