import { LOGGING_ROLES, PLANNING_ROLES } from '@iron-clasp/contract';
import { useAccount } from './account.ts';

/** Does whoever is signed in decide and plan? */
export function useIsCoach(): boolean {
  const role = useAccount()?.role;
  return role !== undefined && PLANNING_ROLES.includes(role);
}

/** Do they run the floor and log: the staff but for followers, and lifters for themselves? */
export function useMayLog(): boolean {
  const role = useAccount()?.role;
  return role === 'lifter' || (role !== undefined && LOGGING_ROLES.includes(role));
}

/** Do they belong to the staff, who read the whole club? A lifter sees their own. */
export function useIsStaff(): boolean {
  const role = useAccount()?.role;
  return role !== undefined && role !== 'lifter';
}

/** Do they keep the people, settings and backups of the club? */
export function useIsOwner(): boolean {
  return useAccount()?.role === 'owner';
}
