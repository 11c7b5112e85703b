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

/** Dots of a saved picture for each of the drawing, across and down. */
const SHARPNESS = 2;

/** The drawing as a picture, for whatever takes no drawings. */
export async function pngFile(svg: SVGSVGElement): Promise<Blob> {
  const { width, height } = svg.getBoundingClientRect();
  const picture = new Image(width, height);
  const loaded = new Promise<void>((resolve, reject) => {
    picture.onload = () => resolve();
    picture.onerror = () =>
      reject(new Error('The drawing could not be made into a picture. Save it as SVG.'));
  });
  // As an address of its own text: what a page made is drawn without asking anybody.
  picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svgFile(svg))}`;
  await loaded;
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [width * SHARPNESS, height * SHARPNESS];
  const context = canvas.getContext('2d')!;
  context.fillStyle = getComputedStyle(svg).getPropertyValue('--ground').trim();
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('No picture could be made.'))),
      'image/png',
    ),
  );
}

export async function savePng(name: string, svg: SVGSVGElement): Promise<void> {
  download(`${name}.png`, await pngFile(svg));
}
