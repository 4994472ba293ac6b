import { sample } from '../testing/sample';
import { photometryOf } from '../evaluate/glow/scene';
import { runFor } from '../evaluate/glow/lightRow';
import { type Emitter } from '../light/emitter';
import { writeEulumdat } from './eulumdat';
import { readIes, writeIes } from './ies';
import type { Photometry } from './photometric';
import { distributionOf, fluxOf } from '../light/farField';
import { sourceField } from '../light/lightField';

const lambert: Emitter = {
  positionM: [0, 0, 0],
  axis: [0, 0, 1],
  luminousFluxLm: 1000,
  spread: { class: 'lambert' },
};
const photometry = (over: Partial<Photometry> = {}): Photometry => ({
  how: 'worked out, not measured',
  name: 'Test – “pan” × 2',
  ...distributionOf(sourceField([lambert]), [0, 0, 0], 0.1),
  lampLm: 1250,
  wattsW: 12.5,
  cctK: 4000,
  criRa: 92,
  widthM: 0.3,
  heightM: 0.3,
  round: true,
  date: '2026-11-25',
  notes: ['simulated, not measured', 'seed 1, 200000 photons, ± 0.10 %', 'typical finishes'],
  ...over,
});
const read = (text: string) => {
  const found = readIes(text);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value;
};
const refused = (text: string) => {
  const found = readIes(text);
  return found.ok ? 'read' : found.problems[0]!.message;
};

describe('IES LM-63-2002, written and read back', () => {
  const text = writeIes(photometry());
  test('Lambert’s law: 1000/π candela at the nadir, 1000 lm by zones', () => {
    const file = read(text);
    expect(file.cd[0]![0]).toBeCloseTo(1000 / Math.PI, 1);
    expect(file.cd[3]![file.anglesDeg.indexOf(60)]).toBeCloseTo(500 / Math.PI, 1);
    expect(file.cd[0]![file.anglesDeg.indexOf(120)]).toBe(0);
    expect(
      fluxOf({ ...file, planesDeg: file.planesDeg.slice(0, -1), cd: file.cd.slice(0, -1) }),
    ).toBeCloseTo(1000, -1);
  });
  test('planes close: 360° repeats 0°; angles run from pole to pole', () => {
    const file = read(text);
    expect(file.planesDeg.at(-1)).toBe(360);
    expect(file.cd.at(-1)).toEqual(file.cd[0]);
    expect([file.anglesDeg[0], file.anglesDeg.at(-1)]).toEqual([0, 180]);
  });
  test('says honestly what it is, in plain characters and lines that fit', () => {
    const { version, keywords, lampLm, wattsW, unitsM, openingM } = read(text);
    expect(version).toBe('IESNA:LM-63-2002');
    expect(keywords).toMatchObject({
      TEST: ['simulated, not measured'],
      TESTLAB: ['none: worked out, not measured'],
      ISSUEDATE: ['2026-11-25'],
      LUMINAIRE: ['Test - pan x 2'],
    });
    expect(keywords.OTHER![0]).toContain('seed 1, 200000 photons');
    expect([lampLm, wattsW, unitsM]).toEqual([1250, 12.5, true]);
    // A round opening is written as a negative diameter.
    expect(openingM).toEqual([-0.3, -0.3, 0]);
    for (const line of text.split('\r\n')) {
      expect(line.length).toBeLessThanOrEqual(132);
      expect(line).toMatch(/^[\x20-\x7e]*$/);
    }
  });
  test('read forgiving of line ends, byte-order mark and commas', () => {
    expect(read(`\ufeff${text.replaceAll('\r\n', '\n')}`).cd).toEqual(read(text).cd);
    expect(read(text.replace('0 2.5 5 7.5', '0, 2.5, 5, 7.5')).anglesDeg[3]).toBe(7.5);
  });
  test.each([
    ['no header', text.replace('IESNA', 'XYZ'), 'Line 1'],
    ['no TILT', text.replace('TILT=NONE', ''), 'no'],
    ['a tilt file', text.replace('TILT=NONE', 'TILT=lamp.tlt'), 'TILT=NONE'],
    ['a word among the figures', text.replace('1 1 12.5', '1 1 twelve'), 'twelve'],
    ['one figure short', text.trimEnd().replace(/\s\S+$/, ''), 'figures where'],
    ['type B', text.replace(/ 1 2 -0.3/, ' 2 2 -0.3'), 'type C'],
    ['angles that fall', text.replace('0 2.5 5 7.5', '0 5 2.5 7.5'), 'rise'],
    ['a bare line', text.replace('[TEST]', 'TEST'), 'no keyword'],
  ])('%s is refused with its reason', (_, broken, words) => {
    expect(refused(broken)).toContain(words);
  });
});

describe('EULUMDAT', () => {
  const given = photometry({ round: false, heightM: 0.2 });
  const lines = writeEulumdat(given).split('\r\n');
  test('as many lines as the format counts: 42 of header, angles, intensities', () => {
    const [planes, angles] = [given.planesDeg.length, given.anglesDeg.length];
    expect(lines.at(-1)).toBe('');
    expect(lines.slice(0, -1)).toHaveLength(42 + planes + angles + planes * angles);
    expect(lines.slice(3, 7)).toEqual(['24', '15', '55', '0']);
  });
  test('light output ratio, sizes in millimetres, intensities per 1000 lm of the lamps', () => {
    expect(lines[22]).toBe('80.0');
    expect(lines.slice(12, 14)).toEqual(['200', '300']);
    const first = Number(lines[42 + 24 + 55]);
    expect(first).toBeCloseTo(1000 / Math.PI / 1.25, 0);
  });
  test('a round one has no width', () => {
    expect(writeEulumdat(photometry()).split('\r\n')[13]).toBe('0');
  });
});

describe('of builds', () => {
  const document = sample();
  test('a simulated pan: what is written holds what got out', () => {
    const run = runFor(document, 'clerk-pan', { photons: 40_000, seed: 2 })!;
    const found = photometryOf(document, 'clerk-pan', run, '2026-11-25')!;
    const file = read(writeIes(found));
    expect(file.keywords.OTHER![0]).toContain('seed 2, 40000 photons');
    const lm = fluxOf({
      ...file,
      planesDeg: file.planesDeg.slice(0, -1),
      cd: file.cd.slice(0, -1),
    });
    expect(lm / (file.lampLm * run.efficiency)).toBeCloseTo(1, 1);
  });
  test('an open ring is summed, says so, and sends less through its own board than past it', () => {
    const found = photometryOf(document, 'clerk-ring', null, '2026-11-25')!;
    expect(found.notes[0]).toContain('summed');
    expect(fluxOf(found)).toBeLessThan(found.lampLm);
  });
  test('without lamps there is nothing to write', () => {
    const dark = structuredClone(document);
    const ring = dark.builds.find(({ id }) => id === 'clerk-ring')!;
    ring.parameters.groups = [{ bulbId: null, level: 1 }];
    expect(photometryOf(dark, 'clerk-ring', null, '2026-11-25')).toBeNull();
  });
});
