import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type {
  CalendarLinkRequest,
  InvitationView,
  MadeLinkView,
  SharedView,
  ShareLinkView,
  ShareRequest,
} from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { useLifterTry } from '../write.ts';

export function useMakeLink(lifterId: string): UseMutationResult<MadeLinkView, ApiError, ShareRequest> {
  return useLifterTry(lifterId, (body) =>
    ask<MadeLinkView>('PUT', `/lifters/${lifterId}/links/${crypto.randomUUID()}`, body),
  );
}

export function useRevokeLink(lifterId: string): UseMutationResult<void, ApiError, string> {
  return useLifterTry(lifterId, (id) => ask<void>('DELETE', `/lifters/${lifterId}/links/${id}`));
}

export function useInvite(lifterId: string): UseMutationResult<MadeLinkView, ApiError, string> {
  return useLifterTry(lifterId, (email) =>
    ask<MadeLinkView>('PUT', `/lifters/${lifterId}/invitations/${crypto.randomUUID()}`, { email }),
  );
}

export function useRemoveAccount(lifterId: string): UseMutationResult<void, ApiError, void> {
  return useLifterTry(lifterId, () => ask<void>('DELETE', `/lifters/${lifterId}/account`));
}

export function useShared(secret: string): UseQueryResult<SharedView, ApiError> {
  return useQuery({
    queryKey: ['shared', secret],
    queryFn: () => ask<SharedView>('GET', `/shared/${encodeURIComponent(secret)}`),
  });
}

export function useInvitation(secret: string): UseQueryResult<InvitationView, ApiError> {
  return useQuery({
    queryKey: ['invitation', secret],
    queryFn: () => ask<InvitationView>('GET', `/invitations/${encodeURIComponent(secret)}`),
  });
}

export function useJoin(secret: string): UseMutationResult<InvitationView, ApiError, string> {
  return useMutation({
    mutationFn: (password: string) =>
      ask<InvitationView>('POST', `/invitations/${encodeURIComponent(secret)}`, { password }),
  });
}

/** Links to the calendar of the club. */
export function useCalendarLinks(): UseQueryResult<ShareLinkView[], ApiError> {
  return useQuery({
    queryKey: keys.people('calendar'),
    queryFn: () => ask<ShareLinkView[]>('GET', '/club/calendar-links'),
  });
}

export function useMakeCalendarLink(): UseMutationResult<MadeLinkView, ApiError, CalendarLinkRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body) => ask<MadeLinkView>('PUT', `/club/calendar-links/${crypto.randomUUID()}`, body),
    onSettled: () => client.invalidateQueries({ queryKey: keys.people('calendar') }),
  });
}

export function useRevokeCalendarLink(): UseMutationResult<ShareLinkView[], ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id) => ask<ShareLinkView[]>('DELETE', `/club/calendar-links/${id}`),
    onSuccess: (links) => client.setQueryData(keys.people('calendar'), links),
  });
}
