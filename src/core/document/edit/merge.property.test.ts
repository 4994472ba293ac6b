import fc from 'fast-check';
import { sample } from '../../testing/sample';
import type { Production } from '../production';
import { validateProduction } from '../read';
import { removeWhole } from '../records';
import { after, changed } from '../testing';
import {
  addRecord,
  batchSchema,
  changeRecord,
  commandSchema,
  diffDocuments,
  listPlace,
  mergeBatches,
  recordKey,
  undoCommands,
  type Batch,
} from '.';
import { anyChange, batchOf, done, historyOf, plain, recordsNamed, unordered } from './testing';

const demo = sample();

/** The same histories every time. */
const seed = 2026;
const noteOf = (document: Production, id: string) =>
  document.builds.find((build) => build.id === id)?.note;

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
      { seed },
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
      { seed },
    );
  });
  test('goes through JSON and its own schema unchanged', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 6 }), (changes) => {
        for (const batch of historyOf(demo, 'a', changes).batches)
          expect(batchSchema.parse(plain(batch))).toEqual(plain(batch));
      }),
      { seed },
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
  /** The records named, and those that hold them: an accessory goes with its build. */
  const concerned = (batches: readonly Batch[]) =>
    new Set([
      ...named(batches),
      ...batches.flatMap(({ commands }) =>
        commands.flatMap((each) => {
          const owner = listPlace(each)?.owner;
          return owner ? [recordKey(owner)] : [];
        }),
      ),
    ]);

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
      { seed, numRuns: 200 },
    );
  });
  test('that touch different records come to the same document either way', () => {
    fc.assert(
      fc.property(two, ([left, right]) => {
        const a = historyOf(demo, 'a', left);
        const b = historyOf(demo, 'b', right);
        const mine = concerned(b.batches);
        fc.pre([...concerned(a.batches)].every((key) => !mine.has(key)));
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
      { seed },
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
      { seed },
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
    expect(undoCommands(now, mine)).toEqual({ commands: [], left: 1, closed: false });
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
    expect(undoCommands(now, added)).toEqual({ commands: [], left: 1, closed: false });
  });
});
