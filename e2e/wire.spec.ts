import { LOOK_OVER } from '../src/core/power/wire';
import type { Production } from '../src/core/document/production';
import { nightFerry } from '../src/demo/nightFerry';
import { command, expect, kept, put, stored, test, visit, type Page } from './bench';

const gate = (page: Page) => page.locator('[data-gate]');
const shut = (page: Page) => expect(gate(page)).toHaveAttribute('data-gate', 'shut');
/** No stop, nothing unknown: it may be looked over. */
const ready = (page: Page) => expect(gate(page)).toHaveAttribute('data-gate', 'look over');
const open = (page: Page) => expect(gate(page)).toHaveAttribute('data-gate', 'open');
const sheet = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();
/** Opens a drawer of the tray. */
async function drawer(page: Page, name: string) {
  const tray = page.getByRole('button', { name, exact: true }).last();
  await tray.click();
}

test('thin cord: refused, a thicker one opens the gate', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/wire?build=warm-ring`);
  await shut(page);
  const cord = page.locator('[data-finding="power.cord"]');
  await expect(cord).toContainText('can set fire');
  await cord
    .getByRole('button', { name: /^Use “/ })
    .last()
    .click();
  await ready(page);
  await expect(cord).toContainText('Fine');
  await page.keyboard.press('Control+z');
  await shut(page);
});

test('film on halogen: refused until it stands clear', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/wire?build=counter-lamp`);
  await ready(page);
  await drawer(page, 'Lamp');
  const bulb = page.getByRole('region', { name: 'Tray' }).getByLabel('Bulb', { exact: true });
  await bulb.selectOption({ label: 'A55 halogen 42 W 630 lm 2800 K' });
  await shut(page);
  await expect(page.locator('[data-finding="heat.clearance.layer"]')).toContainText('can scorch');
  await bulb.selectOption({ label: 'A60 globe 9 W 806 lm 4000 K' });
  await ready(page);
});

/** A fresh Night Ferry with a change made to it before anybody opens it. */
async function altered(page: Page, change: (draft: Production) => void): Promise<string> {
  const document = structuredClone(nightFerry());
  change(document);
  const answer = await page.request.post('/api/productions', { data: { document } });
  return ((await answer.json()) as { id: string }).id;
}
const lightOf = (document: Production, id: string) =>
  document.builds.find((build) => build.id === id)!;

/** Shut by one finding, mended by its own way out, and shut again by taking that back. */
async function mended(page: Page, finding: string, way: string | RegExp) {
  await shut(page);
  const item = page.locator(`[data-finding="${finding}"]`);
  await item.getByRole('button', { name: way }).first().click();
  await ready(page);
  await page.keyboard.press('Control+z');
  await shut(page);
}

test('a hot beam on foam: refused, the light moved back', async ({ page }) => {
  const id = await altered(page, (draft) =>
    Object.assign(lightOf(draft, 'corridor-work').parameters, {
      unitId: 'work-halogen-400',
      cordPartId: 'cord-15-3',
      aim: 'bounce',
      bounceFinish: 'foam-core',
      bounceDistanceM: 0.4,
    }),
  );
  await visit(page, `/p/${id}/wire?build=corridor-work`);
  await expect(page.locator('[data-finding="heat.clearance.bounce"]')).toContainText('scorch');
  await mended(page, 'heat.clearance.bounce', /^Move the light back/);
});

test('a metal board without earth: refused, a cord with earth costs what it says', async ({
  page,
}) => {
  const id = await altered(page, (draft) =>
    Object.assign(lightOf(draft, 'clerk-ring').parameters, { boardPartId: 'alu-2' }),
  );
  await visit(page, `/p/${id}/wire?build=clerk-ring`);
  const item = page.locator('[data-finding="earth.metal"]');
  await expect(item).toContainText('loose strand');
  await expect(item.getByRole('button', { name: /^Use “Three-core/ })).toContainText(
    /[+−]€|nothing/,
  );
  await mended(page, 'earth.metal', /^Use “Three-core/);
});

test('a fuse too big for its flex: told on the chain, the small one put in', async ({ page }) => {
  const id = await altered(page, (draft) => {
    for (const circuit of draft.circuits) circuit.region = 'uk-230-50';
    const plug = draft.shelf.parts.find((part) => part.id === 'plug-16')!;
    for (const fuseA of [13, 3])
      draft.shelf.parts.push({
        ...plug,
        id: `fused-${fuseA}`,
        name: `Fused plug, ${fuseA} A in it`,
        ratedA: 13,
        fuseA,
      } as typeof plug);
    Object.assign(lightOf(draft, 'clerk-ring').parameters, { plugPartId: 'fused-13' });
  });
  await visit(page, `/p/${id}/wire?build=clerk-ring`);
  await expect(page.locator('[data-link=plug]')).toHaveAttribute('data-severity', 'stop');
  await mended(page, 'power.protection', 'Use “Fused plug, 3 A in it”');
});

test('a light that leans over: refused, its feet made longer', async ({ page }) => {
  const id = await altered(page, (draft) => {
    const { accessories } = lightOf(draft, 'clerk-pan');
    Object.assign(accessories.find(({ kind }) => kind === 'pipe-stand')!.parameters, {
      pipePartId: 'pipe-alu-25',
    });
    Object.assign(accessories.find(({ kind }) => kind === 'hood')!.parameters, {
      boardPartId: 'ply-9',
      lengthM: 0.6,
    });
  });
  await visit(page, `/p/${id}/wire?build=clerk-pan`);
  await mended(page, 'stand.pan-stand.lean', /^Feet of/);
});

test('what nobody has said is asked and answered on the spot', async ({ page }) => {
  const id = await altered(page, (draft) => {
    for (const circuit of draft.circuits) circuit.rcd = 'unknown';
    lightOf(draft, 'clerk-ring').site.attended = 'unknown';
  });
  await visit(page, `/p/${id}/wire?build=clerk-ring`);
  await shut(page);
  const checks = page.getByRole('region', { name: 'Checks' });
  await checks
    .getByLabel('RCD (GFCI), Hall ring A')
    .selectOption({ label: 'a portable one at the outlet' });
  await expect(page.locator('[data-link=rcd]')).toHaveAttribute('data-severity', 'ok');
  await checks.getByLabel('While it is on').selectOption({ label: 'somebody stays with it' });
  await ready(page);
  await kept(page);
  const { document } = await stored(page, id);
  expect(document.circuits.find(({ id: own }) => own === 'hall-a')!.rcd).toBe('plug');
  expect(lightOf(document, 'clerk-ring').site.attended).toBe('always');
});

test('every wire drawn and listed; another copy wants another look', async ({ page }) => {
  const id = await altered(page, (draft) => void (lightOf(draft, 'clerk-ring').copies = 2));
  await visit(page, `/p/${id}/wire?build=clerk-ring`);
  await sheet(page, 'Wires');
  await expect(page.locator('[data-view=wiring] [data-insulation=brown]').first()).toBeVisible();
  await expect(page.getByRole('cell', { name: /^plug → lamp 1/ })).toBeVisible();
  await sheet(page, 'Look over');
  for (const point of LOOK_OVER) await page.getByRole('checkbox', { name: point }).check();
  await page.getByRole('textbox', { name: 'Name of who looked' }).fill('M. Okonkwo');
  await page.getByRole('button', { name: 'Sign off' }).click();
  await expect(page.locator('[data-sign-off=holds]')).toContainText('Copy 1');
  await ready(page);
  await expect(page.getByLabel('Which copy')).toHaveValue('2');
});

test('wrong dimmer, with the keyboard only, through to the sign-off', async ({ page, ferry }) => {
  const press = (key: string) => page.keyboard.press(key);
  const tabTo = async (
    role: 'button' | 'combobox' | 'checkbox' | 'textbox' | 'tab',
    name: string | RegExp,
  ) => {
    const target = page.getByRole(role, { name, exact: typeof name === 'string' }).first();
    for (let k = 0; k < 160; k++) {
      if (await target.evaluate((node) => node === document.activeElement)) return;
      await press('Tab');
    }
    throw new Error(`Tab never reaches ${name}`);
  };
  await visit(page, `/p/${ferry}/build?build=clerk-ring`);
  await command(page, 'go to wire');
  await ready(page);
  await tabTo('button', 'Cord');
  await press('Enter');
  await tabTo('combobox', 'Dimmer');
  await page.keyboard.type('Leading');
  await shut(page);
  await expect(page.locator('[data-finding="dimmer.kind.0"]')).toContainText('must not be dimmed');
  await press('Home');
  await ready(page);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await tabTo('tab', 'From breaker to lamp');
  await press('End');
  await expect(page.getByRole('tab', { name: 'Look over' })).toHaveAttribute(
    'aria-selected',
    'true',
  );
  await tabTo('checkbox', /^Unplugged/);
  for (let k = 0; k < LOOK_OVER.length; k++) {
    await press('Space');
    await press('Tab');
  }
  await tabTo('textbox', 'Name of who looked');
  await page.keyboard.type('M. Okonkwo');
  await press('Tab');
  await press('Enter');
  await expect(page.locator('[data-sign-off=holds]')).toContainText('M. Okonkwo');
  await open(page);
  await kept(page);
  const keptNow = (await stored(page, ferry)).document;
  expect(keptNow.builds.find(({ id }) => id === 'clerk-ring')!.signOffs).toHaveLength(1);
  // Another design wants another look.
  await press('Escape');
  await drawer(page, 'Board');
  await put(page, 'Outer Ø', '95 cm');
  await expect(page.locator('[data-sign-off=stale]')).toContainText('Outer Ø: ');
  await ready(page);
});

test('starved tape: metered, refused, fed at more places', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/wire?build=clerk-pan`);
  await sheet(page, 'Along the tape');
  await expect(page.locator('[data-strip]')).toHaveCount(1);
  await put(page, 'Metered at the far end', '30 V');
  await expect(page.getByText('30 V is too much')).toBeVisible();
  await put(page, 'Metered at the far end', '20.4 V');
  await shut(page);
  const starved = page.locator('[data-finding="tape.brightness"]');
  await expect(starved).toContainText('The tape is starved');
  await starved.getByRole('button', { name: /even places|in the middle/ }).click();
  await ready(page);
  await expect(starved).toContainText('Even along the tape');
  expect(await page.locator('[data-feed]').count()).toBeGreaterThan(1);
});

test('circuits: a light is dragged to another breaker, sent back by its list', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/wire?build=clerk-ring`);
  await sheet(page, 'Circuits');
  const hallA = page.locator('[data-circuit=hall-a]');
  const before = await hallA.locator('[data-load]').textContent();
  const chip = page.locator('[data-chip=lens-ring]');
  const from = (await chip.getByRole('button').boundingBox())!;
  const to = (await hallA.boundingBox())!;
  await page.mouse.move(from.x + 6, from.y + 6);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(hallA.locator('[data-chip=lens-ring]')).toBeVisible();
  await expect(hallA.locator('[data-load]')).not.toHaveText(before!);
  await chip.getByLabel('Circuit of Lens ring').selectOption({ label: 'Hall ring B' });
  await expect(hallA.locator('[data-load]')).toHaveText(before!);
});

test('less light, findings of every light, the safety page', async ({ page, ferry }) => {
  await visit(page, `/p/${ferry}/wire?build=clerk-ring`);
  await sheet(page, 'Less light');
  await expect(page.locator('[data-own=true]')).toContainText('not dimmable');
  await expect(page.getByRole('cell', { name: /^switch off \d+ of 16/ })).toBeVisible();
  await page.keyboard.press('f');
  await page.getByRole('tab', { name: 'Every light' }).click();
  const dialog = page.getByRole('dialog');
  for (const { name } of nightFerry().builds)
    await expect(dialog.getByRole('button', { name, exact: true })).toBeVisible();
  await dialog.getByRole('button', { name: 'Warm top ring' }).click();
  await expect(page).toHaveURL(/wire\?build=warm-ring/);
  await shut(page);
  const pack = await page.request.get(`/api/productions/${ferry}/builds/warm-ring/build-pack.pdf`);
  expect(pack.headers()['content-type']).toContain('pdf');
});
