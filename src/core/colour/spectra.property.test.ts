import fc from 'fast-check';
import { blend, COUNT, spectrumOf, START_NM, type Spectrum } from './grid';
import { mixed, shifted } from './mixture';
import { planckianUv, cctOfUv } from './planck';
import { daylight, planckian } from './reference';
import { colourFigures, SAMPLES } from './rendering';
import { phosphorLed, typicalSpectrum } from './typical';
import { duvOf, uvOf, xyOf } from './chromaticity';
import { ofUnitLuminance, xyzOf } from './tristimulus';
import { EMISSION_NAMES, type Emission } from './emission';
import { onGrid, readSpectrum } from '../formats/spectrumFile';

const lamp = fc.record({
  warm: fc.double({ min: 1800, max: 4500, noNaN: true }),
  peakNm: fc.double({ min: 420, max: 680, noNaN: true }),
  widthNm: fc.double({ min: 8, max: 120, noNaN: true }),
  share: fc.double({ min: 0, max: 0.6, noNaN: true }),
});
const made = ({
  warm,
  peakNm,
  widthNm,
  share,
}: {
  warm: number;
  peakNm: number;
  widthNm: number;
  share: number;
}): Spectrum => {
  const bump = ofUnitLuminance(
    spectrumOf((nm) => Math.exp(-(((nm - peakNm) / widthNm) ** 2)) + 1e-9),
  );
  return blend([
    [1 - share, planckian(warm)],
    [share, bump],
  ]);
};

describe('any light', () => {
  test('figures do not hang on how bright it is', () => {
    fc.assert(
      fc.property(lamp, fc.double({ min: 1e-3, max: 1e6, noNaN: true }), (given, scale) => {
        const light = made(given);
        const [one, other] = [
          colourFigures(light),
          colourFigures(light.map((power) => power * scale)),
        ];
        expect(other.cctK).toBeCloseTo(one.cctK, 3);
        expect(other.ra).toBeCloseTo(one.ra, 6);
        expect(other.duv).toBeCloseTo(one.duv, 9);
      }),
      { seed: 31, numRuns: 40 },
    );
  });
  test('no index is over 100, Ra is the mean of the first eight, chromaticities agree', () => {
    fc.assert(
      fc.property(lamp, (given) => {
        const found = colourFigures(made(given));
        expect(found.special).toHaveLength(SAMPLES);
        for (const index of found.special) expect(index).toBeLessThanOrEqual(100 + 1e-9);
        const mean = found.special.slice(0, 8).reduce((sum, index) => sum + index, 0) / 8;
        expect(found.ra).toBeCloseTo(mean, 9);
        // u′ = 4x/(−2x + 12y + 3), v′ = 9y/(−2x + 12y + 3) [std: CIE 15].
        const below = -2 * found.x + 12 * found.y + 3;
        expect(found.uPrime).toBeCloseTo((4 * found.x) / below, 9);
        expect(found.vPrime).toBeCloseTo((9 * found.y) / below, 9);
      }),
      { seed: 32, numRuns: 40 },
    );
  });
  test('its colour temperature is that of the nearest point of the locus', () => {
    fc.assert(
      fc.property(lamp, (given) => {
        const place = uvOf(xyzOf(made(given)));
        // Far from white the locus may have two nearest points, and the figure means nothing.
        fc.pre(Math.abs(duvOf(place)) < 0.05);
        const own = cctOfUv(place);
        // The locus is followed from 1000 to 25 000 K.
        fc.pre(own > 1050 && own < 23_000);
        const away = (cctK: number) => {
          const { u, v } = planckianUv(cctK);
          return Math.hypot(u - place.u, v - place.v);
        };
        for (const factor of [0.97, 0.99, 1.01, 1.03])
          expect(away(own)).toBeLessThanOrEqual(away(own * factor) + 1e-9);
        expect(Math.abs(duvOf(place))).toBeCloseTo(away(own), 9);
      }),
      { seed: 33, numRuns: 40 },
    );
  });
});

describe('mixing', () => {
  const lux = fc.double({ min: 0.1, max: 5000, noNaN: true });
  test('lies on the line between two lights in x, y [Grassmann]', () => {
    fc.assert(
      fc.property(lamp, lamp, lux, lux, (a, b, aLx, bLx) => {
        const parts = [
          { illuminanceLx: aLx, spectrum: made(a) },
          { illuminanceLx: bLx, spectrum: made(b) },
        ];
        const [ax, ay] = xyOf(xyzOf(parts[0]!.spectrum));
        const [bx, by] = xyOf(xyzOf(parts[1]!.spectrum));
        const [x, y] = xyOf(xyzOf(mixed(parts)!));
        expect((bx - ax) * (y - ay) - (by - ay) * (x - ax)).toBeCloseTo(0, 9);
        expect((x - ax) * (x - bx) + (y - ay) * (y - by)).toBeLessThanOrEqual(1e-9);
      }),
      { seed: 34, numRuns: 40 },
    );
  });
  test('order and grouping do not matter', () => {
    fc.assert(
      fc.property(lamp, lamp, lamp, lux, lux, lux, (a, b, c, aLx, bLx, cLx) => {
        const part = (given: Parameters<typeof made>[0], illuminanceLx: number) => ({
          illuminanceLx,
          spectrum: made(given),
        });
        const [p, q, r] = [part(a, aLx), part(b, bLx), part(c, cLx)];
        const all = mixed([p, q, r])!;
        const grouped = mixed([{ illuminanceLx: aLx + bLx, spectrum: mixed([p, q])! }, r])!;
        const turned = mixed([r, q, p])!;
        for (let k = 0; k < COUNT; k += 23) {
          expect(grouped[k]).toBeCloseTo(all[k]!, 9);
          expect(turned[k]).toBeCloseTo(all[k]!, 9);
        }
      }),
      { seed: 35, numRuns: 25 },
    );
  });
  test('two layers shift as one of their sum, in either order', () => {
    const mired = fc.double({ min: -40, max: 40, noNaN: true });
    fc.assert(
      fc.property(lamp, mired, mired, (given, one, two) => {
        const light = made(given);
        const [a, b, c] = [
          shifted(shifted(light, one), two),
          shifted(shifted(light, two), one),
          shifted(light, one + two),
        ];
        for (let k = 0; k < COUNT; k += 29) {
          expect(a[k]).toBeCloseTo(c[k]!, 9);
          expect(b[k]).toBeCloseTo(c[k]!, 9);
        }
      }),
      { seed: 36, numRuns: 30 },
    );
  });
});

describe('stand-ins', () => {
  test.each(Object.keys(EMISSION_NAMES) as Emission[])(
    '%s: no negative power, unit luminance',
    (emission) => {
      for (const cctK of [2000, 2700, 4000, 5600, 8000]) {
        const spectrum = typicalSpectrum(emission, cctK, 85);
        for (const power of spectrum) expect(power).toBeGreaterThanOrEqual(0);
        expect(xyzOf(spectrum)[1]).toBeCloseTo(1, 6);
      }
    },
  );
  test('the better the label, the better the stand-in', () => {
    const ra = (wanted: number) => colourFigures(phosphorLed(3500, wanted)).ra;
    const found = [65, 72, 80, 88, 95].map(ra);
    expect(found).toEqual(found.toSorted((a, b) => a - b));
  });
});

describe('files of spectra', () => {
  test('a file of any light read back gives the same figures, at 1 to 5 nm', () => {
    fc.assert(
      fc.property(
        lamp,
        fc.constantFrom(1, 2, 5),
        fc.constantFrom(',', ';', '\t'),
        (given, step, mark) => {
          fc.pre(given.widthNm > 20);
          const light = made(given);
          const rows: string[] = [];
          for (let nm = START_NM; nm <= 830; nm += step)
            rows.push(`${nm}${mark}${light[nm - START_NM]!.toExponential(8)}`);
          const read = readSpectrum(rows.join('\n'));
          if (!read.ok) throw new Error(read.problems[0]!.message);
          const [own, back] = [colourFigures(light), colourFigures(onGrid(read.value))];
          expect(Math.abs(back.cctK / own.cctK - 1)).toBeLessThan(0.005);
          expect(Math.abs(back.ra - own.ra)).toBeLessThan(0.6);
        },
      ),
      { seed: 37, numRuns: 40 },
    );
  });
  test('any text is read or refused with a reason', () => {
    const line = fc.oneof(
      fc.string({ maxLength: 20 }),
      fc.tuple(fc.double(), fc.double()).map((pair) => pair.join(',')),
    );
    fc.assert(
      fc.property(fc.array(line, { maxLength: 60 }), (lines) => {
        const read = readSpectrum(lines.join('\n'));
        if (read.ok) for (const power of read.value.power) expect(power).toBeGreaterThanOrEqual(0);
        else expect(read.problems[0]!.message.length).toBeGreaterThan(10);
      }),
      { seed: 38, numRuns: 200 },
    );
  });
});

test('daylight falls from blue to yellow without a jump', () => {
  let before = xyOf(xyzOf(daylight(4000)));
  for (let cctK = 4100; cctK <= 15_000; cctK += 100) {
    const now = xyOf(xyzOf(daylight(cctK)));
    expect(now[0]).toBeLessThan(before[0]);
    expect(Math.hypot(now[0] - before[0], now[1] - before[1])).toBeLessThan(0.006);
    before = now;
  }
});
