import fc from 'fast-check';
import type { Production } from '../production';
import { removeWhole } from '../records';
import {
  addRecord,
  applyCommands,
  changeDocument,
  changeRecord,
  findRecord,
  makeBatch,
  moveRecord,
  recordKey,
  type Batch,
  type Change,
  type Command,
} from '.';

export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value));

export function done(document: Production, commands: readonly Command[]): Production {
  const applied = applyCommands(document, commands);
  if (!applied.ok) throw new Error(applied.problems[0]!.message);
  return applied.value.document;
}

/** Keys of the records commands name. */
export const recordsNamed = (commands: readonly Command[]): Set<string> =>
  new Set(commands.map((command) => recordKey(command)));

export const batchOf = (document: Production, id: string, change: Change): Batch =>
  makeBatch(document, id, id, change)!.batch;

/** Small changes of every kind, at places a document of any state has. */
export const anyChange: fc.Arbitrary<Change> = fc
  .record({
    kind: fc.constantFrom('shot', 'build', 'unit', 'part', 'fixture', 'circuit' as const),
    nth: fc.nat(40),
    what: fc.constantFrom('name', 'remove', 'copy', 'move', 'parameter', 'accessory' as const),
    word: fc.string({ minLength: 1, maxLength: 6 }).map((text) => text.trim() || 'x'),
    number: fc.double({ min: 0.1, max: 3, noNaN: true }),
  })
  .map(({ kind, nth, what, word, number }): Change => (document) => {
    const list = {
      shot: document.shots,
      build: document.builds,
      unit: document.shelf.units,
      part: document.shelf.parts,
      fixture: document.fixtures,
      circuit: document.circuits,
    }[kind] as readonly { id: string; name: string }[];
    const record = list[nth % Math.max(1, list.length)];
    if (!record) return [];
    const ref = { kind, id: record.id } as const;
    switch (what) {
      case 'remove':
        return kind === 'circuit' ? [] : removeWhole(kind, record.id)(document);
      case 'copy':
        return addRecord(
          { kind },
          { ...record, id: `${kind}-${word.replace(/\W/g, '_')}-${nth}` },
        )(document);
      case 'move':
        return moveRecord(ref, list[(nth * 7) % list.length]?.id ?? null)(document);
      case 'parameter':
        return kind === 'build'
          ? changeRecord({ kind: 'build', id: record.id }, (draft) => {
              draft.parameters[`p${nth % 3}`] = number;
            })(document)
          : [];
      case 'accessory':
        return kind === 'build'
          ? addRecord({ kind: 'accessory', of: record.id }, {
              id: `a-${nth}`,
              kind: 'odd',
              parameters: { number },
            } as { id: string })(document)
          : [];
      default:
        return changeDocument((draft) => {
          const own = findRecord(draft, ref) as unknown as { name: string };
          own.name = word;
        })(document);
    }
  });

/** A history of batches as a window would make it. */
export function historyOf(document: Production, prefix: string, changes: readonly Change[]) {
  let now = document;
  const batches: Batch[] = [];
  changes.forEach((change, k) => {
    const made = makeBatch(now, `${prefix}${k}`, `${prefix}${k}`, change);
    if (!made) return;
    now = made.document;
    batches.push(made.batch);
  });
  return { document: now, batches };
}

/** Lists of records by id: order is a matter of taste when two windows add at once. */
export function unordered(node: unknown): unknown {
  if (Array.isArray(node)) {
    const list = node.map(unordered) as { id?: string }[];
    return list.every((each) => typeof each?.id === 'string')
      ? list.toSorted((a, b) => (a.id! < b.id! ? -1 : 1))
      : list;
  }
  if (typeof node !== 'object' || node === null) return node;
  return Object.fromEntries(Object.entries(node).map(([key, value]) => [key, unordered(value)]));
}
