'use client';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import {
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type ColumnDef,
  type SortingState,
} from '@tanstack/react-table';
import { Explained } from './Explained';

export interface DataColumn<T> {
  id: string;
  header: string;
  /** what the column is ranked by */
  value: (row: T) => string | number;
  /** what stands in it; the value itself where left out */
  cell?: (row: T) => React.ReactNode;
  /** words to the left, figures to the right */
  words?: boolean;
  className?: string;
}

interface DataTableProps<T> {
  /** what the table holds, for those who hear it */
  caption: string;
  columns: readonly DataColumn<T>[];
  rows: readonly T[];
  rowId: (row: T) => string;
  /** name of the `data-` mark rows bear their id under */
  mark?: string;
  /** rows kept together under headings, each ranked within itself */
  groups?: readonly { id: string; name: string }[];
  groupOf?: (row: T) => string;
  className?: string;
}

/** A table to rank by any heading; the first column names the row. */
export function DataTable<T>({
  caption,
  columns,
  rows,
  rowId,
  mark = 'row',
  groups,
  groupOf,
  className = 'rows tight w-full text-[13px]',
}: DataTableProps<T>) {
  const [sorting, setSorting] = useState<SortingState>([]);
  const definitions = useMemo(
    () =>
      columns.map(({ id, value, header }): ColumnDef<T> => ({
        id,
        header,
        accessorFn: (row) => value(row),
      })),
    [columns],
  );
  const data = useMemo(() => [...rows], [rows]);
  // eslint-disable-next-line react-hooks/incompatible-library -- the table keeps its own state
  const table = useReactTable({
    data,
    columns: definitions,
    state: { sorting },
    onSortingChange: setSorting,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const sorted = table.getRowModel().rows.map(({ original }) => original);
  const bodies = groups
    ? groups.map((group) => ({
        ...group,
        own: sorted.filter((row) => groupOf?.(row) === group.id),
      }))
    : [{ id: '', name: '', own: sorted }];
  return (
    <table className={className}>
      <caption className="sr-only">{caption}</caption>
      <thead className="sticky top-0 bg-sheet">
        <tr>
          {table.getFlatHeaders().map(({ column }, k) => (
            <SortHead
              key={column.id}
              column={columns[k]!}
              first={k === 0}
              order={column.getIsSorted()}
              onSort={column.getToggleSortingHandler()}
            />
          ))}
        </tr>
      </thead>
      {bodies.map(({ id, name, own }) => (
        <tbody key={id}>
          {name && (
            <tr>
              <th colSpan={columns.length} scope="rowgroup" className="pt-3 text-left font-display">
                {name}
              </th>
            </tr>
          )}
          {own.map((row) => (
            <tr
              key={rowId(row)}
              {...{ [`data-${mark}`]: rowId(row) }}
              className="hover:bg-brass-wash/50"
            >
              {columns.map((column, k) => (
                <Cell key={column.id} column={column} row={row} first={k === 0} />
              ))}
            </tr>
          ))}
        </tbody>
      ))}
    </table>
  );
}

interface SortHeadProps<T> {
  column: DataColumn<T>;
  first: boolean;
  order: false | 'asc' | 'desc';
  onSort: React.MouseEventHandler | undefined;
}

function SortHead<T>({ column, first, order, onSort }: SortHeadProps<T>) {
  return (
    <th
      scope="col"
      className={`${column.words || first ? '' : '!text-right'} ${column.className ?? ''}`}
      aria-sort={order === 'asc' ? 'ascending' : order === 'desc' ? 'descending' : undefined}
    >
      <Explained term={column.header}>
        <button
          type="button"
          className="inline-flex items-center gap-0.5 font-semibold whitespace-nowrap"
          onClick={onSort}
        >
          {column.header}
          {order === 'asc' && <ArrowUp size={13} aria-hidden />}
          {order === 'desc' && <ArrowDown size={13} aria-hidden />}
        </button>
      </Explained>
    </th>
  );
}

function Cell<T>({ column, row, first }: { column: DataColumn<T>; row: T; first: boolean }) {
  const inside = column.cell ? column.cell(row) : column.value(row);
  return first ? (
    <th scope="row" className="text-left font-normal">
      {inside}
    </th>
  ) : (
    <td className={column.words ? '' : 'num'}>{inside}</td>
  );
}

/** A row's name, which opens it. */
export function OpenName({ name, onOpen }: { name: string; onOpen: () => void }) {
  return (
    <button
      type="button"
      className="text-left underline decoration-line-strong underline-offset-2"
      onClick={onOpen}
    >
      {name}
    </button>
  );
}
