import {
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
  type QueryClient,
  type InfiniteData,
  type UseInfiniteQueryResult,
  type UseMutationResult,
  type UseQueryOptions,
  type UseQueryResult,
} from '@tanstack/react-query';
import type {
  ArchiveRequest,
  LifterChangesView,
  LifterRequest,
  MeetRequest,
  ProfileView,
  SheetView,
} from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { lifterChanged } from '../refresh.ts';
import { useLifterWrite, type Write } from '../write.ts';

export const sheetQuery = (lifterId: string): UseQueryOptions<SheetView, ApiError> => ({
  queryKey: keys.lifter(lifterId, 'sheet'),
  queryFn: () => ask<SheetView>('GET', `/lifters/${lifterId}/sheet`),
});

export function useSheet(lifterId: string): UseQueryResult<SheetView, ApiError> {
  return useQuery(sheetQuery(lifterId));
}

export function useProfile(lifterId: string): UseQueryResult<ProfileView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'profile'),
    queryFn: () => ask<ProfileView>('GET', `/lifters/${lifterId}/profile`),
    // An editor is drawn from one version: it is not swapped under the hands that type.
    refetchOnWindowFocus: false,
  });
}

export function useSaveLifter(lifterId: string): Write<ProfileView, LifterRequest> {
  return useLifterWrite(lifterId, (body) => ask<ProfileView>('PUT', `/lifters/${lifterId}`, body), 'profile');
}

export function useArchive(): UseMutationResult<
  ProfileView,
  ApiError,
  ArchiveRequest & { readonly lifterId: string }
> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ lifterId, ...body }) => ask<ProfileView>('PATCH', `/lifters/${lifterId}/archive`, body),
    onSuccess: (profile) => profileChanged(client, profile),
  });
}

/** Deletes a lifter with the receipt of an export. */
export function useDeleteLifter(lifterId: string): Write<void, string> {
  return useLifterWrite(lifterId, (receipt) =>
    ask<void>('DELETE', `/lifters/${lifterId}?receipt=${encodeURIComponent(receipt)}`),
  );
}

/** Changes of a lifter beyond those of the profile, fetched when asked for. */
export function useOlderChanges(
  lifterId: string,
  next: string | null,
): UseInfiniteQueryResult<InfiniteData<LifterChangesView>, ApiError> {
  return useInfiniteQuery({
    queryKey: keys.lifter(lifterId, 'changes', next),
    queryFn: ({ pageParam }) =>
      ask<LifterChangesView>('GET', `/lifters/${lifterId}/changes?before=${encodeURIComponent(pageParam)}`),
    initialPageParam: next ?? '',
    getNextPageParam: (last) => last.next,
    enabled: false,
  });
}

export interface MeetToSave {
  readonly id: string;
  readonly body: MeetRequest;
}

/** Writes a meet, or takes one off where there is no body. */
export function useMeet(
  lifterId: string,
): Write<ProfileView, MeetToSave | { readonly id: string; readonly body: null }> {
  return useLifterWrite(
    lifterId,
    ({ id, body }) =>
      body
        ? ask<ProfileView>('PUT', `/lifters/${lifterId}/meets/${id}`, body)
        : ask<ProfileView>('DELETE', `/lifters/${lifterId}/meets/${id}`),
    'profile',
  );
}

/** Takes a changed lifter into the cache. */
const profileChanged = (client: QueryClient, profile: ProfileView): void =>
  lifterChanged(client, profile.id, { key: keys.lifter(profile.id, 'profile'), data: profile });
