import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { ImportDone, ImportPreview, ImportsView, TrainingImportRequest } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { clubChanged } from '../refresh.ts';

/** Fifty thousand rows take the server a while, ms. */
const PATIENCE = 120_000;

export function useImports(): UseQueryResult<ImportsView, ApiError> {
  return useQuery({ queryKey: keys.club('imports'), queryFn: () => ask<ImportsView>('GET', '/imports') });
}

/** What a file would bring; nothing is stored. */
export function useImportPreview(): UseMutationResult<ImportPreview, ApiError, TrainingImportRequest> {
  return useMutation({
    mutationFn: (body: TrainingImportRequest) =>
      ask<ImportPreview>('POST', '/imports/preview', body, PATIENCE),
  });
}

export function useBringIn(id: string): UseMutationResult<ImportDone, ApiError, TrainingImportRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: TrainingImportRequest) => ask<ImportDone>('PUT', `/imports/${id}`, body, PATIENCE),
    onSuccess: ({ imports }) => clubChanged(client, { key: keys.club('imports'), data: { imports } }),
  });
}

export function useUndoImport(): UseMutationResult<ImportsView, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<ImportsView>('DELETE', `/imports/${id}`, undefined, PATIENCE),
    onSuccess: (data) => clubChanged(client, { key: keys.club('imports'), data }),
  });
}
