import { checkDay, checkList, checkObject, checkOneOf } from '../check.ts';
import type { ChalkKind, Grip } from '../clasp-curve/types.ts';
import { InvalidInputError } from '../errors.ts';
import { LIMITS } from '../limits.ts';
import { findLift } from '../set-demand/lifts.ts';
import type { SetRole } from '../calls/set-role.ts';
import { formatMass, MASS_UNITS, toKg, type MassUnit } from '../units/mass.ts';
import { checkColumns, type FileColumns } from './columns.ts';
import { amountOf, cellOf, countOf, LONGEST_NOTE, tableCheck, type RowFault } from './cells.ts';
import { readDayCell, type DayOrder, DAY_ORDERS } from './read-days.ts';
import type { FileRow, FileTable } from './read-table.ts';
import {
  chalkOfWords,
  gripOfWords,
  liftOfWords,
  unitOfWords,
  yesOfWords,
  type GripWords,
} from './training-words.ts';

/** What is made of gripped sets of which the file says no grip. */
export const NO_GRIP_CHOICES = ['leaveOut', 'doubleOverhand', 'mixed', 'hook', 'straps'] as const;
export type NoGripChoice = (typeof NO_GRIP_CHOICES)[number];

export interface TrainingFileOptions {
  readonly columns: FileColumns;
  /** Of loads whose cell and column name none. */
  readonly unit: MassUnit;
  readonly order: DayOrder;
  readonly noGrip: NoGripChoice;
  /** Later days are no past training. */
  readonly today: string;
}

/** Sets that a row of a file tells of, or what is wrong with it. */
export type TrainingRow = ReadSets | RowFault;

export interface ReadSets {
  readonly line: number;
  readonly fault?: undefined;
  readonly day: string;
  /** As the file writes the name; empty where it has no column for it. */
  readonly lifter: string;
  readonly liftId: string;
  /** kg. */
  readonly load: number;
  readonly reps: number;
  /** s; null for a lift that is not timed. */
  readonly seconds: number | null;
  readonly sets: number;
  readonly grip: Grip;
  readonly strapped: boolean;
  /** Null where the file says nothing of chalk. */
  readonly chalk: ChalkKind | null;
  readonly slippedAtRep: number | null;
  readonly note: string;
}

const MOST_SETS = 30;

/**
 * Reads past training from a table, row by row. Nothing is guessed in silence: a row that cannot be read says why, and of a
 * gripped set without a grip only what `noGrip` says is taken.
 * @throws InvalidInputError for columns that are not there, or where one that is needed is left out.
 * @example readTrainingRows(readTable('Date,Lift,kg,Reps,Grip\n2026-03-01,Deadlift,180,1,hook'), { columns: { day: 0, lift: 1, load: 2, reps: 3, grip: 4 }, unit: 'kg', order: 'dayFirst', noGrip: 'leaveOut', today: '2026-11-24' })[0].grip // 'hook'
 */
export function readTrainingRows(table: FileTable, options: TrainingFileOptions): TrainingRow[] {
  tableCheck('table', table);
  checkObject('options', options);
  checkObject('columns', options.columns);
  checkDay('today', options.today);
  const { columns, order } = options;
  checkOneOf('order', order, DAY_ORDERS);
  checkOneOf('unit', options.unit, MASS_UNITS);
  checkOneOf('noGrip', options.noGrip, NO_GRIP_CHOICES);
  checkColumns(table, columns, 'training');
  const headUnit = unitOfWords(table.head[columns.load!] ?? '');
  return table.rows.map((row) => readRow(row, options, headUnit ?? options.unit));
}

function readRow({ line, cells }: FileRow, options: TrainingFileOptions, unit: MassUnit): TrainingRow {
  const cell = cellOf(cells, options.columns);
  const fault = (words: string): TrainingRow => ({ line, fault: words });
  const day = readDayCell(cell('day'), options.order);
  if (!day) return fault(`“${cell('day')}” is no day. Write it as 2026-11-24.`);
  if (day > options.today) return fault(`${day} lies ahead: this is past training.`);
  const liftId = liftOfWords(cell('lift'));
  if (!liftId)
    return fault(`“${cell('lift')}” is no lift of the catalogue. Name it as the practice book does.`);
  const lift = findLift(liftId)!;
  const body = lift.loadMeans === 'addedToBody';
  const load = loadOf(cell('load'), unit);
  if (load === undefined || (load < LIMITS.load.min && !(body && load === 0)) || load > LIMITS.load.max)
    return fault(
      `“${cell('load')}” is no load of ${formatMass(LIMITS.load.min, unit)} to ${formatMass(LIMITS.load.max, unit)}.`,
    );
  const seconds = lift.timed ? amountOf(cell('seconds'), LIMITS.holdSeconds) : null;
  if (seconds === undefined)
    return fault(
      cell('seconds') === ''
        ? `${lift.name} is timed: say how many seconds.`
        : `“${cell('seconds')}” are no seconds, ${LIMITS.holdSeconds.min} to ${LIMITS.holdSeconds.max}.`,
    );
  // What is timed is one repetition, unless the file says more.
  const reps = lift.timed && cell('reps') === '' ? 1 : countOf(cell('reps'), LIMITS.reps.max);
  if (reps === undefined) return fault(`“${cell('reps')}” are no repetitions, 1 to ${LIMITS.reps.max}.`);
  const sets = cell('sets') === '' ? 1 : countOf(cell('sets'), MOST_SETS);
  if (sets === undefined) return fault(`“${cell('sets')}” are no sets, 1 to ${MOST_SETS}.`);
  const chalk = cell('chalk') === '' ? null : chalkOfWords(cell('chalk'));
  if (chalk === undefined) return fault(`“${cell('chalk')}” is no chalk: block, liquid or none.`);
  const slipped = slipOf(cell('slipped'), reps);
  if (slipped === undefined)
    return fault(
      `“${cell('slipped')}” says neither that it slipped nor that it did not, nor at which repetition.`,
    );
  const held = heldBy(cell('grip'), cell('straps'), lift.grips, options.noGrip);
  if (typeof held === 'string') return fault(held);
  return {
    ...{ line, day, lifter: cell('lifter'), liftId, load, reps, seconds, sets, ...held, chalk },
    slippedAtRep: held.strapped ? null : slipped,
    note: cell('note').slice(0, LONGEST_NOTE),
  };
}

/** Grip and straps of a set, or what is wrong with what the file says of them. */
function heldBy(grip: string, straps: string, gripped: boolean, noGrip: NoGripChoice): GripWords | string {
  const strapped = yesOfWords(straps);
  if (strapped === undefined)
    return `“${straps}” says neither that there were straps nor that there were none.`;
  const named = grip === '' ? undefined : gripOfWords(grip);
  if (grip !== '' && !named) return `“${grip}” is no grip: double overhand, mixed, hook or straps.`;
  if (strapped) return { grip: named?.grip ?? 'doubleOverhand', strapped: true };
  if (named) return named;
  // What does not hang from the hands has no grip to say.
  if (!gripped) return { grip: 'doubleOverhand', strapped: false };
  if (noGrip === 'leaveOut') return 'The file does not say how it was held.';
  return noGrip === 'straps' ? { grip: 'doubleOverhand', strapped: true } : { grip: noGrip, strapped: false };
}

/** kg; undefined for what is no figure. */
function loadOf(cell: string, unit: MassUnit): number | undefined {
  const found = /^(\d+(?:[.,]\d+)?)\s*(kgs?|lbs?|pounds?)?$/iu.exec(cell.trim());
  if (!found) return /^(bw|body ?weight|-)?$/iu.test(cell.trim()) ? 0 : undefined;
  return toKg(Number(found[1]!.replace(',', '.')), found[2] ? unitOfWords(found[2])! : unit);
}

/** Repetition at which it slipped; null where it did not; undefined where nobody can tell. */
function slipOf(cell: string, reps: number): number | null | undefined {
  const at = Number(cell);
  if (cell !== '' && Number.isInteger(at) && at >= 1 && at <= reps) return at;
  const said = yesOfWords(cell);
  return said === undefined ? undefined : said ? reps : null;
}

/**
 * What each set of one lift on one day is to the session: the heaviest is the top set, what came before it warms up, what came
 * after backs off; where all weigh the same, all are volume.
 * @param loads kg, in the order in which they were done.
 * @throws InvalidInputError for loads that are no numbers.
 * @example rolesOfLoads([100, 140, 160, 130]) // ['warmup', 'warmup', 'top', 'backoff']
 */
export function rolesOfLoads(loads: readonly number[]): SetRole[] {
  checkList('loads', loads);
  const wrong = loads.findIndex((load) => !Number.isFinite(load));
  if (wrong >= 0) throw new InvalidInputError(`loads[${wrong}]`, 'a number of kg', loads[wrong]);
  const heaviest = loads.reduce((most, load) => Math.max(most, load), Number.NEGATIVE_INFINITY);
  if (loads.length > 1 && loads.every((load) => load === heaviest)) return loads.map(() => 'volume');
  const first = loads.indexOf(heaviest);
  return loads.map((load, i) => (load === heaviest ? 'top' : i < first ? 'warmup' : 'backoff'));
}
