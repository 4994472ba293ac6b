import type { Command } from './edit';

/** What another device may do with the productions here; each holds what stands before it. */
export const RIGHTS = ['read', 'tick', 'edit'] as const;
export type Right = (typeof RIGHTS)[number];

export const RIGHT_WORDS: Record<Right, string> = {
  read: 'read',
  tick: 'read, tick steps and send photographs',
  edit: 'read and change everything',
};

/** Fields of a copy in the making that are written at the bench. */
const AT_THE_BENCH = new Set(['ticks', 'timers', 'readings', 'used', 'paid']);

/** Whether one at the bench who may tick and photograph may do this; what it adds it may not take away. */
function isBenchWork(command: Command): boolean {
  switch (command.do) {
    case 'set':
    case 'unset':
      return command.kind === 'making' && AT_THE_BENCH.has(command.path[0]!);
    case 'add':
      return command.kind === 'entry' || command.kind === 'picture' || command.kind === 'making';
    default:
      return false;
  }
}

/** Why a device with this right cannot make these changes; null when it may. */
export function notAllowed(right: Right, commands: readonly Command[]): string | null {
  if (right === 'edit' || (right === 'tick' && commands.every(isBenchWork))) return null;
  return right === 'read'
    ? 'This device may read only. Whoever shares the bench can let it do more.'
    : 'This device may tick steps, note readings and send photographs, not change anything else. Whoever shares the bench can let it do more.';
}
