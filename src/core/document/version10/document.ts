import { isPlainObject } from '../edit/address';
import { each, type Json } from '../version6/records';

/** Version 10: sessions of points, frames, volts, warmth and spectra, and what readings taught. */
const blankFrames = () => ({
  shots: {},
  boxes: {},
  line: null,
  camera: {
    balanceK: null,
    readOutS: null,
    curve: null,
    calibration: null,
    cardReflectance: 0.18,
    widthM: null,
  },
});

const instrument = (old: unknown): unknown =>
  isPlainObject(old) ? { cosineShare: 0.03, ...old } : old;

export const liftSession = (session: Json): Json => ({
  level: 1,
  points: [],
  spectrum: null,
  frames: blankFrames(),
  ...session,
  instrument: instrument(session.instrument),
});

export const toVersion10 = (document: Json): Json => ({
  calibration: null,
  ...document,
  version: 10,
  sessions: each(document.sessions, liftSession),
});

/** A command as a window of version 9 wrote it; anything else comes back as it is. */
export function commandToVersion10(command: unknown): unknown {
  if (!isPlainObject(command) || command.kind !== 'session') return command;
  if (isPlainObject(command.record)) return { ...command, record: liftSession(command.record) };
  const { path } = command;
  return Array.isArray(path) && path.length === 1 && path[0] === 'instrument'
    ? { ...command, value: instrument(command.value) }
    : command;
}
