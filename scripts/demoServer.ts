import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';

const PORT = 4698;
const ORIGIN = `http://127.0.0.1:${PORT}`;

/** Serves the demo from a store of its own, by the production build that stands, until all is done. */
export async function withDemo(run: () => Promise<void>): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'jar-pictures-'));
  const env = {
    ...process.env,
    LANTERN_JAR_DATA: folder,
    LANTERN_JAR_DEMO: '1',
    PORT: String(PORT),
  };
  const words = ['.next/front.mjs'];
  const server = spawn(process.execPath, words, { env, stdio: 'ignore' });
  try {
    for (let attempt = 0; attempt < 100; attempt++) {
      if (
        await fetch(`${ORIGIN}/api/productions`).then(
          (a) => a.ok,
          () => false,
        )
      )
        break;
      await new Promise((resume) => setTimeout(resume, 200));
    }
    await run();
  } finally {
    server.kill('SIGKILL');
  }
}

/** A page of the demo in a browser of its own, once it listens. */
export async function onPage(
  { route, theme = 'bench', width = 1280 }: { route: string; theme?: string; width?: number },
  run: (page: Page) => Promise<void>,
): Promise<void> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
  });
  const context = await browser.newContext({ viewport: { width, height: 800 } });
  await context.addCookies([{ name: 'lantern-theme', value: theme, url: ORIGIN }]);
  const page = await context.newPage();
  await page.goto(ORIGIN + route, { waitUntil: 'networkidle' });
  if (route !== '/')
    await page
      .locator('body[data-keys=heard][data-station=listening]:not([data-awaits])')
      .waitFor();
  await run(page);
  await browser.close();
}
