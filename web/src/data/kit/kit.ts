import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type { ArchiveRequest, KitView, VenueChoice, VenueRequest, VenueView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { clockNow } from '../clock.ts';
import { keys } from '../keys.ts';
import { useClubWrite, type Write } from '../write.ts';

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

export function useSaveVenue(id: string): Write<VenueView, VenueRequest> {
  return useClubWrite((body) => ask<VenueView>('PUT', `/venues/${id}`, body));
}

export function useArchiveVenue(id: string): Write<VenueView, ArchiveRequest> {
  return useClubWrite((body) => ask<VenueView>('PATCH', `/venues/${id}/archive`, body));
}

/** Keeps that a bar was brushed now; the id is made once a press, so that a second try changes nothing. */
export function useBrush(): Write<KitView, { readonly barId: string; readonly id: string }> {
  return useClubWrite(
    ({ barId, id }) =>
      ask<KitView>('PUT', `/bars/${barId}/brushings/${id}`, { brushedAt: clockNow().toISOString() }),
    'kit',
  );
}
