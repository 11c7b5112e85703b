import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import {
  SET_UP_CODE_HEADER,
  type BringClubRequest,
  type PreferencesRequest,
  type SessionView,
  type SetUpRequest,
  type SignInRequest,
  type WelcomeView,
} from '@iron-clasp/contract';
import { ApiError, ask, rememberToken, sendFile } from '../client.ts';
import { keys } from '../keys.ts';
import { rememberHere } from './last-here.ts';

/** Somebody is signed in: what their changes must carry, and what their next visit asks for first. */
function remember(session: SessionView): void {
  rememberToken(session);
  rememberHere(session.account.lifterId === null ? 'club' : 'own');
}

export const sessionQuery = {
  queryKey: keys.session,
  staleTime: Infinity,
  queryFn: async (): Promise<SessionView> => {
    const session = await ask<SessionView>('GET', '/session').catch((fault: unknown) => {
      if (fault instanceof ApiError && fault.status === 401) rememberHere(undefined);
      throw fault;
    });
    remember(session);
    return session;
  },
};

export function useSession(): UseQueryResult<SessionView, ApiError> {
  return useQuery(sessionQuery);
}

export function useWelcome(): UseQueryResult<WelcomeView, ApiError> {
  return useQuery({ queryKey: keys.welcome, queryFn: () => ask<WelcomeView>('GET', '/welcome') });
}

/** A way in: from then on somebody is signed in, and nothing of whoever was there before is shown. */
function useEnter<Sent>(
  path: string,
  send = (body: Sent) => ask<SessionView>('POST', path, body),
): UseMutationResult<SessionView, ApiError, Sent> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: (session) => {
      remember(session);
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

/** Starts from the export of a club; the owner whose address it is is signed in. */
export function useBringClub(): UseMutationResult<
  SessionView,
  ApiError,
  BringClubRequest & { readonly code: string; readonly file: File }
> {
  return useEnter('/set-up/export', ({ code, file, email, password }) =>
    sendFile<SessionView>(
      '/set-up/export',
      { email, password, export: file },
      { [SET_UP_CODE_HEADER]: code },
    ),
  );
}

/** Signs out and leads to the sign-in page, whatever became of the page that asked for it. */
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
