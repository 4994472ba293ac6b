import fc from 'fast-check';
import { sample } from '../testing/sample';
import { applyCommands, LIST_KINDS, listOf, type Command } from './edit';
import { anyChange, historyOf } from './edit/testing';
import { validateProduction } from './read';
import { stillSound } from './touched';

const demo = sample();

/** Commands somebody might send who knows nothing of what fits: about half of them leave something unsound. */
const anyCommand: fc.Arbitrary<Command> = fc
  .record({
    kind: fc.constantFrom(...LIST_KINDS),
    nth: fc.nat(40),
    field: fc.constantFrom(
      'name',
      'note',
      'shotId',
      'buildId',
      'circuitId',
      'things',
      'parameters',
    ),
    what: fc.constantFrom('set', 'unset', 'remove', 'again', 'inner' as const),
    value: fc.oneof(
      fc.string({ maxLength: 8 }),
      fc.constantFrom('', null, 'nobody', [], {}, 1e9, ...demo.shots.map(({ id }) => id)),
    ),
  })
  .map(({ kind, nth, field, what, value }): Command => {
    const list = listOf(demo, { kind })!;
    const record = list[nth % Math.max(1, list.length)] ?? demo.builds[0]!;
    const ref = { kind, id: record.id };
    switch (what) {
      case 'set':
        return { do: 'set', ...ref, path: [field], value };
      case 'unset':
        return { do: 'unset', ...ref, path: [field] };
      case 'remove':
        return { do: 'remove', ...ref };
      case 'again':
        return {
          do: 'add',
          kind,
          id: `n${nth}`,
          record: { ...record, id: `n${nth}` },
          after: null,
        };
      case 'inner': {
        const of = demo.builds[nth % demo.builds.length]!.id;
        const accessory = { id: `a${nth % 3}`, kind: 'odd', parameters: value };
        return {
          do: 'add',
          kind: 'accessory',
          id: accessory.id,
          of,
          record: accessory,
          after: null,
        };
      }
    }
  });

test('what was touched tells as much as reading all of it', () => {
  const seen = { sound: 0, unsound: 0 };
  fc.assert(
    fc.property(fc.array(anyCommand, { minLength: 1, maxLength: 3 }), (commands) => {
      const done = applyCommands(demo, commands);
      if (!done.ok) return;
      const sound = validateProduction(done.value.document).ok;
      seen[sound ? 'sound' : 'unsound'] += 1;
      expect(stillSound(done.value.document, commands)).toBe(sound);
    }),
    { seed: 2026, numRuns: 250 },
  );
  // A test of one kind alone would say nothing.
  expect(Math.min(seen.sound, seen.unsound)).toBeGreaterThan(30);
});

test('what screens make is sound', () => {
  fc.assert(
    fc.property(fc.array(anyChange, { maxLength: 6 }), (changes) => {
      const { document, batches } = historyOf(demo, 'a', changes);
      const commands = batches.flatMap((batch) => batch.commands);
      expect(stillSound(document, commands)).toBe(validateProduction(document).ok);
    }),
    { seed: 2026, numRuns: 30 },
  );
});
