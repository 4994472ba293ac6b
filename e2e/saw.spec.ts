import { expect, kept, put, stored, test, visit } from './bench';

test('a piece is pressed on its layout, and tells its own sizes', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/cut?build=cabin-box`);
  await expect(page.locator('[data-plan=thorough]')).toBeVisible();
  const piece = page.getByRole('button', { name: /Top and bottom/ }).first();
  await piece.focus();
  await page.keyboard.press('Enter');
  const alone = page.locator('[data-piece]').first();
  await expect(alone).toContainText('Top and bottom');
  await expect(alone).toContainText('403.1 mm');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-piece]')).toHaveCount(0);
});

test('what is left of a sheet is kept on the shelf, and the next light is cut from it', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/cut?build=clerk-ring`);
  await expect(page.locator('[data-plan=thorough]')).toBeVisible();
  const mdf = async () =>
    (await stored(page, ferry)).document.shelf.parts.find(
      (part) => part.name === 'MDF 6 mm, 1.22 × 1.22 m',
    ) as { offCuts: object[] };
  const before = (await mdf()).offCuts.length;
  await page.getByRole('button', { name: 'It is cut: keep what is left' }).first().click();
  await kept(page);
  const after = (await mdf()).offCuts;
  expect(after.length).toBeGreaterThan(before);
  // The disc that fell out of the ring, 70 cm less a cut each side.
  const discs = after.flatMap((one) => ('diameterM' in one ? [one.diameterM as number] : []));
  expect(discs.some((diameterM) => diameterM > 0.69 && diameterM < 0.7)).toBe(true);
  await page.keyboard.press('Control+z');
  await kept(page);
  expect((await mdf()).offCuts).toHaveLength(before);
});

test('something round of one’s own is offered for every circle it comes near', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/cut?build=clerk-pan`);
  await page.getByRole('tab', { name: 'Circles' }).click();
  const wanted = page.getByRole('rowheader', { name: /^Ø/ }).first();
  const diameter = /Ø ([\d.]+) mm/.exec((await wanted.textContent())!)![1]!;
  await put(page, 'Something round you have', 'Wash tub');
  // Enter in the last field puts it on the shelf.
  await put(page, 'Across its rim', `${diameter} mm`);
  const own = page.locator('[data-own]').filter({ hasText: 'Wash tub' }).first();
  await expect(own).toContainText(`Ø ${diameter} mm, just right`);
  await kept(page);
  const { document } = await stored(page, ferry);
  expect(document.shelf.parts.at(-1)).toMatchObject({ role: 'round', name: 'Wash tub' });
});

test('several lights as one purchase, with what goes into the car', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/cut?build=clerk-ring`);
  await page.getByRole('tab', { name: 'Together' }).click();
  const together = page.locator('[data-together=ready]');
  await expect(together.getByRole('heading', { name: 'In the car' })).toBeVisible();
  const boxes = together.getByRole('checkbox');
  const count = await boxes.count();
  expect(count).toBeGreaterThan(1);
  await boxes.nth(0).uncheck();
  await expect(together.getByText(/one by one it would be/)).toBeVisible();
  const href = await page.getByRole('link', { name: 'Car sheet as a PDF' }).getAttribute('href');
  const asked = new URL(href!, 'http://jar').searchParams.get('builds')!.split(',');
  expect(asked).toHaveLength(count - 1);
  const answer = await page.request.get(href!);
  expect(answer.headers()['content-type']).toBe('application/pdf');
  expect((await answer.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const sheet = `/api/productions/${ferry}/car-sheet`;
  expect((await page.request.get(`${sheet}?builds=nobody`)).status()).toBe(404);
  expect((await page.request.get('/api/productions/nobody/car-sheet')).status()).toBe(404);
});

test('nothing flat is no outline: said on the page, refused in words at the door', async ({
  page,
  ferry,
}) => {
  const document = (await stored(page, ferry)).document;
  const frame = document.builds.find(({ form }) => form === 'overhead-frame')!.id;
  await visit(page, `/p/${ferry}/cut?build=${frame}`);
  await page.getByRole('tab', { name: 'Files' }).click();
  await expect(page.getByText('Nothing flat is cut').first()).toBeVisible();
  await expect(page.getByRole('link', { name: /DXF/ })).toHaveCount(0);
  for (const file of ['pieces.dxf', 'pieces.svg', 'trial-card.pdf']) {
    const answer = await page.request.get(`/api/productions/${ferry}/builds/${frame}/${file}`);
    expect(answer.status()).toBe(409);
    expect(await answer.text()).toContain('Nothing flat is cut for this light');
  }
});
