import { sha256 } from '@noble/hashes/sha2.js';
import { fileTypeFromBuffer } from 'file-type';
import {
  mediaHashSchema,
  MOST_MEDIA_BYTES,
  PICTURE_TYPES,
  type MediaHash,
  type PictureType,
} from '@/core/document/picture';
import { accept, refuse, type Result } from '@/core/result';

/** A picture's bytes as the document names them. */
interface PictureFile {
  media: MediaHash;
  type: PictureType;
  sizeBytes: number;
}

const isPictureType = (type: string | undefined): type is PictureType =>
  (PICTURE_TYPES as readonly (string | undefined)[]).includes(type);

const MB = 1e6;
export const tooBigWords = (name: string, bytes: number): string =>
  `${name} has ${(bytes / MB).toFixed(1)} MB; a picture may have ${MOST_MEDIA_BYTES / MB} MB. Save it smaller, or as JPEG.`;

/**
 * SHA-256 as 64 hexadecimal digits. Browsers keep their own for encrypted pages and this machine's; a phone
 * that came to the bench over plain HTTP has none.
 */
async function hashOf(bytes: Uint8Array<ArrayBuffer>): Promise<MediaHash> {
  const own = (crypto as Partial<Crypto>).subtle;
  const digest = own ? new Uint8Array(await own.digest('SHA-256', bytes)) : sha256(bytes);
  return mediaHashSchema.parse([...digest].map((b) => b.toString(16).padStart(2, '0')).join(''));
}

/** What a file is by its content, whatever it is called; refused when it is no picture we keep. */
export async function readPictureFile(
  bytes: Uint8Array<ArrayBuffer>,
  name: string,
): Promise<Result<PictureFile>> {
  const sizeBytes = bytes.byteLength;
  if (sizeBytes > MOST_MEDIA_BYTES) return refuse('too_big', tooBigWords(name, sizeBytes), 'file');
  const found = await fileTypeFromBuffer(bytes.subarray(0, 4100));
  if (!isPictureType(found?.mime))
    return refuse(
      'no_picture',
      `${name} is ${found ? `${found.ext.toUpperCase()}, not` : 'no'} PNG, JPEG, WebP or AVIF picture; it goes by its content, not by its name.`,
      'file',
    );
  return accept({ media: await hashOf(bytes), type: found.mime, sizeBytes });
}

/** Longer edge of the small copy, pixels. */
const SMALL_EDGE = 480;

/** A small copy for lists; null where this browser cannot read the picture. */
async function smallCopy(file: Blob): Promise<Blob | null> {
  if (typeof createImageBitmap === 'undefined' || typeof OffscreenCanvas === 'undefined')
    return null;
  try {
    const whole = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const scale = Math.min(1, SMALL_EDGE / Math.max(whole.width, whole.height));
    const [w, h] = [whole.width, whole.height].map((edge) => Math.max(1, Math.round(edge * scale)));
    const canvas = new OffscreenCanvas(w!, h!);
    const context = canvas.getContext('2d');
    if (!context) return null;
    context.imageSmoothingQuality = 'high';
    context.drawImage(whole, 0, 0, w!, h!);
    whole.close();
    return await canvas.convertToBlob({ type: 'image/webp', quality: 0.8 });
  } catch {
    return null;
  }
}

/** Everything a photograph needs before it is sent, worked out off the page. */
export async function preparePicture(
  file: File,
): Promise<Result<PictureFile & { small: Blob | null }>> {
  if (file.size > MOST_MEDIA_BYTES)
    return refuse('too_big', tooBigWords(file.name, file.size), 'file');
  const read = await readPictureFile(new Uint8Array(await file.arrayBuffer()), file.name);
  return read.ok ? accept({ ...read.value, small: await smallCopy(file) }) : read;
}
