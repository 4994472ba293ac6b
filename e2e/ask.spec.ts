import AxeBuilder from '@axe-core/playwright';
import type { APIRequestContext, Page } from '@playwright/test';
import { nightFerry } from '../src/demo/nightFerry';
import { expect, kept, stored, test, visit, visitList } from './bench';

type Ferry = ReturnType<typeof nightFerry>;
type Shot = Ferry['shots'][number];

/** A copy of Night Ferry with another question at one of its shots, and so many of these things on hand. */
async function asking(
  request: APIRequestContext,
  shotId: string,
  { wishes = {}, ...shot }: Partial<Omit<Shot, 'wishes'>> & { wishes?: Partial<Shot['wishes']> },
  owned: readonly string[] = [],
): Promise<string> {
  const document = nightFerry();
  const target = document.shots.find(({ id }) => id === shotId)!;
  Object.assign(target, shot);
  Object.assign(target.wishes, wishes);
  for (const each of [...document.shelf.parts, ...document.shelf.units])
    if (owned.includes(each.id)) each.onHand = 20;
  const answer = await request.post('/api/productions', { data: { document } });
  return ((await answer.json()) as { id: string }).id;
}

const done = (page: Page) => page.locator('[data-ask=done]').waitFor({ timeout: 90_000 });
const best = (page: Page, id: string) => page.locator(`[data-answer][data-bests~=${id}]`);
const open = (page: Page, id: string) =>
  best(page, id)
    .getByRole('button', { name: /^(Open|Hold)/ })
    .click();

test('a soft key for sixty euro, from a pan and a reel one owns', async ({ page, request }) => {
  const id = await asking(
    request,
    'clerk',
    { budgetMinor: 6000, softnessDeg: 15, wishes: { owned: 'all' } },
    ['pan-36', 'supply-24-100', 'plug-16', 'cord-awg18', 'parchment', 'silk', 'screws-12'],
  );
  await visit(page, `/p/${id}/shot?shot=clerk`);
  await page.getByRole('button', { name: 'What should I build?' }).click();
  await page.waitForURL(/\/ask\?/);
  await done(page);
  await expect(best(page, 'own')).toContainText('Strip pan');
  await expect(best(page, 'own')).toContainText('White tape 24 V');
  await open(page, 'own');
  await page.waitForURL(/\/build\?build=/);
  await kept(page);
  const made = (await stored(page, id)).document.builds.at(-1)!;
  expect(made).toMatchObject({ form: 'strip-pan', shotId: 'clerk' });
  expect(made.parameters).toMatchObject({ stripId: 'tape-24-120-4000', panPartId: 'pan-36' });
});

test('a ring of what is on hand', async ({ page, request }) => {
  const id = await asking(request, 'clerk', { wishes: { owned: 'all', leastRa: 80 } }, [
    'globe-g45-3',
    'mdf-6',
    'socket-e27-porcelain',
    'cord-awg18',
    'plug-16',
  ]);
  await visit(page, `/p/${id}/ask?shot=clerk`);
  await done(page);
  const ring = best(page, 'own');
  await expect(ring).toContainText('Bulb ring');
  await expect(ring).toContainText('G45 mini globe');
  await expect(ring).toContainText('€0.00');
  await open(page, 'own');
  await page.waitForURL(/\/build\?build=/);
  await expect(page.locator('[data-rung=cost]')).toBeVisible();
});

test('an even green screen: told by evenness, and simulated', async ({ page, request }) => {
  const id = await asking(request, 'sky', {
    use: 'green',
    evennessStops: 0.4,
    coverageWidthM: 2,
    coverageHeightM: 1.5,
    wishes: { leastRa: 60 },
  });
  await visit(page, `/p/${id}/ask?shot=sky`);
  await done(page);
  const even = best(page, 'evenest');
  await expect(even).toHaveAttribute('data-sure', 'true');
  // Softness is nothing a backdrop is judged by.
  await expect(best(page, 'softest')).toHaveCount(0);
  await open(page, 'evenest');
  await page.waitForURL(/\/build\?build=/);
  const words = (await page.locator('[data-rung=evenness] [data-figure]').textContent())!;
  expect(Number(words.replace(/[^\d.]/g, ''))).toBeLessThanOrEqual(0.4);
});

test('a halogen work light where the colour asks for one', async ({ page, request }) => {
  const id = await asking(request, 'corridor', {
    cctK: 3000,
    distanceM: 3,
    fNumber: 4,
    wishes: { leastRa: 95 },
  });
  await visit(page, `/p/${id}/ask?shot=corridor`);
  await done(page);
  await expect(best(page, 'cheapest')).toContainText('Halogen work light');
  await open(page, 'cheapest');
  await page.waitForURL(/\/build\?build=/);
  await kept(page);
  expect((await stored(page, id)).document.builds.at(-1)!.form).toBe('work-light');
});

test('build or hire for three days: answered, and held against each other in the verdict', async ({
  page,
  request,
}) => {
  const id = await asking(request, 'clerk', { wishes: { days: 3 } });
  await visit(page, `/p/${id}/ask?shot=clerk`);
  await done(page);
  await expect(best(page, 'bought')).toContainText('3 days at €15.00');
  await expect(best(page, 'bought')).toContainText('€45.00 for the hire');
  await open(page, 'bought');
  await page.waitForURL(/\/verdict\?/);
  await page.getByRole('tab', { name: 'Build, buy, hire, borrow' }).click();
  await expect(page.locator('[data-way="hire it"]')).toContainText('€45.00');
  await expect(page.locator('[data-break-even]')).toContainText('hiring');
});

test('figures of the sentence change the answers; ink cuts; what misses is told by its wish', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/ask?shot=clerk`);
  await done(page);
  const before = await page.locator('[data-answer]').count();
  expect(before).toBeGreaterThan(1);
  // Faces of the answers, once they stand.
  await expect(page.locator('[data-answer="1"] [data-face=drawn]')).toBeVisible({
    timeout: 60_000,
  });
  await page.getByRole('textbox', { name: 'Softness wanted, °' }).fill('170');
  await page.getByRole('textbox', { name: 'Softness wanted, °' }).press('Enter');
  await page.locator('[data-wish=softness]').click();
  await expect(page.locator('[data-wish=softness]')).toHaveAttribute('aria-pressed', 'true');
  await page.locator('[data-ask=begun], [data-ask=judging]').first().waitFor();
  await done(page);
  await expect(page.locator('[data-answer]')).toHaveCount(0);
  await expect(page.locator('[data-near=softness]')).toContainText('instead of 170°');
  await kept(page);
  expect((await stored(page, ferry)).document.shots[0]!.wishes.hard).toContain('softness');
  await page.keyboard.press('Control+z');
  await done(page);
  await expect(page.locator('[data-answer]').first()).toBeVisible();
});

test('bad questions: no budget, nothing at all on the shelf, no shot', async ({
  page,
  request,
}) => {
  const document = nightFerry();
  document.shots[0]!.budgetMinor = 0;
  document.shelf = { units: [], parts: [] };
  Object.assign(document, { builds: [], fixtures: [], makings: [], setups: [], sessions: [] });
  Object.assign(document, { pictures: [], calibration: null });
  const bare = (await (await request.post('/api/productions', { data: { document } })).json()) as {
    id: string;
  };
  await visit(page, `/p/${bare.id}/ask?shot=clerk`);
  await done(page);
  await expect(page.getByText('Nothing meets every hard wish.')).toBeVisible();
  const none = (await (
    await request.post('/api/productions', { data: { document: { ...document, shots: [] } } })
  ).json()) as { id: string };
  await visit(page, `/p/${none.id}/ask`);
  await expect(page.getByRole('heading', { name: 'A question needs a shot' })).toBeVisible();
});

test('home leads to it; answers as CSV; nothing for a screen reader to stumble over', async ({
  page,
  ferry,
}) => {
  await visitList(page);
  await page
    .locator(`[data-production=${ferry}]`)
    .getByRole('link', { name: /What should I build/ })
    .click();
  await page.waitForURL(/\/ask/);
  await done(page);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  expect((await saved).suggestedFilename()).toMatch(/answers-ticket-clerk\.csv$/);
  await expect(page.locator('[data-face=drawn]').last()).toBeVisible({ timeout: 60_000 });
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations).toEqual([]);
});
