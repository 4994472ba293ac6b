'use client';
import { useState } from 'react';
import type { Production } from '@/core/document/production';
import { freeName } from '@/core/document/records';
import type { Session, SessionKind } from '@/core/meter/session';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { KIND_NAMES } from './kindNames';
import type { Meter } from './useMeter';

/** What can be metered: units that have a spread of their own, and layers. */
function thingsOf({ shelf }: Production, kind: SessionKind) {
  return kind === 'sweep'
    ? shelf.units.filter((unit) => 'spread' in unit)
    : shelf.parts.filter((part) => 'transmittance' in part);
}

/** A new session: what is metered, and of which thing. */
export function BeginSession({ meter, onBegun }: { meter: Meter; onBegun: (id: string) => void }) {
  const document = useProduction((state) => state.document);
  const [kind, setKind] = useState<SessionKind>('sweep');
  const things = thingsOf(document, kind);
  const [thing, setThing] = useState('');
  const { say } = useSession();
  const chosen = things.find(({ id }) => id === thing) ?? things[0];
  const begin = () => {
    if (!chosen) return;
    const name = freeName(chosen.name, document.sessions);
    const of =
      kind === 'sweep'
        ? { unitId: chosen.id as Session['unitId'] }
        : { partId: chosen.id as Session['partId'] };
    const told = meter.begin(kind, name, of);
    if (told.refused) say(told.refused);
    else onBegun(told.id);
  };
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        begin();
      }}
    >
      <label className="text-[14px]">
        Meter
        <select
          className="field"
          value={kind}
          onChange={(event) => setKind(event.target.value as SessionKind)}
        >
          {Object.entries(KIND_NAMES).map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="text-[14px]">
        Of
        <select
          className="field"
          value={chosen?.id ?? ''}
          onChange={(event) => setThing(event.target.value)}
        >
          {things.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <button type="submit" className="press press-main" disabled={!chosen}>
        Begin
      </button>
      {kind === 'sweep' && (
        <a href="/api/compass" download className="text-[13.5px]">
          The compass to lay it on, as PDF
        </a>
      )}
    </form>
  );
}
