import type { Transported } from '@/core/light/transport/result';
import { stopsCss, stopsRgb } from './glow/stopsColour';
import { KnownCavities } from './shell/useTransport';
import { turned } from './shell/turned';
import { nightFerry } from '@/demo/nightFerry';
import { validateProduction } from '@/core/document/read';
import { evaluateKnown as evaluate } from '@/core/evaluate/testing';
import { CIRCUIT_RECORD, circuitSchema } from '@/core/location/circuit';
import { FIXTURE_RECORD, fixtureSchema } from '@/core/verdict/fixture';
import { ROOM_LIGHT_RECORD, roomLightSchema, SHOT_RECORD, shotSchema } from '@/core/location/shot';
import { jarWords } from '@/ui/Jar';
import { severityWord } from '@/ui/Severity';
import { copyOfBuild, exportName, newBuild } from './shell/actions';
import { shown, shownReadout } from './shell/showReadout';
import { STATIONS, stationName } from './shell/stations';
import { createPointed } from './shell/usePointed';
import { unitRow } from './shelf/unitRows';

const demo = nightFerry();
const roomLight = demo.shots.flatMap(({ roomLights }) => roomLights)[0]!;
const metric = { system: 'metric', currency: 'EUR' } as const;
const imperial = { system: 'imperial', currency: 'EUR' } as const;

describe('figures on the ladder', () => {
  const found = evaluate(demo, 'clerk-ring');
  const rungs = found.ok ? found.value.rungs : [];
  const text = (id: string, writing: typeof metric | typeof imperial = metric) => {
    const { figure, unit } = shownReadout(
      rungs.find((rung) => rung.id === id)!,
      writing,
    );
    return `${figure}${unit && ` ${unit}`}`;
  };
  test.each([
    ['light', '392 lx'],
    ['stops', '+1.7 stops'],
    ['softness', '40.9 °'],
    ['evenness', '± 0.05 stops'],
    ['colour', '4000 K'],
    ['flicker', '1/50 s'],
    ['power', '48.0 W'],
    ['heat', '31.2 W'],
    ['cost', '€79.80'],
  ])('%s reads %s', (id, expected) => expect(text(id)).toBe(expected));
  test('imperial turns lux into foot-candles', () =>
    expect(text('light', imperial)).toBe('36.4 fc'));
  test('an f-number wears its f', () => expect(shown(2.8, 'fNumber', metric).figure).toBe('f/2.8'));
  test('what is not known is a dash', () => {
    expect(shownReadout({ ...rungs[0]!, value: null }, metric).figure).toBe('–');
  });
});

describe('fields keep within what the document takes', () => {
  const accepts =
    (schema: { safeParse: (value: unknown) => { success: boolean } }, base: object) =>
    (field: string, value: unknown) =>
      schema.safeParse({ ...base, [field]: value }).success;
  const records = [
    ['shot', SHOT_RECORD, shotSchema, demo.shots[0]!],
    ['room light', ROOM_LIGHT_RECORD, roomLightSchema, roomLight],
    ['circuit', CIRCUIT_RECORD, circuitSchema, demo.circuits[0]!],
    ['fixture', FIXTURE_RECORD, fixtureSchema, demo.fixtures[0]!],
  ] as const;
  test.each(records)('%s', (_name, { fields }, schema, base) => {
    const takes = accepts(schema, base);
    for (const each of fields) {
      if (each.kind !== 'quantity') continue;
      const { field, min, max, step, emptyText } = each;
      expect([field, takes(field, min), takes(field, max)]).toEqual([field, true, true]);
      expect([field, takes(field, min - Math.max(step, 1))]).toEqual([field, false]);
      expect([field, takes(field, max * 2 + 1)]).toEqual([field, false]);
      expect([field, takes(field, null)]).toEqual([field, emptyText !== undefined]);
    }
  });
  test('demo fixtures are whole', () => {
    for (const fixture of demo.fixtures)
      expect(fixtureSchema.safeParse(fixture).success).toBe(true);
  });
});

describe('making builds', () => {
  const add = (...builds: ReturnType<typeof newBuild>[]) => ({
    ...demo,
    builds: [...demo.builds, ...builds],
  });
  test('a new build is named after its shot, hangs on the first circuit and is valid', () => {
    const build = newBuild(demo, 'bulb-ring', 'sky');
    expect(build).toMatchObject({
      name: 'Painted night sky bulb ring',
      shotId: 'sky',
      circuitId: 'hall-a',
    });
    expect(validateProduction(JSON.parse(JSON.stringify(add(build)))).ok).toBe(true);
  });
  test('a copy has its own id, name and parameters', () => {
    const copy = copyOfBuild(demo, demo.builds[0]!);
    expect(copy.name).toBe('Clerk ring 2');
    expect(copy.id).not.toBe('clerk-ring');
    expect(copy.parameters).toEqual(demo.builds[0]!.parameters);
    expect(copy.parameters).not.toBe(demo.builds[0]!.parameters);
  });
  test('files are named after production and content', () => {
    expect(exportName(demo, 'production', 'json')).toBe('night-ferry_production.json');
    expect(exportName({ ...demo, name: 'Été à Rügen: 2' }, 'cut-list', 'csv')).toBe(
      'été-à-rügen-2_cut-list.csv',
    );
  });
});

test('the shelf ranks by what it says', () => {
  const rows = demo.shelf.units.map((unit) => unitRow(unit, 4000));
  const row = (id: string) => rows.find(({ unit }) => unit.id === id)!;
  expect(row('globe-a60-9-4000').shiftMired).toBe(0);
  expect(row('globe-a60-9-2700').shiftMired).toBeCloseTo(120.4, 1);
  expect(row('daylight-a60-10').shiftMired).toBeLessThan(-90);
  expect(row('globe-a60-9-4000').minorEach).toBe(300);
  expect(row('market-9').severity).toBe('look');
  expect(unitRow(demo.shelf.units[0]!, null).shiftMired).toBeNull();
});

test('stations: unique keys and names, in working order', () => {
  expect(STATIONS.map(stationNameOf)).toEqual([
    'Shot',
    'Shelf',
    'Build',
    'Glow',
    'Wire',
    'Cut & buy',
    'Make',
    'Meter',
    'Verdict',
    'Set',
  ]);
  expect(new Set(STATIONS.map(({ key }) => key)).size).toBe(STATIONS.length);
});
const stationNameOf = ({ id }: (typeof STATIONS)[number]) => stationName(id);

test('the jar says in words what it shows', () => {
  expect(jarWords({ filled: 0, cctK: null, cracked: false })).toBe('Jar: no light yet');
  expect(jarWords({ filled: 3.2, cctK: 4000.4, cracked: true })).toBe(
    'Jar: 320 % of the light wanted, 4000 K, cracked: a stop is open',
  );
  expect(['stop', 'look', 'unknown', 'ok'].map((s) => severityWord(s as never))).toEqual([
    'Stop',
    'Look',
    'Unknown',
    'Fine',
  ]);
});

test('pointing and tray groups are session state', () => {
  const pointed = createPointed();
  pointed.getState().point('cord');
  pointed.getState().openGroup('Cord');
  expect(pointed.getState()).toMatchObject({ ref: 'cord', trayGroup: 'Cord' });
  pointed.getState().point(null);
  expect(pointed.getState().ref).toBeNull();
});

describe('rooms known to the page', () => {
  const found = (photons: number) => ({ photons }) as Transported;
  test('a coarser result never takes the place of a finer one', () => {
    const known = new KnownCavities();
    known.keep('a', found(1000));
    known.keep('a', found(5000));
    known.keep('a', found(2000));
    expect(known.get('a')?.photons).toBe(5000);
    expect(known.get('b')).toBeNull();
  });
  test('the oldest go when there are many', () => {
    const known = new KnownCavities();
    for (let k = 0; k < 250; k++) known.keep(`room ${k}`, found(1));
    expect(known.get('room 0')).toBeNull();
    expect(known.get('room 237')).toBeNull();
    expect(known.get('room 238')).not.toBeNull();
  });
});

describe('knobs carried over to what is on screen', () => {
  test('lux by ratio, stops by difference, nothing as it is', () => {
    const knob = { before: 400, after: 440 };
    expect(turned({ value: 800, dimension: 'illuminance' }, knob)).toBeCloseTo(880, 9);
    expect(turned({ value: 1.5, dimension: 'stops' }, { before: 1, after: 1.25 })).toBe(1.75);
    expect(turned({ value: null, dimension: 'illuminance' }, knob)).toBe(440);
    expect(turned({ value: 2, dimension: 'count' }, { before: 0, after: 3 })).toBe(5);
  });
});

describe('false colour', () => {
  const light = (stops: number) => stopsRgb(stops).reduce((sum, channel) => sum + channel, 0);
  test('blue under, amber over, brightest at the level; ends are held', () => {
    const [under, over] = [stopsRgb(-1), stopsRgb(1)];
    expect(under[2]).toBeGreaterThan(under[0]);
    expect(over[0]).toBeGreaterThan(over[2]);
    expect(light(0)).toBeGreaterThan(light(-1));
    expect(light(0)).toBeGreaterThan(light(1));
    expect(stopsRgb(9)).toEqual(stopsRgb(3));
    expect(stopsRgb(-9)).toEqual(stopsRgb(-3));
    expect(stopsRgb(NaN)).toEqual(stopsRgb(-3));
  });
  test('marks lie between their neighbours', () => {
    for (let stops = -3; stops < 3; stops += 0.1)
      for (const channel of stopsRgb(stops)) {
        expect(channel).toBeGreaterThanOrEqual(0);
        expect(channel).toBeLessThanOrEqual(255);
      }
    expect(stopsCss(0)).toMatch(/^rgb\(\d+ \d+ \d+\)$/);
  });
});
