import { command, expect, figure, kept, put, stored, test, visit, reload } from './bench';

const open = (ferry: string, build = 'clerk-ring') => `/p/${ferry}/build?build=${build}`;

test('dragging a knob changes parameter, field, drawing and readouts, as one undo', async ({
  page,
  ferry,
}) => {
  await visit(page, open(ferry));
  await expect(figure(page, 'softness')).toHaveText('40.9');
  const knob = page.getByRole('slider', { name: 'Outer diameter' });
  const box = (await knob.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let step = 1; step <= 10; step++) await page.mouse.move(x - step * 4, y - step * 4);
  await expect(page.getByLabel('Outer Ø', { exact: true })).not.toHaveValue('1 m');
  await expect(figure(page, 'softness')).not.toHaveText('40.9');
  await page.mouse.up();
  await kept(page);
  const { document } = await stored(page, ferry);
  expect(document.builds[0]!.parameters.outerDiameterM as number).toBeLessThan(0.95);
  await page.getByRole('button', { name: /^Undo: Outer Ø of Clerk ring/ }).click();
  await expect(page.getByLabel('Outer Ø', { exact: true })).toHaveValue('1 m');
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
});

test('the count knob deals sockets round, and stops where they would touch', async ({
  page,
  ferry,
}) => {
  await visit(page, open(ferry));
  const knob = page.getByRole('slider', { name: 'Number of sockets' });
  await knob.focus();
  await page.keyboard.press('ArrowUp');
  await expect(knob).toHaveAttribute('aria-valuenow', '17');
  for (let k = 0; k < 5; k++) await page.keyboard.press('Shift+ArrowUp');
  const most = await knob.getAttribute('aria-valuemax');
  await expect(knob).toHaveAttribute('aria-valuenow', most!);
  await page.getByRole('button', { name: 'Sockets', exact: true }).click();
  await expect(page.getByLabel('Sockets', { exact: true })).toHaveValue(most!);
});

test('bad input is answered at the field, and nothing already there is lost', async ({
  page,
  ferry,
}) => {
  await visit(page, open(ferry));
  const width = page.getByRole('textbox', { name: 'Ring width' });
  for (const [typed, reason] of [
    ['60 cm', 'too much'],
    ['0', 'too little'],
    ['-5 cm', 'too little'],
    ['wide', 'is not read'],
    ['12 parsecs', 'not a unit'],
    ['1,200 mm', 'two ways'],
  ] as const) {
    await width.fill(typed);
    await width.press('Enter');
    await expect(page.getByRole('main').getByRole('alert')).toContainText(reason);
    await expect(width).toHaveValue(typed);
    await expect(width).toHaveAttribute('aria-invalid', 'true');
  }
  await width.press('Escape');
  await expect(width).toHaveValue('15 cm');
  await page.getByRole('button', { name: 'Sockets', exact: true }).click();
  await put(page, 'Sockets', '60');
  await expect(page.getByRole('main').getByRole('alert')).toContainText('too much');
  const { document, revision } = await stored(page, ferry);
  expect([revision, document.builds[0]!.parameters.socketCount]).toEqual([1, 16]);
});

test('the stop on the lamp cord: cracked jar, pointed at, mended, whole again, undone', async ({
  page,
  ferry,
}) => {
  await visit(page, open(ferry, 'warm-ring'));
  const jar = page.getByRole('img', { name: /^Jar/ });
  await expect(jar).toHaveAccessibleName(/cracked/);
  await page.getByRole('button', { name: /^Findings/ }).click();
  const stop = page.locator('[data-finding="power.cord"]');
  await expect(stop).toContainText('12.5 A');
  await expect(stop).toContainText('NEC Table 400.5');
  await stop.getByRole('button', { name: 'Use “Cord AWG 14, two conductors”' }).click();
  await expect(stop).toContainText('Fine');
  await page.keyboard.press('Escape');
  await expect(jar).not.toHaveAccessibleName(/cracked/);
  await page.keyboard.press('Control+z');
  await expect(jar).toHaveAccessibleName(/cracked/);
});

test('undo and redo survive a reload', async ({ page, ferry }) => {
  await visit(page, open(ferry));
  await put(page, 'Outer Ø', '80 cm');
  await put(page, 'Outer Ø', '70 cm');
  await kept(page);
  await reload(page);
  await expect(page.getByLabel('Outer Ø', { exact: true })).toHaveValue('70 cm');
  await page.getByRole('button', { name: /^Undo: Outer Ø/ }).click();
  await page.getByRole('button', { name: /^Undo: Outer Ø/ }).click();
  await expect(page.getByLabel('Outer Ø', { exact: true })).toHaveValue('1 m');
  await page.getByRole('button', { name: /^Redo/ }).click();
  await expect(page.getByLabel('Outer Ø', { exact: true })).toHaveValue('80 cm');
});

test('units, theme and colour mixing', async ({ page, ferry }) => {
  await visit(page, open(ferry));
  await page.getByRole('button', { name: /^Units/ }).click();
  await expect(page.getByLabel('Outer Ø', { exact: true })).toHaveValue('39 3/8 in');
  await put(page, 'Outer Ø', '40');
  await expect(page.getByLabel('Outer Ø', { exact: true })).toHaveValue('40 in');
  await expect(figure(page, 'light')).toHaveText(/^3\d\.\d$/);
  await page.getByRole('button', { name: /^Light: Bench/ }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'set');
  await reload(page);
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'set');
  await expect(page.getByLabel('Outer Ø', { exact: true })).toHaveValue('40 in');
  await page.getByRole('button', { name: 'Bulbs', exact: true }).click();
  await page.getByRole('button', { name: 'Mix in a bulb' }).click();
  await page
    .getByLabel('Bulb B, socket 2 of every 2')
    .selectOption({ label: 'A60 globe 9 W 806 lm 2700 K' });
  await expect(figure(page, 'colour')).not.toHaveText('4000');
});

test('builds: next, previous, duplicate, delete, undo; copies and circuit', async ({
  page,
  ferry,
}) => {
  await visit(page, open(ferry));
  await expect(figure(page, 'light')).toHaveText('392');
  await page.keyboard.press(']');
  await expect(page.getByLabel('Build', { exact: true })).toHaveValue('warm-ring');
  await page.keyboard.press('[');
  await expect(page.getByLabel('Build', { exact: true })).toHaveValue('clerk-ring');
  await command(page, 'Duplicate');
  const chosen = page.getByLabel('Build', { exact: true }).locator('option:checked');
  await expect(chosen).toHaveText('Clerk ring 2');
  await command(page, 'Delete “Clerk ring 2');
  await expect(page.getByLabel('Build', { exact: true })).not.toContainText('Clerk ring 2');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Build', { exact: true })).toContainText('Clerk ring 2');
  await visit(page, open(ferry));
  await page.getByRole('button', { name: /For Ticket clerk/ }).click();
  await put(page, 'Copies made at once', '3');
  await page.getByLabel('Circuit', { exact: true }).selectOption({ label: 'Hall ring B' });
  await page.keyboard.press('Escape');
  await page.keyboard.press('6');
  await page.getByRole('tab', { name: 'Shopping' }).click();
  await expect(page.getByRole('heading', { name: 'Shopping for 3 lights' })).toBeVisible();
  await expect(page.locator('[data-rung=power]')).toContainText('Hall ring B');
});
