import fc from 'fast-check';
import { toRadians } from '../angle';
import { intensityPerLm, prepareSpread, type Spread } from '../units/spread';
import { candelaOf, type SweepGiven } from './candela';
import { layerTestOf, type LayerReading } from './layerTest';
import { likeness, nearestSpread } from './nearest';
import { median, repeatsOf } from './repeats';
import { sweepOf, tableOf, zoneIntegral, type SweepPlane } from './sweep';
import { combined, readingParts, suspects, withinLimits } from './uncertainty';

describe('repeats and uncertainty against worked examples', () => {
  test('five readings of a voltage, a current and an angle [std: JCGM 100:2008, table H.2]', () => {
    const volts = repeatsOf([5.007, 4.994, 5.005, 4.99, 4.999]);
    expect(volts.mean).toBeCloseTo(4.999, 4);
    expect(volts.meanDeviation).toBeCloseTo(0.0032, 4);
    const milliamps = repeatsOf([19.663, 19.639, 19.64, 19.685, 19.678]);
    expect(milliamps.mean).toBeCloseTo(19.661, 4);
    expect(milliamps.meanDeviation).toBeCloseTo(0.0095, 4);
    const angle = repeatsOf([1.0456, 1.0438, 1.0468, 1.0428, 1.0433]);
    expect(angle.mean).toBeCloseTo(1.04446, 5);
    expect(angle.meanDeviation).toBeCloseTo(0.00075, 5);
  });
  test('an end gauge: 25, 9.7, 2.9 and 16.6 nm make 32 nm [std: JCGM 100:2008, H.1]', () => {
    expect(combined([25, 9.7, 2.9, 16.6])).toBeCloseTo(31.7, 1);
    // Its comparator: 5.8, 3.9 and 6.7 nm make 9.7 nm (H.1.3.2).
    expect(combined([5.8, 3.9, 6.7])).toBeCloseTo(9.7, 1);
    // A difference of thermal expansion within ± 1e-6 K⁻¹ is 0.58e-6 (H.1.3.3).
    expect(withinLimits(1e-6)).toBeCloseTo(0.577e-6, 9);
  });
  test('the odd one is named, rounding is not', () => {
    expect(repeatsOf([100, 101, 99, 100, 140]).outliers).toEqual([4]);
    expect(repeatsOf([100, 101, 99, 102]).outliers).toEqual([]);
    expect(repeatsOf([10, 10, 10, 10, 11], 1).outliers).toEqual([]);
    expect(repeatsOf([1]).deviation).toBeNull();
    expect(median([3, 1, 2, 10])).toBe(2.5);
  });
  test('parts of a reading: what is not there adds nothing, the biggest comes first', () => {
    const instrument = { classShare: 0.04, grain: 1 };
    const taken = {
      instrument,
      meanLx: 400,
      meanDeviationLx: 2,
      roomLx: 0,
      roomDeviationLx: 0,
      distanceM: 1,
      distanceErrorM: 0.01,
      warmMin: 30,
    };
    const share = (id: string, more: Partial<typeof taken> = {}) =>
      readingParts({ ...taken, ...more }).find((part) => part.id === id)!.share;
    expect(share('class')).toBeCloseTo(0.04 / Math.sqrt(3), 6);
    // A centimetre in a metre is two hundredths of the light (inverse square).
    expect(share('distance')).toBeCloseTo(0.02 / Math.sqrt(3), 6);
    expect(share('repeats')).toBeCloseTo(0.005, 6);
    expect(share('warm-up')).toBe(0);
    expect(share('warm-up', { warmMin: 0 })).toBeCloseTo(0.05 / Math.sqrt(3), 6);
    // Half of what is read is the room's: the class counts twice.
    expect(share('class', { roomLx: 200 })).toBeCloseTo((2 * 0.04) / Math.sqrt(3), 6);
    expect(suspects(readingParts(taken))[0]!.id).toBe('class');
  });
});

/** A plane of a unit with a spread, read every so many degrees to either side. */
const planeOf = (spread: Spread, lumens: number, stepDeg: number, toDeg = 180): SweepPlane => ({
  planeDeg: 0,
  points: Array.from({ length: (2 * toDeg) / stepDeg + 1 }, (_, k) => {
    const angleDeg = k * stepDeg - toDeg;
    const cosine = Math.cos(toRadians(Math.abs(angleDeg)));
    return { angleDeg, cd: lumens * intensityPerLm(prepareSpread(spread), cosine), share: 0 };
  }),
});

describe('sweeps against closed forms [std: photometry]', () => {
  test.each<[string, Spread, number]>([
    ['all round', { class: 'omni' }, 806],
    ['mostly forward', { class: 'forward' }, 806],
    ['sideways', { class: 'side' }, 470],
    ['flat, cosine', { class: 'lambert' }, 1000],
    ['a reflector of 60°', { class: 'reflector', beamAngleDeg: 60 }, 400],
    ['a reflector of 24°', { class: 'reflector', beamAngleDeg: 24 }, 400],
  ])('%s: lumens lie within the error of the steps, whatever they are', (_, spread, lumens) => {
    for (const step of [2.5, 5, 10, 15, 30]) {
      const { luminousFluxLm, stepErrorLm } = sweepOf([planeOf(spread, lumens, step)]);
      expect(Math.abs(luminousFluxLm - lumens)).toBeLessThanOrEqual(stepErrorLm + 1e-6 * lumens);
    }
    const fine = sweepOf([planeOf(spread, lumens, 1)]);
    expect(fine.luminousFluxLm / lumens).toBeCloseTo(1, 2);
  });
  test('a narrow beam at coarse steps says how wrong it is, and where', () => {
    const coarse = sweepOf([planeOf({ class: 'reflector', beamAngleDeg: 24 }, 400, 30)]);
    expect(coarse.stepErrorLm / 400).toBeGreaterThan(0.2);
    expect(coarse.finerDeg).toEqual([0, 30]);
  });
  test('a zone with straight candela: ∫ θ sin θ from 0 to π is π (by parts)', () => {
    expect(zoneIntegral(0, Math.PI, 0, Math.PI)).toBeCloseTo(Math.PI, 12);
    expect(zoneIntegral(0, Math.PI / 2, 1, 1)).toBeCloseTo(1, 12);
  });
  test('beam and field of a cosine: 120° and twice acos 0.1; of a reflector its own', () => {
    const [flat] = sweepOf([planeOf({ class: 'lambert' }, 1000, 1)]).beams;
    expect(flat!.beam.deg).toBeCloseTo(120, 1);
    expect(flat!.field.deg).toBeCloseTo((2 * Math.acos(0.1) * 180) / Math.PI, 1);
    const spot = sweepOf([planeOf({ class: 'reflector', beamAngleDeg: 36 }, 400, 1)]);
    expect(spot.beams[0]!.beam.deg).toBeCloseTo(36, 1);
    expect(sweepOf([planeOf({ class: 'omni' }, 100, 10)]).beams[0]!.beam.closed).toBe(false);
  });
  test('hollow, lopsided and off the axis are told apart', () => {
    const shaped = (cd: (angle: number) => number) =>
      sweepOf([
        {
          planeDeg: 0,
          points: Array.from({ length: 37 }, (_, k) => {
            const angleDeg = 5 * k - 90;
            return { angleDeg, cd: cd(angleDeg), share: 0 };
          }),
        },
      ]);
    const bump = (at: number) => (angle: number) => 100 * Math.exp(-(((angle - at) / 20) ** 2));
    expect(shaped(bump(0)).shape).toEqual({ offAxis: false, hollow: false, lopsided: false });
    expect(shaped((angle) => bump(25)(Math.abs(angle))).shape.hollow).toBe(true);
    expect(shaped(bump(25)).shape).toMatchObject({ lopsided: true });
    expect(shaped(bump(15)).shape).toMatchObject({ offAxis: true, hollow: false });
    expect(shaped(bump(0)).asymmetry).toBeCloseTo(0, 9);
  });
  test.each<[string, Spread]>([
    ['all round', { class: 'omni' }],
    ['mostly forward', { class: 'forward' }],
    ['sideways', { class: 'side' }],
    ['flat', { class: 'lambert' }],
    ['a reflector of 40°', { class: 'reflector', beamAngleDeg: 40 }],
  ])('%s is found again as what it is', (_, spread) => {
    const sweep = sweepOf([planeOf(spread, 500, 5)]);
    expect(nearestSpread(sweep)).toMatchObject({ spread });
    expect(likeness(sweep, spread).elsewhere).toBeLessThan(0.01);
    const other: Spread = spread.class === 'omni' ? { class: 'lambert' } : { class: 'omni' };
    expect(likeness(sweep, other).elsewhere).toBeGreaterThan(0.05);
  });
  test('as a table it gives the same lumens again, whatever the steps', () => {
    const sweep = sweepOf([planeOf({ class: 'forward' }, 806, 10)]);
    const table = tableOf(sweep, 180);
    const flux = table
      .slice(1)
      .reduce(
        (sum, cd, k) =>
          sum + 2 * Math.PI * zoneIntegral(toRadians(k), toRadians(k + 1), table[k]!, cd),
        0,
      );
    expect(flux / sweep.luminousFluxLm).toBeCloseTo(1, 4);
  });
});

describe('readings round a lamp', () => {
  const instrument = { classShare: 0.04, grain: 0.1 };
  const given = (more: Partial<SweepGiven> = {}): SweepGiven => ({
    readings: [-60, -30, 0, 30, 60].map((angleDeg) => ({
      planeDeg: 0,
      angleDeg,
      luxes: [100 * Math.cos(toRadians(angleDeg)) + 5],
    })),
    distanceM: 2,
    distanceErrorM: 0.01,
    sizeM: 0.06,
    roomLuxes: [5, 5],
    warmMin: 30,
    instrument,
    ...more,
  });
  const valueOf = (more: Partial<SweepGiven> = {}) => {
    const found = candelaOf(given(more));
    if (!found.ok) throw new Error(found.problems[0]!.message);
    return found.value;
  };
  test('candela are lux by the square of the distance, the room taken off', () => {
    const [plane] = valueOf().planes;
    expect(plane!.points.map(({ angleDeg }) => angleDeg)).toEqual([-60, -30, 0, 30, 60]);
    expect(plane!.points[2]!.cd).toBeCloseTo(400, 9);
    expect(plane!.points[0]!.cd).toBeCloseTo(200, 9);
  });
  test('out of order and read again is no trouble: it is put in order, and counts as repeats', () => {
    const shuffled = [...given().readings].reverse();
    const again = { planeDeg: 0, angleDeg: 0, luxes: [107] };
    const [plane] = valueOf({ readings: [...shuffled, again] }).planes;
    expect(plane!.points.map(({ angleDeg }) => angleDeg)).toEqual([-60, -30, 0, 30, 60]);
    expect(plane!.points[2]!.cd).toBeCloseTo(4 * 101, 9);
    expect(plane!.points[2]!.share).toBeGreaterThan(valueOf().planes[0]!.points[2]!.share);
  });
  test('near a flat disc falls short as E = I/(d² + r²) does, and is raised by it; nearer still it is refused', () => {
    const near = valueOf({ sizeM: 1 });
    // r² / d² of half a metre at two [std: Lambert disc].
    expect(near.nearShare).toBeCloseTo(1 / 16, 12);
    expect(near.planes[0]!.points[2]!.cd).toBeCloseTo(400 * (1 + 1 / 16), 9);
    expect(candelaOf(given({ sizeM: 2.5 }))).toMatchObject({ ok: false });
    expect(valueOf({ sizeM: 0.4 }).nearShare).toBe(0);
  });
  test.each<[string, Partial<SweepGiven>, string]>([
    ['two angles only', { readings: given().readings.slice(1, 3) }, 'few'],
    ['nothing in front', { readings: given().readings.slice(3) }, 'few'],
    ['no more than the room', { roomLuxes: [200] }, 'dark'],
  ])('%s: refused with a word', (_, more, code) => {
    const found = candelaOf(given(more));
    expect(found.ok ? '' : found.problems[0]!.code).toBe(code);
  });
  test('light of the room that nobody read is told', () => {
    expect(valueOf({ roomLuxes: [] }).notes.join()).toContain('counts as the lamp’s');
    expect(valueOf({ roomLuxes: [50, 50] }).notes.join()).toContain('darken it');
  });
});

describe('a layer in turns', () => {
  const turns = (tau: number, drift: number, many = 6): LayerReading[] =>
    Array.from({ length: many }, (_, k) => ({
      with: k % 2 === 1,
      lux: 500 * (1 + drift) ** k * (k % 2 === 1 ? tau : 1),
    }));
  const tauOf = (readings: LayerReading[], room: number[] = [0]) => {
    const found = layerTestOf(readings, room, 0.1);
    if (!found.ok) throw new Error(found.problems[0]!.message);
    return found.value;
  };
  test('whatever the layer and the drift, the layer is found: an exponential drift is straight in logarithms', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.98, noNaN: true }),
        fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        fc.integer({ min: 3, max: 12 }),
        (tau, drift, many) => {
          expect(tauOf(turns(tau, drift, many)).tau).toBeCloseTo(tau, 6);
        },
      ),
    ));
  test('a stop is a half, and its error is told', () => {
    const noisy = turns(0.5, 0).map((each, k) => ({ ...each, lux: each.lux + (k % 3) - 1 }));
    const { stops, deviation, tau } = tauOf(noisy);
    expect(stops).toBeCloseTo(1, 1);
    expect(Math.abs(tau - 0.5)).toBeLessThan(3 * deviation);
    expect(deviation).toBeLessThan(0.005);
  });
  test('room light nobody read: what it would do is said', () => {
    // 500 and 250 lx with 50 lx of room in both: (250 − 50)/(500 − 50).
    expect(tauOf(turns(0.5, 0), []).ifRoom).toBeCloseTo(200 / 450, 9);
  });
  test.each<[string, LayerReading[], number[], string]>([
    ['more light with it', turns(1.1, 0), [0], 'over_one'],
    ['not in turns', turns(0.5, 0, 2), [0], 'few'],
    ['darker than the room', turns(0.5, 0), [300], 'dark'],
  ])('%s: refused', (_, readings, room, code) => {
    const found = layerTestOf(readings, room, 0.1);
    expect(found.ok ? '' : found.problems[0]!.code).toBe(code);
  });
});
