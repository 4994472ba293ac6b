import { spawn } from 'node:child_process';
import type { Browser, BrowserContextOptions, Page } from '@playwright/test';
import type { Note } from './benchLight';
import { benchMake } from './benchMake';
import { benchFrames, benchReadings } from './benchMeter';
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
  await benchMake(browser, options, note);
  benchReadings(note);
  await benchFrames(browser, options, note);
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
