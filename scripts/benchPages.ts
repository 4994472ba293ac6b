import { spawn } from 'node:child_process';
import type { Browser, BrowserContextOptions, Page } from '@playwright/test';
import type { Note } from './benchLight';
import { pageWeight } from './pageWeight';
import { quantile } from './quantile';

/** What a page costs to open and how it answers a pulled knob, with the other core free and loaded. */
export async function benchPages(
  browser: Browser,
  options: BrowserContextOptions,
  routes: readonly string[],
  note: Note,
) {
  for (const route of routes) {
    const context = await browser.newContext(options);
    const { wireBytes } = await pageWeight(await context.newPage(), route);
    note(`first-load JavaScript, gzipped, ${route}`, wireBytes / 1000, 'kB', 200);
    await context.close();
  }
  for (const route of routes) {
    const context = await browser.newContext(options);
    note(`layout shift, ${route}`, await layoutShift(await context.newPage(), route), '', 0.01);
    await context.close();
  }
  const context = await browser.newContext(options);
  note(
    'tick at the bench to its paint',
    quantile(await ticks(await context.newPage()), 0.95),
    'ms',
    50,
  );
  await context.close();
  const light = await browser.newContext(options);
  const { firstMs, frames: turning } = await turned(await light.newPage(), 'deck-sky');
  note('light in three dimensions: first picture after the tab', firstMs, 'ms', 400);
  note('turning it: frame to frame, 95th percentile', quantile(turning, 0.95), 'ms', 16);
  await light.close();
  for (const loaded of [false, true]) {
    const other = loaded ? spawn(process.execPath, ['-e', 'for (;;);']) : null;
    const context = await browser.newContext(options);
    const { scripting, frames } = await dragMoves(await context.newPage());
    await context.close();
    other?.kill('SIGKILL');
    const while_ = loaded ? ', other core loaded' : '';
    note(`drag: scripting a move, median${while_}`, quantile(scripting, 0.5), 'ms', 16);
    note(`drag: scripting a move, 95th percentile${while_}`, quantile(scripting, 0.95), 'ms', 16);
    note(`drag: frame to frame, 95th percentile${while_}`, quantile(frames, 0.95), 'ms', 20);
  }
}

/** How much moved by itself until a page was quiet, as browsers score it (Layout Instability, W3C draft). */
async function layoutShift(page: Page, route: string): Promise<number> {
  await page.addInitScript(() => {
    const seen = { shift: 0 };
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as unknown as {
        value: number;
        hadRecentInput: boolean;
      }[])
        if (!entry.hadRecentInput) seen.shift += entry.value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  await page.goto(route, { waitUntil: 'networkidle' });
  await page.waitForTimeout(4000);
  return page.evaluate(() => (window as unknown as { seen: { shift: number } }).seen.shift);
}

/** From a tick at the bench to its paint, ms. */
async function ticks(page: Page): Promise<number[]> {
  await page.goto('/p/night-ferry/make?build=sky-board');
  await page.locator('body[data-keys=heard][data-station=listening]').waitFor();
  await page.getByRole('button', { name: /^Begin making/ }).click();
  await page.getByRole('tab', { name: 'All steps' }).click();
  await page.locator('[data-step] input').first().waitFor();
  const times: number[] = [];
  for (let k = 0; k < 16; k++) {
    // As text: the compiler's own helpers for named functions do not exist in the page.
    const took = await page.evaluate(
      `new Promise((done) => {
        const box = document.querySelector('[data-step] input');
        const begun = performance.now();
        box.click();
        requestAnimationFrame(() => setTimeout(() => done(performance.now() - begun)));
      })`,
    );
    if (k >= 4) times.push(took as number);
  }
  return times;
}

/** From the tab's press to the first picture in three dimensions, and from frame to frame while it is turned; ms. */
async function turned(page: Page, build: string) {
  await page.goto(`/p/night-ferry/make?build=${build}`);
  await page.locator('body[data-keys=heard][data-station=listening]:not([data-awaits])').waitFor();
  // The workers are warm, as they are once a station has been open for a moment.
  await page.waitForTimeout(3000);
  // As text: the compiler's own helpers for named functions do not exist in the page.
  const firstMs = await page.evaluate(
    `new Promise((done) => {
      const begun = performance.now();
      const tab = [...document.querySelectorAll('[role=tab]')].find((each) => each.textContent === 'How it goes together');
      tab.dispatchEvent(new MouseEvent('mousedown', { bubbles: true, button: 0 }));
      (function look() {
        if (document.querySelector('canvas[data-drawn]')) done(performance.now() - begun);
        else requestAnimationFrame(look);
      })();
    })`,
  );
  const frames = await page.evaluate(
    `new Promise((done) => {
      const canvas = document.querySelector('canvas');
      const times = [];
      let at = performance.now();
      (function turn(left) {
        canvas.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', bubbles: true }));
        requestAnimationFrame(() => {
          const now = performance.now();
          times.push(now - at);
          at = now;
          if (left > 0) turn(left - 1);
          else done(times.slice(5));
        });
      })(100);
    })`,
  );
  return { firstMs: firstMs as number, frames: frames as number[] };
}

/** Script time of each drag move to its paint, and the time from one frame to the next meanwhile; ms. */
async function dragMoves(page: Page) {
  await page.goto('/p/night-ferry/build?build=clerk-ring');
  await page.locator('body[data-keys=heard][data-station=listening]').waitFor();
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
  // As text: the compiler's own helpers for named functions do not exist in the page.
  await page.evaluate(
    'window.times = []; requestAnimationFrame(function tick(at) { times.push(at); requestAnimationFrame(tick); })',
  );
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
  const times = await page.evaluate(() => (window as unknown as { times: number[] }).times);
  const frames = times.slice(21).map((at, k) => at - times[k + 20]!);
  return { scripting: moves, frames };
}
