'use client';
import { nanoid } from 'nanoid';
import type { PastedReading } from '@/core/meter/pasted';
import type { Frames } from '@/core/meter/framesRecord';
import {
  blankSession,
  type MeterReading,
  type Place,
  type Session,
  type SessionKind,
} from '@/core/meter/session';
import { useHand } from '../make/useHand';
import { useEdits } from '../store/useEdits';

const stamp = (): string => `${new Date().toISOString().slice(0, 19)}Z`;

/** What is written into sessions. Each answers with the reason when it is not taken, null when it is. */
export function useMeter() {
  const edits = useEdits();
  const [by] = useHand();
  const change = (session: Session, label: string, recipe: (draft: Session) => void) =>
    edits.record('session', session.id, label, recipe);
  const put = (
    draft: Session,
    given: Pick<MeterReading, 'place' | 'value' | 'simulated' | 'struck'>,
  ) => {
    const orders = Object.values(draft.readings).map(({ order }) => order);
    const order = Math.max(-1, ...orders) + 1;
    draft.readings[nanoid(8)] = { ...given, at: stamp(), by, order };
  };
  return {
    begin: (kind: SessionKind, name: string, of: Partial<Session>) => {
      const session = blankSession({ ...of, id: nanoid(10), name, kind, startedAt: stamp(), by });
      return { id: session.id, refused: edits.add('session', session, `begin ${name}`) };
    },
    set: (session: Session, label: string, values: Partial<Session>) =>
      change(session, label, (draft) => Object.assign(draft, values)),
    frames: (session: Session, label: string, recipe: (frames: Frames) => void) =>
      change(session, label, ({ frames }) => recipe(frames)),
    read: (session: Session, place: Place, value: number, simulated: boolean) =>
      change(session, 'a reading', (draft) =>
        put(draft, { place, value, simulated, struck: null }),
      ),
    /** the simulated meter, all the way round */
    readAll: (session: Session, places: readonly Place[], shown: (place: Place) => number) =>
      change(session, 'simulated readings', (draft) => {
        for (const place of places)
          put(draft, { place, value: shown(place), simulated: true, struck: null });
      }),
    /** out of a log: all of it at once */
    paste: (session: Session, readings: readonly PastedReading[]) =>
      change(session, 'readings from a log', (draft) => {
        for (const reading of readings) put(draft, reading);
      }),
    strike: (session: Session, key: string, why: string | null) =>
      change(session, why === null ? 'a reading counts again' : 'a reading struck out', (draft) => {
        draft.readings[key]!.struck = why;
      }),
    /** from then on it is a record */
    close: (session: Session) =>
      change(session, `close ${session.name}`, (draft) => {
        draft.closedAt = stamp();
      }),
    takeOut: (session: Session) => edits.remove('session', session, `take out ${session.name}`),
  };
}
export type Meter = ReturnType<typeof useMeter>;
