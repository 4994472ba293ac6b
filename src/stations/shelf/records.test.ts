import { nightFerry } from '@/demo/nightFerry';
import { PART_RECORDS, partSchema, ROLES } from '@/core/materials/part';
import type { RecordField } from '@/core/record/field';
import { CATEGORIES, UNIT_RECORDS, unitSchema } from '@/core/units/unit';
import { validateProduction } from '@/core/document/read';
import { removeFromShelf, setParameters } from '@/core/document/records';
import { shelfReferences } from '@/core/document/references';
import { after } from '@/core/document/testing';
import { copiedPart, copiedUnit, newPart, newUnit } from './newRecords';

const demo = nightFerry();

/** Every field must be taken by the schema at both its ends and refused past them. */
function expectWithin(
  fields: readonly RecordField[],
  base: object,
  takes: (value: object) => boolean,
): void {
  for (const field of fields) {
    const put = (value: unknown) => takes({ ...base, [field.field]: value });
    expect(Object.keys(base)).toContain(field.field);
    if (field.kind === 'quantity') {
      expect([field.label, put(field.min), put(field.max)]).toEqual([field.label, true, true]);
      expect([field.label, put(field.max * 2 + 1)]).toEqual([field.label, false]);
      expect([field.label, put(null)]).toEqual([field.label, field.emptyText !== undefined]);
    } else if (field.kind === 'choice') {
      for (const { value } of field.options)
        expect([field.label, value, put(value)]).toEqual([field.label, value, true]);
    } else if (field.kind === 'money') {
      expect([put(0), put(-1), put(0.5)]).toEqual([true, false, false]);
    } else {
      expect([put({ class: 'omni' }), put({ class: 'reflector' })]).toEqual([true, false]);
    }
  }
}

describe.each(CATEGORIES)('units: %s', (category) => {
  const fresh = newUnit(demo.shelf, category, 'New one', 230);
  test('begins as an empty label that the document takes', () => {
    expect(unitSchema.safeParse(fresh).success).toBe(true);
    expect(fresh).toMatchObject({ category, cctK: null, criRa: null, priceMinor: null });
    // A placeholder is nobody's word.
    expect(fresh.origins).toEqual({});
  });
  test('fields keep within what the document takes', () => {
    expectWithin(
      UNIT_RECORDS[category].fields,
      fresh,
      (value) => unitSchema.safeParse(value).success,
    );
  });
  test('every measured figure has a field', () => {
    const shown = new Set(UNIT_RECORDS[category].fields.map(({ field }) => field));
    const figures = Object.entries(fresh).filter(([, value]) => typeof value === 'number');
    for (const [field] of figures) expect(shown).toContain(field);
  });
});

describe.each(ROLES)('parts: %s', (role) => {
  const fresh = newPart(demo.shelf, role, 'New one');
  test('begins as a part that the document takes', () => {
    expect(partSchema.safeParse(fresh).success).toBe(true);
  });
  test('fields keep within what the document takes', () => {
    expectWithin(PART_RECORDS[role].fields, fresh, (value) => partSchema.safeParse(value).success);
  });
  test('every measured figure has a field', () => {
    const shown = new Set(PART_RECORDS[role].fields.map(({ field }) => field));
    const figures = Object.entries(fresh).filter(([, value]) => typeof value === 'number');
    for (const [field] of figures) expect(shown).toContain(field);
  });
});

describe('copies', () => {
  test('have an id and a name of their own', () => {
    const unit = copiedUnit(demo.shelf, demo.shelf.units[0]!);
    expect(unit.id).not.toBe(demo.shelf.units[0]!.id);
    expect(unit.name).not.toBe(demo.shelf.units[0]!.name);
    const part = copiedPart(demo.shelf, demo.shelf.parts[0]!);
    expect(part.id).not.toBe(demo.shelf.parts[0]!.id);
    const whole = {
      ...demo,
      shelf: {
        ...demo.shelf,
        units: [...demo.shelf.units, unit],
        parts: [...demo.shelf.parts, part],
      },
    };
    expect(validateProduction(JSON.parse(JSON.stringify(whole))).ok).toBe(true);
  });
});

describe('taking something off the shelf', () => {
  test.each([
    ['unit', 'units', 'tape-24-120-4000'],
    ['part', 'parts', 'foam-core-5'],
    ['unit', 'units', 'globe-g45-3'],
  ] as const)('%s %s %s: builds are left with an empty place', (kind, list, id) => {
    const document = after(demo, removeFromShelf(kind, id));
    expect(document.shelf[list].some((each) => each.id === id)).toBe(false);
    for (const build of document.builds)
      expect([...shelfReferences(build)]).not.toContain(`${kind}:${id}`);
    expect(validateProduction(JSON.parse(JSON.stringify(document))).ok).toBe(true);
  });
  test('what is not there is not taken', () => {
    expect(removeFromShelf('part', 'nothing')(demo)).toEqual([]);
  });
  // The sample has a part called “foil” and a lining chosen as “foil”.
  test('a part called like a choice is no reference to it', () => {
    const hooded = demo.builds.find(({ accessories }) =>
      accessories.some(({ parameters }) => parameters.lining === 'foil'),
    )!;
    const document = after(demo, removeFromShelf('part', 'foil'));
    const build = document.builds.find(({ id }) => id === hooded.id)!;
    expect(build.accessories.map(({ parameters }) => parameters.lining)).toContain('foil');
    expect(validateProduction(JSON.parse(JSON.stringify(document))).ok).toBe(true);
  });
});

describe('setting parameters', () => {
  const set = (parameters: Record<string, unknown>) =>
    after(demo, setParameters('clerk-pan', parameters as never)).builds.find(
      ({ id }) => id === 'clerk-pan',
    )!;
  test('of the form', () => expect(set({ depthM: 0.1 }).parameters.depthM).toBe(0.1));
  test('of an accessory, by its id', () => {
    const pan = set({ 'pan-hood.lengthM': 0.33 });
    expect(pan.accessories.find(({ id }) => id === 'pan-hood')!.parameters.lengthM).toBe(0.33);
    expect(pan.parameters).not.toHaveProperty('pan-hood.lengthM');
  });
  test('of an accessory that is not there: nothing', () => {
    expect(setParameters('clerk-pan', { 'gone.lengthM': 1 })(demo)).toEqual([]);
  });
});
