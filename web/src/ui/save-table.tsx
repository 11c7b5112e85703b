import { Download } from 'lucide-react';
import type { ReactElement } from 'react';
import { Button } from './button.tsx';
import { saveCsv, type Table } from './table-file.ts';

/** Saves what a list or table shows as CSV. */
export function SaveTable({ name, table }: { name: string; table: Table }): ReactElement | null {
  if (table.rows.length === 0) return null;
  return (
    <Button look="quiet" className="text-sm" onClick={() => saveCsv(name, table)}>
      <Download size={14} aria-hidden className="mr-1 inline" />
      CSV<span className="sr-only"> of {name}</span>
    </Button>
  );
}
