import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type { ArchiveRequest, ClubSchoolView, SchoolRequest, SchoolsView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { useClubWrite, type Write } from '../write.ts';

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

export function useSaveSchool(id: string): Write<ClubSchoolView, SchoolRequest> {
  return useClubWrite((body) => ask<ClubSchoolView>('PUT', `/schools/${id}`, body));
}

export function useArchiveSchool(id: string): Write<ClubSchoolView, ArchiveRequest> {
  return useClubWrite((body) => ask<ClubSchoolView>('PATCH', `/schools/${id}/archive`, body));
}
