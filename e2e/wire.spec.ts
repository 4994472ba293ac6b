import { LOOK_OVER } from '../src/core/power/wire';
import { nightFerry } from '../src/demo/nightFerry';
import { command, expect, kept, put, stored, test, visit, type Page } from './bench';

const gate = (page: Page) => page.locator('[data-gate]');
const shut = (page: Page) => expect(gate(page)).toHaveAttribute('data-gate', 'shut');
/** No stop, nothing unknown: it may be looked over. */
const ready = (page: Page) => expect(gate(page)).toHaveAttribute('data-gate', 'look over');
const open = (page: Page) => expect(gate(page)).toHaveAttribute('data-gate', 'open');
const sheet = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();
/** Opens a drawer of the tray. */
async function drawer(page: Page, name: string) {
  const tray = page.getByRole('button', { name, exact: true }).last();
  await tray.click();
}

test('thin cord: refused, a thicker one opens the gate', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/wire?build=warm-ring`);
  await shut(page);
  const cord = page.locator('[data-finding="power.cord"]');
  await expect(cord).toContainText('can set fire');
  await cord
    .getByRole('button', { name: /^Use “/ })
    .last()
    .click();
  await ready(page);
  await expect(cord).toContainText('Fine');
  await page.keyboard.press('Control+z');
  await shut(page);
});

test('film on halogen: refused until it stands clear', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/wire?build=counter-lamp`);
  await ready(page);
  await drawer(page, 'Lamp');
  await page
    .getByLabel('Bulb', { exact: true })
    .selectOption({ label: 'A55 halogen 42 W 630 lm 2800 K' });
  await shut(page);
  await expect(page.locator('[data-finding="heat.clearance.layer"]')).toContainText('can scorch');
  await page
    .getByLabel('Bulb', { exact: true })
    .selectOption({ label: 'A60 globe 9 W 806 lm 4000 K' });
  await ready(page);
});

test('wrong dimmer, with the keyboard only, through to the sign-off', async ({ page, ferry }) => {
  const press = (key: string) => page.keyboard.press(key);
  const tabTo = async (
    role: 'button' | 'combobox' | 'checkbox' | 'textbox' | 'tab',
    name: string | RegExp,
  ) => {
    const target = page.getByRole(role, { name, exact: typeof name === 'string' }).first();
    for (let k = 0; k < 160; k++) {
      if (await target.evaluate((node) => node === document.activeElement)) return;
      await press('Tab');
    }
    throw new Error(`Tab never reaches ${name}`);
  };
  await visit(page, `/p/${ferry}/build?build=clerk-ring`);
  await command(page, 'go to wire');
  await ready(page);
  await tabTo('button', 'Cord');
  await press('Enter');
  await tabTo('combobox', 'Dimmer');
  await page.keyboard.type('Leading');
  await shut(page);
  await expect(page.locator('[data-finding="dimmer.kind.0"]')).toContainText('must not be dimmed');
  await press('Home');
  await ready(page);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await tabTo('tab', 'Cord and plug');
  await press('End');
  await expect(page.getByRole('tab', { name: 'Power-up' })).toHaveAttribute(
    'aria-selected',
    'true',
  );
  await tabTo('checkbox', /^Unplugged/);
  for (let k = 0; k < LOOK_OVER.length; k++) {
    await press('Space');
    await press('Tab');
  }
  await tabTo('textbox', 'Name of who looked');
  await page.keyboard.type('M. Okonkwo');
  await press('Tab');
  await press('Enter');
  await expect(page.locator('[data-sign-off=holds]')).toContainText('M. Okonkwo');
  await open(page);
  await kept(page);
  const keptNow = (await stored(page, ferry)).document;
  expect(keptNow.builds.find(({ id }) => id === 'clerk-ring')!.signOffs).toHaveLength(1);
  // Another design wants another look.
  await press('Escape');
  await drawer(page, 'Board');
  await put(page, 'Outer Ø', '95 cm');
  await expect(page.locator('[data-sign-off=stale]')).toContainText('Outer Ø: ');
  await ready(page);
});

test('starved tape: metered, refused, fed at more places', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/wire?build=clerk-pan`);
  await sheet(page, 'Along the tape');
  await expect(page.locator('[data-strip]')).toHaveCount(1);
  await put(page, 'Metered at the far end', '30 V');
  await expect(page.getByText('30 V is too much')).toBeVisible();
  await put(page, 'Metered at the far end', '20.4 V');
  await shut(page);
  const starved = page.locator('[data-finding="tape.brightness"]');
  await expect(starved).toContainText('The tape is starved');
  await starved.getByRole('button', { name: /even places|in the middle/ }).click();
  await ready(page);
  await expect(starved).toContainText('Even along the tape');
  expect(await page.locator('[data-feed]').count()).toBeGreaterThan(1);
});

test('circuits: a light is dragged to another breaker, sent back by its list', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/wire?build=clerk-ring`);
  await sheet(page, 'Circuits');
  const hallA = page.locator('[data-circuit=hall-a]');
  const before = await hallA.locator('[data-load]').textContent();
  const chip = page.locator('[data-chip=lens-ring]');
  const from = (await chip.getByRole('button').boundingBox())!;
  const to = (await hallA.boundingBox())!;
  await page.mouse.move(from.x + 6, from.y + 6);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(hallA.locator('[data-chip=lens-ring]')).toBeVisible();
  await expect(hallA.locator('[data-load]')).not.toHaveText(before!);
  await chip.getByLabel('Circuit of Lens ring').selectOption({ label: 'Hall ring B' });
  await expect(hallA.locator('[data-load]')).toHaveText(before!);
});

test('less light, findings of every light, the safety page', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/wire?build=clerk-ring`);
  await sheet(page, 'Less light');
  await expect(page.locator('[data-own=true]')).toContainText('not dimmable');
  await expect(page.getByRole('cell', { name: /^switch off \d+ of 16/ })).toBeVisible();
  await page.keyboard.press('f');
  await page.getByRole('tab', { name: 'Every light' }).click();
  const dialog = page.getByRole('dialog');
  for (const { name } of nightFerry().builds)
    await expect(dialog.getByRole('button', { name, exact: true })).toBeVisible();
  await dialog.getByRole('button', { name: 'Warm top ring' }).click();
  await expect(page).toHaveURL(/wire\?build=warm-ring/);
  await shut(page);
  const pack = await page.request.get(`/api/productions/${ferry}/builds/warm-ring/build-pack.pdf`);
  expect(pack.headers()['content-type']).toContain('pdf');
});
