import { useMutation, useQuery, type UseMutationResult, type UseQueryResult } from '@tanstack/react-query';
import type { InvitationView, MadeLinkView, SharedView, ShareRequest } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
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
