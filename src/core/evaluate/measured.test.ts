import { sample } from '../testing/sample';
import { gridPoints } from '../meter/points';
import { blankSession, type MeterReading, type Place, type Session } from '../meter/session';
import { recordsOf } from './forecastShare';
import { shotTargetLx } from './light';
import { measuredOf } from './measured';

const demo = sample();
const [build] = demo.builds;
const shot = demo.shots.find(({ id }) => id === build!.shotId)!;
const AT = '2026-03-10T19:00:00Z';

const session = (
  kind: Session['kind'],
  readings: readonly (readonly [Place, number])[],
  more: Partial<Session> = {},
  simulated = false,
): Session => ({
  ...blankSession({ id: `${kind} ${simulated}`, name: kind, kind, startedAt: AT, by: '' }),
  buildId: build!.id,
  distanceM: shot.distanceM,
  readings: Object.fromEntries(
    readings.map(([place, value], order): [string, MeterReading] => [
      `r${order}`,
      { place, value, at: AT, by: '', order, struck: null, simulated },
    ]),
  ),
  ...more,
});
const found = (...sessions: Session[]) => measuredOf({ ...demo, sessions }, build!);
const plane = (wide: number, high: number, simulated = false) => {
  const points = gridPoints(3, 3, wide, high);
  const places = points.map(
    (point, k) => [{ kind: 'point', ...point } as Place, 100 + 10 * k] as const,
  );
  return session('points', places, { points }, simulated);
};

test('a plane as large as the shot tells light and evenness, a larger one the light alone', () => {
  const own = found(plane(shot.coverageWidthM, shot.coverageHeightM));
  expect(own.light!.value).toBe(140);
  expect(own.evenness!.value).toBeCloseTo(Math.log2(180 / 100) / 2, 9);
  const larger = found(plane(4 * shot.coverageWidthM, 4 * shot.coverageHeightM));
  expect(larger.light!.value).toBe(140);
  expect(larger.evenness).toBeUndefined();
});

test('a meter that is there counts before one that is not, whichever came last', () => {
  const real = session('points', [[{ kind: 'point', name: 'A1', xM: 0, yM: 0 }, 99]], {
    points: gridPoints(1, 1, 1, 1),
  });
  for (const order of [
    [real, plane(1, 1, true)],
    [plane(1, 1, true), real],
  ])
    expect(found(...order).light).toMatchObject({ value: 99, simulated: false });
});

test('a card read by a camera: ⅔ stop while it was never held against a meter, better after', () => {
  const card: Place = { kind: 'card', frame: 'f' };
  const bare = session('frames', [[card, 300]]);
  // Within ± ⅔ stop is ln 2 · ⅔/√3 [std: JCGM 100, 4.3.7].
  expect(found(bare).light!.share).toBeCloseTo((Math.LN2 * 2) / 3 / Math.sqrt(3), 9);
  const calibration = { stops: 0.2, deviationStops: 0.05, level: 0, how: 'by a meter' };
  const { frames } = bare;
  const held = { ...bare, frames: { ...frames, camera: { ...frames.camera, calibration } } };
  expect(found(held).light!.share).toBeLessThan(0.1);
});

test('watts at the plug are the power rung’s; another light’s readings are nobody’s here', () => {
  const watts = session('electric', [[{ kind: 'electric', what: 'mainsW' }, 47]]);
  expect(found(watts).power!.value).toBe(47);
  expect(found({ ...watts, buildId: null })).toEqual({});
  expect(found(session('sweep', []))).toEqual({});
});

test('stops follow the light that was metered: log₂ of it over the target', () => {
  const own = found(plane(shot.coverageWidthM, shot.coverageHeightM));
  expect(2 ** own.stops!.value * shotTargetLx(shot)).toBeCloseTo(140, 6);
});

test('the hottest thing that was touched, in kelvin, whatever was read in between', () => {
  const warm = session('warm', [
    [{ kind: 'air' }, 21],
    [{ kind: 'warm', thing: 'driver' }, 48],
    [{ kind: 'warm', thing: 'board' }, 35],
  ]);
  expect(found(warm).heat).toMatchObject({ value: 321.15, dimension: 'temperature' });
  expect(found(session('warm', [[{ kind: 'air' }, 21]]))).toEqual({});
});

test('a spectrum is the colour of the light it is of, and of its lamp where nothing stands before it', () => {
  // A black body of 3000 K is 3000 K warm [std: CIE 15].
  const wavelengthsNm = Array.from({ length: 81 }, (_, k) => 380 + 5 * k);
  const power = wavelengthsNm.map((nm) => {
    const m = nm * 1e-9;
    return m ** -5 / (Math.exp(1.4388e-2 / (m * 3000)) - 1);
  });
  const most = Math.max(...power);
  const curve = { wavelengthsNm, power: power.map((each) => each / most) };
  const spectrum = { curve, file: 'a.csv', simulated: false };
  const light = session('spectrum', [], { spectrum });
  expect(Math.abs(found(light).colour!.value - 3000)).toBeLessThan(3);
  const bare = demo.builds.find((each) => {
    const { units, layers } = recordsOf(demo, each);
    return units.length === 1 && layers.length === 0;
  })!;
  const [unit] = recordsOf(demo, bare).units;
  const ofLamp = { ...light, buildId: null, unitId: unit!.id };
  expect(measuredOf({ ...demo, sessions: [ofLamp] }, bare).colour!.value).toBeCloseTo(3000, -1);
  const covered = demo.builds.find((each) => {
    const { units, layers } = recordsOf(demo, each);
    return units.some(({ id }) => id === unit!.id) && layers.length > 0;
  });
  if (covered) expect(measuredOf({ ...demo, sessions: [ofLamp] }, covered).colour).toBeUndefined();
});
