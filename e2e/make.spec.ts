import { expect, kept, put, reload, test, visit, type Page } from './bench';

const place = (page: Page) => page.locator('[data-step-place]');
const tick = (page: Page) => page.locator('[data-tick]');

/** Opens the station and begins the first copy. */
async function begin(page: Page, ferry: string, build: string) {
  await visit(page, `/p/${ferry}/make?build=${build}`);
  await page.getByRole('button', { name: /^Begin making/ }).click();
  await expect(page.locator('[data-making=open]')).toBeVisible();
}

test('one step at a time, by keys: space ticks, arrows move, undo takes it back', async ({
  page,
  ferry,
}) => {
  await begin(page, ferry, 'clerk-ring');
  await expect(place(page)).toContainText('1 of 17');
  await page.locator('[data-making]').focus();
  await page.keyboard.press(' ');
  await expect(page.locator('[data-done="1"]')).toBeVisible();
  await expect(place(page)).toContainText('2 of 17');
  await page.keyboard.press('ArrowRight');
  await expect(place(page)).toContainText('3 of 17');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(tick(page)).toBeDisabled();
  await page.getByRole('button', { name: 'Take the tick back' }).click();
  await expect(page.locator('[data-done="0"]')).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.locator('[data-done="1"]')).toBeVisible();
  await kept(page);
  await reload(page);
  await expect(page.locator('[data-done="1"]')).toBeVisible();
});

test('a gate says exactly what is missing, and takes no key for it', async ({ page, ferry }) => {
  await begin(page, ferry, 'clerk-ring');
  await page.getByRole('tab', { name: 'All steps' }).click();
  const wiring = page.locator('[data-step=wire-mains]');
  await expect(wiring).toHaveAttribute('data-state', 'shut');
  await expect(wiring.getByRole('checkbox')).toBeDisabled();
  await expect(wiring).toContainText('Before wiring everything is drilled, finished and mounted');
  const up = page.locator('[data-step=power-up]');
  await expect(up).toContainText('Current at the plug, fully up: not read yet');
});

test('a reading is judged where it is typed', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/make?build=lens-ring`);
  const next = page.getByRole('button', { name: 'The next step' });
  for (let at = 9; at < 12; at++) {
    await expect(place(page)).toContainText(`${at} of 15`);
    await next.click();
  }
  await expect(page.getByRole('heading', { name: 'First power-up' })).toBeVisible();
  await put(page, 'Current at the plug, fully up', '9 A');
  await expect(page.locator('[data-reading=stop]')).toContainText('Switch off');
  await expect(tick(page)).toBeDisabled();
  await put(page, 'Current at the plug, fully up', '');
  await expect(page.locator('[data-reading=stop]')).toHaveCount(0);
});

test('what was changed since it was begun stands in the log, and becomes the plan in one press', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/make?build=stamp-panel`);
  await page.getByRole('tab', { name: 'Log' }).click();
  await expect(page.locator('[data-changed]')).toContainText('Row pitch: 24 mm → 30 mm');
  await page.getByRole('button', { name: 'That is the plan now' }).click();
  await expect(page.locator('[data-changed]')).toHaveCount(0);
  await expect(page.getByRole('row', { name: /Plan/ }).first()).toContainText('24 mm → 30 mm');
});

test('a design change opens the steps that hang on it, in words', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/make?build=lens-ring`);
  await expect(page.locator('[data-done="8"]')).toBeVisible();
  await page.getByRole('button', { name: 'Cord', exact: true }).click();
  await put(page, 'Tail to the plug', '3 m');
  await expect(page.locator('[data-making=again]')).toContainText('no longer so');
  await page.getByRole('tab', { name: 'All steps' }).click();
  await expect(page.locator('[data-step=wire-mains]')).toHaveAttribute('data-state', 'again');
  await expect(page.locator('[data-step=mark-out]')).toHaveAttribute('data-state', 'done');
  await page.locator('[data-step=wire-mains]').getByRole('checkbox').check();
  await expect(page.locator('[data-step=wire-mains]')).toHaveAttribute('data-state', 'done');
});

test('several copies: a box each, each with its own gates', async ({ page, ferry }) => {
  await begin(page, ferry, 'sky-board');
  await page.getByLabel('Copy', { exact: true }).selectOption('2');
  await page.getByRole('button', { name: 'Begin making copy 2' }).click();
  await page.getByRole('tab', { name: 'All steps' }).click();
  const first = page.locator('[data-step]').first();
  await first.getByRole('checkbox', { name: /copy 1$/ }).check();
  await expect(first.getByRole('checkbox', { name: /copy 2$/ })).not.toBeChecked();
  await expect(first).toHaveAttribute('data-state', 'open');
  await first.getByRole('checkbox', { name: /copy 2$/ }).check();
  await expect(first).toHaveAttribute('data-state', 'done');
});

test('the light in three dimensions: turned by keys and hand, taken apart, step by step', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/make?build=clerk-ring`);
  await page.getByRole('tab', { name: 'How it goes together' }).click();
  await expect(page.locator('[data-assembly=ready]')).toBeVisible();
  const picture = page.getByRole('application', {
    name: /^Clerk ring in three dimensions, 43 things/,
  });
  const seenFrom = async () => Number((await picture.getAttribute('data-drawn'))!.split(' ')[0]);
  await expect(picture).toHaveAttribute('data-drawn', '36 24');
  const [before] = [await picture.screenshot()];
  await picture.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(picture).toHaveAttribute('data-drawn', '43 24');
  expect(before.equals(await picture.screenshot())).toBe(false);
  const box = (await picture.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 60, box.y + box.height / 2, { steps: 3 });
  await page.mouse.up();
  await expect.poll(seenFrom).toBeGreaterThan(60);
  await page.getByRole('button', { name: 'the front' }).click();
  await expect(picture).toHaveAttribute('data-drawn', '0 0');

  await page.getByRole('slider', { name: /^Taken apart/ }).focus();
  await page.keyboard.press('End');
  await expect(page.getByText('100 %')).toBeVisible();
  const all = page.getByRole('list', { name: 'All of it' });
  await expect(all.getByText('Socket')).toBeVisible();
  // Backwards from the finished light to the step that screws the sockets down.
  const back = page.getByRole('button', { name: 'The step before' });
  const steps = await page.locator('[data-assembly-step]').count();
  expect(steps).toBe(1);
  for (let left = 17; left > 0; left--) {
    await back.click();
    await expect(page.locator(`[data-assembly-step="${left - 1}"]`)).toBeVisible();
    if (await page.getByRole('heading', { name: 'Screw the sockets down' }).isVisible()) break;
  }
  const now = page.getByRole('list', { name: 'Put in or worked on now' });
  await expect(now).toContainText('Socket × 16');
  await expect(page.getByRole('application', { name: /16 of them put in now/ })).toBeVisible();
});
