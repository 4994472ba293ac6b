import { isPlainObject } from '../edit/address';
import { firstWishes } from '../../location/wishes';
import { USES, type Use } from '../../location/use';
import { each, type Json } from '../version6/records';

/** Version 13: what a shot wishes of the light that is looked for. */
const liftShot = (shot: Json): Json => {
  const use = USES.find((known) => known === shot.use) ?? ('face' satisfies Use);
  return { wishes: firstWishes(use), ...shot };
};

export const toVersion13 = (document: Json): Json => ({
  ...document,
  version: 13,
  shots: each(document.shots, liftShot),
});

/** A command as a window of version 12 wrote it; anything else comes back as it is. */
export function commandToVersion13(command: unknown): unknown {
  if (!isPlainObject(command) || !isPlainObject(command.record)) return command;
  return command.kind === 'shot' ? { ...command, record: liftShot(command.record) } : command;
}
