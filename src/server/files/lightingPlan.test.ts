import { nightFerry } from '@/demo/nightFerry';
import { SetEngine } from '@/core/evaluate/setup/engine';
import { plannedSet } from '@/core/evaluate/setup/planned';
import { lightingPlan } from './lightingPlan';
import { POINTS_PER_M } from './paper';
import { readPdf } from './testing/readPdf';

const document = nightFerry();
const setupOf = (id: string) => document.setups.find((setup) => setup.id === id)!;
const printed = async (id: string, units: 'metric' | 'imperial' = 'metric') =>
  readPdf(await lightingPlan(document, setupOf(id), units));

test('is drawn to a scale that it names: the room’s back wall measures its width', async () => {
  const [page] = await printed('clerk-key');
  const scale = Number(/1 : (\d+) when printed/.exec(page!.text.join(' '))![1]);
  const points = (setupOf('clerk-key').room.widthM * POINTS_PER_M) / scale;
  expect(page!.lines.filter(({ length }) => Math.abs(length - points) < 0.5)).toHaveLength(2);
});

test('names every light with its place, height, angles, level, circuit and cable', async () => {
  const words = (await printed('machine-night')).flatMap(({ text }) => text).join(' ');
  const { lights } = plannedSet(document, setupOf('machine-night'));
  expect(lights.length).toBeGreaterThan(2);
  for (const { thing } of lights) expect(words).toContain(thing.name.split(' ')[0]!);
  const edge = lights.find(({ thing }) => thing.role === 'edge')!.thing;
  expect(words).toContain(`${Math.abs(edge.panDeg)}° right`);
  expect(words).toContain('green 50 %');
  expect(words).toContain('Hall ring B');
  expect(words).toMatch(/to Socket under/);
  expect(words).toContain('Sandbags');
  expect(words).toContain('licensed practice');
});

test('in feet where the reader measures so, and whole for a setup without anything', async () => {
  expect((await printed('clerk-key', 'imperial'))[0]!.text.join(' ')).toContain('ft');
  const empty = { ...setupOf('clerk-key'), things: [] };
  const pages = await readPdf(await lightingPlan(document, empty, 'metric'), false);
  expect(pages[0]!.text.join(' ')).toContain('To bring');
});

test('circuits add up to what their lights and what else is on them draw', () => {
  const { circuits, lights, loose } = plannedSet(document, setupOf('clerk-key'));
  const ring = document.circuits.find(({ name }) => name === circuits[0]!.name)!;
  const va = lights
    .filter(({ number }) => circuits[0]!.lights.includes(number))
    .reduce((sum, { body }) => sum + body!.apparentVa, ring.otherLoadW);
  expect(circuits[0]!.amps).toBeCloseTo(va / ring.voltageV, 9);
  expect(loose).toEqual([]);
});

test('the page and the print say the same amperes, also of a build that is dimmed to nothing now', () => {
  const dark = {
    ...document,
    builds: document.builds.map((build) =>
      build.id === 'clerk-pan'
        ? { ...build, parameters: { ...build.parameters, level: 0.5 } }
        : build,
    ),
  };
  const setup = setupOf('clerk-key');
  const page = new SetEngine(dark).answer(setup, true).circuits[0]!;
  const total = page.lights.reduce((sum, { amps }) => sum + amps, page.otherA);
  expect(plannedSet(dark, setup).circuits[0]!.amps).toBeCloseTo(total, 9);
  const none = {
    ...dark,
    builds: dark.builds.map((build) =>
      build.id === 'clerk-pan'
        ? { ...build, parameters: { ...build.parameters, level: 0 } }
        : build,
    ),
  };
  // It gives no light, and its breaker must hold it all the same.
  expect(plannedSet(none, setup).circuits[0]!.amps).toBeCloseTo(total, 9);
});
