import {
  useInfiniteQuery,
  useQuery,
  type InfiniteData,
  type UseInfiniteQueryResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { ArchivedView, RackRow, RackView, TodayView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';

interface RackQuery {
  readonly queryKey: unknown[];
  readonly queryFn: (asked: { readonly pageParam: string }) => Promise<RackView>;
  readonly initialPageParam: string;
  readonly getNextPageParam: (last: RackView) => string | null;
}

/** The rack a page at a time, of those whose name holds `find`. */
export const rackQuery = (find = ''): RackQuery => ({
  queryKey: keys.club('rack', find),
  queryFn: ({ pageParam }) =>
    ask<RackView>('GET', `/lifters?${new URLSearchParams({ find, ...(pageParam && { after: pageParam }) })}`),
  initialPageParam: '',
  getNextPageParam: (last) => last.next,
});

export function useRack(find = ''): UseInfiniteQueryResult<InfiniteData<RackView>, ApiError> {
  return useInfiniteQuery({ ...rackQuery(find), placeholderData: (before) => before });
}

export function useToday(): UseQueryResult<TodayView, ApiError> {
  return useQuery({ queryKey: keys.club('today'), queryFn: () => ask<TodayView>('GET', '/lifters/today') });
}

/** Archived lifters, a page at a time. */
export function useArchived(): UseInfiniteQueryResult<InfiniteData<ArchivedView>, ApiError> {
  return useInfiniteQuery({
    queryKey: keys.club('archived'),
    queryFn: ({ pageParam }) =>
      ask<ArchivedView>('GET', `/lifters/archived${pageParam && `?after=${encodeURIComponent(pageParam)}`}`),
    initialPageParam: '',
    getNextPageParam: (last) => last.next,
  });
}

/** Every lifter on the rack, by name: for lists in which one of them is chosen. */
export function useEveryLifter(): UseQueryResult<readonly Pick<RackRow, 'id' | 'name'>[], ApiError> {
  return useQuery({
    queryKey: keys.club('everyLifter'),
    queryFn: async () => {
      const found: Pick<RackRow, 'id' | 'name'>[] = [];
      let after: string | null = '';
      while (after !== null) {
        const page: RackView = await ask<RackView>(
          'GET',
          `/lifters?${new URLSearchParams(after ? { after } : {})}`,
        );
        found.push(...page.lifters.map(({ id, name }) => ({ id, name })));
        after = page.next;
      }
      return found.sort((a, b) => a.name.localeCompare(b.name));
    },
  });
}
