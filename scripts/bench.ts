import { spawn } from 'node:child_process';
import { cpus, tmpdir } from 'node:os';
import { mkdtempSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Browser, type BrowserContextOptions, type Page } from '@playwright/test';
import { Bench } from 'tinybench';
import type { Production } from '@/core/document/production';
import { evaluate } from '@/core/evaluate/evaluate';
import { sensitivities } from '@/core/evaluate/sensitivity';
import { nightFerry } from '@/demo/nightFerry';
import { benchDerive, benchGround } from './benchDerive';
import { benchForms } from './benchForms';
import { benchGlow, benchLight, type Note } from './benchLight';
import { benchShelf } from './benchShelf';
import { pageWeight } from './pageWeight';

/** Prints the numbers to meet: what was measured, what was wanted. Medians of several runs. */
const report: { what: string; measured: string; wanted: string; met: boolean | '–' }[] = [];
const note: Note = (what, measured, unit, wanted, more) =>
  report.push({
    what,
    measured: `${Number(measured.toPrecision(3))} ${unit}`,
    wanted: `${more ? '≥' : '≤'} ${wanted} ${unit}`,
    met: more ? measured >= wanted : measured <= wanted,
  });

const quantile = (values: readonly number[], share: number): number => {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
};

function thirtyTwoBulbs(): Production {
  const document = structuredClone(nightFerry());
  Object.assign(document.builds[0]!.parameters, { socketCount: 32 });
  return document;
}

async function benchCore() {
  const document = thirtyTwoBulbs();
  const bench = new Bench({ time: 1500, warmupTime: 500 });
  bench
    .add('evaluate', () => void evaluate(document, 'clerk-ring', { gridCells: 16 }))
    .add('sensitivities', () => void sensitivities(document, 'clerk-ring', 'light'));
  await bench.run();
  const median = (name: string) => {
    const result = bench.tasks.find((task) => task.name === name)!.result;
    return 'latency' in result ? result.latency.p50 : NaN;
  };
  note('evaluate, 32 bulbs, 16 × 16 grid, in Node', median('evaluate'), 'ms', 2.5);
  note('three largest sensitivities of a rung', median('sensitivities'), 'ms', 100);
}

const PORT = 4699;
const ORIGIN = `http://127.0.0.1:${PORT}`;

async function withServer(work: () => Promise<void>) {
  const folder = mkdtempSync(join(tmpdir(), 'jar-bench-'));
  const env = { ...process.env, LANTERN_JAR_DATA: folder, LANTERN_JAR_DEMO: '1' };
  const words = ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)];
  const server = spawn(process.execPath, words, { env, stdio: 'ignore' });
  try {
    for (let attempt = 0; attempt < 100; attempt++) {
      const up = await fetch(`${ORIGIN}/api/productions`).then(
        (a) => a.ok,
        () => false,
      );
      if (up) return await work();
      await new Promise((resume) => setTimeout(resume, 200));
    }
    throw new Error('The server did not start');
  } finally {
    server.kill('SIGKILL');
  }
}

const ROUTES = [
  '/',
  ...['shot', 'shelf', 'build', 'glow', 'verdict'].map((at) => `/p/night-ferry/${at}`),
];

async function benchAnswers() {
  for (const route of ROUTES) {
    const times: number[] = [];
    for (let run = 0; run < 15; run++) {
      const start = performance.now();
      await (await fetch(ORIGIN + route)).text();
      if (run >= 4) times.push(performance.now() - start);
    }
    note(`server answer, warm, ${route}`, quantile(times, 0.5), 'ms', 100);
  }
}

/** Script time of one drag move: input handling, evaluation, rendering and layout, to the paint. */
async function dragMoves(page: Page): Promise<number[]> {
  await page.goto('/p/night-ferry/build?build=clerk-ring');
  await page.locator('body[data-keys=heard]').waitFor();
  const knob = page.getByRole('slider', { name: 'Outer diameter' });
  const box = (await knob.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable', { timeDomain: 'threadTicks' });
  const scripting = async () => {
    const { metrics } = await session.send('Performance.getMetrics');
    return metrics.find(({ name }) => name === 'ScriptDuration')!.value * 1000;
  };
  const frame = () =>
    page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))));
  const moves: number[] = [];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let move = 0; move < 120; move++) {
    const far = 6 + 60 * Math.abs(Math.sin(move / 9));
    const before = await scripting();
    await page.mouse.move(x - far, y - far);
    await frame();
    if (move >= 20) moves.push((await scripting()) - before);
  }
  await page.mouse.up();
  return moves;
}

const launch = () =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
  });

async function benchBrowser(lightOnly: boolean) {
  const browser = await launch();
  const options = { baseURL: ORIGIN, viewport: { width: 1280, height: 800 } };
  if (!lightOnly) {
    await benchPages(browser, options);
    await benchGround(await (await browser.newContext(options)).newPage(), ORIGIN, note);
  }
  await benchGlow(await (await browser.newContext(options)).newPage(), note);
  await browser.close();
}

async function benchPages(browser: Browser, options: BrowserContextOptions) {
  for (const route of ROUTES) {
    const context = await browser.newContext(options);
    const { wireBytes } = await pageWeight(await context.newPage(), route);
    note(`first-load JavaScript, gzipped, ${route}`, wireBytes / 1000, 'kB', 230);
    await context.close();
  }
  const context = await browser.newContext(options);
  const moves = await dragMoves(await context.newPage());
  note('drag: scripting a move, median', quantile(moves, 0.5), 'ms', 16);
  note('drag: scripting a move, 95th percentile', quantile(moves, 0.95), 'ms', 16);
}

async function main() {
  const only = process.argv[2];
  const lightOnly = only === 'light';
  if (only === 'shelf') {
    await benchShelf(note);
    console.table(report);
    return;
  }
  if (only === 'ground') {
    benchDerive(note);
    await withServer(async () => {
      const browser = await launch();
      await benchGround(await (await browser.newContext()).newPage(), ORIGIN, note);
      await browser.close();
    });
    console.table(report);
    return;
  }
  benchLight(note);
  if (!lightOnly) {
    await benchCore();
    benchDerive(note);
    await benchShelf(note);
    await benchForms(note);
  }
  await withServer(async () => {
    if (!lightOnly) await benchAnswers();
    await benchBrowser(lightOnly);
  });
  const [cpu] = cpus();
  console.log(`${cpus().length} cores, ${cpu?.model ?? 'unknown'}, Node ${process.version}`);
  console.table(report);
}

void main();
