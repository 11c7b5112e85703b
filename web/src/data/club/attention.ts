import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type { ClubView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';

export function useClub(): UseQueryResult<ClubView, ApiError> {
  return useQuery({
    queryKey: keys.club('attention'),
    queryFn: () => ask<ClubView>('GET', '/club/attention'),
  });
}
