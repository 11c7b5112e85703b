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
  ImportsView,
} from '@iron-clasp/contract';
import { useRef, useState } from 'react';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { clubChanged } from '../refresh.ts';

/** Fifty thousand rows take the server a while, ms. */
const PATIENCE = 120_000;

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
  const [progress, setProgress] = useState<ImportProgress | null>(null);
  const over = useRef<AbortController | null>(null);
  const bring = useMutation<ImportDone, ApiError, FileImportRequest>({
    mutationFn: async (body) => {
      over.current = new AbortController();
      const stream = new EventSource(`/api/imports/${id}/progress`);
      stream.onmessage = ({ data }: MessageEvent<string>) => setProgress(JSON.parse(data) as ImportProgress);
      try {
        return await ask<ImportDone>('PUT', `/imports/${id}`, body, PATIENCE, over.current.signal);
      } finally {
        stream.close();
        setProgress(null);
      }
    },
    onSuccess: ({ imports }) => clubChanged(client, { key: keys.club('imports'), data: { imports } }),
  });
  return { ...bring, progress, cancel: () => over.current?.abort() };
}

export function useUndoImport(): UseMutationResult<ImportsView, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<ImportsView>('DELETE', `/imports/${id}`, undefined, PATIENCE),
    onSuccess: (data) => clubChanged(client, { key: keys.club('imports'), data }),
  });
}
