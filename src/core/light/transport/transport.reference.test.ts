import { discShape, OPEN, rectangleShape, type Arrangement } from './arrangement';
import { arrangementKey } from './key';
import { packArrangement } from './pack';
import { zoneSr } from './result';
import { cannotRun, CHUNK_PHOTONS, tracePart, unitsOf } from './run';
import { addTallyInPlace, emptyTally, SURVEY_PARTS } from './tally';
import { counted, lamp, sheet, standardBox, standardPan, wall } from './testing';

const PHOTONS = 300_000;
const run = (arrangement: Arrangement, photons = PHOTONS, seed = 11) =>
  counted(arrangement, { photons, seed });

describe('worked values of docs/model/transport.md, within four standard errors of both', () => {
  test.each([
    ['pan, one full sheet', standardPan(sheet(0.6, 0.34)), 0.7626, 0.0002, 0.83, 0.04],
    ['pan, open mouth', standardPan(OPEN), 0.9045, 0.0001, 0.812, 0.02],
    ['foil box, one full sheet', standardBox(sheet(0.62, 0.3)), 0.6552, 0.0002, null, 0],
  ])('%s', (_, arrangement, eta, error, uniformity, off) => {
    const found = run(arrangement);
    expect(Math.abs(found.efficiency - eta)).toBeLessThan(4 * (found.standardError + error));
    if (uniformity !== null) expect(Math.abs(found.uniformity - uniformity)).toBeLessThan(off);
  });
});

describe('theory', () => {
  test('balance: emitted = escaped + absorbed + given up, to the photon', () => {
    for (const arrangement of [standardPan(sheet(0.6, 0.34)), standardBox(sheet(0.62, 0.3, 70))]) {
      const packed = packArrangement(arrangement);
      const tally = tracePart(packed, { photons: 50_000, seed: 3 }, SURVEY_PARTS, unitsOf(50_000));
      const sum = (counts: Uint32Array) => counts.reduce((total, count) => total + count, 0);
      expect(sum(tally.absorbed) + sum(tally.left) + tally.stopped + tally.lost).toBe(50_000);
      expect(sum(tally.map)).toBe(tally.left[0]);
      expect(sum(tally.directions)).toBe(tally.left[0]);
      expect(tally.lost + tally.stopped).toBe(0);
    }
  });
  test('a lossless cavity lets all out', () => {
    expect(run(standardPan(sheet(0.6, 0.4), wall(1, 0.3)), 40_000).efficiency).toBe(1);
    expect(run(standardBox(OPEN, wall(1)), 40_000).efficiency).toBe(1);
  });
  test('sphere with a cap port: η = τ·f/(1 − f·ρd − (1−f)·ρ) for light from its wall', () => {
    // A unit sphere cut at z = 0.6: the port's cap is f = (1 − 0.6)/2 of it. A full layer that is the cap
    // itself sends back by Lambert's law from the sphere, for which the sum is exact.
    const [tau, back, rho, f] = [0.6, 0.34, 0.9, 0.2];
    const sphere: Arrangement = {
      surfaces: [
        {
          name: 'port',
          shape: { kind: 'cap', centreZM: 0, radiusM: 1, fromZM: 0.6, toZM: 1 },
          matter: sheet(tau, back),
        },
        {
          name: 'wall',
          shape: { kind: 'cap', centreZM: 0, radiusM: 1, fromZM: -1, toZM: 0.6 },
          matter: wall(rho),
        },
      ],
      // On a sphere's wall Lambertian light reaches every part alike.
      emitters: [lamp([0, 0, -1 + 1e-9])],
    };
    const found = run(sphere);
    const eta = (tau * f) / (1 - f * back - (1 - f) * rho);
    expect(Math.abs(found.efficiency - eta)).toBeLessThan(4 * found.standardError);
  });
  test('black box: the mouth’s solid angle of an even point, cos² for a Lambertian one', () => {
    const box = (spread: 'omni' | 'lambert'): Arrangement => ({
      ...standardPan(OPEN, wall(0)),
      emitters: [lamp([0, 0, 1e-6], [0, 0, 1], { class: spread })],
    });
    const cosine = 80 / Math.hypot(80, 150);
    const even = run(box('omni'));
    expect(Math.abs(even.efficiency - (1 - cosine) / 2)).toBeLessThan(4 * even.standardError);
    const lambert = run(box('lambert'));
    expect(Math.abs(lambert.efficiency - 150 ** 2 / (150 ** 2 + 80 ** 2))).toBeLessThan(
      4 * lambert.standardError,
    );
  });
  test('Lambertian disc to a coaxial disc (Howell, C-41; from memory)', () => {
    const [a, b, h] = [1, 1.5, 1.2];
    const points = Array.from({ length: 4000 }, (_, k) => {
      const r = a * Math.sqrt((k + 0.5) / 4000);
      const angle = k * Math.PI * (3 - Math.sqrt(5));
      return lamp([r * Math.cos(angle), r * Math.sin(angle), 1e-6]);
    });
    const [ra, rb] = [a / h, b / h];
    const x = 1 + (1 + rb * rb) / (ra * ra);
    const factor = 0.5 * (x - Math.sqrt(x * x - 4 * (rb / ra) ** 2));
    const found = run({
      surfaces: [
        { name: 'far', shape: discShape(b, h), matter: OPEN },
        {
          name: 'side',
          shape: { kind: 'cone', axis: 'z', fromM: 0, toM: h, fromRadiusM: 2, toRadiusM: b },
          matter: wall(0),
        },
        { name: 'base', shape: discShape(2, 0), matter: wall(0) },
      ],
      emitters: points,
    });
    expect(Math.abs(found.efficiency - factor)).toBeLessThan(4 * found.standardError);
  });
  test('directions out of a full layer follow Lambert: I = 1/π per lumen at the normal, falling as cos', () => {
    const { zonesCdPerLm } = run(standardPan(sheet(0.6, 0.34)));
    const sent = zonesCdPerLm.reduce((sum, cd, zone) => sum + cd * zoneSr(zone), 0);
    expect(sent).toBeCloseTo(1, 9);
    for (const zone of [2, 6, 10, 14]) {
      const middle = ((zone + 0.5) * 5 * Math.PI) / 180;
      expect(zonesCdPerLm[zone]! / (Math.cos(middle) / Math.PI)).toBeCloseTo(1, 1);
    }
  });
  test('a partial layer widens a collimated beam to its stated half-peak width', () => {
    const found = run({
      surfaces: [
        { name: 'sheet', shape: rectangleShape(10, 10, 1), matter: sheet(1, 0, 50) },
        { name: 'back', shape: rectangleShape(10, 10, 0), matter: wall(0) },
      ],
      emitters: [lamp([0, 0, 0.5], [0, 0, 1], { class: 'reflector', beamAngleDeg: 2 })],
    });
    const level = found.zonesCdPerLm[0]!;
    const half = found.zonesCdPerLm.findIndex((cd) => cd < level / 2);
    // Half the width is 25°: the zone from 25° to 30° is the first under half.
    expect(half).toBe(5);
  });
});

/**
 * A second method: radiosity of a black-mouthed Lambertian cylinder with exact form factors between
 * its discs and rings [std: Howell, C-41 and ring algebra; from memory].
 */
test('radiosity of a Lambertian cylinder with exact form factors agrees within 1 %', () => {
  const [R, H, rho, rings] = [1, 1.2, 0.8, 60];
  const disc = (h: number) => {
    if (h < 1e-12) return 1;
    const x = 2 + (h / R) ** 2;
    return 0.5 * (x - Math.sqrt(x * x - 4));
  };
  const dz = H / rings;
  const discM2 = Math.PI * R * R;
  const ringM2 = 2 * Math.PI * R * dz;
  // Disc at 0 to the ring from z to z+dz is F(z) − F(z+dz); rings to one another by reciprocity.
  const toRing = (z: number) => disc(z) - disc(z + dz);
  const ringToDisc = (z: number) => (toRing(z) * discM2) / ringM2;
  const ringToRing = (i: number, j: number) => {
    if (i === j) return 1 - 2 * ringToDisc(0);
    const gap = (Math.abs(i - j) - 1) * dz;
    return ringToDisc(gap) - ringToDisc(gap + dz);
  };
  // Unit flux leaves the base by Lambert's law; B is flux sent by each part, arriving summed to rest.
  let base = 1;
  let ring = Array<number>(rings).fill(0);
  let out = 0;
  for (let bounce = 0; bounce < 200; bounce++) {
    out += base * disc(H) + ring.reduce((sum, b, i) => sum + b * ringToDisc(H - (i + 1) * dz), 0);
    const nextBase = rho * ring.reduce((sum, b, i) => sum + b * ringToDisc(i * dz), 0);
    ring = ring.map(
      (_, j) =>
        rho * (base * toRing(j * dz) + ring.reduce((sum, b, i) => sum + b * ringToRing(i, j), 0)),
    );
    base = nextBase;
  }
  const points = Array.from({ length: 3000 }, (_, k) => {
    const r = R * Math.sqrt((k + 0.5) / 3000);
    const angle = k * Math.PI * (3 - Math.sqrt(5));
    return lamp([r * Math.cos(angle), r * Math.sin(angle), 1e-7]);
  });
  const found = run({
    surfaces: [
      { name: 'mouth', shape: discShape(R, H), matter: OPEN },
      {
        name: 'side',
        shape: { kind: 'cone', axis: 'z', fromM: 0, toM: H, fromRadiusM: R, toRadiusM: R },
        matter: wall(rho),
      },
      { name: 'base', shape: discShape(R, 0), matter: wall(rho) },
    ],
    emitters: points,
  });
  expect(Math.abs(found.efficiency / out - 1)).toBeLessThan(0.01);
});

describe('chance', () => {
  test('the result depends on seed and count only, however the chunks are shared out', () => {
    const arrangement = standardPan(sheet(0.6, 0.34));
    const packed = packArrangement(arrangement);
    const given = { photons: 5 * CHUNK_PHOTONS - 7, seed: 5 };
    const units = unitsOf(given.photons);
    const whole = tracePart(packed, given, 0, units);
    const shared = emptyTally(packed);
    for (const [first, last] of [
      [9, units],
      [0, 1],
      [1, 9],
    ] as const)
      addTallyInPlace(shared, tracePart(packed, given, first, last));
    expect(shared).toEqual(whole);
    expect(whole.emitted).toBe(given.photons);
  });
  test('same seed, same bits; another seed, other bits that agree', () => {
    const arrangement = standardBox(sheet(0.62, 0.3));
    const [one, again, other] = [1, 1, 2].map((seed) => run(arrangement, 60_000, seed));
    expect(again).toEqual(one);
    expect(other!.efficiency).not.toBe(one!.efficiency);
    expect(Math.abs(other!.efficiency - one!.efficiency)).toBeLessThan(6 * one!.standardError);
  });
  test('the stated error is the spread of repeated runs', () => {
    const etas = Array.from(
      { length: 24 },
      (_, seed) => run(standardPan(sheet(0.6, 0.34)), 10_000, seed).efficiency,
    );
    const mean = etas.reduce((sum, eta) => sum + eta, 0) / etas.length;
    const spread = Math.sqrt(
      etas.reduce((sum, eta) => sum + (eta - mean) ** 2, 0) / (etas.length - 1),
    );
    const stated = Math.sqrt((mean * (1 - mean)) / 10_000);
    expect(spread / stated).toBeGreaterThan(0.6);
    expect(spread / stated).toBeLessThan(1.5);
  });
  test('lamps share out by their lumens (alias table)', () => {
    const arrangement: Arrangement = {
      ...standardPan(OPEN, wall(0)),
      emitters: [
        { ...lamp([0, 0, 79.99]), luminousFluxLm: 3 },
        { ...lamp([0, 0, 0.01], [0, 0, -1]), luminousFluxLm: 1 },
        { ...lamp([0, 0, 40]), luminousFluxLm: 0 },
      ],
    };
    const found = run(arrangement, 100_000);
    expect(Math.abs(found.efficiency - 0.75)).toBeLessThan(0.006);
  });
});

describe('bad input', () => {
  const pan = standardPan(sheet(0.6, 0.34));
  const many = (count: number) => Array.from({ length: count }, () => lamp([0, 0, 40]));
  test.each([
    ['no photons', pan, { photons: 0, seed: 1 }, 'photon count is 0'],
    ['10¹² photons', pan, { photons: 1e12, seed: 1 }, 'photon count'],
    ['half a photon', pan, { photons: 1.5, seed: 1 }, 'whole number'],
    ['a seed that is none', pan, { photons: 1, seed: NaN }, 'seed'],
    ['no light', { ...pan, emitters: [] }, { photons: 1, seed: 1 }, 'No lamp'],
    ['too many lamps', { ...pan, emitters: many(100_001) }, { photons: 1, seed: 1 }, '100001'],
    ['no mouth', { ...pan, surfaces: pan.surfaces.slice(1) }, { photons: 1, seed: 1 }, 'no mouth'],
    [
      'a lamp nowhere',
      { ...pan, emitters: [lamp([NaN, 0, 0])] },
      { photons: 1, seed: 1 },
      'no place',
    ],
  ])('%s is refused in words', (_, arrangement, given, words) => {
    expect(cannotRun(arrangement, given)).toContain(words);
  });
  test('10⁵ lamps are followed; a sound run is not refused', () => {
    const crowded = { ...pan, emitters: many(100_000) };
    expect(cannotRun(crowded, { photons: 1000, seed: 1 })).toBeNull();
    expect(run(crowded, 20_000).unaccounted).toBe(0);
  });
  test('ρ = 1 without a way out ends at the bounce cap and says so', () => {
    const shut = standardPan({ ...sheet(0, 1) }, wall(1));
    expect(run(shut, 100)).toMatchObject({ efficiency: 0, unaccounted: 1 });
  });
  test('a lamp outside, a mouth without area, coincident sheets: counted, never NaN', () => {
    const outside = run({ ...pan, emitters: [lamp([0, 0, 500])] }, 2000);
    expect(outside.unaccounted).toBe(1);
    const flat = run(
      {
        surfaces: [
          { name: 'mouth', shape: rectangleShape(0, 1, 1), matter: OPEN },
          { name: 'back', shape: rectangleShape(1, 1, 0), matter: wall(0.5) },
        ],
        emitters: [lamp([0, 0, 0.5])],
      },
      2000,
    );
    expect(flat.efficiency + flat.unaccounted).toBeLessThanOrEqual(1);
    const twice = run(
      { ...pan, surfaces: [...pan.surfaces, { ...pan.surfaces[2]!, name: 'base again' }] },
      20_000,
    );
    for (const figure of [...flat.zonesCdPerLm, flat.uniformity, twice.efficiency])
      expect(Number.isFinite(figure)).toBe(true);
    expect(Math.abs(twice.efficiency - 0.7626)).toBeLessThan(0.02);
  });
});

test('keys are of the content: brighter lamps keep it, a moved wall or another finish changes it', () => {
  const pan = standardPan(sheet(0.6, 0.34));
  const key = arrangementKey(pan);
  const brighter = pan.emitters.map((each) => ({ ...each, luminousFluxLm: 3 }));
  expect(arrangementKey({ ...pan, emitters: brighter })).toBe(key);
  expect(arrangementKey(standardPan(sheet(0.6, 0.35)))).not.toBe(key);
  expect(arrangementKey(standardPan(sheet(0.6, 0.34), wall(0.92, 0.11)))).not.toBe(key);
});
