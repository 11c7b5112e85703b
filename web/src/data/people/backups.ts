import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { BackupsView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';

/** How often it is looked whether a backup is done, ms. */
const LOOK_EVERY = 1500;

export function useBackups(): UseQueryResult<BackupsView, ApiError> {
  return useQuery({
    queryKey: keys.people('backups'),
    queryFn: () => ask<BackupsView>('GET', '/backups'),
    refetchInterval: ({ state }) =>
      state.data?.backups.some((each) => each.state === 'running') ? LOOK_EVERY : false,
  });
}

export function useBackUp(): UseMutationResult<BackupsView, ApiError, void> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask<BackupsView>('POST', '/backups', {}),
    onSuccess: (view) => client.setQueryData(keys.people('backups'), view),
    onError: () => client.invalidateQueries({ queryKey: keys.people('backups') }),
  });
}
