import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type {
  FileImportRequest,
  ImportDone,
  ImportPreview,
  ImportProgress,
  ImportProgressView,
  ImportsView,
} from '@iron-clasp/contract';
import { useRef } from 'react';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { clubChanged } from '../refresh.ts';

/** Fifty thousand rows take the server a while, ms. */
const PATIENCE = 120_000;
/** How often it is looked how far an import has come, ms. */
const LOOK_EVERY = 400;

export function useImports(): UseQueryResult<ImportsView, ApiError> {
  return useQuery({ queryKey: keys.club('imports'), queryFn: () => ask<ImportsView>('GET', '/imports') });
}

/** What a file would bring; nothing is stored. */
export function useImportPreview(): UseMutationResult<ImportPreview, ApiError, FileImportRequest> {
  return useMutation({
    mutationFn: (body: FileImportRequest) => ask<ImportPreview>('POST', '/imports/preview', body, PATIENCE),
  });
}

/** An import as it is done: how far it has come, and the way to end it. */
export interface BringIn extends Pick<
  UseMutationResult<ImportDone, ApiError, FileImportRequest>,
  'mutate' | 'isPending' | 'error' | 'reset'
> {
  /** Null until the first rows are in. */
  readonly progress: ImportProgress | null;
  /** Ends it: nothing is brought in. */
  readonly cancel: () => void;
}

export function useBringIn(id: string): BringIn {
  const client = useQueryClient();
  const over = useRef<AbortController | null>(null);
  const bring = useMutation<ImportDone, ApiError, FileImportRequest>({
    mutationFn: (body) => {
      over.current = new AbortController();
      return ask<ImportDone>('PUT', `/imports/${id}`, body, PATIENCE, over.current.signal);
    },
    onSuccess: ({ imports }) => clubChanged(client, { key: keys.club('imports'), data: { imports } }),
  });
  const told = useQuery({
    queryKey: keys.club('imports', id, 'progress'),
    queryFn: () => ask<ImportProgressView>('GET', `/imports/${id}/progress`),
    enabled: bring.isPending,
    refetchInterval: LOOK_EVERY,
  });
  const progress = bring.isPending ? (told.data?.progress ?? null) : null;
  return { ...bring, progress, cancel: () => over.current?.abort() };
}

export function useUndoImport(): UseMutationResult<ImportsView, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<ImportsView>('DELETE', `/imports/${id}`, undefined, PATIENCE),
    onSuccess: (data) => clubChanged(client, { key: keys.club('imports'), data }),
  });
}
