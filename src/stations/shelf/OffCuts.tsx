'use client';
import { Plus, X } from 'lucide-react';
import type { Part, PartOf } from '@/core/materials/part';
import { useDevice } from '@/ui/device';
import { CountField } from '@/ui/fields/CountField';
import { QuantityField } from '@/ui/fields/QuantityField';

type Stock = PartOf<'sheet'> | PartOf<'stick'>;
type Row = Record<string, number>;

const SIZES: Record<
  Stock['role'],
  readonly (readonly [field: string, label: string, max: number])[]
> = {
  sheet: [
    ['widthM', 'width', 4],
    ['heightM', 'height', 4],
  ],
  stick: [['lengthM', 'length', 12]],
};
const DISC = [['diameterM', 'Ø', 4]] as const;
const FRESH_DISC: Row = { diameterM: 0.4, count: 1 };
const FRESH: Record<Stock['role'], Row> = {
  sheet: { widthM: 0.5, heightM: 0.3, count: 1 },
  stick: { lengthM: 1, count: 1 },
};

export const hasOffCuts = (part: Part): part is Stock => 'offCuts' in part;

/** Left-overs in the shed: they are cut before anything new is. */
export function OffCuts({ part, onChange }: { part: Stock; onChange: (rows: Row[]) => void }) {
  const { units } = useDevice();
  const rows = part.offCuts as Row[];
  const sizes = (row: Row) => ('diameterM' in row ? DISC : SIZES[part.role]);
  const put = (at: number, field: string, value: number | null) =>
    onChange(rows.map((row, k) => (k === at && value !== null ? { ...row, [field]: value } : row)));
  return (
    <fieldset className="mt-4">
      <legend className="text-[15px] font-semibold">Off-cuts in the shed</legend>
      {rows.map((row, at) => (
        <div key={at} className="mt-2 flex items-end gap-2">
          {sizes(row).map(([field, label, max]) => (
            <QuantityField
              key={field}
              label={`Off-cut ${at + 1}, ${label}`}
              value={row[field]!}
              dimension="length"
              assumedUnit="cm"
              step={0.01}
              min={0.02}
              max={max}
              system={units}
              onCommit={(value) => put(at, field, value)}
            />
          ))}
          <CountField
            label="pieces"
            value={row.count!}
            min={1}
            max={100}
            whole
            onCommit={(value) => put(at, 'count', value)}
          />
          <button
            type="button"
            className="press !px-2"
            aria-label={`Take off-cut ${at + 1} out`}
            onClick={() => onChange(rows.filter((_, k) => k !== at))}
          >
            <X size={15} aria-hidden />
          </button>
        </div>
      ))}
      <button
        type="button"
        className="press mt-2 flex items-center gap-1"
        onClick={() => onChange([...rows, FRESH[part.role]])}
      >
        <Plus size={15} aria-hidden /> Add an off-cut
      </button>
      {part.role === 'sheet' && (
        <button
          type="button"
          className="press mt-2 ml-2 inline-flex items-center gap-1"
          onClick={() => onChange([...rows, FRESH_DISC])}
        >
          <Plus size={15} aria-hidden /> Add a round one
        </button>
      )}
    </fieldset>
  );
}
