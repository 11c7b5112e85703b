import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { ArchiveRequest, KitView, VenueRequest, VenueView } from '@iron-clasp/contract';
import { ask, type ApiError } from './client.ts';
import { clockNow } from '../clock.ts';

const KIT = ['kit'];

export function useKit(): UseQueryResult<KitView, ApiError> {
  // An editor is drawn from one version: it is not swapped under the hands that type.
  return useQuery({ queryKey: KIT, queryFn: () => ask<KitView>('GET', '/kit'), refetchOnWindowFocus: false });
}

/** Lets everything that rests on bars and plates be fetched anew. */
function useRefreshKit(): () => void {
  const client = useQueryClient();
  return () => {
    for (const key of [KIT, ['venues'], ['calls'], ['plan'], ['what-if']])
      void client.invalidateQueries({ queryKey: key });
  };
}

export function useSaveVenue(id: string): UseMutationResult<VenueView, ApiError, VenueRequest> {
  const refresh = useRefreshKit();
  return useMutation({
    mutationFn: (body: VenueRequest) => ask<VenueView>('PUT', `/venues/${id}`, body),
    onSuccess: refresh,
  });
}

export function useArchiveVenue(id: string): UseMutationResult<VenueView, ApiError, ArchiveRequest> {
  const refresh = useRefreshKit();
  return useMutation({
    mutationFn: (body: ArchiveRequest) => ask<VenueView>('PATCH', `/venues/${id}/archive`, body),
    onSuccess: refresh,
  });
}

/** Keeps that a bar was brushed now; the id is made once a press, so that a second try changes nothing. */
export function useBrush(): UseMutationResult<
  KitView,
  ApiError,
  { readonly barId: string; readonly id: string }
> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ barId, id }) =>
      ask<KitView>('PUT', `/bars/${barId}/brushings/${id}`, { brushedAt: clockNow().toISOString() }),
    onSuccess: (kit) => client.setQueryData(KIT, kit),
  });
}
