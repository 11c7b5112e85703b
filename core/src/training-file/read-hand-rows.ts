import { checkDay, checkObject, checkOneOf } from '../check.ts';
import type { Side } from '../hands/hand-state.ts';
import { MAX_SQUEEZE } from '../dynamometer/check-test.ts';
import { LIMITS } from '../limits.ts';
import { FORCE_UNITS } from '../force-trace/read-trace-csv.ts';
import { amountOf, cellOf, LONGEST_NOTE, tableCheck, type RowFault } from './cells.ts';
import { checkColumns, type FileColumns, type FileKind } from './columns.ts';
import { readDayCell, DAY_ORDERS, type DayOrder } from './read-days.ts';
import type { FileTable } from './read-table.ts';
import { unitOfWords, yesOfWords } from './training-words.ts';

export interface HandFileOptions {
  readonly columns: FileColumns;
  readonly order: DayOrder;
  /** Later days are no past. */
  readonly today: string;
}

interface HandRow {
  readonly line: number;
  readonly fault?: undefined;
  readonly day: string;
  /** As the file writes the name; empty where it has no column for it. */
  readonly lifter: string;
  readonly hand: Side;
  readonly note: string;
}

/** A try at closing a gripper that a row tells of. */
export interface ReadAttempt extends HandRow {
  /** As the file writes its name. */
  readonly gripper: string;
  readonly closed: boolean;
  /** mm left between the handles; null where the file says none. */
  readonly gapMm: number | null;
  /** s the close was held. */
  readonly seconds: number | null;
}

/** A trial of a squeeze test that a row tells of. */
export interface ReadSqueeze extends HandRow {
  /** kgf. */
  readonly force: number;
}

/** Wider than this no hand reaches, mm. */
const WIDEST_GAP = 100;

const HANDS: ReadonlyMap<string, Side> = new Map([
  ...['left', 'l', 'lh', 'left hand', 'links'].map((words) => [words, 'left'] as const),
  ...['right', 'r', 'rh', 'right hand', 'rechts'].map((words) => [words, 'right'] as const),
]);

type Cell = ReturnType<typeof cellOf>;

/** Reads rows that tell of one hand on one day; what else a row tells is read by `more`, which gives a text for a fault. */
function readRows<More extends object>(
  table: FileTable,
  options: HandFileOptions,
  kind: FileKind,
  more: (cell: Cell) => More | string,
): (RowFault | (HandRow & More))[] {
  tableCheck('table', table);
  checkObject('options', options);
  checkObject('columns', options.columns);
  checkOneOf('order', options.order, DAY_ORDERS);
  checkDay('today', options.today);
  checkColumns(table, options.columns, kind);
  return table.rows.map(({ line, cells }) => {
    const cell = cellOf(cells, options.columns);
    const day = readDayCell(cell('day'), options.order);
    if (!day) return { line, fault: `“${cell('day')}” is no day. Write it as 2026-11-24.` };
    if (day > options.today) return { line, fault: `${day} lies ahead.` };
    const hand = HANDS.get(cell('hand').trim().toLowerCase());
    if (!hand) return { line, fault: `“${cell('hand')}” is no hand: left or right.` };
    const found = more(cell);
    if (typeof found === 'string') return { line, fault: found };
    return { line, day, lifter: cell('lifter'), hand, note: cell('note').slice(0, LONGEST_NOTE), ...found };
  });
}

/**
 * Reads gripper attempts from a table, row by row. A row that says neither of closing nor of a gap counts as closed.
 * @throws InvalidInputError for columns that are not there, or where one that is needed is left out.
 * @example readGripperRows(readTable('Date,Gripper,Hand,Gap\n2026-03-01,Iron 2,left,4'), { columns: { day: 0, gripper: 1, hand: 2, gap: 3 }, order: 'dayFirst', today: '2026-11-24' })[0].closed // false
 */
export function readGripperRows(table: FileTable, options: HandFileOptions): (RowFault | ReadAttempt)[] {
  return readRows(table, options, 'grippers', (cell) => {
    const gripper = cell('gripper');
    if (gripper === '') return 'No gripper is named.';
    const gap = cell('gap') === '' ? null : amountOf(cell('gap'), { min: 0, max: WIDEST_GAP });
    if (gap === undefined) return `“${cell('gap')}” is no gap of 0 to ${WIDEST_GAP} mm.`;
    const said = cell('closed') === '' ? undefined : yesOfWords(cell('closed'));
    if (cell('closed') !== '' && said === undefined)
      return `“${cell('closed')}” says neither that it was closed nor that it was not.`;
    const closed = said ?? (gap ?? 0) === 0;
    if (closed && (gap ?? 0) > 0) return `It is said to be closed, with ${gap} mm left.`;
    const seconds = cell('seconds') === '' ? null : amountOf(cell('seconds'), LIMITS.holdSeconds);
    if (seconds === undefined) return `“${cell('seconds')}” are no seconds.`;
    return { gripper, closed, gapMm: closed ? null : gap, seconds };
  });
}

/**
 * Reads squeeze scores from a table, a trial a row. Forces are kgf unless the head of their column names pounds or newtons.
 * @throws InvalidInputError for columns that are not there, or where one that is needed is left out.
 * @example readSqueezeRows(readTable('Date,Hand,Force (lb)\n2026-03-01,right,100'), { columns: { day: 0, hand: 1, force: 2 }, order: 'dayFirst', today: '2026-11-24' })[0].force // 45.359237
 */
export function readSqueezeRows(table: FileTable, options: HandFileOptions): (RowFault | ReadSqueeze)[] {
  const head = table?.head?.[options?.columns?.force ?? -1] ?? '';
  const newtons = /\b(n|newtons?)\b/iu.test(head);
  const pounds = head !== '' && unitOfWords(head) === 'lb';
  const factor = FORCE_UNITS[newtons ? 'N' : pounds ? 'lbf' : 'kgf'];
  return readRows(table, options, 'squeeze', (cell) => {
    const force = amountOf(cell('force'), { min: 1, max: MAX_SQUEEZE / factor });
    if (force === undefined)
      return `“${cell('force')}” is no squeeze of at most ${MAX_SQUEEZE} kgf. Check the figure and the unit.`;
    return { force: force * factor };
  });
}
