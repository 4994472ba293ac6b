import { execFileSync } from 'node:child_process';
import { performance } from 'node:perf_hooks';
import type { Browser, BrowserContextOptions, Page } from '@playwright/test';
import { bandsOf } from '@/core/frames/flicker';
import { writeEulumdat } from '@/core/formats/eulumdat';
import { writeIes } from '@/core/formats/ies';
import { solveCauses, type Compared, type Suspect } from '@/core/meter/calibrate';
import { photometryOf } from '@/core/meter/photometry';
import { blankSession, type Session } from '@/core/meter/session';
import { sweepResult } from '@/core/meter/working';
import type { Note } from './benchLight';
import { quantile } from './quantile';

/** Median of several runs of something quick, ms. */
function timed(run: () => void): number {
  const times = Array.from({ length: 15 }, () => {
    const begun = performance.now();
    run();
    return performance.now() - begun;
  });
  return quantile(times, 0.5);
}

/** What Meter works out in the core. */
export function benchReadings(note: Note): void {
  const waves = Float64Array.from({ length: 4000 }, (_, y) => 0.2 + 0.02 * Math.sin(y / 40));
  const still = new Float64Array(4000).fill(0.2);
  const given = { frames: [waves], reference: still, readOutS: 0.02, exposureS: 1 / 400 };
  note(
    'flicker of a frame of 4000 rows',
    timed(() => void bandsOf(given)),
    'ms',
    200,
  );
  const swept = sweepOf73();
  note(
    'a sweep of 73 angles to files',
    timed(() => filesOf(swept)),
    'ms',
    20,
  );
  const causes = Array.from({ length: 20 }, (_, k): Suspect => ({
    key: `c${k}`,
    label: `c${k}`,
    prior: 0.2,
    settledBy: '',
  }));
  const readings = Array.from({ length: 300 }, (_, k): Compared => ({
    id: `r${k}`,
    label: `r${k}`,
    sessionId: `s${k % 12}`,
    lnRatio: 0.1 * Math.sin(k),
    deviation: 0.05,
    shared: 0.03,
    exponents: { [`c${k % 20}`]: 1, [`c${(3 * k) % 20}`]: 0.6 },
  }));
  note(
    'calibration of 300 readings, 20 causes',
    timed(() => void solveCauses(readings, causes)),
    'ms',
    100,
  );
}

function sweepOf73(): Session {
  const at = '2026-03-10T19:00:00Z';
  const session = blankSession({ id: 's', name: 'Swept', kind: 'sweep', startedAt: at, by: '' });
  const reading = (angleDeg: number, order: number) => ({
    place: { kind: 'angle' as const, planeDeg: 0, angleDeg },
    value: 100 + 50 * Math.cos((angleDeg * Math.PI) / 180),
    at,
    by: '',
    order,
    struck: null,
    simulated: false,
  });
  const readings = Array.from(
    { length: 73 },
    (_, k) => [`r${k}`, reading(5 * k - 180, k)] as const,
  );
  return { ...session, stepDeg: 5, readings: Object.fromEntries(readings) };
}

function filesOf(session: Session): void {
  const found = sweepResult(session);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  const { planes, sweep } = found.value;
  const light = photometryOf(session, planes, sweep, { wattsW: 9, cctK: 4000, criRa: 80 });
  writeIes(light);
  writeEulumdat(light);
}

/** Two, then four pictures of 24 megapixels on the page: until compared, how long it does not answer, and what they weigh. */
export async function benchFrames(browser: Browser, options: BrowserContextOptions, note: Note) {
  const context = await browser.newContext(options);
  const page = await context.newPage();
  await page.goto('/p/night-ferry/meter');
  await page.locator('body[data-keys=heard][data-station=listening]').waitFor();
  const aside = page.getByRole('complementary', { name: 'Metering' });
  await aside.getByLabel('Meter').selectOption('frames');
  await aside.getByRole('button', { name: 'Begin', exact: true }).click();
  const files = [];
  for (const gain of [1, 0.7, 0.9, 0.8]) files.push(await largePicture(page, gain));
  const before = memoryMB();
  await put(page, files.slice(0, 2), 2);
  // Read anew, on a page that is at rest: another session is the newest, and opens by itself.
  await aside.getByLabel('Meter').selectOption('sweep');
  await aside.getByRole('button', { name: 'Begin', exact: true }).click();
  await page.locator('section[data-session=sweep]').waitFor();
  await page.locator('[data-save=saved]').waitFor();
  await page.reload();
  await page.locator('body[data-keys=heard][data-station=listening]').waitFor();
  await page.waitForTimeout(4000);
  const { compareMs, worstMs } = (await page.evaluate(
    `new Promise((done) => {
      const begun = performance.now();
      let [last, worst] = [begun, 0];
      [...document.querySelectorAll('[aria-label=Sessions] button')].find((each) => each.textContent.includes('pictures')).click();
      const look = () => {
        const now = performance.now();
        worst = Math.max(worst, now - last);
        last = now;
        if (document.querySelector('[data-compared=yes]')) done({ compareMs: now - begun, worstMs: worst });
        else setTimeout(look, 0);
      };
      look();
    })`,
  )) as { compareMs: number; worstMs: number };
  note('24-megapixel pair: decoded, registered and compared', compareMs, 'ms', 1500);
  note('meanwhile the page does not answer for at most', worstMs, 'ms', 50);
  let most = 0;
  const watch = setInterval(() => (most = Math.max(most, memoryMB() - before)), 100);
  await page.getByRole('tab', { name: 'Frames' }).click();
  await put(page, files.slice(2), 2);
  clearInterval(watch);
  note('memory of four such frames, at most', most, 'MB', 600);
  await context.close();
}

async function put(page: Page, files: readonly Buffer[], read: number) {
  const input = page.locator('[data-adding] input[type=file]');
  await input.setInputFiles(
    files.map((buffer, k) => ({ name: `large-${k}.jpg`, mimeType: 'image/jpeg', buffer })),
  );
  await page.locator('[data-adding="0"]').waitFor({ timeout: 120_000 });
  await page.locator(`[data-read="${read}"][data-compared=yes]`).waitFor({ timeout: 120_000 });
}

/** 6000 × 4000, drawn and compressed by the browser itself. */
async function largePicture(page: Page, gain: number): Promise<Buffer> {
  const base64 = await page.evaluate(
    `(async () => {
      const canvas = new OffscreenCanvas(6000, 4000);
      const context = canvas.getContext('2d');
      const shade = context.createLinearGradient(0, 0, 6000, 4000);
      const grey = (v) => 'rgb(' + [v, v, v].map((c) => Math.round(c * ${gain})).join() + ')';
      shade.addColorStop(0, grey(60));
      shade.addColorStop(1, grey(200));
      context.fillStyle = shade;
      context.fillRect(0, 0, 6000, 4000);
      for (let k = 0; k < 900; k++) {
        context.fillStyle = grey(40 + ((k * 53) % 180));
        context.fillRect((k * 1733) % 5800, (k * 977) % 3800, 60 + ((k * 31) % 240), 40 + ((k * 17) % 200));
      }
      const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.9 })).arrayBuffer());
      let text = '';
      for (let k = 0; k < bytes.length; k += 8192) text += String.fromCharCode(...bytes.subarray(k, k + 8192));
      return btoa(text);
    })()`,
  );
  return Buffer.from(base64 as string, 'base64');
}

/** Resident memory of the browser's renderers, MB. */
function memoryMB(): number {
  const lines = execFileSync('ps', ['-eo', 'rss,args'], { encoding: 'utf8' }).split('\n');
  return lines
    .filter((line) => line.includes('--type=renderer'))
    .reduce((sum, line) => sum + Number(line.trim().split(' ')[0]) / 1000, 0);
}
