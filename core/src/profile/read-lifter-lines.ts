import { checkOneOf, checkText } from '../check.ts';
import { LIMITS } from '../limits.ts';
import { formatMass, MASS_UNITS, toKg, type MassUnit } from '../units/mass.ts';

/** A lifter read from a line, or what is wrong with it. */
export type LifterLine =
  | { readonly line: number; readonly name: string; readonly deadliftMax: number; readonly fault?: undefined }
  | { readonly line: number; readonly text: string; readonly fault: string };

/** Lines read in one go. */
export const MOST_LIFTER_LINES = 500;

/** A name, anything that separates, and a figure that may say its unit, at the end of the line. */
const LINE = /^(?<name>.*?)[\s,;|:"]+(?<figure>\d+(?:[.,]\d+)?)\s*(?<unit>kgs?|lbs?|pounds?)?"?$/iu;
const TRIM = /^[\s,;|:"]+|[\s,;|:"]+$/gu;
/** Longest name of a lifter, characters. */
export const LONGEST_LIFTER_NAME = 120;
const LONGEST_PASTE = 1_000_000;

/**
 * Reads lifters from lines of a name and a best deadlift, as they are pasted from a message or a table: `Ana Lind 182,5`,
 * `Ana Lind; 402 lb`, or two columns with a tab between. Blank lines, a byte order mark and a first line of column names are
 * passed over. Nothing is guessed: a line that cannot be read says why and what would mend it.
 * @param unit of the figures that do not say their own.
 * @returns a row a line, `line` counted from 1, `deadliftMax` in kg; at most 500 lines.
 * @throws InvalidInputError for what is no text, or an unknown unit.
 * @example readLifterLines('Ana Lind 182,5', 'kg')[0].deadliftMax // 182.5
 * @example readLifterLines('Ana Lind', 'kg')[0].fault // 'Write the best deadlift after the name, as in “Ana Lind 180”.'
 */
export function readLifterLines(text: string, unit: MassUnit): LifterLine[] {
  if (text !== '') checkText('text', text, LONGEST_PASTE);
  checkOneOf('unit', unit, MASS_UNITS);
  const lines = text
    .replace(/^\ufeff/u, '')
    .split(/\r\n|\r|\n/u)
    .map((words, i) => ({ line: i + 1, words: words.trim() }))
    .filter(({ words }) => words.replaceAll(TRIM, '') !== '');
  const [first, ...rest] = lines;
  const named = first !== undefined && !/\d/u.test(first.words) && /\bname\b/iu.test(first.words);
  const seen = new Map<string, number>();
  return (named ? rest : lines).slice(0, MOST_LIFTER_LINES).map(({ line, words }): LifterLine => {
    const fault = (why: string): LifterLine => ({
      line,
      text: words.slice(0, LONGEST_LIFTER_NAME),
      fault: why,
    });
    const found = LINE.exec(words)?.groups;
    if (!found) {
      const name = words.replaceAll(TRIM, '').slice(0, 40);
      return fault(`Write the best deadlift after the name, as in “${name} 180”.`);
    }
    const name = found['name']!.replaceAll(TRIM, '');
    if (name === '') return fault('Write the name before the best deadlift.');
    if (name.length > LONGEST_LIFTER_NAME)
      return fault(`A name has at most ${LONGEST_LIFTER_NAME} characters.`);
    const said = found['unit']?.toLowerCase();
    const own: MassUnit = said === undefined ? unit : said.startsWith('k') ? 'kg' : 'lb';
    const deadliftMax = toKg(Number(found['figure']!.replace(',', '.')), own);
    const { min, max } = LIMITS.best;
    if (deadliftMax < min || deadliftMax > max)
      return fault(
        `A best deadlift is ${formatMass(min, own)} to ${formatMass(max, own)}. Check the figure and the unit.`,
      );
    const before = seen.get(name.toLowerCase());
    if (before !== undefined) return fault(`${name} stands in line ${before} already.`);
    seen.set(name.toLowerCase(), line);
    return { line, name, deadliftMax };
  });
}
