'use client';
import { Plus, X } from 'lucide-react';
import { nanoid } from 'nanoid';
import type { BalanceAdvice } from '@/core/colour/balance';
import { EMISSIONS, type Emission } from '@/core/colour/emission';
import { addRecord, changeRecord, removeRecord } from '@/core/document/edit';
import type { RoomLight, Shot } from '@/core/location/shot';
import { show, showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { TextField } from '@/ui/fields/TextField';
import { useEdits } from '../store/useEdits';
import { adviceText } from './adviceText';

const KINDS: Record<Emission, string> = {
  filament: 'filament lamp',
  'phosphor-led': 'white LED',
  'colour-led': 'mixed from colours',
  fluorescent: 'fluorescent',
  daylight: 'daylight',
};

/** Light that is there anyway, and what to do about each source for the camera's balance. */
export function RoomLights({ shot, advice }: { shot: Shot; advice: BalanceAdvice | null }) {
  const edits = useEdits();
  const { units } = useDevice();
  const place = { kind: 'roomLight', of: shot.id } as const;
  const changeLight = (light: RoomLight, label: string, set: (target: RoomLight) => void) =>
    edits.make(`${label} of ${light.name}`, changeRecord({ ...place, id: light.id }, set));
  const add = () => {
    const added: RoomLight = {
      id: nanoid(8),
      name: 'Lamp in the room',
      emission: 'filament',
      cctK: 2800,
      illuminanceLx: 20,
    };
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
          <fieldset
            key={light.id}
            className="grid grid-cols-2 gap-x-3 gap-y-1 border border-line p-2"
          >
            <legend className="sr-only">{light.name}</legend>
            <TextField
              label="Name"
              value={light.name}
              most={80}
              onCommit={(name) => changeLight(light, 'name', (own) => void (own.name = name))}
            />
            <ChoiceField
              label="Kind"
              value={light.emission}
              options={EMISSIONS.map((value) => ({ value, label: KINDS[value] }))}
              onCommit={(emission) =>
                changeLight(light, 'kind', (own) => void (own.emission = emission))
              }
            />
            <QuantityField
              label="Colour temperature"
              value={light.cctK}
              dimension="colourTemperature"
              assumedUnit="K"
              step={100}
              min={1500}
              max={20_000}
              whole
              system={units}
              onCommit={(cctK) =>
                changeLight(light, 'colour', (own) => void (own.cctK = Math.round(cctK ?? 2800)))
              }
            />
            <div className="flex items-end gap-2">
              <div className="flex-1">
                <QuantityField
                  label="At the subject"
                  value={light.illuminanceLx}
                  dimension="illuminance"
                  assumedUnit="lx"
                  step={5}
                  min={0}
                  max={200_000}
                  system={units}
                  onCommit={(lux) =>
                    changeLight(light, 'light', (own) => void (own.illuminanceLx = lux ?? 0))
                  }
                />
              </div>
              <button
                type="button"
                className="press"
                aria-label={`Take out ${light.name}`}
                onClick={() =>
                  edits.make(`take out ${light.name}`, removeRecord({ ...place, id: light.id }))
                }
              >
                <X size={15} aria-hidden />
              </button>
            </div>
          </fieldset>
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
