import { readFileSync } from 'node:fs';
import { FORMS } from '../src/core/forms';
import { nightFerry } from '../src/demo/nightFerry';
import { command, expect, kept, put, reload, rung, stored, test, visit } from './bench';

const file = (ferry: string, build: string, name: string) =>
  `/api/productions/${ferry}/builds/${build}/${name}`;

test('layouts, saw list and money of a box, with what was chosen elsewhere', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/cut?build=cabin-box`);
  await expect(page.locator('[data-plan=thorough]')).toBeVisible();
  await expect(page.locator('[data-plan-kind=sheet]').first()).toContainText('White foam core');
  await expect(page.locator('[data-view=sheet-0]').first()).toBeVisible();
  await page.getByRole('tab', { name: 'At the saw' }).click();
  await expect(page.getByRole('row', { name: /Top and bottom/ }).first()).toContainText('403.1 mm');
  await page.getByRole('tab', { name: 'Shopping' }).click();
  await expect(page.getByRole('row', { name: /A60 globe 9 W 806 lm 2700 K/ })).toBeVisible();
  await expect(rung(page, 'cost')).toContainText('€');
});

test('nothing chosen is said, chosen it is laid out', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/build?build=lens-ring`);
  await page.getByLabel('Sheet', { exact: true }).selectOption({ label: 'not chosen' });
  await page.keyboard.press('6');
  await expect(page.getByText('Not laid out yet')).toContainText('Ring board');
  await page.keyboard.press('3');
  await page
    .getByLabel('Sheet', { exact: true })
    .selectOption({ label: 'MDF 6 mm, 1.22 × 1.22 m' });
  await page.keyboard.press('6');
  await expect(page.locator('[data-plan-kind=sheet]')).toContainText('MDF 6 mm');
  await expect(page.getByText(/one new sheet gives \d+ lights/)).toBeVisible();
});

test('stock on hand is used first and not bought; off-cuts are typed in', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/shelf?build=clerk-ring`);
  await page.getByRole('tab', { name: 'Materials and parts' }).click();
  await page.getByRole('button', { name: 'MDF 6 mm, 1.22 × 1.22 m' }).click();
  await page.getByRole('button', { name: 'Add an off-cut' }).click();
  await put(page, 'Off-cut 1, width', '1.1 m');
  await put(page, 'Off-cut 1, height', '1.1 m');
  await page.getByRole('button', { name: 'Close' }).click();
  await kept(page);
  await page.keyboard.press('6');
  await expect(page.locator('[data-plan-kind=sheet]')).toContainText('on 1 sheet');
  await page.getByRole('tab', { name: 'Shopping' }).click();
  await expect(page.getByRole('row', { name: /MDF 6 mm/ })).toContainText('0 of 1');
});

test('too big for the stock is a stop, on the rail, in the findings and on the layout', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/build?build=stamp-panel`);
  await put(page, 'Width', '1.4 m');
  await expect(page.getByRole('button', { name: /^Findings/ })).toContainText('Stop');
  await page.getByRole('button', { name: /^Findings/ }).click();
  await expect(page.getByRole('dialog')).toContainText('It does not fit the stock');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Cut & buy/ }).click();
  await expect(page.getByRole('alert').first()).toContainText('Too big for any sheet');
});

test('the SVG of the pieces measures true in the browser', async ({ page, ferry }) => {
  const answer = await page.request.get(file(ferry, 'clerk-ring', 'pieces.svg'));
  const svg = await answer.text();
  await page.goto('about:blank');
  await page.setContent(`<body style="margin:0">${svg.replace(/<\?xml.*?\?>/, '')}</body>`);
  const measured = await page.evaluate(() => {
    const root = document.querySelector('svg')!;
    const [outer, inner] = [...document.querySelectorAll<SVGCircleElement>('#cut circle')];
    return {
      // CSS millimetres: 96 px are 25.4 mm.
      paperMm: (root.getBoundingClientRect().width / 96) * 25.4,
      outerMm: (outer!.getBoundingClientRect().width / 96) * 25.4,
      innerMm: (inner!.getBoundingClientRect().width / 96) * 25.4,
      holes: document.querySelectorAll('#drill circle').length,
    };
  });
  // A stroke of 0.2 mm adds that much to a box round it.
  expect(Math.abs(measured.outerMm - 1000)).toBeLessThan(0.5);
  expect(Math.abs(measured.innerMm - 700)).toBeLessThan(0.5);
  expect(measured.holes).toBe(16);
  expect(measured.paperMm).toBeGreaterThan(1040);
});

test('a file is handed to the browser under its name', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/cut?build=clerk-ring`);
  await page.getByRole('tab', { name: 'Files' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page
      .getByRole('link', { name: /^Build pack In? ?/ })
      .or(page.getByRole('link', { name: /^Build pack/ }))
      .first()
      .click(),
  ]);
  expect(download.suggestedFilename()).toBe('night-ferry_clerk-ring_build-pack.pdf');
  const bytes = readFileSync((await download.path())!);
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
});

test('files that are not there are refused in words', async ({ page, ferry }) => {
  for (const url of [
    file(ferry, 'clerk-ring', 'secrets.txt'),
    file(ferry, 'nobody', 'cut-list.csv'),
    file('nobody', 'clerk-ring', 'cut-list.csv'),
    file(ferry, 'clerk-ring', '..%2f..%2fpackage.json'),
  ]) {
    const answer = await page.request.get(url);
    expect(answer.status()).toBe(404);
  }
});

test('accessories: added, sized in their own drawer and on their own view, taken off', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/build?build=clerk-ring`);
  await page.getByRole('button', { name: /^Accessories/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Pipe stand/ })
    .click();
  await expect(page.getByRole('button', { name: /^Pipe stand/ })).toHaveAttribute(
    'aria-expanded',
    'true',
  );
  await put(page, 'Upright length', '90 cm');
  await page.getByLabel('Pipe', { exact: true }).selectOption({ label: 'Plastic pipe 20 mm, 3 m' });
  await page.getByRole('button', { name: 'Stand, from the side' }).click();
  const handle = page.getByRole('slider', { name: 'Upright length' });
  await handle.focus();
  await page.keyboard.press('Shift+ArrowUp');
  await expect(handle).toHaveAttribute('aria-valuetext', '1 m');
  await expect(page.getByRole('textbox', { name: 'Upright length', exact: true })).toHaveValue(
    '1 m',
  );
  await kept(page);
  const { document } = await stored(page, ferry);
  expect(document.builds[0]!.accessories[0]).toMatchObject({
    kind: 'pipe-stand',
    parameters: { uprightM: 1 },
  });
  await page.getByRole('button', { name: /^Accessories/ }).click();
  await page.getByRole('button', { name: 'Take off pipe stand' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^Pipe stand/ })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Pipe stand/ })).toBeVisible();
});

test('another form keeps what can be kept, and undo brings the old one back', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/build?build=clerk-ring`);
  await put(page, 'Outer Ø', '60 cm');
  await page.getByRole('button', { name: 'Form', exact: true }).click();
  await expect(page.locator('[data-form=bulb-ring]').getByRole('button')).toBeDisabled();
  await page.getByRole('button', { name: 'Make it a strip ring' }).click();
  await expect(page.getByLabel('Inner Ø', { exact: true })).toBeVisible();
  await expect(page.getByLabel('Outer Ø', { exact: true })).toHaveValue('60 cm');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('textbox', { name: 'Ring width', exact: true })).toBeVisible();
});

test('the gallery shows only what meets the shot’s wishes', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/build?build=clerk-ring`);
  await page.getByRole('button', { name: 'New light' }).click();
  const cards = page.locator('[data-form]');
  await expect(cards).toHaveCount(FORMS.size);
  await page.getByRole('button', { name: 'soft enough' }).click();
  await expect(page.locator('[data-form=tube-light]')).toHaveCount(0);
  const some = await cards.count();
  await page.getByRole('button', { name: 'made for this use' }).click();
  expect(await cards.count()).toBeLessThanOrEqual(some);
  await expect(
    page.getByRole('status').filter({ hasText: `of ${FORMS.size} forms` }),
  ).toBeVisible();
});

test('units: a tape typed in, chosen, its traps told; deleted and brought back', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/shelf?build=lens-ring`);
  await page.getByRole('tab', { name: 'Tape, tubes, panels' }).click();
  await page.getByLabel('Add a unit').selectOption({ label: 'LED tape' });
  await put(page, 'Name', 'Market tape');
  await put(page, 'Lumens a metre', '9000');
  await expect(page.locator('[data-finding^="label.efficacy"]')).toBeVisible();
  await put(page, 'Lumens a metre', '900');
  await expect(page.locator('[data-finding^="label.efficacy"]')).toHaveCount(0);
  await put(page, 'Colour temperature', '4000');
  await page.getByRole('button', { name: 'Close' }).click();
  await kept(page);
  await reload(page);
  await page.keyboard.press('3');
  await page.getByRole('button', { name: 'Tape', exact: true }).click();
  await page.getByLabel('Tape', { exact: true }).selectOption({ label: 'Market tape' });
  await expect(page.locator('[data-rung=colour]')).toContainText('4000');
  await page.keyboard.press('2');
  await page.getByRole('tab', { name: 'Tape, tubes, panels' }).click();
  await page.getByRole('button', { name: 'Market tape', exact: true }).click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('button', { name: 'Market tape', exact: true })).toHaveCount(0);
  await command(page, 'undo');
  await expect(page.getByRole('button', { name: 'Market tape', exact: true })).toBeVisible();
});

test('absurd numbers are answered at the field and lose nothing', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/build?build=sky-board`);
  await page.getByRole('button', { name: 'Sockets', exact: true }).click();
  const field = page.getByRole('textbox', { name: 'Sockets', exact: true });
  await field.fill('1000000');
  await field.press('Enter');
  await expect(page.getByRole('alert').first()).toBeVisible();
  await field.press('Escape');
  await expect(field).toHaveValue('8');
  await page.getByRole('button', { name: 'Board', exact: true }).click();
  await page.getByRole('textbox', { name: 'Length', exact: true }).fill('-3 m');
  await page.getByRole('textbox', { name: 'Length', exact: true }).press('Enter');
  await expect(page.getByRole('alert').first()).toBeVisible();
});

test('a form that is not known here is kept untouched and says so', async ({ page, request }) => {
  const document = nightFerry();
  const parameters = { beams: [1, 2, { deep: true }], name: 'from the future' };
  Object.assign(document.builds[0]!, { form: 'folding-star', parameters });
  const answer = await request.post('/api/productions', { data: { document } });
  const { id } = (await answer.json()) as { id: string };
  await visit(page, `/p/${id}/build?build=clerk-ring`);
  await expect(page.getByText('It is kept untouched').first()).toBeVisible();
  await page.keyboard.press('6');
  await expect(page.locator('h1')).toHaveText('Cut & buy');
  await expect(page.getByText('It is kept untouched').first()).toBeVisible();
  await visit(page, `/p/${id}/shot?build=warm-ring`);
  await put(page, 'ISO', '400');
  await kept(page);
  const kept_ = await stored(page, id);
  expect(kept_.document.builds[0]!.parameters).toEqual(parameters);
});
