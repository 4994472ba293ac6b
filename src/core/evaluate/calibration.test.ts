import { sample } from '../testing/sample';
import type { Production } from '../document/production';
import { calibratedFinish } from '../meter/calibrated';
import { gridPoints } from '../meter/points';
import { blankSession, type MeterReading, type Session } from '../meter/session';
import { calibrateProduction } from './calibration';
import { pointsForecast, sweepForecast } from './litBy';
import { Derivations } from './derive';
import { evaluate } from './evaluate';
import { forecastShare, hangsOn } from './forecastShare';
import { measuredOf } from './measured';

const demo = sample();
const AT = '2026-03-10T19:00:00Z';
const build = demo.builds.find(({ form }) => form === 'strip-pan')!;
const [tape] = demo.shelf.units.filter(({ id }) => id === build.parameters.stripId);
const layerId = String(build.parameters.layer1PartId);

const taught = (factors: Record<string, number>, deviation = 0.01): Production => ({
  ...demo,
  calibration: {
    at: AT,
    by: 'Ines',
    readings: 9,
    simulated: false,
    causes: Object.entries(factors).map(([key, factor]) => {
      const [kind, id] = key.split(' ') as ['flux', string];
      return { kind, id, factor, deviation };
    }),
  },
});
const light = (document: Production, id = build.id) => {
  const found = evaluate(document, id);
  if (!found.ok || found.value.kind !== 'worked out') throw new Error('it is worked out');
  return found.value.rungs.find((rung) => rung.id === 'light')!;
};

/** Readings that say exactly what the model says of a document whose parts are other than their labels. */
function plane(truth: Production, buildId: string): Session {
  const shot = truth.shots.find(
    ({ id }) => id === truth.builds.find((b) => b.id === buildId)!.shotId,
  )!;
  const blank = blankSession({
    id: `plane-${buildId}`,
    name: 'Plane',
    kind: 'points',
    startedAt: AT,
    by: 'Ines',
    buildId: buildId as Session['buildId'],
    distanceM: shot.distanceM,
    warmMin: 30,
    points: gridPoints(3, 3, 0.6, 0.6),
  });
  const lx = pointsForecast(truth, blank)!.lx;
  const readings = blank.points.map((point, order): [string, MeterReading] => [
    point.name,
    {
      place: { kind: 'point', ...point },
      value: lx[order]!,
      at: AT,
      by: 'Ines',
      order: order + 1,
      struck: null,
      simulated: false,
    },
  ]);
  const room: MeterReading = { ...readings[0]![1], place: { kind: 'room' }, value: 0, order: 0 };
  return { ...blank, readings: { room, ...Object.fromEntries(readings) } };
}

const flux = `flux ${tape!.id}`;

describe('forecasts that follow what was learnt', () => {
  test('light goes with its lamps, says so, and other lights of the same tape inherit it', () => {
    const [before, after] = [light(demo), light(taught({ [flux]: 0.8 }))];
    expect(after.value! / before.value!).toBeCloseTo(0.8, 2);
    const origins = (rung: typeof after) => rung.working.inputs.map(({ origin }) => origin);
    expect(origins(after)).toContain('calibrated');
    expect(origins(before)).not.toContain('calibrated');
    const ring = demo.builds.find(
      ({ id, parameters }) =>
        id !== build.id && parameters.stripId === tape!.id && parameters.fillMode !== 'target',
    )!;
    expect(
      light(taught({ [flux]: 0.8 }), ring.id).value! / light(demo, ring.id).value!,
    ).toBeCloseTo(0.8, 1);
  });
  test('a layer counts wholly at most', () => {
    const after = light(taught({ [`transmittance ${layerId}`]: 0.8 }));
    const share = after.value! / light(demo).value!;
    expect(share).toBeGreaterThan(0.79);
    expect(share).toBeLessThan(0.95);
  });
  test('an inside that sends back less costs light, a little and not wholly; hoods follow it too', () => {
    const inside = `reflectance ${String(build.parameters.finish)}`;
    const told = (document: Production) =>
      light(document).working.inputs.find(({ name }) => name === 'reflectance inside')!.origin;
    expect([told(demo), told(taught({ [inside]: 0.8 }))]).toEqual(['typical', 'calibrated']);
    const through = (document: Production) =>
      light(document).working.inputs.find(({ symbol }) => symbol === 'τ')!.origin;
    expect(through(taught({ [`transmittance ${layerId}`]: 0.9 }))).not.toBe(through(demo));
    const share = light(taught({ 'reflectance foil': 0.8 })).value! / light(demo).value!;
    expect(share).toBeGreaterThan(0.75);
    expect(share).toBeLessThan(0.97);
    const hooded = demo.builds.find(({ accessories }) =>
      accessories.some(({ kind, parameters }) => kind === 'hood' && parameters.lining === 'foil'),
    )!;
    expect(hangsOn(demo, hooded).finishes).toContain('foil');
    // Nothing sends back more than there is.
    const most = calibratedFinish('foil', taught({ 'reflectance foil': 3 }).calibration);
    expect(most.reflectance).toBe(0.98);
  });
  test('copper that was learnt counts in the drop along the tape, not in the light', () => {
    const lesson = taught({ [`copper ${tape!.id}`]: 2 });
    const dimmest = (document: Production) => new Derivations().tape(document, build)!.dimmest;
    expect(dimmest(lesson)).toBeLessThan(dimmest(demo));
    expect(new Derivations().resolve(lesson, build)!.resolved.tape!.loopOhmPerM).toEqual({
      value: expect.closeTo(0.66, 3),
      origin: 'calibrated',
    });
    expect(light(lesson).value).toBe(light(demo).value);
  });
  test('what was metered itself stays: it is surer', () => {
    const metered: Production = {
      ...taught({ [flux]: 0.8 }),
      shelf: {
        ...demo.shelf,
        units: demo.shelf.units.map((unit) =>
          unit.id === tape!.id
            ? { ...unit, origins: { ...unit.origins, lumensPerM: 'metered' as const } }
            : unit,
        ) as Production['shelf']['units'],
      },
    };
    expect(light(metered).value).toBeCloseTo(light(demo).value!, 6);
  });
  test('results are kept while the lesson is the same, and anew when it is taken back', () => {
    const derivations = new Derivations();
    const doc = taught({ [flux]: 0.8 });
    const once = derivations.light(doc, build);
    expect(derivations.light({ ...doc, note: 'x' }, build)).toBe(once);
    expect(derivations.light({ ...doc, calibration: null }, build)!.totalLx).toBeGreaterThan(
      once!.totalLx,
    );
  });
  test('error bars shrink with what is known', () => {
    const [shelf, known] = [
      forecastShare(demo, build),
      forecastShare(taught({ [flux]: 0.8, [`transmittance ${layerId}`]: 0.9 }), build),
    ];
    expect(shelf.calibrated).toBe(false);
    expect(known.calibrated).toBe(true);
    expect(known.share).toBeLessThan(shelf.share / 2);
  });
});

describe('what readings of a light teach', () => {
  const truth = taught({ [`flux ${tape!.id}`]: 0.75, [`transmittance ${layerId}`]: 0.85 });
  const readings = plane(truth, build.id);
  const alone = calibrateProduction({ ...demo, sessions: [readings] }, false);

  test('lamp and layer together: their product is found, and what would settle it is said', () => {
    const [found] = alone.builds.filter(({ id }) => id === build.id);
    expect(alone.causes.map(({ key }) => key)).toEqual([
      flux,
      `transmittance ${layerId}`,
      'reflectance foil',
      'reflectance tinned-steel',
    ]);
    expect(found!.correctedLx / found!.predictedLx).toBeGreaterThan(0.6);
    expect(found!.correctedLx / found!.predictedLx).toBeLessThan(0.78);
    expect(found!.correctedShare).toBeLessThan(found!.predictedShare);
    expect(alone.together).toHaveLength(1);
    expect(alone.together[0]!.settledBy).toMatch(/layer test|bare/);
    expect(alone.outliers).toEqual([]);
  });

  test('nine readings say the place that was misread', () => {
    const wrong = {
      ...readings,
      readings: {
        ...readings.readings,
        B2: { ...readings.readings.B2!, value: 3 * readings.readings.B2!.value },
      },
    };
    const found = calibrateProduction({ ...demo, sessions: [wrong] }, false);
    expect(found.outliers.map(({ label }) => label)).toEqual(['Plane at B2']);
  });

  test('simulated readings teach nothing unless asked', () => {
    const simulated: Session = {
      ...readings,
      readings: Object.fromEntries(
        Object.entries(readings.readings).map(([key, each]) => [key, { ...each, simulated: true }]),
      ),
    };
    const without = calibrateProduction({ ...demo, sessions: [simulated] }, false);
    expect(without).toMatchObject({ causes: [], calibration: null, leftOut: 1 });
    const asked = calibrateProduction({ ...demo, sessions: [simulated] }, true);
    expect(asked.calibration).toMatchObject({ simulated: true });
  });

  test('what was metered itself is no suspect, and its own sweep teaches no more', () => {
    const shelf = {
      ...demo.shelf,
      parts: demo.shelf.parts.map((part) =>
        part.id === layerId
          ? {
              ...part,
              transmittance: 0.527,
              origins: { ...part.origins, transmittance: 'metered' },
            }
          : part,
      ) as Production['shelf']['parts'],
    };
    const found = calibrateProduction({ ...demo, shelf, sessions: [readings] }, false);
    expect(found.causes.map(({ key }) => key)).toEqual([
      flux,
      'reflectance foil',
      'reflectance tinned-steel',
    ]);
    expect(found.together).toEqual([]);
  });

  test('two insides under one lamp and one layer tell what an inside sends back', () => {
    const white = { ...build, id: 'white-pan' as typeof build.id };
    white.parameters = { ...build.parameters, finish: 'white-emulsion' };
    const both = { ...demo, builds: [...demo.builds, white] };
    // Far from what the table says, so that it stands out of simulation and meter.
    const inside = `reflectance ${String(build.parameters.finish)}`;
    const dull = { ...taught({ [inside]: 0.4 }), builds: both.builds };
    const sessions = [plane(dull, build.id), plane(dull, white.id)];
    const { causes } = calibrateProduction({ ...both, sessions }, false);
    const factor = (key: string) => causes.find((each) => each.key === key)!.factor;
    expect(factor(inside)).toBeLessThan(0.97);
    expect(factor('reflectance white-emulsion')).toBeGreaterThan(0.97);
  });

  test('a light that is gone round: on its axis I = E·d², and its lumens teach as its lux do', () => {
    const swept = blankSession({
      id: 'round',
      name: 'Round',
      kind: 'sweep',
      startedAt: AT,
      by: 'Ines',
      buildId: build.id,
      distanceM: 2.5,
      sizeM: 0.5,
      warmMin: 30,
    });
    const forecast = sweepForecast(truth, swept)!;
    const level = forecast.planes[0]!.points;
    const axis = level.find(({ angleDeg }) => angleDeg === 0)!;
    const [lx] = pointsForecast(truth, { ...swept, points: [{ name: 'A1', xM: 0, yM: 0 }] })!.lx;
    expect(axis.cd).toBeCloseTo(lx! * 2.5 ** 2, 9);
    // A flat front gives by the cosine of the angle, at the most (Lambert).
    const at60 = level.find(({ angleDeg }) => angleDeg === 60)!;
    expect(at60.cd / axis.cd).toBeGreaterThan(0.2);
    expect(at60.cd / axis.cd).toBeLessThan(0.65);
    const read = level
      .filter(({ angleDeg }) => Math.abs(angleDeg) <= 90 && angleDeg % 10 === 0)
      .map(({ angleDeg, cd }, order): [string, MeterReading] => [
        `r${order}`,
        {
          place: { kind: 'angle', planeDeg: 0, angleDeg },
          value: cd / 2.5 ** 2,
          at: AT,
          by: 'Ines',
          order: order + 1,
          struck: null,
          simulated: false,
        },
      ]);
    const room: MeterReading = { ...read[0]![1], place: { kind: 'room' }, value: 0, order: 0 };
    const session = { ...swept, readings: { room, ...Object.fromEntries(read) } };
    const [there, before] = [
      alone,
      calibrateProduction({ ...demo, sessions: [session] }, false),
    ].map(({ builds }) => builds.find(({ id }) => id === build.id)!);
    expect(before!.correctedLx / there!.correctedLx).toBeGreaterThan(0.93);
    expect(before!.correctedLx / there!.correctedLx).toBeLessThan(1.07);
  });

  test('volts along a tape teach its copper and nothing else (Ohm: ΔV = I·r·L/2)', () => {
    const volts = { nearV: 24, farV: 24 - (3 * 0.5 * 5) / 2, tapeA: 3 };
    const session = blankSession({
      id: 'volts',
      name: 'Volts',
      kind: 'electric',
      startedAt: AT,
      by: 'Ines',
      unitId: tape!.id,
      sizeM: 5,
    });
    const read = Object.entries(volts).map(([what, value], order): [string, MeterReading] => [
      what,
      {
        place: { kind: 'electric', what: what as keyof typeof volts },
        value,
        at: AT,
        by: 'Ines',
        order,
        struck: null,
        simulated: false,
      },
    ]);
    const metered = { ...session, readings: Object.fromEntries(read) };
    const found = calibrateProduction({ ...demo, sessions: [metered] }, false);
    expect(found.causes.map(({ key }) => key)).toEqual([`copper ${tape!.id}`]);
    const { factor, deviation } = found.causes[0]!;
    expect(Math.abs(Math.log(factor / (0.5 / 0.33)))).toBeLessThan(2 * deviation);
    expect(deviation).toBeLessThan(0.2);
    expect(found.builds).toEqual([]);
  });

  test('the ladder shows what the meter said of the subject', () => {
    const document = { ...demo, sessions: [readings] };
    const measured = measuredOf(document, build);
    expect(measured.light!.value).toBeCloseTo(readings.readings.B2!.value, 6);
    expect(measured.light!.simulated).toBe(false);
    expect(
      measuredOf({ ...demo, sessions: [{ ...readings, distanceM: 5 }] }, build).light,
    ).toBeUndefined();
  });
});
