import { expect, figure, kept, put, test, visit } from './bench';

const open = (ferry: string) => `/p/${ferry}/shelf?build=clerk-ring`;

test('rank by efficacy, money per kilolumen, colour distance and CRI', async ({ page, ferry }) => {
  await visit(page, open(ferry));
  const first = page.locator('tbody tr').first();
  const rank = (name: string) =>
    page.getByRole('columnheader', { name }).getByRole('button').click();
  await rank('lm/W');
  await expect(first).toContainText('G95 large globe');
  await rank('per klm');
  await expect(first).toContainText('€11.29');
  await rank('per klm');
  await expect(first).toContainText('€2.00');
  await rank('CRI');
  await expect(first).toContainText('99');
});

test('a label that cannot be is told at its field; silence is told too', async ({
  page,
  ferry,
}) => {
  await visit(page, open(ferry));
  await page.getByRole('button', { name: 'A60 globe 9 W 806 lm 4000 K' }).click();
  await put(page, 'Lumens', '9000');
  await expect(page.getByRole('dialog')).toContainText('1000 lm/W');
  await expect(page.getByLabel('Lumens', { exact: true })).toHaveAttribute('aria-invalid', 'true');
  await put(page, 'Lumens', '');
  await expect(page.getByRole('dialog')).toContainText('No lumens on the label');
  await put(page, 'Watts', '-3');
  await expect(page.getByRole('alert')).toContainText('too little');
  await page.getByLabel('Watts', { exact: true }).press('Escape');
  await put(page, 'Price of a pack', '8.999');
  await expect(page.getByRole('alert')).toBeVisible();
});

test('duplicate, delete, undo: a build that lost its bulb gets it back', async ({
  page,
  ferry,
}) => {
  await visit(page, open(ferry));
  await page.getByRole('button', { name: 'G45 mini globe 3 W 250 lm 4000 K' }).click();
  await page.getByRole('button', { name: 'Duplicate' }).click();
  await expect(
    page.getByRole('heading', { name: 'G45 mini globe 3 W 250 lm 4000 K 2' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'G45 mini globe 3 W 250 lm 4000 K', exact: true }).click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(figure(page, 'light')).toHaveText('–');
  await page.keyboard.press('Control+z');
  await expect(figure(page, 'light')).toHaveText('392');
  await kept(page);
});

test('parts: what is on hand lowers what must be spent', async ({ page, ferry }) => {
  await visit(page, open(ferry));
  await expect(figure(page, 'cost')).toHaveText('€79.80');
  await page.getByRole('tab', { name: 'Materials and parts' }).click();
  const board = page.getByRole('row', { name: /MDF 6 mm/ });
  await board.getByLabel('On hand, piece').fill('1');
  await board.getByLabel('On hand, piece').press('Enter');
  await expect(figure(page, 'cost')).toHaveText('€63.30');
});

test('circuits: a smaller breaker turns the load into a stop', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/build?build=warm-ring`);
  await page.getByRole('button', { name: 'Night Ferry' }).click();
  await page
    .getByRole('listitem')
    .filter({ hasText: '100 V' })
    .last()
    .getByLabel('Breaker')
    .fill('15 A');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Findings/ }).click();
  await expect(page.locator('[data-finding="power.circuit"]')).toContainText('Stop');
});

test('fixtures: a data sheet typed in is judged against', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/verdict?build=clerk-ring`);
  await page.getByRole('button', { name: 'Add a fixture' }).click();
  await put(page, 'Plain description, no brand needed', 'Borrowed panel');
  await put(page, 'Light it gives', '200 lx');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.locator('[data-sentence]')).toContainText('over the borrowed panel');
});
