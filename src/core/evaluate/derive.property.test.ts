import fc from 'fast-check';
import type { Bulb } from '../units/unit';
import { bulbsOf, sample } from '../testing/sample';
import { addRecord, changeRecord, moveRecord, type Change } from '../document/edit';
import type { Production } from '../document/production';
import { removeBuild, removeFromShelf, removeShot } from '../document/records';
import { after } from '../document/testing';
import { checkProduction } from './checkProduction';
import { circuitLoads } from './circuitLoads';
import { Derivations } from './derive';
import { evaluate } from './evaluate';

const demo = sample();
const CELLS = 4;
/** The same edits every time. */
const seed = 2026;

/** What was worked out between two looks, each with how often. */
function workOf(derivations: Derivations, look: () => unknown): Record<string, number> {
  const before = new Map(derivations.worked);
  look();
  return Object.fromEntries(
    [...derivations.worked]
      .map(([name, times]) => [name, times - (before.get(name) ?? 0)] as const)
      .filter(([, times]) => times > 0),
  );
}
const looked = (derivations: Derivations, document: Production, id: string) =>
  evaluate(document, id, { derivations, gridCells: CELLS });

const anyEdit: fc.Arbitrary<Change> = fc
  .record({
    nth: fc.nat(60),
    what: fc.constantFrom(
      'note',
      'price',
      'stock',
      'watts',
      'size',
      'copies',
      'standing',
      'shot',
      'budget',
      'circuit',
      'plug',
      'fill',
      'part gone',
      'shot gone',
      'build gone',
      'build copied',
      'order',
    ),
    factor: fc.double({ min: 0.8, max: 1.2, noNaN: true }),
  })
  .map(({ nth, what, factor }): Change => (document) => {
    const pick = <T>(list: readonly T[]): T | undefined => list[nth % Math.max(1, list.length)];
    const build = pick(document.builds);
    const shot = pick(document.shots);
    const bulb = pick(bulbsOf(document.shelf));
    const part = pick(document.shelf.parts);
    const circuit = pick(document.circuits);
    if (!build || !shot || !bulb || !part || !circuit) return [];
    const own = { kind: 'build', id: build.id } as const;
    const edits: Record<string, Change> = {
      note: changeRecord(own, (draft) => void (draft.note = `n${nth}`)),
      price: changeRecord({ kind: 'part', id: part.id }, (draft) => void (draft.priceMinor! += 7)),
      stock: changeRecord({ kind: 'unit', id: bulb.id }, (draft) => void (draft.onHand = nth)),
      watts: changeRecord(
        { kind: 'unit', id: bulb.id },
        (draft) => void ((draft as Bulb).wattsW *= factor),
      ),
      size: changeRecord(own, (draft) => {
        for (const [name, value] of Object.entries(draft.parameters))
          if (/^(ringWidthM|depthM|heightM)$/.test(name) && typeof value === 'number')
            draft.parameters[name] = value * factor;
      }),
      copies: changeRecord(own, (draft) => void (draft.copies = 1 + (nth % 3))),
      standing: changeRecord(own, (draft) => {
        draft.standing = draft.standing === 'in use' ? 'an idea' : 'in use';
      }),
      shot: changeRecord({ kind: 'shot', id: shot.id }, (draft) => {
        draft.fNumber *= factor;
        draft.distanceM *= factor;
      }),
      budget: changeRecord({ kind: 'shot', id: shot.id }, (draft) => {
        draft.budgetMinor = nth * 100;
        draft.name = `Shot ${nth}`;
      }),
      circuit: changeRecord({ kind: 'circuit', id: circuit.id }, (draft) => {
        draft.otherLoadW = nth * 20;
      }),
      plug: changeRecord(own, (draft) => void (draft.circuitId = circuit.id)),
      fill: changeRecord(own, (draft) => {
        if ('fillMode' in draft.parameters)
          draft.parameters.fillMode = ['count', 'fit', 'target', 'onHand'][nth % 4]!;
      }),
      'part gone': removeFromShelf('part', part.id),
      'shot gone': removeShot(shot.id, 'stay'),
      'build gone': document.builds.length > 4 ? removeBuild(build.id) : () => [],
      'build copied': addRecord({ kind: 'build' }, { ...build, id: `copy-${nth}` as never }),
      order: moveRecord(own, null),
    };
    try {
      return edits[what]!(document);
    } catch {
      return [];
    }
  });

/** Applies what can be applied; a copy under an id that is there already cannot. */
function tried(document: Production, change: Change): Production {
  try {
    return after(document, change);
  } catch {
    return document;
  }
}

describe('what is kept', () => {
  test('is what working out from nothing gives, after any edits', () => {
    fc.assert(
      fc.property(fc.array(anyEdit, { minLength: 1, maxLength: 10 }), fc.nat(16), (edits, nth) => {
        const derivations = new Derivations();
        let document = demo;
        for (const change of edits) {
          document = tried(document, change);
          const { id } = document.builds[nth % document.builds.length]!;
          expect(looked(derivations, document, id)).toEqual(
            evaluate(document, id, { gridCells: CELLS }),
          );
        }
        expect(circuitLoads(document, derivations)).toEqual(circuitLoads(document));
      }),
      { seed, numRuns: 25 },
    );
  });
  test('for the findings of every build too', () => {
    fc.assert(
      fc.property(fc.array(anyEdit, { minLength: 2, maxLength: 6 }), (edits) => {
        const derivations = new Derivations();
        let document = demo;
        for (const change of edits) {
          checkProduction(document, derivations);
          document = tried(document, change);
        }
        expect(checkProduction(document, derivations)).toEqual(checkProduction(document));
      }),
      { seed, numRuns: 6 },
    );
  });
  test('is plain data: it can be handed to a worker', () => {
    for (const { id } of demo.builds) {
      const found = evaluate(demo, id, { gridCells: CELLS });
      expect(found.ok && structuredClone(found.value)).toEqual(found.ok && found.value);
    }
  });
});

describe.each(['clerk-pan', 'deck-sky', 'cabin-box'])('%s is worked out again', (id) => {
  const own = demo.builds.find((build) => build.id === id)!;
  const neighbour = circuitLoads(demo)
    .find(({ circuit }) => circuit.id === own.circuitId)!
    .builds.find((build) => build.id !== id && build.amps > 0)!;
  const first = () => {
    const derivations = new Derivations();
    return { derivations, before: looked(derivations, demo, id) };
  };
  const workAfter = (change: Change) => {
    const { derivations, before } = first();
    const document = after(demo, change);
    let found: ReturnType<typeof evaluate> | null = null;
    const work = workOf(derivations, () => (found = looked(derivations, document, id)));
    return { work, before, found: found as unknown as typeof before };
  };
  const note = (kind: 'build' | 'shot', of: string) =>
    changeRecord({ kind, id: of }, (draft) => void (draft.note = 'a note'));

  test('not at all after a note of its own, of a neighbour, of the production, of its shot', () => {
    for (const change of [
      note('build', id),
      note('build', neighbour.id),
      note('shot', own.shotId!),
      changeRecord({ kind: 'production', id: demo.id }, (draft) => void (draft.note = 'x')),
    ]) {
      const { work, before, found } = workAfter(change);
      expect(work).toEqual({});
      expect(found.ok && found.value).toBe(before.ok && before.value);
    }
  });
  test('in its cost alone after a price', () => {
    const part = demo.shelf.parts.find(({ id: each }) =>
      JSON.stringify(own.parameters).includes(`"${each}"`),
    )!;
    const { work } = workAfter(
      changeRecord({ kind: 'part', id: part.id }, (draft) => void (draft.priceMinor! += 100)),
    );
    expect(Object.keys(work).toSorted()).toEqual(
      ['comparisons', 'cost', 'cost rung', 'readouts'].toSorted(),
    );
  });
  test('in its power alone after a neighbour grew', () => {
    const { work } = workAfter(
      changeRecord({ kind: 'build', id: neighbour.id }, (draft) => void (draft.copies += 1)),
    );
    for (const name of ['resolve', 'cuts', 'cost', 'drawing', `light ${CELLS}`])
      expect(work).not.toHaveProperty([name]);
    expect(work).toMatchObject({ power: 1 });
  });
});

test('an idea loads no circuit, and is judged as if it were on', () => {
  const id = 'clerk-pan';
  const idea = after(
    demo,
    changeRecord({ kind: 'build', id }, (draft) => void (draft.standing = 'an idea')),
  );
  const of = (document: Production) =>
    circuitLoads(document).find(({ builds }) => builds.some((build) => build.id === id))!;
  const amps = of(demo).builds.find((build) => build.id === id)!.amps;
  expect(amps).toBeGreaterThan(0);
  expect(of(idea).totalA).toBeCloseTo(of(demo).totalA - amps, 9);
  const power = (document: Production) => {
    const found = evaluate(document, id);
    return found.ok && found.value.kind === 'worked out' ? found.value.wire.fullA : NaN;
  };
  expect(power(idea)).toBeCloseTo(power(demo), 9);
});

test('a build without a shot is worked out and says so', () => {
  const document = after(demo, removeShot(demo.shots[0]!.id, 'stay'));
  const { id } = demo.builds.find(({ shotId }) => shotId === demo.shots[0]!.id)!;
  const found = evaluate(document, id);
  expect(found.ok && found.value.kind).toBe('worked out');
  expect(found.ok && found.value.findings.map((finding) => finding.id)).toContain('build.no-shot');
});

test('a form nobody knows has nothing but its finding', () => {
  const document = after(
    demo,
    changeRecord({ kind: 'build', id: 'clerk-ring' }, (draft) => void (draft.form = 'tomorrow')),
  );
  expect(evaluate(document, 'clerk-ring')).toMatchObject({
    ok: true,
    value: { kind: 'unknown form', formId: 'tomorrow', findings: [{ id: 'form.unknown' }] },
  });
});
