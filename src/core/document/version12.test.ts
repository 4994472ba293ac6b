import { nightFerry } from '@/demo/nightFerry';
import { FORMS } from '../forms';
import { SOLD } from '../units/channels';
import { DOCUMENT_VERSION } from './production';
import { commandSchema } from './edit';
import { readDocument } from './read';

const demo = nightFerry();
/** A record as version 11 wrote it. */
const older = (record: object, ...gone: string[]): object =>
  Object.fromEntries(Object.entries(record).filter(([name]) => !gone.includes(name)));
const mixing = Object.keys(SOLD);
const before = {
  ...demo,
  version: 11,
  shelf: {
    ...demo.shelf,
    units: demo.shelf.units.map((unit) =>
      older(
        unit,
        'warmK',
        'coolK',
        'warmLm',
        'coolLm',
        'redLm',
        'greenLm',
        'blueLm',
        'whiteLm',
        ...(unit.category === 'strip' ? [] : ['colour']),
      ),
    ),
  },
  builds: demo.builds.map((build) => ({
    ...build,
    parameters: older(build.parameters, ...mixing),
  })),
  setups: demo.setups.map((setup) => ({
    ...setup,
    things: setup.things
      .filter(({ kind }) => kind !== 'socket' && kind !== 'object')
      .map((thing) => older(thing, 'shade', 'copies', ...mixing)),
  })),
};
const read = readDocument(structuredClone(before));
if (!read.ok) throw new Error(`${read.problems[0]!.path}: ${read.problems[0]!.message}`);
const { value: lifted } = read;

test('lamps, builds and lights of version 11 shine as they come', () => {
  expect(lifted.version).toBe(DOCUMENT_VERSION);
  for (const unit of lifted.shelf.units.filter(({ category }) => category !== 'strip'))
    expect(unit).toMatchObject({ colour: 'white', redLm: null, warmK: null });
  const mixed = lifted.builds.filter(
    ({ form }) => 'mix' in (FORMS.get(form)!.defaults() as object),
  );
  expect(new Set(mixed.map(({ form }) => form)).size).toBeGreaterThan(5);
  for (const { parameters } of mixed) expect(parameters).toMatchObject(SOLD);
  const lights = lifted.setups.flatMap(({ things }) =>
    things.filter(({ kind }) => kind === 'light'),
  );
  expect(lights.length).toBeGreaterThan(10);
  for (const light of lights) expect(light).toMatchObject({ ...SOLD, shade: 'none', copies: 1 });
});

test('everything else is as it was', () => {
  expect(lifted.shots).toEqual(demo.shots);
  expect(lifted.shelf).toMatchObject(before.shelf);
  expect(lifted.builds).toMatchObject(before.builds);
  expect(lifted.setups).toMatchObject(before.setups);
});

test('what an older window adds is lifted as a document is', () => {
  const lift = (kind: string, record: object) =>
    (
      commandSchema.parse({ do: 'add', kind, id: 'x1', record, after: null }) as unknown as {
        record: object;
      }
    ).record;
  const at = before.builds.findIndex(({ form }) => form === 'strip-ring');
  expect(lift('build', before.builds[at]!)).toMatchObject({ parameters: SOLD });
  expect(lift('unit', before.shelf.units[0]!)).toEqual(lifted.shelf.units[0]);
  expect(lift('setup', before.setups[0]!)).toEqual(lifted.setups[0]);
});
