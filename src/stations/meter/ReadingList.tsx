'use client';
import { showText, show } from '@/core/quantity';
import type { Place, Session } from '@/core/meter/session';
import { inOrder, isSimulated } from '@/core/meter/working';
import { useDevice } from '@/ui/device';
import type { Meter } from './useMeter';

export const placeText = (place: Place): string =>
  place.kind === 'room'
    ? 'the room, lamp off'
    : place.kind === 'layer'
      ? place.with
        ? 'with the layer'
        : 'without the layer'
      : `${Math.abs(place.angleDeg)}°${place.angleDeg === 0 ? '' : place.planeDeg === 90 ? (place.angleDeg > 0 ? ' up' : ' down') : place.angleDeg > 0 ? ' right' : ' left'}`;

const REASONS = ['something stood before it', 'the meter was moved', 'misread', 'lamp changed'];

/** Every reading, the last first; what is struck out stays, with its reason. */
export function ReadingList({ session, meter }: { session: Session; meter: Meter }) {
  const { units } = useDevice();
  const rows = inOrder(session).toReversed();
  const closed = session.closedAt !== null;
  if (rows.length === 0) return null;
  return (
    <details className="text-[13.5px]" data-readings={rows.length}>
      <summary className="cursor-pointer">
        {rows.length === 1 ? 'One reading' : `${rows.length} readings`}
        {isSimulated(session) && ', simulated'}
      </summary>
      <ul className="mt-1 max-h-56 overflow-y-auto">
        {rows.map(([key, { place, value, struck }]) => (
          <li key={key} className="flex items-center gap-2 border-b border-line py-0.5">
            <span className={`flex-1 ${struck === null ? '' : 'line-through'}`}>
              {placeText(place)}{' '}
              <span className="figure">{showText(show(value, 'illuminance', units))}</span>
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
        ))}
      </ul>
    </details>
  );
}
