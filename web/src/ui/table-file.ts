import { writeTable } from '@iron-clasp/core';
import { download } from './download.ts';

/** A table as it is read and as it is saved: a head and rows of figures or words. */
export interface Table {
  readonly head: readonly string[];
  readonly rows: readonly (readonly (string | number | null)[])[];
}

/** The table as CSV, comma between, decimal points, quoted where it must be. */
export function toCsv({ head, rows }: Table): string {
  return writeTable([head, ...rows]);
}

export function saveCsv(name: string, table: Table): void {
  download(`${name}.csv`, toCsv(table), 'text/csv;charset=utf-8');
}

/** Colours of the page that a drawing names, as they are now. */
const VARIABLES = [
  'ground',
  'raised',
  'ink',
  'quiet',
  'rule',
  'edge',
  'forge',
  'verdigris',
  'ochre',
  'oxblood',
];

/** A drawing of the page as a file of its own: colours written out, so that it looks the same elsewhere. */
export function svgFile(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const style = getComputedStyle(svg);
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('font-family', '"Barlow Condensed", "Arial Narrow", sans-serif');
  copy.style.background = style.getPropertyValue('--ground').trim();
  copy.style.color = style.getPropertyValue('--ink').trim();
  let text = new XMLSerializer().serializeToString(copy);
  for (const name of VARIABLES)
    text = text.replaceAll(`var(--${name})`, style.getPropertyValue(`--${name}`).trim());
  return text;
}

export function saveSvg(name: string, svg: SVGSVGElement): void {
  download(`${name}.svg`, svgFile(svg), 'image/svg+xml');
}
