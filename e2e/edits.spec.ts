import type { Page } from '@playwright/test';
import { expect, kept, put, reload, stored, test, visit } from './bench';

const build = (ferry: string, id = 'clerk-ring') => `/p/${ferry}/build?build=${id}`;

/** Somebody else saves. */
async function elsewhere(page: Page, ferry: string, ...commands: object[]) {
  const { revision } = await stored(page, ferry);
  const answer = await page.request.patch(`/api/productions/${ferry}`, {
    data: {
      client: 'somebody',
      baseRevision: revision,
      edits: [{ id: `e${revision}-${ferry}`.slice(0, 40), label: 'elsewhere', commands }],
    },
  });
  expect(answer.status()).toBe(200);
}
const set = (kind: string, id: string, path: string[], value: unknown) => ({
  do: 'set',
  kind,
  id,
  path,
  value,
});

const question = (page: Page) => page.getByRole('dialog', { name: 'Changed in another window' });

test('two windows: what does not touch is merged, a neighbour is never hit', async ({
  page,
  ferry,
}) => {
  await visit(page, build(ferry, 'warm-ring'));
  // The first build goes: every place in the list behind it is another one now.
  await elsewhere(page, ferry, set('session', 'frames-clerk', ['buildId'], null), {
    do: 'remove',
    kind: 'build',
    id: 'clerk-ring',
  });
  await put(page, 'Ring width', '17 cm');
  await kept(page);
  await expect(question(page)).toHaveCount(0);
  const { document } = await stored(page, ferry);
  const widths = Object.fromEntries(
    document.builds.map(({ id, parameters }) => [id, parameters.ringWidthM]),
  );
  expect(widths).not.toHaveProperty('clerk-ring');
  expect(widths['warm-ring']).toBe(0.17);
  expect(widths['stamp-ring']).toBe(0.1);
  // Undo is whole: it takes back what was done here, and only that.
  await page.getByRole('button', { name: /^Undo: / }).click();
  await expect(page.getByRole('textbox', { name: 'Ring width' })).toHaveValue('16 cm');
  await kept(page);
  const after = (await stored(page, ferry)).document;
  expect(after.builds.find(({ id }) => id === 'warm-ring')!.parameters.ringWidthM).toBe(0.16);
  expect(after.builds.some(({ id }) => id === 'clerk-ring')).toBe(false);
});

test('two windows: the same field is chosen, everything else stays of both', async ({
  page,
  ferry,
}) => {
  await visit(page, build(ferry));
  await elsewhere(
    page,
    ferry,
    set('build', 'clerk-ring', ['parameters', 'ringWidthM'], 0.2),
    set('build', 'clerk-ring', ['note'], 'from elsewhere'),
  );
  await put(page, 'Ring width', '17 cm');
  const clash = page.locator('[data-clash]');
  await expect(clash).toHaveCount(1);
  const onTop = question(page).getByRole('button', { name: 'Put my changes on top' });
  await expect(onTop).toBeDisabled();
  await clash.getByLabel(/^the other/).check();
  await onTop.click();
  await kept(page);
  await expect(page.getByRole('textbox', { name: 'Ring width' })).toHaveValue('20 cm');
  const { document } = await stored(page, ferry);
  expect(document.builds[0]!.note).toBe('from elsewhere');
});

test('two windows: the question waits until no other panel is open', async ({ page, ferry }) => {
  await visit(page, build(ferry));
  await elsewhere(
    page,
    ferry,
    set('build', 'clerk-ring', ['note'], 'from elsewhere'),
    set('build', 'clerk-ring', ['parameters', 'ringWidthM'], 0.2),
  );
  // The answer of the server is held back until a panel stands open.
  let release = () => {};
  const held = new Promise<void>((resume) => (release = resume));
  await page.route(`**/api/productions/${ferry}`, async (route) => {
    await held;
    await route.continue();
  });
  await put(page, 'Ring width', '17 cm');
  const keys = page.getByRole('dialog', { name: 'Keys' });
  await page.getByRole('textbox', { name: 'Ring width' }).blur();
  await page.keyboard.press('Shift+?');
  await expect(keys).toBeVisible();
  release();
  await expect(page.locator('[data-save=conflict]')).toBeAttached();
  await expect(keys).toBeVisible();
  await expect(question(page)).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(question(page)).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(1);
  await page.locator('[data-clash]').getByLabel(/^mine/).check();
  await question(page).getByRole('button', { name: 'Put my changes on top' }).click();
  await kept(page);
  expect((await stored(page, ferry)).document.builds[0]).toMatchObject({
    note: 'from elsewhere',
    parameters: { ringWidthM: 0.17 },
  });
});

test('a change that is refused costs itself alone, says where, and leaves undo whole', async ({
  page,
  ferry,
}) => {
  await visit(page, build(ferry));
  await put(page, 'Ring width', '17 cm');
  await kept(page);
  // The fixture it is compared with is gone by the time the choice arrives.
  await visit(page, `/p/${ferry}/verdict?build=clerk-ring`);
  await page.route(`**/api/productions/${ferry}`, async (route) => {
    const request = route.request();
    if (request.method() !== 'PATCH') return route.continue();
    const data = request.postDataJSON() as { edits: { commands: { path?: string[] }[] }[] };
    for (const { commands } of data.edits)
      for (const each of commands)
        if (each.path?.[0] === 'fixtureId') Object.assign(each, { value: 'nowhere' });
    await route.continue({ postData: JSON.stringify(data) });
  });
  await page.getByLabel('Compared with').selectOption({ index: 1 });
  const refusal = page.locator('[data-refusal]');
  await expect(refusal).toContainText('fixture of Clerk ring');
  await expect(page.locator('[data-save=refused]')).toBeVisible();
  await refusal.getByRole('button', { name: 'Show me' }).click();
  await page.waitForURL(/\/build\?build=clerk-ring/);
  await page.getByRole('button', { name: /^Put away/ }).click();
  await expect(refusal).toHaveCount(0);
  await expect(page.getByRole('textbox', { name: 'Ring width' })).toHaveValue('17 cm');
  await page.getByRole('button', { name: /^Undo: Ring width/ }).click();
  await expect(page.getByRole('textbox', { name: 'Ring width' })).toHaveValue('15 cm');
});

test('a shot goes, its lights stay: asked once, and undone as one', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/shot?shot=clerk`);
  await page.getByRole('main').getByRole('button', { name: 'Delete', exact: true }).click();
  await page.getByRole('button', { name: /^Delete the shot, keep/ }).click();
  await kept(page);
  const { document } = await stored(page, ferry);
  expect(document.shots.some(({ id }) => id === 'clerk')).toBe(false);
  expect(document.builds.find(({ id }) => id === 'clerk-ring')!.shotId).toBeNull();
  await visit(page, build(ferry));
  await expect(page.getByRole('main')).toContainText('For no shot');
  await expect(page.locator('[data-rung=light] [data-figure]')).not.toHaveText('–');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('main')).not.toContainText('For no shot');
});

test('undo pressed before the list of the last visit is read means it all the same', async ({
  page,
  ferry,
}) => {
  await visit(page, build(ferry));
  await put(page, 'Ring width', '17 cm');
  await kept(page);
  // A slow browser: the name of the window, and with it its list, comes late.
  await page.addInitScript(() => {
    const request = Reflect.get(LockManager.prototype, 'request') as (
      ...all: unknown[]
    ) => Promise<unknown>;
    Reflect.set(
      LockManager.prototype,
      'request',
      async function (this: LockManager, ...all: unknown[]) {
        await new Promise((resume) => setTimeout(resume, 800));
        return request.apply(this, all);
      },
    );
  });
  await visit(page, build(ferry));
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('textbox', { name: 'Ring width' })).toHaveValue('15 cm');
});

test('a light that is only an idea is not switched on with the others', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/wire?build=sky-bank`);
  await page.getByRole('tab', { name: 'Circuits' }).click();
  const load = page.locator('[data-circuit=hall-b] [data-load]');
  const before = await load.textContent();
  await visit(page, build(ferry, 'sky-bank'));
  await page.getByRole('button', { name: /^For / }).click();
  await page.getByLabel('It is').selectOption('an idea');
  await page.keyboard.press('Escape');
  await visit(page, `/p/${ferry}/wire?build=sky-bank`);
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await expect(load).not.toHaveText(before!);
  await expect(page.locator('[data-chip=sky-bank]')).toContainText('an idea');
});

test('a bare number means the unit that stands in the field', async ({ page, ferry }) => {
  await visit(page, build(ferry));
  const field = page.getByRole('textbox', { name: 'Ring width' });
  await expect(field).toHaveValue('15 cm');
  await put(page, 'Ring width', '17');
  await expect(field).toHaveValue('17 cm');
  await page.getByRole('button', { name: 'Sockets', exact: true }).click();
  const outer = page.getByLabel('Outer Ø', { exact: true });
  await page.getByRole('button', { name: 'Board', exact: true }).click();
  await expect(outer).toHaveValue('1 m');
  await put(page, 'Outer Ø', '1,2');
  await expect(outer).toHaveValue('1.2 m');
});

test('a helper that fails is told, and asked again', async ({ page, ferry }) => {
  let broken = true;
  await page.route(/\/_next\/static\/.*\.js$/, async (route) => {
    const fromWorker =
      route.request().resourceType() !== 'script' || route.request().frame() === null;
    if (broken && fromWorker) return route.abort();
    return route.continue();
  });
  await visit(page, `/p/${ferry}/cut?build=clerk-ring`);
  await expect(page.locator('[data-trouble]')).toContainText('could not be worked out', {
    timeout: 30_000,
  });
  broken = false;
  await page.getByRole('button', { name: 'Ask again' }).click();
  await expect(page.locator('[data-plan=thorough]')).toBeVisible({ timeout: 30_000 });
  await expect(page.locator('[data-trouble]')).toHaveCount(0);
});

test('changes of a window that closed before they were kept are offered in the next', async ({
  page,
  context,
  ferry,
}) => {
  await visit(page, build(ferry));
  const url = `**/api/productions/${ferry}`;
  await context.route(url, (route) =>
    route.request().method() === 'PATCH' ? route.abort() : route.continue(),
  );
  const second = await context.newPage();
  await visit(second, build(ferry, 'warm-ring'));
  await put(page, 'Ring width', '17 cm');
  await put(second, 'Ring width', '18 cm');
  for (const each of [page, second])
    await expect(each.locator('[data-save=unanswered]')).toBeVisible();
  await page.close();
  await second.close();
  await context.unroute(url);
  const third = await context.newPage();
  await visit(third, build(ferry));
  const offer = third.getByRole('dialog', { name: 'Changes from a closed window' });
  await expect(offer).toContainText('Ring width of');
  await offer.getByRole('button', { name: 'Put them on top' }).click();
  await kept(third);
  const { document } = await stored(third, ferry);
  const width = (id: string) =>
    document.builds.find((each) => each.id === id)!.parameters.ringWidthM;
  expect([width('clerk-ring'), width('warm-ring')]).toEqual([0.17, 0.18]);
  await reload(third);
  await expect(offer).toHaveCount(0);
});
