import { sample } from '../testing/sample';
import type { Production } from '../document/production';
import { gridPoints } from '../meter/points';
import { blankSession, type MeterReading, type Session } from '../meter/session';
import { calibrateProduction, pointsForecast } from './calibration';
import { Derivations } from './derive';
import { evaluate } from './evaluate';
import { forecastShare } from './forecastShare';
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

describe('forecasts that follow what was learnt', () => {
  const flux = `flux ${tape!.id}`;
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
    const real = calibrateProduction({ ...demo, sessions: [readings] }, false).causes;
    expect(real).toHaveLength(2);
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
    expect(found.causes.map(({ key }) => key)).toEqual([`flux ${tape!.id}`]);
    expect(found.together).toEqual([]);
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
