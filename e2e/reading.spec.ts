import { distributionOf } from '../src/core/light/farField';
import { sourceField } from '../src/core/light/lightField';
import { writeIes } from '../src/core/formats/ies';
import { expect, figure, kept, stored, test, visit, type Page } from './bench';

const shelf = (ferry: string, build = 'clerk-ring') => `/p/${ferry}/shelf?build=${build}`;
const read = (page: Page) => page.getByRole('button', { name: 'Read labels' }).click();

test('pasted lines: what was read, what is missing, one step onto the shelf and off again', async ({
  page,
  ferry,
}) => {
  await visit(page, shelf(ferry));
  await read(page);
  await page
    .getByLabel('Lines or a table')
    .fill(
      [
        'A60 8.5W (60W eq.) 806 lm 2700K Ra>80 E27 non-dim 3-pack 8,99 €',
        'LED-Streifen 12 V, 4,8 W/m, 60 LEDs/m, 6500 K, 5 m Rolle, 12,90 €',
        'mystery lamp',
      ].join('\n'),
    );
  const rows = page.locator('[data-read-rows] tbody tr');
  await expect(rows).toHaveCount(3);
  await expect(rows.nth(0).locator('[data-field=wattsW]')).toContainText('8.5');
  await expect(rows.nth(0).locator('[data-field=globeDiameterM]')).toHaveAttribute(
    'data-sure',
    'likely',
  );
  await expect(rows.nth(1)).toContainText('CRI Ra');
  await page.getByRole('button', { name: 'Put 2 on the shelf' }).click();
  await expect(page.getByRole('row', { name: /A60 8\.5W/ })).toContainText('€8.99');
  await kept(page);
  expect((await stored(page, ferry)).document.shelf.units.at(-1)).toMatchObject({
    voltageV: 12,
    wattsPerM: 4.8,
    ledsPerM: 60,
  });
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('row', { name: /A60 8\.5W/ })).toHaveCount(0);
});

test('a table from a file in UTF-16, its columns matched; rubbish leaves the shelf alone', async ({
  page,
  ferry,
}) => {
  await visit(page, shelf(ferry));
  await read(page);
  const file = page.locator('input[type=file]');
  const wide = `${Array.from({ length: 200 }, (_, k) => (k < 2 ? ['Watts', 'Lumens'][k] : `c${k}`)).join(';')}\n${'1;'.repeat(199)}1`;
  await file.setInputFiles({ name: 'wide.csv', mimeType: 'text/csv', buffer: Buffer.from(wide) });
  await expect(page.getByRole('alert')).toContainText('200 columns');
  await file.setInputFiles({
    name: 'photo.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([0, 1, 0, 2, 9, 0, 0, 0]),
  });
  await expect(page.getByRole('alert')).toContainText('not text');
  const table =
    'Bezeichnung;Leistung;Lichtstrom;Farbtemperatur;Sockel;Preis\nGlobe groß;11 W;1.055 lm;2700 K;E27;4,49 €\n';
  await file.setInputFiles({
    name: 'liste.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`\ufeff${table}`, 'utf16le'),
  });
  await expect(page.getByRole('combobox', { name: /^Lichtstrom/ })).toHaveValue('luminousFluxLm');
  await expect(page.locator('[data-field=luminousFluxLm]')).toContainText('1055');
  await page.getByRole('button', { name: 'Put 1 on the shelf' }).click();
  await expect(page.getByRole('row', { name: /Globe groß/ })).toContainText('€4.49');
  await read(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take the shelf away as CSV' }).click();
  expect((await download).suggestedFilename()).toBe('night-ferry_shelf.csv');
});

test('a photometric file becomes a bulb’s spread, and the light follows; a spectrum its colour', async ({
  page,
  ferry,
}) => {
  await visit(page, shelf(ferry));
  await page.getByRole('button', { name: 'G45 mini globe 3 W 250 lm 4000 K' }).click();
  const before = await figure(page, 'light').textContent();
  const dialog = page.getByRole('dialog');
  const spread = dialog.locator('input[accept=".ies,.ldt"]');
  await spread.setInputFiles({
    name: 'bad.ies',
    mimeType: 'text/plain',
    buffer: Buffer.from('IESNA:LM-63-2002\n1 2 3'),
  });
  await expect(dialog.getByRole('alert')).toContainText('TILT');
  await expect(figure(page, 'light')).toHaveText(before!);
  const narrow = {
    positionM: [0, 0, 0],
    axis: [0, 0, 1],
    luminousFluxLm: 250,
    spread: { class: 'reflector', beamAngleDeg: 60 },
  } as const;
  const ies = writeIes({
    name: 'Narrow globe',
    ...distributionOf(sourceField([narrow]), [0, 0, 0], 0.05),
    how: 'worked out, not measured',
    lampLm: 250,
    wattsW: 3,
    cctK: 4000,
    criRa: 80,
    widthM: 0.04,
    heightM: 0.04,
    round: true,
    date: '2026-11-25',
    notes: ['invented'],
  });
  await spread.setInputFiles({
    name: 'globe.ies',
    mimeType: 'text/plain',
    buffer: Buffer.from(ies),
  });
  await expect(dialog.getByRole('status').last()).toContainText('lm by zonal sum');
  await expect(figure(page, 'light')).not.toHaveText(before!);
  await expect(dialog.getByLabel('Spread')).toHaveValue('measured');
  const spectrum = dialog.locator('input[accept=".csv,.txt,.spdx,.xml"]');
  await spectrum.setInputFiles({
    name: 'um.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('nm,power\n0.4,1\n0.5,1\n0.55,1\n0.6,1\n0.7,1\n'),
  });
  await expect(dialog.getByRole('alert')).toContainText('micrometres');
  const equal = Array.from({ length: 41 }, (_, k) => `${380 + 10 * k},1`).join('\n');
  await spectrum.setInputFiles({
    name: 'equal.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`nm,power\n${equal}\n`),
  });
  await expect(dialog).toContainText('Its spectrum is metered');
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Colour', exact: true }).click();
  await expect(page.locator('[data-colour=known]')).toContainText('From a metered spectrum');
  // An equal-energy spectrum: x = y = 1/3 (CIE 15).
  await expect(page.locator('[data-colour=known]')).toContainText('x 0.3333, y 0.3333');
});

test('side by side, in this light, and the light of the room', async ({ page, ferry }) => {
  await visit(page, shelf(ferry));
  await page.getByRole('tab', { name: 'Side by side' }).click();
  await expect(page.locator('[data-ranked]').first()).toContainText('nothing');
  await page.getByRole('tab', { name: 'In this light' }).click();
  await expect(page.locator('[data-fitting=known]')).toBeVisible();
  await expect(page.locator('[data-fitted]').first()).toContainText('R63 reflector');
  const before = await figure(page, 'light').textContent();
  await page.locator('[data-fitted]').first().getByRole('button', { name: 'Put it in' }).click();
  await expect(figure(page, 'light')).not.toHaveText(before!);
  await page.getByRole('tab', { name: 'Colour', exact: true }).click();
  await expect(page.locator('[data-patch]')).toHaveCount(10);
  await expect(page.locator('[data-advice=hall-tubes]')).toBeVisible();
  await page.getByRole('button', { name: 'Add a light of the room' }).click();
  const lamp = page.getByRole('group', { name: 'Lamp in the room' });
  await lamp.getByLabel('At the subject').fill('300 lx');
  await lamp.getByLabel('At the subject').press('Enter');
  await expect(page.locator('[data-advice]').filter({ hasText: 'Lamp in the room' })).toContainText(
    /switch it off/i,
  );
  await kept(page);
  const { document } = await stored(page, ferry);
  expect(document.shots.find(({ id }) => id === 'clerk')!.roomLights.at(-1)!.illuminanceLx).toBe(
    300,
  );
});
