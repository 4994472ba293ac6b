import type { Sourced } from '@/core/origin';
import { moneyFormatter, threeFigures, type UnitSystem } from '@/core/quantity';
import { amountText } from '@/core/shop/purchase';
import { measureOf, packSizeOf } from '@/core/units/effective';
import type { Unit } from '@/core/units/unit';
import { OpenName, type DataColumn } from '@/ui/DataTable';
import { SeverityMark } from '@/ui/Severity';
import { SEVERITY_RANK, shiftText, sourcedText } from './tableCells';
import type { UnitRow } from './unitRows';

const whole = (value: number) => String(Math.round(value));

const sourced = (
  id: string,
  header: string,
  of: (row: UnitRow) => Sourced,
  figures: (value: number) => string = whole,
): DataColumn<UnitRow> => ({
  id,
  header,
  value: (row) => of(row).value,
  cell: (row) => sourcedText(of(row), figures),
});

/** What units are compared by, with a name that opens them. */
export function unitColumns(
  header: string,
  currency: string,
  system: UnitSystem,
  onOpen: (unit: Unit) => void,
): DataColumn<UnitRow>[] {
  const format = moneyFormatter(currency);
  const money = (minor: number | null) => (minor === null ? 'no price' : format(Math.round(minor)));
  const byMoney = (minor: number | null) => minor ?? Infinity;
  return [
    {
      id: 'name',
      header,
      value: ({ unit }) => unit.name,
      cell: ({ unit }) => <OpenName name={unit.name} onOpen={() => onOpen(unit)} />,
    },
    sourced('watts', 'W', ({ one }) => one.wattsW, threeFigures),
    sourced('lumens', 'lm', ({ one }) => one.luminousFluxLm),
    {
      id: 'efficacy',
      header: 'lm/W',
      value: (row) => row.efficacyLmPerW,
      cell: (row) => whole(row.efficacyLmPerW),
    },
    sourced('cct', 'K', ({ one }) => one.cctK),
    {
      id: 'shift',
      header: 'Δ mired',
      value: ({ shiftMired }) => Math.abs(shiftMired ?? 0),
      cell: ({ shiftMired }) => shiftText(shiftMired),
    },
    sourced('cri', 'CRI', ({ one }) => one.criRa),
    {
      id: 'pack',
      header: 'pack',
      value: ({ unit }) => byMoney(unit.priceMinor),
      cell: ({ unit }) =>
        `${money(unit.priceMinor)} / ${amountText(packSizeOf(unit), measureOf(unit), system)}`,
    },
    {
      id: 'each',
      header: 'each',
      value: (row) => byMoney(row.minorEach),
      cell: (row) => money(row.minorEach),
    },
    {
      id: 'klm',
      header: 'per klm',
      value: (row) => byMoney(row.minorPerKilolumen),
      cell: (row) => money(row.minorPerKilolumen),
    },
    {
      id: 'onHand',
      header: 'on hand',
      value: ({ unit }) => unit.onHand,
      cell: ({ unit }) => amountText(unit.onHand, measureOf(unit), system),
    },
    {
      id: 'label',
      header: 'label',
      value: ({ severity }) => SEVERITY_RANK[severity],
      cell: ({ severity }) => <SeverityMark severity={severity} bare={severity === 'ok'} />,
    },
  ];
}
