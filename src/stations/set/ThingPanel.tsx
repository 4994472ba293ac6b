'use client';
import type { ReactNode } from 'react';
import type { Production } from '@/core/document/production';
import { DAYLIGHT, type DaylightId } from '@/core/set/daylight';
import type { Trouble } from '@/core/set/troubles';
import { circuitIdSchema } from '@/core/ids';
import {
  SOURCES,
  type LightThing,
  type SocketThing,
  type Thing,
  type WindowThing,
} from '@/core/set/things';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { TextField } from '@/ui/fields/TextField';
import { RecordFields } from '../records/RecordFields';
import { useProduction } from '../store/context';
import { fieldsOf } from './fieldsOf';
import type { SetEdits } from './useSetEdits';

/** What a light may be: builds first, then fixtures, then lamps of the shelf. */
const sourcesAtHand = ({ builds, fixtures, shelf }: Production) =>
  [
    { field: 'buildId', title: 'Builds', records: builds },
    { field: 'fixtureId', title: 'Fixtures', records: fixtures },
    { field: 'unitId', title: 'Lamps of the shelf', records: shelf.units },
  ] as const;

interface ThingPanelProps {
  thing: Thing;
  troubles: readonly Trouble[];
  /** what its colours come to */
  mix: ReactNode;
  edits: SetEdits;
  onTakenOut: () => void;
}

/** Everything a thing says of itself, to be typed. */
export function ThingPanel({ thing, troubles, mix, edits, onTakenOut }: ThingPanelProps) {
  const document = useProduction((state) => state.document);
  const fields = fieldsOf(document, thing);
  return (
    <section aria-label={thing.name} data-panel={thing.kind} className="grid gap-2">
      {troubles.map(({ message }) => (
        <p
          key={message}
          role="alert"
          className="rounded-sm bg-stop-wash px-2 py-1 text-[14px] text-stop"
        >
          {message}
        </p>
      ))}
      <div className="grid grid-cols-[repeat(auto-fill,minmax(140px,1fr))] items-start gap-x-3 gap-y-2">
        <TextField
          label="Name"
          most={80}
          value={thing.name}
          onCommit={(name) => edits.thing(thing, 'name', (draft) => void (draft.name = name))}
        />
        {thing.kind === 'light' && <SourceField thing={thing} edits={edits} />}
        {thing.kind === 'socket' && <SocketField thing={thing} edits={edits} />}
        {thing.kind === 'window' && <DaylightField thing={thing} edits={edits} />}
        <RecordFields
          fields={fields}
          record={thing}
          onChange={(label, set) => edits.thing(thing, label, set)}
        />
      </div>
      {mix}
      <p>
        <button
          type="button"
          className="press"
          onClick={() => {
            onTakenOut();
            edits.remove(thing);
          }}
        >
          Take {thing.name} out
        </button>
      </p>
    </section>
  );
}

function SourceField({ thing, edits }: { thing: LightThing; edits: SetEdits }) {
  const document = useProduction((state) => state.document);
  const groups = sourcesAtHand(document);
  const field = SOURCES.find((each) => thing[each] !== null);
  const value = field ? `${field} ${thing[field]}` : '';
  return (
    <label className="grid gap-0.5 text-[13px] text-ink-soft">
      What gives the light
      <select
        className="field text-[15px] text-ink"
        value={value}
        aria-invalid={value === ''}
        onChange={(event) => {
          const [chosen, id] = event.target.value.split(' ');
          edits.thing(thing, 'what gives the light', (draft) => {
            for (const each of SOURCES)
              Object.assign(draft, { [each]: each === chosen ? id : null });
          });
        }}
      >
        {value === '' && <option value="">nothing: it was deleted</option>}
        {groups.map(({ field: of, title, records }) => (
          <optgroup key={of} label={title}>
            {records.map(({ id, name }) => (
              <option key={id} value={`${of} ${id}`}>
                {name}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
    </label>
  );
}

/** Which breaker a socket hangs behind. */
function SocketField({ thing, edits }: { thing: SocketThing; edits: SetEdits }) {
  const circuits = useProduction((state) => state.document.circuits);
  return (
    <ChoiceField
      label="Behind which breaker"
      value={thing.circuitId ?? ''}
      options={[
        { value: '', label: 'not known' },
        ...circuits.map(({ id, name }) => ({ value: id as string, label: name })),
      ]}
      onCommit={(id) =>
        edits.thing(thing, 'breaker', (draft) => {
          if (draft.kind === 'socket')
            draft.circuitId = id === '' ? null : circuitIdSchema.parse(id);
        })
      }
    />
  );
}

/** Light and colour outside, by hour and weather: typical, and then typed as it is metered. */
function DaylightField({ thing, edits }: { thing: WindowThing; edits: SetEdits }) {
  const now = (Object.keys(DAYLIGHT) as DaylightId[]).find(
    (id) => DAYLIGHT[id].outsideLx === thing.outsideLx && DAYLIGHT[id].cctK === thing.cctK,
  );
  return (
    <ChoiceField
      label="Daylight, about as at"
      value={now ?? ''}
      options={[
        ...(now ? [] : [{ value: '', label: 'as typed' }]),
        ...Object.entries(DAYLIGHT).map(([id, { name }]) => ({ value: id, label: name })),
      ]}
      onCommit={(id) => {
        const chosen = DAYLIGHT[id as DaylightId];
        if (chosen)
          edits.thing(thing, `daylight of ${chosen.name}`, (draft) => {
            if (draft.kind === 'window')
              Object.assign(draft, { outsideLx: chosen.outsideLx, cctK: chosen.cctK });
          });
      }}
    />
  );
}
