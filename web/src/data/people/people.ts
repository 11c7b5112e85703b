import {
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
  type InfiniteData,
  type UseInfiniteQueryResult,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type {
  ClubRequest,
  ClubSettingsView,
  DeedsView,
  MadeLinkView,
  PasswordLinkView,
  PeopleView,
  PersonRequest,
  StaffInvitationRequest,
} from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { signedOut } from '../session/query-client.ts';
import { type Write } from '../write.ts';

export function usePeople(): UseQueryResult<PeopleView, ApiError> {
  return useQuery({ queryKey: keys.people('list'), queryFn: () => ask<PeopleView>('GET', '/people') });
}

/** A write to the people of the club; it answers with all of them. */
function usePeopleWrite<Sent>(send: (sent: Sent) => Promise<PeopleView>): Write<PeopleView, Sent> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: (people) => client.setQueryData(keys.people('list'), people),
    // Somebody else was faster, or there is a rule against it: what is shown is read anew.
    onError: () => client.invalidateQueries({ queryKey: keys.people('list') }),
    onSettled: () => client.invalidateQueries({ queryKey: keys.people('deeds') }),
  });
}

export function useChangePerson(): Write<PeopleView, PersonRequest & { readonly id: string }> {
  return usePeopleWrite(({ id, ...body }) => ask<PeopleView>('PUT', `/people/${id}`, body));
}

export function useRemovePerson(): Write<PeopleView, string> {
  return usePeopleWrite((id) => ask<PeopleView>('DELETE', `/people/${id}`));
}

export function useRevokeInvitation(): Write<PeopleView, string> {
  return usePeopleWrite((id) => ask<PeopleView>('DELETE', `/staff-invitations/${id}`));
}

export function useInviteStaff(): UseMutationResult<MadeLinkView, ApiError, StaffInvitationRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: StaffInvitationRequest) =>
      ask<MadeLinkView>('PUT', `/staff-invitations/${crypto.randomUUID()}`, body),
    onSettled: () => client.invalidateQueries({ queryKey: keys.people('list') }),
  });
}

export function useMakePasswordLink(): UseMutationResult<MadeLinkView, ApiError, string> {
  return useMutation({
    mutationFn: (person: string) =>
      ask<MadeLinkView>('PUT', `/people/${person}/password-links/${crypto.randomUUID()}`, {}),
  });
}

export function usePasswordLink(secret: string): UseQueryResult<PasswordLinkView, ApiError> {
  return useQuery({
    queryKey: ['password-link', secret],
    queryFn: () => ask<PasswordLinkView>('GET', `/password-links/${encodeURIComponent(secret)}`),
  });
}

export function useSetPassword(secret: string): UseMutationResult<PasswordLinkView, ApiError, string> {
  return useMutation({
    mutationFn: (password: string) =>
      ask<PasswordLinkView>('POST', `/password-links/${encodeURIComponent(secret)}`, { password }),
  });
}

export function useClubSettings(): UseQueryResult<ClubSettingsView, ApiError> {
  return useQuery({
    queryKey: keys.people('settings'),
    queryFn: () => ask<ClubSettingsView>('GET', '/club/settings'),
  });
}

export function useSaveClub(): UseMutationResult<ClubSettingsView, ApiError, ClubRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: ClubRequest) => ask<ClubSettingsView>('PUT', '/club/settings', body),
    onSuccess: (settings) => {
      client.setQueryData(keys.people('settings'), settings);
      // Every day and every head of a page is the club's.
      signedOut(client);
      void client.invalidateQueries();
    },
    onError: () => client.invalidateQueries({ queryKey: keys.people('settings') }),
  });
}

/** Who did what, a page at a time; of one person where `by` says so. */
export function useDeeds(by: string): UseInfiniteQueryResult<InfiniteData<DeedsView>, ApiError> {
  return useInfiniteQuery({
    queryKey: keys.people('deeds', by),
    initialPageParam: '',
    queryFn: ({ pageParam }) => {
      const asked = new URLSearchParams({ ...(by && { by }), ...(pageParam && { before: pageParam }) });
      return ask<DeedsView>('GET', `/deeds?${asked}`);
    },
    getNextPageParam: (last) => last.next,
  });
}
