import { daylight, planckian } from '../colour/reference';
import { colourFigures } from '../colour/rendering';
import { spectrumSchema } from '../units/spectrum';
import { onGrid, readSpectrum } from './spectrumFile';

const csv = (step: number, power: (nm: number) => number, mark = ',', from = 380, to = 780) => {
  const rows: string[] = ['wavelength (nm)' + mark + 'power'];
  for (let nm = from; nm <= to; nm += step) {
    const figure = power(nm).toPrecision(6);
    rows.push(`${nm}${mark}${mark === ';' ? figure.replace('.', ',') : figure}`);
  }
  return rows.join('\n');
};
const black = planckian(3200);
const at = (nm: number) => black[nm - 360]!;
const read = (text: string) => {
  const found = readSpectrum(text);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value;
};
const why = (text: string) => {
  const found = readSpectrum(text);
  return found.ok ? 'read' : found.problems[0]!.message;
};

describe('spectra of a black body of 3200 K come back as that', () => {
  test.each([1, 2, 5, 10])('at %i nm', (step) => {
    for (const mark of [',', ';', '\t', ' ']) {
      const found = colourFigures(onGrid(read(csv(step, at, mark))));
      expect(Math.abs(found.cctK - 3200)).toBeLessThan(12);
      expect(found.ra).toBeGreaterThan(99);
    }
  });
  test('finer than 1 nm is read off at 1 nm', () => {
    const fine = read(csv(0.5, (nm) => at(Math.round(nm))));
    expect(fine.wavelengthsNm.length).toBeLessThanOrEqual(600);
    expect(spectrumSchema.safeParse(fine).success).toBe(true);
    expect(Math.abs(colourFigures(onGrid(fine)).cctK - 3200)).toBeLessThan(12);
  });
  test('IES TM-27 (from memory): the SpectralData elements', () => {
    const d65 = daylight(6504);
    const data = Array.from({ length: 81 }, (_, k) => 380 + 5 * k)
      .map((nm) => `    <SpectralData wavelength="${nm}">${d65[nm - 360]}</SpectralData>`)
      .join('\n');
    const text = `<?xml version="1.0"?>\n<IESTM2714 version="1.0">\n  <SpectralDistribution>\n    <SpectralQuantity>relative</SpectralQuantity>\n${data}\n  </SpectralDistribution>\n</IESTM2714>`;
    expect(Math.abs(colourFigures(onGrid(read(text))).cctK - 6504)).toBeLessThan(20);
  });
  // A light-emitting diode of the usual kind: a blue peak and a broad glow.
  const peak = (nm: number, middle: number, wide: number) =>
    Math.exp(-(((nm - middle) / wide) ** 2));
  const diode = (nm: number) => peak(nm, 452, 14) + 0.75 * peak(nm, 570, 70);
  const cct = (step: number, power: (nm: number) => number) =>
    colourFigures(onGrid(read(csv(step, power)))).cctK;
  test.each([
    ['a black body', (nm: number) => planckian(5600)[nm - 360]!],
    ['a diode', diode],
  ])('%s of 5 and 10 nm is what it is at 1 nm: cubics through four samples', (_, power) => {
    const fine = cct(1, power);
    expect(Math.abs(cct(5, power) - fine)).toBeLessThan(1);
    expect(Math.abs(cct(10, power) - fine)).toBeLessThan(8);
  });
  test('on its samples it is its samples; straight lines where steps are uneven', () => {
    const given = { wavelengthsNm: [360, 370, 380, 390, 400], power: [1, 4, 2, 5, 3] };
    const grid = onGrid(given);
    expect([0, 10, 20, 30, 40].map((k) => grid[k]!)).toEqual(given.power);
    const uneven = onGrid({ wavelengthsNm: [360, 361, 380, 381], power: [0, 0, 1, 1] });
    expect(uneven[361 - 360 + 9]!).toBeCloseTo(9 / 19, 6);
  });
  test('noise below zero counts as dark', () => {
    expect(read(csv(5, (nm) => (nm < 400 ? -1e-9 : at(nm)))).power[0]).toBe(0);
  });
});

describe('bad spectra are refused with line and reason', () => {
  const good = csv(5, at);
  test.each([
    ['falling', good.replace('\n400,', '\n380,'), /^Line 6: 380 nm does not rise after 395 nm/],
    ['a gap', good.replace(/\n5[0-2]\d,[^\n]*/g, ''), /a gap from 495 to 530 nm/],
    ['a negative wavelength', good.replace('\n380,', '\n-380,'), /cannot be/],
    ['a negative power', good.replace(/\n500,[^\n]*/, '\n500,-5'), /below nothing/],
    ['micrometres', csv(0.005, (nm) => at(Math.round(nm * 1000)), ',', 0.38, 0.78), /micrometres/],
    ['too short', csv(5, at, ',', 450, 650), /reaches from 450 to 650 nm/],
    ['a word', good.replace(/\n500,[^\n]*/, '\n500,abc'), /Line 26/],
    ['words after', `${good}\nend of file`, /no pair of numbers/],
    ['few', 'nm,power\n400,1\n700,1', /fewer than five/],
    ['dark', csv(5, () => 0), /no visible power/],
    ['binary', 'PK\0\0', /not text/],
    ['huge', 'x'.repeat(2_000_001), /larger than 2 MB/],
    ['an empty file', '', /fewer than five/],
    [
      'a broken TM-27',
      good.replace('wavelength', '<SpectralData wavelength="x">1</SpectralData>'),
      /Line 1/,
    ],
  ])('%s', (_, text, words) => expect(why(text)).toMatch(words));
});

describe('files that mean no good', () => {
  // Found by review: a RangeError at 130,000 lines, and a minute for 2 MB of TM-27.
  test('150,000 lines are read', () => {
    const lines = Array.from({ length: 150_000 }, (_, k) => `${(380 + k * 0.0027).toFixed(4)};1`);
    const read = readSpectrum(lines.join('\n'));
    expect(read.ok && spectrumSchema.safeParse(read.value).success).toBe(true);
  });
  test('2 MB of TM-27 are read, and a fault in them is at its line', () => {
    const element = (nm: number, power: string) =>
      `<SpectralData wavelength="${nm.toFixed(4)}">${power}</SpectralData>`;
    const lines = Array.from({ length: 30_000 }, (_, k) => element(380 + k * 0.013, '1'));
    expect(readSpectrum(['<IESTM2714>', ...lines].join('\n')).ok).toBe(true);
    lines[20_000] = element(640, 'dark');
    const read = readSpectrum(['<IESTM2714>', ...lines].join('\n'));
    expect(read.ok ? '' : read.problems[0]!.message).toContain('Line 20002');
  });
  test('powers of any size are brought to what the document takes', () => {
    for (const scale of [1e13, 1e200, 1e-300]) {
      const text = Array.from({ length: 80 }, (_, k) => `${380 + k * 5},${scale * (1 + k / 80)}`);
      const read = readSpectrum(text.join('\n'));
      if (scale > 1) expect(read.ok && spectrumSchema.safeParse(read.value).success).toBe(true);
      else if (read.ok) expect(spectrumSchema.safeParse(read.value).success).toBe(true);
    }
  });
});
