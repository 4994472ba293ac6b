import { createHash } from 'node:crypto';
import type { Browser, BrowserContextOptions, Page } from '@playwright/test';
import { nightFerry } from '../src/demo/nightFerry';
import { png } from '../src/workers/testing';
import type { Note } from './benchLight';
import { quantile } from './quantile';

/** What the bench answers in: a tick, a light in three dimensions, a log full of photographs. */
export async function benchMake(browser: Browser, options: BrowserContextOptions, note: Note) {
  const onPage = async <T>(run: (page: Page) => Promise<T>): Promise<T> => {
    const context = await browser.newContext(options);
    const found = await run(await context.newPage());
    await context.close();
    return found;
  };
  note('tick at the bench to its paint', quantile(await onPage(ticks), 0.95), 'ms', 50);
  const { firstMs, frames } = await onPage((page) => turned(page, 'deck-sky'));
  note('light in three dimensions: first picture after the tab', firstMs, 'ms', 400);
  note('turning it: frame to frame, median', quantile(frames, 0.5), 'ms', 16);
  note('turning it: frame to frame, 95th percentile', quantile(frames, 0.95), 'ms', 16);
  const log = await onPage(photographs);
  note('log with 200 photographs: from its tab to its paint', log.openMs, 'ms', 1000);
  note('scrolling it: frame to frame, 95th percentile', quantile(log.frames, 0.95), 'ms', 20);
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
  await page.waitForTimeout(5000);
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
  // It is turned from rest, when the first fine picture is drawn.
  await page.waitForTimeout(1500);
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

/** A log of 200 photographs of 5 MB: from its tab's press to its paint, and from frame to frame while it is scrolled; ms. */
async function photographs(page: Page) {
  await page.goto('/');
  const small = Buffer.from(
    (await page.evaluate(`(() => {
      const canvas = Object.assign(document.createElement('canvas'), { width: 480, height: 360 });
      const ink = canvas.getContext('2d');
      for (let k = 0; k < 400; k++) {
        ink.fillStyle = 'hsl(' + k * 7 + ' 50% 50%)';
        ink.fillRect((k * 53) % 480, (k * 97) % 360, 40, 30);
      }
      return canvas.toDataURL('image/webp', 0.8).split(',')[1];
    })()`)) as string,
    'base64',
  );
  const document = nightFerry();
  const { ticks: done } = document.makings.find(({ buildId }) => buildId === 'counter-lamp')!;
  const steps = Object.keys(done);
  const pictures: unknown[] = [];
  for (let k = 0; k < 200; k++) {
    const bytes = png(5_000_000, k);
    const media = createHash('sha256').update(bytes).digest('hex');
    await page.request.put(`/api/media/${media}`, { data: Buffer.from(bytes) });
    await page.request.put(`/api/media/${media}/small`, { data: small });
    const of = { buildId: 'counter-lamp', copy: 1, stepId: steps[k % steps.length] };
    const kept = { media, type: 'image/png', sizeBytes: bytes.byteLength };
    pictures.push({ id: `p${k}`, name: `${k}.png`, caption: '', ...kept, ...of });
  }
  const answer = await page.request.post('/api/productions', {
    data: { document: { ...document, pictures } },
  });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`/p/${id}/make?build=counter-lamp`);
  await page.locator('body[data-keys=heard][data-station=listening]:not([data-awaits])').waitFor();
  await page.waitForTimeout(3000);
  const openMs = await page.evaluate(
    `new Promise((done) => {
      const begun = performance.now();
      const tab = [...document.querySelectorAll('[role=tab]')].find((each) => each.textContent === 'Log');
      tab.dispatchEvent(new MouseEvent('mousedown', { bubbles: true, button: 0 }));
      (function look() {
        if (document.querySelector('[data-photographs="200"]'))
          requestAnimationFrame(() => done(performance.now() - begun));
        else requestAnimationFrame(look);
      })();
    })`,
  );
  await page.waitForTimeout(1500);
  const frames = await page.evaluate(
    `new Promise((done) => {
      let scrolls = document.querySelector('[data-photographs]');
      while (scrolls.parentElement && scrolls.scrollHeight <= scrolls.clientHeight + 10)
        scrolls = scrolls.parentElement;
      const times = [];
      let at = performance.now();
      (function go() {
        scrolls.scrollTop += 25;
        requestAnimationFrame(() => {
          const now = performance.now();
          times.push(now - at);
          at = now;
          if (times.length < 200) go();
          else done(times);
        });
      })();
    })`,
  );
  return { openMs: openMs as number, frames: frames as number[] };
}
