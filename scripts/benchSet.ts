import type { Browser, BrowserContextOptions, Page } from '@playwright/test';
import { SetEngine } from '@/core/evaluate/setup/engine';
import { cornersOf } from '@/core/set/faces';
import { hidingTurn, seenIn, type Front } from '@/core/set/mirror';
import { addedUp, developInPlace } from '@/core/set/picture/develop';
import { heightOf } from '@/core/set/picture/draw';
import { headReading, litOf } from '@/core/set/readings';
import { poseOf, rectangle } from '@/core/set/scene';
import { blankSetup, type Setup } from '@/core/set/setup';
import { newThing, type LightThing } from '@/core/set/things';
import { nightFerry } from '@/demo/nightFerry';
import type { Note } from './benchLight';
import { quantile } from './quantile';

const demo = nightFerry();
const WIDE = 480;

/** So many lights round a head before a flat: builds that are simulated, fixtures, bare lamps. */
function setupOf(lights: number): Setup {
  const sources = [
    ...demo.builds
      .filter(({ form }) => form !== 'plain-source')
      .slice(0, 3)
      .map(({ id }) => ({ buildId: id })),
    ...demo.fixtures.slice(0, 2).map(({ id }) => ({ fixtureId: id })),
    ...demo.shelf.units.slice(0, 1).map(({ id }) => ({ unitId: id })),
  ];
  return {
    ...blankSetup('s', 'S', null),
    things: [
      newThing('head', 'h', 'Head', { xM: 2.5, yM: 2.4 }),
      newThing('backdrop', 'b', 'Flat', { xM: 2.5, yM: 3.7 }),
      newThing('card', 'c', 'Card', { xM: 1.6, yM: 2.2, panDeg: -90 }),
      newThing('glass', 'g', 'Glass', { xM: 3.4, yM: 3.6 }),
      ...Array.from({ length: lights }, (_, k) =>
        newThing('light', `l${k}`, `L${k}`, {
          ...sources[k % sources.length],
          xM: 0.7 + (3.6 * k) / Math.max(1, lights - 1),
          yM: 0.9,
          zM: 1.8,
          panDeg: -40 + (80 * k) / Math.max(1, lights - 1),
        }),
      ),
    ],
  };
}

const moved = (setup: Setup, id: string, byM: number): Setup => ({
  ...setup,
  things: setup.things.map((thing) =>
    thing.id === id ? { ...(thing as LightThing), yM: 0.9 + byM } : thing,
  ),
});

function timed(work: (run: number) => unknown, runs: number): number {
  const times = Array.from({ length: runs }, (_, run) => {
    const start = performance.now();
    work(run);
    return performance.now() - start;
  });
  return quantile(times, 0.5);
}

/** The engine without a page: what a worker spends. */
export function benchSetEngine(note: Note) {
  const six = setupOf(6);
  new SetEngine(demo).answer(six);
  note(
    'set: six lights from nothing, three of them simulated',
    timed(() => new SetEngine(demo).answer(six), 3),
    'ms',
    1500,
  );
  const engine = new SetEngine(demo);
  const answer = engine.answer(six);
  note(
    'set: the room alone, six lights whose own light is known',
    timed((run) => {
      const table = newThing('table', 't', 'Table', { xM: 1 + 0.1 * run, yM: 1.5 });
      engine.answer({ ...six, things: [...six.things, table] });
    }, 5),
    'ms',
    1500,
  );
  engine.answer(six);
  const rough = () => new SetEngine(demo).answer(six, true);
  note('set: first look at six lights', timed(rough, 5), 'ms', 400);
  // The last is a bare lamp; the first a build whose front is large enough to change the room.
  const small = (run: number) => engine.answer(moved(six, 'l5', 0.05 * (run + 1)));
  note('set: a small light moved, by surfaces', timed(small, 7), 'ms', 150);
  const large = (run: number) => engine.answer(moved(six, 'l0', 0.05 * (run + 1)));
  note('set: a light with a front over 0.3 m² moved, by surfaces', timed(large, 5), 'ms', 150);
  const straight = (run: number) => engine.straight(moved(six, 'l0', 0.05 * run), 'l0');
  note('set: one light moved, straight at the face', timed(straight, 15), 'ms', 16);
  const lit = litOf(six, answer.lights);
  note(
    'set: all figures at a face summed',
    timed(() => headReading(lit, 'h', 100, 4000), 30),
    'ms',
    16,
  );
  const pixels = WIDE * heightOf(WIDE);
  const layers = lit.map(() => ({
    layer: new Float32Array(3 * pixels).fill(1),
    by: [1, 1, 1] as const,
  }));
  const out = new Uint8ClampedArray(4 * pixels) as Uint8ClampedArray<ArrayBuffer>;
  note(
    'set: six layers summed and developed, 480 × 270',
    timed(() => developInPlace(addedUp(layers, pixels), 100, out), 15),
    'ms',
    16,
  );
  mirror(note);
}

function mirror(note: Note) {
  const ten = setupOf(10);
  const fronts = ten.things.flatMap((thing): Front[] =>
    thing.kind === 'light'
      ? [{ id: thing.id, corners: cornersOf(rectangle(poseOf(thing), 0.5, 0.5)) }]
      : [],
  );
  const glass = rectangle(poseOf({ xM: 2.5, yM: 3.7, zM: 1.5, panDeg: 180, tiltDeg: 0 }), 0.6, 0.8);
  const camera = [2.5, 0.5, 1.4] as const;
  const check = () => {
    seenIn(glass, fronts, camera, []);
    for (const hinge of ['upright', 'upper edge'] as const)
      hidingTurn(glass, fronts, camera, hinge, []);
  };
  note('set: mirror check of ten lights, both turns', timed(check, 15), 'ms', 10);
}

/** The station in a browser: first and clean picture, and a light under the hand. */
export async function benchSetPage(browser: Browser, options: BrowserContextOptions, note: Note) {
  const page = await (await browser.newContext(options)).newPage();
  await page.goto('/p/night-ferry/set?setup=machine-night');
  await page.locator('[data-picture=clean]').waitFor({ timeout: 60_000 });
  const since = async (mark: string, start: number) => {
    await page.locator(mark).waitFor({ timeout: 60_000 });
    return ((await page.evaluate('performance.now()')) as number) - start;
  };
  const start = (await page.evaluate('performance.now()')) as number;
  await page.getByLabel('Setup', { exact: true }).selectOption('clerk-key');
  await page.waitForURL(/clerk-key/);
  note(
    'set: another setup chosen, first picture',
    await since('[data-setup=clerk-key] [data-picture=rough]', start),
    'ms',
    400,
  );
  note(
    'set: another setup chosen, clean picture',
    await since('[data-setup=clerk-key] [data-picture=clean]', start),
    'ms',
    6000,
  );
  const drag = await dragged(page);
  note('set: light drawn about, frame to frame, median', quantile(drag, 0.5), 'ms', 20);
  note('set: light drawn about, frame to frame, 95th percentile', quantile(drag, 0.95), 'ms', 20);
}

async function dragged(page: Page): Promise<number[]> {
  const light = page.locator('[data-plan] [role=button]').filter({ hasText: '' }).last();
  const box = (await light.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.evaluate(
    'window.times = []; requestAnimationFrame(function tick(at) { times.push(at); requestAnimationFrame(tick); })',
  );
  for (let step = 1; step <= 60; step++) {
    await page.mouse.move(x - step, y - (step % 7));
    await page.evaluate('new Promise((done) => requestAnimationFrame(() => done()))');
  }
  await page.mouse.up();
  const times = (await page.evaluate('times')) as number[];
  return times.slice(1).map((at, k) => at - times[k]!);
}
