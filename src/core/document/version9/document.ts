import { isPlainObject } from '../edit/address';
import { each, type Json } from '../version6/records';

/** Version 9: a session of metering has readings. Before it only its place in the document was kept. */
const LONG_AGO = '2000-01-01T00:00:00Z';

export const liftSession = (session: Json): Json => ({
  kind: 'sweep',
  unitId: null,
  partId: null,
  startedAt: LONG_AGO,
  by: '',
  instrument: { name: '', classShare: 0.05, grainLx: 1 },
  distanceM: 1,
  distanceErrorM: 0.01,
  sizeM: 0.06,
  warmMin: null,
  stepDeg: 10,
  toDeg: 90,
  planes: 1,
  readings: {},
  closedAt: null,
  ...session,
});

export const toVersion9 = (document: Json): Json => ({
  ...document,
  version: 9,
  sessions: each(document.sessions, liftSession),
});

/** A command as a window of version 8 wrote it; anything else comes back as it is. */
export function commandToVersion9(command: unknown): unknown {
  if (!isPlainObject(command) || command.kind !== 'session' || !isPlainObject(command.record))
    return command;
  return { ...command, record: liftSession(command.record) };
}
