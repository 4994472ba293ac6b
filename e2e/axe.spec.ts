import AxeBuilder from '@axe-core/playwright';
import { expect, STATIONS, test, visit, type Page, visitList } from './bench';
import { begin, putFrames, still } from './metering';

/**
 * Looks at what stands on the page now; `where` names it when something is found. A panel or a sheet is
 * looked at alone: what stands around it was looked at with its station.
 */
type Look = (where: string, within?: string) => Promise<void>;
const PANEL = '[role=dialog]';
const SHEET = '[role=tabpanel]';

/** In Bench everything is asked; Set differs by its colours alone, so contrast is what is asked there. */
const look =
  (page: Page): Look =>
  async (where, within = 'html') => {
    const wear = (theme: string) =>
      page.evaluate((name) => void (document.documentElement.dataset.theme = name), theme);
    // Legacy mode: no second page for frames of other hosts; there are none.
    const found = async (axe: AxeBuilder) =>
      (await axe.analyze()).violations.map(
        ({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(' | ')}`,
      );
    await wear('bench');
    expect(await found(new AxeBuilder({ page }).setLegacyMode().include(within)), where).toEqual(
      [],
    );
    await wear('set');
    const contrast = new AxeBuilder({ page })
      .setLegacyMode()
      .include(within)
      .withRules(['color-contrast']);
    expect(await found(contrast), `${where}, in set`).toEqual([]);
  };

async function sheets(page: Page, names: readonly string[], seen: Look) {
  for (const name of names) {
    const tab = page.getByRole('tab', { name, exact: true });
    await tab.click();
    await expect(tab).toHaveAttribute('aria-selected', 'true');
    // Its code has come, and what it asked is answered.
    await expect(page.locator('body[data-awaits]')).toHaveCount(0);
    await expect(page.locator('[role=tabpanel] [aria-busy=true]')).toHaveCount(0);
    await seen(name, SHEET);
  }
}

async function closed(page: Page) {
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

const WALKS: Record<string, (page: Page, ferry: string, seen: Look) => Promise<void>> = {
  'the list and every station': async (page, ferry, seen) => {
    await visitList(page);
    await expect(page.getByRole('button', { name: 'Import a file' })).toBeVisible();
    await seen('list');
    for (const station of STATIONS) {
      await visit(page, `/p/${ferry}/${station}?build=warm-ring`);
      await seen(station);
    }
  },
  'the panels': async (page, ferry, seen) => {
    await visit(page, `/p/${ferry}/build?build=warm-ring`);
    for (const [key, title] of [
      ['f', 'Findings'],
      ['Control+k', 'What do you want to do?'],
      ['Shift+?', 'Keys'],
      ['g', 'What the words mean'],
    ] as const) {
      await page.keyboard.press(key);
      await expect(page.getByRole('dialog', { name: title })).toBeVisible();
      await seen(title, PANEL);
      await closed(page);
    }
    await page.locator('[data-rung=light]').click();
    await expect(page.getByRole('dialog', { name: /the working/ })).toBeVisible();
    await seen('working', PANEL);
    await closed(page);
    await page.getByRole('button', { name: 'New light' }).click();
    await expect(page.getByRole('button', { name: 'Start a foam box' })).toBeVisible();
    await seen('gallery', PANEL);
    await closed(page);
    await page.getByRole('button', { name: /^Accessories/ }).click();
    await expect(page.getByRole('dialog', { name: 'Accessories' })).toBeVisible();
    await seen('accessories', PANEL);
  },
  'the sheets of Build, Cut and Wire': async (page, ferry, seen) => {
    await visit(page, `/p/${ferry}/build?build=warm-ring`);
    await sheets(page, ['Marks and pieces', 'Steps', 'Photographs'], seen);
    await visit(page, `/p/${ferry}/cut?build=cabin-box`);
    await expect(page.locator('[data-plan=thorough]')).toBeVisible();
    await sheets(page, ['Layouts', 'At the saw', 'Shopping', 'Circles', 'Together', 'Files'], seen);
    await visit(page, `/p/${ferry}/wire?build=clerk-pan`);
    await sheets(page, ['Wires', 'Circuits', 'Along the tape', 'Less light', 'Look over'], seen);
  },
  'the sheets of Make': async (page, ferry, seen) => {
    await visit(page, `/p/${ferry}/make?build=lens-ring`);
    await page.getByRole('tab', { name: 'How it goes together' }).click();
    await expect(page.locator('canvas[data-drawn]')).toBeVisible();
    await seen('How it goes together', SHEET);
    await sheets(page, ['All steps', 'Find the fault', 'Log', 'Now'], seen);
    await page.getByRole('button', { name: 'Workshop' }).click();
    await seen('workshop', SHEET);
  },
  'Meter: a sweep, a layer, and how it is metered': async (page, ferry, seen) => {
    await visit(page, `/p/${ferry}/meter`);
    await expect(page.locator('[data-swept=yes]')).toBeVisible();
    await seen('a sweep', 'section[data-session]');
    await page.getByRole('button', { name: /^Baking parchment/ }).click();
    await expect(page.locator('[data-layer=yes]')).toBeVisible();
    await seen('a layer', 'section[data-session]');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.getByRole('button', { name: 'How it is metered' }).click();
    await seen('how it is metered', 'section[data-session]');
    await seen('sessions', 'aside[aria-label=Metering]');
  },
  'Meter: a plane, volts, warmth, a spectrum, and what readings teach': async (
    page,
    ferry,
    seen,
  ) => {
    await visit(page, `/p/${ferry}/meter`);
    const sheet = 'section[data-session]';
    await page.getByRole('button', { name: /^Booth stack through nylon/ }).click();
    await expect(page.locator('[data-mean]')).toBeVisible();
    await seen('a plane', sheet);
    for (const [kind, name] of [
      ['points', 'Clerk ring'],
      ['electric', 'Clerk ring'],
      ['warm', 'Clerk ring'],
      ['spectrum', 'Market-stall globe 9 W “100 W equivalent”'],
    ] as const) {
      await begin(page, kind, name);
      await seen(kind, sheet);
    }
    await page.getByRole('button', { name: 'Calibrate', exact: true }).click();
    await expect(page.locator('[data-calibrate=done]')).toBeVisible({ timeout: 90_000 });
    await page.getByLabel(/^Learn from simulated/).setChecked(true);
    await expect(page.locator('[data-cause]').first()).toBeVisible({ timeout: 90_000 });
    await seen('what readings teach', 'section[data-calibrate]');
  },
  'Meter: frames, their boxes and the camera': async (page, ferry, seen) => {
    await visit(page, `/p/${ferry}/meter`);
    await begin(page, 'frames', 'Clerk ring');
    const sheet = 'section[data-session]';
    await seen('no frames yet', sheet);
    const files = [
      { name: 'a.png', buffer: await still(page) },
      { name: 'b.png', buffer: await still(page, { gain: 0.8 }) },
    ];
    await putFrames(page, files, 2);
    await page.getByRole('button', { name: 'Put it in the middle' }).click();
    await expect(page.locator('[data-compared=yes]')).toBeVisible();
    for (const panel of ['Compared', 'Boxes', 'Bands', 'Camera', 'Frames']) {
      await page.getByRole('tab', { name: panel, exact: true }).click();
      await seen(panel, sheet);
    }
  },
  'the shelf': async (page, ferry, seen) => {
    await visit(page, `/p/${ferry}/shelf?build=clerk-ring`);
    await page.getByRole('button', { name: /Market-stall globe/ }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await seen('bulb', PANEL);
    await closed(page);
    await page.getByRole('tab', { name: 'Colour', exact: true }).click();
    await expect(page.locator('[data-patch]')).toHaveCount(10);
    await seen('Colour', SHEET);
    await sheets(page, ['What I own', 'Side by side', 'In this light'], seen);
    await page.getByRole('button', { name: 'Read labels' }).click();
    await page.getByLabel('Lines or a table').fill('A60 9W 806 lm warm white E27 8,99 €');
    await expect(page.locator('[data-read-rows]')).toBeVisible();
    await seen('reading', PANEL);
    await closed(page);
    for (const [sheet, name] of [
      ['Tape, tubes, panels', /^Coated white tape/],
      ['Materials and parts', /^Baking parchment/],
    ] as const) {
      await sheets(page, [sheet], seen);
      await page.getByRole('button', { name }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
      await seen(`${sheet}, editor`, PANEL);
      await closed(page);
    }
  },
};

for (const [name, walk] of Object.entries(WALKS))
  test(`axe finds nothing in either theme: ${name}`, async ({ page, ferry }) => {
    await walk(page, ferry, look(page));
  });
