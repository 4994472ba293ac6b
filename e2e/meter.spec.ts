import { readFileSync } from 'node:fs';
import { expect, kept, put, reload, stored, test, visit, type Page } from './bench';
import { begin } from './metering';

const swept = (page: Page) => page.locator('[data-swept=yes]');
const next = (page: Page, words: string) => page.locator(`[data-next="${words}"]`);

/** Types what the meter shows where it is asked for. */
async function read(page: Page, place: string, lux: string) {
  await next(page, place).getByRole('textbox').fill(lux);
  await page.keyboard.press('Enter');
  await expect(next(page, place)).toHaveCount(0);
}

test('a bulb is swept by hand, an odd reading struck out, and the shelf takes what it gives', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'sweep', 'A60 globe 9 W 806 lm 4000 K');
  await page.getByRole('button', { name: 'How it is metered' }).click();
  await page.getByLabel('Every').selectOption('30');
  await put(page, 'Lamp to meter', '2 m');
  await put(page, 'Lamp on for, min', '30');
  await read(page, 'the room, lamp off', '2');
  // 100 cd everywhere at 2 m is 25 lx; with the room's own 2 lx the meter shows 27.
  const left = [180, 150, 120, 90, 60, 30].map((angle) => `${angle}° left`);
  const right = [30, 60, 90, 120, 150].map((angle) => `${angle}° right`);
  const places = [...left, '0°', ...right];
  await read(page, places[0]!, '27 lx');
  await read(page, places[1]!, '2.508 fc');
  for (const place of places.slice(2)) await read(page, place, place === '0°' ? '90' : '27');
  const lopsided = Number(await swept(page).locator('[data-lumens]').getAttribute('data-lumens'));
  await page.locator('[data-readings="13"] summary').click();
  await page.getByLabel('Strike out 0°').selectOption('misread');
  await read(page, '0°', '27');
  // A sphere of 100 cd: 4π · 100 lm [std: photometry].
  await expect(swept(page).locator('[data-lumens]')).toHaveAttribute('data-lumens', '1257');
  expect(lopsided).toBeGreaterThan(1270);
  await expect(page.locator('[data-readings="14"]')).toContainText('misread');
  await page.getByRole('button', { name: /^Keep as what/ }).click();
  await kept(page);
  const { shelf } = (await stored(page, ferry)).document;
  const unit = shelf.units.find(({ id }) => id === 'globe-a60-9-4000')!;
  expect(unit).toMatchObject({
    luminousFluxLm: 1257,
    origins: { luminousFluxLm: 'metered' },
    spread: { class: 'measured' },
  });
  await reload(page);
  await expect(swept(page).locator('[data-lumens]')).toHaveAttribute('data-lumens', '1257');
});

test('half of a lamp that shines all round is not taken for the whole; a hot one is warned of', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'sweep', 'A60 globe 9 W 806 lm 4000 K');
  await expect(page.locator('[data-cautions=led]')).toContainText('unplug it');
  await page.getByText('Paste readings').click();
  await page.getByLabel(/^A line an angle/).fill('room,0\n-90,100\n-45,100\n0,100\n45,100\n90,100');
  await page.getByRole('button', { name: 'Keep these' }).click();
  await expect(page.locator('[data-learnt="not yet"]')).toContainText('all the way round');
  await expect(page.getByRole('button', { name: /^Keep as what/ })).toHaveCount(0);
  await begin(page, 'sweep', 'A55 halogen 42 W 630 lm 2800 K');
  await expect(page.locator('[data-cautions=filament]')).toContainText('burns paper');
});

test('what is no reading is told at the field, and nothing is kept', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'sweep', 'A60 globe 9 W 806 lm 4000 K');
  const field = next(page, 'the room, lamp off').getByRole('textbox');
  for (const words of ['bright', '12 V', '-3', '99999999999']) {
    await field.fill(words);
    await page.keyboard.press('Enter');
    await expect(page.locator('form [role=alert]')).toBeVisible();
    await expect(field).toHaveValue(words);
  }
  await expect(page.locator('[data-readings]')).toHaveCount(0);
});

test('a log is pasted whole, or not at all with the lines that are none', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'sweep', 'A60 globe 9 W 806 lm 4000 K');
  await page.getByText('Paste readings').click();
  const box = page.getByLabel(/^A line an angle/);
  await box.fill('angle,lux\nroom,1\n-90,51\nleft,51\n0,101');
  await page.getByRole('button', { name: 'Keep these' }).click();
  await expect(page.locator('details [role=alert]')).toContainText('Line 4: “left” is no angle');
  await expect(page.locator('[data-readings]')).toHaveCount(0);
  await box.fill('angle,lux\nroom,1\n-90,1\n-45,101\n0,101\n45,101\n90,1');
  await page.getByRole('button', { name: 'Keep these' }).click();
  await expect(page.locator('[data-readings="6"]')).toBeVisible();
  await expect(swept(page)).toBeVisible();
  await expect(box).toHaveValue('');
});

test('the simulated meter goes all the way round; its readings are marked and teach nothing', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'sweep', 'A60 globe 9 W 806 lm 4000 K');
  await page.getByRole('button', { name: 'All of it' }).click();
  await expect(swept(page)).toContainText('Simulated readings');
  await expect(swept(page)).toContainText('teach the shelf nothing');
  await expect(page.locator('[data-readings="37"]')).toContainText('simulated');
  await expect(page.getByRole('button', { name: /^Keep as what/ })).toHaveCount(0);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'IES' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  expect(text).toMatch(/^IESNA:LM-63-2002/);
  expect(text).toContain('[TESTLAB] none: readings of a simulated meter');
  const sheet = page.waitForEvent('download');
  await page.getByRole('link', { name: /^The compass/ }).click();
  expect(
    readFileSync(await (await sheet).path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('a layer is read in turns with nothing but keys', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'layer', 'Baking parchment, 38 cm wide');
  const type = async (place: string, lux: string) => {
    await next(page, place).getByRole('textbox').focus();
    await page.keyboard.type(lux);
    await page.keyboard.press('Enter');
  };
  await type('the room, lamp off', '0');
  await type('without the layer', '400');
  await type('with the layer', '208');
  await expect(page.locator('[data-layer="not yet"]')).toContainText('in turns');
  // The lamp falls by 2 % a reading: τ is 0.53 all the same.
  await type('without the layer', '384.16');
  await type('with the layer', '199.528');
  await expect(page.locator('[data-tau]')).toHaveAttribute('data-tau', '0.530');
  await page.getByRole('button', { name: /^Keep as what/ }).press('Enter');
  await kept(page);
  const { shelf } = (await stored(page, ferry)).document;
  const part = shelf.parts.find(({ name }) => name === 'Baking parchment, 38 cm wide')!;
  expect(part).toMatchObject({ transmittance: 0.53, origins: { transmittance: 'metered' } });
});
