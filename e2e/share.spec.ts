import type { Browser, BrowserContext } from '@playwright/test';
import { nightFerry } from '../src/demo/nightFerry';
import { png } from '../src/workers/testing';
import { readyFolder } from '../src/server/storage/testing/readyFolder';
import { expect, kept, stored, test, visit, type Page } from './bench';
import { CHROMIUM } from './chromium';
import { answering, startServer } from './server';

/** Another address of this machine stands for the local network; the name makes it one that browsers do not trust as their own. */
const SHARED = '127.0.0.2';
const NAME = 'jar.test';

test.use({
  launchOptions: {
    ...CHROMIUM,
    args: [...CHROMIUM.args, `--host-resolver-rules=MAP ${NAME} ${SHARED}`],
  },
});

async function sharedBench() {
  const server = await startServer(await readyFolder(), undefined, {
    LANTERN_JAR_SHARE: SHARED,
    LANTERN_JAR_HOSTS: NAME,
  });
  await answering(server);
  await expect(async () => expect(server.output()).toContain('Ctrl C stops it')).toPass();
  const { port } = new URL(server.origin);
  return { ...server, shared: `http://${NAME}:${port}`, direct: `http://${SHARED}:${port}` };
}
type Bench = Awaited<ReturnType<typeof sharedBench>>;

const json = (method: string, body: unknown) => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

async function codeFor({ origin }: Bench, right: string): Promise<string> {
  const made = await fetch(`${origin}/api/share`, json('POST', { right }));
  return ((await made.json()) as { code: string }).code;
}

const phoneOf = ({ shared }: Bench, browser: Browser): Promise<BrowserContext> =>
  browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    baseURL: shared,
  });

/** What a page of the device is answered: its browser alone knows the name and keeps the cookie. */
const asks = (page: Page, method: string, path: string, body?: unknown, headers = {}) =>
  page.evaluate(
    async ([way, url, given, more]) =>
      (
        await fetch(url, {
          method: way,
          headers: { 'content-type': 'application/json', ...more },
          ...(given === undefined ? {} : { body: JSON.stringify(given) }),
        })
      ).status,
    [method, path, body, headers] as const,
  );

/** Types a code at the shared door. */
async function pair(bench: Bench, browser: Browser, right: string, name: string) {
  const context = await phoneOf(bench, browser);
  const page = await context.newPage();
  await page.goto(`/pair?code=${await codeFor(bench, right)}`);
  await page.getByLabel('What to call this device').fill(name);
  await page.getByRole('button', { name: 'Let me in' }).click();
  await page.waitForURL(`${bench.shared}/`);
  return page;
}

test('a phone is let in by its code, ticks and sends a photograph; the bench sees it; another gets nothing', async ({
  page,
  browser,
}) => {
  const bench = await sharedBench();
  // Whoever sits at the bench makes the code in the panel, and sees it as letters and as a picture.
  await page.goto(bench.origin);
  await page.locator('body[data-station=listening]').waitFor();
  await page.getByRole('button', { name: 'Share the bench' }).click();
  await page.getByRole('button', { name: 'Make a code' }).click();
  await expect(page.getByRole('img', { name: /for a camera/ })).toBeVisible();
  const code = (await page.locator('[data-code]').getAttribute('data-code'))!;

  const phone = await (await phoneOf(bench, browser)).newPage();
  expect((await phone.goto('/p/night-ferry/make'))!.status()).toBe(401);
  await phone.getByLabel('Code').fill(code.toLowerCase());
  await phone.getByLabel('What to call this device').fill('Ines’s phone');
  await phone.getByRole('button', { name: 'Let me in' }).click();
  await phone.waitForURL(`${bench.shared}/`);
  await expect(page.locator('[data-device="Ines’s phone"]')).toBeVisible();

  // Another device without a code, or with the one that is used up, gets nothing.
  const stranger = await (await phoneOf(bench, browser)).newPage();
  await stranger.goto('/');
  await stranger.getByLabel('Code').fill(code);
  await stranger.getByLabel('What to call this device').fill('Nobody');
  await stranger.getByRole('button', { name: 'Let me in' }).click();
  await expect(stranger.getByRole('alert')).toContainText('No such code');
  for (const path of [
    '/api/productions',
    '/api/productions/night-ferry',
    '/api/share',
    '/icon.svg',
  ])
    expect((await fetch(bench.direct + path)).status, path).toBe(401);

  // A light nobody has begun to make.
  const unmade = { document: { ...nightFerry(), makings: [] } };
  const imported = await fetch(`${bench.origin}/api/productions`, json('POST', unmade));
  const { id } = (await imported.json()) as { id: string };
  const make = `/p/${id}/make?build=counter-lamp`;
  await visit(page, `${bench.origin}${make}`);
  await visit(phone, make);
  await expect(phone.locator('[data-right=tick]')).toContainText('Ines’s phone');
  await phone.getByRole('button', { name: /^Begin making/ }).click();
  await expect(page.locator('[data-making]')).toBeVisible();
  const step = (await phone.locator('[data-making]').getAttribute('data-at'))!;
  await phone.locator('input[type=file]').setInputFiles({
    name: 'rim.png',
    mimeType: 'image/png',
    buffer: Buffer.from(png(30_000, 3)),
  });
  await expect(phone.getByRole('img', { name: /^rim\.png, at / })).toBeVisible();
  await phone.locator('[data-tick]:not(:disabled)').click();
  await kept(phone);
  const { document } = await stored(page, id, bench.origin);
  const making = document.makings.find(({ buildId }) => buildId === 'counter-lamp')!;
  expect(making.ticks[step]).toMatchObject({ by: 'Ines’s phone' });
  expect(document.pictures.some(({ name }) => name === 'rim.png')).toBe(true);
  // The page at the bench takes it in by itself, and the log says who it was.
  await expect(page.locator('[data-making]')).not.toHaveAttribute('data-at', step);
  const log = (await (await fetch(`${bench.origin}/api/productions/${id}/log`)).json()) as {
    who: string;
  }[];
  expect(log[0]!.who).toBe('Ines’s phone');
  bench.process.kill('SIGKILL');
});

test('what a right does not hold is refused at the field and at the door; who is shown out is out', async ({
  page,
  browser,
}) => {
  const bench = await sharedBench();
  const phone = await pair(bench, browser, 'tick', 'Bo’s phone');
  await visit(phone, '/p/night-ferry/build?build=clerk-ring');
  const field = phone.getByRole('textbox', { name: 'Ring width', exact: true });
  await field.fill('17 cm');
  await field.press('Enter');
  await expect(phone.getByRole('alert').first()).toContainText('may tick steps');
  const { document } = await stored(page, 'night-ferry', bench.origin);
  expect(document.builds[0]!.parameters.ringWidthM).not.toBe(0.17);
  const refused = [
    await asks(phone, 'DELETE', '/api/productions/night-ferry'),
    await asks(phone, 'POST', '/api/productions', { name: 'Mine' }),
    await asks(phone, 'GET', '/api/share'),
    await asks(phone, 'POST', '/api/share', { right: 'edit' }),
  ];
  expect(refused).toEqual([403, 403, 403, 403]);
  // A name of its own choice in the header the front writes does not help.
  const renaming = {
    do: 'set',
    kind: 'production',
    id: 'night-ferry',
    path: ['name'],
    value: 'Mine',
  };
  const edit = { id: 'forged', label: 'x', commands: [renaming] };
  const body = { client: 'phone', baseRevision: 1, edits: [edit] };
  const forged = encodeURIComponent(JSON.stringify({ id: 'x', name: 'x', right: 'edit' }));
  expect(
    await asks(phone, 'PATCH', '/api/productions/night-ferry', body, {
      'x-lantern-visitor': forged,
    }),
  ).toBe(422);

  const { devices } = (await (await fetch(`${bench.origin}/api/share`)).json()) as {
    devices: { id: string; name: string }[];
  };
  const { id } = devices.find(({ name }) => name === 'Bo’s phone')!;
  await fetch(`${bench.origin}/api/share/${id}`, json('PATCH', { right: 'edit' }));
  expect(await asks(phone, 'GET', '/api/share')).toBe(403);
  await visit(phone, '/p/night-ferry/build?build=clerk-ring');
  await field.fill('17 cm');
  await field.press('Enter');
  await kept(phone);
  await fetch(`${bench.origin}/api/share/${id}`, { method: 'DELETE' });
  expect(await asks(phone, 'GET', '/api/productions')).toBe(401);
  expect((await phone.goto('/'))!.status()).toBe(401);
  bench.process.kill('SIGKILL');
});

test('guessing is stopped, and no door stands open beside the page for codes', async () => {
  const bench = await sharedBench();
  const guess = (code: string, origin = bench.direct) =>
    fetch(`${bench.direct}/pair`, {
      method: 'POST',
      headers: { origin, 'content-type': 'application/x-www-form-urlencoded' },
      body: new URLSearchParams({ code, name: 'x' }).toString(),
      redirect: 'manual',
    });
  expect((await guess(await codeFor(bench, 'edit'), 'http://elsewhere.example')).status).toBe(403);
  for (let n = 0; n < 5; n++) expect((await guess(`AAAA-AAA${n}`)).status).toBe(401);
  const code = await codeFor(bench, 'edit');
  const stopped = await guess(code);
  expect(stopped.status).toBe(429);
  expect(Number(stopped.headers.get('retry-after'))).toBeGreaterThan(500);
  for (const [method, path] of [
    ['GET', '/'],
    ['GET', '/_next/static/chunks/main.js'],
    ['GET', '/api/media/' + 'a'.repeat(64)],
    ['PUT', '/api/media/' + 'a'.repeat(64)],
    ['PATCH', '/api/productions/night-ferry'],
    ['POST', '/api/evaluate'],
    ['HEAD', '/p/night-ferry/shot'],
  ] as const)
    expect((await fetch(bench.direct + path, { method })).status, `${method} ${path}`).toBe(401);
  const cookie = { cookie: `lantern-device=${'x'.repeat(43)}` };
  expect((await fetch(`${bench.direct}/api/productions`, { headers: cookie })).status).toBe(401);
  bench.process.kill('SIGKILL');
});
