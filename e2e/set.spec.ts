import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, kept, stored, test, visit } from './bench';

const set = (ferry: string, setup = 'clerk-key') => `/p/${ferry}/set?setup=${setup}`;
/** Figures are of the setup as it stands. */
const solved = (page: Page) =>
  page.locator('[data-setup][data-solved=done] [data-figures]').waitFor();
const bring = (page: Page, kind: string) =>
  page.getByLabel('Bring in', { exact: true }).selectOption({ label: kind });
const field = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });
async function put(page: Page, name: string, text: string) {
  await field(page, name).fill(text);
  await field(page, name).press('Enter');
}
/** A figure at a head, as a number. */
const number = async (page: Page, mark: string): Promise<number> => {
  const words = (await page.locator(`[data-figure=${mark}]`).first().textContent())!;
  return Number(
    words
      .replace(/[^\d.−+-]/g, ' ')
      .trim()
      .split(/\s+/)[0]!
      .replace('−', '-'),
  );
};

test('a setup from nothing with the mouse: somebody, a key, a fill at 2 : 1, a flag', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/set?shot=clerk`);
  await page.getByRole('button', { name: 'New', exact: true }).click();
  await page.waitForURL(/setup=/);
  await expect(page.locator('[data-trouble=set]')).toContainText('Nothing is lit');
  await bring(page, 'Subject');
  await bring(page, 'Light');
  await put(page, 'From the left', '3.6 m');
  await put(page, 'From behind the camera', '0.9 m');
  await put(page, 'Turned, °', '45');
  await bring(page, 'Light');
  await page.getByLabel('It is the', { exact: true }).selectOption({ label: 'fill' });
  await put(page, 'From the left', '1.2 m');
  await put(page, 'From behind the camera', '0.9 m');
  await put(page, 'Turned, °', '-50');
  await solved(page);
  await expect(page.locator('[data-figure=front]')).not.toHaveText('0 lx');
  // The wanted ratio, by one press.
  await page.getByRole('button', { name: / to \d+ %$/ }).click();
  await expect(page.locator('[data-figure=together]')).toContainText('2.0 : 1');
  await kept(page);

  // A flag before the key, drawn there with the hand: the shadow falls on the face.
  const before = await number(page, 'front');
  await bring(page, 'Card, sheet or flag');
  await page.getByLabel('It is a', { exact: true }).selectOption({ label: 'flag or paper, grey' });
  await put(page, 'Turned, °', '45');
  await put(page, 'Height of its middle', '1.45 m');
  await put(page, 'From the left', '4.2 m');
  await put(page, 'From behind the camera', '2.6 m');
  await solved(page);
  const plan = page.locator('[data-plan=above]');
  const scale = Number(await plan.getAttribute('data-scale'));
  const flag = page.locator('[data-plan] [role=button][aria-pressed=true]');
  const at = (await flag.boundingBox())!;
  const [x, y] = [at.x + at.width / 2, at.y + at.height / 2];
  // To half way between face and key.
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 0.5 * scale, y + 0.4 * scale, { steps: 4 });
  await page.mouse.move(x - 1.15 * scale, y + 1.15 * scale, { steps: 4 });
  await page.mouse.up();
  await solved(page);
  await expect.poll(() => number(page, 'front')).toBeLessThan(before * 0.7);
  await kept(page);
  const { document } = await stored(page, ferry);
  const made = document.setups.at(-1)!;
  expect(made.things.map(({ kind }) => kind)).toEqual(['head', 'light', 'light', 'card']);
});

test('with nothing but keys: begun by a school, walked to, moved, turned and lifted', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/set?shot=cabin`);
  const press = async (name: string) => {
    await page.getByRole('button', { name, exact: true }).focus();
    await page.keyboard.press('Enter');
  };
  await press('New');
  await page.waitForURL(/setup=/);
  await press('Schools');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Begin: Key at 45/ })
    .focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await solved(page);
  const key = page.locator('[data-plan] [role=button][aria-label*="key"]');
  await key.focus();
  const panel = page.locator('[data-panel=light]');
  await expect(panel).toBeVisible();
  const left = await field(page, 'From the left').inputValue();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(field(page, 'From the left')).not.toHaveValue(left);
  const turned = await field(page, 'Turned, °').inputValue();
  await page.keyboard.press(']');
  await expect(field(page, 'Turned, °')).toHaveValue(String(Number(turned.replace('−', '-')) - 5));
  await page.keyboard.press('PageUp');
  await kept(page);
  await page.keyboard.press('Delete');
  await expect(key).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(key).toHaveCount(1);
});

test('a key is seen in the timetable; turned as it says, it is not', async ({ page, ferry }) => {
  await visit(page, set(ferry, 'clerk-glass'));
  await solved(page);
  const glass = page.locator('[data-glass]');
  await expect(glass).toContainText('The camera sees Clerk pan, key in it');
  await glass.getByRole('button', { name: 'Turn it so' }).click();
  await expect(glass).toContainText('The camera sees no light in it');
});

test('a green screen: two banks put where it is even, within a third of a stop', async ({
  page,
  ferry,
}) => {
  await visit(page, set(ferry, 'sky-wash'));
  await solved(page);
  await page.locator('[data-plan] [role=button][aria-label^="Painted night sky"]').focus();
  await page.getByLabel('It is', { exact: true }).selectOption({ label: 'green screen' });
  await solved(page);
  await page.getByRole('button', { name: 'Put both washes where it is most even' }).click();
  await expect.poll(() => number(page, 'even')).toBeLessThanOrEqual(0.33);
});

test('faders answer in the picture and the figures; one light alone; stops told by a tap', async ({
  page,
  ferry,
}) => {
  await visit(page, set(ferry, 'sky-wash'));
  await page.locator('[data-picture=clean]').waitFor();
  const before = await number(page, 'front');
  await page.getByRole('checkbox', { name: 'Clerk pan, key is lit' }).uncheck();
  await expect.poll(() => number(page, 'front')).toBeLessThan(before * 0.7);
  await page.getByRole('button', { name: 'Wash, left alone' }).click();
  await page.getByRole('button', { name: 'Stops', exact: true }).click();
  await expect(page.locator('[data-overlay=stops]')).toBeVisible();
  await page.locator('canvas[data-picture]').click({ position: { x: 60, y: 120 } });
  await expect(page.locator('[data-tapped]')).toHaveText(/[+−]?\d+\.\d stops/);
});

test('what cannot be is told at the thing, and the page lives on', async ({ page, ferry }) => {
  await visit(page, set(ferry, 'clerk-lens'));
  await solved(page);
  await page.locator('[data-plan] [role=button][aria-label*="key"]').focus();
  await put(page, 'From the left', '-1 m');
  await expect(page.locator('[data-trouble]')).toContainText('left wall');
  await expect(page.locator('[data-figure=front]')).toHaveText('0 lx');
  await put(page, 'From the left', '2 m');
  await expect(page.locator('[data-trouble]')).toHaveCount(0);
  // The build goes: the light stays where it stands, and says so.
  await visit(page, `/p/${ferry}/build?build=clerk-pan`);
  await page.getByRole('button', { name: 'Delete Clerk pan' }).click();
  await kept(page);
  await visit(page, set(ferry, 'clerk-lens'));
  await expect(page.locator('[data-trouble]')).toContainText('was deleted');
});

test('nothing for a screen reader to stumble over, in either light; readable at 390 px', async ({
  page,
  ferry,
}) => {
  await visit(page, set(ferry, 'clerk-glass'));
  await solved(page);
  const clean = async () =>
    (await new AxeBuilder({ page }).setLegacyMode().analyze()).violations.map(
      ({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`,
    );
  expect(await clean()).toEqual([]);
  await page.getByRole('tab', { name: 'In words' }).click();
  expect(await clean()).toEqual([]);
  await page.setViewportSize({ width: 390, height: 800 });
  await expect(page.locator('[data-fader]').first()).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
});
