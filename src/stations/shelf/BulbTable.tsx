'use client';
import { useMemo } from 'react';
import type { Sourced } from '@/core/origin';
import { moneyFormatter, threeFigures } from '@/core/quantity';
import { DataTable, OpenName, type DataColumn } from '@/ui/DataTable';
import { SeverityMark } from '@/ui/Severity';
import type { BulbRow } from './bulbRows';
import { shiftText, SEVERITY_RANK, sourcedText } from './tableCells';

const whole = (value: number) => String(Math.round(value));

type Open = (id: BulbRow['bulb']['id']) => void;

function columnsFor(currency: string, onOpen: Open): DataColumn<BulbRow>[] {
  const money = moneyFormatter(currency);
  const sourced = (
    id: string,
    header: string,
    of: (row: BulbRow) => Sourced,
    figures: (value: number) => string = threeFigures,
  ): DataColumn<BulbRow> => ({
    id,
    header,
    value: (row) => of(row).value,
    cell: (row) => sourcedText(of(row), figures),
  });
  return [
    {
      id: 'name',
      header: 'Bulb',
      value: ({ bulb }) => bulb.name,
      cell: ({ bulb }) => <OpenName name={bulb.name} onOpen={() => onOpen(bulb.id)} />,
    },
    sourced('watts', 'W', ({ unit }) => unit.wattsW),
    sourced('lumens', 'lm', ({ unit }) => unit.luminousFluxLm, whole),
    {
      id: 'efficacy',
      header: 'lm/W',
      value: (row) => row.efficacyLmPerW,
      cell: (row) => whole(row.efficacyLmPerW),
    },
    sourced('cct', 'K', ({ unit }) => unit.cctK, whole),
    {
      id: 'shift',
      header: 'Δ mired',
      value: (row) => Math.abs(row.shiftMired ?? 0),
      cell: (row) => shiftText(row.shiftMired),
    },
    sourced('cri', 'CRI', ({ unit }) => unit.criRa, whole),
    {
      id: 'pack',
      header: 'pack',
      value: ({ bulb }) => bulb.priceMinor,
      cell: ({ bulb }) => `${money(bulb.priceMinor)} / ${bulb.packCount}`,
    },
    {
      id: 'each',
      header: 'each',
      value: (row) => row.minorPerPiece,
      cell: (row) => money(row.minorPerPiece),
    },
    {
      id: 'klm',
      header: 'per klm',
      value: (row) => row.minorPerKilolumen,
      cell: (row) => money(row.minorPerKilolumen),
    },
    { id: 'onHand', header: 'on hand', value: ({ bulb }) => bulb.onHandCount },
    {
      id: 'label',
      header: 'label',
      value: ({ severity }) => SEVERITY_RANK[severity],
      cell: ({ severity }) => <SeverityMark severity={severity} bare={severity === 'ok'} />,
    },
  ];
}

interface BulbTableProps {
  rows: BulbRow[];
  currency: string;
  onOpen: Open;
}

/** Bulbs side by side; press a heading to rank by it, a name to open it. */
export default function BulbTable({ rows, currency, onOpen }: BulbTableProps) {
  const columns = useMemo(() => columnsFor(currency, onOpen), [currency, onOpen]);
  return (
    <DataTable
      caption="Bulbs of the shelf"
      columns={columns}
      rows={rows}
      rowId={({ bulb }) => bulb.id}
      mark="bulb"
    />
  );
}
