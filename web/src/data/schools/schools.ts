import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { ArchiveRequest, ClubSchoolView, SchoolRequest, SchoolsView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { clubChanged } from '../refresh.ts';

/** The club's own copies. */
export function useClubSchools(): UseQueryResult<ClubSchoolView[], ApiError> {
  return useQuery({
    queryKey: keys.club('schools'),
    queryFn: () => ask<ClubSchoolView[]>('GET', '/schools'),
  });
}

/** What the club's logs say where schools disagree; every busy lifter's curve is read for it. */
export function useSchoolEvidence(): UseQueryResult<SchoolsView, ApiError> {
  return useQuery({
    queryKey: keys.club('schools', 'evidence'),
    queryFn: () => ask<SchoolsView>('GET', '/schools/evidence'),
    staleTime: 300_000,
  });
}

export function useSaveSchool(id: string): UseMutationResult<ClubSchoolView, ApiError, SchoolRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: SchoolRequest) => ask<ClubSchoolView>('PUT', `/schools/${id}`, body),
    onSuccess: () => clubChanged(client),
  });
}

export function useArchiveSchool(id: string): UseMutationResult<ClubSchoolView, ApiError, ArchiveRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: ArchiveRequest) => ask<ClubSchoolView>('PATCH', `/schools/${id}/archive`, body),
    onSuccess: () => clubChanged(client),
  });
}
