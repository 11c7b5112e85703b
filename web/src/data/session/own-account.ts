import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type {
  NewSecondFactorView,
  OwnAccountView,
  PasswordRequest,
  SecondFactorRequest,
} from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';

export function useOwnAccount(): UseQueryResult<OwnAccountView, ApiError> {
  return useQuery({ queryKey: keys.ownAccount, queryFn: () => ask<OwnAccountView>('GET', '/account') });
}

/** A change of one's own account: what is shown of it is read anew, whatever came of it. */
function useOwnWrite<Sent, Answer = void>(
  send: (sent: Sent) => Promise<Answer>,
): UseMutationResult<Answer, ApiError, Sent> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSettled: () => client.invalidateQueries({ queryKey: keys.ownAccount }),
  });
}

export function useChangePassword(): UseMutationResult<void, ApiError, PasswordRequest> {
  return useOwnWrite((body) => ask<void>('PUT', '/account/password', body));
}

export function useNewSecondFactor(): UseMutationResult<NewSecondFactorView, ApiError, void> {
  return useOwnWrite(() => ask<NewSecondFactorView>('POST', '/account/second-factor/new', {}));
}

export function useSecondFactorOn(): UseMutationResult<void, ApiError, SecondFactorRequest> {
  return useOwnWrite((body) => ask<void>('PUT', '/account/second-factor', body));
}

export function useSecondFactorOff(): UseMutationResult<void, ApiError, string> {
  return useOwnWrite((password) => ask<void>('PUT', '/account/second-factor/off', { password }));
}

/** Signs one device out, or all others where none is named. */
export function useEndDevices(): UseMutationResult<void, ApiError, string | null> {
  return useOwnWrite((id) => ask<void>('DELETE', `/account/devices${id === null ? '' : `/${id}`}`));
}
