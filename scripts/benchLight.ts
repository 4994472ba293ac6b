import { sourceField } from '@/core/light/lightField';
import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import type { Emitter } from '@/core/light/emitter';
import { leavesM } from '@/core/build/front';
import { findBuild, resolveWith, sceneOf } from '@/core/evaluate/context';
import { cavityOf } from '@/core/evaluate/readouts';
import { mouthLx } from '@/core/light/field/gather';
import { mouthField } from '@/core/light/field/mouthField';
import { mouthMap, mouthOf } from '@/core/light/field/mouthMap';
import { straightRows } from '@/core/light/field/mouthStraight';
import { mouthLight } from '@/core/light/field/mouthLight';
import { fieldOf, type Reads } from '@/core/light/field/prepare';
import { surveyPart } from '@/core/light/field/survey';
import { nightFerry } from '@/demo/nightFerry';
import { packArrangement } from '@/core/light/transport/pack';
import { READOUT_RUN, simulate, tracePart, unitsOf } from '@/core/light/transport/run';
import { SURVEY_PARTS } from '@/core/light/transport/tally';
import { sheet, standardPan } from '@/core/light/transport/testing';
import { bestWash, washOver } from '@/core/light/wash';

export type Note = (
  what: string,
  measured: number,
  unit: string,
  wanted: number,
  more?: 'at least',
) => void;

const medianOf = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Milliseconds of a piece of work, median of several after a warm-up. */
function timed(work: () => unknown, times = 9): number {
  work();
  return medianOf(
    Array.from({ length: times }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}

/** The kernel as C++, when this machine can compile it. */
function native(): string | null {
  const program = join(mkdtempSync(join(tmpdir(), 'jar-native-')), 'transport');
  try {
    const given = ['-O3', '-march=native', '-o', program, 'scripts/native/transport.cpp'];
    execFileSync('g++', given, { stdio: 'ignore' });
    return program;
  } catch {
    return null;
  }
}

const PHOTONS = 1_000_000;

/** Paired runs, so that a machine whose speed swings swings for both. */
function benchKernel(note: Note): void {
  const packed = packArrangement(standardPan(sheet(0.6, 0.34)));
  const own = () => {
    const start = performance.now();
    tracePart(packed, { photons: PHOTONS, seed: 7 }, SURVEY_PARTS, unitsOf(PHOTONS));
    return (performance.now() - start) / 1000;
  };
  own();
  const program = native();
  const pairs = Array.from({ length: 9 }, () => {
    const seconds = own();
    const other = program
      ? Number(execFileSync(program, [String(PHOTONS)], { encoding: 'utf8' }).split(' ')[0])
      : NaN;
    return { seconds, ratio: other / seconds };
  });
  const rate = PHOTONS / medianOf(pairs.map(({ seconds }) => seconds)) / 1e6;
  note('kernel, one thread, standard pan', rate, 'M photons/s', 2, 'at least');
  if (program)
    note(
      'kernel against the same in C++, one thread',
      medianOf(pairs.map(({ ratio }) => ratio)),
      '',
      0.6,
      'at least',
    );
}

function benchFields(note: Note): void {
  const patches = (side: number) =>
    sourceField(
      Array.from({ length: side * side }, (_, k): Emitter => ({
        positionM: [((k % side) / side - 0.5) * 0.6, (Math.floor(k / side) / side - 0.5) * 0.6, 0],
        axis: [0, 0, 1],
        luminousFluxLm: 1,
        spread: { class: 'lambert' },
      })),
    );
  const backdrop = { widthM: 3.4, heightM: 2.4 };
  const here = { lights: 1, distanceM: 2.5, spacingM: 0, toeInRad: 0 } as const;
  const wide = patches(32);
  note(
    'backdrop map 64 × 48 from 32 × 32 patches',
    timed(() => washOver(wide, 0, backdrop, here, 64, 48)),
    'ms',
    100,
  );
  const front = patches(16);
  note(
    'search for the best place of two lights',
    timed(() => bestWash(front, 0, backdrop, 2, 0.5), 3),
    'ms',
    1000,
  );
}

/** What a simulated light costs: of the demo, a layer over few lamps and a hooded pan of many. */
function benchMouths(note: Note): void {
  const document = nightFerry();
  for (const id of ['booth-stack', 'clerk-pan']) {
    const { shot, context, build } = sceneOf(document, findBuild(document, id)!);
    const { resolved } = resolveWith(build, context)!;
    const { arrangement, reads } = cavityOf(resolved, shot)!;
    const packed = packArrangement(arrangement);
    const survey = () => Array.from({ length: 8 }, (_, part) => surveyPart(packed, 1, part));
    note(`${id}: survey of 8 parts, one thread`, timed(survey), 'ms', 150);
    const parts = survey();
    const made = (places: Reads['first']) => {
      const table = fieldOf(arrangement, parts);
      table.lookFor(places);
      return table;
    };
    note(
      `${id}: made ready for the subject, one thread`,
      timed(() => made(reads.first)),
      'ms',
      100,
    );
    const all = [...reads.first, ...reads.rest];
    note(
      `${id}: made ready all round, one thread`,
      timed(() => made(all)),
      'ms',
      200,
    );
    const run = simulate(arrangement, READOUT_RUN);
    const field = mouthField(arrangement, run.survey);
    note(
      `${id}: mouth map from its counts, one thread`,
      timed(() => mouthMap(arrangement, run, straightRows(field))),
      'ms',
      100,
    );
    const error = 100 * mouthOf(arrangement, run)!.cellError;
    note(`${id}: error of most of its cells`, error, '%', 2);
    const looks = made(all);
    const front = leavesM(resolved);
    const at = [0, 0, front + shot.distanceM] as const;
    note(
      `${id}: one careful look at the subject`,
      timed(() => mouthLx(looks.field, { pointM: at, normal: [0, 0, -1] }, [], 2048)),
      'ms',
      16,
    );
    const light = mouthLight(looks);
    const backdrop = { widthM: 3.4, heightM: 2.4 };
    const here = { lights: 1, distanceM: 2.5, spacingM: 0, toeInRad: 0 } as const;
    note(
      `${id}: backdrop map 64 × 48`,
      timed(() => washOver(light, front, backdrop, here, 64, 48)),
      'ms',
      60,
    );
  }
}

export function benchLight(note: Note): void {
  benchKernel(note);
  benchFields(note);
  benchMouths(note);
}

interface Heard {
  drawn: number[];
  long: number;
}

/** Listens to pictures and long tasks from now on. */
const listen = (page: Page) =>
  page.evaluate(() => {
    const heard: Heard = { drawn: [], long: 0 };
    (window as unknown as { heard: Heard }).heard = heard;
    document.addEventListener('drawn', () => heard.drawn.push(performance.now()));
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) heard.long = Math.max(heard.long, duration);
    }).observe({ type: 'longtask' });
    return performance.now();
  });

const heardBy = (page: Page) => page.evaluate(() => (window as unknown as { heard: Heard }).heard);

/** The Glow station in the browser: what one waits for after letting go, and while dragging. */
export async function benchGlow(page: Page, note: Note): Promise<void> {
  // The runner of these scripts names inner functions by a helper that the page does not have.
  await page.addInitScript('globalThis.__name = (named) => named');
  await page.goto('/p/night-ferry/glow?build=clerk-pan');
  await page
    .locator('[data-picture=clean][data-fixture-picture=clean]')
    .waitFor({ timeout: 120_000 });
  await page.locator('[data-refined=true]').waitFor();
  await page.getByLabel('Shown').selectOption({ label: 'this build alone' });
  await page.getByRole('tab', { name: 'Its mouth' }).click();
  await page.getByRole('button', { name: 'Pan', exact: true }).click();
  const depth = page.getByRole('textbox', { name: 'Depth', exact: true });
  const soon: number[] = [];
  const whole: number[] = [];
  for (const text of ['90 mm', '100 mm', '110 mm', '120 mm', '130 mm']) {
    await depth.fill(text);
    const waits = page.evaluate(async () => {
      const seen = (wanted: (data: DOMStringMap) => boolean) =>
        new Promise<number>((resolve) => {
          const look = () => {
            const { dataset } = document.querySelector<HTMLElement>('[data-known]')!;
            if (wanted(dataset)) resolve(performance.now());
            else requestAnimationFrame(look);
          };
          look();
        });
      await seen(({ known }) => known === 'estimate');
      const start = performance.now();
      const first = (await seen(({ known }) => known === 'simulated')) - start;
      const all = (await seen(({ refined }) => refined === 'true')) - start;
      return { first, all };
    });
    await depth.press('Enter');
    const { first, all } = await waits;
    soon.push(first);
    whole.push(all);
  }
  note('light at the subject after a change, pause of 60 ms included', medianOf(soon), 'ms', 160);
  note('mouth map to 2 % a cell after a change, pause included', medianOf(whole), 'ms', 250);
  await page.getByRole('tab', { name: 'On a face' }).click();
  await page.getByLabel('Shown').selectOption({ label: 'this build alone' });
  await page.locator('[data-picture=clean]').waitFor();
  await page.waitForTimeout(5000);
  await benchHead(page, note);
}

async function benchHead(page: Page, note: Note): Promise<void> {
  const knob = page.locator('[data-light-knob]');
  const box = (await knob.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const start = await listen(page);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 20, y + 3);
  await page.mouse.up();
  await page.locator('[data-rays="3"]').waitFor();
  await page.locator('[data-picture=clean]').waitFor();
  const { drawn } = await heardBy(page);
  note('lit head, first picture after a move', drawn[0]! - start, 'ms', 250);
  note('lit head 320 × 320, clean', drawn.at(-1)! - start, 'ms', 2000);

  const from = await listen(page);
  await page.mouse.down();
  for (let move = 0; move < 100; move++) {
    await page.mouse.move(x - 20 + 30 * Math.sin(move / 8), y + 3 + 8 * Math.cos(move / 8));
    await page.waitForTimeout(20);
  }
  await page.mouse.up();
  const dragged = await heardBy(page);
  const seconds = (dragged.drawn.at(-1)! - from) / 1000;
  note(
    'pictures a second while the light is dragged',
    dragged.drawn.length / seconds,
    '/s',
    8,
    'at least',
  );
  note('longest block of the main thread while dragging', dragged.long, 'ms', 50);
}
