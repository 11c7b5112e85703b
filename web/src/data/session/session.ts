import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type {
  PreferencesRequest,
  SessionView,
  SetUpRequest,
  SignInRequest,
  WelcomeView,
} from '@iron-clasp/contract';
import { type ApiError, ask, rememberToken } from '../client.ts';
import { keys } from '../keys.ts';

export function useSession(): UseQueryResult<SessionView, ApiError> {
  return useQuery({
    queryKey: keys.session,
    staleTime: Infinity,
    queryFn: async () => {
      const session = await ask<SessionView>('GET', '/session');
      rememberToken(session);
      return session;
    },
  });
}

export function useWelcome(): UseQueryResult<WelcomeView, ApiError> {
  return useQuery({ queryKey: keys.welcome, queryFn: () => ask<WelcomeView>('GET', '/welcome') });
}

/** A way in: from then on somebody is signed in, and nothing of whoever was there before is shown. */
function useEnter<Sent>(path: string): UseMutationResult<SessionView, ApiError, Sent> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Sent) => ask<SessionView>('POST', path, body),
    onSuccess: (session) => {
      rememberToken(session);
      client.setQueryData(keys.session, session);
    },
  });
}

export function useSignIn(): UseMutationResult<SessionView, ApiError, SignInRequest> {
  return useEnter('/session');
}

/** Starts a club of one's own; its owner is signed in. */
export function useSetUp(): UseMutationResult<SessionView, ApiError, SetUpRequest> {
  return useEnter('/set-up');
}

export function useSignOut(): UseMutationResult<void, ApiError, void> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask<void>('DELETE', '/session'),
    onSuccess: () => client.clear(),
  });
}

export function usePreferences(): UseMutationResult<SessionView, ApiError, PreferencesRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: PreferencesRequest) => ask<SessionView>('PATCH', '/session', body),
    // Shown at once; put right again should the server refuse.
    onMutate: (changes) => {
      const before = client.getQueryData<SessionView>(keys.session);
      if (before)
        client.setQueryData(keys.session, { ...before, account: { ...before.account, ...changes } });
    },
    onSettled: (session) =>
      session
        ? client.setQueryData(keys.session, session)
        : client.invalidateQueries({ queryKey: keys.session }),
  });
}
