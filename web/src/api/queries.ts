import {
  MutationCache,
  QueryCache,
  QueryClient,
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
  ArchivedView,
  ArchiveRequest,
  CallsView,
  CurveView,
  FinishRequest,
  FloorView,
  HandsCheckRequest,
  HandsCheckView,
  HandsHistoryView,
  LifterChangesView,
  LifterRequest,
  MeetRequest,
  MoveSessionRequest,
  OverrideRequest,
  PreferencesRequest,
  ProfileView,
  RackView,
  SessionEndView,
  SessionPlanView,
  SessionRequest,
  SessionView,
  SheetView,
  SignInRequest,
  TodayView,
  VenueChoice,
  WelcomeView,
  WhatIfRequest,
  WhatIfView,
} from '@iron-clasp/contract';
import { ApiError, ask, rememberToken } from './client.ts';

/** Names of everything that is fetched, so that a change can refresh what rests on it. */
export const keys = {
  session: ['session'],
  welcome: ['welcome'],
  rack: ['rack'],
  rackOf: (find: string) => ['rack', find],
  today: ['today'],
  floor: (sessionId: string) => ['floor', sessionId],
  sheet: (lifterId: string) => ['sheet', lifterId],
  calls: (sessionId: string) => ['calls', sessionId],
  curve: (lifterId: string) => ['curve', lifterId],
  hands: (lifterId: string) => ['hands', lifterId],
  profile: (lifterId: string) => ['profile', lifterId],
  archived: ['archived'],
  venues: ['venues'],
  plan: (sessionId: string) => ['plan', sessionId],
  whatIf: (sessionId: string, asked: WhatIfRequest) => ['what-if', sessionId, asked],
} as const;

export function makeQueryClient(): QueryClient {
  // Signed out meanwhile, here or in another tab: ask who is there again, which leads to the sign-in page.
  const onError = (error: Error): void => {
    if (error instanceof ApiError && error.status === 401 && client.getQueryData(keys.session))
      signedOut(client);
  };
  const client: QueryClient = new QueryClient({
    queryCache: new QueryCache({ onError }),
    mutationCache: new MutationCache({ onError }),
    defaultOptions: {
      queries: {
        staleTime: 30_000,
        retry: (failures, error) => error instanceof ApiError && error.passing && failures < 2,
        refetchOnWindowFocus: true,
      },
      mutations: { retry: false },
    },
  });
  return client;
}

/** Forgets who is signed in; the page asks again. */
export function signedOut(client: QueryClient): void {
  void client.resetQueries({ queryKey: keys.session });
}

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

/** The rack a page at a time, of those whose name holds `find`. */
export function useRack(find = ''): UseInfiniteQueryResult<InfiniteData<RackView>, ApiError> {
  return useInfiniteQuery({
    queryKey: keys.rackOf(find),
    queryFn: ({ pageParam }) =>
      ask<RackView>(
        'GET',
        `/lifters?${new URLSearchParams({ find, ...(pageParam && { after: pageParam }) })}`,
      ),
    initialPageParam: '',
    getNextPageParam: (last) => last.next,
    placeholderData: (before) => before,
  });
}

export function useToday(): UseQueryResult<TodayView, ApiError> {
  return useQuery({ queryKey: keys.today, queryFn: () => ask<TodayView>('GET', '/lifters/today') });
}

export function useSheet(lifterId: string): UseQueryResult<SheetView, ApiError> {
  return useQuery({
    queryKey: keys.sheet(lifterId),
    queryFn: () => ask<SheetView>('GET', `/lifters/${lifterId}/sheet`),
  });
}

export function useCalls(sessionId: string | null): UseQueryResult<CallsView, ApiError> {
  return useQuery({
    queryKey: keys.calls(sessionId ?? ''),
    queryFn: () => ask<CallsView>('GET', `/sessions/${sessionId}/calls`),
    enabled: sessionId !== null,
  });
}

/** A session with everything the floor needs; read once and kept, since what is logged is laid over it. */
export function useFloor(sessionId: string): UseQueryResult<FloorView, ApiError> {
  return useQuery({
    queryKey: keys.floor(sessionId),
    queryFn: () => ask<FloorView>('GET', `/sessions/${sessionId}/floor`),
  });
}

export function useEnd(sessionId: string): UseQueryResult<SessionEndView, ApiError> {
  return useQuery({
    queryKey: ['end', sessionId],
    queryFn: () => ask<SessionEndView>('GET', `/sessions/${sessionId}/end`),
    staleTime: 0,
  });
}

export function useFinish(sessionId: string): UseMutationResult<SessionEndView, ApiError, FinishRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: FinishRequest) => ask<SessionEndView>('PUT', `/sessions/${sessionId}/end`, body),
    onSuccess: (view) => {
      client.setQueryData(['end', sessionId], view);
      refreshProgram(client, view.session.lifterId);
      void client.invalidateQueries({ queryKey: ['log', view.session.lifterId] });
    },
  });
}

export function useReopen(sessionId: string): UseMutationResult<void, ApiError, void> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask<void>('DELETE', `/sessions/${sessionId}/end`),
    onSuccess: () => {
      for (const key of [['end', sessionId], ['sheet'], keys.rack, keys.floor(sessionId)])
        void client.invalidateQueries({ queryKey: key });
    },
  });
}

export function useCurve(lifterId: string): UseQueryResult<CurveView, ApiError> {
  return useQuery({
    queryKey: keys.curve(lifterId),
    queryFn: () => ask<CurveView>('GET', `/lifters/${lifterId}/curve`),
  });
}

export function useSignIn(): UseMutationResult<SessionView, ApiError, SignInRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: SignInRequest) => ask<SessionView>('POST', '/session', body),
    onSuccess: (session) => {
      rememberToken(session);
      client.setQueryData(keys.session, session);
    },
  });
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

export function useMoveSession(
  sessionId: string,
): UseMutationResult<CallsView, ApiError, MoveSessionRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: MoveSessionRequest) => ask<CallsView>('PATCH', `/sessions/${sessionId}`, body),
    onSuccess: (view) => keepCalls(client, view),
  });
}

/** Decides against a call; the id is made once, so that a second try changes nothing. */
export function useOverride(
  sessionId: string,
): UseMutationResult<CallsView, ApiError, { readonly id: string; readonly body: OverrideRequest }> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }) => ask<CallsView>('PUT', `/sessions/${sessionId}/overrides/${id}`, body),
    onSuccess: (view) => keepCalls(client, view),
  });
}

export function useUndoOverride(sessionId: string): UseMutationResult<CallsView, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<CallsView>('DELETE', `/sessions/${sessionId}/overrides/${id}`),
    onSuccess: (view) => keepCalls(client, view),
  });
}

/** The session under other circumstances; asked only where something is tried. */
export function useWhatIf(
  sessionId: string,
  asked: WhatIfRequest | null,
): UseQueryResult<WhatIfView, ApiError> {
  return useQuery({
    queryKey: keys.whatIf(sessionId, asked ?? {}),
    queryFn: () => ask<WhatIfView>('POST', `/sessions/${sessionId}/what-if`, asked),
    enabled: asked !== null,
    placeholderData: (before) => before,
  });
}

export function useHands(lifterId: string): UseQueryResult<HandsHistoryView, ApiError> {
  return useQuery({
    queryKey: keys.hands(lifterId),
    queryFn: () => ask<HandsHistoryView>('GET', `/lifters/${lifterId}/hands`),
  });
}

/** Keeps a hands check and lets everything be called anew. */
export function useHandsCheck(
  lifterId: string,
): UseMutationResult<HandsCheckView, ApiError, { readonly id: string; readonly body: HandsCheckRequest }> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }) => ask<HandsCheckView>('PUT', `/lifters/${lifterId}/hands-checks/${id}`, body),
    onSuccess: () => {
      for (const key of [
        keys.hands(lifterId),
        keys.sheet(lifterId),
        keys.curve(lifterId),
        keys.rack,
        ['calls'],
      ])
        void client.invalidateQueries({ queryKey: key });
    },
  });
}

export function useProfile(lifterId: string): UseQueryResult<ProfileView, ApiError> {
  return useQuery({
    queryKey: keys.profile(lifterId),
    queryFn: () => ask<ProfileView>('GET', `/lifters/${lifterId}/profile`),
    // An editor is drawn from one version: it is not swapped under the hands that type.
    refetchOnWindowFocus: false,
  });
}

/** Archived lifters, a page at a time. */
export function useArchived(): UseInfiniteQueryResult<InfiniteData<ArchivedView>, ApiError> {
  return useInfiniteQuery({
    queryKey: keys.archived,
    queryFn: ({ pageParam }) =>
      ask<ArchivedView>('GET', `/lifters/archived${pageParam && `?after=${encodeURIComponent(pageParam)}`}`),
    initialPageParam: '',
    getNextPageParam: (last) => last.next,
  });
}

export interface MeetToSave {
  readonly id: string;
  readonly body: MeetRequest;
}

/** Writes a meet, or takes one off where there is no body. */
export function useMeet(
  lifterId: string,
): UseMutationResult<ProfileView, ApiError, MeetToSave | { readonly id: string; readonly body: null }> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }) =>
      body
        ? ask<ProfileView>('PUT', `/lifters/${lifterId}/meets/${id}`, body)
        : ask<ProfileView>('DELETE', `/lifters/${lifterId}/meets/${id}`),
    onSuccess: (profile) => keepProfile(client, profile),
  });
}

/** Changes of a lifter beyond those of the profile, fetched when asked for. */
export function useOlderChanges(
  lifterId: string,
  next: string | null,
): UseInfiniteQueryResult<InfiniteData<LifterChangesView>, ApiError> {
  return useInfiniteQuery({
    queryKey: ['changes', lifterId, next],
    queryFn: ({ pageParam }) =>
      ask<LifterChangesView>('GET', `/lifters/${lifterId}/changes?before=${encodeURIComponent(pageParam)}`),
    initialPageParam: next ?? '',
    getNextPageParam: (last) => last.next,
    enabled: false,
  });
}

/** Deletes a lifter with the receipt of an export. */
export function useDeleteLifter(lifterId: string): UseMutationResult<void, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (receipt: string) =>
      ask<void>('DELETE', `/lifters/${lifterId}?receipt=${encodeURIComponent(receipt)}`),
    onSuccess: () => {
      for (const key of [keys.rack, keys.today, keys.archived])
        void client.invalidateQueries({ queryKey: key });
    },
  });
}

export function useSaveLifter(lifterId: string): UseMutationResult<ProfileView, ApiError, LifterRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: LifterRequest) => ask<ProfileView>('PUT', `/lifters/${lifterId}`, body),
    onSuccess: (profile) => keepProfile(client, profile),
  });
}

export function useArchive(): UseMutationResult<
  ProfileView,
  ApiError,
  ArchiveRequest & { readonly lifterId: string }
> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ lifterId, ...body }) => ask<ProfileView>('PATCH', `/lifters/${lifterId}/archive`, body),
    onSuccess: (profile) => keepProfile(client, profile),
  });
}

export function useVenues(): UseQueryResult<VenueChoice[], ApiError> {
  return useQuery({ queryKey: keys.venues, queryFn: () => ask<VenueChoice[]>('GET', '/venues') });
}

/** A session as it is written; read afresh each time an editor opens. */
export function usePlan(sessionId: string | null): UseQueryResult<SessionPlanView, ApiError> {
  return useQuery({
    queryKey: keys.plan(sessionId ?? ''),
    queryFn: () => ask<SessionPlanView>('GET', `/sessions/${sessionId}/plan`),
    enabled: sessionId !== null,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
}

export interface SessionToSave {
  readonly id: string;
  readonly body: SessionRequest;
}

/** Writes sessions one after another; the first refusal stops, and what was written before it stays. */
export function useSaveSessions(
  lifterId: string,
): UseMutationResult<void, ApiError, readonly SessionToSave[]> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (sessions) => {
      for (const { id, body } of sessions)
        await ask<SessionPlanView>('PUT', `/lifters/${lifterId}/sessions/${id}`, body);
    },
    onSettled: () => refreshProgram(client, lifterId),
  });
}

/** Lets everything that rests on a lifter's program be fetched anew. */
export function refreshProgram(client: QueryClient, lifterId: string): void {
  for (const key of [
    keys.sheet(lifterId),
    keys.curve(lifterId),
    keys.rack,
    keys.today,
    ['calls'],
    ['plan'],
    ['what-if'],
  ])
    void client.invalidateQueries({ queryKey: key });
}

/** Takes a changed lifter into the cache and lets everything that rests on them be fetched anew. */
function keepProfile(client: QueryClient, profile: ProfileView): void {
  client.setQueryData(keys.profile(profile.id), profile);
  for (const key of [
    keys.sheet(profile.id),
    keys.curve(profile.id),
    keys.rack,
    keys.today,
    keys.archived,
    ['calls'],
    ['what-if'],
  ])
    void client.invalidateQueries({ queryKey: key });
}

/** What is kept for days without a network moves with what the server acknowledged: a reload shows the same. */
function keepForOffline(path: string, data: unknown): void {
  // A whole session is much to hand over: not while a tap waits to be painted.
  setTimeout(() => navigator.serviceWorker?.controller?.postMessage({ kind: 'keep', path, data }), 0);
}

/** Takes a freshly called session into the cache and lets everything that rests on the log be fetched anew. */
export function keepCalls(client: QueryClient, view: CallsView): void {
  client.setQueryData(keys.calls(view.session.id), view);
  const floor = client.getQueryData<FloorView>(keys.floor(view.session.id));
  if (floor) {
    const now = { ...floor, calls: view };
    client.setQueryData(keys.floor(view.session.id), now);
    keepForOffline(`/api/sessions/${view.session.id}/floor`, now);
  }
  for (const key of [
    keys.curve(view.session.lifterId),
    keys.sheet(view.session.lifterId),
    keys.rack,
    ['what-if'],
  ]) {
    void client.invalidateQueries({ queryKey: key });
  }
}
