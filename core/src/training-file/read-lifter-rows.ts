import { checkObject, checkOneOf } from '../check.ts';
import { LIMITS } from '../limits.ts';
import { LONGEST_LIFTER_NAME } from '../profile/read-lifter-lines.ts';
import { SPORTS, type Sport } from '../profile/sport-and-stance.ts';
import { formatMass, MASS_UNITS, toKg, type MassUnit } from '../units/mass.ts';
import { SPORT_NAMES } from '../vocabulary.ts';
import { amountOf, cellOf, tableCheck, type RowFault } from './cells.ts';
import { checkColumns, type FileColumns } from './columns.ts';
import type { FileTable } from './read-table.ts';
import { unitOfWords } from './training-words.ts';

export interface LifterFileOptions {
  readonly columns: FileColumns;
  /** Of masses whose cell and column name none. */
  readonly unit: MassUnit;
}

/** A lifter that a row tells of. */
export interface ReadLifter {
  readonly line: number;
  readonly fault?: undefined;
  readonly name: string;
  /** kg. */
  readonly deadliftMax: number;
  /** kg; null where the file says none. */
  readonly bodyMass: number | null;
  /** Null where the file says none. */
  readonly sport: Sport | null;
}

/**
 * Reads lifters from a table, a row each; a second row of a name is left out.
 * @throws InvalidInputError for columns that are not there, or where one that is needed is left out.
 * @example readLifterRows(readTable('Name,Max (lb),Sport\nAna Lind,400,strongman'), { columns: { lifter: 0, best: 1, sport: 2 }, unit: 'kg' })[0].sport // 'strongman'
 */
export function readLifterRows(table: FileTable, options: LifterFileOptions): (RowFault | ReadLifter)[] {
  tableCheck('table', table);
  checkObject('options', options);
  checkObject('columns', options.columns);
  checkOneOf('unit', options.unit, MASS_UNITS);
  checkColumns(table, options.columns, 'lifters');
  const seen = new Map<string, number>();
  return table.rows.map(({ line, cells }): RowFault | ReadLifter => {
    const cell = cellOf(cells, options.columns);
    const fault = (words: string): RowFault => ({ line, fault: words });
    const name = cell('lifter');
    if (name === '' || name.length > LONGEST_LIFTER_NAME)
      return fault(`A name has 1 to ${LONGEST_LIFTER_NAME} characters.`);
    const before = seen.get(name.toLowerCase());
    if (before !== undefined) return fault(`${name} stands in row ${before} already.`);
    const mass = (field: 'best' | 'bodyMass', limits: { readonly min: number; readonly max: number }) => {
      const found = /^([\d.,]+)\s*(\D*)$/u.exec(cell(field));
      const head = table.head[options.columns[field]!] ?? '';
      const unit = (found?.[2] && unitOfWords(found[2])) || (head && unitOfWords(head)) || options.unit;
      const figure = amountOf(found?.[1] ?? '', { min: 0, max: 5_000 });
      const kg = figure === undefined ? undefined : toKg(figure, unit);
      const fits = kg !== undefined && kg >= limits.min && kg <= limits.max;
      return fits
        ? kg
        : `“${cell(field)}” is not ${formatMass(limits.min, unit)} to ${formatMass(limits.max, unit)}.`;
    };
    const deadliftMax = mass('best', LIMITS.best);
    if (typeof deadliftMax === 'string') return fault(`Best deadlift: ${deadliftMax}`);
    const bodyMass = cell('bodyMass') === '' ? null : mass('bodyMass', LIMITS.bodyMass);
    if (typeof bodyMass === 'string') return fault(`Body mass: ${bodyMass}`);
    const said = cell('sport').toLowerCase();
    const sport =
      said === ''
        ? null
        : SPORTS.find((each) => said === each.toLowerCase() || said === SPORT_NAMES[each].toLowerCase());
    if (sport === undefined)
      return fault(`“${cell('sport')}” is no sport: ${SPORTS.map((each) => SPORT_NAMES[each]).join(', ')}.`);
    seen.set(name.toLowerCase(), line);
    return { line, name, deadliftMax, bodyMass, sport };
  });
}
