'use client';
import { useState } from 'react';
import { gridPoints } from '@/core/meter/points';
import type { Session } from '@/core/meter/session';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useDevice } from '@/ui/device';
import type { Meter } from './useMeter';

const COUNTS = [1, 3, 5, 7, 9];

/** Places on the plane: a grid over its middle. Readings of places that go stay in the list. */
export function PlaneSetup({ session, meter }: { session: Session; meter: Meter }) {
  const { units } = useDevice();
  const { points } = session;
  const across = new Set(points.map(({ xM }) => xM)).size || 1;
  const down = new Set(points.map(({ yM }) => yM)).size || 1;
  const span = (values: readonly number[]) =>
    values.length ? Math.max(...values) - Math.min(...values) : 0;
  const [size, setSize] = useState({
    w: span(points.map(({ xM }) => xM)) || 1,
    h: span(points.map(({ yM }) => yM)) || 1,
  });
  const lay = (columns: number, rows: number, w = size.w, h = size.h) =>
    meter.set(session, 'places on the plane', { points: gridPoints(columns, rows, w, h) });
  const length = (label: string, value: number, onSet: (metres: number) => string | null) => (
    <QuantityField
      system={units}
      label={label}
      value={value}
      dimension="length"
      assumedUnit="m"
      step={0.1}
      min={0.01}
      max={50}
      onCommit={(metres) => (metres === null ? null : onSet(metres))}
    />
  );
  return (
    <>
      <label className="text-sm text-ink-soft">
        Places
        <select
          className="field text-ink"
          value={`${across} ${down}`}
          onChange={(event) => {
            const [columns, rows] = event.target.value.split(' ').map(Number);
            void lay(columns!, rows!);
          }}
        >
          {COUNTS.flatMap((rows) =>
            COUNTS.map((columns) => (
              <option key={`${columns} ${rows}`} value={`${columns} ${rows}`}>
                {columns === 1 && rows === 1 ? 'the middle' : `${columns} × ${rows}`}
              </option>
            )),
          )}
        </select>
      </label>
      {length('Over a width of', size.w, (w) => {
        setSize({ ...size, w });
        return lay(across, down, w, size.h);
      })}
      {length('and a height of', size.h, (h) => {
        setSize({ ...size, h });
        return lay(across, down, size.w, h);
      })}
    </>
  );
}
