import { sample } from '../testing/sample';
import { evaluateKnown as evaluate } from '../evaluate/testing';
import {
  endsOf,
  leftAfter,
  nextTest,
  suspectsOf,
  SYMPTOMS,
  waysOf,
  type Suspect,
  type SymptomId,
} from './faults';

const document = sample();
const graphs = document.builds.flatMap(({ id }) => {
  const found = evaluate(document, id);
  if (!found.ok) throw new Error(id);
  const { wiring } = found.value.wire;
  return endsOf(wiring).length > 0 ? [[id, wiring] as const] : [];
});

/** Asks until nothing is left to ask, as a bench where one thing is broken would answer. */
function found(symptom: SymptomId, suspects: readonly Suspect[], broken: string) {
  let left = [...suspects];
  let tests = 0;
  for (let test = nextTest(symptom, left); test; test = nextTest(symptom, left)) {
    const isNear = left.slice(0, test.near).some(({ id }) => id === broken);
    left = leftAfter(left, test, test.yes === 'near' ? isNear : !isNear);
    tests++;
  }
  return { left, tests };
}

describe.each(graphs)('%s', (_, graph) => {
  const ends = endsOf(graph);
  const all = new Set(ends.map(({ id }) => id));
  test('every lamp and feed is reached from the plug, every wire once', () => {
    const ways = waysOf(graph);
    for (const { id } of ends) {
      const way = ways.get(id)!;
      expect(way[0]!.kind).toBe('plug');
      expect(way.at(-1)!.id).toBe(id);
      expect(new Set(way.map((each) => each.id)).size).toBe(way.length);
    }
  });
  test.each(Object.keys(SYMPTOMS) as SymptomId[])(
    '%s: whichever one thing it is, halving finds it',
    (symptom) => {
      const suspects = suspectsOf(graph, symptom, all);
      expect(suspects.length).toBeGreaterThan(0);
      for (const { id } of suspects) {
        const { left, tests } = found(symptom, suspects, id);
        expect(left.map((each) => each.id)).toEqual([id]);
        // Halving, as it is taught (common practice): no more than the next power of two.
        expect(tests).toBeLessThanOrEqual(Math.ceil(Math.log2(Math.max(2, suspects.length))));
      }
    },
  );
  test('one dark lamp: only what is on its way and on no other’s', () => {
    for (const end of ends) {
      const suspects = suspectsOf(graph, 'part', new Set([end.id]));
      expect(suspects.at(-1)!.id).toBe(end.id);
      if (ends.length > 1) expect(suspects.some(({ kind }) => kind === 'plug')).toBe(false);
    }
  });
  test('every test says to unplug first, or that nothing is opened', () => {
    for (const symptom of Object.keys(SYMPTOMS) as SymptomId[]) {
      const test = nextTest(symptom, suspectsOf(graph, symptom, all));
      if (test) expect(test.first).toMatch(/unplug|nothing is opened/i);
    }
  });
});

test('half of a chain of sixteen dark: the wire into the first dark one, or what it ends at', () => {
  const graph = graphs.find(([id]) => id === 'clerk-ring')![1];
  const dark = new Set(Array.from({ length: 8 }, (_, k) => `lamp-${k + 9}`));
  const suspects = suspectsOf(graph, 'part', dark);
  expect(suspects.map(({ name }) => name)).toEqual([
    'wire from lamp 8 to lamp 9',
    'terminals at lamp 9',
  ]);
});
