import AxeBuilder from '@axe-core/playwright';
import { writeIes } from '../src/core/formats/ies';
import { expect, kept, stored, test, visit } from './bench';

const verdict = (ferry: string) => `/p/${ferry}/verdict?build=clerk-ring`;

test('four beside each other: differences, equals, faces, a CSV', async ({ page, ferry }) => {
  await visit(page, verdict(ferry));
  await page.getByRole('tab', { name: 'Side by side' }).click();
  for (const light of ['fixture monolight-200-dome', 'fixture panel-bicolour-30x30'])
    await page.getByLabel('One more light').selectOption(light);
  await page.locator('[data-side=done]').waitFor();
  const rows = page.locator('table').first();
  await expect(rows.getByRole('row', { name: /^Light / })).toContainText('stops against the first');
  await expect(rows.getByRole('row', { name: /^Softness/ })).toContainText('several thin shadows');
  await expect(rows.getByRole('row', { name: /^Where it comes from/ })).toContainText('data sheet');
  await expect(rows.getByRole('row', { name: /^What it gives up/ })).toContainText('battery');
  await expect(page.getByLabel('One more light')).toHaveCount(0);
  await expect(page.locator('[data-face=drawn]')).toHaveCount(4, { timeout: 60_000 });
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  expect((await saved).suggestedFilename()).toMatch(/\.csv$/);
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations).toEqual([]);
  await page.getByLabel('Light 4').selectOption('');
  await expect(page.getByLabel('One more light')).toBeVisible();
});

test('build, buy, hire or borrow: days and hours move the break-even', async ({ page, ferry }) => {
  await visit(page, verdict(ferry));
  await page.getByRole('tab', { name: 'Build, buy, hire, borrow' }).click();
  const said = page.locator('[data-break-even]');
  // 79.80 € against 18 € a day: level after 4.4 days.
  await expect(said).toContainText('no more than hiring from day 5 on');
  const rate = page.getByRole('textbox', { name: 'An hour of yours is worth' });
  await rate.fill('1000');
  await rate.press('Enter');
  await expect(said).not.toContainText('from day 5 on');
  await expect(page.locator('[data-way="borrow it"]')).toContainText('€0.00');
  await kept(page);
});

test('a claim of watts is said to be one, and lux are brought to one distance', async ({
  page,
  ferry,
}) => {
  await visit(page, verdict(ferry));
  await page.getByRole('tab', { name: 'Claims' }).click();
  const put = async (label: string, which: number, text: string) => {
    const field = page.getByRole('textbox', { name: label, exact: true }).nth(which);
    await field.fill(text);
    await field.press('Enter');
  };
  await put('More powerful by, %', 0, '18');
  await put('Watts', 0, '236 W');
  await put('Watts', 1, '200 W');
  const found = page.locator('[data-claim=checked]');
  await expect(found).toContainText('what goes in, not what comes out');
  await put('Lux', 0, '1180');
  await put('Lux', 1, '1000');
  await put('at this distance', 0, '1 m');
  await put('at this distance', 1, '3 m');
  await expect(page.locator('[data-measure=lux]')).toContainText('× 0.131');
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations).toEqual([]);
});

test('every fixture for the shot, and one of them out of a photometric file', async ({
  page,
  ferry,
}) => {
  await visit(page, verdict(ferry));
  await page.getByRole('tab', { name: 'Fixtures for the shot' }).click();
  const ring = page.locator('[data-fixture=ring-18in]');
  await expect(ring).toContainText('instead of 35°');
  await ring.getByRole('button', { name: /Compare/ }).click();
  await expect(page.locator('[data-sentence]')).toContainText('shop ring light');
  await page.getByRole('button', { name: 'Its data sheet' }).click();
  const text = writeIes({
    name: 'Test lamp',
    how: 'made for a test',
    lampLm: 1000,
    wattsW: 80,
    cctK: 5000,
    criRa: 95,
    widthM: 0.5,
    heightM: 0.5,
    round: false,
    notes: [],
    date: '2026-11-28',
    planesDeg: [0],
    anglesDeg: [0, 45, 90],
    cd: [[1000, 700, 0]],
  });
  await page.getByLabel('Or its figures from an LM-63 or EULUMDAT file').setInputFiles({
    name: 'lamp.ies',
    mimeType: 'text/plain',
    buffer: Buffer.from(text),
  });
  await expect(page.locator('[data-file=read]')).toContainText('cd on the axis');
  await kept(page);
  const fixture = (await stored(page, ferry)).document.fixtures.find(
    ({ id }) => id === 'ring-18in',
  )!;
  expect(fixture).toMatchObject({ atDistanceM: 1, frontWidthM: 0.5, wattsW: 80, origin: 'yours' });
  // E = I / (d² + R²), R² = 0.25 / π.
  expect(fixture.illuminanceLx).toBeCloseTo(1000 / (1 + 0.25 / Math.PI), -1);
  await page.getByLabel('Or its figures from an LM-63 or EULUMDAT file').setInputFiles({
    name: 'rubbish.ies',
    mimeType: 'text/plain',
    buffer: Buffer.from('no light at all'),
  });
  await expect(page.locator('[data-file=refused]')).toBeVisible();
});
