import { checkDay } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { addDays, daysBetween } from '../days.ts';
import { countDays } from '../say-days.ts';
import { day, listOf, moment, oneOf, optional, record, text, type Check } from '../shape.ts';
import {
  BEFORE_BARE_DEADLIFT_HOURS,
  HARD_HOLD_GAP_HOURS,
  LAST_HEAVY_HOLD_DAYS,
  MANY_HEAVY_PULL_DAYS,
  MOST_HARD_DAYS,
  MOST_HARD_DAYS_WITH_HEAVY_PULLS,
  NO_HEAVY_HOLD_DAYS,
  STRAPS_OFF_WEEKS,
} from './spacing-figures.ts';

export const GRIP_EVENTS = [
  /** A hold or carry near the limit, or gripper goal attempts. */
  'hardHold',
  /** A heavy deadlift or pull without straps. */
  'heavyBarePull',
  /** Any other main lift. */
  'mainLift',
  /** Light grip or forearm work that closes the hand. */
  'closingWork',
  'openingWork',
  /** A maximal test of grip: dynamometer, best hold, gripper at the limit. */
  'test',
  /** A hold or set taken until the hand gave out. */
  'failure',
] as const;
export type GripEventKind = (typeof GRIP_EVENTS)[number];

/** Something in the week that the hands notice. */
export interface GripEvent {
  readonly kind: GripEventKind;
  /** Moment, ISO 8601 with zone; events of one session in their order. */
  readonly at: string;
  /** Which session it belongs to. */
  readonly session: string;
}

export interface GripWeek {
  readonly events: readonly GripEvent[];
  /** Day of the next meet, YYYY-MM-DD. */
  readonly meetOn?: string;
  /** Day on which straps were taken off the volume, YYYY-MM-DD. */
  readonly strapsOffOn?: string;
}

/** A clash, with the rule it breaks and what it is about. */
export interface SpacingFinding {
  readonly ruleId: string;
  readonly text: string;
  /** Places in the week's events, in order. */
  readonly events: readonly number[];
}

/** What a rule finds; its id is added by the check. */
export type Found = Omit<SpacingFinding, 'ruleId'>;

export interface SpacingRule {
  readonly id: string;
  /** The rule as a coach would say it. */
  readonly reason: string;
  readonly find: (week: ReadWeek) => readonly Found[];
}

/** The week's events with their moments worked out, in order of time. */
export interface ReadWeek extends Omit<GripWeek, 'events'> {
  readonly events: readonly (GripEvent & {
    readonly place: number;
    readonly ms: number;
    readonly on: string;
  })[];
}

const HOUR_MS = 3_600_000;
type Read = ReadWeek['events'][number];

const ofKind = (week: ReadWeek, ...kinds: GripEventKind[]): Read[] =>
  week.events.filter((event) => kinds.includes(event.kind));
const daysOf = (events: readonly Read[]): string[] => [...new Set(events.map((event) => event.on))];
const hours = (from: Read, to: Read): number => (to.ms - from.ms) / HOUR_MS;
const rounded = (value: number): string => String(Math.round(value));

/** Most hard days that the week's heavy pulling leaves. */
function mostHardDays(week: ReadWeek): number {
  return daysOf(ofKind(week, 'heavyBarePull')).length >= MANY_HEAVY_PULL_DAYS
    ? MOST_HARD_DAYS_WITH_HEAVY_PULLS
    : MOST_HARD_DAYS;
}

/** How hard grip work is spread over a week. */
export const SPACING_RULES: readonly SpacingRule[] = [
  {
    id: 'spacing.hard-holds-apart',
    reason: `Hard holds stand ${HARD_HOLD_GAP_HOURS} h apart.`,
    find: (week: ReadWeek): readonly Found[] => {
      const holds = ofKind(week, 'hardHold');
      return holds.flatMap((hold, i) => {
        const next = holds.slice(i + 1).find((each) => each.session !== hold.session);
        return next && hours(hold, next) < HARD_HOLD_GAP_HOURS
          ? [
              {
                text: `Hard holds ${rounded(hours(hold, next))} h apart: leave ${HARD_HOLD_GAP_HOURS} h.`,
                events: [hold.place, next.place],
              },
            ]
          : [];
      });
    },
  },
  {
    id: 'spacing.no-hard-hold-before-bare-deadlift',
    reason: `No hard hold in the ${BEFORE_BARE_DEADLIFT_HOURS} h before a heavy bare-handed deadlift.`,
    find: (week) =>
      ofKind(week, 'heavyBarePull').flatMap((pull) =>
        ofKind(week, 'hardHold')
          .filter(
            (hold) =>
              hold.session !== pull.session &&
              hold.ms < pull.ms &&
              hours(hold, pull) < BEFORE_BARE_DEADLIFT_HOURS,
          )
          .map((hold) => ({
            text: `A hard hold ${rounded(hours(hold, pull))} h before a heavy bare-handed pull: leave ${BEFORE_BARE_DEADLIFT_HOURS} h.`,
            events: [hold.place, pull.place],
          })),
      ),
  },
  {
    id: 'spacing.holds-after-main-lifts',
    reason: 'Holds come after the main lifts, never before the deadlift.',
    find: (week) =>
      ofKind(week, 'hardHold').flatMap((hold) => {
        const after = week.events.find(
          (each) =>
            each.session === hold.session &&
            each.ms > hold.ms &&
            (each.kind === 'heavyBarePull' || each.kind === 'mainLift'),
        );
        return after
          ? [
              {
                text: 'A hard hold before a main lift of the same session: put it after.',
                events: [hold.place, after.place],
              },
            ]
          : [];
      }),
  },
  {
    id: 'spacing.hard-grip-days',
    reason: `Two or three hard grip days a week; ${MOST_HARD_DAYS_WITH_HEAVY_PULLS} when heavy bare-handed pulling is high.`,
    find: (week: ReadWeek): readonly Found[] => {
      const hard = ofKind(week, 'hardHold');
      const most = mostHardDays(week);
      const days = daysOf(hard);
      return days.length > most
        ? [
            {
              text: `${days.length} hard grip days: at most ${most} in such a week.`,
              events: hard.map((each) => each.place),
            },
          ]
        : [];
    },
  },
  {
    id: 'spacing.straps-off-counts',
    reason: `Taking straps off counts as added grip work: one hard day fewer for the first ${STRAPS_OFF_WEEKS} weeks.`,
    find: (week: ReadWeek): readonly Found[] => {
      const hard = ofKind(week, 'hardHold');
      const days = daysOf(hard);
      const first = week.events[0];
      if (!week.strapsOffOn || !first) return [];
      const since = daysBetween(week.strapsOffOn, first.on);
      return since >= 0 && since < STRAPS_OFF_WEEKS * 7 && days.length > mostHardDays(week) - 1
        ? [
            {
              text: `Straps came off ${countDays(since)} ago: at most ${mostHardDays(week) - 1} hard grip days for now.`,
              events: hard.map((each) => each.place),
            },
          ]
        : [];
    },
  },
  {
    id: 'spacing.last-heavy-hold-before-meet',
    reason: `The last heavy hold falls about ${LAST_HEAVY_HOLD_DAYS} days before the meet.`,
    find: (week) =>
      ofKind(week, 'hardHold').flatMap((hold) => {
        const days = week.meetOn === undefined ? Infinity : daysBetween(hold.on, week.meetOn);
        return days >= 0 && days < NO_HEAVY_HOLD_DAYS
          ? [
              {
                text: `A hard hold ${days === 0 ? 'on the day of the meet' : `${countDays(days)} before the meet`}: the last one falls about ${LAST_HEAVY_HOLD_DAYS} days out.`,
                events: [hold.place],
              },
            ]
          : [];
      }),
  },
  {
    id: 'spacing.no-opening-work',
    reason: 'Closing work without opening work is the usual road to elbow pain.',
    find: (week: ReadWeek): readonly Found[] => {
      const closing = ofKind(week, 'hardHold', 'heavyBarePull', 'closingWork');
      return daysOf(closing).length >= 2 && !ofKind(week, 'openingWork').length
        ? [
            {
              text: 'The week closes the hand and never opens it: add band opening after the closing work.',
              events: [],
            },
          ]
        : [];
    },
  },
  {
    id: 'spacing.testing-too-often',
    reason: 'A test is for now and then: not every session.',
    find: (week: ReadWeek): readonly Found[] => {
      const tests = ofKind(week, 'test');
      return new Set(tests.map((each) => each.session)).size > 1
        ? [
            {
              text: 'More than one session with a maximal test in a week: train in between.',
              events: tests.map((each) => each.place),
            },
          ]
        : [];
    },
  },
  {
    id: 'spacing.failure-every-session',
    reason: 'Failure every session wears skin and elbows and builds nothing.',
    find: (week: ReadWeek): readonly Found[] => {
      const failures = ofKind(week, 'failure');
      const worked = new Set(ofKind(week, 'hardHold', 'closingWork', 'failure').map((each) => each.session));
      const failed = new Set(failures.map((each) => each.session));
      return failed.size >= 2 && failed.size === worked.size
        ? [
            {
              text: 'Every grip session of the week went to failure: stop short of it.',
              events: failures.map((each) => each.place),
            },
          ]
        : [];
    },
  },
];

/** No week has more. */
const MOST_EVENTS = 1000;

const weekCheck: Check = record<GripWeek>({
  events: listOf(
    record<GripEvent>({ kind: oneOf(GRIP_EVENTS), at: moment, session: text(200) }),
    MOST_EVENTS,
  ),
  meetOn: optional(day),
  strapsOffOn: optional(day),
});

/**
 * Holds a week of grip work, planned or done, against the spacing rules: what clashes, by which rule.
 * @throws InvalidInputError naming the event and field that cannot be used.
 * @example
 * checkGripWeek({ events: [{ kind: 'hardHold', at: '2026-11-23T18:00Z', session: 'mon' }, { kind: 'hardHold', at: '2026-11-24T18:00Z', session: 'tue' }] }).map((each) => each.ruleId)
 * // ['spacing.hard-holds-apart', 'spacing.no-opening-work']
 */
export function checkGripWeek(week: GripWeek): SpacingFinding[] {
  weekCheck('', week);
  const events = week.events
    .map((event, place) => {
      const ms = Date.parse(event.at);
      // The day is the one on the clock of the place it happened in: the text before its time.
      return { ...event, place, ms, on: event.at.slice(0, 10) };
    })
    .sort((a, b) => a.ms - b.ms || a.place - b.place);
  events.forEach((event, i) => checkDay(`events[${i}].at`, event.on));
  const read: ReadWeek = { ...week, events };
  return SPACING_RULES.flatMap((rule) => rule.find(read).map((found) => ({ ruleId: rule.id, ...found })));
}

/**
 * The first day, from the given one on, on which a hard hold at that time of day breaks no spacing rule; undefined where
 * two weeks have none.
 * @param time of day with its zone, `18:00Z` where left out.
 * @throws InvalidInputError naming the event and field that cannot be used.
 * @example nextHardHoldDay({ events: [{ kind: 'hardHold', at: '2026-11-23T18:00Z', session: 'mon' }] }, '2026-11-24') // '2026-11-25'
 */
export function nextHardHoldDay(week: GripWeek, from: string, time = '18:00Z'): string | undefined {
  weekCheck('', week);
  checkDay('from', from);
  if (typeof time !== 'string' || !/^\d{2}:\d{2}(Z|[+-]\d{2}:\d{2})$/.test(time))
    throw new InvalidInputError('time', 'a time with its zone, as 18:00Z', time);
  moment('time', `${from}T${time}`);
  for (let i = 0; i < 14; i++) {
    const on = addDays(from, i);
    const hold: GripEvent = { kind: 'hardHold', at: `${on}T${time}`, session: 'the hold to place' };
    const place = week.events.length;
    const findings = checkGripWeek({ ...week, events: [...week.events, hold] });
    const clashes = findings.some((found) => found.events.includes(place));
    if (!clashes) return on;
  }
  return undefined;
}
