import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test, visit } from './bench';

const THEMES = ['bench', 'set'] as const;
const VIEWS = ['shot', 'shelf', 'build', 'glow', 'wire', 'cut', 'verdict'] as const;

async function violations(page: Page) {
  const { violations: found } = await new AxeBuilder({ page }).analyze();
  return found.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(' | ')}`,
  );
}

const inTheme = (page: Page, theme: string, baseURL: string) =>
  page.context().addCookies([{ name: 'lantern-theme', value: theme, url: baseURL }]);

for (const theme of THEMES) {
  test(`axe finds nothing in ${theme}: stations, panels, list`, async ({
    page,
    ferry,
    baseURL,
  }) => {
    test.setTimeout(300_000);
    await inTheme(page, theme, baseURL!);
    await page.goto('/');
    expect(await violations(page)).toEqual([]);
    for (const view of VIEWS) {
      await page.goto(`/p/${ferry}/${view}?build=warm-ring`, { waitUntil: 'networkidle' });
      expect(await violations(page), view).toEqual([]);
    }
    await visit(page, `/p/${ferry}/build?build=warm-ring`);
    const panels: [string, string][] = [
      ['f', 'Findings'],
      ['Control+k', 'What do you want to do?'],
      ['Shift+?', 'Keys'],
    ];
    for (const [key, title] of panels) {
      await page.keyboard.press(key);
      await expect(page.getByRole('dialog', { name: title })).toBeVisible();
      expect(await violations(page), title).toEqual([]);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toHaveCount(0);
    }
    await page.locator('[data-rung=light]').click();
    await expect(page.getByRole('dialog', { name: /the working/ })).toBeVisible();
    expect(await violations(page), 'working').toEqual([]);
    await page.keyboard.press('Escape');
    for (const sheet of ['Marks and pieces', 'Steps']) {
      await page.getByRole('tab', { name: sheet }).click();
      expect(await violations(page), sheet).toEqual([]);
    }
    await page.getByRole('button', { name: 'New light' }).click();
    await expect(page.getByRole('button', { name: 'Start a foam box' })).toBeVisible();
    expect(await violations(page), 'gallery').toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Accessories/ }).click();
    await expect(page.getByRole('dialog', { name: 'Accessories' })).toBeVisible();
    expect(await violations(page), 'accessories').toEqual([]);
    await visit(page, `/p/${ferry}/cut?build=cabin-box`);
    await expect(page.locator('[data-plan=thorough]')).toBeVisible();
    for (const sheet of ['Layouts', 'At the saw', 'Shopping', 'Files']) {
      await page.getByRole('tab', { name: sheet }).click();
      expect(await violations(page), sheet).toEqual([]);
    }
    await visit(page, `/p/${ferry}/wire?build=clerk-pan`);
    for (const sheet of ['Circuits', 'Along the tape', 'Less light', 'Power-up']) {
      await page.getByRole('tab', { name: sheet }).click();
      expect(await violations(page), sheet).toEqual([]);
    }
    await visit(page, `/p/${ferry}/shelf?build=clerk-ring`);
    await page.getByRole('tab', { name: 'Colour', exact: true }).click();
    await expect(page.locator('[data-patch]')).toHaveCount(10);
    expect(await violations(page), 'colour').toEqual([]);
    for (const sheet of ['Side by side', 'In this light']) {
      await page.getByRole('tab', { name: sheet }).click();
      expect(await violations(page), sheet).toEqual([]);
    }
    await page.getByRole('button', { name: 'Read labels' }).click();
    await page.getByLabel('Lines or a table').fill('A60 9W 806 lm 2700K E27 8,99 €');
    await expect(page.locator('[data-read-rows]')).toBeVisible();
    expect(await violations(page), 'reading').toEqual([]);
    await page.keyboard.press('Escape');
    for (const [sheet, name] of [
      ['Tape, tubes, panels', /^Coated white tape/],
      ['Materials and parts', /^Baking parchment/],
    ] as const) {
      await page.getByRole('tab', { name: sheet }).click();
      expect(await violations(page), sheet).toEqual([]);
      await page.getByRole('button', { name }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
      expect(await violations(page), `${sheet}, editor`).toEqual([]);
      await page.keyboard.press('Escape');
    }
    await page.goto(`/p/${ferry}/shelf?build=clerk-ring`, { waitUntil: 'networkidle' });
    await page.getByRole('button', { name: /Market-stall globe/ }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(await violations(page), 'bulb').toEqual([]);
  });
}

test('1280 × 800: the stations fit the screen, nothing scrolls sideways', async ({
  page,
  ferry,
}) => {
  for (const view of VIEWS) {
    await page.goto(`/p/${ferry}/${view}?build=clerk-ring`, { waitUntil: 'networkidle' });
    const overflow = await page.evaluate(() => {
      const root = document.documentElement;
      const main = document.querySelector('main')!;
      return {
        down: root.scrollHeight - innerHeight,
        across: root.scrollWidth - innerWidth,
        mainAcross: main.scrollWidth - main.clientWidth,
      };
    });
    expect(overflow, view).toEqual({ down: 0, across: 0, mainAcross: 0 });
  }
});

for (const width of [390, 768]) {
  test(`${width} px: usable, nothing scrolls sideways, a field can be changed`, async ({
    page,
    ferry,
  }) => {
    await page.setViewportSize({ width, height: 844 });
    for (const view of VIEWS) {
      await page.goto(`/p/${ferry}/${view}?build=clerk-ring`, { waitUntil: 'networkidle' });
      const across = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      expect(across, view).toBeLessThanOrEqual(0);
    }
    await visit(page, `/p/${ferry}/build?build=clerk-ring`);
    await page.getByLabel('Outer Ø', { exact: true }).fill('90 cm');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('slider', { name: 'Outer diameter' })).toHaveAttribute(
      'aria-valuetext',
      '90 cm',
    );
    await page.locator('[data-rung=cost]').click();
    await expect(page.getByRole('dialog')).toContainText('pack price');
  });
}

test('nothing is asked of any other host', async ({ page, ferry, baseURL }) => {
  const foreign: string[] = [];
  page.on('request', (request) => {
    if (!request.url().startsWith(baseURL!) && !request.url().startsWith('data:'))
      foreign.push(request.url());
  });
  for (const view of VIEWS)
    await page.goto(`/p/${ferry}/${view}?build=clerk-ring`, { waitUntil: 'networkidle' });
  expect(foreign).toEqual([]);
});

test('a production that is not there is said so', async ({ page }) => {
  await page.goto('/p/nobody/shot');
  await expect(page.getByText('It may have been deleted')).toBeVisible();
});
