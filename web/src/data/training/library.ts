import { useQuery, useQueryClient, type UseQueryResult } from '@tanstack/react-query';
import type { CopyRequest, CopyView, LibraryPlanRequest, LibraryView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { clubChanged } from '../refresh.ts';
import { useClubWrite, type Write } from '../write.ts';

/** The club's library of sessions and weeks, by title. */
export function useLibrary(): UseQueryResult<LibraryView, ApiError> {
  return useQuery({ queryKey: keys.club('library'), queryFn: () => ask<LibraryView>('GET', '/library') });
}

export interface CopyToSend {
  readonly id: string;
  readonly body: CopyRequest;
}

/** Writes a session, a week or a plan into the programs of several lifters. */
export function useCopy(): Write<CopyView, CopyToSend> {
  return useClubWrite(({ id, body }) => ask<CopyView>('PUT', `/copies/${id}`, body));
}

/** Takes back everything that a copy wrote; what somebody has changed or begun since stays. */
export function useTakeBack(): (copy: CopyView) => Promise<void> {
  const client = useQueryClient();
  return async ({ lifters }) => {
    const written = lifters.flatMap((each) => each.written);
    await Promise.allSettled(
      written.map(({ id, version }) => ask<void>('DELETE', `/sessions/${id}?version=${version}`)),
    );
    clubChanged(client);
  };
}

/** Keeps a plan under its client-made id, or its other title. */
export function useKeepPlan(): Write<
  LibraryView,
  { readonly id: string; readonly body: LibraryPlanRequest }
> {
  return useClubWrite(({ id, body }) => ask<LibraryView>('PUT', `/library/${id}`, body), 'library');
}

export function useRemovePlan(): Write<void, { readonly id: string; readonly version: number }> {
  return useClubWrite(({ id, version }) => ask<void>('DELETE', `/library/${id}?version=${version}`));
}

export function useRestorePlan(): Write<void, string> {
  return useClubWrite((id) => ask<void>('PUT', `/library/${id}/restored`));
}
