import { useMutation, useQueryClient, type UseMutationResult } from '@tanstack/react-query';
import type { ApiError } from './client.ts';
import { keys, type ClubNoun, type LifterNoun } from './keys.ts';
import { clubChanged, lifterChanged } from './refresh.ts';

export type Write<Answer, Sent> = UseMutationResult<Answer, ApiError, Sent>;

/**
 * A write to what is a lifter's.
 * @param noun what the answer is all of: it is taken as it is and not asked for again.
 */
export function useLifterWrite<Answer, Sent>(
  lifterId: string,
  send: (sent: Sent) => Promise<Answer>,
  noun?: LifterNoun,
): Write<Answer, Sent> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: (data) => lifterChanged(client, lifterId, noun && { key: keys.lifter(lifterId, noun), data }),
  });
}

/** The same where a part may be done though the whole is refused, or somebody else may have done it: what is shown is read anew. */
export function useLifterTry<Answer, Sent>(
  lifterId: string,
  send: (sent: Sent) => Promise<Answer>,
): Write<Answer, Sent> {
  const client = useQueryClient();
  return useMutation({ mutationFn: send, onSettled: () => lifterChanged(client, lifterId) });
}

/** A write to what several lifters stand on. */
export function useClubWrite<Answer, Sent>(
  send: (sent: Sent) => Promise<Answer>,
  noun?: ClubNoun,
): Write<Answer, Sent> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: (data) => clubChanged(client, noun && { key: keys.club(noun), data }),
  });
}
