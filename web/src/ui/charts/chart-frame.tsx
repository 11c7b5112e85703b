import { Download } from 'lucide-react';
import { useRef, useState, type KeyboardEvent, type ReactElement, type ReactNode } from 'react';
import { Button } from '../button.tsx';
import { saveCsv, savePng, saveSvg, type Table } from '../table-file.ts';
import { DataTable } from '../data-table.tsx';

interface ChartFrameProps {
  /** Names the drawing and its files. */
  readonly name: string;
  /** What the drawing shows, in a sentence. */
  readonly label: string;
  /** The same figures for whoever reads rather than looks; one row a point. */
  readonly table: Table;
  readonly children: ReactNode;
}

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowLeft: -1, PageUp: -10, PageDown: 10 };

/** A drawing with its figures: read point by point with the arrow keys, as a table, and saved as CSV, SVG or PNG. */
export function ChartFrame({ name, label, table, children }: ChartFrameProps): ReactElement {
  const drawing = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<number | null>(null);
  const [fault, setFault] = useState<string>();
  const last = table.rows.length - 1;
  const onKey = (event: KeyboardEvent): void => {
    const to =
      event.key === 'Home'
        ? 0
        : event.key === 'End'
          ? last
          : event.key in STEPS
            ? (at ?? (STEPS[event.key]! > 0 ? -1 : last + 1)) + STEPS[event.key]!
            : null;
    if (to === null || last < 0) return;
    event.preventDefault();
    setAt(Math.max(0, Math.min(last, to)));
  };
  const row = at === null ? null : table.rows[Math.min(at, last)];
  return (
    <figure className="min-w-0">
      <div
        ref={drawing}
        role="group"
        tabIndex={0}
        aria-label={`${label} Arrow keys read it point by point.`}
        onKeyDown={onKey}
        onBlur={() => setAt(null)}
        className="max-w-full overflow-x-auto"
      >
        {children}
      </div>
      <p role="status" className="figures text-lg">
        {row && row.map((cell, i) => `${table.head[i]} ${cell ?? 'none'}`).join(' · ')}
      </p>
      <figcaption className="flex flex-wrap items-baseline gap-x-4 text-sm">
        {last < 0 ? (
          <span className="grow text-quiet">Nothing stands in it yet.</span>
        ) : (
          <details className="grow">
            <summary className="cursor-pointer underline underline-offset-4">
              The {table.rows.length} {table.rows.length === 1 ? 'row' : 'rows'} as a table
            </summary>
            <div
              className="max-h-96 max-w-full overflow-auto"
              tabIndex={0}
              role="region"
              aria-label={`${name}, table`}
            >
              <DataTable<Table['rows'][number]>
                name={name}
                className="mt-2"
                rows={table.rows}
                columns={table.head.map((head, i) => ({
                  id: String(i),
                  head,
                  cell: (row) => row[i] ?? '–',
                  by: (row) => row[i] ?? null,
                }))}
              />
            </div>
          </details>
        )}
        <span className="flex gap-2">
          {last >= 0 && (
            <Button look="quiet" onClick={() => saveCsv(name, table)}>
              <Download size={14} aria-hidden className="mr-1 inline" />
              CSV
            </Button>
          )}
          <Button
            look="quiet"
            onClick={() => {
              const svg = drawing.current?.querySelector('svg');
              if (svg) saveSvg(name, svg);
            }}
          >
            <Download size={14} aria-hidden className="mr-1 inline" />
            SVG
          </Button>
          <Button
            look="quiet"
            onClick={() => {
              const svg = drawing.current?.querySelector('svg');
              if (svg)
                savePng(name, svg).catch((error: unknown) => setFault(String((error as Error).message)));
            }}
          >
            <Download size={14} aria-hidden className="mr-1 inline" />
            PNG
          </Button>
        </span>
        {fault && (
          <p role="alert" className="text-oxblood">
            {fault}
          </p>
        )}
      </figcaption>
    </figure>
  );
}
