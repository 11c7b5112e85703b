import { checkList, checkOneOf, checkText } from '../check.ts';

/** Which comes first where a day is written in figures. */
export const DAY_ORDERS = ['dayFirst', 'monthFirst'] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

/** How the days of a file are written, as far as they tell themselves. */
export interface DayHabit {
  readonly order: DayOrder;
  /** False where every day of the file can be read either way: somebody has to say. */
  readonly certain: boolean;
}

const FIGURES = /^(\d{1,4})[./-](\d{1,2})[./-](\d{1,4})(?:[ T].*)?$/u;
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

const twoFigures = (figure: number): string => String(figure).padStart(2, '0');

const day = (year: number, month: number, date: number): string | undefined => {
  const whole = year < 100 ? 2000 + year : year;
  const known = new Date(Date.UTC(whole, month - 1, date));
  const real = known.getUTCMonth() === month - 1 && known.getUTCDate() === date;
  return real && whole >= 1950 && whole <= 2099 ? [whole, month, date].map(twoFigures).join('-') : undefined;
};

/**
 * Which of day and month a file writes first: a figure above 12 tells.
 * @throws InvalidInputError for what are no texts.
 * @example dayHabitOf(['3/4/2026', '3/14/2026']) // { order: 'monthFirst', certain: true }
 * @example dayHabitOf(['3/4/2026']).certain // false
 */
export function dayHabitOf(cells: readonly string[]): DayHabit {
  checkList('cells', cells, (each, name) => (each === '' ? undefined : checkText(name, each)), {
    max: 60_000,
  });
  let [dayFirst, monthFirst, open] = [0, 0, 0];
  for (const cell of cells) {
    const found = FIGURES.exec(cell.trim());
    if (!found || found[1]!.length === 4) continue;
    const [a, b] = [Number(found[1]), Number(found[2])];
    if (a > 12 && b <= 12) dayFirst += 1;
    else if (b > 12 && a <= 12) monthFirst += 1;
    else if (a !== b) open += 1;
  }
  // Points are written with the day first wherever they are written.
  const points = cells.some((cell) => /^\d{1,2}\.\d{1,2}\./u.test(cell.trim()));
  if (dayFirst + monthFirst === 0) return { order: 'dayFirst', certain: open === 0 || points };
  return { order: monthFirst > dayFirst ? 'monthFirst' : 'dayFirst', certain: true };
}

/**
 * The day that a cell writes, `YYYY-MM-DD`; undefined where it writes none that the calendar has.
 * @throws InvalidInputError for what is no text, or an unknown order.
 * @example readDayCell('3.4.2026', 'dayFirst') // '2026-04-03'
 * @example readDayCell('Nov 24, 2026', 'dayFirst') // '2026-11-24'
 */
export function readDayCell(cell: string, order: DayOrder): string | undefined {
  if (cell !== '') checkText('cell', cell);
  checkOneOf('order', order, DAY_ORDERS);
  const text = cell.trim();
  const figures = FIGURES.exec(text);
  if (figures) {
    const [a, b, c] = [Number(figures[1]), Number(figures[2]), Number(figures[3])];
    if (figures[1]!.length === 4) return day(a, b, c);
    return order === 'dayFirst' ? day(c, b, a) : day(c, a, b);
  }
  const words =
    /^(?:[a-z]+,? )?(?:(\d{1,2})\.? ([a-z]{3})[a-z]*|([a-z]{3})[a-z]* (\d{1,2}))\.?,? (\d{4})(?:[ ,].*)?$/iu.exec(
      text,
    );
  if (!words) return undefined;
  const month = MONTHS.indexOf((words[2] ?? words[3])!.toLowerCase());
  return month < 0 ? undefined : day(Number(words[5]), month + 1, Number(words[1] ?? words[4]));
}
