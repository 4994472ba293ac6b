import { spawn } from 'node:child_process';
import { cpus, tmpdir } from 'node:os';
import { mkdtempSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { Bench } from 'tinybench';
import type { Production } from '@/core/document/production';
import { evaluate } from '@/core/evaluate/evaluate';
import { sensitivities } from '@/core/evaluate/sensitivity';
import { leftAfter, nextTest, suspectsOf, SYMPTOMS, type SymptomId } from '@/core/making/faults';
import { nightFerry } from '@/demo/nightFerry';
import { benchCrew } from './benchCrew';
import { benchDerive, benchGround } from './benchDerive';
import { benchForms } from './benchForms';
import { benchGlow, benchLight, type Note } from './benchLight';
import { benchPages } from './benchPages';
import { benchSetEngine, benchSetPage } from './benchSet';
import { benchSearch, benchSearchPage } from './benchSearch';
import { benchShelf } from './benchShelf';
import { quantile } from './quantile';

/** Prints the numbers to meet: what was measured, what was wanted. Medians of several runs. */
const report: { what: string; measured: string; wanted: string; met: boolean | '–' }[] = [];
const note: Note = (what, measured, unit, wanted, more) =>
  report.push({
    what,
    measured: `${Number(measured.toPrecision(3))} ${unit}`,
    wanted: `${more ? '≥' : '≤'} ${wanted} ${unit}`,
    met: more ? measured >= wanted : measured <= wanted,
  });

function thirtyTwoBulbs(): Production {
  const document = structuredClone(nightFerry());
  Object.assign(document.builds[0]!.parameters, { socketCount: 32 });
  return document;
}

/** Suspects of every symptom of the largest loom, and halving them to the last. */
function findFaults() {
  const found = evaluate(thirtyTwoBulbs(), 'clerk-ring', {});
  if (!found.ok || found.value.kind !== 'worked out') throw new Error('a ring');
  const { wiring } = found.value.wire;
  return () => {
    for (const symptom of Object.keys(SYMPTOMS) as SymptomId[]) {
      let left = suspectsOf(wiring, symptom, new Set(['lamp-32']));
      for (let test = nextTest(symptom, left); test; test = nextTest(symptom, left))
        left = leftAfter(left, test, true);
    }
  };
}

async function benchCore() {
  const document = thirtyTwoBulbs();
  const bench = new Bench({ time: 1500, warmupTime: 500 });
  bench
    .add('evaluate', () => void evaluate(document, 'clerk-ring', { gridCells: 16 }))
    .add('faults', findFaults())
    .add('sensitivities', () => void sensitivities(document, 'clerk-ring', 'light'));
  await bench.run();
  const median = (name: string) => {
    const result = bench.tasks.find((task) => task.name === name)!.result;
    return 'latency' in result ? result.latency.p50 : NaN;
  };
  note('evaluate, 32 bulbs, 16 × 16 grid, in Node', median('evaluate'), 'ms', 2.5);
  note('every symptom halved to its fault, 32 lamps', median('faults'), 'ms', 20);
  note('three largest sensitivities of a rung', median('sensitivities'), 'ms', 100);
}

const PORT = 4699;
const ORIGIN = `http://127.0.0.1:${PORT}`;

async function withServer(work: (pid: number) => Promise<void>) {
  const folder = mkdtempSync(join(tmpdir(), 'jar-bench-'));
  const env = {
    ...process.env,
    LANTERN_JAR_DATA: folder,
    LANTERN_JAR_DEMO: '1',
    PORT: String(PORT),
    // As ./jar serves.
    MALLOC_TRIM_THRESHOLD_: '1000000',
  };
  const words = ['--max-semi-space-size=8', '--heap-growing-percent=30', '.next/front.mjs'];
  const server = spawn(process.execPath, words, { env, stdio: 'ignore' });
  try {
    for (let attempt = 0; attempt < 100; attempt++) {
      const up = await fetch(`${ORIGIN}/api/productions`).then(
        (a) => a.ok,
        () => false,
      );
      if (up) return await work(server.pid!);
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

const launch = () =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
  });

async function benchBrowser(lightOnly: boolean) {
  const browser = await launch();
  const options = { baseURL: ORIGIN, viewport: { width: 1280, height: 800 } };
  if (!lightOnly) {
    await benchPages(browser, options, ROUTES, note);
    await benchGround(await (await browser.newContext(options)).newPage(), ORIGIN, note);
    await benchSetPage(browser, options, note);
    await benchSearchPage(browser, options, note);
  }
  await benchGlow(await (await browser.newContext(options)).newPage(), note);
  await browser.close();
}

async function main() {
  const only = process.argv[2];
  const lightOnly = only === 'light';
  if (only === 'shelf') {
    await benchShelf(note);
    console.table(report);
    return;
  }
  if (only === 'set') {
    benchSetEngine(note);
    await withServer(async () => {
      const browser = await launch();
      await benchSetPage(
        browser,
        { baseURL: ORIGIN, viewport: { width: 1280, height: 800 } },
        note,
      );
      await browser.close();
    });
    console.table(report);
    return;
  }
  if (only === 'search') {
    await benchSearch(note);
    await withServer(async () => {
      const browser = await launch();
      const viewport = { width: 1280, height: 800 };
      await benchSearchPage(browser, { baseURL: ORIGIN, viewport }, note);
      await browser.close();
    });
    console.table(report);
    return;
  }
  if (only === 'crew') {
    await withServer((pid) => benchCrew(ORIGIN, pid, note));
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
  if (only === 'pages') {
    await withServer(async () => {
      const browser = await launch();
      await benchPages(
        browser,
        { baseURL: ORIGIN, viewport: { width: 1280, height: 800 } },
        ROUTES,
        note,
      );
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
    benchSetEngine(note);
    await benchSearch(note);
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
