import {
  CHALK_NAMES,
  findLift,
  GRIP_NAMES,
  handWords,
  HISTORY_NAMES,
  HOLD_ENDING_NAMES,
  HOLD_KINDS_BY_ID,
  SET_ROLE_NAMES,
  SPORT_NAMES,
  START_DEPTH_NAMES,
  writeTable,
  type HandsToday,
  type HoldKindId,
  type Side,
} from '@iron-clasp/core';
import type { Row } from '../../platform/database/kept-tables.ts';

type Cell = string | number | null;

/** What the row with an id is called; empty where it has no name. */
export type NamesOf = (id: unknown) => string;

/** A list beside the rows themselves: the same in words, for a spreadsheet. */
export interface ExportList {
  readonly path: string;
  /** Table whose rows it tells. */
  readonly of: string;
  readonly columns: readonly (readonly [head: string, cell: (row: Row, names: NamesOf) => Cell])[];
}

/** Tables whose rows are named in lists. */
export const NAMED: ReadonlySet<string> = new Set(['lifter', 'venue', 'bar', 'gripper', 'account']);

const inWords =
  (names: Readonly<Record<string, string>>, column: string) =>
  (row: Row): Cell => {
    const id = row[column];
    return id === null || id === undefined ? '' : (names[String(id)] ?? String(id));
  };
const own =
  (column: string) =>
  (row: Row): Cell => {
    const value = row[column];
    return typeof value === 'number' || typeof value === 'string' ? value : null;
  };
const yes =
  (column: string) =>
  (row: Row): Cell =>
    row[column] === true ? 'yes' : '';
const gone =
  (column: string) =>
  (row: Row): Cell =>
    row[column] === null ? '' : 'yes';
const named =
  (column: string) =>
  (row: Row, names: NamesOf): Cell =>
    names(row[column]);
const lift = (row: Row): Cell => findLift(String(row['lift_id']))?.name ?? String(row['lift_id']);
const LIFTER = ['lifter', named('lifter_id')] as const;
const LOGGED = [['day', own('training_day')], LIFTER, ['lift', lift], ['load (kg)', own('load')]] as const;
const HOW = [
  ['grip', inWords(GRIP_NAMES, 'grip')],
  ['hand under', own('side_under')],
  ['chalk', inWords(CHALK_NAMES, 'chalk')],
  ['bar', named('bar_id')],
  ['diameter (mm)', own('diameter')],
] as const;
const SAID = [
  ['pain (0-10)', own('pain')],
  ['note', own('note')],
  ['logged by', named('logged_by')],
  ['undone', gone('undone_at')],
] as const;

const lines = (row: Row): Cell =>
  ((row['lines'] as { liftId: string; text: string }[] | null) ?? [])
    .map(({ liftId, text }) => `${findLift(liftId)?.name ?? liftId}: ${text}`)
    .join('; ');
const hold = (row: Row): Cell => HOLD_KINDS_BY_ID[row['kind'] as HoldKindId]?.name ?? String(row['kind']);
const attempts = (row: Row): Cell => ((row['attempts'] as number[] | null) ?? []).join(' / ');

/** One look at a hand, in the words of the pages. */
const hand =
  (side: Side) =>
  (row: Row): Cell =>
    handWords((row['hands'] as HandsToday)[side]).join('; ') || 'sound';
const unwell = (row: Row): Cell => ((row['hands'] as HandsToday).unwell ? 'yes' : '');

/** The best of a test's trials with one hand, kgf. */
function best(side: Side): (row: Row) => Cell {
  return (row) => {
    const trials = (row['trials'] as { hand: string; force: number }[] | null) ?? [];
    const forces = trials.filter((trial) => trial.hand === side).map((trial) => trial.force);
    return forces.length === 0 ? null : Math.max(...forces);
  };
}

/** The lists of an export. */
export const EXPORT_LISTS: readonly ExportList[] = [
  {
    ...{ path: 'lists/lifters.csv', of: 'lifter' },
    columns: [
      ['lifter', own('name')],
      ['sport', inWords(SPORT_NAMES, 'sport')],
      ['best deadlift (kg)', own('deadlift_max')],
      ['training since', own('training_since')],
      ['body mass (kg)', own('body_mass')],
      ['archived', gone('archived_at')],
    ],
  },
  {
    ...{ path: 'lists/sessions.csv', of: 'training_session' },
    columns: [
      ['day', own('held_on')],
      LIFTER,
      ['session', own('title')],
      ['venue', named('venue_id')],
      ['lines', lines],
      ['done', yes('finished')],
      ['note', own('note_to_lifter')],
      ['removed', gone('removed_at')],
    ],
  },
  {
    ...{ path: 'lists/sets.csv', of: 'logged_set' },
    columns: [
      ...LOGGED,
      ['repetitions', own('reps')],
      ['seconds', own('seconds')],
      ['role', inWords(SET_ROLE_NAMES, 'role')],
      ...HOW,
      ['straps', yes('strapped')],
      ['slipped at repetition', own('slipped_at_rep')],
      ...SAID,
    ],
  },
  {
    ...{ path: 'lists/holds.csv', of: 'logged_hold' },
    columns: [
      ...LOGGED,
      ['hold', hold],
      ['seconds', own('seconds')],
      ['aimed at (s)', own('target')],
      ['ended', inWords(HOLD_ENDING_NAMES, 'ended')],
      ...HOW,
      ...SAID,
    ],
  },
  {
    ...{ path: 'lists/hands.csv', of: 'hands_check' },
    columns: [
      ['day', own('checked_on')],
      LIFTER,
      ['left hand', hand('left')],
      ['right hand', hand('right')],
      ['unwell', unwell],
      ['looked at by', named('checked_by')],
    ],
  },
  {
    ...{ path: 'lists/squeeze.csv', of: 'squeeze_test' },
    columns: [
      ['day', own('tested_on')],
      LIFTER,
      ['left hand (kgf)', best('left')],
      ['right hand (kgf)', best('right')],
      ['note', own('note')],
      ['undone', gone('undone_at')],
    ],
  },
  {
    ...{ path: 'lists/grippers.csv', of: 'gripper_attempt' },
    columns: [
      ['day', own('training_day')],
      LIFTER,
      ['gripper', named('gripper_id')],
      ['hand', own('hand')],
      ['start', inWords(START_DEPTH_NAMES, 'depth')],
      ['closed', yes('closed')],
      ['gap (mm)', own('gap_mm')],
      ['held (s)', own('seconds')],
      ['note', own('note')],
      ['undone', gone('undone_at')],
    ],
  },
  {
    ...{ path: 'lists/meets.csv', of: 'meet' },
    columns: [
      ['day', own('held_on')],
      LIFTER,
      ['meet', own('name')],
      ['place', own('place')],
      ['attempts (kg)', attempts],
      ['straps allowed', yes('straps')],
      ['liquid chalk allowed', yes('liquid_chalk')],
      ['removed', gone('removed_at')],
    ],
  },
  {
    ...{ path: 'lists/conditions.csv', of: 'lifter_history' },
    columns: [
      LIFTER,
      ['condition', inWords(HISTORY_NAMES, 'kind')],
      ['side', own('side')],
      ['since', own('since')],
      ['cleared by a clinician', yes('cleared')],
    ],
  },
];

export const listHead = ({ columns }: ExportList): string => writeTable([columns.map(([head]) => head)]);

export const listRows = ({ columns }: ExportList, rows: readonly Row[], names: NamesOf): string =>
  writeTable(rows.map((row) => columns.map(([, cell]) => cell(row, names))));
