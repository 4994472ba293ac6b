'use client';
import { Plus, X } from 'lucide-react';
import { nanoid } from 'nanoid';
import type { BalanceAdvice } from '@/core/colour/balance';
import { addRecord, changeRecord, removeRecord } from '@/core/document/edit';
import { ROOM_LIGHT_RECORD, type RoomLight, type Shot } from '@/core/location/shot';
import { show, showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { TextField } from '@/ui/fields/TextField';
import { RecordFields } from '../records/RecordFields';
import { useEdits } from '../store/useEdits';
import { adviceText } from './adviceText';

/** Light that is there anyway, and what to do about each source for the camera's balance. */
export function RoomLights({ shot, advice }: { shot: Shot; advice: BalanceAdvice | null }) {
  const edits = useEdits();
  const { units } = useDevice();
  const place = { kind: 'roomLight', of: shot.id } as const;
  const add = () => {
    const added = { ...ROOM_LIGHT_RECORD.starts, id: nanoid(8), name: 'Lamp in the room' };
    edits.make('add a light of the room', addRecord(place, added));
  };
  return (
    <section>
      <h2 className="text-lg">Light in the room on “{shot.name}”</h2>
      {advice && (
        <p className="text-sm">
          All together {Math.round(advice.mixedK)} K; the camera is balanced to{' '}
          {Math.round(advice.balanceK)} K.
        </p>
      )}
      <ul>
        {advice?.sources.map((source) => (
          <li key={source.id} data-advice={source.id} className="border-b border-line py-2 text-sm">
            <strong>{source.name}</strong>, {Math.round(source.share * 100)} % of the light.{' '}
            {adviceText(source)}
          </li>
        ))}
      </ul>
      <div className="mt-3 grid gap-3">
        {shot.roomLights.map((light) => (
          <OneLight
            key={light.id}
            light={light}
            onChange={(label, set) =>
              edits.make(`${label} of ${light.name}`, changeRecord({ ...place, id: light.id }, set))
            }
            onRemove={() =>
              edits.make(`take out ${light.name}`, removeRecord({ ...place, id: light.id }))
            }
          />
        ))}
      </div>
      <p className="mt-2">
        <button
          type="button"
          className="press flex items-center gap-1"
          disabled={shot.roomLights.length >= 20}
          onClick={add}
        >
          <Plus size={15} aria-hidden /> Add a light of the room
        </button>
      </p>
      <p className="mt-2 text-[13px] text-ink-soft">
        Put a lux meter where the face is, with your own light off. Gels as sold, by parts of 3200
        to 5500 K; makers differ: judge by eye or meter.
        {shot.roomLights.length === 0 &&
          ` In Night Ferry the chart lamp gives ${showText(show(45, 'illuminance', units))} on the captain’s face.`}
      </p>
    </section>
  );
}

interface OneLightProps {
  light: RoomLight;
  onChange: (label: string, set: (target: RoomLight) => void) => void;
  onRemove: () => void;
}

function OneLight({ light, onChange, onRemove }: OneLightProps) {
  return (
    <fieldset className="grid grid-cols-2 gap-x-3 gap-y-1 border border-line p-2">
      <legend className="sr-only">{light.name}</legend>
      <TextField
        label="Name"
        value={light.name}
        most={80}
        onCommit={(name) => onChange('name', (own) => void (own.name = name))}
      />
      <RecordFields fields={ROOM_LIGHT_RECORD.fields} record={light} onChange={onChange} />
      <button
        type="button"
        className="press col-span-2 justify-self-end"
        aria-label={`Take out ${light.name}`}
        onClick={onRemove}
      >
        <X size={15} aria-hidden />
      </button>
    </fieldset>
  );
}
