import { command, expect, figure, kept, put, rung, stored, test, visit } from './bench';

const open = (ferry: string) => `/p/${ferry}/shot?build=clerk-ring`;
const target = '[data-target]';

test('the target follows f-number, ISO, shutter, frame rate and wanted offset', async ({
  page,
  ferry,
}) => {
  await visit(page, open(ferry));
  await expect(page.locator(target)).toContainText('122');
  await put(page, 'f-number', 'f/4');
  await expect(page.locator(target)).toContainText('250');
  await put(page, 'Shutter angle, °', '90');
  await expect(page.locator(target)).toContainText('500');
  await put(page, 'Frames per second', '50');
  await expect(page.locator(target)).toContainText('1000');
  await put(page, 'Brighter or darker', '-1');
  await expect(page.locator(target)).toContainText('500');
  await expect(rung(page, 'light')).toContainText('target 500 lx');
  await kept(page);
});

test('clean shutters are named for every mains of the production', async ({ page, ferry }) => {
  await visit(page, open(ferry));
  const asked = page.getByRole('region', { name: 'What this asks for' });
  await expect(asked).toContainText('On 50 Hz mains: this shutter is clean');
  await expect(asked).toContainText('On 60 Hz mains: clean at 150.0°');
  await put(page, 'Frames per second', '24');
  // 24 fps beside 50 Hz: 172.8°; beside 60 Hz: 144° or 216° (common practice).
  await expect(asked).toContainText('172.8°');
  await expect(rung(page, 'flicker')).toContainText('clean at 172.8°');
});

test('arrows step a field, Shift ten times as far, Escape restores', async ({ page, ferry }) => {
  await visit(page, open(ferry));
  const iso = page.getByRole('textbox', { name: 'ISO', exact: true });
  await iso.focus();
  await iso.press('ArrowUp');
  await expect(iso).toHaveValue('900');
  await iso.press('Shift+ArrowUp');
  await expect(iso).toHaveValue('1900');
  await iso.press('ArrowDown');
  await expect(iso).toHaveValue('1800');
  await iso.fill('many');
  await iso.press('Escape');
  await expect(iso).toHaveValue('1800');
});

test('a shot can be renamed, deleted with its builds, and brought back', async ({
  page,
  ferry,
}) => {
  await visit(page, open(ferry));
  await put(page, 'Shot', 'Clerk, closer');
  await expect(page.getByRole('list', { name: 'Shots' })).toContainText('Clerk, closer');
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await page.getByRole('button', { name: 'Delete all of it' }).click();
  await expect(page.getByRole('list', { name: 'Shots' })).not.toContainText('Clerk, closer');
  await expect(page.getByLabel('Build', { exact: true })).not.toContainText('Clerk ring');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('list', { name: 'Shots' })).toContainText('Clerk, closer');
  await kept(page);
  const { document } = await stored(page, ferry);
  expect(document.builds.map(({ id }) => id)).toContain('clerk-ring');
});

test('a shot without a light offers to start one, and teaches by an example', async ({
  page,
  ferry,
}) => {
  await visit(page, open(ferry));
  await page.getByRole('button', { name: 'New shot' }).click();
  await page.getByLabel('What do you call it?').fill('Empty pier');
  await page.getByRole('button', { name: 'Make the shot' }).click();
  await expect(page.getByRole('textbox', { name: 'Shot', exact: true })).toHaveValue('Empty pier');
  await page
    .getByRole('navigation')
    .getByRole('button', { name: /^Build/ })
    .click();
  await expect(page.getByText('No light yet for “Empty pier”')).toBeVisible();
  await page.getByRole('button', { name: 'within the budget' }).click();
  await page.getByRole('button', { name: 'Start a bulb ring' }).click();
  await expect(page.getByLabel('Build', { exact: true })).toContainText('Empty pier bulb ring');
  await expect(figure(page, 'light')).not.toHaveText('–');
});

test('budget: over it is said in money', async ({ page, ferry }) => {
  await visit(page, open(ferry));
  await put(page, 'Budget for this light', '50');
  await expect(rung(page, 'cost')).toContainText('€29.80 over the budget');
  await put(page, 'Budget for this light', '');
  await expect(rung(page, 'cost')).toContainText('no budget set');
});

test('theme and units from the command box; print leaves the frame out', async ({
  page,
  ferry,
}) => {
  await visit(page, open(ferry));
  await command(page, 'change to Set');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'set');
  await command(page, 'change to imperial');
  await expect(figure(page, 'light')).toHaveText('36.4');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeHidden();
  await expect(page.getByRole('textbox', { name: 'Shot', exact: true })).toBeVisible();
});
