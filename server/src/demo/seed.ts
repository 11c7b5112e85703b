import { DEFAULT_THRESHOLDS, findSchool } from '@iron-clasp/core';
import {
  addDays,
  addHours,
  addMinutes,
  addWeeks,
  format,
  parseISO,
  startOfISOWeek,
  subMonths,
} from 'date-fns';
import type { DataSource, EntityManager } from 'typeorm';
import { hashPassword } from '../accounts/passwords.ts';
import { idOf } from './random.ts';
import { DEMO_LIFTERS } from './lifters.ts';
import {
  DEMO_CLUB,
  DEMO_COACH,
  DEMO_COACH_NAME,
  DEMO_LIFTER,
  DEMO_SCHOOL,
  DEMO_VENUES,
  HOME,
  type DemoBar,
  type DemoLifter,
} from './scenario.ts';
import { DEMO_PROTOCOL, simulateAttempts, simulateChecks, simulateTests } from './simulate-hands.ts';
import { simulate, type SimSession, type SimSet } from './simulate.ts';

type Row = Record<string, unknown>;
type LifterTable =
  | 'lifter'
  | 'lifter_history'
  | 'hands_check'
  | 'meet'
  | 'season_mark'
  | 'training_session'
  | 'planned_set'
  | 'logged_set'
  | 'logged_hold'
  | 'squeeze_test'
  | 'gripper_attempt';
const day = (date: Date): string => format(date, 'yyyy-MM-dd');

/**
 * Fills an empty database with the demo club, in one transaction: a start that dies half-way leaves nothing behind.
 * Returns the number of logged sets, or undefined where there is already a club.
 */
export async function seedDemo(db: DataSource, today: string): Promise<number | undefined> {
  const passwords = {
    coach: await hashPassword(DEMO_COACH.password),
    lifter: await hashPassword(DEMO_LIFTER.password),
  };
  return db.transaction(async (tx) => {
    await tx.query('LOCK TABLE club IN SHARE ROW EXCLUSIVE MODE');
    const [{ clubs }]: [{ clubs: number }] = await tx.query('SELECT count(*)::int AS clubs FROM club');
    if (clubs > 0) return undefined;
    const tables = demoRows(passwords, today);
    for (const [table, rows] of tables) await insertAll(tx, table, rows);
    return tables.find(([table]) => table === 'logged_set')![1].length;
  });
}

/** One statement a table: PostgreSQL unpacks the rows itself. */
async function insertAll(tx: EntityManager, table: string, rows: readonly Row[]): Promise<void> {
  if (rows.length === 0) return;
  const columns = Object.keys(rows[0]!).join(', ');
  await tx.query(
    `INSERT INTO ${table} (${columns}) SELECT ${columns} FROM json_populate_recordset(NULL::${table}, $1)`,
    [JSON.stringify(rows)],
  );
}

interface Passwords {
  readonly coach: string;
  readonly lifter: string;
}

const SCHOOL_ID = idOf('school');
const PROTOCOL_ID = idOf('squeeze protocol');
const DEMO_PROTOCOL_ROW = (clubId: string): Row => ({
  id: PROTOCOL_ID,
  club_id: clubId,
  name: 'Club test, seated',
  protocol: DEMO_PROTOCOL,
  version: 1,
});
const barId = (venue: string, name: string): string => idOf(`bar ${venue} ${name}`);
const snake = (row: Row): Row =>
  Object.fromEntries(
    Object.entries(row).map(([key, value]) => [
      key.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`),
      value,
    ]),
  );

function barsOf(
  row: (of: { readonly bar: DemoBar; readonly venue: string; readonly place: number }) => Row,
): Row[] {
  return DEMO_VENUES.flatMap(({ name, bar, otherBars }) =>
    [bar, ...otherBars].map((each, place) => row({ bar: each, venue: name, place })),
  );
}

function itemsOf(kind: 'handles' | 'grippers' | 'racks' | 'dynamometers'): Row[] {
  return DEMO_VENUES.flatMap((venue) =>
    venue[kind].map((item, place) => ({
      id: idOf(`${kind} ${venue.name} ${item.name}`),
      venue_id: idOf(`venue ${venue.name}`),
      place,
      ...snake({ ...item }),
    })),
  );
}

function schoolRow(clubId: string): Row {
  const original = findSchool(DEMO_SCHOOL.basedOn)!;
  const { name, summary, seconds, reason } = DEMO_SCHOOL;
  const school = { ...original, id: SCHOOL_ID, name, summary, hold: { ...original.hold, seconds, reason } };
  return { id: SCHOOL_ID, club_id: clubId, based_on: DEMO_SCHOOL.basedOn, version: 1, school };
}

function accountRows(clubId: string, passwords: Passwords): Row[] {
  const common = { club_id: clubId, unit: 'kg', theme: 'light' };
  return [
    {
      id: idOf('coach'),
      email: DEMO_COACH.email,
      name: DEMO_COACH_NAME,
      role: 'coach',
      password_hash: passwords.coach,
      lifter_id: null,
      ...common,
    },
    {
      id: idOf('account of a lifter'),
      email: DEMO_LIFTER.email,
      name: DEMO_LIFTER.name,
      role: 'lifter',
      password_hash: passwords.lifter,
      lifter_id: idOf(`lifter ${DEMO_LIFTER.name}`),
      ...common,
    },
  ];
}

/** All rows of the demo by table, parents before children. */
export function demoRows(passwords: Passwords, today: string): [string, Row[]][] {
  const clubId = idOf('club');
  const people = DEMO_LIFTERS.map((lifter) => lifterRows(lifter, clubId, today));
  const gather = (table: keyof (typeof people)[number]): Row[] => people.flatMap((rows) => rows[table]);
  return [
    ['club', [{ id: clubId, name: DEMO_CLUB }]],
    [
      'venue',
      DEMO_VENUES.map(({ name, chalk, note, straps, has }) => ({
        id: idOf(`venue ${name}`),
        club_id: clubId,
        name,
        chalk,
        note,
        straps,
        has,
        version: 1,
      })),
    ],
    [
      'bar',
      barsOf(({ bar: { brushedDaysAgo: _days, ...bar }, venue, place }) => ({
        id: barId(venue, bar.name),
        venue_id: idOf(`venue ${venue}`),
        place,
        ...snake(bar),
      })),
    ],
    [
      'bar_brushing',
      barsOf(({ bar, venue }) => ({
        id: idOf(`brushing ${venue} ${bar.name}`),
        bar_id: barId(venue, bar.name),
        brushed_by: null,
        brushed_at: `${day(addDays(parseISO(today), -bar.brushedDaysAgo))}T20:00:00Z`,
      })),
    ],
    [
      'plate',
      DEMO_VENUES.flatMap(({ name, plates }) =>
        plates.map((plate) => ({
          id: idOf(`plate ${name} ${plate.mass} ${plate.unit}`),
          venue_id: idOf(`venue ${name}`),
          ...plate,
        })),
      ),
    ],
    ['handle', itemsOf('handles')],
    ['gripper', itemsOf('grippers')],
    ['pin_rack', itemsOf('racks')],
    ['dynamometer', itemsOf('dynamometers')],
    ['club_school', [schoolRow(clubId)]],
    ['lifter', gather('lifter')],
    ['account', accountRows(clubId, passwords)],
    [
      'club_school_version',
      [
        {
          school_id: SCHOOL_ID,
          version: 1,
          school: schoolRow(clubId)['school'],
          changed_by: idOf('coach'),
          changed_at: `${day(subMonths(parseISO(today), 3))}T10:00:00Z`,
        },
      ],
    ],
    ['lifter_history', gather('lifter_history')],
    ['hands_check', gather('hands_check')],
    ['meet', gather('meet')],
    ['season_mark', gather('season_mark')],
    ['training_session', gather('training_session')],
    ['planned_set', gather('planned_set')],
    ['logged_set', gather('logged_set')],
    ['logged_hold', gather('logged_hold')],
    ['squeeze_protocol', [DEMO_PROTOCOL_ROW(clubId)]],
    ['squeeze_test', gather('squeeze_test')],
    ['gripper_attempt', gather('gripper_attempt')],
  ];
}

function lifterRows(lifter: DemoLifter, clubId: string, today: string): Record<LifterTable, Row[]> {
  const id = idOf(`lifter ${lifter.name}`);
  const monday = startOfISOWeek(parseISO(today));
  const sessions = simulate(lifter, DEMO_VENUES, today).map((session) => sessionRows(lifter, id, session));
  return {
    lifter: [
      {
        id,
        club_id: clubId,
        name: lifter.name,
        sport: lifter.sport,
        unit: lifter.unit,
        dominant_hand: lifter.dominantHand,
        stance: lifter.stance,
        deadlift_max: lifter.deadliftMax,
        training_since: day(subMonths(parseISO(today), lifter.trainingMonths)),
        school_id: lifter.school,
        hook_stage: lifter.hookStage,
        thresholds: DEFAULT_THRESHOLDS,
        hand_length: lifter.handLength,
        hand_span: lifter.handSpan,
        body_mass: lifter.bodyMass,
        usual_reps: null,
        deadlift_on: day(subMonths(parseISO(today), 2)),
        best_lifts: lifter.bests.map(({ lift, load, monthsAgo }) => ({
          liftId: lift,
          load,
          on: day(subMonths(parseISO(today), monthsAgo)),
        })),
        club_school_id: DEMO_SCHOOL.followers.some((name) => name === lifter.name) ? SCHOOL_ID : null,
      },
    ],
    lifter_history: lifter.history.map((flag) => ({
      id: idOf(`history ${lifter.name} ${flag.kind}`),
      lifter_id: id,
      side: null,
      since: null,
      ...flag,
    })),
    hands_check: simulateChecks(lifter, today).map(({ on, hands }) => ({
      id: idOf(`hands ${lifter.name} ${on}`),
      lifter_id: id,
      checked_on: on,
      checked_at: `${on}T18:00:00Z`,
      hands,
    })),
    meet: lifter.meet
      ? [
          {
            id: idOf(`meet ${lifter.name}`),
            lifter_id: id,
            name: lifter.meet.name,
            held_on: day(addDays(addWeeks(monday, lifter.meet.inWeeks), 5)),
            straps: lifter.meet.straps,
            thumb_tape: lifter.meet.thumbTape,
            liquid_chalk: lifter.meet.liquidChalk,
            attempts: lifter.meet.attempts ?? [],
          },
        ]
      : [],
    season_mark: lifter.blocks.map((block) => ({
      id: idOf(`mark ${lifter.name} ${block.kind} ${block.from}`),
      lifter_id: id,
      kind: block.kind,
      label: block.label,
      starts_on: day(addWeeks(monday, block.from)),
      ends_on: day(addDays(addWeeks(monday, block.to), block.kind === 'test' ? 0 : 6)),
    })),
    training_session: sessions.map((rows) => rows.session),
    planned_set: sessions.flatMap((rows) => rows.planned),
    logged_set: sessions.flatMap((rows) => rows.logged),
    logged_hold: sessions.flatMap((rows) => rows.holds),
    squeeze_test: simulateTests(lifter, today).map((test) => ({
      id: idOf(`squeeze ${lifter.name} ${test.on}`),
      lifter_id: id,
      protocol_id: PROTOCOL_ID,
      protocol: DEMO_PROTOCOL,
      tested_on: test.on,
      tested_at: `${test.on}T16:40:00Z`,
      trials: test.trials.map((trial) => ({ ...trial, reading: null })),
      source: 'hand',
      easing_declined: false,
    })),
    gripper_attempt: simulateAttempts(lifter, today).map(({ gripper, ...attempt }, place) => ({
      id: idOf(`attempt ${lifter.name} ${place}`),
      lifter_id: id,
      gripper_id: idOf(`grippers ${HOME} ${gripper}`),
      hand: attempt.hand,
      depth: attempt.depth,
      closed: attempt.closed,
      gap_mm: attempt.gapMm,
      done_at: `${attempt.on}T18:${String(place % 60).padStart(2, '0')}:00Z`,
    })),
  };
}

function sessionRows(
  lifter: DemoLifter,
  lifterId: string,
  session: SimSession,
): { session: Row; planned: Row[]; logged: Row[]; holds: Row[] } {
  const name = `${lifter.name} ${session.on} ${session.title}`;
  const id = idOf(`session ${name}`);
  const venue = DEMO_VENUES.find((each) => each.name === session.venue)!;
  const start = addHours(parseISO(session.on), 17);
  const common = (place: number): Row => ({
    lifter_id: lifterId,
    session_id: id,
    done_at: addMinutes(start, 3 * place).toISOString(),
    chalk: venue.chalk,
    bar_id: barId(venue.name, venue.bar.name),
    diameter: venue.bar.diameter,
  });
  return {
    session: {
      id,
      lifter_id: lifterId,
      venue_id: idOf(`venue ${session.venue}`),
      held_on: session.on,
      title: session.title,
      has_hold: session.hasHold,
      hold_kind: session.holdKind,
      finished: session.logged.length > 0,
      version: 1,
      // The weeks ahead repeat one another; those behind are what was done.
      series_id: session.logged.length > 0 ? null : idOf(`series ${lifter.name} ${session.title}`),
    },
    planned: session.planned.map((set, place) => ({
      id: idOf(`planned ${name} ${place}`),
      session_id: id,
      place,
      ...setColumns(set),
    })),
    logged: session.logged.map((set, place) => ({
      id: idOf(`set ${name} ${place}`),
      ...common(place),
      ...setColumns(set),
      grip: set.grip,
      side_under: set.sideUnder,
      strapped: set.strapped,
      slipped_at_rep: set.slippedAtRep,
    })),
    holds: session.holds.map((hold, place) => ({
      id: idOf(`hold ${name} ${place}`),
      ...common(session.logged.length + place),
      kind: session.holdKind,
      place,
      load: hold.load,
      seconds: hold.seconds,
      target: hold.target,
      ended: hold.ended,
      grip: hold.grip,
    })),
  };
}

/** What a planned set and a logged one have in common. */
function setColumns({ lift, role, load, reps, seconds }: SimSet): Row {
  return { lift_id: lift, role, load, reps, style: 'reset', seconds };
}
