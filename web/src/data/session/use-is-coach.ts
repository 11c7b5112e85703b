import { useAccount } from './account.ts';

/** Is a coach signed in, who decides and plans? A lifter sees and logs their own. */
export function useIsCoach(): boolean {
  return useAccount()?.role === 'coach';
}
