import { bouncePatches } from './bounce';
import type { Vector } from './vector';
import { packEmitters, type Emitter } from './emitter';
import { distributionOf, farField, fluxOf } from './farField';
import { illuminanceLx } from './illuminance';
import type { Mouth } from './mouth';
import { mouthPatches } from './patches';
import { sourceField } from './lightField';
import { polygonFactor, polygonIlluminanceLx } from './polygon';
import { rippleBehind } from './ripple';
import { simulate } from './transport/run';
import { sheet, standardPan } from './transport/testing';
import { bestWash, washOver } from './wash';

const rectangle = (w: number, h: number, z = 0): Vector[] => [
  [0, 0, z],
  [w, 0, z],
  [w, h, z],
  [0, h, z],
];
const point = (over: Partial<Emitter> = {}): Emitter => ({
  positionM: [0, 0, 0],
  axis: [0, 0, 1],
  luminousFluxLm: 1000,
  spread: { class: 'lambert' },
  ...over,
});

describe('polygon to a small receiver, against closed configuration factors', () => {
  test.each([
    [1, 1, 1],
    [0.3, 2, 0.5],
    [5, 0.2, 3],
  ])('parallel rectangle %d × %d at %d, over its corner (Howell, B-3; from memory)', (a, b, c) => {
    const [A, B] = [a / c, b / c];
    const factor =
      ((A / Math.hypot(1, A)) * Math.atan(B / Math.hypot(1, A)) +
        (B / Math.hypot(1, B)) * Math.atan(A / Math.hypot(1, B))) /
      (2 * Math.PI);
    expect(polygonFactor(rectangle(a, b), [0, 0, c], [0, 0, -1])).toBeCloseTo(factor, 9);
  });
  test.each([
    [1, 1, 1],
    [0.5, 2, 0.7],
  ])(
    'perpendicular rectangle, the receiver at its corner’s foot (Howell, B-4; from memory)',
    (a, b, c) => {
      // The receiver's plane holds the edge b above which the rectangle of height a stands, c away.
      const [X, Y] = [a / b, c / b];
      const factor =
        (Math.atan(1 / Y) - (Y / Math.hypot(X, Y)) * Math.atan(1 / Math.hypot(X, Y))) /
        (2 * Math.PI);
      const standing: Vector[] = [
        [0, 0, 0],
        [b, 0, 0],
        [b, 0, a],
        [0, 0, a],
      ];
      expect(polygonFactor(standing, [0, c, 0], [0, 0, 1])).toBeCloseTo(factor, 9);
    },
  );
  test('a polygon of 2000 corners is a disc on its axis: R²/(R²+d²)', () => {
    const R = 0.6;
    const disc = Array.from({ length: 2000 }, (_, k): Vector => {
      const angle = (2 * Math.PI * k) / 2000;
      return [R * Math.cos(angle), R * Math.sin(angle), 0];
    });
    for (const d of [0.1, 1, 4])
      expect(polygonFactor(disc, [0, 0, d], [0, 0, -1])).toBeCloseTo((R * R) / (R * R + d * d), 5);
  });
  test('clipped to the receiver’s horizon: half a wall seen edge on counts half', () => {
    const wide: Vector[] = [
      [-50, -50, 1],
      [50, -50, 1],
      [50, 50, 1],
      [-50, 50, 1],
    ];
    expect(polygonFactor(wide, [0, 0, 0], [0, 0, 1])).toBeCloseTo(1, 2);
    expect(polygonFactor(wide, [0, 0, 0], [1, 0, 0])).toBeCloseTo(0.5, 1);
    expect(polygonFactor(wide, [0, 0, 0], [0, 0, -1])).toBe(0);
  });
  test('corners in either order; on an edge and behind it stays finite', () => {
    const square = rectangle(1, 1);
    const lx = (corners: Vector[], at: Vector) =>
      polygonIlluminanceLx(corners, 100, at, [0, 0, -1]);
    expect(lx([...square].reverse(), [0.4, 0.3, 1])).toBeCloseTo(lx(square, [0.4, 0.3, 1]), 12);
    for (const at of [
      [0, 0, 0],
      [0.5, 0, 0],
      [0.5, 0.5, 0],
    ] as Vector[])
      expect(Number.isFinite(lx(square, at))).toBe(true);
    // Lying on it and facing away: nothing of it is above the receiver's horizon.
    expect(lx(square, [0.5, 0.5, 0])).toBe(0);
    expect(polygonIlluminanceLx(square, 100, [0.5, 0.5, 0], [0, 0, 1])).toBe(0);
  });
});

describe('patches of a mouth', () => {
  const mouth: Mouth = {
    shape: 'rectangle',
    widthM: 0.6,
    heightM: 0.4,
    heightOverBackM: 0,
    layers: [],
    cavity: null,
    room: null,
    directShare: 1,
  };
  test('an even mouth agrees with the exact polygon from half its width on', () => {
    const field = packEmitters(mouthPatches(mouth, 240));
    const corners = rectangle(0.6, 0.4).map(([x, y]): Vector => [x - 0.3, y - 0.2, 0]);
    const luminance = 240 / (Math.PI * 0.24);
    for (const at of [
      [0, 0, 0.3],
      [0.2, 0.1, 0.5],
      [0.5, 0.4, 1],
    ] as Vector[]) {
      const exact = polygonIlluminanceLx(corners, luminance, at, [0, 0, -1]);
      expect(illuminanceLx(field, at, [0, 0, -1]) / exact).toBeCloseTo(1, 2);
    }
  });
});

describe('far field', () => {
  test('a reflector’s beam angle comes back; field angle where cos^m is a tenth', () => {
    const beamAngleDeg = 40;
    const field = sourceField([point({ spread: { class: 'reflector', beamAngleDeg } })]);
    const far = farField(distributionOf(field, [0, 0, 0], 0.1));
    const m = Math.log(0.5) / Math.log(Math.cos((20 * Math.PI) / 180));
    const tenth = (2 * Math.acos(0.1 ** (1 / m)) * 180) / Math.PI;
    for (const side of [0, 1] as const) {
      expect(far.beamDeg[side]).toBeCloseTo(beamAngleDeg, 0);
      expect(Math.abs(far.fieldDeg[side] - tenth)).toBeLessThan(1);
    }
    expect(far.peakCd).toBeCloseTo(((m + 1) / (2 * Math.PI)) * 1000, 3);
  });
  test('zonal sums give back the lumens of every class', () => {
    for (const spread of ['omni', 'forward', 'side', 'tube', 'lambert'] as const)
      expect(
        fluxOf(
          distributionOf(sourceField([point({ spread: { class: spread } })]), [0, 0, 0], 0.1),
        ) / 1000,
      ).toBeCloseTo(1, 2);
  });
});

describe('bounce, by hand', () => {
  test('a lamp 1 m under a white ceiling: E·ρ/π at the patch, cos⁴ towards its corners', () => {
    const lamps = [point({ positionM: [0, 0, 1], axis: [0, 0, -1] })];
    const mouth: Mouth = {
      shape: 'rectangle',
      widthM: 8,
      heightM: 8,
      heightOverBackM: 0,
      layers: [],
      cavity: null,
      room: null,
      directShare: 0.8,
    };
    const patches = bouncePatches(mouth, { lamps, controls: [], reflectance: 0.8 });
    // I0 = Φ/π on the axis; a Lambertian lamp over a parallel plane falls as cos⁴.
    const patch = patches.find(({ positionM: [x, y] }) => x === 0.25 && y === 0.25)!;
    const squared = 0.125 + 1;
    expect(patch.luminousFluxLm).toBeCloseTo((1000 / Math.PI / squared ** 2) * 0.25 * 0.8, 6);
    // A square 8 m wide seen from 1 m takes nearly all: Lambertian square factor by the corner formula ×4.
    const corner = 4 * polygonFactor(rectangle(4, 4), [0, 0, 1], [0, 0, -1]);
    const given = patches.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
    expect(given / (1000 * 0.8 * corner)).toBeCloseTo(1, 1);
    // Below the patch's middle, 2 m under: lux by the sum equals the hand calculation's order: 1.2 stops of
    // spread loss and ρ; always less than the lamp turned round.
    const lx = illuminanceLx(packEmitters(patches), [0, 0, 2], [0, 0, -1]);
    expect(lx).toBeGreaterThan(20);
    expect(lx).toBeLessThan(1000 / Math.PI / 4);
  });
});

describe('dots behind a layer', () => {
  const dots = (pitch: number, h: number) => ({ pitchM: pitch, rowPitchM: pitch, standOffM: h });
  test('even when the stand-off is the pitch, dotted at a third of it (common practice)', () => {
    expect(rippleBehind(dots(0.016, 0.016), 0)).toBeLessThan(0.05);
    expect(rippleBehind(dots(0.016, 0.016 / 3), 0)).toBeGreaterThan(0.5);
  });
  test('only the ratio counts; a thinner layer (narrower spread) shows more', () => {
    expect(rippleBehind(dots(0.02, 0.01), 3)).toBeCloseTo(rippleBehind(dots(2, 1), 3), 12);
    const at = [0, 2, 10, 40].map((exponent) => rippleBehind(dots(0.02, 0.015), exponent));
    expect(at).toEqual([...at].sort((a, b) => a - b));
  });
  test('dots of tape that touch the wall of a tube show (common practice)', () => {
    const touching = { pitchM: 1 / 60, rowPitchM: Infinity, standOffM: 0.002 };
    expect(rippleBehind(touching, 0)).toBeGreaterThan(0.9);
    expect(rippleBehind({ ...touching, standOffM: 0 }, 0)).toBe(1);
    expect(rippleBehind({ ...touching, standOffM: 0.036 }, 0)).toBeLessThan(0.05);
  });
});

describe('washes', () => {
  const field = sourceField(
    [-0.5, -0.25, 0, 0.25, 0.5].map((y) => point({ positionM: [0, y, 0] })),
  );
  const backdrop = { widthM: 3.4, heightM: 2.4 };
  test('two lights: the same as summing each by hand in backdrop axes', () => {
    const place = { lights: 2 as const, distanceM: 2, spacingM: 3, toeInRad: 0.3 };
    const wash = washOver(field, 0, backdrop, place, 2, 2);
    const byHand = [-1, 1]
      .flatMap((side) => [-0.5, -0.25, 0, 0.25, 0.5].map((y) => ({ side, y })))
      .reduce((sum, { side, y }) => {
        // Backdrop in z = 0, lights at z = 2 shining to −z, turned towards the middle.
        const from = [side * 1.5, y, 2] as const;
        const axis = [-side * Math.sin(0.3), 0, -Math.cos(0.3)] as const;
        const to = [-0.85 - from[0], 0.6 - from[1], -2] as const;
        const d2 = to[0] ** 2 + to[1] ** 2 + to[2] ** 2;
        const d = Math.sqrt(d2);
        const emitted = (to[0] * axis[0] + to[2] * axis[2]) / d;
        return sum + (emitted > 0 ? ((1000 / Math.PI) * emitted * (2 / d)) / d2 : 0);
      }, 0);
    expect(wash.cellsLx[0]).toBeCloseTo(byHand, 6);
    expect(wash.cellsLx[0]).toBeCloseTo(wash.cellsLx[1]!, 6);
  });
  test('two lights reach half a stop where one at the same room does worse or is dimmer', () => {
    const two = bestWash(field, 0, backdrop, 2, 0.5);
    expect(two.plusMinusStops).toBeLessThanOrEqual(0.5);
    const one = bestWash(field, 0, backdrop, 1, 0.5);
    expect(one.plusMinusStops > two.plusMinusStops || one.meanLx < two.meanLx).toBe(true);
    expect(one).toMatchObject({ spacingM: 0, toeInRad: 0 });
  });
  test('of the places that are even enough the brightest is taken', () => {
    const strict = bestWash(field, 0, backdrop, 2, 0.25);
    const loose = bestWash(field, 0, backdrop, 2, 1);
    expect(loose.meanLx).toBeGreaterThan(strict.meanLx);
  });
});

test('rim tape is softer in its mouth and dimmer on the axis than base tape (common practice)', () => {
  const pan = standardPan(sheet(0.62, 0.3, 70));
  const base = {
    ...pan,
    emitters: pan.emitters.map((emitter) => ({
      ...emitter,
      positionM: [emitter.positionM[0] * 0.5, emitter.positionM[1] * 0.5, 2] as const,
      axis: [0, 0, 1] as const,
    })),
  };
  const [onRim, onBase] = [pan, base].map((each) => simulate(each, { photons: 200_000, seed: 9 }));
  const axis = (run: typeof onRim) => run!.zonesCdPerLm[0]! * run!.efficiency;
  expect(axis(onRim)).toBeLessThan(axis(onBase));
  expect(onRim!.uniformity).toBeGreaterThan(onBase!.uniformity - 0.15);
});

test('two layers cost more than one and even the mouth (common practice)', () => {
  const box = (tau: number, back: number) =>
    simulate(
      {
        ...standardPan(sheet(tau, back), { kind: 'wall', reflectance: 0.85, mirrorShare: 0.6 }),
        emitters: [point({ positionM: [0, 0, 15], spread: { class: 'omni' } })],
      },
      { photons: 200_000, seed: 8 },
    );
  const one = box(0.62, 0.3);
  const two = box((0.62 * 0.62) / (1 - 0.09), 0.3 + (0.62 ** 2 * 0.3) / (1 - 0.09));
  expect(two.efficiency).toBeLessThan(one.efficiency);
  expect(two.uniformity).toBeGreaterThan(one.uniformity);
});
