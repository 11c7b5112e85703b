import { clockNow, clubDay } from '../clock.ts';
import { useSession } from './session.ts';

/** The club's day, `YYYY-MM-DD`; by UTC until the club is known. */
export function useToday(): string {
  const zone = useSession().data?.club.timeZone;
  return clubDay(zone ?? 'UTC', clockNow());
}
