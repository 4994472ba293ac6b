import { FORMS } from '../src/core/forms';
import { expect, figure, kept, stored, test, visit, type Page } from './bench';

/** What the tray calls the drawer in which a form's count or tape is filled in. */
const FILL_DRAWER: Record<string, string> = {
  'bulb-ring': 'Sockets',
  'bulb-board': 'Sockets',
  'tube-bank': 'Tubes',
  'panel-stack': 'Panels',
};

async function pull(page: Page, by: readonly [number, number]) {
  const handle = page.locator('[data-handle]').first();
  await handle.hover();
  const box = (await handle.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + by[0], y + by[1], { steps: 5 });
  await page.mouse.up();
  return handle.getAttribute('data-handle');
}

/** Every form through the real interface: chosen, pulled at, filled, laid out, taken away as files. */
for (const form of FORMS.values()) {
  test(`${form.name}: choose, pull, fill, cut list, files`, async ({ page, ferry }) => {
    await visit(page, `/p/${ferry}/build?build=clerk-ring`);
    await page.getByRole('button', { name: 'New light' }).click();
    const card = page.locator(`[data-form=${form.id}]`);
    await card.getByRole('button', { name: new RegExp(`^Start an? ${form.name}$`, 'i') }).click();
    // The new light has its own address; until then the drawing is still the old one's.
    await expect(page).not.toHaveURL(/build=clerk-ring/);
    await expect(page.getByLabel('Build', { exact: true })).toContainText(form.name.toLowerCase());
    await expect(page.locator('[data-view=front]')).toBeVisible();
    await expect(page.locator('[data-view=section]')).toBeVisible();
    await expect(figure(page, 'light')).not.toHaveText('–');

    const before = await page.locator('[data-handle]').first().getAttribute('aria-valuetext');
    const parameter = await pull(page, [-34, 30]);
    await expect(page.locator(`[data-handle="${parameter}"]`).first()).not.toHaveAttribute(
      'aria-valuetext',
      before!,
    );

    if (form.fill) {
      const drawer = FILL_DRAWER[form.id] ?? 'Tape';
      await page.getByRole('button', { name: drawer, exact: true }).click();
      await page.getByLabel('Fill', { exact: true }).selectOption({ label: 'As many as fit' });
      await expect(page.locator('[data-filled]')).toBeVisible();
      await page.getByLabel('Fill', { exact: true }).selectOption({ label: 'Enough for the shot' });
      await expect(page.locator('[data-filled]')).toBeVisible();
    }
    await kept(page);

    await page.getByRole('button', { name: /^Cut & buy/ }).click();
    await expect(page.locator('[data-plan=thorough]')).toBeVisible();
    const plans = page.locator('[data-plan-kind]');
    const nothing = page.getByText('Nothing is cut for this light');
    await expect(plans.first().or(nothing)).toBeVisible();
    await page.getByRole('tab', { name: 'At the saw' }).click();
    await expect(page.getByRole('heading', { name: 'At the saw' })).toBeVisible();
    await page.getByRole('tab', { name: 'Shopping' }).click();
    await expect(page.getByText('Full cost of one light')).toBeVisible();
    await page.getByRole('tab', { name: 'Files' }).click();

    const { document } = await stored(page, ferry);
    const build = document.builds.at(-1)!;
    expect(build.form).toBe(form.id);
    // What the page offers is there to be taken; what it says is empty is refused.
    await expect(page.getByRole('heading', { name: 'Files' })).toBeVisible();
    const nothingFlat = await page.getByText('Nothing flat is cut').count();
    for (const [file, ofSheets] of [
      ['build-pack.pdf', false],
      ['pieces.dxf', true],
      ['pieces.svg', true],
      ['cut-list.csv', false],
      ['shopping.csv', false],
    ] as const) {
      const answer = await page.request.get(`/api/productions/${ferry}/builds/${build.id}/${file}`);
      if (ofSheets && nothingFlat > 0) {
        expect(answer.status()).toBe(409);
        continue;
      }
      expect(answer.status()).toBe(200);
      expect((await answer.body()).length).toBeGreaterThan(40);
      expect(answer.headers()['content-disposition']).toContain(`night-ferry_`);
    }
  });
}
