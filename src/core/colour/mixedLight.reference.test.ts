import fc from 'fast-check';
import { bulbIn, sample } from '../testing/sample';
import { colourSheet, unitColour } from '../evaluate/colourSheet';
import { fittingRank } from '../evaluate/fitting';
import { adaptedToD65, apart, looksUnder } from './appearance';
import { balanceAdvice, GELS, nearestGel, type RoomLight } from './balance';
import { mired } from './mired';
import { mixed, shifted } from './mixture';
import { PATCHES } from './patches';
import { daylight, planckian } from './reference';
import { colourFigures } from './rendering';
import { colourLed, phosphorLed, typicalSpectrum } from './typical';

const demo = sample();

describe('typical spectra', () => {
  test.each([2700, 3000, 4000, 5600, 6500])(
    'a white LED of %i K keeps its colour temperature and its label’s Ra',
    (cctK) => {
      for (const ra of [72, 80, 90]) {
        const found = colourFigures(phosphorLed(cctK, ra));
        expect(Math.abs(found.cctK - cctK)).toBeLessThan(3);
        expect(Math.abs(found.ra - ra)).toBeLessThan(2);
        expect(found.meaningful).toBe(true);
      }
    },
  );
  test('deep red suffers first: R9 far below Ra in an Ra 80 LED (common practice)', () => {
    const found = colourFigures(phosphorLed(4000, 80));
    expect(found.special[8]).toBeLessThan(30);
    expect(colourFigures(phosphorLed(4000, 95)).special[8]).toBeGreaterThan(found.special[8]! + 40);
  });
  test('white from red, green and blue renders poorly whatever it says (docs/model/units.md)', () => {
    for (const cctK of [3200, 5600]) expect(colourFigures(colourLed(cctK)).ra).toBeLessThan(50);
  });
  test('fluorescent between the three-band lamps of CIE 15', () => {
    const found = colourFigures(typicalSpectrum('fluorescent', 3500, 80));
    expect(Math.abs(found.cctK - 3500)).toBeLessThan(60);
    expect(found.ra).toBeGreaterThan(78);
    expect(found.ra).toBeLessThan(88);
  });
  test('filaments are black bodies, windows daylight', () => {
    expect(colourFigures(typicalSpectrum('filament', 2800, 99)).ra).toBeCloseTo(100, 1);
    expect(Math.abs(colourFigures(typicalSpectrum('daylight', 6500, 99)).cctK - 6500)).toBeLessThan(
      5,
    );
  });
});

describe('mixtures and layers', () => {
  test('half and half of 3200 and 5600 K lies between them, nearer the warm one in kelvin', () => {
    const both = mixed([
      { illuminanceLx: 100, spectrum: planckian(3200) },
      { illuminanceLx: 100, spectrum: daylight(5600) },
    ])!;
    const { cctK } = colourFigures(both);
    expect(cctK).toBeGreaterThan(3800);
    expect(cctK).toBeLessThan(4400);
  });
  test('one source alone is itself, whatever its lux; none is none', () => {
    const alone = mixed([{ illuminanceLx: 7, spectrum: planckian(2900) }])!;
    expect(Math.abs(colourFigures(alone).cctK - 2900)).toBeLessThan(1);
    expect(mixed([{ illuminanceLx: 0, spectrum: planckian(2900) }])).toBeNull();
  });
  test('a layer of +25 mired moves a black body by 25 mired (Wien)', () => {
    for (const cctK of [2700, 3200, 4500])
      for (const shift of [-20, 8, 25]) {
        const found = colourFigures(shifted(planckian(cctK), shift)).cctK;
        expect(Math.abs(mired(found) - mired(cctK) - shift)).toBeLessThan(1.5);
      }
  });
});

describe('patches under a light and under its reference', () => {
  test('under the reference itself nothing differs', () => {
    for (const light of [planckian(3000), daylight(6500)])
      for (const { deltaE, words } of looksUnder(light)) {
        expect(deltaE).toBeLessThan(0.4);
        expect(words).toBe('unseen');
      }
  });
  test('an Ra 70 LED hurts skin more than an Ra 95 one; words follow the numbers', () => {
    const skin = (ra: number) => {
      const some = looksUnder(phosphorLed(4000, ra)).filter(({ kind }) => kind === 'skin');
      return some.reduce((sum, { deltaE }) => sum + deltaE, 0) / some.length;
    };
    expect(skin(70)).toBeGreaterThan(2 * skin(95));
    for (const { deltaE, words } of looksUnder(phosphorLed(4000, 70)))
      expect(words.startsWith(apart(deltaE))).toBe(true);
  });
  test('reflectances stay within 0…1; skins darken in their order', () => {
    for (const { reflectance } of PATCHES)
      for (const value of reflectance) expect(value >= 0 && value <= 1).toBe(true);
    const greens = PATCHES.filter(({ kind }) => kind === 'skin').map(
      ({ reflectance }) => reflectance[190]!,
    );
    expect(greens).toEqual(greens.toSorted((a, b) => b - a));
  });
  test('white is carried to D65 (ICC.1 annex E, Bradford)', () => {
    const [x, y, z] = adaptedToD65([1.0985, 1, 0.3558], [1.0985, 1, 0.3558]);
    expect(x).toBeCloseTo(0.95047, 4);
    expect(y).toBeCloseTo(1, 4);
    expect(z).toBeCloseTo(1.08883, 4);
  });
});

describe('light from several sources', () => {
  const light = (over: Partial<RoomLight>): RoomLight => ({
    id: 'a',
    name: 'a',
    cctK: 4000,
    illuminanceLx: 100,
    filament: false,
    ...over,
  });
  test('3200 K to 5500 K is 131 mired: full blue brings tungsten to daylight (common practice)', () => {
    expect(nearestGel(mired(5500) - mired(3200))!.name).toBe('full blue');
    expect(nearestGel(mired(3200) - mired(5500))!.name).toBe('full orange');
    expect(nearestGel(3)).toBeNull();
  });
  test('a gel never makes it worse', () => {
    fc.assert(
      fc.property(fc.double({ min: -250, max: 250, noNaN: true }), (shift) => {
        const gel = nearestGel(shift);
        if (gel) expect(Math.abs(gel.shiftMired - shift)).toBeLessThan(Math.abs(shift));
        for (const other of GELS)
          if (gel)
            expect(Math.abs(gel.shiftMired - shift)).toBeLessThanOrEqual(
              Math.abs(other.shiftMired - shift) + 1e-9,
            );
      }),
      { seed: 2 },
    );
  });
  test('a warm practical in a 4000 K shot: gel it, switch it off, or live with it', () => {
    const found = balanceAdvice(
      [
        light({ id: 'key', illuminanceLx: 300 }),
        light({ id: 'lamp', cctK: 2700, illuminanceLx: 100, filament: true }),
      ],
      4000,
    )!;
    const [key, lamp] = found.sources;
    expect(key).toMatchObject({ clash: 'unseen', accept: true, gel: null });
    expect(lamp!.share).toBeCloseTo(0.25, 9);
    expect(lamp!.offMired).toBeCloseTo(mired(2700) - 250, 6);
    expect([lamp!.clash, lamp!.accept]).toEqual(['obvious', false]);
    expect(lamp!.gel!.shiftMired).toBeLessThan(0);
    expect(Math.abs(lamp!.gel!.leftMired)).toBeLessThan(60);
    // A quarter of the light gone: log2(4/3) = 0.415 stops.
    expect(lamp!.offStops).toBeCloseTo(Math.log2(4 / 3), 9);
    // Warmer already: dimming would redden it further.
    expect(lamp!.dimTo).toBeNull();
    expect(found.mixedK).toBeGreaterThan(2700);
    expect(found.mixedK).toBeLessThan(4000);
  });
  test('a filament hotter than the balance is dimmed to it: 2800 K to 2295 K at 20 % (docs/model/light.md)', () => {
    const found = balanceAdvice([light({ cctK: 2800, filament: true })], 2295)!;
    expect(found.sources[0]!.dimTo).toBeCloseTo(0.2, 2);
  });
  test('little of it is accepted; alone it cannot be switched off; darkness is nothing', () => {
    const found = balanceAdvice(
      [light({ illuminanceLx: 1000 }), light({ id: 'b', cctK: 9000, illuminanceLx: 20 })],
      4000,
    )!;
    expect(found.sources[1]).toMatchObject({ clash: 'obvious', accept: true });
    expect(balanceAdvice([light({})], 4000)!.sources[0]!.offStops).toBeNull();
    expect(balanceAdvice([light({ illuminanceLx: 0 })], 4000)).toBeNull();
  });
});

describe('the colour sheet of the demo', () => {
  test('the cabin’s ring among its lamp and its porthole', () => {
    const sheet = colourSheet(demo, 'warm-ring')!;
    expect(sheet.build!.origin).toBe('typical');
    expect(sheet.together).not.toBeNull();
    expect(sheet.advice!.sources.map(({ id }) => id)).toEqual([
      'warm-ring',
      'chart-lamp',
      'porthole',
    ]);
    expect(sheet.build!.curve).toHaveLength(81);
    expect(Math.max(...sheet.build!.curve)).toBeCloseTo(1, 1);
  });
  test('a metered spectrum wins over the typical one', () => {
    const copy = structuredClone(demo);
    const bulb = bulbIn(copy.shelf, 'globe-a60-9-4000');
    expect(unitColour(copy, bulb.id)!.origin).toBe('typical');
    const black = planckian(3000);
    const wavelengthsNm = Array.from({ length: 81 }, (_, k) => 380 + 5 * k);
    bulb.spectrum = { wavelengthsNm, power: wavelengthsNm.map((nm) => black[nm - 360]!) };
    const found = unitColour(copy, bulb.id)!;
    expect(found.origin).toBe('metered');
    expect(Math.abs(found.figures.cctK - 3000)).toBeLessThan(10);
    expect(found.figures.ra).toBeGreaterThan(99);
    expect(unitColour(copy, 'nobody')).toBeNull();
  });
});

describe('which globe for this fitting', () => {
  const rank = fittingRank(demo, 'clerk-ring');
  test('equal lumens of another spread are not equal light', () => {
    expect(rank.length).toBeGreaterThan(8);
    expect(rank.some(({ chosen }) => chosen)).toBe(true);
    const most = rank[0]!;
    const least = rank.at(-1)!;
    // Forward and reflector globes towards the subject against sideways ones: 3 : 1 or more (common practice).
    expect(most.lxPerKlm / least.lxPerKlm).toBeGreaterThan(3);
    const candle = rank.find(({ name }) => name.includes('E14'))!;
    expect(candle.otherBase).toBe('E14');
    expect(rank.filter(({ otherBase }) => otherBase === null).length).toBeGreaterThan(5);
    for (const { share, illuminanceLx, sentLm, lxPerKlm } of rank) {
      expect(share).toBeGreaterThan(0);
      expect(share).toBeLessThanOrEqual(1);
      expect(lxPerKlm).toBeCloseTo((illuminanceLx / sentLm) * 1000, 9);
    }
  });
  test('tapes go into a pan, bulbs do not', () => {
    const tapes = fittingRank(demo, 'clerk-pan').map(({ id }) => id);
    expect(tapes).toContain('tape-24-120-4000');
    expect(tapes.some((id) => id.startsWith('globe'))).toBe(false);
  });
});
