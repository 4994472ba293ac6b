'use client';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
} from '@tanstack/react-table';
import type { Sourced } from '@/core/origin';
import { moneyFormatter, threeFigures } from '@/core/quantity';
import { SeverityMark } from '@/ui/Severity';
import type { BulbRow } from './bulbRows';

const column = createColumnHelper<BulbRow>();

/** A guess wears a tilde; its word is in the title for those who point at it. */
const sourcedText = (
  { value, origin }: Sourced,
  figures: (value: number) => string = threeFigures,
) => (
  <span title={origin === 'typical' ? 'typical of its class' : origin}>
    {origin === 'typical' ? '~' : ''}
    {figures(value)}
  </span>
);
const whole = (value: number) => String(Math.round(value));

function columnsFor(currency: string) {
  const money = moneyFormatter(currency);
  return [
    column.accessor((row) => row.bulb.name, {
      id: 'name',
      header: 'Bulb',
      cell: ({ row }) => row.original.bulb.name,
    }),
    column.accessor((row) => row.unit.wattsW.value, {
      id: 'watts',
      header: 'W',
      cell: ({ row }) => sourcedText(row.original.unit.wattsW),
    }),
    column.accessor((row) => row.unit.luminousFluxLm.value, {
      id: 'lumens',
      header: 'lm',
      cell: ({ row }) => sourcedText(row.original.unit.luminousFluxLm, whole),
    }),
    column.accessor('efficacyLmPerW', { header: 'lm/W', cell: (cell) => whole(cell.getValue()) }),
    column.accessor((row) => row.unit.cctK.value, {
      id: 'cct',
      header: 'K',
      cell: ({ row }) => sourcedText(row.original.unit.cctK, whole),
    }),
    column.accessor((row) => Math.abs(row.shiftMired ?? 0), {
      id: 'shift',
      header: 'Δ mired',
      cell: ({ row }) => shiftText(row.original.shiftMired),
    }),
    column.accessor((row) => row.unit.criRa.value, {
      id: 'cri',
      header: 'CRI',
      cell: ({ row }) => sourcedText(row.original.unit.criRa, whole),
    }),
    column.accessor((row) => row.bulb.priceMinor, {
      id: 'pack',
      header: 'pack',
      cell: ({ row }) => `${money(row.original.bulb.priceMinor)} / ${row.original.bulb.packCount}`,
    }),
    column.accessor('minorPerPiece', { header: 'each', cell: (cell) => money(cell.getValue()) }),
    column.accessor('minorPerKilolumen', {
      header: 'per klm',
      cell: (cell) => money(cell.getValue()),
    }),
    column.accessor((row) => row.bulb.onHandCount, { id: 'onHand', header: 'on hand' }),
    column.accessor('severity', {
      header: 'label',
      cell: (cell) => <SeverityMark severity={cell.getValue()} bare={cell.getValue() === 'ok'} />,
    }),
  ];
}

const shiftText = (shift: number | null) =>
  shift === null
    ? '–'
    : `${shift > 0.5 ? '+' : shift < -0.5 ? '−' : ''}${Math.abs(Math.round(shift))}`;

interface BulbTableProps {
  rows: BulbRow[];
  currency: string;
  onOpen: (id: BulbRow['bulb']['id']) => void;
}

/** Bulbs side by side; press a heading to rank by it, a name to open it. */
export default function BulbTable({ rows, currency, onOpen }: BulbTableProps) {
  const [sorting, setSorting] = useState<SortingState>([]);
  const columns = useMemo(() => columnsFor(currency), [currency]);
  // eslint-disable-next-line react-hooks/incompatible-library -- the table keeps its own state
  const table = useReactTable({
    data: rows,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  return (
    <table className="rows tight w-full text-[13px]">
      <thead className="sticky top-0 bg-sheet">
        <tr>
          {table.getFlatHeaders().map((header) => {
            const sorted = header.column.getIsSorted();
            return (
              <th
                key={header.id}
                className={header.id === 'name' ? '' : '!text-right'}
                aria-sort={
                  sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : undefined
                }
              >
                <button
                  type="button"
                  className="inline-flex items-center gap-0.5 font-semibold whitespace-nowrap"
                  onClick={header.column.getToggleSortingHandler()}
                >
                  {flexRender(header.column.columnDef.header, header.getContext())}
                  {sorted === 'asc' && <ArrowUp size={13} aria-hidden />}
                  {sorted === 'desc' && <ArrowDown size={13} aria-hidden />}
                </button>
              </th>
            );
          })}
        </tr>
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row) => (
          <tr
            key={row.original.bulb.id}
            data-bulb={row.original.bulb.id}
            className="hover:bg-brass-wash/50"
          >
            {row.getVisibleCells().map((cell) => (
              <td key={cell.id} className={cell.column.id === 'name' ? '' : 'num'}>
                {cell.column.id === 'name' ? (
                  <button
                    type="button"
                    className="text-left underline decoration-line-strong underline-offset-2"
                    onClick={() => onOpen(row.original.bulb.id)}
                  >
                    {row.original.bulb.name}
                  </button>
                ) : (
                  flexRender(cell.column.columnDef.cell, cell.getContext())
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
