import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type { BlockEffectView, ClubBackTestView, ClubView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';

export function useClub(): UseQueryResult<ClubView, ApiError> {
  return useQuery({
    queryKey: keys.club('attention'),
    queryFn: () => ask<ClubView>('GET', '/club/attention'),
  });
}

/** Asked again while lifters are worked out in the background. */
export function useClubBackTest(): UseQueryResult<ClubBackTestView, ApiError> {
  return useQuery({
    queryKey: keys.club('backTest'),
    queryFn: () => ask<ClubBackTestView>('GET', '/club/back-test'),
    refetchInterval: ({ state }) => (state.data && state.data.underWay > 0 ? 5_000 : false),
  });
}

/** What blocks did over the whole club; for its staff. */
export function useBlockEffect(): UseQueryResult<BlockEffectView, ApiError> {
  return useQuery({
    queryKey: keys.club('blockEffect'),
    queryFn: () => ask<BlockEffectView>('GET', '/club/block-effect'),
  });
}
