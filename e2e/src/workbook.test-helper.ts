import { strToU8, zipSync } from 'fflate';

type Cell = string | number | Date;

const XML = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
const RELATIONS = 'http://schemas.openxmlformats.org/package/2006/relationships';
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const TYPES = 'application/vnd.openxmlformats-officedocument.spreadsheetml';
/** Day 0 of a spreadsheet. */
const EPOCH = Date.UTC(1899, 11, 30);

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');

function cellXml(cell: Cell, place: string): string {
  if (cell instanceof Date)
    return `<c r="${place}" s="1"><v>${(cell.getTime() - EPOCH) / 86_400_000}</v></c>`;
  if (typeof cell === 'number') return `<c r="${place}"><v>${cell}</v></c>`;
  return `<c r="${place}" t="inlineStr"><is><t>${escaped(cell)}</t></is></c>`;
}

function sheetXml(rows: readonly (readonly Cell[])[]): string {
  const body = rows.map((row, i) => {
    const cells = row.map((cell, j) => cellXml(cell, `${String.fromCharCode(65 + j)}${i + 1}`));
    return `<row r="${i + 1}">${cells.join('')}</row>`;
  });
  return `${XML}<worksheet xmlns="${MAIN}"><sheetData>${body.join('')}</sheetData></worksheet>`;
}

/** A workbook as a spreadsheet saves it: sheets by name, days as days. */
export function workbook(sheets: Readonly<Record<string, readonly (readonly Cell[])[]>>): Uint8Array {
  const names = Object.keys(sheets);
  const files: Record<string, string> = {
    '[Content_Types].xml': `${XML}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/xl/workbook.xml" ContentType="${TYPES}.sheet.main+xml"/><Override PartName="/xl/styles.xml" ContentType="${TYPES}.styles+xml"/>${names.map((_, i) => `<Override PartName="/xl/worksheets/sheet${i + 1}.xml" ContentType="${TYPES}.worksheet+xml"/>`).join('')}</Types>`,
    '_rels/.rels': `${XML}<Relationships xmlns="${RELATIONS}"><Relationship Id="rId1" Type="${OFFICE}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `${XML}<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}"><sheets>${names.map((name, i) => `<sheet name="${escaped(name)}" sheetId="${i + 1}" r:id="rId${i + 1}"/>`).join('')}</sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `${XML}<Relationships xmlns="${RELATIONS}">${names.map((_, i) => `<Relationship Id="rId${i + 1}" Type="${OFFICE}/worksheet" Target="worksheets/sheet${i + 1}.xml"/>`).join('')}<Relationship Id="rId99" Type="${OFFICE}/styles" Target="styles.xml"/></Relationships>`,
    'xl/styles.xml': `${XML}<styleSheet xmlns="${MAIN}"><fonts count="1"><font/></fonts><fills count="1"><fill/></fills><borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs><cellXfs count="2"><xf numFmtId="0"/><xf numFmtId="14" applyNumberFormat="1"/></cellXfs></styleSheet>`,
  };
  names.forEach((name, i) => (files[`xl/worksheets/sheet${i + 1}.xml`] = sheetXml(sheets[name]!)));
  return zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)])));
}
