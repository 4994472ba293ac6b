import { transfer } from 'comlink';
import { FrameReader, readEvery, type FrameData } from '@/core/frames/frame';
import { outlineOf, type Outline } from '@/core/frames/outline';
import { linearTable } from '@/core/frames/tone';
import { accept, refuse, type Result } from '@/core/result';
import { readPictureFile } from './pictureFile';

/** What a picture file says of how it was taken; null for what it does not say. */
export interface FileExposure {
  exposureS: number | null;
  fNumber: number | null;
  isoSpeed: number | null;
  focalM: number | null;
  camera: string;
  /** of the whole picture, pixels; null where the file does not say it at its beginning */
  width: number | null;
  height: number | null;
  /** it is shown on its side: the camera's rows stand upright */
  turned: boolean;
}

type Tag = { value?: unknown; description?: string } | undefined;

/** A number, or a fraction as EXIF writes it; null for anything else, and for what no camera has. */
function numberIn(tag: Tag): number | null {
  const value = tag?.value;
  const [a, b] = Array.isArray(value) ? (value as unknown[]) : [value, 1];
  const number =
    Array.isArray(value) && value.length === 1 ? Number(a) : Number(a) / Number(b ?? 1);
  return Number.isFinite(number) && number > 0 ? number : null;
}
const within = (value: number | null, least: number, most: number): number | null =>
  value !== null && value >= least && value <= most ? value : null;

/** What stands in a file beside the picture; nothing of it is a reason to refuse the picture. */
export async function fileExposure(bytes: ArrayBuffer): Promise<FileExposure> {
  const { default: ExifReader } = await import('exifreader');
  const found = await ExifReader.load(bytes, { expanded: true, async: true }).catch(() => null);
  const exif = (found?.exif ?? {}) as Record<string, Tag>;
  const file = (found?.file ?? {}) as Record<string, Tag>;
  const png = (found?.pngFile ?? found?.png ?? {}) as Record<string, Tag>;
  const focalMm = numberIn(exif.FocalLength);
  const size = (name: string) => numberIn(file[name]) ?? numberIn(png[name]);
  return {
    exposureS: within(numberIn(exif.ExposureTime), 1e-6, 3600),
    fNumber: within(numberIn(exif.FNumber), 0.5, 128),
    isoSpeed: within(numberIn(exif.ISOSpeedRatings), 1, 1e7),
    focalM: within(focalMm === null ? null : focalMm / 1000, 0.0005, 5),
    camera: (exif.Model?.description ?? '').trim().slice(0, 80),
    width: size('Image Width'),
    height: size('Image Height'),
    turned: (numberIn(exif.Orientation) ?? 1) >= 5,
  };
}

/** A picture read as light, and a copy of it to be shown. */
export interface ReadFrame {
  data: FrameData;
  outline: Outline;
  turned: boolean;
  preview: ImageBitmap;
}

const MOST_PIXELS = 64_000_000;
/** Rows of pixels that lie open at once. */
const STRIP = 256;
/** Longer edge of what is shown. */
const PREVIEW_EDGE = 1400;

const tooLarge = (name: string, width: number, height: number) =>
  refuse(
    'too_large',
    `${name} has ${Math.round((width * height) / 1e6)} megapixels; ${MOST_PIXELS / 1e6} are read at most. Save it smaller.`,
    'file',
  );

/**
 * Reads a picture strip by strip as linear light.
 * @param curve  the camera's own; null for sRGB
 */
export async function readFrame(
  file: Blob,
  name: string,
  curve: readonly number[] | null,
  onProgress: (share: number) => void,
): Promise<Result<ReadFrame>> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const known = await readPictureFile(bytes, name);
  if (!known.ok) return known;
  const { width, height, turned } = await fileExposure(bytes.buffer);
  if (width && height && width * height > MOST_PIXELS) return tooLarge(name, width, height);
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(
    () => null,
  );
  if (!bitmap)
    return refuse(
      'broken',
      `${name} cannot be read as a picture here: it is damaged, or of a kind this browser does not know. Save it as JPEG or PNG.`,
      'file',
    );
  try {
    if (bitmap.width * bitmap.height > MOST_PIXELS)
      return tooLarge(name, bitmap.width, bitmap.height);
    const data = readBitmap(bitmap, linearTable(curve), turned, onProgress);
    const scale = Math.min(1, PREVIEW_EDGE / Math.max(bitmap.width, bitmap.height));
    const preview = await createImageBitmap(bitmap, {
      resizeWidth: Math.max(1, Math.round(bitmap.width * scale)),
      resizeHeight: Math.max(1, Math.round(bitmap.height * scale)),
      resizeQuality: 'medium',
    });
    const outline = outlineOf(data);
    const buffers = [
      data.rgb,
      data.variance,
      data.clipped,
      data.histogram,
      data.rowLight,
      data.columnLight,
      data.samples,
      outline.map.light,
      outline.square,
    ].map((array) => array.buffer);
    return transfer(accept({ data, outline, turned, preview }), [...buffers, preview]);
  } finally {
    bitmap.close();
  }
}

function readBitmap(
  bitmap: ImageBitmap,
  table: Float32Array,
  turned: boolean,
  onProgress: (share: number) => void,
): FrameData {
  const every = readEvery(bitmap.width, bitmap.height);
  const width = Math.floor(bitmap.width / every);
  const height = Math.floor(bitmap.height / every);
  const reader = new FrameReader(width, height, table, turned);
  const canvas = new OffscreenCanvas(width, Math.min(STRIP, height));
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  // Single pixels as they are: a mean of two would clip less and be less noisy than the picture.
  context.imageSmoothingEnabled = false;
  for (let y = 0; y < height; y += STRIP) {
    const rows = Math.min(STRIP, height - y);
    context.clearRect(0, 0, width, rows);
    context.drawImage(bitmap, 0, y * every, width * every, rows * every, 0, 0, width, rows);
    reader.addInPlace(context.getImageData(0, 0, width, rows).data, y);
    onProgress((y + rows) / height);
  }
  return { ...reader.done(), width: bitmap.width, height: bitmap.height };
}
