import { expect, kept, put, reload, stored, test, visit } from './bench';
import { begin, pngHead, putFrames, still, withExif } from './metering';

const panel = (name: string) => ({ name, exact: true });

test('two frames: settings told first and taken out, the camera found still, the light compared; a box by mouse and by keys', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'frames', 'Clerk ring');
  // Half a stop more light, and a stop less exposure: the picture is half a stop darker.
  const first = withExif(await still(page, { type: 'image/jpeg' }), {
    shutter: [1, 50],
    fNumber: [28, 10],
    iso: 800,
  });
  const second = withExif(await still(page, { type: 'image/jpeg', gain: 2 ** -0.5 }), {
    shutter: [1, 100],
    fNumber: [28, 10],
    iso: 800,
  });
  await putFrames(
    page,
    [
      { name: 'before.jpg', buffer: first },
      { name: 'after.jpg', buffer: second },
    ],
    2,
  );
  await page.getByRole('tab', panel('Compared')).click();
  await expect(page.locator('[data-told=exposure]')).toContainText(
    '1/50 s and 1/100 s (−1.0 stops)',
  );
  await expect(page.locator('[data-registration]')).toHaveAttribute('data-registration', 'same');
  const stops = page.locator('[data-stops]');
  expect(Math.abs(Number(await stops.getAttribute('data-stops')) - 0.5)).toBeLessThan(0.02);
  // A box on the grey card, drawn with the mouse.
  await page.getByLabel('Draw').selectOption('grey');
  const marks = page.locator('[data-marks]').first();
  const area = (await marks.boundingBox())!;
  await page.mouse.move(area.x + 0.17 * area.width, area.y + 0.7 * area.height);
  await page.mouse.down();
  await page.mouse.move(area.x + 0.28 * area.width, area.y + 0.86 * area.height, { steps: 3 });
  await page.mouse.up();
  await expect(page.locator('[data-mired]')).toContainText('of the same colour');
  // Another with keys alone: put in the middle, then moved and sized.
  await page.getByLabel('Draw').selectOption('skin');
  await page.getByRole('button', { name: 'Put it in the middle' }).press('Enter');
  const skin = page.getByRole('button', { name: /^Box on skin/ }).first();
  await skin.focus();
  for (let k = 0; k < 3; k++) await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Shift+ArrowLeft');
  await page.getByRole('tab', panel('Boxes')).click();
  const change = page.locator('[data-box=skin] [data-change]');
  await expect
    .poll(async () => Math.abs(Number(await change.getAttribute('data-change')) - 0.5))
    .toBeLessThan(0.03);
  await kept(page);
  const session = (await stored(page, ferry)).document.sessions.at(-1)!;
  const box = Object.values(session.frames.boxes).find(({ what }) => what === 'skin')!;
  expect(box.y).toBeCloseTo(0.37, 5);
  expect(box.w).toBeCloseTo(0.19, 5);
  // Wiped, and as a map.
  await page.getByLabel('Seen').selectOption('wipe');
  await page.getByRole('slider', { name: 'Wipe' }).fill('0.3');
  await page.getByLabel('Seen').selectOption('map');
  await expect(page.locator('figure[data-frame] canvas[data-shown=yes]')).toHaveCount(1);
  // A frame that does not count stays, and can be seen again.
  await page.getByRole('tab', panel('Frames')).click();
  await page.getByLabel('Strike out after.jpg').selectOption('the camera moved');
  await expect(page.locator('[data-frames="1"]')).toBeVisible();
  await page.getByRole('button', { name: 'Counts' }).click();
  await expect(page.locator('[data-frames="2"]')).toBeVisible();
});

test('a camera that moved, another shape, a broken file and one that is no picture are each told', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'frames', 'Clerk ring');
  const png = await still(page);
  await putFrames(
    page,
    [
      { name: 'a.png', buffer: png },
      { name: 'b.png', buffer: await still(page, { shift: 0.04 }) },
    ],
    2,
  );
  await page.getByRole('tab', panel('Compared')).click();
  await expect(page.locator('[data-registration=moved]')).toContainText(
    'shifted by 4.0 % of the width',
  );
  await expect(page.locator('[data-told=exposure]')).toContainText(
    'does not say how it was exposed',
  );
  await putFrames(
    page,
    [{ name: 'tall.png', buffer: await still(page, { width: 400, height: 600 }) }],
    2,
  );
  await page.getByRole('tab', panel('Compared')).click();
  await expect(page.getByText('different shapes')).toBeVisible();
  await page.getByRole('tab', panel('Frames')).click();
  const input = page.locator('[data-adding] input[type=file]');
  const heic = Buffer.concat([
    Buffer.from([0, 0, 0, 24]),
    Buffer.from('ftypheic\0\0\0\0heicmif1', 'latin1'),
    Buffer.alloc(64),
  ]);
  await input.setInputFiles([
    { name: 'phone.heic', mimeType: 'image/heic', buffer: heic },
    { name: 'words.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture at all') },
  ]);
  await expect(page.locator('[data-adding] [role=alert] li')).toHaveText([
    /phone\.heic is HEIC, not PNG/,
    /words\.jpg is no PNG/,
  ]);
  await expect(page.locator('[data-frames="3"]')).toBeVisible();
  // Cut off in the middle: it is kept, and said where it would be seen.
  await input.setInputFiles([
    { name: 'cut.png', mimeType: 'image/png', buffer: png.subarray(0, 60) },
  ]);
  await expect(page.getByText(/cut\.png cannot be read as a picture/)).toBeVisible();
  // Two hundred megapixels by its head: nobody lays them open to find out.
  await input.setInputFiles([
    { name: 'vast.png', mimeType: 'image/png', buffer: pngHead(20_000, 10_000) },
  ]);
  await expect(page.getByText(/vast\.png has 200 megapixels; 64 are read/)).toBeVisible();
});

test('the camera as a light meter: by its settings, held against a meter, kept as a reading', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'frames', 'Clerk ring');
  await putFrames(page, [{ name: 'card.png', buffer: await still(page) }], 1);
  await page.getByRole('tab', panel('Camera')).click();
  await expect(page.getByText('Draw a box on a grey card')).toBeVisible();
  await page.getByLabel('Draw').selectOption('grey');
  const area = (await page.locator('[data-marks]').boundingBox())!;
  await page.mouse.move(area.x + 0.17 * area.width, area.y + 0.7 * area.height);
  await page.mouse.down();
  await page.mouse.move(area.x + 0.28 * area.width, area.y + 0.86 * area.height, { steps: 3 });
  await page.mouse.up();
  await expect(page.getByText(/does not say shutter, f-number and ISO/)).toBeVisible();
  await put(page, 'Shutter', '1/50');
  await put(page, 'f/', '2.8');
  await put(page, 'ISO', '400');
  // π·12.5·2.8²/(1/50·400·0.18) [std: ISO 2720].
  const lux = page.locator('[data-lux]');
  await expect.poll(async () => Number(await lux.getAttribute('data-lux'))).toBeCloseTo(213.8, -1);
  await expect(lux).toHaveAttribute('data-calibrated', 'false');
  await expect(lux).toContainText('⅔');
  const meter = page.getByLabel('A lux meter at the card says');
  await meter.fill('90000');
  await page.getByRole('button', { name: 'Hold against it' }).click();
  await expect(page.getByText(/no camera is/)).toBeVisible();
  await meter.fill('24 fc');
  await page.keyboard.press('Enter');
  await expect(lux).toHaveAttribute('data-calibrated', 'true');
  expect(Math.abs(Number(await lux.getAttribute('data-lux')) / 258.3 - 1)).toBeLessThan(0.01);
  await page.getByRole('button', { name: 'Keep as a reading' }).click();
  await kept(page);
  const session = (await stored(page, ferry)).document.sessions.at(-1)!;
  expect(Object.values(session.readings)).toMatchObject([
    { place: { kind: 'card' }, simulated: false },
  ]);
  await reload(page);
  await expect(page.locator('[data-frames][data-read="1"]')).toBeVisible();
  await page.getByRole('tab', panel('Camera')).click();
  await expect(lux).toHaveAttribute('data-calibrated', 'true');
});

test('bands against a reference: their count, and their frequency once the read-out is known', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'frames', 'Clerk ring');
  const steady = await still(page);
  const banded = await still(page, { bands: { waves: 6, depth: 0.1 } });
  await putFrames(
    page,
    [
      { name: 'steady.png', buffer: steady },
      { name: 'banded.png', buffer: banded },
    ],
    2,
  );
  await page.getByLabel('What steady.png is').selectOption('reference');
  await expect(page.locator('[data-frames="1"][data-read="1"]')).toBeVisible();
  await page.getByRole('tab', panel('Bands')).click();
  await expect(page.getByText('steady.png is the reference')).toBeVisible();
  const found = page.locator('[data-bands]');
  await expect
    .poll(async () => Math.abs(Number(await found.getAttribute('data-bands')) - 6))
    .toBeLessThan(0.12);
  await put(page, 'Camera reads out in', '20 ms');
  await expect
    .poll(async () => Math.abs(Number(await found.getAttribute('data-hz')) - 300))
    .toBeLessThan(6);
});

test('several frames whose bands run on are taken together: what stands still in all of them is the scene', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'frames', 'Clerk ring');
  const names = ['one.png', 'two.png', 'three.png', 'four.png'];
  const pictures = [];
  for (const [k, name] of names.entries())
    pictures.push({
      name,
      buffer: await still(page, { bands: { waves: 5, depth: 0.12, phase: 1.7 * k } }),
    });
  await putFrames(page, pictures, 2);
  await page.getByRole('tab', panel('Bands')).click();
  await put(page, 'Camera reads out in', '25 ms');
  await expect(page.getByText('4 frames together')).toBeVisible();
  const found = page.locator('[data-bands]');
  await expect(found).toHaveCount(1);
  await expect
    .poll(async () => Math.abs(Number(await found.getAttribute('data-hz')) - 200))
    .toBeLessThan(4);
});

test('the simulated camera takes a pair, steady and on a dimmer; both are marked', async ({
  page,
  ferry,
}) => {
  await visit(page, `/p/${ferry}/meter`);
  await begin(page, 'frames', 'Clerk ring');
  await page.getByRole('button', { name: 'Simulated camera' }).click();
  await expect(page.locator('[data-read="2"][data-compared=yes]')).toBeVisible({ timeout: 90_000 });
  await page.getByRole('tab', panel('Compared')).click();
  await expect(page.locator('[data-registration]')).toHaveAttribute('data-registration', 'same');
  await expect(
    page.locator('[data-frame] figcaption').filter({ hasText: 'simulated' }),
  ).toHaveCount(2);
  await kept(page);
  const session = (await stored(page, ferry)).document.sessions.at(-1)!;
  expect(Object.values(session.frames.shots).map(({ simulated }) => simulated)).toEqual([
    true,
    true,
  ]);
});
