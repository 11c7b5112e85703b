import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { ApiTokenRequest, ApiTokensView, MadeTokenView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';

export function useApiTokens(): UseQueryResult<ApiTokensView, ApiError> {
  return useQuery({
    queryKey: keys.people('apiTokens'),
    queryFn: () => ask<ApiTokensView>('GET', '/api-tokens'),
  });
}

/** Makes a token under the id; it is told once. */
export function useMakeApiToken(): UseMutationResult<
  MadeTokenView,
  ApiError,
  ApiTokenRequest & { readonly id: string }
> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, ...body }) => ask<MadeTokenView>('PUT', `/api-tokens/${id}`, body),
    onSettled: () => client.invalidateQueries({ queryKey: keys.people('apiTokens') }),
  });
}

export function useRevokeApiToken(): UseMutationResult<ApiTokensView, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id) => ask<ApiTokensView>('DELETE', `/api-tokens/${id}`),
    onSuccess: (view) => client.setQueryData(keys.people('apiTokens'), view),
    onError: () => client.invalidateQueries({ queryKey: keys.people('apiTokens') }),
  });
}
