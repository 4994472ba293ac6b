import { readIes } from '../src/core/formats/ies';
import { fluxOf } from '../src/core/light/farField';
import { expect, figure, kept, put, stored, test, visit, type Page } from './bench';

const glow = (page: Page, id: string) => page.locator(`[data-glow=${id}] [data-figure]`);
const percent = async (page: Page, id: string) =>
  parseFloat((await glow(page, id).textContent()) ?? '');
/** The first photons are in: good to half a per cent. */
const simulated = (page: Page) =>
  expect(page.locator('[data-known=simulated]')).toBeVisible({ timeout: 60_000 });
const clean = (page: Page) =>
  expect(page.locator('[data-picture=clean][data-fixture-picture=clean]')).toBeVisible({
    timeout: 90_000,
  });

test('a pan: its depth, its tape, its layers change what gets out; the file says the same', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/build?build=clerk-pan`);
  // Dragged on the drawing, read on the Glow station.
  const knob = page.locator('[data-handle=depthM]').first();
  await expect(knob).toBeVisible();
  await page.keyboard.press('4');
  await simulated(page);
  const shallow = await percent(page, 'extraction');
  await page.keyboard.press('3');
  await expect(knob).toBeVisible();
  const box = (await knob.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 60, y - 60, { steps: 8 });
  await page.mouse.up();
  await page.keyboard.press('4');
  await simulated(page);
  expect(await percent(page, 'extraction')).not.toBeCloseTo(shallow, 0);

  // Typed in the tray: half a metre of depth swallows most of it.
  await page.getByRole('button', { name: 'Pan', exact: true }).click();
  await put(page, 'Depth', '50 cm');
  await simulated(page);
  const deep = await percent(page, 'extraction');
  expect(deep).toBeLessThan(shallow);

  // One click: the tape goes to the base; undo takes it back.
  const base = page.locator('[data-variant=tapeOn-base]');
  await base.click();
  await simulated(page);
  await expect(page.locator('[data-variant=tapeOn-rim]')).toBeVisible({ timeout: 30_000 });
  expect(await percent(page, 'extraction')).not.toBeCloseTo(deep, 1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(base).toBeVisible({ timeout: 30_000 });

  // One layer more costs light.
  await simulated(page);
  const one = await percent(page, 'extraction');
  await page.locator('[data-variant=layer-more]').click();
  await expect.poll(() => percent(page, 'extraction'), { timeout: 30_000 }).toBeLessThan(one);
  await simulated(page);
  const two = await percent(page, 'extraction');
  await kept(page);

  const link = page.getByRole('link', { name: 'IES' });
  const href = (await link.getAttribute('href'))!;
  const answer = await page.request.get(href);
  expect(answer.status()).toBe(200);
  expect(answer.headers()['content-disposition']).toContain('night-ferry_clerk-pan_light.ies');
  const file = readIes(await answer.text());
  if (!file.ok) throw new Error(file.problems[0]!.message);
  const { planesDeg, cd, lampLm, keywords } = file.value;
  const lm = fluxOf({ ...file.value, planesDeg: planesDeg.slice(0, -1), cd: cd.slice(0, -1) });
  expect((100 * lm) / lampLm).toBeCloseTo(two, -0.5);
  expect(keywords.TEST![0]).toContain('simulated, not measured');
  const other = await page.request.get(href.replace('.ies', '.ldt'));
  expect((await other.text()).split('\r\n')[3]).toBe('24');
});

test('a head in the light: refined, wiped against the fixture, the light pushed round, saved', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/glow?build=clerk-ring`);
  await clean(page);
  const canvas = page.locator('[data-picture]');
  const pixels = () =>
    canvas.evaluate((element: HTMLCanvasElement) => {
      const { data } = element.getContext('2d')!.getImageData(0, 0, 480, 480);
      const mean = (from: number, to: number) => {
        let sum = 0;
        for (let row = 150; row < 330; row++)
          for (let column = from; column < to; column++) sum += data[(row * 480 + column) * 4 + 1]!;
        return sum / 180 / (to - from);
      };
      return { left: mean(150, 235), right: mean(245, 330), blue: data[(20 * 480 + 470) * 4 + 2]! };
    });
  // The fixture is daylight in a shot of 4000 K: its side of the wall is bluer than it is green.
  const wiped = await pixels();
  const wipe = page.getByRole('slider', { name: 'Wipe between build and fixture' });
  await wipe.fill('100');
  const alone = await pixels();
  expect(wiped.blue).toBeGreaterThan(alone.blue);

  await page.getByLabel('Shown').selectOption({ label: 'this build alone' });
  const knob = page.locator('[data-light-knob]');
  const lux = page.locator('[data-pose]');
  const before = await lux.textContent();
  await knob.focus();
  for (let k = 0; k < 4; k++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(lux).not.toHaveText('');
  // The picture of before still stands for a moment: wait for what the new place shows.
  await expect
    .poll(
      async () => {
        const { left, right } = await pixels();
        return left - right;
      },
      { timeout: 60_000 },
    )
    .toBeGreaterThan(0);
  await page.keyboard.press('Shift+ArrowUp');
  await expect(lux).not.toHaveText(before!);

  await page.getByLabel('Shown').selectOption({ label: 'difference in stops' });
  await expect(page.getByText('build against fixture')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as PNG' }).click();
  expect((await download).suggestedFilename()).toBe('night-ferry_clerk-ring_face.png');
});

test('maps, curves and layers, each with its table; a layer put in from the ladder', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/glow?build=cabin-box`);
  await page.getByRole('tab', { name: 'Its mouth' }).click();
  await expect(page.locator('[data-map]')).toBeVisible({ timeout: 30_000 });
  await expect(page.locator('[data-efficiency]')).toContainText('%');
  await page.getByText('As a table').first().click();
  await expect(page.getByRole('cell', { name: /\(/ }).first()).toBeVisible();

  await page.getByRole('tab', { name: 'Reach and spread' }).click();
  await expect(page.getByRole('img', { name: /Intensity by direction/ })).toBeVisible();
  await page.getByText('As a table').nth(1).click();
  await expect(page.getByRole('cell', { name: '45°' })).toBeVisible();

  await page.getByRole('tab', { name: 'Over the backdrop' }).click();
  await expect(page.locator('[data-wash="2"]')).toContainText('two alike', { timeout: 60_000 });

  await page.getByRole('tab', { name: 'Layers', exact: true }).click();
  const rows = page.locator('[data-layers]');
  await expect(rows.first()).toBeVisible({ timeout: 60_000 });
  expect(await rows.count()).toBeGreaterThan(4);
  const lit = await figure(page, 'light').textContent();
  await rows.first().getByRole('button').click();
  await expect(figure(page, 'light')).not.toHaveText(lit!);
  await kept(page);
  const { document } = await stored(page, ferry);
  const box = document.builds.find(({ id }) => id === 'cabin-box')!;
  expect(box.parameters.layer1PartId).toBeNull();
});

test('a figure of the light opens its working', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/glow?build=clerk-pan`);
  await simulated(page);
  await page.locator('[data-glow=extraction]').click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('photons out by the mouth');
  await expect(dialog).toContainText('takes');
});

test('no light yet, an open array and a form not known here are said in words', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/glow?build=stamp-ring`);
  await expect(page.getByText('This light gives none yet')).toBeVisible();
  await visit(page, `/p/${ferry}/glow?build=clerk-ring`);
  await page.getByRole('tab', { name: 'Its mouth' }).click();
  await expect(page.getByText('no closed front')).toBeVisible();
  await page.getByRole('tab', { name: 'Layers', exact: true }).click();
  await expect(page.getByText('carries no layers')).toBeVisible();
});

test('without workers the light is still simulated, on the page itself', async ({
  page,
  ferry,
}) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'Worker', { value: undefined });
  });
  await visit(page, `/p/${ferry}/build?build=cabin-box`);
  await expect(page.locator('[data-rung=light]')).toContainText('simulated', { timeout: 60_000 });
});

test('the HTTP route simulates unless an estimate is asked for, and refuses what is too much', async ({
  request,
  ferry,
}) => {
  const stored = await (await request.get(`/api/productions/${ferry}`)).json();
  const ask = (more: object) =>
    request.post('/api/evaluate', {
      data: { document: stored.document, buildId: 'clerk-pan', ...more },
    });
  const found = await (await ask({ photons: 20_000, seed: 4 })).json();
  expect(found.transported).toMatchObject({ photons: 20_000, seed: 4 });
  expect(found.glow.readouts.length).toBeGreaterThan(8);
  expect((await ask({ photons: 0 })).status()).toBe(400);
  expect((await ask({ photons: 1e12 })).status()).toBe(400);
  expect((await ask({ photons: 1.5 })).status()).toBe(400);
  const plain = await (await ask({})).json();
  expect(plain.transported).toMatchObject({ photons: 400_000, seed: 1 });
  const instant = await (await ask({ instant: true })).json();
  expect(instant.glow).toBeNull();
  expect(instant.rungs[0].words).toContain('estimate');
});
