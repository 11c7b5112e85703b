import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { BroughtLifterView, ClubExportView } from '@iron-clasp/contract';
import { type ApiError, ask, sendFile, takeFile, type TakenFile } from '../client.ts';
import { keys } from '../keys.ts';
import { clubChanged } from '../refresh.ts';

/** What can be taken out and deleted here. */
export function useClubExport(): UseQueryResult<ClubExportView, ApiError> {
  return useQuery({
    queryKey: keys.people('export'),
    queryFn: () => ask<ClubExportView>('GET', '/club/export/about'),
  });
}

/** Takes everything out: of the whole club, or of the named lifter. */
export function useExport(lifterId?: string): UseMutationResult<TakenFile, ApiError, void> {
  return useMutation({
    mutationFn: () => takeFile(lifterId === undefined ? '/club/export' : `/lifters/${lifterId}/export`),
  });
}

export function useDeleteClub(): UseMutationResult<void, ApiError, string> {
  return useMutation({
    mutationFn: (receipt) => ask<void>('DELETE', `/club?receipt=${encodeURIComponent(receipt)}`),
  });
}

export function useDeleteDemo(): UseMutationResult<void, ApiError, void> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask<void>('DELETE', '/club/demo'),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.people('export') }),
  });
}

/** Brings a lifter back from an export, or from another club. */
export function useBringLifter(): UseMutationResult<BroughtLifterView, ApiError, File> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (file) => sendFile<BroughtLifterView>('/lifters/export', { export: file }),
    onSuccess: () => clubChanged(client),
  });
}
