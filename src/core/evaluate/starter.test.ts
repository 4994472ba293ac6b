import { bulbIn, sample } from '../testing/sample';
import { blankProduction, blankShot } from '../document/blank';
import { FORMS } from '../forms';
import { evaluateKnown as evaluate } from './testing';
import { findBuild, sceneOf } from './context';
import { galleryEntry, galleryFor } from './gallery';
import { begunBuild, carriedOver, starterParameters } from './starter';
import { unfit } from '../materials/takes';

const document = sample();
const forms = [...FORMS.values()];

describe.each(forms)('$id begun for the clerk', (form) => {
  const entry = galleryEntry(form, document, 'clerk')!;
  test('with parts from the shelf, and no stop among what can be chosen', () => {
    const { context } = sceneOf(document, document.builds[0]!);
    const { findings } = form.resolve(entry.parameters, context);
    expect(findings.filter(({ severity }) => severity === 'stop')).toEqual([]);
    for (const field of form.fields)
      if (field.kind === 'part' && !field.optional)
        expect(entry.parameters[field.parameter]).toBeTruthy();
  });
  test('what it sends one to the shop for is on the shelf and not on hand', () => {
    for (const { kind, id, needed } of entry.toBuy) {
      const records = kind === 'part' ? document.shelf.parts : document.shelf.units;
      expect(records.find((each) => each.id === id)!.onHand).toBeLessThan(needed);
    }
    const prices = entry.toBuy.map(({ priceMinor }) => priceMinor);
    expect(prices).toEqual(prices.toSorted((a, b) => b - a));
  });
  test('it is drawn, timed, weighed and priced by the engines', () => {
    expect(entry.view.shapes.length).toBeGreaterThan(0);
    expect(entry.view.handles).toEqual([]);
    expect(entry.hours).toBeGreaterThan(0);
    expect(entry.softnessDeg).toBeGreaterThan(0);
    expect(Number.isFinite(entry.marginStops)).toBe(true);
    expect(entry.fullMinor).toBeGreaterThanOrEqual(0);
  });
  test('what the gallery says is what the build then says', () => {
    const build = {
      ...document.builds[0]!,
      form: form.id,
      parameters: entry.parameters,
      accessories: [],
    };
    const found = evaluate({ ...document, builds: [build] }, build.id);
    if (!found.ok) throw new Error('a build');
    const rung = (id: string) => found.value.rungs.find((each) => each.id === id)!.value!;
    expect(entry.marginStops).toBeCloseTo(rung('stops'), 9);
    expect((entry.softnessDeg * Math.PI) / 180).toBeCloseTo(rung('softness'), 9);
    expect(entry.fullMinor).toBe(found.value.purchase.fullMinor);
  });
});

describe('the gallery', () => {
  const entries = galleryFor(document, 'clerk');
  test('every form once, in the registry’s order', () => {
    expect(entries.map(({ formId }) => formId)).toEqual(forms.map(({ id }) => id));
  });
  test('what meets the shot follows the shot', () => {
    const shot = document.shots.find(({ id }) => id === 'clerk')!;
    for (const { meets, softnessDeg, fullMinor, goodFor, marginStops } of entries) {
      expect(meets.softness).toBe(softnessDeg >= shot.softnessDeg);
      expect(meets.budget).toBe(fullMinor <= shot.budgetMinor!);
      expect(meets.use).toBe(goodFor.includes('face'));
      expect(meets.light).toBe(marginStops! > -0.25);
    }
    expect(entries.some(({ meets }) => meets.use && meets.softness && meets.light)).toBe(true);
    expect(entries.some(({ meets }) => !meets.softness)).toBe(true);
  });
  test('no shot, no gallery', () => expect(galleryFor(document, 'nothing')).toEqual([]));
  test('an empty shelf still shows every form, with its questions open', () => {
    const blank = blankProduction({ production: 'p', circuit: 'c' }, 'New', 'eu-230-50', 'EUR');
    blank.shots.push(blankShot('s', 'First'));
    const bare = galleryFor(blank, 's');
    expect(bare).toHaveLength(forms.length);
    for (const { formId, marginStops } of bare)
      if (formId !== 'plain-source') expect(marginStops).toBeNull();
  });
});

/** The sample, some of its things on hand; and a production that owns all the wrong ones. */
const owning = (ids: readonly string[]) => {
  const owned = structuredClone(document);
  for (const record of [...owned.shelf.parts, ...owned.shelf.units])
    record.onHand = ids.includes(record.id) ? 5 : 0;
  return owned;
};
const shelves = [
  ['nothing on hand', owning([])],
  [
    'a tin, a tube of tape, boards',
    owning(['pan-36', 'tape-24-120-4000', 'ply-9', 'foam-core-5', 'alu-1']),
  ],
  [
    'what fits hardly anything',
    owning(['corn-15', 'tape-rgb-12', 'opal-sheet-3', 'pipe-20', 'mdf-6']),
  ],
] as const;

describe.each(shelves)('begun from a shelf with %s', (_, shelf) => {
  describe.each(forms)('$id', (form) => {
    const begun = shelf.shots.map((shot) => {
      const parameters = starterParameters(form, shelf, shot.id);
      const build = begunBuild(form, shot.id, shelf.circuits[0]!.id, parameters);
      const found = evaluate({ ...shelf, builds: [build] }, build.id);
      if (!found.ok) throw new Error('a build');
      return { shot, parameters, readouts: found.value };
    });
    test('has no stop for any shot', () => {
      for (const { shot, readouts } of begun)
        expect([
          shot.id,
          ...readouts.findings.flatMap((f) => (f.severity === 'stop' ? f.title : [])),
        ]).toEqual([shot.id]);
    });
    test('every part is of the kind its place takes', () => {
      for (const { parameters } of begun)
        for (const field of form.fields)
          if (field.kind === 'part' && parameters[field.parameter]) {
            const part = shelf.shelf.parts.find(({ id }) => id === parameters[field.parameter])!;
            expect(part.role).toBe(field.role);
            expect(unfit(field.takes, part)).toBeNull();
          }
    });
    test('is within a stop of a face’s light', () => {
      const { readouts } = begun.find(({ shot }) => shot.id === 'clerk')!;
      expect(readouts.rungs.find(({ id }) => id === 'stops')!.value).toBeGreaterThan(-1);
    });
  });
  test('what is on hand goes first where it does as well', () => {
    const owned = (id: string) => shelf.shelf.parts.find((each) => each.id === id)!.onHand > 0;
    const pan = starterParameters(FORMS.get('strip-pan')!, shelf, 'clerk');
    expect(pan.panPartId).toBe('pan-36');
    const light = starterParameters(FORMS.get('work-light')!, shelf, 'clerk');
    if (owned('alu-1')) expect(light.boardPartId).toBe('alu-1');
  });
});

describe('what a build starts with', () => {
  test('bulbs of the circuit’s voltage, on both sides of the sea', () => {
    for (const [circuit, volts] of [
      ['hall-a', 230],
      ['generator', 120],
    ] as const) {
      const { groups } = starterParameters(
        FORMS.get('bulb-ring')!,
        document,
        'clerk',
        circuit,
      ) as unknown as {
        groups: { bulbId: string }[];
      };
      const bulb = bulbIn(document.shelf, groups[0]!.bulbId);
      expect(bulb.supplyV).toBe(volts);
    }
  });
  test('the white nearest to the shot’s', () => {
    const cct = (shotId: string) => {
      const { stripId } = starterParameters(FORMS.get('strip-ring')!, document, shotId) as {
        stripId: string;
      };
      return document.shelf.units.find(({ id }) => id === stripId)!.cctK!;
    };
    expect(cct('clerk')).toBe(4000);
    expect(cct('crossing')).toBe(5000);
  });
  test('the cheaper of two that are alike, where the dearer goes over the budget', () => {
    const dear = structuredClone(owning([]));
    const shot = dear.shots.find(({ id }) => id === 'clerk')!;
    const chosen = () =>
      (starterParameters(FORMS.get('strip-pan')!, dear, 'clerk') as { stripId: string }).stripId;
    const tape = dear.shelf.units.find(({ id }) => id === chosen())!;
    // First in the list and dearer in nothing but money.
    dear.shelf.units.unshift({ ...tape, id: 'gold' as typeof tape.id, priceMinor: 90_000 });
    shot.budgetMinor = 20_000;
    expect(chosen()).toBe(tape.id);
    shot.budgetMinor = null;
    expect(chosen()).toBe('gold');
  });
  test('a supply of the tape’s voltage', () => {
    const { stripId, supplyPartId } = starterParameters(
      FORMS.get('strip-ring')!,
      document,
      'machine',
    ) as Record<string, string>;
    const strip = document.shelf.units.find(({ id }) => id === stripId)!;
    const supply = document.shelf.parts.find(({ id }) => id === supplyPartId)!;
    expect(strip.category === 'strip' && supply.role === 'supply' && supply.voltageV).toBe(
      strip.category === 'strip' && strip.voltageV,
    );
  });
});

/** Beginning a form tries every part on the shelf: once a form and shot is enough. */
const begun = new Map<string, ReturnType<typeof starterParameters>>();
const starterFor = (formId: string, shotId: string) => {
  const key = `${formId} ${shotId}`;
  if (!begun.has(key)) begun.set(key, starterParameters(FORMS.get(formId)!, document, shotId));
  return begun.get(key)!;
};

describe('changing form keeps what can be kept', () => {
  const turn = (buildId: string, formId: string) => {
    const build = findBuild(document, buildId)!;
    const form = FORMS.get(formId)!;
    const starter = starterFor(formId, 'clerk');
    const { context } = sceneOf(document, build);
    return { build, form, context, ...carriedOver(form, build.parameters, starter, context) };
  };
  test('a ring of bulbs becomes a ring of tape: board, cord, plug and diameter stay', () => {
    const { parameters, kept, build } = turn('warm-ring', 'strip-ring');
    for (const stays of ['outerDiameterM', 'boardPartId', 'cordPartId', 'plugPartId'])
      expect(parameters[stays]).toBe(build.parameters[stays]);
    expect(kept).toEqual(expect.arrayContaining(['outerDiameterM', 'boardPartId']));
  });
  test('bulbs and sockets go with a ring that becomes a board', () => {
    const { parameters } = turn('clerk-ring', 'bulb-board');
    expect(parameters.groups).toEqual(findBuild(document, 'clerk-ring')!.parameters.groups);
    expect(parameters.socketPartId).toBe('socket-e27');
  });
  test('what would make it impossible is left behind', () => {
    const { parameters, form, context } = turn('clerk-ring', 'bulb-board');
    expect(form.problems(parameters, context)).toEqual([]);
  });
  test.each(forms.map(({ id }) => id))(
    'any build can become a %s, valid and makeable',
    (formId) => {
      for (const { id } of document.builds) {
        const { parameters, form, context } = turn(id, formId);
        const read = form.parameters.safeParse(parameters);
        expect(read.success).toBe(true);
        expect(form.problems(read.data, context)).toEqual([]);
      }
    },
  );
});
