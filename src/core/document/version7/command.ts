import { FORMS } from '../../forms';
import { isPlainObject } from '../edit/address';
import { liftAccessory, liftAnyParameters, liftBuild, liftPart } from './document';

/** A command as a window of version 6 wrote it; anything else comes back as it is. */
export function commandToVersion7(command: unknown): unknown {
  if (!isPlainObject(command)) return command;
  const { kind, record, path, value } = command;
  if (isPlainObject(record)) {
    if (kind === 'part') return { ...command, record: liftPart(record) };
    if (kind === 'build') return { ...command, record: liftBuild(record) };
    if (kind === 'accessory') return { ...command, record: liftAccessory(record) };
    return command;
  }
  const whole = kind === 'build' && Array.isArray(path) && path.length === 1;
  return whole && path[0] === 'parameters'
    ? { ...command, value: liftAnyParameters(value, FORMS.values()) }
    : command;
}
