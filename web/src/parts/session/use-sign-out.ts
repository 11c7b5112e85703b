import { useMutation, useQueryClient, type UseMutationResult } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { ask, type ApiError } from '../../data/client.ts';
import { rememberHere } from '../../data/session/last-here.ts';

/** Ends the session and leads to the sign-in page, whatever became meanwhile of the page that asked for it. */
export function useSignOut(): UseMutationResult<void, ApiError, void> {
  const client = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: () => ask<void>('DELETE', '/session'),
    onSuccess: () => {
      rememberHere(undefined);
      // Not left to the page: what it asked for may have been refused before this answer came, and taken the page away.
      void navigate('/sign-in');
      client.clear();
    },
  });
}
