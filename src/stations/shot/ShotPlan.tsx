'use client';
import { useState } from 'react';
import { setupOfShot, schoolFor } from '@/core/set/begin';
import { SCHOOLS } from '@/core/set/schools';
import type { Shot } from '@/core/location/shot';
import { lightsAtHand } from '../set/atHand';
import { PlanStill } from '../set/PlanStill';
import { useSetups } from '../set/useSetups';
import { useProduction } from '../store/context';
import { ShotSketch } from './ShotSketch';

/** A shot's plan: that of its setup, or what its figures say until it has one. */
export function ShotPlan({ shot }: { shot: Shot }) {
  const document = useProduction((state) => state.document);
  const setups = useSetups();
  const [wantedId, setWanted] = useState('');
  const own = document.setups.filter(({ shotId }) => shotId === shot.id);
  const shown = own.find(({ id }) => id === wantedId) ?? own[0];
  if (!shown)
    return (
      <div className="flex min-h-0 flex-col">
        <ShotSketch shot={shot} />
        <p>
          <button
            type="button"
            className="press !px-2 !py-0.5"
            title={`Begun by its use: ${SCHOOLS[schoolFor(shot)].name}, with the lights at hand`}
            onClick={() =>
              setups.put(shot.name, (begun) =>
                setupOfShot({ ...begun, shot }, lightsAtHand(document, shot.id)),
              )
            }
          >
            Put it in a room
          </button>
        </p>
      </div>
    );
  return (
    <figure className="flex min-h-0 flex-col">
      <PlanStill setup={shown} />
      <figcaption className="flex flex-wrap items-center gap-2 text-[13px] text-ink-soft">
        {own.length > 1 ? (
          <select
            aria-label="Setup shown"
            className="field !w-auto max-w-44"
            value={shown.id}
            onChange={(event) => setWanted(event.target.value)}
          >
            {own.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        ) : (
          <span>{shown.name}</span>
        )}
        <button type="button" className="press !px-2 !py-0.5" onClick={() => setups.open(shown.id)}>
          Open in Set
        </button>
      </figcaption>
    </figure>
  );
}
