'use client';
import { useState } from 'react';
import type { Production } from '@/core/document/production';
import { freeName } from '@/core/document/records';
import { differences } from '@/core/meter/differences';
import type { Session, SessionKind } from '@/core/meter/session';
import { layerResult, sweepResult } from '@/core/meter/working';
import { threeFigures } from '@/core/quantity';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { LayerSheet } from './LayerSheet';
import { SessionSetup } from './SessionSetup';
import { SweepSheet } from './SweepSheet';
import { useMeter, type Meter } from './useMeter';

const KIND_NAMES: Record<SessionKind, string> = { sweep: 'Round a lamp', layer: 'Through a layer' };

/** What lights and layers really do, reading by reading. */
export function MeterStation() {
  const sessions = useProduction(({ document }) => document.sessions);
  const meter = useMeter();
  const [picked, setPicked] = useState<string | null>(null);
  const [setting, setSetting] = useState(false);
  const session = sessions.find(({ id }) => id === picked) ?? sessions.at(-1) ?? null;
  return (
    <div className="grid h-full grid-cols-[190px_minmax(0,1fr)] bg-sheet max-md:h-auto max-md:grid-cols-1">
      <aside
        aria-label="Metering"
        className="min-h-0 overflow-y-auto border-r border-line p-3 max-md:border-r-0"
      >
        <Begin meter={meter} onBegun={setPicked} />
        <ul className="mt-3 grid gap-2" aria-label="Sessions">
          {sessions.toReversed().map((each) => (
            <SessionCard
              key={each.id}
              session={each}
              before={sessions[sessions.indexOf(each) - 1] ?? null}
              open={each === session}
              onOpen={() => setPicked(each.id)}
            />
          ))}
        </ul>
      </aside>
      {session ? (
        <section
          key={session.id}
          aria-label={session.name}
          data-session={session.kind}
          className="flex min-h-0 flex-col gap-3 overflow-y-auto p-4"
        >
          <div className="flex flex-wrap items-center gap-3">
            <h2 className="text-xl">{session.name}</h2>
            <span className="flex-1" />
            {session.closedAt === null && (
              <button
                type="button"
                className="press"
                aria-expanded={setting}
                onClick={() => setSetting(!setting)}
              >
                How it is metered
              </button>
            )}
            {session.closedAt === null && (
              <button type="button" className="press" onClick={() => void meter.close(session)}>
                Close
              </button>
            )}
            <TakeOut session={session} meter={meter} />
          </div>
          {session.closedAt !== null && (
            <p className="text-[13.5px] text-ink-soft">
              Closed on {session.closedAt.slice(0, 10)}: nothing more is read or changed.
            </p>
          )}
          {setting && session.closedAt === null && <SessionSetup session={session} meter={meter} />}
          <div className="min-h-0 flex-1">
            {session.kind === 'sweep' ? (
              <SweepSheet session={session} meter={meter} />
            ) : (
              <LayerSheet session={session} meter={meter} />
            )}
          </div>
        </section>
      ) : (
        <Nothing />
      )}
    </div>
  );
}

const Nothing = () => (
  <section className="max-w-2xl p-6" data-session="none">
    <h2 className="text-2xl">Two bulbs of 800 lumens can differ three to one</h2>
    <p className="mt-2">
      Boxes say what leaves a bulb in all directions together; a meter says what comes out where you
      need it. Lay the bulb in the middle of a compass, go round it with a cheap lux meter, and it
      is known. A layer is read in turns, without and with it, so that a lamp that still warms up
      does not look like cloth.
    </p>
  </section>
);

function TakeOut({ session, meter }: { session: Session; meter: Meter }) {
  const { say } = useSession();
  return (
    <button
      type="button"
      className="press"
      onClick={() =>
        say(meter.takeOut(session) ?? `${session.name} is taken out. Undo brings it back.`)
      }
    >
      Take out
    </button>
  );
}

/** What can be metered: units that have a spread of their own, and layers. */
function thingsOf({ shelf }: Production, kind: SessionKind) {
  return kind === 'sweep'
    ? shelf.units.filter((unit) => 'spread' in unit)
    : shelf.parts.filter((part) => 'transmittance' in part);
}

function Begin({ meter, onBegun }: { meter: Meter; onBegun: (id: string) => void }) {
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

interface SessionCardProps {
  session: Session;
  before: Session | null;
  open: boolean;
  onOpen: () => void;
}

/** What it came to, in a word. */
function resultText(session: Session): string {
  if (session.kind === 'sweep') {
    const found = sweepResult(session);
    return found.ok ? `${threeFigures(found.value.sweep.luminousFluxLm)} lm` : 'not yet';
  }
  const found = layerResult(session);
  return found.ok ? `${(100 * found.value.tau).toFixed(1)} % through` : 'not yet';
}

function SessionCard({ session, before, open, onOpen }: SessionCardProps) {
  const other = before && before.kind === session.kind ? differences(session, before) : [];
  return (
    <li>
      <button
        type="button"
        aria-current={open ? 'true' : undefined}
        className={`w-full border border-line p-2 text-left text-[13.5px] hover:bg-brass-wash ${open ? 'bg-brass-wash' : ''}`}
        onClick={onOpen}
      >
        <span className="block font-semibold">{session.name}</span>
        <span className="figure">{resultText(session)}</span>
        <span className="block text-ink-soft">
          {KIND_NAMES[session.kind].toLowerCase()}, {session.startedAt.slice(0, 10)}
        </span>
        {other.length > 0 && (
          <span className="block text-ink-soft">
            Unlike the one before: {other.slice(0, 2).join('; ')}.
          </span>
        )}
      </button>
    </li>
  );
}
