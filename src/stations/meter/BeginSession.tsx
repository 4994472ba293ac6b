'use client';
import { useState } from 'react';
import { shotOf } from '@/core/document/blank';
import type { Production } from '@/core/document/production';
import { freeName } from '@/core/document/records';
import { blankFrames } from '@/core/meter/framesRecord';
import { gridPoints } from '@/core/meter/points';
import type { Session, SessionKind } from '@/core/meter/session';
import type { Unit } from '@/core/units/unit';
import { frontSize } from '@/core/build/front';
import type { Derivations } from '@/core/evaluate/derive';
import { useWorkplace } from '../shell/useWorkplace';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { KIND_NAMES } from './kindNames';
import type { Meter } from './useMeter';

interface Subject {
  id: string;
  name: string;
  of: Partial<Session>;
}

/** What can be metered in each way: lights, lamps with a spread of their own, tape, layers. */
function subjectsOf({ shelf, builds }: Production, kind: SessionKind): Subject[] {
  const lights = builds.map(({ id, name }): Subject => ({ id, name, of: { buildId: id } }));
  const units = (which: (unit: Unit) => boolean) =>
    shelf.units.filter(which).map(({ id, name }): Subject => ({ id, name, of: { unitId: id } }));
  switch (kind) {
    case 'sweep':
      return [...units((unit) => 'spread' in unit), ...lights];
    case 'layer':
      return shelf.parts
        .filter((part) => 'transmittance' in part)
        .map(({ id, name }) => ({ id, name, of: { partId: id } }));
    case 'electric':
      return [...lights, ...units(({ category }) => category === 'strip')];
    case 'spectrum':
      return [...units(() => true), ...lights];
    case 'frames':
      return [...lights, { id: 'other', name: 'something else', of: {} }];
    default:
      return lights;
  }
}

/** A plane before anybody said what is read on it: its middle and four corners. */
const FIRST_POINTS = gridPoints(3, 3, 1, 1);

/** What a kind of session begins with beside its thing. */
function beginning(
  document: Production,
  kind: SessionKind,
  of: Partial<Session>,
  derivations: Derivations,
): Partial<Session> {
  const build = document.builds.find(({ id }) => id === of.buildId);
  if (kind === 'points')
    return {
      points: FIRST_POINTS,
      ...(build && { distanceM: shotOf(document, build).distanceM }),
    };
  if (kind === 'sweep' && build) {
    const found = derivations.resolve(document, build);
    if (!found) return {};
    const { widthM, heightM } = frontSize(found.resolved);
    const sizeM = Math.max(widthM, heightM);
    // Rounded up to 5 cm: no nearer than that.
    return { sizeM, distanceM: Math.ceil(FAR * sizeM * 20 - 1e-9) / 20, toDeg: 90 };
  }
  if (kind === 'electric') return { instrument: VOLTMETER, sizeM: 1 };
  if (kind === 'warm') return { instrument: THERMOMETER };
  if (kind === 'frames') {
    // The camera of the last pictures is most likely the camera of these.
    const last = document.sessions.findLast((session) => session.kind === 'frames');
    return last ? { frames: { ...blankFrames(), camera: last.frames.camera } } : {};
  }
  return {};
}
/** So many times its size away a light is a point, within a hundredth [common practice: five times]. */
const FAR = 5;
/** Hand meters [common practice]. */
const VOLTMETER = { name: 'Multimeter', classShare: 0.01, grainLx: 0.01, cosineShare: 0 };
const THERMOMETER = { name: 'Thermometer', classShare: 0.02, grainLx: 0.5, cosineShare: 0 };

/** A new session: what is metered, and of which thing. */
export function BeginSession({ meter, onBegun }: { meter: Meter; onBegun: (id: string) => void }) {
  const document = useProduction((state) => state.document);
  const [kind, setKind] = useState<SessionKind>('points');
  const things = subjectsOf(document, kind);
  const [thing, setThing] = useState('');
  const { say } = useSession();
  const { derivations } = useWorkplace();
  const chosen = things.find(({ id }) => id === thing) ?? things[0];
  const begin = () => {
    if (!chosen) return;
    const name = freeName(chosen.name, document.sessions);
    const told = meter.begin(kind, name, {
      ...chosen.of,
      ...beginning(document, kind, chosen.of, derivations),
    });
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
