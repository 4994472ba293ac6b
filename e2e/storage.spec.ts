import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { nightFerry } from '../src/demo/nightFerry';
import { command, expect, kept, put, stored, test, visit, reload, visitList } from './bench';
import { readyFolder } from '../src/server/storage/testing/readyFolder';
import { answering, startServer } from './server';

const folder = () => mkdtempSync(join(tmpdir(), 'jar-e2e-'));

test('kill -9 between autosaves loses nothing that was kept, and the browser brings the rest', async ({
  page,
}) => {
  const data = await readyFolder();
  const first = await startServer(data);
  await answering(first);
  const { origin } = first;
  await visit(page, `${origin}/p/night-ferry/build?build=clerk-ring`);
  for (const size of ['91 cm', '92 cm', '93 cm']) await put(page, 'Outer Ø', size);
  await kept(page);
  first.process.kill('SIGKILL');
  await first.ended;
  await put(page, 'Outer Ø', '94 cm');
  await expect(page.getByText('Your changes are kept in this browser')).toBeVisible();

  const second = await startServer(data, Number(new URL(origin).port));
  await answering(second);
  // What was kept is on disk: a lock of the dead is no hindrance.
  const read = await (await fetch(`${origin}/api/productions/night-ferry`)).json();
  expect([0.93, 0.94]).toContain(read.document.builds[0].parameters.outerDiameterM);
  await kept(page);
  await reload(page);
  await expect(page.getByLabel('Outer Ø', { exact: true })).toHaveValue('94 cm');
  second.process.kill('SIGKILL');
});

test('kill -9 in the middle of typing: everything the server has answered for is on disk', async ({
  page,
}) => {
  const data = await readyFolder();
  const first = await startServer(data);
  await answering(first);
  await visit(page, `${first.origin}/p/night-ferry/build?build=clerk-ring`);
  const answered: number[] = [];
  page.on('response', async (response) => {
    const asked = response.request();
    if (asked.method() !== 'PATCH' || !response.ok()) return;
    const { edits } = asked.postDataJSON() as { edits: { commands: unknown[] }[] };
    const done = JSON.stringify(edits.map(({ commands }) => commands));
    const sizes = [...done.matchAll(/"outerDiameterM"\],"value":([\d.]+)/g)];
    answered.push(...sizes.map(([, size]) => Number(size)));
  });
  let sizeM = 0.9;
  for (; new Set(answered).size < 3 && sizeM < 1.9; sizeM += 0.01)
    await put(page, 'Outer Ø', `${(sizeM * 100).toFixed(0)} cm`);
  first.process.kill('SIGKILL');
  await first.ended;
  // Nothing of the browser's memory may help here.
  await page.goto('about:blank');
  const second = await startServer(data);
  await answering(second);
  const read = await (await fetch(`${second.origin}/api/productions/night-ferry`)).json();
  expect(new Set(answered).size).toBeGreaterThanOrEqual(3);
  expect(read.document.builds[0].parameters.outerDiameterM).toBeGreaterThanOrEqual(
    Math.max(...answered) - 1e-9,
  );
  second.process.kill('SIGKILL');
});

test('while the server is dead a station’s key says so, and goes there once it is back', async ({
  page,
}) => {
  const data = await readyFolder();
  const first = await startServer(data);
  await answering(first);
  await visit(page, `${first.origin}/p/night-ferry/build?build=clerk-ring`);
  first.process.kill('SIGKILL');
  await first.ended;
  await page.keyboard.press('7');
  const trouble = page.locator('[data-trouble]');
  await expect(trouble).toContainText('The server does not answer');
  expect(page.url()).toContain('/build');
  const second = await startServer(data, Number(new URL(first.origin).port));
  await answering(second);
  await trouble.getByRole('button', { name: 'Ask again' }).click();
  await page.waitForURL(/night-ferry\/(?!build)/);
  second.process.kill('SIGKILL');
});

test('a data folder in use, or that cannot be written, is one clear line and an end', async () => {
  const data = await readyFolder();
  const holder = await startServer(data);
  await answering(holder);
  const second = await startServer(data);
  expect(await second.ended).toBe(3);
  expect(second.output()).toContain(`in use by process`);
  expect((await fetch(`${holder.origin}/api/productions`)).ok).toBe(true);
  holder.process.kill('SIGKILL');
  // /proc refuses new folders even to root, as a read-only disk does.
  const nowhere = await startServer('/proc/lantern-jar');
  expect(await nowhere.ended).toBe(3);
  expect(nowhere.output()).toContain('is of no use');
});

test.describe('import and export', () => {
  const openImport = async (page: import('@playwright/test').Page, name: string, text: string) => {
    await visitList(page);
    await page.getByRole('button', { name: 'Import a file' }).click();
    await page.getByLabel('A file that Lantern Jar exported').setInputFiles({
      name,
      mimeType: 'application/json',
      buffer: Buffer.from(text),
    });
  };

  test('what is exported comes back the same, after showing what it holds', async ({
    page,
    ferry,
  }) => {
    await visit(page, `/p/${ferry}/shot`);
    const [file] = await Promise.all([page.waitForEvent('download'), command(page, 'Export')]);
    expect(file.suggestedFilename()).toBe('night-ferry_production.json');
    const text = readFileSync(await file.path(), 'utf8');
    await openImport(page, 'ferry.json', text);
    await expect(page.getByRole('dialog')).toContainText('7 shots, 17 builds');
    await page.getByRole('button', { name: 'Add it' }).click();
    await page.waitForURL(/\/p\/night-ferry-/);
    const id = /\/p\/([^/]+)/.exec(page.url())![1]!;
    const { document } = await stored(page, id);
    expect({ ...document, id: '' }).toEqual({ ...nightFerry(), id: '' });
  });

  const spoiled = (change: (draft: Record<string, unknown>) => void) => {
    const draft = structuredClone(nightFerry()) as unknown as Record<string, unknown>;
    change(draft);
    return JSON.stringify(draft);
  };
  for (const [name, text, reason] of [
    ['not JSON', '{"format": ', 'not a Lantern Jar document'],
    ['a newer version', spoiled((draft) => (draft.version = 99)), 'version 99'],
    ['a wrong type', spoiled((draft) => (draft.shots = 'seven')), 'shots'],
    ['a missing part', spoiled((draft) => delete draft.circuits), 'circuits'],
  ] as const) {
    test(`${name} is refused by name, nothing changes`, async ({ page, request }) => {
      const before = ((await (await request.get('/api/productions')).json()) as unknown[]).length;
      await openImport(page, 'bad.json', text);
      const alert = page.getByRole('dialog').getByRole('alert');
      await expect(alert).toContainText('Not taken; nothing has changed');
      await expect(alert).toContainText(reason);
      await expect(page.getByRole('button', { name: 'Add it' })).toHaveCount(0);
      const after = ((await (await request.get('/api/productions')).json()) as unknown[]).length;
      expect(after).toBeGreaterThanOrEqual(before);
    });
  }

  test('a file of 65 MB is refused before it is read', async ({ page }) => {
    const file = join(folder(), 'huge.json');
    writeFileSync(file, '');
    truncateSync(file, 65_000_000);
    await visitList(page);
    await page.getByRole('button', { name: 'Import a file' }).click();
    await page.getByLabel('A file that Lantern Jar exported').setInputFiles(file);
    await expect(page.getByRole('dialog').getByRole('alert')).toContainText('65.0 MB');
  });

  test('fields of a file that nobody knows here are told before it is added', async ({ page }) => {
    await openImport(
      page,
      'more.json',
      spoiled((draft) => (draft.weather = 'rain')),
    );
    await expect(page.locator('[data-import-notes]')).toContainText('weather is left out');
  });

  test('a deleted production is found in the bin after a reload', async ({ page, ferry }) => {
    await visitList(page);
    const mine = page.locator(`[data-production=${ferry}]`);
    await mine.getByRole('button', { name: /^Delete/ }).click();
    await expect(mine).toHaveCount(0);
    await visitList(page);
    await page.getByRole('button', { name: /^Bin \(/ }).click();
    const binned = page.locator(`[data-binned=${ferry}]`);
    await binned.getByRole('button', { name: /^Take it back/ }).click();
    await expect(binned).toHaveCount(0);
    await page.keyboard.press('Escape');
    await expect(mine).toHaveCount(1);
  });

  test('deleting a production can be taken back', async ({ page, ferry }) => {
    await visitList(page);
    const mine = page
      .getByRole('listitem')
      .filter({ has: page.locator(`a[href="/p/${ferry}/shot"]`) });
    await mine.getByRole('button', { name: /^Delete/ }).click();
    await expect(mine).toHaveCount(0);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(mine).toHaveCount(1);
  });
});

test('the API refuses at the door and stays up', async ({ request, ferry }) => {
  const url = `/api/productions/${ferry}`;
  const patch = (data: unknown, headers = {}) =>
    request.patch(url, { data: data as never, headers });
  expect((await patch({ baseRevision: 'one' })).status()).toBe(400);
  expect(
    (await patch('x'.repeat(9_000_000), { 'content-type': 'application/json' })).status(),
  ).toBe(413);
  expect(
    (await request.post('/api/evaluate', { data: { document: {}, buildId: 'x' } })).status(),
  ).toBe(422);
  const good = await request.post('/api/evaluate', {
    data: { document: nightFerry(), buildId: 'clerk-ring' },
  });
  expect(((await good.json()) as { rungs: unknown[] }).rungs).toHaveLength(9);
  expect((await request.get('/api/productions/nobody')).status()).toBe(404);
  expect((await request.get(url)).status()).toBe(200);
});

test('files are made aside: who asks for something else does not wait for them', async ({
  request,
  ferry,
}) => {
  let made = 0;
  const packs = Array.from({ length: 8 }, async () => {
    const answer = await request.get(
      `/api/productions/${ferry}/builds/clerk-ring/build-pack.pdf?units=metric`,
    );
    expect(answer.status()).toBe(200);
    made++;
    return (await answer.body()).subarray(0, 5).toString();
  });
  for (let n = 0; n < 5; n++)
    expect((await request.get(`/api/productions/${ferry}?after=999`)).status()).toBe(204);
  expect(made).toBeLessThan(8);
  expect(new Set(await Promise.all(packs))).toEqual(new Set(['%PDF-']));
});

test.describe('./jar evaluate', () => {
  const file = (text: string) => {
    const path = join(folder(), 'production.json');
    writeFileSync(path, text);
    return path;
  };
  test('prints the same readouts as the screen, from a file or standard input', () => {
    const text = JSON.stringify(nightFerry());
    const printed = JSON.parse(
      execFileSync('./jar', ['evaluate', file(text), '--build', 'clerk-ring'], {
        encoding: 'utf8',
      }),
    );
    expect(printed[0].rungs[0].value).toBeCloseTo(391.6, 1);
    const estimate = JSON.parse(
      execFileSync('./jar', ['evaluate', file(text), '--build', 'clerk-pan', '--instant'], {
        encoding: 'utf8',
      }),
    );
    expect(estimate[0].rungs[0].words).toContain('estimate');
    const run = ['--build', 'clerk-pan', '--photons', '20000', '--seed', '3'];
    const [pan] = JSON.parse(
      execFileSync('./jar', ['evaluate', file(text), ...run], { encoding: 'utf8' }),
    );
    expect(pan.transported).toMatchObject({ photons: 20_000, seed: 3 });
    expect(pan.glow.readouts.map(({ id }: { id: string }) => id)).toContain('extraction');
    const all = JSON.parse(
      execFileSync('./jar', ['evaluate', '-'], {
        encoding: 'utf8',
        input: text,
        maxBuffer: 64 * 1024 * 1024,
      }),
    );
    expect(all).toHaveLength(17);
  });
  test('a wrong document: exit 2, one line an issue, nothing on standard output', () => {
    const draft = structuredClone(nightFerry());
    draft.shots[0]!.fNumber = -1;
    draft.shots[1]!.distanceM = 0;
    const ran = spawnSync('./jar', ['evaluate', file(JSON.stringify(draft))], { encoding: 'utf8' });
    expect([ran.status, ran.stdout]).toEqual([2, '']);
    const lines = ran.stderr
      .trim()
      .split('\n')
      .filter((line) => !line.startsWith('npm'));
    expect(lines.map((line) => line.split(':')[0])).toEqual([
      'shots.0.fNumber',
      'shots.1.distanceM',
    ]);
    expect(spawnSync('./jar', ['evaluate', '/nowhere.json']).status).toBe(2);
    const few = spawnSync('./jar', [
      'evaluate',
      file(JSON.stringify(nightFerry())),
      '--photons',
      'many',
    ]);
    expect(few.status).toBe(2);
    expect(String(few.stderr)).toContain('--photons many: give a whole number');
  });
});
