import { readFileSync } from 'node:fs';
import * as z from 'zod';
import { sample } from '../testing/sample';
import { blankProduction, blankShot } from './blank';
import { cutText } from '../schema';
import { applyCommands } from './edit';
import { MIGRATIONS } from './migrations';
import { DOCUMENT_VERSION, productionSchema, type Production } from './production';
import { readDocument, readDocumentText } from './read';
import { liftSession as to9 } from './version9/document';
import { liftSession as to10 } from './version10/document';
import { freeName, removeBuild, removeFromShelf, removeShot, removeWhole } from './records';
import { summarise } from './summary';
import { after } from './testing';

const demo = sample();
const wrong = (change: (draft: Production) => void): string[] => {
  const copy = JSON.parse(JSON.stringify(demo));
  change(copy);
  const read = readDocument(copy);
  return read.ok ? [] : read.problems.map(({ code, path }) => `${path} ${code}`);
};

/** Older samples under the names that version 5 gave their lengths. */
const renamedNow = (parameters: object) =>
  Object.fromEntries(
    Object.entries(parameters)
      // What held a clamp lamp and where a tube's cable left was never read; version 7 no longer asks.
      .filter(([name]) => name !== 'hold' && name !== 'cableExit')
      .map(([name, value]) => [
        name
          .replace(/^(front|back|face|bounce|window)W$/, '$1WidthM')
          .replace(/^(front|back|face|bounce|window)H$/, '$1HeightM'),
        value,
      ]),
  );

/** Bulbs of versions before 6 as they stand among the units. */
const asUnit = ({ onHandCount, ...bulb }: Record<string, unknown>) => ({
  ...bulb,
  origins: expect.anything(),
  category: 'bulb',
  onHand: onHandCount,
});

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
    expect(wrong((draft) => void (draft.shelf.units[0]!.priceMinor = 1.5))).toEqual([
      'shelf.units.0.priceMinor invalid_type',
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
      expect(lifted[at]!.parameters).toMatchObject(renamedNow(build.parameters));
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
      expect(builds[at]!.parameters).toMatchObject(renamedNow(build.parameters));
      expect(builds[at]!.signOffs).toEqual([]);
      expect(builds[at]!.parameters.leadMm2).toBe('feed' in build.parameters ? 0.75 : undefined);
    }
    for (const unit of shelf.units) {
      expect(unit.spectrum).toBeNull();
      if (unit.category === 'strip')
        expect([unit.load, unit.loopOhmPerM]).toEqual(['string', null]);
    }
    for (const { roomLights } of shots) expect(roomLights).toEqual([]);
  });
  test('a spectrum that falls or is dark stops at the door', () => {
    const broken = (spectrum: unknown) => {
      const copy = JSON.parse(JSON.stringify(read.value));
      copy.shelf.units[0].spectrum = spectrum;
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
    expect(lifted.builds.map(({ parameters }) => parameters)).toMatchObject(
      kept.builds.map(({ parameters }: Production['builds'][number]) => parameters),
    );
    for (const [at, bulb] of kept.shelf.bulbs.entries())
      expect(lifted.shelf.units[at]).toMatchObject(asUnit(bulb));
    for (const [at, part] of kept.shelf.parts.entries())
      expect(lifted.shelf.parts[at]).toMatchObject(part);
  });
  test('what is new starts empty or free', () => {
    expect(lifted.shelf.units).toHaveLength(kept.shelf.bulbs.length);
    for (const { accessories } of lifted.builds) expect(accessories).toEqual([]);
    for (const { onHandCounts } of [...lifted.shelf.units, ...lifted.shelf.parts])
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

describe('taking records out', () => {
  const valid = (document: Production) => readDocument(JSON.parse(JSON.stringify(document))).ok;
  test('a bulb leaves empty places; taking it back fills them again', () => {
    const commands = removeFromShelf('unit', demo.shelf.units[0]!.id)(demo);
    const done = applyCommands(demo, commands);
    if (!done.ok) throw new Error(done.problems[0]!.message);
    const { document, inverse } = done.value;
    expect(document.builds[0]!.parameters.groups).toEqual([{ bulbId: null, level: 1 }]);
    expect(valid(document)).toBe(true);
    expect(applyCommands(document, inverse)).toMatchObject({ ok: true, value: { document: demo } });
  });
  test('the photograph of a bulb’s label stays, as nobody’s', () => {
    const unitId = demo.shelf.units[0]!.id;
    const label = { id: 'l', type: 'image/png', sizeBytes: 9, name: 'box', caption: '' } as const;
    const picture = { ...label, media: 'a'.repeat(64) as never, buildId: null, unitId };
    const document = { ...demo, pictures: [picture] };
    const done = applyCommands(document, removeFromShelf('unit', unitId)(document));
    expect(done.ok && done.value.document.pictures).toMatchObject([{ id: 'l', unitId: null }]);
    expect(done.ok && valid(done.value.document)).toBe(true);
  });
  test('what was metered of a bulb or a layer stays, as nobody’s', () => {
    for (const [kind, field, list] of [
      ['unit', 'unitId', demo.shelf.units],
      ['part', 'partId', demo.shelf.parts],
    ] as const) {
      const { id } = list[0]!;
      const blank = { id: 's', name: 'metered', buildId: null, note: 'by eye' };
      const session = to10(to9({ ...blank, [field]: id })) as never;
      const done = after({ ...demo, sessions: [session] }, removeFromShelf(kind, id));
      expect(done.sessions).toMatchObject([{ ...blank, [field]: null }]);
      expect(valid(done)).toBe(true);
    }
  });
  const own = demo.builds.filter(({ shotId }) => shotId === demo.shots[0]!.id);
  test('a shot leaves its builds without one, or takes them along', () => {
    expect(own.length).toBeGreaterThan(1);
    const kept = after(demo, removeShot(demo.shots[0]!.id, 'stay'));
    expect(kept.builds).toHaveLength(demo.builds.length);
    for (const { id } of own)
      expect(kept.builds.find((build) => build.id === id)!.shotId).toBeNull();
    expect(valid(kept)).toBe(true);
    const gone = after(demo, removeShot(demo.shots[0]!.id, 'go'));
    expect(gone.builds).toHaveLength(demo.builds.length - own.length);
    expect(valid(gone)).toBe(true);
  });
  test('a build, a fixture: nothing is left pointing at them', () => {
    for (const { id } of demo.builds) expect(valid(after(demo, removeBuild(id)))).toBe(true);
    for (const { id } of demo.fixtures)
      expect(valid(after(demo, removeWhole('fixture', id)))).toBe(true);
  });
  test('one build is less than 300 bytes of change', () => {
    for (const { id } of demo.builds)
      expect(JSON.stringify(removeBuild(id)(demo)).length).toBeLessThan(300);
  });
});

describe('from version 4 to 5', () => {
  const kept = JSON.parse(readFileSync('src/core/document/fixtures/version-4.json', 'utf8'));
  const read = readDocument(structuredClone(kept));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  const { builds } = read.value;
  test('every length has its unit in its name, and the value it had', () => {
    const names = builds.flatMap(({ parameters }) => Object.keys(parameters));
    expect(names.some((name) => /^(front|back|face|bounce|window)[WH]$/.test(name))).toBe(false);
    for (const [at, build] of kept.builds.entries()) {
      const old = build.parameters as Record<string, unknown>;
      for (const [name, value] of Object.entries(old)) {
        const [now] = Object.keys(renamedNow({ [name]: value }));
        if (now) expect(builds[at]!.parameters[now]).toEqual(value);
      }
      // Version 6 asks of tape how several supplies are joined.
      const { outputs } = builds[at]!.parameters;
      expect(outputs).toBe('feed' in old ? 'separate' : undefined);
    }
  });
  test('every build is in use, nothing of the later stations is there yet', () => {
    for (const { standing } of builds) expect(standing).toBe('in use');
    const { setups, makings, sessions, pictures } = read.value;
    expect([setups, makings, sessions, pictures]).toEqual([[], [], [], []]);
  });
  test('sign-offs get ids of their own and keep what they say', () => {
    const copy = structuredClone(kept);
    const look = { name: 'A', date: '2026-11-01', checked: ['x'], design: 'abcd1234' };
    copy.builds[0].signOffs = [look, look];
    const lifted = readDocument(copy);
    expect(lifted.ok && lifted.value.builds[0]!.signOffs).toEqual([
      { id: 'look-1', copy: 1, seen: {}, ...look },
      { id: 'look-2', copy: 1, seen: {}, ...look },
    ]);
  });
  test('oddities by hand come through: a doubled lamp of the room, a form nobody knows', () => {
    const copy = structuredClone(kept);
    const lamp = { id: 'a', name: 'Lamp', emission: 'filament', cctK: 2800, illuminanceLx: 20 };
    copy.shots[0].roomLights = [lamp, lamp];
    copy.builds[1].form = 'from-the-future';
    copy.builds[1].parameters = { faceW: 1, '': 'odd', deep: { er: ['x'] } };
    const lifted = readDocument(copy);
    if (!lifted.ok) throw new Error(lifted.problems[0]!.message);
    expect(lifted.value.shots[0]!.roomLights.map(({ id }) => id)).toEqual(['a', 'a-2']);
    expect(lifted.value.builds[1]!.parameters).toEqual(copy.builds[1].parameters);
  });
});

describe('text no store can hold stops at the door', () => {
  test.each([
    ['a NUL', 'a\u0000b'],
    ['half an emoji', '💡'.slice(0, 1)],
    ['the other half', '💡'.slice(1)],
  ])('%s', (_name, words) => {
    expect(wrong((draft) => void (draft.note = words))).toEqual(['note custom']);
    const odd = (draft: Production) =>
      void Object.assign(draft.builds[0]!, { form: 'odd', parameters: { deep: [words] } });
    expect(wrong(odd)).toEqual(['builds.0.parameters.deep custom']);
  });
  test('a whole emoji is welcome, and a text is never cut inside one', () => {
    expect(wrong((draft) => void (draft.note = 'lamp 💡'))).toEqual([]);
    expect(cutText('ab💡', 3)).toBe('ab');
    expect(cutText('ab💡', 4)).toBe('ab💡');
  });
});

test('a blank production with a blank shot is a valid document', () => {
  const blank = blankProduction({ production: 'p', circuit: 'c' }, 'New', 'na-120-60', 'USD');
  blank.shots.push(blankShot('s', 'First'));
  expect(readDocument(JSON.parse(JSON.stringify(blank))).ok).toBe(true);
  expect(summarise(blank)).toBe('1 shot, 0 builds, 0 light sources, 0 parts, 0 fixtures');
});

test('the published JSON Schema is the one the code validates with', () => {
  const published = JSON.parse(
    readFileSync(`docs/schema/production-v${DOCUMENT_VERSION}.schema.json`, 'utf8'),
  );
  expect(published).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(productionSchema))));
});

test('free names', () => {
  expect(freeName('Ring', [])).toBe('Ring');
  expect(freeName('Ring', [{ name: 'Ring' }, { name: 'Ring 2' }])).toBe('Ring 3');
  expect(freeName('Ring 2', [{ name: 'Ring' }, { name: 'Ring 2' }])).toBe('Ring 3');
  expect(freeName('Tape, Ra 90', [{ name: 'Tape, Ra 90' }])).toBe('Tape, Ra 90 2');
});
