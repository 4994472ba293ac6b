import { command, expect, figure, kept, put, test, visit, visitList } from './bench';

/** The whole way, from nothing to a verdict, as a maker with a mouse would go it. */
test('shot → shelf → build → verdict with the mouse', async ({ page }) => {
  await visitList(page);
  await page.getByRole('button', { name: 'New production' }).click();
  await page.getByLabel('What is it called?').fill('Harbour Test');
  await page.getByRole('button', { name: 'Make it' }).click();

  await page.getByRole('button', { name: 'Describe a shot' }).click();
  await page.getByRole('button', { name: 'Make the shot' }).click();
  await expect(page.getByRole('alert')).toContainText('Give the shot a name');
  await page.getByLabel('What do you call it?').fill('Ticket clerk');
  await page.getByLabel('How far is the light from it?').fill('1,2 m');
  await page.getByRole('button', { name: 'Make the shot' }).click();
  // ISO 2720: 250 · 2.8² / (1/50 · 800) = 122.5 lx.
  await expect(page.locator('[data-target]')).toContainText('122');
  await put(page, 'ISO', '1600');
  await expect(page.locator('[data-target]')).toContainText('61.2');
  await put(page, 'ISO', '800');

  await page.getByRole('button', { name: /^Shelf/ }).click();
  await page.getByRole('button', { name: 'Add a bulb' }).click();
  await put(page, 'Name', 'Corner-shop globe');
  await put(page, 'Lumens', '806');
  await put(page, 'Colour temperature', '4000');
  await put(page, 'CRI Ra', '92');
  await put(page, 'Price of a pack', '2,50 €');
  await page.getByRole('button', { name: 'Close' }).click();

  await page.getByRole('button', { name: /^Build/ }).click();
  await page.getByRole('button', { name: 'Start a bulb ring' }).click();
  // A light begins with parts from the shelf; every one of them can be changed.
  await expect(figure(page, 'light')).not.toHaveText('–');
  await page.getByRole('button', { name: 'Bulbs', exact: true }).click();
  await page.getByLabel('Bulb', { exact: true }).selectOption({ label: 'Corner-shop globe' });
  await expect(figure(page, 'light')).not.toHaveText('–');
  await page.getByRole('button', { name: 'Sockets', exact: true }).click();
  await page
    .getByLabel('Socket', { exact: true })
    .selectOption({ label: 'Batten holder E27, plastic, 60 W' });
  await page.getByRole('button', { name: 'Board', exact: true }).click();
  await page
    .getByLabel('Sheet', { exact: true })
    .selectOption({ label: 'MDF 6 mm, 1.22 × 1.22 m' });
  await page.getByRole('button', { name: 'Cord', exact: true }).click();
  await page.getByLabel('Cord', { exact: true }).selectOption({ label: 'Two-core cord 0.75 mm²' });
  await page.getByLabel('Plug', { exact: true }).selectOption({ label: 'Plug, 16 A' });
  await expect(figure(page, 'power')).toHaveText('144');

  await page.getByRole('tab', { name: 'Steps' }).click();
  await expect(page.getByText('Mains can kill')).toBeVisible();
  await page.getByRole('tab', { name: 'Marks and pieces' }).click();
  await expect(page.getByRole('row', { name: /Pivot from the edge/ })).toContainText('520 mm');

  await page.getByRole('button', { name: /^Cut & buy/ }).click();
  await page.getByRole('tab', { name: 'Shopping' }).click();
  await expect(page.getByRole('row', { name: /Corner-shop globe/ })).toContainText('€40.00');

  await page.getByRole('button', { name: /^Verdict/ }).click();
  await expect(page.locator('[data-sentence]')).toContainText('At 1.20 m your bulb ring is');
  await page.getByLabel('Compared with').selectOption({ label: 'Shop ring light 45 cm, 55 W' });
  await expect(page.locator('[data-sentence]')).toContainText('shop ring light 45 cm');
  await kept(page);
});

/** The same way without touching a mouse: Tab, letters, arrows, Enter. */
test('shot → shelf → build → verdict with the keyboard only', async ({ page, ferry }) => {
  const press = (key: string) => page.keyboard.press(key);
  const tabTo = async (name: RegExp, role: 'button' | 'textbox' | 'combobox' | 'slider') => {
    const target = page.getByRole(role, { name }).first();
    for (let k = 0; k < 120; k++) {
      if (await target.evaluate((node) => node === document.activeElement)) return;
      await press('Tab');
    }
    throw new Error(`Tab never reaches ${name}`);
  };
  await visitList(page);
  await page.keyboard.press('Tab');
  await visit(page, `/p/${ferry}/shot?build=clerk-ring`);
  await expect(figure(page, 'light')).toHaveText('392');

  await tabTo(/Light to subject/, 'textbox');
  await press('Control+a');
  await page.keyboard.type('60 cm');
  await press('Enter');
  await expect(figure(page, 'light')).not.toHaveText('392');
  await press('Tab');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());

  await press('2');
  await tabTo(/^lm\/W/, 'button');
  await press('Enter');
  await expect(page.getByRole('columnheader', { name: 'lm/W' })).toHaveAttribute('aria-sort', /./);

  await press('3');
  await tabTo(/Outer diameter/, 'slider');
  await press('Shift+ArrowDown');
  await expect(page.getByRole('slider', { name: 'Outer diameter' })).toHaveAttribute(
    'aria-valuetext',
    '90 cm',
  );
  await expect(page.getByLabel('Outer Ø', { exact: true })).toHaveValue('90 cm');

  await command(page, 'go to verd');
  await expect(page.locator('[data-sentence]')).toContainText('At 60.0 cm');
  await tabTo(/Light at subject/, 'button');
  await press('Enter');
  await expect(page.getByRole('dialog')).toContainText('Photometric law of distance');
  await expect(page.getByRole('dialog')).toContainText('a tenth more');
  await press('Escape');
  await press('Control+z');
  await press('3');
  await expect(page.getByLabel('Outer Ø', { exact: true })).toHaveValue('1 m');
  await press('Shift+?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
});
