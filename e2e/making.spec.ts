import type { APIRequestContext, Locator } from '@playwright/test';
import { nightFerry } from '../src/demo/nightFerry';
import { png } from '../src/workers/testing';
import { expect, kept, stored, test, visit, type Page } from './bench';

const WARM = 'warm-checks';
const HOUR_S = 61 * 60;

/** A copy of *Night Ferry* of which nothing is made yet. */
async function unmade(request: APIRequestContext): Promise<string> {
  const answer = await request.post('/api/productions', {
    data: { document: { ...nightFerry(), makings: [] } },
  });
  return ((await answer.json()) as { id: string }).id;
}

/** How one does it: with a mouse, or with nothing but keys. */
interface Way {
  press: (what: Locator) => Promise<void>;
  type: (field: Locator, words: string) => Promise<void>;
}

const MOUSE: Way = {
  press: (what) => what.click(),
  type: async (field, words) => {
    await field.fill(words);
    await field.press('Enter');
  },
};

/** Walks with Tab until something has the focus, as who has no mouse does. */
async function walkTo(page: Page, to: Locator) {
  await to.waitFor();
  const there = () => to.evaluate((element) => element === document.activeElement);
  for (let at = 0; at < 150 && !(await there()); at++) await page.keyboard.press('Tab');
  expect(await there(), 'Tab comes to it').toBe(true);
}

const keysOf = (page: Page): Way => ({
  press: async (what) => {
    await walkTo(page, what);
    await page.keyboard.press('Enter');
  },
  type: async (field, words) => {
    await walkTo(page, field);
    await page.keyboard.type(words);
    await page.keyboard.press('Enter');
  },
});

/** What a meter would say where all is as forecast. */
const readingFor = (told: string) =>
  told.startsWith('Current') ? /forecast ([\d.]+ m?A)/.exec(told)![1]! : '34 °C';

/** Makes a light from its first step to its warm checks; the clock here goes on by itself. */
async function makeIt(page: Page, way: Way, atStep: (id: string) => Promise<void>) {
  await way.press(page.getByRole('button', { name: /^Begin making/ }));
  const bench = page.locator('[data-making]');
  for (let done = 0; ; done++) {
    await expect(page.locator(`[data-done="${done}"]`)).toBeVisible();
    const step = (await bench.getAttribute('data-at'))!;
    const unread = page.locator('[data-reading=none]');
    for (let left = await unread.count(); left > 0; left--) {
      const told = (await unread.first().textContent())!;
      await way.type(unread.first().getByRole('textbox'), readingFor(told));
      await expect(unread).toHaveCount(left - 1);
    }
    if (step === WARM) {
      await way.press(page.getByRole('button', { name: 'Start 1 h' }));
      await expect(page.locator(`[data-waiting=${WARM}]`)).toBeVisible();
      await page.clock.fastForward(HOUR_S * 1000);
    }
    await atStep(step);
    await way.press(page.locator('[data-tick]:not(:disabled)'));
    if (step === WARM) return;
  }
}

const madeOf = async (page: Page, id: string) =>
  (await stored(page, id)).document.makings.find(({ buildId }) => buildId === 'counter-lamp')!;
const nothing = () => Promise.resolve();

for (const [words, wayOf] of [
  ['a mouse', () => MOUSE],
  ['nothing but keys', keysOf],
] as const)
  test(`a light is made from its first step to its warm checks with ${words}`, async ({
    page,
    request,
  }) => {
    const id = await unmade(request);
    await page.clock.install();
    await visit(page, `/p/${id}/make?build=counter-lamp`);
    await makeIt(page, wayOf(page), nothing);
    await kept(page);
    const { ticks, readings } = await madeOf(page, id);
    expect(Object.keys(ticks)).toContain(WARM);
    expect(readings['warm-60']!.value).toBeCloseTo(307.15, 2);
    expect(Date.parse(ticks[WARM]!.at) - Date.parse(ticks['power-up']!.at)).toBeGreaterThan(3.6e6);
  });

test('at 390 px with photographs: they stand at their step, beside the light and in the log', async ({
  page,
  request,
}) => {
  const id = await unmade(request);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.clock.install();
  await visit(page, `/p/${id}/make?build=counter-lamp`);
  let taken = 0;
  await makeIt(page, MOUSE, async () => {
    const file = {
      name: `${taken}.png`,
      mimeType: 'image/png',
      buffer: Buffer.from(png(20_000, taken)),
    };
    await page.locator('input[type=file]').setInputFiles(file);
    await expect(page.getByRole('img', { name: new RegExp(`^${taken}\\.png, at `) })).toBeVisible();
    taken++;
  });
  await page.getByRole('tab', { name: 'Log' }).click();
  await expect(page.locator(`[data-photographs="${taken}"]`)).toBeVisible();
  await page.getByRole('tab', { name: 'How it goes together' }).click();
  // Where it stands now is after the warm checks: their photograph is a step back.
  await page.getByRole('button', { name: 'The step before' }).click();
  await expect(page.getByRole('img', { name: /^\d+\.png, at / })).toHaveCount(1);
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
});

test('what really went in instead stands in the log, and goes out of it again', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/make?build=lens-ring`);
  await page.getByRole('tab', { name: 'Log' }).click();
  const used = page.locator('[data-used]');
  await used.getByLabel('Instead of').selectOption({ label: 'Supply 24 V, 100 W' });
  await used.getByLabel('Really used').fill('a 75 W brick from the drawer');
  await used.getByRole('button', { name: 'Note it' }).click();
  await expect(page.locator('[data-used="1"]')).toContainText('instead of Supply 24 V, 100 W');
  await expect(page.locator('[data-log]')).toContainText('a 75 W brick from the drawer');
  await kept(page);
  await used.getByRole('button', { name: 'As planned' }).click();
  await expect(page.locator('[data-used="0"]')).toBeVisible();
});

for (const build of ['clerk-ring', 'clerk-pan', 'deck-sky'])
  test(`a fault in ${build} is found by halving, unplugged, and written in the log`, async ({
    page,
    ferry,
  }) => {
    await visit(page, `/p/${ferry}/make?build=${build}`);
    await page.getByRole('button', { name: /^Begin making/ }).click();
    await page.getByRole('tab', { name: 'Find the fault' }).click();
    const suspects = page.locator('[data-suspects]');
    await expect(suspects).toBeVisible();
    const many = Number(await suspects.getAttribute('data-suspects'));
    await page.getByRole('button', { name: 'Look for it' }).click();
    const found = page.locator('[data-found]');
    const asked = page.locator('[data-test]');
    // At most ⌈log₂ n⌉ tests halve to one (information theory), and two to tell its parts apart.
    for (let at = 1; at <= Math.ceil(Math.log2(many)) + 2; at++) {
      await expect(found.or(asked)).toBeVisible();
      if ((await found.count()) > 0) break;
      await expect(page.locator(`[data-test="${at}"]`)).toContainText('Unplug');
      await page.getByRole('button', { name: 'Yes', exact: true }).click();
      await expect(page.locator(`[data-test="${at}"]`)).toHaveCount(0);
    }
    await expect(found).toContainText('It is here');
    await page.getByRole('button', { name: 'Write it in the log' }).click();
    await page.getByRole('tab', { name: 'Log' }).click();
    await expect(page.locator('[data-log="1"]')).toContainText('Fault');
    await kept(page);
    const { makings } = (await stored(page, ferry)).document;
    expect(makings.find(({ buildId }) => buildId === build)!.log).toHaveLength(1);
  });
