import { expect, STATIONS, test, visit } from './bench';

test('1280 × 800: the stations fit the screen, nothing scrolls sideways', async ({
  page,
  ferry,
}) => {
  for (const view of STATIONS) {
    await visit(page, `/p/${ferry}/${view}?build=clerk-ring`);
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
    for (const view of STATIONS) {
      await visit(page, `/p/${ferry}/${view}?build=clerk-ring`);
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
  for (const view of STATIONS) await visit(page, `/p/${ferry}/${view}?build=clerk-ring`);
  expect(foreign).toEqual([]);
});

test('a production that is not there is said so', async ({ page }) => {
  await page.goto('/p/nobody/shot');
  await expect(page.getByText('It may have been deleted')).toBeVisible();
});
