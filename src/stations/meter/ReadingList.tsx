'use client';
import Papa from 'papaparse';
import { ELECTRIC_NAMES } from '@/core/meter/electric';
import { KELVIN, show, showText, type UnitSystem } from '@/core/quantity';
import type { MeterReading, Session } from '@/core/meter/session';
import { readingsTable } from '@/core/meter/table';
import { inOrder, isSimulated } from '@/core/meter/working';
import { useDevice } from '@/ui/device';
import { download, exportName } from '../shell/actions';
import { useProduction } from '../store/context';
import { placeText } from './placeText';
import type { Meter } from './useMeter';

/** A reading as it was taken, in its unit. */
function valueText({ place, value }: MeterReading, units: UnitSystem): string {
  if (place.kind === 'electric')
    return `${Number(value.toPrecision(4))} ${ELECTRIC_NAMES[place.what].unit}`.trim();
  const warm = place.kind === 'warm' || place.kind === 'air';
  return warm
    ? showText(show(value + KELVIN, 'temperature', units))
    : showText(show(value, 'illuminance', units));
}

const REASONS = ['something stood before it', 'the meter was moved', 'misread', 'lamp changed'];

/** Every reading, the last first; what is struck out stays, with its reason. */
export function ReadingList({ session, meter }: { session: Session; meter: Meter }) {
  const { units } = useDevice();
  const rows = inOrder(session).toReversed();
  const closed = session.closedAt !== null;
  const document = useProduction((state) => state.document);
  const save = () =>
    download(
      exportName(document, session.name, 'csv'),
      Papa.unparse(readingsTable(session)),
      'text/csv',
    );
  if (rows.length === 0) return null;
  return (
    <details className="text-[13.5px]" data-readings={rows.length}>
      <summary className="cursor-pointer">
        {rows.length === 1 ? 'One reading' : `${rows.length} readings`}
        {isSimulated(session) && ', simulated'}
      </summary>
      <ul className="mt-1 max-h-56 overflow-y-auto">
        {rows.map(([key, reading]) => {
          const { place, struck } = reading;
          return (
            <li key={key} className="flex items-center gap-2 border-b border-line py-0.5">
              <span className={`flex-1 ${struck === null ? '' : 'line-through'}`}>
                {placeText(place)} <span className="figure">{valueText(reading, units)}</span>
              </span>
              {struck === null && !closed && (
                <select
                  className="field !w-28 text-[13px]"
                  aria-label={`Strike out ${placeText(place)}`}
                  value=""
                  onChange={(event) => void meter.strike(session, key, event.target.value)}
                >
                  <option value="" disabled>
                    Strike out…
                  </option>
                  {REASONS.map((reason) => (
                    <option key={reason}>{reason}</option>
                  ))}
                </select>
              )}
              {struck !== null && <span className="text-ink-soft">{struck}</span>}
              {struck !== null && !closed && (
                <button
                  type="button"
                  className="press !px-1.5 !py-0"
                  onClick={() => void meter.strike(session, key, null)}
                >
                  Counts
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <button type="button" className="press mt-1" onClick={save}>
        Save as CSV
      </button>
    </details>
  );
}
