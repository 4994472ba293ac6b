import { readFileSync } from 'node:fs';
import * as z from 'zod';
import { nightFerry } from '@/demo/nightFerry';
import { blankProduction, blankShot } from './blank';
import { freeName, removeFromShelfInPlace, removeShotInPlace } from './commands';
import { applyEdit, applyForeignPatches, edit, patchSchema, revertEdit } from './edit';
import { MIGRATIONS } from './migrations';
import { DOCUMENT_VERSION, productionSchema, type Production } from './production';
import { readDocument, readDocumentText } from './read';
import { summarise } from './summary';

const demo = nightFerry();
const wrong = (change: (draft: Production) => void): string[] => {
  const copy = JSON.parse(JSON.stringify(demo));
  change(copy);
  const read = readDocument(copy);
  return read.ok ? [] : read.problems.map(({ code, path }) => `${path} ${code}`);
};

describe('reading', () => {
  test('export and import lose nothing', () => {
    const read = readDocumentText(JSON.stringify(demo));
    expect(read).toEqual({ ok: true, value: demo });
  });
  test('a byte-order mark is forgiven', () => {
    expect(readDocumentText(`\ufeff${JSON.stringify(demo)}`).ok).toBe(true);
  });
  test.each<[string, unknown, string]>([
    ['rubbish', 'x'.repeat(5_000_000), 'not_json'],
    ['an array', '[]', 'not_a_document'],
    ['null', 'null', 'not_a_document'],
    ['another format', '{"format":"x","version":1}', 'wrong_format'],
    ['no version', '{"format":"lantern-jar-production"}', 'wrong_version'],
    ['version 0', '{"format":"lantern-jar-production","version":0}', 'wrong_version'],
    ['version "1"', '{"format":"lantern-jar-production","version":"1"}', 'wrong_version'],
    ['a newer version', '{"format":"lantern-jar-production","version":99}', 'newer_version'],
  ])('%s is refused', (_name, text, code) => {
    const read = readDocumentText(text as string);
    expect(!read.ok && read.problems[0]!.code).toBe(code);
  });
  test('missing parts, wrong types, values out of range: each at its path', () => {
    expect(wrong((draft) => void delete (draft as Partial<Production>).shots)).toEqual([
      'shots invalid_type',
    ]);
    expect(wrong((draft) => void (draft.shots[2]!.fNumber = 'wide' as never))).toEqual([
      'shots.2.fNumber invalid_type',
    ]);
    expect(wrong((draft) => void (draft.shots[0]!.distanceM = -1))).toEqual([
      'shots.0.distanceM too_small',
    ]);
    expect(wrong((draft) => void (draft.shelf.bulbs[0]!.priceMinor = 1.5))).toEqual([
      'shelf.bulbs.0.priceMinor invalid_type',
    ]);
  });
  test('dangling references and doubled ids', () => {
    expect(wrong((draft) => void (draft.builds[0]!.shotId = 'gone' as never))).toEqual([
      'builds.0.shotId dangling',
    ]);
    expect(wrong((draft) => void (draft.shots[1]!.id = 'clerk' as never))).toContain(
      'shots.1.id double_id',
    );
  });
  test('parameters of a known form are checked, of an unknown form kept untouched', () => {
    const bad = (draft: Production) => void (draft.builds[0]!.parameters.outerDiameterM = 'big');
    expect(wrong(bad)).toEqual(['builds.0.parameters.outerDiameterM invalid_type']);
    const parameters = { anything: [1, { deep: true }] };
    const copy = structuredClone(demo);
    Object.assign(copy.builds[0]!, { form: 'from-the-future', parameters });
    const read = readDocument(JSON.parse(JSON.stringify(copy)));
    expect(read.ok && read.value.builds[0]!.parameters).toEqual(parameters);
  });
});

test('migrations are gapless, and the kept samples of older versions still open', () => {
  expect(MIGRATIONS).toHaveLength(DOCUMENT_VERSION - 1);
  const kept = readFileSync('src/core/document/fixtures/version-1.json', 'utf8');
  const read = readDocumentText(kept);
  expect(read.ok && read.value.builds.map(({ id }) => id)).toEqual([
    'clerk-ring',
    'warm-ring',
    'stamp-ring',
  ]);
});

describe('from version 2 to 3', () => {
  const kept = JSON.parse(readFileSync('src/core/document/fixtures/version-2.json', 'utf8'));
  const read = readDocument(structuredClone(kept));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  test('doors stand open at 45°, a bounced lamp 1 m from its surface; all else is kept', () => {
    const lifted = read.value.builds;
    expect(lifted).toHaveLength(kept.builds.length);
    for (const [at, build] of kept.builds.entries()) {
      expect(lifted[at]!.parameters).toMatchObject(build.parameters);
      const doors = lifted[at]!.accessories.find(({ kind }) => kind === 'barn-doors');
      const holder = build.form === 'work-light' ? lifted[at]! : doors!;
      expect(holder.parameters.openedRad).toBeCloseTo(Math.PI / 4, 12);
      if (build.form === 'work-light') expect(lifted[at]!.parameters.bounceDistanceM).toBe(1);
    }
  });
});

describe('from version 3 to 4', () => {
  const kept = JSON.parse(readFileSync('src/core/document/fixtures/version-3.json', 'utf8'));
  const read = readDocument(structuredClone(kept));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  test('tape gets leads and typical copper, nothing is signed off, all else is kept', () => {
    const { builds, shelf, shots } = read.value;
    expect(builds).toHaveLength(kept.builds.length);
    for (const [at, build] of kept.builds.entries()) {
      expect(builds[at]!.parameters).toMatchObject(build.parameters);
      expect(builds[at]!.signOffs).toEqual([]);
      expect(builds[at]!.parameters.leadMm2).toBe('feed' in build.parameters ? 0.75 : undefined);
    }
    for (const unit of shelf.units) {
      expect(unit.spectrum).toBeNull();
      if (unit.category === 'strip')
        expect([unit.load, unit.loopOhmPerM]).toEqual(['string', null]);
    }
    for (const { spectrum } of shelf.bulbs) expect(spectrum).toBeNull();
    for (const { roomLights } of shots) expect(roomLights).toEqual([]);
  });
  test('a spectrum that falls or is dark stops at the door', () => {
    const broken = (spectrum: unknown) => {
      const copy = JSON.parse(JSON.stringify(read.value));
      copy.shelf.bulbs[0].spectrum = spectrum;
      return readDocument(copy).ok;
    };
    const wavelengthsNm = [400, 500, 550, 600, 700];
    expect(broken({ wavelengthsNm, power: [1, 1, 1, 1, 1] })).toBe(true);
    expect(broken({ wavelengthsNm, power: [0, 0, 0, 0, 0] })).toBe(false);
    expect(broken({ wavelengthsNm: [400, 500, 450, 600, 700], power: [1, 1, 1, 1, 1] })).toBe(
      false,
    );
    expect(broken({ wavelengthsNm, power: [1, 1, 1, 1] })).toBe(false);
  });
});

describe('from version 1 to 2', () => {
  const kept = JSON.parse(readFileSync('src/core/document/fixtures/version-1.json', 'utf8'));
  const read = readDocument(structuredClone(kept));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  const lifted = read.value;
  test('everything that was said is kept', () => {
    expect(lifted.builds.map(({ parameters }) => parameters)).toEqual(
      kept.builds.map(({ parameters }: Production['builds'][number]) => parameters),
    );
    for (const [at, bulb] of kept.shelf.bulbs.entries())
      expect(lifted.shelf.bulbs[at]).toMatchObject(bulb);
    for (const [at, part] of kept.shelf.parts.entries())
      expect(lifted.shelf.parts[at]).toMatchObject(part);
  });
  test('what is new starts empty or free', () => {
    expect(lifted.shelf.units).toEqual([]);
    for (const { accessories } of lifted.builds) expect(accessories).toEqual([]);
    for (const { onHandCounts } of [...lifted.shelf.bulbs, ...lifted.shelf.parts])
      expect(onHandCounts).toBe(false);
    for (const part of lifted.shelf.parts)
      if (part.role === 'sheet') expect(part).toMatchObject({ grain: false, offCuts: [] });
  });
  test('a broken old document is refused in words, not with a crash', () => {
    for (const wrong of [
      { ...kept, shelf: null },
      { ...kept, shelf: { bulbs: [null], parts: 'none' } },
      { ...kept, builds: [7] },
    ]) {
      const refused = readDocument(structuredClone(wrong));
      expect(refused.ok).toBe(false);
    }
  });
});

test('parameters of accessories are checked, of unknown ones kept untouched', () => {
  const pan = demo.builds.findIndex(({ id }) => id === 'clerk-pan');
  const bad = (draft: Production) =>
    void (draft.builds[pan]!.accessories[1]!.parameters.lengthM = 'long');
  expect(wrong(bad)).toEqual([`builds.${pan}.accessories.1.parameters.lengthM invalid_type`]);
  const copy = structuredClone(demo);
  const odd = { id: 'odd', kind: 'from-the-future', parameters: { anything: true } };
  copy.builds[pan]!.accessories.push(odd as never);
  const read = readDocument(JSON.parse(JSON.stringify(copy)));
  expect(read.ok && read.value.builds[pan]!.accessories.at(-1)).toEqual(odd);
  const twice = (draft: Production) =>
    void draft.builds[pan]!.accessories.push({ ...draft.builds[pan]!.accessories[0]! });
  expect(wrong(twice)).toEqual([`builds.${pan}.accessories.2.id double_id`]);
});

describe('edits', () => {
  const rename = edit(demo, 'rename', (draft) => void (draft.name = 'Day Ferry'))!;
  test('there and back again', () => {
    expect(applyEdit(demo, rename.edit).name).toBe('Day Ferry');
    expect(revertEdit(rename.document, rename.edit)).toEqual(demo);
  });
  test('changing nothing is no edit', () => {
    expect(edit(demo, 'nothing', (draft) => void (draft.name = demo.name))).toBeNull();
  });
  test('patches from outside: nonsense paths are refused, prototypes are out of reach', () => {
    expect(
      applyForeignPatches(demo, [{ op: 'replace', path: ['shots', 99, 'name'], value: 'x' }]),
    ).toBeNull();
    for (const path of [['__proto__', 'polluted'], ['constructor'], [-1]])
      expect(patchSchema.safeParse({ op: 'add', path, value: 1 }).success).toBe(false);
  });
  test('taking a bulb away leaves empty places; undo fills them again', () => {
    const made = edit(demo, 'remove', (draft) =>
      removeFromShelfInPlace(draft, 'bulbs', demo.shelf.bulbs[0]!.id),
    )!;
    expect(made.document.builds[0]!.parameters.groups).toEqual([{ bulbId: null, level: 1 }]);
    expect(readDocument(JSON.parse(JSON.stringify(made.document))).ok).toBe(true);
    expect(revertEdit(made.document, made.edit)).toEqual(demo);
  });
  test('taking a shot away takes its builds along', () => {
    const made = edit(demo, 'remove', (draft) => removeShotInPlace(draft, demo.shots[0]!.id))!;
    const own = demo.builds.filter(({ shotId }) => shotId === demo.shots[0]!.id);
    expect(own.length).toBeGreaterThan(1);
    expect(made.document.builds).toHaveLength(demo.builds.length - own.length);
    expect(readDocument(JSON.parse(JSON.stringify(made.document))).ok).toBe(true);
  });
});

test('a blank production with a blank shot is a valid document', () => {
  const blank = blankProduction({ production: 'p', circuit: 'c' }, 'New', 'na-120-60', 'USD');
  blank.shots.push(blankShot('s', 'First'));
  expect(readDocument(JSON.parse(JSON.stringify(blank))).ok).toBe(true);
  expect(summarise(blank)).toBe('1 shot, 0 builds, 0 bulbs, 0 units, 0 parts, 0 fixtures');
});

test('the published JSON Schema is the one the code validates with', () => {
  const published = JSON.parse(readFileSync('docs/schema/production-v4.schema.json', 'utf8'));
  expect(published).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(productionSchema))));
});

test('free names', () => {
  expect(freeName('Ring', [])).toBe('Ring');
  expect(freeName('Ring', [{ name: 'Ring' }, { name: 'Ring 2' }])).toBe('Ring 3');
});
