import { bulbIn, sample } from '../testing/sample';
import { blankProduction, blankShot } from '../document/blank';
import { FORMS } from '../forms';
import { evaluateKnown as evaluate } from './testing';
import { findBuild, sceneOf } from './context';
import { galleryEntry, galleryFor } from './gallery';
import { carriedOver, starterParameters } from './starter';

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
    expect(kept).toEqual(expect.arrayContaining(['outerDiameterM', 'boardPartId', 'cordPartId']));
    expect(parameters.outerDiameterM).toBe(build.parameters.outerDiameterM);
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
