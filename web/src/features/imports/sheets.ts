/** A sheet of a workbook as text, with a comma between cells. */
export interface Sheet {
  readonly name: string;
  readonly text: string;
}

/** Workbooks that are read; what is larger is something else, bytes. */
const LARGEST = 30_000_000;

/** Is it a workbook, by its name? */
export const isWorkbook = (name: string): boolean => /\.xlsx$/i.test(name);

type Cell = string | number | boolean | Date | null | undefined;

/** A cell as it is written in a table: days without their hour, yes or no in words. */
export function cellText(cell: Cell): string {
  if (cell === null || cell === undefined) return '';
  if (cell instanceof Date) return Number.isNaN(cell.getTime()) ? '' : cell.toISOString().slice(0, 10);
  return typeof cell === 'boolean' ? (cell ? 'yes' : 'no') : String(cell);
}

/** Rows as they are read again: every cell quoted. */
export const rowsText = (rows: readonly (readonly Cell[])[]): string =>
  rows.map((row) => row.map((cell) => `"${cellText(cell).replaceAll('"', '""')}"`).join(',')).join('\r\n');

/**
 * The sheets of a workbook that hold anything.
 * @throws Error that says what to do where it cannot be read.
 */
export async function readWorkbook(file: File): Promise<Sheet[]> {
  if (file.size > LARGEST) throw new Error(`${file.name} is too large. Split it, or save the sheet as CSV.`);
  // Fetched when somebody brings a workbook: nobody else pays for it.
  const { default: readXlsx } = await import('read-excel-file/browser');
  const sheets = await readXlsx(file).catch(() => {
    throw new Error(
      `${file.name} cannot be read as a workbook. Save it once more as .xlsx, or as CSV in UTF-8.`,
    );
  });
  const full = sheets.flatMap(({ sheet, data }) =>
    data.length > 0 ? [{ name: sheet, text: rowsText(data as Cell[][]) }] : [],
  );
  if (full.length === 0) throw new Error(`${file.name} has no sheet with anything in it.`);
  return full;
}
