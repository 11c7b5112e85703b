import {
  useInfiniteQuery,
  useQuery,
  type InfiniteData,
  type UseInfiniteQueryResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { CorrectionRequest, LogEntry, LogView, MistakesView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { useLifterWrite, type Write } from '../write.ts';

/** The lifter's log a page at a time; `filter` is the address's own query. */
export function useLog(
  lifterId: string,
  filter: string,
): UseInfiniteQueryResult<InfiniteData<LogView>, ApiError> {
  return useInfiniteQuery({
    queryKey: keys.lifter(lifterId, 'log', filter),
    queryFn: ({ pageParam }) => {
      const query = new URLSearchParams(filter);
      if (pageParam) query.set('before', pageParam);
      return ask<LogView>('GET', `/lifters/${lifterId}/log?${query.toString()}`);
    },
    initialPageParam: '',
    getNextPageParam: (last) => last.next,
  });
}

/** The usual mistakes that the log of the last four weeks shows. */
export function useMistakes(lifterId: string): UseQueryResult<MistakesView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'mistakes'),
    queryFn: () => ask<MistakesView>('GET', `/lifters/${lifterId}/mistakes`),
  });
}

export function useCorrect(
  lifterId: string,
  entry: LogEntry,
): Write<void, { readonly id: string; readonly body: CorrectionRequest }> {
  return useLifterWrite(lifterId, ({ id, body }) =>
    ask<void>('PUT', `/${entry.kind}s/${entry.id}/corrections/${id}`, body),
  );
}
