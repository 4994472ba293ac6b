import fc from 'fast-check';
import { nightFerry } from '@/demo/nightFerry';
import type { Production } from '../production';
import { validateProduction } from '../read';
import { removeWhole } from '../records';
import { after, changed } from '../testing';
import {
  addRecord,
  applyCommands,
  batchSchema,
  changeDocument,
  changeRecord,
  commandSchema,
  diffDocuments,
  findRecord,
  makeBatch,
  mergeBatches,
  moveRecord,
  recordsNamed,
  refOfPath,
  undoCommands,
  type Batch,
  type Change,
  type Command,
} from '.';

const demo = nightFerry();
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value));
const done = (document: Production, commands: readonly Command[]): Production => {
  const applied = applyCommands(document, commands);
  if (!applied.ok) throw new Error(applied.problems[0]!.message);
  return applied.value.document;
};
const batchOf = (document: Production, id: string, change: Change): Batch =>
  makeBatch(document, id, id, change)!.batch;
const noteOf = (document: Production, id: string) =>
  document.builds.find((build) => build.id === id)?.note;

describe('commands', () => {
  test('name a record and a field; the inverse brings the same document back', () => {
    const change = changeRecord({ kind: 'build', id: 'warm-ring' }, (draft) => {
      draft.note = 'x';
      draft.parameters.outerDiameterM = 1;
      delete draft.parameters.ringWidthM;
    });
    const commands = change(demo);
    const ref = { kind: 'build', id: 'warm-ring' };
    expect(commands).toHaveLength(3);
    expect(commands).toEqual(
      expect.arrayContaining([
        { do: 'unset', ...ref, path: ['parameters', 'ringWidthM'] },
        { do: 'set', ...ref, path: ['parameters', 'outerDiameterM'], value: 1 },
        { do: 'set', ...ref, path: ['note'], value: 'x' },
      ]),
    );
    const applied = applyCommands(demo, commands);
    if (!applied.ok) throw new Error();
    expect(done(applied.value.document, applied.value.inverse)).toEqual(demo);
  });
  test('what is not named stays the same object', () => {
    const next = after(
      demo,
      changeRecord({ kind: 'build', id: 'warm-ring' }, (draft) => void (draft.note = 'x')),
    );
    expect(next.shelf).toBe(demo.shelf);
    expect(next.shots).toBe(demo.shots);
    expect(next.builds.filter((build, k) => build !== demo.builds[k])).toHaveLength(1);
    const ring = next.builds.find(({ id }) => id === 'warm-ring')!;
    expect(ring.parameters).toBe(demo.builds.find(({ id }) => id === 'warm-ring')!.parameters);
  });
  test('deleting and re-ordering are one command each', () => {
    expect(diffDocuments(demo, after(demo, removeWhole('fixture', 'fresnel-300')))).toContainEqual({
      do: 'remove',
      kind: 'fixture',
      id: 'fresnel-300',
    });
    const last = demo.shots.at(-1)!.id;
    const moved = after(demo, moveRecord({ kind: 'shot', id: last }, null));
    expect(moved.shots[0]!.id).toBe(last);
    expect(diffDocuments(demo, moved)).toEqual([
      { do: 'move', kind: 'shot', id: last, after: null },
    ]);
  });
  test('records inside records are told apart by id too', () => {
    const build = demo.builds.find(({ accessories }) => accessories.length > 1)!;
    const [first, second] = build.accessories;
    const next = after(
      demo,
      changeRecord({ kind: 'accessory', id: second!.id, of: build.id }, (draft) => {
        draft.parameters.extra = 1;
      }),
    );
    const own = next.builds.find(({ id }) => id === build.id)!.accessories;
    expect(own[0]).toBe(first);
    expect(own[1]!.parameters.extra).toBe(1);
  });
  test.each<[string, Command]>([
    ['a record that is gone', { do: 'set', kind: 'build', id: 'gone', path: ['note'], value: '' }],
    ['an id', { do: 'set', kind: 'shot', id: 'clerk', path: ['id'], value: 'x' }],
    ['a list by name', { do: 'set', kind: 'production', id: 'x', path: ['builds'], value: [] }],
    ['the format', { do: 'set', kind: 'production', id: 'x', path: ['format'], value: 'y' }],
    [
      'the length of a list',
      {
        do: 'set',
        kind: 'build',
        id: 'clerk-ring',
        path: ['parameters', 'groups', 'length'],
        value: 4294967295,
      },
    ],
    ['an id twice', { do: 'add', kind: 'shot', id: 'clerk', record: { id: 'clerk' }, after: null }],
    [
      'a record of another id',
      { do: 'add', kind: 'shot', id: 'a', record: { id: 'b' }, after: '' },
    ],
    ['a list of nobody', { do: 'remove', kind: 'accessory', id: 'a', of: 'nobody' }],
  ])('%s cannot be changed', (_name, command) => {
    expect(applyCommands(demo, [command]).ok).toBe(false);
  });
  test.each(['__proto__', 'constructor', 'prototype'])('%s is out of reach', (key) => {
    const command = { do: 'set', kind: 'build', id: 'clerk-ring', path: [key], value: 1 };
    expect(commandSchema.safeParse(command).success).toBe(false);
    const deep = { ...command, path: ['parameters', key, 'polluted'] };
    expect(commandSchema.safeParse(deep).success).toBe(false);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
  test('text that cannot be stored does not come through the door', () => {
    const set = (value: unknown) =>
      commandSchema.safeParse({ do: 'set', kind: 'shot', id: 'clerk', path: ['note'], value })
        .success;
    expect(set('fine 💡')).toBe(true);
    expect(set('\u0000')).toBe(false);
    expect(set({ deep: ['💡'.slice(1)] })).toBe(false);
  });
  test('a problem’s path leads to the record that has it', () => {
    const pan = demo.builds.findIndex(({ id }) => id === 'clerk-pan');
    const hood = demo.builds[pan]!.accessories[1]!.id;
    expect(refOfPath(demo, `builds.${pan}.accessories.1.parameters.lining`)).toEqual({
      kind: 'accessory',
      id: hood,
      of: 'clerk-pan',
      path: ['parameters', 'lining'],
    });
    expect(refOfPath(demo, 'shelf.bulbs.0.wattsW')).toMatchObject({
      kind: 'bulb',
      id: demo.shelf.bulbs[0]!.id,
      path: ['wattsW'],
    });
    expect(refOfPath(demo, 'name')).toMatchObject({ kind: 'production', path: ['name'] });
  });
});

/** Small changes of every kind, at places a document of any state has. */
const anyChange: fc.Arbitrary<Change> = fc
  .record({
    kind: fc.constantFrom('shot', 'build', 'bulb', 'part', 'fixture', 'circuit' as const),
    nth: fc.nat(40),
    what: fc.constantFrom('name', 'remove', 'copy', 'move', 'parameter', 'accessory' as const),
    word: fc.string({ minLength: 1, maxLength: 6 }).map((text) => text.trim() || 'x'),
    number: fc.double({ min: 0.1, max: 3, noNaN: true }),
  })
  .map(({ kind, nth, what, word, number }): Change => (document) => {
    const list = {
      shot: document.shots,
      build: document.builds,
      bulb: document.shelf.bulbs,
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
function historyOf(document: Production, prefix: string, changes: readonly Change[]) {
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
function unordered(node: unknown): unknown {
  if (Array.isArray(node)) {
    const list = node.map(unordered) as { id?: string }[];
    return list.every((each) => typeof each?.id === 'string')
      ? list.toSorted((a, b) => (a.id! < b.id! ? -1 : 1))
      : list;
  }
  if (typeof node !== 'object' || node === null) return node;
  return Object.fromEntries(Object.entries(node).map(([key, value]) => [key, unordered(value)]));
}

describe('any history', () => {
  test('undone from its end is the document it began with', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 12 }), (changes) => {
        const { document, batches } = historyOf(demo, 'a', changes);
        const back = batches.toReversed().reduce((now, batch) => {
          const { commands, left } = undoCommands(now, batch);
          expect(left).toBe(0);
          return done(now, commands);
        }, document);
        expect(plain(back)).toEqual(plain(demo));
      }),
    );
  });
  test('is the difference between its two ends', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 12 }), (changes) => {
        const { document } = historyOf(demo, 'a', changes);
        const commands = diffDocuments(demo, document);
        expect(plain(done(demo, commands))).toEqual(plain(document));
        expect(commandSchema.safeParse(commands[0] ?? { do: 'x' }).success).toBe(
          commands.length > 0,
        );
      }),
    );
  });
  test('goes through JSON and its own schema unchanged', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 6 }), (changes) => {
        for (const batch of historyOf(demo, 'a', changes).batches)
          expect(batchSchema.parse(plain(batch))).toEqual(plain(batch));
      }),
    );
  });
});

describe('two windows', () => {
  const two = fc.tuple(
    fc.array(anyChange, { minLength: 1, maxLength: 8 }),
    fc.array(anyChange, { minLength: 1, maxLength: 8 }),
  );
  const named = (batches: readonly Batch[]) =>
    new Set(batches.flatMap(({ commands }) => [...recordsNamed(commands)]));

  test('merged in either order touch only the records they named', () => {
    fc.assert(
      fc.property(two, ([left, right]) => {
        const a = historyOf(demo, 'a', left);
        const b = historyOf(demo, 'b', right);
        for (const [first, second] of [
          [a, b],
          [b, a],
        ] as const) {
          const merged = mergeBatches(second.batches, first.document);
          const own = named(second.batches);
          // Where a re-ordered record stands can be told by moving its neighbours instead.
          const difference = diffDocuments(first.document, merged.document);
          const touched = recordsNamed(difference.filter((each) => each.do !== 'move'));
          for (const key of touched) expect(own).toContain(key);
        }
      }),
      { numRuns: 200 },
    );
  });
  test('that touch different records come to the same document either way', () => {
    fc.assert(
      fc.property(two, ([left, right]) => {
        const a = historyOf(demo, 'a', left);
        const b = historyOf(demo, 'b', right);
        const mine = named(b.batches);
        fc.pre([...named(a.batches)].every((key) => !mine.has(key)));
        fc.pre(
          [...a.batches, ...b.batches].every(({ commands }) =>
            commands.every((each) => each.do !== 'move'),
          ),
        );
        const ab = mergeBatches(b.batches, a.document);
        const ba = mergeBatches(a.batches, b.document);
        expect(ab.clashes).toEqual([]);
        expect(ba.clashes).toEqual([]);
        expect(unordered(plain(ab.document))).toEqual(unordered(plain(ba.document)));
      }),
    );
  });
  test('with every choice made nothing is left to ask, and the result holds together', () => {
    fc.assert(
      fc.property(two, fc.boolean(), ([left, right], mine) => {
        const a = historyOf(demo, 'a', left);
        const b = historyOf(demo, 'b', right);
        let merged = mergeBatches(b.batches, a.document, {}, b.document);
        const choices: Record<string, 'mine' | 'theirs'> = {};
        // A choice may uncover what stood behind it; it comes to an end all the same.
        for (let round = 0; merged.clashes.length > 0 && round < 20; round++) {
          for (const { key } of merged.clashes) choices[key] = mine ? 'mine' : 'theirs';
          merged = mergeBatches(b.batches, a.document, choices, b.document);
        }
        expect(merged.clashes).toEqual([]);
        const ids = merged.document.builds.map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        // What was merged can be taken back again, by the same rules.
        const back = merged.batches.toReversed().reduce((now, batch) => {
          const { commands } = undoCommands(now, batch);
          return done(now, commands);
        }, merged.document);
        expect(back.builds.length).toBe(a.document.builds.length);
      }),
    );
  });

  // Found by review: “Put my changes on top” put a note on the neighbour.
  test('one deletes the first build, the other wrote a note on the second', () => {
    const [first, second, third] = demo.builds.map(({ id }) => id);
    const elsewhere = after(demo, removeWhole('build', first!));
    const note = batchOf(
      demo,
      'note',
      changeRecord({ kind: 'build', id: second! }, (draft) => void (draft.note = 'mine')),
    );
    const { document, clashes } = mergeBatches([note], elsewhere);
    expect(clashes).toEqual([]);
    expect(noteOf(document, second!)).toBe('mine');
    expect(noteOf(document, third!)).toBe(noteOf(demo, third!));
    expect(document.builds).toHaveLength(demo.builds.length - 1);
  });

  const note = (text: string) =>
    changeRecord({ kind: 'build', id: 'warm-ring' }, (draft) => void (draft.note = text));
  test('the same field: listed, theirs until chosen, mine when chosen', () => {
    const elsewhere = after(demo, note('theirs'));
    const mine = batchOf(demo, 'mine', note('mine'));
    const open = mergeBatches([mine], elsewhere);
    expect(open.clashes).toMatchObject([{ kind: 'field', mine: 'mine', theirs: 'theirs' }]);
    expect(noteOf(open.document, 'warm-ring')).toBe('theirs');
    const { key } = open.clashes[0]!;
    const taken = mergeBatches([mine], elsewhere, { [key]: 'mine' });
    expect(noteOf(taken.document, 'warm-ring')).toBe('mine');
    // Undo then brings back theirs, not the state before both.
    const { commands } = undoCommands(taken.document, taken.batches[0]!);
    expect(noteOf(done(taken.document, commands), 'warm-ring')).toBe('theirs');
    expect(mergeBatches([mine], elsewhere, { [key]: 'theirs' })).toMatchObject({
      batches: [],
      clashes: [],
    });
  });
  test('the same field to the same value is no question', () => {
    const same = after(demo, note('same'));
    expect(mergeBatches([batchOf(demo, 'm', note('same'))], same)).toMatchObject({
      batches: [],
      clashes: [],
    });
  });
  test('changed here, gone there: it comes back whole or stays away', () => {
    const elsewhere = after(demo, removeWhole('build', 'warm-ring'));
    const mine = batchOf(demo, 'mine', note('mine'));
    const local = after(demo, note('mine'));
    const { clashes } = mergeBatches([mine], elsewhere, {}, local);
    expect(clashes).toMatchObject([{ kind: 'gone', theirs: undefined }]);
    const choose = (choice: 'mine' | 'theirs') =>
      mergeBatches([mine], elsewhere, { [clashes[0]!.key]: choice }, local).document;
    expect(noteOf(choose('mine'), 'warm-ring')).toBe('mine');
    expect(noteOf(choose('theirs'), 'warm-ring')).toBeUndefined();
  });
  test('gone here, changed there: asked, not deleted unseen', () => {
    const elsewhere = after(demo, note('theirs'));
    const mine = batchOf(demo, 'mine', removeWhole('build', 'warm-ring'));
    const { clashes, document } = mergeBatches([mine], elsewhere);
    expect(clashes).toMatchObject([{ kind: 'removed', mine: undefined }]);
    expect(noteOf(document, 'warm-ring')).toBe('theirs');
  });
  test('another form here, another size there: one question for the whole form', () => {
    const form = changeRecord({ kind: 'build', id: 'warm-ring' }, (draft) => {
      draft.form = 'plain-source';
      draft.parameters = { source: 'bulb' };
    });
    const size = changeRecord(
      { kind: 'build', id: 'warm-ring' },
      (draft) => void (draft.parameters.outerDiameterM = 0.9),
    );
    const elsewhere = after(demo, size);
    const mine = batchOf(demo, 'mine', form);
    const { clashes, document } = mergeBatches([mine], elsewhere);
    expect(clashes).toHaveLength(1);
    expect(validateProduction(document).ok).toBe(true);
    const build = (choice: 'mine' | 'theirs') =>
      mergeBatches([mine], elsewhere, { [clashes[0]!.key]: choice }).document.builds.find(
        ({ id }) => id === 'warm-ring',
      );
    expect(build('mine')).toMatchObject({ form: 'plain-source', parameters: { source: 'bulb' } });
    expect(Object.keys(build('mine')!.parameters)).toEqual(['source']);
    expect(build('theirs')).toMatchObject({ form: 'bulb-ring' });
    expect(build('theirs')!.parameters.outerDiameterM).toBe(0.9);
  });
});

describe('undo after somebody else', () => {
  const name = (text: string) =>
    changeRecord({ kind: 'shot', id: 'clerk' }, (draft) => void (draft.name = text));
  test('leaves what was changed since', () => {
    const mine = batchOf(demo, 'm', name('mine'));
    const now = after(demo, name('mine'), name('theirs'));
    expect(undoCommands(now, mine)).toEqual({ commands: [], left: 1 });
  });
  test('a record added and then changed by others is not taken away', () => {
    const added = batchOf(
      demo,
      'm',
      addRecord({ kind: 'shot' }, { ...demo.shots[0]!, id: 'new' as never }),
    );
    const now = changed(done(demo, added.commands), (draft) => {
      draft.shots.at(-1)!.name = 'theirs';
    });
    expect(undoCommands(now, added)).toEqual({ commands: [], left: 1 });
  });
});
