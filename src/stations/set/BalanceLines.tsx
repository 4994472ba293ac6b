'use client';
import type { HeadReading } from '@/core/set/readings';
import type { Setup } from '@/core/set/setup';
import { percent } from './Line';
import type { SetEdits } from './useSetEdits';

/** What the camera should be balanced to, and what to do about the lights that do not sit with it. */
export function BalanceLines({
  reading,
  setup,
  edits,
}: {
  reading: HeadReading;
  setup: Setup;
  edits: SetEdits;
}) {
  const { balance, cctK } = reading;
  if (!balance || cctK === null) return null;
  const uneasy = balance.sources.filter(({ accept }) => !accept);
  const rounded = Math.round(cctK / 50) * 50;
  return (
    <details className="mt-1">
      <summary>Colour of the camera: {setup.camera.balanceK} K</summary>
      <ul className="mt-1 grid gap-1 text-[13px]">
        {uneasy.map(({ id, name, offMired, gel, dimTo }) => (
          <li key={id}>
            {name} is {Math.abs(Math.round(offMired))} mired {offMired > 0 ? 'warmer' : 'cooler'}
            {gel &&
              `: ${gel.name} leaves ${Math.round(Math.abs(gel.leftMired))}, costs ${gel.lostStops.toFixed(1)} stops`}
            {dimTo !== null && ` or dim to ${percent(dimTo)}`}
          </li>
        ))}
        {uneasy.length === 0 && <li>All lights that count sit with it.</li>}
      </ul>
      {Math.abs(rounded - setup.camera.balanceK) >= 50 && (
        <button
          type="button"
          className="press mt-1 !px-2 !py-0.5"
          onClick={() =>
            edits.setup('camera balance', (draft) => void (draft.camera.balanceK = rounded))
          }
        >
          Balance to {rounded} K, the mixture
        </button>
      )}
    </details>
  );
}
