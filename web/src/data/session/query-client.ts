import { MutationCache, QueryCache, QueryClient } from '@tanstack/react-query';
import { ApiError } from '../client.ts';
import { keys } from '../keys.ts';

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
