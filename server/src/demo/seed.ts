import { closedOn, DEFAULT_THRESHOLDS, findSchool, HOLD_KINDS_BY_ID } from '@iron-clasp/core';
import type { INestApplicationContext } from '@nestjs/common';
import { addDays, addWeeks, format, parseISO, startOfISOWeek, subMonths } from 'date-fns';
import { DataSource } from 'typeorm';
import { instantOf } from '../platform/days/club-day.ts';
import { Days } from '../platform/days/days.ts';
import { AccountsService } from '../records/accounts/accounts.service.ts';
import type { Club } from '../records/clubs/club.entity.ts';
import { ClubsService } from '../records/clubs/clubs.service.ts';
import { GripperAttemptsService } from '../records/grippers/gripper-attempts.service.ts';
import type { GripperAttemptRow } from '../records/grippers/gripper-attempt.entity.ts';
import type { HandsCheck } from '../records/hands-checks/hands-check.entity.ts';
import { HandsChecksService } from '../records/hands-checks/hands-checks.service.ts';
import { HoldBlocksService } from '../records/hold-blocks/hold-blocks.service.ts';
import type { SeasonMarkRow } from '../records/hold-blocks/season-mark.entity.ts';
import type { Bar, BarBrushing, Plate, Venue } from '../records/kit/kit.entity.ts';
import type { Stands } from '../records/kit/kit.repository.ts';
import { KitService } from '../records/kit/kit.service.ts';
import type { Lifter, LifterHistory } from '../records/lifters/lifter.entity.ts';
import { LibraryService } from '../records/library/library.service.ts';
import { LiftersService } from '../records/lifters/lifters.service.ts';
import type { LoggedHold, LoggedSet } from '../records/log/log.entity.ts';
import { LogService } from '../records/log/log.service.ts';
import type { Meet } from '../records/meets/meet.entity.ts';
import { MeetsService } from '../records/meets/meets.service.ts';
import type { ClubSchool } from '../records/schools/school.entity.ts';
import { SchoolsService } from '../records/schools/schools.service.ts';
import type { SqueezeTestRow } from '../records/squeeze/squeeze.entity.ts';
import { SqueezeService } from '../records/squeeze/squeeze.service.ts';
import { NO_TERMS } from '../records/training/no-terms.ts';
import type { PlannedSet, TrainingSession } from '../records/training/training.entity.ts';
import { TrainingService } from '../records/training/training.service.ts';
import { DEMO_LIFTERS } from './lifters.ts';
import { idOf } from './random.ts';
import {
  DEMO_CLUB,
  DEMO_COACH,
  DEMO_COACH_NAME,
  DEMO_LIFTER,
  DEMO_PLANS,
  DEMO_SCHOOL,
  DEMO_VENUES,
  DEMO_ZONE,
  HOME,
  type DemoBar,
  type DemoLifter,
} from './scenario.ts';
import { DEMO_PROTOCOL, simulateAttempts, simulateChecks, simulateTests } from './simulate-hands.ts';
import { simulate, type SimSession, type SimSet } from './simulate.ts';

const CLUB: Club = {
  ...{ id: idOf('club'), name: DEMO_CLUB, timeZone: DEMO_ZONE },
  ...{ unit: 'kg', weekStart: 'monday', dateOrder: 'dayFirst', demo: true, version: 1 },
};
const COACH_ID = idOf('coach');
const SCHOOL_ID = idOf('school');
const PROTOCOL_ID = idOf('squeeze protocol');
const day = (date: Date): string => format(date, 'yyyy-MM-dd');
const at = (on: string, hours: number, minutes = 0): Date => instantOf(DEMO_ZONE, on, hours, minutes);
const barId = (venue: string, name: string): string => idOf(`bar ${venue} ${name}`);
const venueId = (name: string): string => idOf(`venue ${name}`);

/**
 * Fills an empty database with the demo club, in one transaction: a start that dies half-way leaves nothing behind. It goes
 * through the records' own services, as any other import would.
 * @returns the number of logged sets, or undefined where there is already a club.
 */
export async function seedDemo(app: INestApplicationContext): Promise<number | undefined> {
  const today = app.get(Days).today(CLUB);
  return app.get(DataSource).transaction(async (tx) => {
    const clubs = app.get(ClubsService);
    if (!(await clubs.isEmpty(tx))) return undefined;
    await clubs.add(tx, CLUB);
    const accounts = app.get(AccountsService);
    const account = { clubId: CLUB.id, unit: 'kg' as const, theme: 'light' as const };
    await accounts.add(
      tx,
      {
        ...{ id: COACH_ID, email: DEMO_COACH.email, name: DEMO_COACH_NAME },
        ...{ role: 'owner', lifterId: null, ...account },
      },
      DEMO_COACH.password,
    );
    const { venues, stands, brushings } = demoKit(today);
    await app.get(KitService).addMany(tx, venues, stands, brushings);
    const school = demoSchool();
    await app.get(SchoolsService).addMany(
      tx,
      [school],
      [
        {
          ...{ schoolId: SCHOOL_ID, version: 1, school: school.school, changedBy: COACH_ID },
          changedAt: at(day(subMonths(parseISO(today), 3)), 11),
        },
      ],
    );
    await app.get(LibraryService).addMany(
      tx,
      DEMO_PLANS.map((plan) => ({
        ...{ id: idOf(`plan ${plan.title}`), clubId: CLUB.id, ...plan },
        ...{ bests: [], removedAt: null, version: 1 },
      })),
    );
    const people = demoPeople(today);
    const all = <Row>(of: (rows: LifterRows) => readonly Row[]): Row[] => people.flatMap(of);
    await app.get(LiftersService).addMany(
      tx,
      all((rows) => [rows.lifter]),
      all((rows) => rows.history),
    );
    await accounts.add(
      tx,
      {
        ...{ id: idOf('account of a lifter'), email: DEMO_LIFTER.email, name: DEMO_LIFTER.name },
        ...{ role: 'lifter', lifterId: idOf(`lifter ${DEMO_LIFTER.name}`), ...account },
      },
      DEMO_LIFTER.password,
    );
    await app.get(HandsChecksService).addMany(
      tx,
      all((rows) => rows.checks),
    );
    await app.get(MeetsService).addMany(
      tx,
      all((rows) => rows.meets),
    );
    await app.get(HoldBlocksService).addMany(
      tx,
      all((rows) => rows.marks),
    );
    await app.get(TrainingService).addMany(
      tx,
      all((rows) => rows.sessions),
      all((rows) => rows.planned),
    );
    const sets = all((rows) => rows.sets);
    await app.get(LogService).addMany(
      tx,
      sets,
      all((rows) => rows.holds),
    );
    await app.get(SqueezeService).addMany(
      tx,
      [
        {
          ...{ id: PROTOCOL_ID, clubId: CLUB.id, name: 'Club test, seated', protocol: DEMO_PROTOCOL },
          ...{ contractions: null, version: 1, archivedAt: null },
        },
      ],
      all((rows) => rows.tests),
    );
    await app.get(GripperAttemptsService).addMany(
      tx,
      all((rows) => rows.attempts),
    );
    return sets.length;
  });
}

function demoKit(today: string): {
  readonly venues: Venue[];
  readonly stands: Stands;
  readonly brushings: BarBrushing[];
} {
  const bars = DEMO_VENUES.flatMap(({ name, bar, otherBars }) =>
    [bar, ...otherBars].map((each, place) => ({ bar: each, venue: name, place })),
  );
  const items = <Item extends { readonly name: string }>(
    kind: string,
    of: (venue: (typeof DEMO_VENUES)[number]) => readonly Item[],
  ): (Item & { id: string; venueId: string; place: number; retiredAt: null })[] =>
    DEMO_VENUES.flatMap((venue) =>
      of(venue).map((item, place) => ({
        ...item,
        ...{ id: idOf(`${kind} ${venue.name} ${item.name}`), venueId: venueId(venue.name), place },
        retiredAt: null,
      })),
    );
  return {
    venues: DEMO_VENUES.map(({ name, chalk, note, straps, has }) => ({
      ...{ id: venueId(name), clubId: CLUB.id, name, chalk, note, version: 1, archivedAt: null },
      straps: straps && [...straps],
      has: has && [...has],
    })),
    stands: {
      bars: bars.map(({ bar, venue, place }) => barRow(bar, venue, place)),
      plates: DEMO_VENUES.flatMap(({ name, plates }) =>
        plates.map(({ mass, unit, pairs }): Plate => ({
          ...{ id: idOf(`plate ${name} ${mass} ${unit}`), venueId: venueId(name), mass, unit, pairs },
        })),
      ),
      handles: items('handles', (venue) => venue.handles),
      grippers: items('grippers', (venue) => venue.grippers),
      racks: items('racks', (venue) =>
        venue.racks.map((rack) => ({ ...rack, pinHeights: [...rack.pinHeights] })),
      ),
      dynamometers: items('dynamometers', (venue) => venue.dynamometers),
    },
    brushings: bars.map(({ bar, venue }) => ({
      ...{ id: idOf(`brushing ${venue} ${bar.name}`), barId: barId(venue, bar.name), brushedBy: null },
      brushedAt: at(day(addDays(parseISO(today), -bar.brushedDaysAgo)), 21),
    })),
  };
}

function barRow(bar: DemoBar, venue: string, place: number): Bar {
  const { name, mass, diameter, collars, knurl, brushEvery } = bar;
  return {
    ...{ id: barId(venue, name), venueId: venueId(venue), place, retiredAt: null },
    ...{ name, mass, diameter, collars, knurl, brushEvery },
  };
}

function demoSchool(): ClubSchool {
  const original = findSchool(DEMO_SCHOOL.basedOn)!;
  const { basedOn, name, summary, seconds, reason } = DEMO_SCHOOL;
  const school = { ...original, id: SCHOOL_ID, name, summary, hold: { ...original.hold, seconds, reason } };
  return { id: SCHOOL_ID, clubId: CLUB.id, basedOn, version: 1, school, archivedAt: null };
}

/** Everything about one lifter, as the tables take it. */
export interface LifterRows {
  readonly lifter: Lifter;
  readonly history: readonly LifterHistory[];
  readonly checks: readonly HandsCheck[];
  readonly meets: readonly Meet[];
  readonly marks: readonly SeasonMarkRow[];
  readonly sessions: readonly TrainingSession[];
  readonly planned: readonly PlannedSet[];
  readonly sets: readonly LoggedSet[];
  readonly holds: readonly LoggedHold[];
  readonly tests: readonly SqueezeTestRow[];
  readonly attempts: readonly GripperAttemptRow[];
}

/** The demo's lifters with all they did and plan; the same today gives the same rows. */
export function demoPeople(today: string): LifterRows[] {
  return DEMO_LIFTERS.map((lifter) => lifterRows(lifter, today));
}

function lifterRows(demo: DemoLifter, today: string): LifterRows {
  const id = idOf(`lifter ${demo.name}`);
  const own = { clubId: CLUB.id, lifterId: id };
  const monday = startOfISOWeek(parseISO(today));
  const sessions = simulate(demo, DEMO_VENUES, today).map((session) => sessionRows(demo, id, session));
  const { name, sport, unit, dominantHand, stance, deadliftMax, hookStage } = demo;
  const { handLength, handSpan, bodyMass, meet } = demo;
  const ago = (months: number): string => day(subMonths(parseISO(today), months));
  return {
    lifter: {
      ...{ id, clubId: CLUB.id, name, sport, unit, dominantHand, stance, deadliftMax, hookStage },
      sportWords: '',
      largeThighs: demo.largeThighs ?? false,
      ...{ handLength, handSpan, bodyMass, usualReps: null, version: 1, archivedAt: null, unanswered: [] },
      trainingSince: ago(demo.trainingMonths),
      schoolId: demo.school,
      clubSchoolId: DEMO_SCHOOL.followers.some((each) => each === name) ? SCHOOL_ID : null,
      thresholds: DEFAULT_THRESHOLDS,
      deadliftOn: ago(2),
      bestPulled: demo.bestPulled,
      bestChalk: demo.bestPulled === 'notSaid' ? null : 'block',
      practisedUnder: demo.practisedUnder ?? null,
      alternation: demo.alternation ?? 'lightBySession',
      thumbFingers: demo.thumbFingers ?? null,
      clenches: demo.clenches ?? false,
      armsBendUnderMixed: false,
      bestLifts: demo.bests.map(({ lift, load, monthsAgo }) => ({ liftId: lift, load, on: ago(monthsAgo) })),
    },
    history: demo.history.map(({ kind, side, since, cleared }) => ({
      ...{ id: idOf(`history ${name} ${kind}`), lifterId: id, kind, cleared },
      side: side ?? null,
      since: since ?? null,
    })),
    checks: simulateChecks(demo, today).map(({ on, hands }) => ({
      ...{ id: idOf(`hands ${name} ${on}`), ...own, checkedOn: on, hands, checkedBy: null },
      checkedAt: at(on, 18),
    })),
    meets: meet
      ? [
          {
            ...{ id: idOf(`meet ${name}`), ...own, name: meet.name, version: 1, removedAt: null },
            ...{ straps: meet.straps, thumbTape: meet.thumbTape, liquidChalk: meet.liquidChalk },
            heldOn: day(addDays(addWeeks(monday, meet.inWeeks), 5)),
            attempts: [...(meet.attempts ?? [])],
            ...{ place: '', barDiameter: 29, events: [] },
          },
        ]
      : [],
    marks: demo.blocks.map(({ kind, label, from, to }) => ({
      ...{ id: idOf(`mark ${name} ${kind} ${from}`), ...own, kind, label },
      startsOn: day(addWeeks(monday, from)),
      endsOn: day(addDays(addWeeks(monday, to), kind === 'test' ? 0 : 6)),
      ...{ holdKind: 'frontRackHold', sessionsAWeek: 1, madeBy: null, version: 1, removedAt: null },
    })),
    sessions: sessions.map((rows) => rows.session),
    planned: sessions.flatMap((rows) => rows.planned),
    sets: sessions.flatMap((rows) => rows.sets),
    holds: sessions.flatMap((rows) => rows.holds),
    tests: simulateTests(demo, today).map(({ on, trials }) => ({
      ...{ id: idOf(`squeeze ${name} ${on}`), ...own, sessionId: null, protocolId: PROTOCOL_ID },
      ...{ protocol: DEMO_PROTOCOL, testedOn: on, testedAt: at(on, 16, 40), source: 'hand' },
      trials: trials.map((trial) => ({ ...trial, reading: null })),
      ...{ contractions: null, note: null, easingDeclined: false, declinedBy: null },
      ...{ loggedBy: null, undoneAt: null },
    })),
    attempts: simulateAttempts(demo, today).map(({ gripper, on, hand, depth, closed, gapMm }, place) => ({
      ...{ id: idOf(`attempt ${name} ${place}`), ...own, hand, depth, closed, gapMm },
      gripperId: idOf(`grippers ${HOME} ${gripper}`),
      ...{ seconds: null, note: null, loggedBy: null, undoneAt: null },
      doneAt: at(on, 18, place % 60),
      trainingDay: on,
    })),
  };
}

/** The hole of a rack, counted from 0, that the demo's holds start from. */
const HOLD_HOLE = 6;

function sessionRows(
  demo: DemoLifter,
  lifterId: string,
  session: SimSession,
): { session: TrainingSession; planned: PlannedSet[]; sets: LoggedSet[]; holds: LoggedHold[] } {
  const { on, title, hasHold, holdKind } = session;
  const name = `${demo.name} ${on} ${title}`;
  const id = idOf(`session ${name}`);
  const venue = DEMO_VENUES.find((each) => each.name === session.venue)!;
  const done = session.logged.length > 0;
  const start = at(on, 17).getTime();
  const common = (
    liftId: string,
    place: number,
  ): Pick<LoggedSet & LoggedHold, keyof LoggedSet & keyof LoggedHold & CommonField> => ({
    ...{ clubId: CLUB.id, lifterId, sessionId: id, trainingDay: on, chalk: venue.chalk, liftId },
    doneAt: new Date(start + 3 * place * 60_000),
    barId: barId(venue.name, venue.bar.name),
    diameter: closedOn(liftId, venue.bar.diameter),
    ...{ pain: null, confidence: null, cause: null, signs: [], sweat: false, note: null },
    ...{ loggedBy: null, undoneAt: null, undoneBy: null },
  });
  return {
    session: {
      ...{ id, clubId: CLUB.id, lifterId, venueId: venueId(session.venue), barId: null, heldOn: on, title },
      holds: hasHold ? [{ kind: holdKind, blockId: null }] : [],
      ...{ finished: done, finishedAt: null, noteToLifter: null },
      // The weeks ahead repeat one another; those behind are what was done.
      seriesId: done ? null : idOf(`series ${demo.name} ${title}`),
      ...{ removedAt: null, version: 1, lines: null, rehearsesMeet: false, sweat: false },
      ...{ audit: false, ownChalk: null, ownDiameter: null },
    },
    planned: session.planned.map((set, place) => ({
      ...{ id: idOf(`planned ${name} ${place}`), sessionId: id, place, ...planOf(set) },
      ...NO_TERMS,
    })),
    sets: session.logged.map((set, place) => ({
      ...{ id: idOf(`set ${name} ${place}`), ...common(set.lift, place), ...planOf(set), plannedSetId: null },
      ...{ grip: set.grip, sideUnder: set.sideUnder, strapped: set.strapped, slippedAtRep: set.slippedAtRep },
    })),
    holds: session.holds.map((hold, place) => ({
      id: idOf(`hold ${name} ${place}`),
      ...common(HOLD_KINDS_BY_ID[holdKind].lifts[0], session.logged.length + place),
      ...{ kind: holdKind, place, sideUnder: null, ...hold },
      pin: HOLD_KINDS_BY_ID[holdKind].pins ? (venue.racks[0]?.pinHeights[HOLD_HOLE] ?? null) : null,
    })),
  };
}

/** What a logged set and a logged hold of a session have in common. */
type CommonField =
  | (
      | 'clubId'
      | 'lifterId'
      | 'sessionId'
      | 'trainingDay'
      | 'chalk'
      | 'liftId'
      | 'doneAt'
      | 'barId'
      | 'diameter'
    )
  | ('pain' | 'confidence' | 'cause' | 'signs' | 'sweat' | 'note' | 'loggedBy' | 'undoneAt' | 'undoneBy');

/** What a planned set and a logged one have in common. */
function planOf({ lift, role, load, reps, seconds }: SimSet): Pick<PlannedSet, PlanField> {
  return { liftId: lift, role, load, reps, style: 'reset', seconds };
}

type PlanField = 'liftId' | 'role' | 'load' | 'reps' | 'style' | 'seconds';
