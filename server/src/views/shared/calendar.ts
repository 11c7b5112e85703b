import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';

/** A day in a lifter's calendar: a session, or a meet. */
export interface CalendarDay {
  readonly id: string;
  /** `YYYY-MM-DD`, of the club. */
  readonly on: string;
  readonly title: string;
  readonly place: string;
}

/** How often programs that follow the feed are asked to look again, s. */
const LOOK_AGAIN = 3600;

/**
 * A calendar feed as RFC 5545 has it: days without a time of day, since a session is written for a day, each with an id that
 * stays, so that what is moved moves in the calendar too.
 */
export function calendarFeed(name: string, days: readonly CalendarDay[], changed: Date): string {
  const calendar = ical({
    ...{ name, prodId: { company: 'Iron Clasp', product: 'sessions', language: 'EN' } },
    ...{ method: ICalCalendarMethod.PUBLISH, ttl: LOOK_AGAIN },
  });
  for (const { id, on, title, place } of days)
    calendar.createEvent({
      ...{ id: `${id}@iron-clasp`, summary: title, location: place, allDay: true, stamp: changed },
      ...{ start: new Date(`${on}T00:00:00Z`), timezone: 'UTC', status: ICalEventStatus.CONFIRMED },
    });
  return calendar.toString();
}
