import type { Page } from '@playwright/test';
import { expect, kept, stored, test, visit } from './bench';

const set = (ferry: string, setup: string) => `/p/${ferry}/set?setup=${setup}`;
/** Figures are of the setup as it stands. */
const solved = (page: Page) =>
  page.locator('[data-setup][data-solved=done] [data-figures]').waitFor();

test('a colour is mixed at the fader’s light: seen, counted, and brought to the camera’s white', async ({
  page,
  ferry,
}) => {
  await visit(page, set(ferry, 'machine-night'));
  await solved(page);
  const fader = page.locator('[data-fader=machine-sea]');
  await expect(fader).toContainText('a colour');
  await expect(page.locator('[data-figure=coloured]')).toContainText('Sea-green edge');
  const watts = page.locator('[data-figure=watts]');
  const before = (await watts.textContent())!;
  await fader.getByRole('button', { name: 'Sea-green edge', exact: true }).click();
  await expect(page.locator('[data-mix=colours]')).toContainText('a colour');
  await page.getByRole('button', { name: 'Mix the camera’s 4500 K' }).click();
  await expect(fader).toContainText(/4[45]\d0 K/);
  await expect(page.locator('[data-mix=colours]')).toContainText('Ra');
  await expect(watts).not.toHaveText(before);
  await expect(page.locator('[data-figure=coloured]')).toHaveCount(0);
  await kept(page);
  const { document } = await stored(page, ferry);
  const light = document.setups
    .find(({ id }) => id === 'machine-night')!
    .things.find(({ id }) => id === 'machine-sea')!;
  expect(light.kind === 'light' && Math.max(light.mixRed, light.mixGreen, light.mixBlue)).toBe(1);
});

test('two setups beside each other, in pictures and in figures', async ({ page, ferry }) => {
  await visit(page, set(ferry, 'clerk-key'));
  await solved(page);
  await page.getByLabel('Held against', { exact: true }).selectOption('clerk-dark');
  const beside = page.locator('[data-beside=done]');
  await beside.locator('[data-picture=clean]').waitFor();
  const row = page.locator('[data-compared] tr').filter({ hasText: 'At the face' });
  const [here, there] = await row.locator('td').allTextContents();
  expect(parseFloat(here!)).toBeGreaterThan(parseFloat(there!));
  await expect(page.locator('[data-compared] tr').filter({ hasText: 'All lamps' })).toContainText(
    'W',
  );
  await page.getByLabel('Held against', { exact: true }).selectOption('');
  await expect(page.locator('[data-beside]')).toHaveCount(0);
});

test('every figure tells how it came about; stops are read by keys; a plan is printed', async ({
  page,
  ferry,
}) => {
  await visit(page, set(ferry, 'clerk-key'));
  await solved(page);
  await page.locator('[data-figure=front]').click();
  const sheet = page.getByRole('dialog', { name: /Light at the face/ });
  await expect(sheet).toContainText('Formula');
  await expect(sheet).toContainText('Clerk pan');
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  // Without a mouse: the middle of the picture, then a step aside.
  await page.locator('[data-picture=clean]').first().focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('[data-tapped]')).toContainText('stops');
  const there = await page.locator('[data-tapped]').getAttribute('style');
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(page.locator('[data-tapped]')).not.toHaveAttribute('style', there!);
  const link = page.getByRole('link', { name: 'Print plan' });
  const answer = await page.request.get((await link.getAttribute('href'))!);
  expect(answer.headers()['content-type']).toBe('application/pdf');
  expect((await answer.body()).subarray(0, 5).toString()).toBe('%PDF-');
});

test('a socket is brought in, and a lamp of the shelf hangs on its breaker', async ({
  page,
  ferry,
}) => {
  await visit(page, set(ferry, 'crossing-sky'));
  await page.getByLabel('Bring in', { exact: true }).selectOption({ label: 'Light' });
  await page
    .getByLabel('What gives the light')
    .selectOption({ label: (await stored(page, ferry)).document.shelf.units[0]!.name });
  await solved(page);
  await expect(page.locator('[data-power]')).toContainText('On no circuit yet');
  await page.getByLabel('Bring in', { exact: true }).selectOption({ label: 'Socket' });
  await page
    .getByLabel('Behind which breaker', { exact: true })
    .selectOption({ label: 'Hall ring B' });
  await solved(page);
  await expect(page.locator('[data-power]')).not.toContainText('On no circuit yet');
  await expect(page.locator('[data-power]')).toContainText('Hall ring B');
  // The plan in words says what each is, and nothing that is not there.
  await page.getByRole('tab', { name: 'In words' }).click();
  const words = page.locator('table').filter({ hasText: 'Where it stands and what it is' });
  await expect(words).toContainText('behind Hall ring B');
  await expect(words).toContainText('light of Deck sky');
  await expect(words.getByRole('row').filter({ hasText: 'Deck sky' }).first()).not.toContainText(
    /shade|red 100/,
  );
});

test('best places found for a backdrop are put up in a room', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/glow?build=sky-bank`);
  await page.getByRole('tab', { name: 'Over the backdrop' }).click();
  const two = page.locator('[data-wash="2"]');
  await two.getByRole('button', { name: 'Put up in Set' }).click();
  await page.waitForURL(/\/set\?.*setup=/);
  await solved(page);
  const apart = page.locator('[data-plan] [role=button]').filter({ hasNot: page.locator('text') });
  await expect(apart).toHaveCount(3);
  await expect(page.locator('[data-figure=even]')).toContainText('±');
  await kept(page);
  const { document } = await stored(page, ferry);
  const made = document.setups.at(-1)!;
  expect(made.shotId).toBe('sky');
  expect(made.things.map(({ kind }) => kind)).toEqual(['backdrop', 'light', 'light']);
});

test('a shot’s plan is its setup’s; one without any is put in a room', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/shot?shot=clerk`);
  await expect(page.locator('[data-still=clerk-key]')).toBeVisible();
  await page.getByLabel('Setup shown').selectOption('clerk-dark');
  await page.getByRole('button', { name: 'Open in Set' }).click();
  await page.waitForURL(/setup=clerk-dark/);
  await page.locator('[data-setup=clerk-dark]').waitFor();
  await page.getByRole('button', { name: 'Take out', exact: true }).click();
  await page.locator('[data-setup]:not([data-setup=clerk-dark])').waitFor();
  await kept(page);

  // The cabin has one setup: without it the shot is only sketched.
  await visit(page, set(ferry, 'cabin-window'));
  await page.locator('[data-setup=cabin-window]').waitFor();
  await page.getByRole('button', { name: 'Take out', exact: true }).click();
  await page.locator('[data-setup]:not([data-setup=cabin-window])').waitFor();
  await kept(page);
  await visit(page, `/p/${ferry}/shot?shot=cabin`);
  await page.getByRole('button', { name: 'Put it in a room' }).click();
  await page.waitForURL(/\/set\?.*setup=/);
  await solved(page);
  await expect(page.locator('[data-figure=front]')).not.toHaveText('0 lx');
});
