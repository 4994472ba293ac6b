import { applyCommands, commandSchema, type Command } from './edit';
import kept from './fixtures/version-5.json';
import { readDocument } from './read';
import { bulbIn, sample, unitIn } from '../testing/sample';
import { rungsOf } from '../evaluate/testing';
import type { Production } from './production';

type Old = typeof kept;
const read = (change: (draft: Old) => void): Production => {
  const copy = structuredClone(kept);
  change(copy);
  const found = readDocument(copy);
  if (!found.ok) throw new Error(`${found.problems[0]!.path}: ${found.problems[0]!.message}`);
  return found.value;
};
const globe = (draft: Old) => draft.shelf.bulbs.find(({ id }) => id === 'globe-g45-3')!;
const tape = (draft: Old) => draft.shelf.units.find(({ id }) => id === 'tape-24-120-4000')!;

describe('bulbs join the other units', () => {
  test('none is lost, each keeps what it said, and its stock under the common name', () => {
    const { shelf } = read(() => {});
    expect(shelf.units.map(({ id }) => id)).toEqual(
      [...kept.shelf.bulbs, ...kept.shelf.units].map(({ id }) => id),
    );
    const { onHandCount, ...said } = globe(structuredClone(kept));
    expect(bulbIn(shelf, 'globe-g45-3')).toMatchObject({
      ...said,
      onHand: onHandCount,
    });
  });
  test('a bulb called like a unit gets a name of its own, and its builds follow', () => {
    const found = read((draft) => {
      globe(draft).id = 'tape-24-120-4000';
      for (const { parameters } of draft.builds)
        for (const group of (parameters as { groups?: { bulbId: string | null }[] }).groups ?? [])
          if (group.bulbId === 'globe-g45-3') group.bulbId = 'tape-24-120-4000';
    });
    const ring = found.builds.find(({ id }) => id === 'clerk-ring')!;
    const [{ bulbId }] = ring.parameters.groups as [{ bulbId: string }];
    expect(bulbId).toBe('tape-24-120-4000-bulb');
    expect(bulbIn(found.shelf, bulbId).wattsW).toBe(3);
    expect(unitIn(found.shelf, 'strip', 'tape-24-120-4000').wattsPerM).toBe(14.4);
    // What names the tape still names the tape.
    const pan = found.builds.find(({ id }) => id === 'clerk-pan')!;
    expect(pan.parameters.stripId).toBe('tape-24-120-4000');
    const light = (document: Production) =>
      rungsOf(document, 'clerk-ring').map(({ value }) => value);
    expect(light(found)).toEqual(light(sample()));
  });
  test('the longest name, twice over, still fits', () => {
    const long = 'x'.repeat(64);
    const found = read((draft) => {
      globe(draft).id = long;
      tape(draft).id = long;
      draft.shelf.bulbs[1]!.id = `${'x'.repeat(50)}-bulb`;
      draft.builds = [];
    });
    const ids = found.shelf.units.map(({ id }) => id as string);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toContain(`${'x'.repeat(50)}-bulb-2`);
  });
  test.each<[string, unknown]>([
    ['no bulbs', undefined],
    ['bulbs that are no list', 'three'],
    ['a bulb that is none', [null]],
  ])('%s: refused in words', (_name, bulbs) => {
    const copy = { ...structuredClone(kept), shelf: { ...kept.shelf, bulbs } };
    expect(readDocument(copy).ok).toBe(false);
  });
});

describe('where a figure comes from', () => {
  test('what nobody had marked counted as the label’s, and says so now; silence stays silence', () => {
    const { shelf } = read((draft) => {
      Object.assign(globe(draft), { origins: { cctK: 'user' }, criRa: null });
      Object.assign(tape(draft), { origins: { luminousFluxLm: 'metered' } });
    });
    expect(bulbIn(shelf, 'globe-g45-3').origins).toEqual({
      cctK: 'yours',
      wattsW: 'label',
      luminousFluxLm: 'label',
    });
    // Tape's watts and lumens are those of a metre.
    expect(unitIn(shelf, 'strip', 'tape-24-120-4000').origins).toEqual({
      lumensPerM: 'metered',
      wattsPerM: 'label',
      cctK: 'label',
      criRa: 'label',
    });
  });
  test('a layer’s one word goes to each of its figures, a fixture’s stays', () => {
    const found = read((draft) => {
      Object.assign(
        draft.shelf.parts.find(({ id }) => id === 'parchment')!,
        { origin: 'user' },
      );
      Object.assign(draft.fixtures[0]!, { origin: 'user' });
    });
    const layer = found.shelf.parts.find(({ id }) => id === 'parchment')!;
    expect(layer.origins).toMatchObject({ transmittance: 'yours', limitC: 'yours' });
    expect(layer).not.toHaveProperty('origin');
    expect(found.fixtures[0]!.origin).toBe('yours');
  });
});

describe('changes that a window of version 5 has not sent yet', () => {
  const globeRef = { kind: 'bulb', id: 'globe-g45-3' };
  const done = (...commands: unknown[]) => {
    const parsed = commands.map((each) => commandSchema.parse(each) as Command);
    const made = applyCommands(sample(), parsed);
    if (!made.ok) throw new Error(made.problems[0]!.message);
    return made.value.document;
  };
  test('a bulb’s watts, stock and origin', () => {
    const { shelf } = done(
      { do: 'set', ...globeRef, path: ['wattsW'], value: 4 },
      { do: 'set', ...globeRef, path: ['onHandCount'], value: 9 },
      { do: 'set', ...globeRef, path: ['origins', 'wattsW'], value: 'user' },
    );
    expect(bulbIn(shelf, 'globe-g45-3')).toMatchObject({
      wattsW: 4,
      onHand: 9,
      origins: { wattsW: 'yours' },
    });
  });
  test('a bulb put on the shelf, another taken off', () => {
    const record = { ...globe(structuredClone(kept)), id: 'new-globe' };
    const found = done(
      { do: 'add', kind: 'bulb', id: 'new-globe', record, after: null },
      { do: 'remove', kind: 'bulb', id: 'market-9' },
    );
    expect(bulbIn(found.shelf, 'new-globe').onHand).toBe(record.onHandCount);
    expect(found.shelf.units.some(({ id }) => id === 'market-9')).toBe(false);
    expect(readDocument(structuredClone(found)).ok).toBe(true);
  });
  test('a layer’s origin', () => {
    const found = done({
      do: 'set',
      kind: 'part',
      id: 'parchment',
      path: ['origin'],
      value: 'metered',
    });
    const layer = found.shelf.parts.find(({ id }) => id === 'parchment')!;
    expect(layer.origins.transmittance).toBe('metered');
    expect(readDocument(structuredClone(found)).ok).toBe(true);
  });
});
