import { expect, type Page } from './bench';

/** Begins a session of a kind, of a thing that is named. */
export async function begin(page: Page, kind: string, name: string) {
  const aside = page.getByRole('complementary', { name: 'Metering' });
  await aside.getByLabel('Meter').selectOption(kind);
  await aside.getByLabel('Of').selectOption({ label: name });
  await aside.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.locator(`section[data-session=${kind}]`)).toBeVisible();
}

export interface Still {
  /** light on everything, against the first */
  gain?: number;
  width?: number;
  height?: number;
  /** shares of the width by which everything lies to the right */
  shift?: number;
  /** waves down the picture, and how deep */
  bands?: { waves: number; depth: number; phase?: number } | null;
  type?: 'image/png' | 'image/jpeg';
}

/** A picture of a known scene, drawn by the browser itself: sRGB of IEC 61966-2-1, as text of base 64. */
export async function still(page: Page, given: Still = {}): Promise<Buffer> {
  const all = {
    gain: 1,
    width: 600,
    height: 400,
    shift: 0,
    bands: null,
    type: 'image/png',
    ...given,
  };
  const base64 = await page.evaluate(({ gain, width, height, shift, bands, type }) => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [width, height];
    const context = canvas.getContext('2d')!;
    const image = context.createImageData(width, height);
    const encode = (v: number) => (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);
    const inside = (x: number, y: number, l: number, t: number, r: number, b: number) =>
      x > l && x < r && y > t && y < b;
    for (let row = 0; row < height; row++)
      for (let column = 0; column < width; column++) {
        const [x, y] = [(column + 0.5) / width - shift, (row + 0.5) / height];
        let light = 0.06 + 0.05 * x + 0.02 * y;
        if (Math.hypot((x - 0.5) * 1.5, y - 0.4) < 0.2) light += 0.09;
        if (inside(x, y, 0.08, 0.15, 0.2, 0.45)) light += 0.08;
        if (inside(x, y, 0.72, 0.1, 0.9, 0.3)) light += 0.06;
        if (inside(x, y, 0.15, 0.66, 0.3, 0.9)) light = 0.18;
        if (inside(x, y, 0.75, 0.55, 0.92, 0.8)) light = 0.03;
        const wave = bands
          ? 1 + bands.depth * Math.sin(2 * Math.PI * bands.waves * y + (bands.phase ?? 0))
          : 1;
        const value = Math.round(255 * encode(Math.min(1, light * gain * wave)));
        image.data.set([value, value, value, 255], 4 * (row * width + column));
      }
    context.putImageData(image, 0, 0);
    return canvas.toDataURL(type, 0.95).split(',')[1]!;
  }, all);
  return Buffer.from(base64, 'base64');
}

/** A JPEG with shutter, f-number and ISO written into it [std: Exif 2.3, TIFF 6.0: big-endian, one directory and its Exif one]. */
export function withExif(
  jpeg: Buffer,
  {
    shutter,
    fNumber,
    iso,
  }: { shutter: readonly [number, number]; fNumber: readonly [number, number]; iso: number },
): Buffer {
  const tiff = Buffer.alloc(8 + 18 + 2 + 3 * 12 + 4 + 16);
  tiff.write('MM', 0, 'latin1');
  tiff.writeUInt16BE(42, 2);
  tiff.writeUInt32BE(8, 4);
  const entry = (at: number, tag: number, type: number, value: number, short = false) => {
    tiff.writeUInt16BE(tag, at);
    tiff.writeUInt16BE(type, at + 2);
    tiff.writeUInt32BE(1, at + 4);
    if (short) tiff.writeUInt16BE(value, at + 8);
    else tiff.writeUInt32BE(value, at + 8);
  };
  const exif = 26;
  tiff.writeUInt16BE(1, 8);
  entry(10, 0x8769, 4, exif);
  const values = exif + 2 + 36 + 4;
  tiff.writeUInt16BE(3, exif);
  entry(exif + 2, 0x829a, 5, values);
  entry(exif + 14, 0x829d, 5, values + 8);
  entry(exif + 26, 0x8827, 3, iso, true);
  for (const [k, number] of [...shutter, ...fNumber].entries())
    tiff.writeUInt32BE(number, values + 4 * k);
  const head = Buffer.alloc(10);
  head.writeUInt16BE(0xffe1, 0);
  head.writeUInt16BE(tiff.length + 8, 2);
  head.write('Exif\0\0', 4, 'latin1');
  return Buffer.concat([jpeg.subarray(0, 2), head, tiff, jpeg.subarray(2)]);
}

/** Puts pictures into the session that is open, and waits until they are read. */
export async function putFrames(
  page: Page,
  files: readonly { name: string; buffer: Buffer }[],
  seen: number,
) {
  await page.getByRole('tab', { name: 'Frames' }).click();
  await page.locator('[data-adding] input[type=file]').setInputFiles(
    files.map(({ name, buffer }) => ({
      name,
      buffer,
      mimeType: name.endsWith('.png') ? 'image/png' : 'image/jpeg',
    })),
  );
  await expect(page.locator(`[data-frames][data-read="${seen}"]`)).toBeVisible();
}

/** The head of a PNG of such a size [std: PNG, 11.2.2 IHDR]; there is no picture behind it. */
export function pngHead(width: number, height: number): Buffer {
  const size = Buffer.alloc(8);
  size.writeUInt32BE(width, 0);
  size.writeUInt32BE(height, 4);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]),
    Buffer.from('IHDR', 'latin1'),
    size,
    Buffer.from([8, 2, 0, 0, 0, 0, 0, 0, 0]),
  ]);
}
