import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { ArchiveRequest, ClubSchoolView, SchoolRequest, SchoolsView } from '@iron-clasp/contract';
import { ask, type ApiError } from './client.ts';

const SCHOOLS = ['schools'];
const EVIDENCE = ['schools', 'evidence'];

/** The club's own copies. */
export function useClubSchools(): UseQueryResult<ClubSchoolView[], ApiError> {
  return useQuery({ queryKey: SCHOOLS, queryFn: () => ask<ClubSchoolView[]>('GET', '/schools') });
}

/** What the club's logs say where schools disagree; every busy lifter's curve is read for it. */
export function useSchoolEvidence(): UseQueryResult<SchoolsView, ApiError> {
  return useQuery({
    queryKey: EVIDENCE,
    queryFn: () => ask<SchoolsView>('GET', '/schools/evidence'),
    staleTime: 300_000,
  });
}

function useRefreshSchools(): () => void {
  const client = useQueryClient();
  return () => {
    for (const key of [SCHOOLS, ['calls'], ['sheet'], ['what-if']])
      void client.invalidateQueries({ queryKey: key });
  };
}

export function useSaveSchool(id: string): UseMutationResult<ClubSchoolView, ApiError, SchoolRequest> {
  const refresh = useRefreshSchools();
  return useMutation({
    mutationFn: (body: SchoolRequest) => ask<ClubSchoolView>('PUT', `/schools/${id}`, body),
    onSuccess: refresh,
  });
}

export function useArchiveSchool(id: string): UseMutationResult<ClubSchoolView, ApiError, ArchiveRequest> {
  const refresh = useRefreshSchools();
  return useMutation({
    mutationFn: (body: ArchiveRequest) => ask<ClubSchoolView>('PATCH', `/schools/${id}/archive`, body),
    onSuccess: refresh,
  });
}
