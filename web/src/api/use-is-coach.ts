import { useSession } from './queries.ts';

/** Is a coach signed in, who decides and plans? A lifter sees and logs their own. */
export function useIsCoach(): boolean {
  return useSession().data?.account.role === 'coach';
}
