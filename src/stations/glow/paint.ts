import { stopsRgb } from './stopsColour';
import type { Picture } from './useLitHead';

export type View = 'build' | 'wipe' | 'difference';

/** Picture as a canvas of its own size, to be stretched by drawing. */
function sheetOf({ size, pixels }: Pick<Picture, 'size' | 'pixels'>): HTMLCanvasElement {
  const sheet = document.createElement('canvas');
  sheet.width = sheet.height = size;
  sheet.getContext('2d')!.putImageData(new ImageData(pixels, size, size), 0, 0);
  return sheet;
}

/** Where build and fixture differ, in stops: log2 of their light at each pixel. */
function difference(build: Picture, fixture: Picture): Pick<Picture, 'size' | 'pixels'> | null {
  if (build.size !== fixture.size) return null;
  const pixels = new Uint8ClampedArray(build.pixels.length);
  build.lux.forEach((lx, k) => {
    const [r, g, b] = stopsRgb(Math.log2(Math.max(1e-3, lx) / Math.max(1e-3, fixture.lux[k]!)));
    pixels.set([r, g, b, 255], k * 4);
  });
  return { size: build.size, pixels };
}

/**
 * Paints what is there onto the visible canvas.
 * @param wipe share of the width that shows the build, 0…1
 */
export function paint(
  canvas: HTMLCanvasElement,
  build: Picture,
  fixture: Picture | null,
  view: View,
  wipe: number,
): void {
  const context = canvas.getContext('2d')!;
  const { width, height } = canvas;
  const shown = (view === 'difference' && fixture && difference(build, fixture)) || build;
  context.imageSmoothingQuality = 'high';
  context.drawImage(sheetOf(shown), 0, 0, width, height);
  if (view !== 'wipe' || !fixture) return;
  const from = Math.round(wipe * width);
  context.save();
  context.beginPath();
  context.rect(from, 0, width - from, height);
  context.clip();
  context.drawImage(sheetOf(fixture), 0, 0, width, height);
  context.restore();
  context.fillStyle = '#dcab52';
  context.fillRect(from - 1, 0, 2, height);
}

/** The band of a picture that is drawn at all, over the whole canvas. */
export function paintBand(canvas: HTMLCanvasElement, picture: Picture, band: number): void {
  const { size } = picture;
  const high = size * band;
  const context = canvas.getContext('2d')!;
  context.imageSmoothingQuality = 'high';
  const from = (size - high) / 2;
  context.drawImage(sheetOf(picture), 0, from, size, high, 0, 0, canvas.width, canvas.height);
}

/** Hands a canvas to the browser as a PNG file. */
export function savePng(canvas: HTMLCanvasElement, name: string): void {
  canvas.toBlob((blob) => {
    if (!blob) return;
    const url = URL.createObjectURL(blob);
    const link = document.createElement('a');
    link.href = url;
    link.download = name;
    link.click();
    URL.revokeObjectURL(url);
  }, 'image/png');
}
