import { createHash } from 'node:crypto';
import { nightFerry } from '../src/demo/nightFerry';
import { png, zipOf } from '../src/workers/testing';
import { command, expect, kept, put, stored, test, visit, visitList } from './bench';

const sha256 = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
const file = (name: string, bytes: Uint8Array, mimeType = 'image/png') => ({
  name,
  mimeType,
  buffer: Buffer.from(bytes),
});

test('a photograph of a label stays with its unit, and with the unit’s undo', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/shelf?build=clerk-ring`);
  await page.getByRole('button', { name: /Market-stall globe/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.locator('[data-label-photograph]').setInputFiles(file('box.png', png(60_000, 7)));
  await expect(dialog.locator('[data-label-of=market-9]')).toHaveCount(1);
  await kept(page);
  const unitOf = async () => (await stored(page, ferry)).document.pictures.at(-1)?.unitId;
  expect(await unitOf()).toBe('market-9');
  // The unit goes, its photograph stays as nobody's.
  await dialog.getByRole('button', { name: 'Delete' }).click();
  await kept(page);
  await expect.poll(unitOf).toBeNull();
  await page.keyboard.press('Control+z');
  await expect.poll(unitOf).toBe('market-9');
});

test('photographs: put in, captioned, taken out and brought back; what is none is told', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/build?build=clerk-ring`);
  await page.getByRole('tab', { name: 'Photographs' }).click();
  const input = page.locator('input[type=file]');
  const back = png(300_000, 41);
  await input.setInputFiles([
    file('back.png', back),
    file('notes.png', new TextEncoder().encode('not a picture')),
  ]);
  const print = page.locator('[data-picture]');
  await expect(print).toHaveCount(1);
  await expect(page.locator('[data-adding=no]')).toBeVisible();
  await expect(page.getByRole('tabpanel').getByRole('alert')).toContainText('notes.png');
  await expect(page.getByRole('tabpanel').getByRole('alert')).toContainText(
    'by its content, not by its name',
  );
  await put(page, 'Caption', 'the back before it was closed');
  await kept(page);
  const { document } = await stored(page, ferry);
  expect(document.pictures).toMatchObject([
    {
      media: sha256(back),
      type: 'image/png',
      name: 'back.png',
      caption: 'the back before it was closed',
      buildId: 'clerk-ring',
    },
  ]);
  const whole = await page.request.get(`/api/media/${sha256(back)}`);
  expect(whole.headers()['content-type']).toBe('image/png');
  expect((await whole.body()).equals(Buffer.from(back))).toBe(true);
  await page.getByRole('button', { name: /^Take out/ }).click();
  await expect(print).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(print).toHaveCount(1);
  await expect(print.getByRole('img')).toBeVisible();
});

test('a production with its photographs goes out as a zip and comes in again', async ({
  page,
  request,
}) => {
  const back = png(120_000, 42);
  const media = sha256(back);
  expect((await request.put(`/api/media/${media}`, { data: Buffer.from(back) })).status()).toBe(
    201,
  );
  const document = {
    ...nightFerry(),
    name: 'Ferry with a picture',
    pictures: [
      {
        id: 'p1',
        media,
        type: 'image/png',
        sizeBytes: back.byteLength,
        name: 'back.png',
        caption: 'inside',
        buildId: 'clerk-ring',
      },
    ],
  };
  const made = (await (await request.post('/api/productions', { data: { document } })).json()) as {
    id: string;
  };
  await visit(page, `/p/${made.id}/build?build=clerk-ring`);
  const download = page.waitForEvent('download');
  await command(page, 'photographs (zip');
  const zip = await (await download).path();
  await visitList(page);
  await page.getByRole('button', { name: 'Import a file' }).click();
  await page.locator('input[type=file]').setInputFiles(zip);
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Ferry with a picture');
  await expect(dialog).toContainText('1 photograph (0.1 MB)');
  await dialog.getByRole('button', { name: 'Add it' }).click();
  await page.waitForURL(/\/p\/[^/]+\/shot/);
  const id = /\/p\/([^/]+)\//.exec(page.url())![1]!;
  expect(id).not.toBe(made.id);
  expect((await stored(page, id)).document.pictures).toMatchObject([{ media, caption: 'inside' }]);
});

test('a zip that is not whole says what is missing, damaged and left out, before anything changes', async ({
  page,
}) => {
  const [here, gone] = [png(2000, 43), png(2000, 44)];
  const named = (bytes: Uint8Array, k: number) => ({
    id: `p${k}`,
    media: sha256(bytes),
    type: 'image/png',
    sizeBytes: bytes.byteLength,
    name: `picture ${k}.png`,
    caption: '',
    buildId: null,
  });
  const document = { ...nightFerry(), pictures: [named(here, 1), named(gone, 2)] };
  const zip = await zipOf({
    'production.json': JSON.stringify(document),
    [`media/${sha256(here)}.png`]: here,
    [`media/${sha256(gone)}.png`]: png(2000, 45),
    'holiday.txt': 'left out',
  });
  await visitList(page);
  await page.getByRole('button', { name: 'Import a file' }).click();
  const input = page.locator('input[type=file]');
  await input.setInputFiles(
    file('half.zip', new Uint8Array(await zip.arrayBuffer()), 'application/zip'),
  );
  const notes = page.locator('[data-import-notes]');
  await expect(notes).toContainText('picture 2.png');
  await expect(notes).toContainText('its content has changed');
  await expect(notes).toContainText('holiday.txt');
  const evil = await zipOf({ 'production.json': JSON.stringify(document), '../evil.png': here });
  await input.setInputFiles(
    file('evil.zip', new Uint8Array(await evil.arrayBuffer()), 'application/zip'),
  );
  const alert = page.getByRole('dialog').getByRole('alert');
  await expect(alert).toContainText('Not taken; nothing has changed');
  await expect(alert).toContainText('points outside of the zip');
  await expect(page.getByRole('button', { name: 'Add it' })).toHaveCount(0);
});

test('the doors of pictures: by content, by hash, by size, by name of the server', async ({
  request,
  baseURL,
}) => {
  const picture = png(500, 46);
  const at = (hash: string) => `/api/media/${hash}`;
  const send = async (hash: string, data: Uint8Array) =>
    (await request.put(at(hash), { data: Buffer.from(data) })).status();
  expect(await send('nonsense', picture)).toBe(400);
  expect(await send(sha256(png(1, 1)), picture)).toBe(400);
  const svg = new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg"/>');
  expect(await send(sha256(svg), svg)).toBe(415);
  const huge = png(25_000_001, 1);
  expect(await send(sha256(huge), huge)).toBe(413);
  expect((await request.get(at(sha256(huge)))).status()).toBe(404);
  expect(await send(sha256(picture), picture)).toBe(201);
  const foreign = { headers: { host: 'jar.attacker.example' } };
  for (const path of ['/', '/api/productions', at(sha256(picture))])
    expect((await request.get(`${baseURL}${path}`, foreign)).status()).toBe(421);
  const origin = { headers: { origin: 'http://elsewhere.example' }, data: Buffer.from(picture) };
  expect((await request.put(at(sha256(picture)), origin)).status()).toBe(403);
});
