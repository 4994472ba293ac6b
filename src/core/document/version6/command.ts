import { isPlainObject } from '../edit/address';
import {
  liftBuild,
  liftBulb,
  liftCircuit,
  liftFixture,
  liftPart,
  originNow,
  originsOfLayer,
  type Json,
} from './records';

/**
 * A command as a window of version 5 wrote it, in its journal or to the store; anything else comes back as
 * it is.
 */
export function commandToVersion6(command: unknown): unknown {
  if (!isPlainObject(command)) return command;
  const { kind, record, path, value } = command;
  const next: Json = { ...command, ...(kind === 'bulb' ? { kind: 'unit' } : {}) };
  if (isPlainObject(record) && !('origins' in record && kind === 'part')) {
    if (kind === 'bulb') next.record = liftBulb(record);
    else if (kind === 'part') next.record = liftPart(record);
    else if (kind === 'fixture') next.record = liftFixture(record);
    else if (kind === 'circuit') next.record = liftCircuit(record);
    else if (kind === 'build') next.record = liftBuild(record);
  }
  if (!Array.isArray(path)) return next;
  const [field, inner] = path as unknown[];
  if (kind === 'bulb' && field === 'onHandCount') next.path = ['onHand'];
  else if (kind === 'part' && field === 'origin')
    Object.assign(next, { path: ['origins'], value: originsOfLayer(value) });
  else if (field === 'origin' || (field === 'origins' && inner !== undefined))
    next.value = originNow(value);
  else if (field === 'origins' && isPlainObject(value))
    next.value = Object.fromEntries(
      Object.entries(value).map(([name, origin]) => [name, originNow(origin)]),
    );
  return next;
}
