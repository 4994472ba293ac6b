import { sourceField } from './lightField';
import {
  exponentOfBeam,
  backwardShare,
  intensityPerLm,
  prepareSpread,
  type Spread,
} from '../units/spread';
import { annulusPatches, shareOnAnnulus } from './annulus';
import { packEmitters, type Emitter } from './emitter';
import { evennessOver } from './evenness';
import {
  exposureTimeS,
  exposureValue100,
  fNumberFor,
  isoSpeedFor,
  stopsBetween,
  targetIlluminanceLx,
} from './exposure';
import { fallOffCurve } from './falloff';
import { illuminanceLx } from './illuminance';
import {
  angularSizeDeg,
  halfShadowM,
  middleSpread,
  nearestMark,
  separateShadows,
} from './softness';

const bulb = (over: Partial<Emitter> = {}): Emitter => ({
  positionM: [0, 0, 0],
  axis: [0, 0, 1],
  luminousFluxLm: 800,
  spread: { class: 'omni' },
  ...over,
});
const SPREADS: Spread[] = [
  { class: 'omni' },
  { class: 'forward' },
  { class: 'side' },
  { class: 'lambert' },
  { class: 'reflector', beamAngleDeg: 36 },
];

describe('ISO 2720 incident exposure (from memory)', () => {
  // Worked example: ISO 100, f/16, 1/125 s, C = 250 → E = 250·256·125/100 = 80 000 lx, full sun.
  const sunny = { fNumber: 16, exposureTimeS: 1 / 125, isoSpeed: 100, calibrationLxS: 250 };
  test('sunny sixteen', () => expect(targetIlluminanceLx(sunny)).toBeCloseTo(80_000, 6));
  test('ISO 800, f/2.8, 25 fps, 180°: 250·7.84·50/800 = 122.5 lx', () => {
    const time = exposureTimeS(180, 25);
    expect(time).toBe(0.02);
    expect(
      targetIlluminanceLx({
        fNumber: 2.8,
        exposureTimeS: time,
        isoSpeed: 800,
        calibrationLxS: 250,
      }),
    ).toBeCloseTo(122.5, 9);
  });
  test('inverses bring back the f-number and the ISO', () => {
    expect(fNumberFor(80_000, sunny)).toBeCloseTo(16, 12);
    expect(isoSpeedFor(80_000, sunny)).toBeCloseTo(100, 9);
  });
  test('a stop is a doubling; 2.5 lx is EV 0 at C = 250', () => {
    expect(stopsBetween(400, 100)).toBe(2);
    expect(stopsBetween(0, 100)).toBe(-Infinity);
    expect(exposureValue100(2.5, 250)).toBeCloseTo(0, 12);
  });
});

describe('spread classes keep the total flux (definition of luminous flux)', () => {
  test.each(SPREADS)('%j', (spread) => {
    const prepared = prepareSpread(spread);
    const steps = 20_000;
    let flux = 0;
    for (let k = 0; k < steps; k++) {
      const cosine = 1 - (2 * (k + 0.5)) / steps;
      flux += intensityPerLm(prepared, cosine) * 2 * Math.PI * (2 / steps);
    }
    expect(flux).toBeCloseTo(1, 4);
  });
  test.each(SPREADS)('backward share of %j in closed form equals the sum over zones', (spread) => {
    const prepared = prepareSpread(spread);
    const steps = 4000;
    const psi = 1.1;
    let share = 0;
    for (let k = 0; k < steps; k++) {
      const t = ((k + 0.5) / steps) * psi;
      share += intensityPerLm(prepared, -Math.cos(t)) * 2 * Math.PI * Math.sin(t) * (psi / steps);
    }
    expect(backwardShare(prepared, psi)).toBeCloseTo(share, 6);
  });
  test('a reflector falls to half at half its beam angle', () => {
    const prepared = prepareSpread({ class: 'reflector', beamAngleDeg: 36 });
    const half = intensityPerLm(prepared, Math.cos((18 * Math.PI) / 180));
    expect(half / prepared.peakPerLm).toBeCloseTo(0.5, 9);
    // 60° full beam is Lambert-like squared: m = ln ½ / ln cos 30° = 4.82.
    expect(exponentOfBeam(60)).toBeCloseTo(4.8188, 3);
  });
});

describe('illuminance against closed forms', () => {
  test('inverse square: 800 lm all round gives 63.66 cd, 63.66 lx at 1 m, a quarter at 2 m', () => {
    const field = packEmitters([bulb()]);
    expect(illuminanceLx(field, [0, 0, 1], [0, 0, -1])).toBeCloseTo(800 / (4 * Math.PI), 9);
    expect(illuminanceLx(field, [0, 0, 2], [0, 0, -1])).toBeCloseTo(200 / (4 * Math.PI), 9);
  });
  test('Lambert emitter: I0 = Φ/π, and cos⁴ across a parallel plane', () => {
    const field = packEmitters([bulb({ spread: { class: 'lambert' } })]);
    const middle = illuminanceLx(field, [0, 0, 1], [0, 0, -1]);
    expect(middle).toBeCloseTo(800 / Math.PI, 9);
    const aside = illuminanceLx(field, [1, 0, 1], [0, 0, -1]);
    expect(aside / middle).toBeCloseTo(Math.cos(Math.PI / 4) ** 4, 12);
  });
  test('a ring of points on its axis: N·I·h/(h²+r²)^1.5', () => {
    const ring = Array.from({ length: 16 }, (_, k) =>
      bulb({
        positionM: [0.425 * Math.cos((k * Math.PI) / 8), 0.425 * Math.sin((k * Math.PI) / 8), 0],
      }),
    );
    const expected = (16 * (800 / (4 * Math.PI)) * 1.2) / (1.2 ** 2 + 0.425 ** 2) ** 1.5;
    expect(illuminanceLx(packEmitters(ring), [0, 0, 1.2], [0, 0, -1])).toBeCloseTo(expected, 9);
  });
  test.each(SPREADS)('the packed kernel agrees with the plain formula for %j', (spread) => {
    const field = packEmitters([bulb({ spread, axis: [0, 0.6, 0.8] })]);
    for (const point of [
      [0.3, 0.2, 1],
      [-1, 0.5, 0.4],
      [0, -2, 0.3],
    ] as const) {
      const d = Math.hypot(...point);
      const cosTheta = (0.6 * point[1] + 0.8 * point[2]) / d;
      const expected = (800 * intensityPerLm(prepareSpread(spread), cosTheta) * point[2]) / d ** 3;
      expect(illuminanceLx(field, point, [0, 0, -1])).toBeCloseTo(expected, 9);
    }
  });
  test('nothing from behind the receiver', () => {
    expect(illuminanceLx(packEmitters([bulb()]), [0, 0, 1], [0, 0, 1])).toBe(0);
  });
});

describe('the board as a Lambertian annulus', () => {
  const annulus = {
    kind: 'annulus',
    innerRadiusM: 0.35,
    outerRadiusM: 0.5,
    heightM: 0,
    reflectance: 0.85,
  } as const;
  test('on its axis E = M·(sin²θo − sin²θi), the disc form factor twice', () => {
    const patches = packEmitters(annulusPatches(annulus, 1000));
    const area = Math.PI * (0.5 ** 2 - 0.35 ** 2);
    const exitance = 850 / area;
    for (const d of [0.4, 1, 3]) {
      const factor = 0.25 / (0.25 + d * d) - 0.1225 / (0.1225 + d * d);
      const found = illuminanceLx(patches, [0, 0, d], [0, 0, -1]);
      expect(Math.abs(found / (exitance * factor) - 1)).toBeLessThan(2e-3);
    }
  });
  test('patches give back ρ of what arrives', () => {
    const sum = annulusPatches(annulus, 1000).reduce((lm, patch) => lm + patch.luminousFluxLm, 0);
    expect(sum).toBeCloseTo(850, 9);
  });
  test('an even point over a wide full disc sends half down; over a small one the cap share', () => {
    const point = bulb({ positionM: [0, 0, 0.1] });
    const disc = { ...annulus, innerRadiusM: 0, outerRadiusM: 1000 };
    expect(shareOnAnnulus(point, disc)).toBeCloseTo(0.5, 3);
    // Spherical cap: (1 − cos ψ)/2 with tan ψ = 1.
    const small = shareOnAnnulus(point, { ...disc, outerRadiusM: 0.1 });
    expect(small).toBeCloseTo((1 - Math.SQRT1_2) / 2, 9);
  });
  test('share on a ring off-centre equals a brute-force sum of I·cos β/d²·dA', () => {
    const emitter = bulb({ positionM: [0.425, 0, 0.08], spread: { class: 'side' } });
    const prepared = prepareSpread(emitter.spread);
    let sum = 0;
    const [rings, steps] = [300, 2400];
    for (let i = 0; i < rings; i++)
      for (let k = 0; k < steps; k++) {
        const r = 0.35 + ((i + 0.5) / rings) * 0.15;
        const a = ((k + 0.5) / steps) * 2 * Math.PI;
        const squared = (r * Math.cos(a) - 0.425) ** 2 + (r * Math.sin(a)) ** 2 + 0.08 ** 2;
        const cosine = 0.08 / Math.sqrt(squared);
        sum += ((intensityPerLm(prepared, -cosine) * cosine) / squared) * r;
      }
    sum *= (0.15 / rings) * ((2 * Math.PI) / steps);
    expect(Math.abs(shareOnAnnulus(emitter, annulus) / sum - 1)).toBeLessThan(0.01);
  });
});

describe('softness', () => {
  test('reference marks of docs/model/light.md: sun 0.53°, globe 3.4°, dome 41°', () => {
    expect(angularSizeDeg(1.3914e9, 1.496e11)).toBeCloseTo(0.53, 2);
    expect(angularSizeDeg(0.06, 1)).toBeCloseTo(3.4, 1);
    expect(angularSizeDeg(0.9, 1.2)).toBeCloseTo(41.1, 1);
    expect(nearestMark(45)).toContain('90 cm dome');
  });
  test.each([
    [0.3, 'sun'],
    [4, 'bare globe'],
    [8.5, 'clamp lamp'],
    [12, 'A4'],
    [19, '40 cm pan'],
    [28, '60 cm dome'],
    [41, '90 cm dome'],
    [52, 'sheet of 2 m at 2 m'],
    [75, 'window'],
    [100, 'sheet of 2 m at 0.8 m'],
    [170, 'overcast'],
  ])('%d° is told by %s', (angle, thing) => expect(nearestMark(angle)).toContain(thing));
  test('the middle of the light: 80 %% of an even strip’s width, a tenth when a tenth holds nearly all', () => {
    const strip = Array.from({ length: 101 }, (_, k) => [k / 100, 1] as const);
    expect(middleSpread(strip)).toBeCloseTo(0.8, 1);
    const hot = strip.map(([at], k) => [at, k >= 45 && k < 55 ? 100 : 1] as const);
    expect(middleSpread(hot)!).toBeLessThan(0.15);
    expect(middleSpread([])).toBeNull();
  });
  test('half-shadow by similar triangles', () => {
    expect(halfShadowM(1, 2, 0.02)).toBeCloseTo(0.01, 12);
  });
  test('gaps wider than a globe give separate edges (common practice)', () => {
    expect(separateShadows(0.166, 0.06, 1.2, 0.025).separate).toBe(true);
    expect(separateShadows(0.1, 0.06, 1.2, 0.025).separate).toBe(false);
    expect(separateShadows(Infinity, 0.06, 1.2, 0.025)).toMatchObject({
      separate: false,
      stepM: 0,
    });
  });
});

test('a lone lamp over a square: evenness by the cos³ law, fall-off by inverse square', () => {
  const field = sourceField([bulb()]);
  const even = evennessOver(field, 1, 2, 2, 3, 3);
  // Corner cell centre lies at (2/3, 2/3): E = I·h/(h²+r²)^1.5.
  const corner = 800 / (4 * Math.PI) / (1 + 8 / 9) ** 1.5;
  expect(even.minLx).toBeCloseTo(corner, 9);
  expect(even.plusMinusStops).toBeCloseTo(Math.log2((1 + 8 / 9) ** 1.5) / 2, 9);
  for (const point of fallOffCurve((at) => field.illuminance([0, 0, at], [0, 0, -1]), 0.3, 5))
    expect(point.illuminanceLx).toBeCloseTo(point.inverseSquareLx, 6);
});
