import { readyFolder } from '../src/server/storage/testing/readyFolder';
import { expect, figure, kept, stored, test, visit, visitList, type Page } from './bench';
import { answering, startServer } from './server';

type Stored = Awaited<ReturnType<typeof stored>>;

/** Clicks and keys since the page was opened, as the page itself hears them. */
async function counting(page: Page) {
  await page.addInitScript(() => {
    const heard = { clicks: 0, keys: 0 };
    Object.assign(window, { heard });
    window.addEventListener('pointerdown', () => void heard.clicks++, true);
    window.addEventListener('keydown', () => void heard.keys++, true);
  });
  return () =>
    page.evaluate(() => (window as unknown as { heard: { clicks: number; keys: number } }).heard);
}

/** A new production with one shot, begun as a newcomer begins: two presses, two names. */
async function beginShot(page: Page, use?: string) {
  await visitList(page);
  await page.getByRole('button', { name: 'New production' }).click();
  await page.getByLabel('What is it called?').pressSequentially('Test');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Describe a shot' }).click();
  await page.getByLabel('What do you call it?').pressSequentially('Clerk');
  if (use) await page.getByLabel('What is lit?').selectOption({ label: use });
  await page.getByLabel('What do you call it?').press('Enter');
  await expect(page.locator('[data-target]')).toContainText('122');
}

const idOf = (page: Page) => new URL(page.url()).pathname.split('/')[2]!;
const build = async (page: Page) => (await stored(page, idOf(page))).document.builds[0]!;
/** The light stands, is known, and no stop shuts it. */
async function isRight(page: Page) {
  await expect(page.locator('[data-rung=stops] [data-figure]')).not.toHaveText('–');
  await expect(page.locator('nav').getByText('Stop', { exact: true })).toHaveCount(0);
  await kept(page);
}
const stopsOver = async (page: Page) =>
  Number((await figure(page, 'stops').textContent())!.replace('−', '-'));

test('sixteen small globes round a face: four clicks, twenty keys', async ({ page }) => {
  const heard = await counting(page);
  await beginShot(page);
  await page.getByRole('button', { name: 'Build a light for this' }).click();
  await page.getByRole('button', { name: 'Start a bulb ring' }).click();
  await isRight(page);
  const { clicks, keys } = await heard();
  expect(clicks).toBeLessThanOrEqual(4);
  expect(keys).toBeLessThanOrEqual(20);
  expect(await stopsOver(page)).toBeGreaterThan(-1);
});

test('a soft key from a tin and a reel one owns: eight clicks, forty keys', async ({ page }) => {
  const heard = await counting(page);
  await beginShot(page);
  await page.getByRole('button', { name: /^Shelf/ }).click();
  await page.getByRole('tab', { name: 'What I own' }).click();
  await page.getByRole('button', { name: /^Cake tin/ }).click();
  await page.getByRole('button', { name: /^White tape 24 V, 120 LED/ }).click();
  await expect(page.locator('[data-owned="2"]')).toBeVisible();
  await page.getByRole('button', { name: /^Build/ }).click();
  await page.getByRole('button', { name: 'Start a strip pan' }).click();
  await isRight(page);
  const { clicks, keys } = await heard();
  expect(clicks).toBeLessThanOrEqual(8);
  expect(keys).toBeLessThanOrEqual(40);
  const { parameters } = await build(page);
  expect(parameters).toMatchObject({ panPartId: 'pan-36', stripId: 'tape-24-120-4000' });
  // The tin brought its own size and inside.
  expect(parameters).toMatchObject({ diameterM: 0.356, depthM: 0.076, finish: 'tinned-steel' });
});

test('a green screen by banks of tubes is judged by evenness, not by a nose', async ({ page }) => {
  const heard = await counting(page);
  await beginShot(page, 'a green screen');
  await page.getByRole('button', { name: 'Build a light for this' }).click();
  const bank = page.locator('[data-form=tube-bank]');
  await expect(bank).toContainText('even to');
  await expect(bank).not.toContainText('fills');
  await bank.getByRole('button', { name: /^Start/ }).click();
  await isRight(page);
  const { clicks, keys } = await heard();
  expect(clicks).toBeLessThanOrEqual(4);
  expect(keys).toBeLessThanOrEqual(20);
  await expect(page.locator('[data-rung=softness]')).toContainText('not judged by it');
  await page.getByRole('button', { name: /^Glow/ }).click();
  await expect(page.getByRole('tab', { name: 'Over the backdrop' })).toHaveAttribute(
    'aria-selected',
    'true',
  );
});

test('a work light with its doors, then by way of the ceiling', async ({ page }) => {
  const heard = await counting(page);
  await beginShot(page);
  await page.getByRole('button', { name: 'Build a light for this' }).click();
  await page.getByRole('button', { name: 'Start a work light' }).click();
  await isRight(page);
  const { document } = await stored(page, idOf(page));
  const chosen = document.builds[0]!.parameters as { boardPartId: string; faceWidthM: number };
  // The leaves are of metal, and the face is that of the lamp.
  const leaves = document.shelf.parts.find(({ id }) => id === chosen.boardPartId)!;
  expect(leaves).toMatchObject({ role: 'sheet', burns: 'no' });
  const before = await figure(page, 'softness').textContent();
  await page.getByRole('button', { name: 'Bounce', exact: true }).click();
  await page.getByLabel('Aimed').selectOption({ label: 'at a sheet, wall or ceiling' });
  await expect(figure(page, 'softness')).not.toHaveText(before!);
  expect((await heard()).clicks).toBeLessThanOrEqual(5);
});

test('build or buy: the verdict is one press from a first light', async ({ page }) => {
  const heard = await counting(page);
  await beginShot(page);
  await page.getByRole('button', { name: 'Build a light for this' }).click();
  await page.getByRole('button', { name: 'Start a foam box' }).click();
  await isRight(page);
  await page.getByRole('button', { name: /^Verdict/ }).click();
  await expect(page.locator('[data-sentence]')).toContainText('At 1.20 m your foam box is');
  const { clicks, keys } = await heard();
  expect(clicks).toBeLessThanOrEqual(5);
  expect(keys).toBeLessThanOrEqual(20);
});

test('what a start would send one to buy is marked as owned where it is read', async ({ page }) => {
  await beginShot(page);
  await page.getByRole('button', { name: 'Build a light for this' }).click();
  const card = page.locator('[data-form=foam-box]');
  const toBuy = card.locator('summary');
  await toBuy.click();
  const [, before] = /(\d+)/.exec((await toBuy.textContent())!)!;
  await card
    .getByRole('button', { name: /^I own what it takes of/ })
    .first()
    .click();
  await expect(toBuy).toContainText(`to buy: ${Number(before) - 1}`);
  await kept(page);
  const { units, parts } = (await stored(page, idOf(page))).document.shelf;
  expect([...units, ...parts].filter(({ onHand }) => onHand > 0)).toHaveLength(1);
});

test('what one owns is kept for every production and comes onto the next shelf', async ({
  page,
}) => {
  // A store of its own: what is kept at home is seen by every production of a store.
  const server = await startServer(await readyFolder());
  await answering(server);
  const { origin } = server;
  await visit(page, `${origin}/p/night-ferry/shelf?build=clerk-ring`);
  await page.getByRole('tab', { name: 'What I own' }).click();
  await page.getByRole('button', { name: 'Keep for every production' }).click();
  await expect(page.getByRole('button', { name: /^Bring my own/ })).toBeVisible();
  const made = await page.request.post(`${origin}/api/productions`, {
    data: { name: 'Next', region: 'eu-230-50', currency: 'EUR', own: true },
  });
  const { id } = (await made.json()) as { id: string };
  const shelfOf = async (production: string) =>
    ((await (await page.request.get(`${origin}/api/productions/${production}`)).json()) as Stored)
      .document.shelf.units;
  const owned = (await shelfOf('night-ferry')).filter(({ onHand }) => onHand > 0);
  expect(owned.length).toBeGreaterThan(3);
  const next = await shelfOf(id);
  for (const { name, onHand } of owned)
    expect(next.find((each) => each.name === name)?.onHand).toBe(onHand);
  server.process.kill('SIGKILL');
});

test('words have their meaning a key away, and on hover', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/build?build=clerk-ring`);
  await page.keyboard.press('g');
  const dialog = page.getByRole('dialog', { name: 'What the words mean' });
  await dialog.getByLabel('Look for').fill('mired');
  await expect(dialog.locator('dt').first()).toContainText(/mired/i);
  await page.keyboard.press('Escape');
  await page.locator('[data-rung=evenness]').hover();
  await expect(page.getByRole('tooltip')).toContainText('brightest and the darkest');
});

test('one bad row stays with its reason, the good ones land', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/shelf?build=clerk-ring`);
  await page.getByRole('button', { name: 'Read labels' }).click();
  const lines = Array.from({ length: 12 }, (_, k) => `Globe ${k} E27 9W 80${k % 10} lm 2700K €2`);
  await page
    .getByLabel('Lines or a table')
    .fill([...lines, 'Globe bad E27 4000 W 9 lm'].join('\n'));
  await expect(page.locator('[data-read-rows="13"]')).toBeVisible();
  const bad = page.getByRole('row', { name: /Globe bad/ });
  await page.getByRole('button', { name: 'Put 13 on the shelf' }).click();
  await expect(bad).toContainText('is outside');
  await expect(page.locator('[data-problem=yes]')).toHaveCount(1);
  await bad.getByRole('button', { name: /^Correct Watts/ }).click();
  await page.getByLabel(/^Watts of/).fill('9');
  await page.getByLabel(/^Watts of/).press('Enter');
  await page.getByRole('button', { name: 'Put 1 on the shelf' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await kept(page);
  const { units } = (await stored(page, ferry)).document.shelf;
  expect(units.filter(({ name }) => name.startsWith('Globe'))).toHaveLength(13);
});
