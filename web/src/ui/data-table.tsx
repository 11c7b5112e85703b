import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import clsx from 'clsx';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, type ReactElement, type ReactNode } from 'react';

/** A column of a table: what stands in it, and by what its rows are put in order where the reader asks for it. */
export interface Column<Row> {
  readonly id: string;
  readonly head: ReactNode;
  readonly cell: (row: Row) => ReactNode;
  /** Left out for a column that has no order; rows without a figure come last. */
  readonly by?: (row: Row) => number | string | null;
  readonly className?: string;
}

interface DataTableProps<Row> {
  /** What the table shows, for those who do not see it. */
  readonly name: string;
  readonly rows: readonly Row[];
  /** The first names its row. */
  readonly columns: readonly Column<Row>[];
  readonly className?: string;
  /** The cells hold words, not figures. */
  readonly words?: boolean;
}

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() });
type Value = number | string | undefined;

/** A table of figures: a head by column, a head by row, and rows in another order where a column's head is pressed. */
export function DataTable<Row extends object>({
  name,
  rows,
  columns,
  className = 'w-full',
  words = false,
}: DataTableProps<Row>): ReactElement {
  const helper = useMemo(() => createColumnHelper<typeof features, Row>(), []);
  const known = useMemo(
    () =>
      helper.columns(
        columns.map(({ id, head, cell, by }) =>
          helper.accessor((row): Value => by?.(row) ?? undefined, {
            id,
            header: () => head,
            cell: ({ row }) => cell(row.original),
            enableSorting: by !== undefined,
            sortFn: (a, b, column) => compare(a.getValue<Value>(column), b.getValue<Value>(column)),
            sortUndefined: 'last',
            sortDescFirst: false,
          }),
        ),
      ),
    [columns, helper],
  );
  const data = useMemo(() => [...rows], [rows]);
  const table = useTable({ features, columns: known, data });
  const classOf = (id: string): string | undefined => columns.find((each) => each.id === id)?.className;
  return (
    <table className={className}>
      <caption className="sr-only">{name}</caption>
      <thead className="text-left text-quiet">
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id} className="align-bottom">
            {group.headers.map(({ id, column }) => {
              const order = column.getIsSorted();
              const head = columns.find((each) => each.id === id)?.head;
              return (
                <th
                  key={id}
                  scope="col"
                  className={clsx('pr-4 font-medium', classOf(id))}
                  {...(order && { 'aria-sort': order === 'asc' ? 'ascending' : 'descending' })}
                >
                  {column.getCanSort() ? (
                    <button
                      type="button"
                      className="inline-flex min-h-6 items-center gap-1 text-left underline decoration-rule underline-offset-4 hover:text-ink"
                      onClick={column.getToggleSortingHandler()}
                    >
                      {head}
                      {order === 'asc' && <ArrowUp size={14} aria-hidden />}
                      {order === 'desc' && <ArrowDown size={14} aria-hidden />}
                    </button>
                  ) : (
                    head
                  )}
                </th>
              );
            })}
          </tr>
        ))}
      </thead>
      <tbody className={words ? undefined : 'figures text-lg'}>
        {table.getRowModel().rows.map((row) => (
          <tr key={row.id} className="border-t border-rule align-baseline">
            {row.getAllCells().map((cell, i) =>
              i === 0 ? (
                <th
                  key={cell.id}
                  scope="row"
                  className={clsx('py-1 pr-4 text-left', classOf(cell.column.id))}
                >
                  {columns[i]!.cell(row.original)}
                </th>
              ) : (
                <td key={cell.id} className={clsx('py-1 pr-4', classOf(cell.column.id))}>
                  {columns[i]!.cell(row.original)}
                </td>
              ),
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const compare = (a: Value, b: Value): number =>
  typeof a === 'string' || typeof b === 'string'
    ? String(a).localeCompare(String(b), undefined, { numeric: true })
    : (a ?? 0) - (b ?? 0);
