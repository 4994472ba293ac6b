import type { Production } from '../production';
import { findRecord, recordKey, valueAt } from './address';
import type { Batch, Command } from './command';
import { sameJson } from './diff';

/** A session that was closed is a record: nothing reaches into it, not even taking back what was done before. */
const isClosed = (document: Production, command: Command): boolean => {
  if (command.kind !== 'session' || command.do === 'add') return false;
  const session = document.sessions.find(({ id }) => id === command.id);
  return session !== undefined && session.closedAt !== null;
};

/**
 * What taking a batch back would do to the document as it is now. What somebody else has changed
 * since is left as they made it, and counted; so is what lies in a session that was closed.
 */
export function undoCommands(
  document: Production,
  { commands, inverse }: Pick<Batch, 'commands' | 'inverse'>,
): { commands: Command[]; left: number; closed: boolean } {
  const mine = stateAfter(commands);
  const whole = new Set(commands.flatMap((each) => (isWhole(each) ? [recordKey(each)] : [])));
  const closed = inverse.some((command) => isClosed(document, command));
  const kept = inverse.filter((command) => {
    if (isClosed(document, command)) return false;
    if (command.do === 'move') return findRecord(document, command) !== null;
    if (command.do === 'add') return findRecord(document, command) === null;
    const record = findRecord(document, command);
    if (!record) return false;
    if (command.do === 'remove') {
      const added = mine.added.get(recordKey(command));
      return added === undefined || sameJson(record, added);
    }
    // Fields of a record that goes or comes with this batch follow the record.
    if (whole.has(recordKey(command))) return true;
    const value = mine.fields.get(fieldOf(command));
    return value !== undefined && sameJson(valueAt(record, command.path) ?? null, value);
  });
  return { commands: kept, left: inverse.length - kept.length, closed };
}

const isWhole = (command: Command) => command.do === 'add' || command.do === 'remove';
const fieldOf = (command: Extract<Command, { path: readonly string[] }>): string =>
  `${recordKey(command)} ${command.path.join('/')}`;

/** What a batch left behind: the last value of each field (null for none), the records it added. */
function stateAfter(commands: readonly Command[]) {
  const fields = new Map<string, unknown>();
  const added = new Map<string, unknown>();
  for (const command of commands) {
    if (command.do === 'set') fields.set(fieldOf(command), command.value);
    if (command.do === 'unset') fields.set(fieldOf(command), null);
    if (command.do === 'add') added.set(recordKey(command), command.record);
  }
  return { fields, added };
}
