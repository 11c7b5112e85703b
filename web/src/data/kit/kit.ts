import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { ArchiveRequest, KitView, VenueChoice, VenueRequest, VenueView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { clockNow } from '../clock.ts';
import { keys } from '../keys.ts';
import { clubChanged } from '../refresh.ts';

export function useKit(): UseQueryResult<KitView, ApiError> {
  // An editor is drawn from one version: it is not swapped under the hands that type.
  return useQuery({
    queryKey: keys.club('kit'),
    queryFn: () => ask<KitView>('GET', '/kit'),
    refetchOnWindowFocus: false,
  });
}

export function useVenues(): UseQueryResult<VenueChoice[], ApiError> {
  return useQuery({ queryKey: keys.club('venues'), queryFn: () => ask<VenueChoice[]>('GET', '/venues') });
}

export function useSaveVenue(id: string): UseMutationResult<VenueView, ApiError, VenueRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: VenueRequest) => ask<VenueView>('PUT', `/venues/${id}`, body),
    onSuccess: () => clubChanged(client),
  });
}

export function useArchiveVenue(id: string): UseMutationResult<VenueView, ApiError, ArchiveRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: ArchiveRequest) => ask<VenueView>('PATCH', `/venues/${id}/archive`, body),
    onSuccess: () => clubChanged(client),
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
    onSuccess: (kit) => clubChanged(client, { key: keys.club('kit'), data: kit }),
  });
}
