import { nightFerry } from '@/demo/nightFerry';
import type { Picture } from '@/core/document/picture';
import { MOST_MEDIA_BYTES } from '@/core/document/picture';
import type { Production } from '@/core/document/production';
import { readPictureFile } from './pictureFile';
import { readProductionZip, zippedPicture } from './productionZip';
import { png, sha256, zipOf } from './testing';

const one = png(1000, 1);
const two = png(2000, 2);

const picture = (bytes: Uint8Array, k: number): Picture => ({
  id: `p${k}`,
  media: sha256(bytes) as Picture['media'],
  type: 'image/png',
  sizeBytes: bytes.byteLength,
  name: `back ${k}.png`,
  caption: '',
  buildId: 'clerk-ring' as Picture['buildId'],
});
const document: Production = {
  ...nightFerry(),
  pictures: [picture(one, 1), picture(two, 2)],
};
const json = JSON.stringify(document);
const entry = (bytes: Uint8Array, ending = 'png') => `media/${sha256(bytes)}.${ending}`;
const whole = { 'production.json': json, [entry(one)]: one, [entry(two)]: two };

const found = async (files: Parameters<typeof zipOf>[0], options = {}) => {
  const read = await readProductionZip(await zipOf(files, options));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
};
const refused = async (zip: Blob) => {
  const read = await readProductionZip(zip);
  return read.ok ? null : read.problems[0]!.message;
};

test('a whole one: the document and every picture, byte for byte', async () => {
  const zip = await zipOf({ ...whole, 'README.txt': 'words' });
  const read = await readProductionZip(zip);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  expect(read.value.document).toEqual(document);
  expect(read.value).toMatchObject({ missing: [], spoiled: [], extra: [] });
  expect(read.value.whole.map(({ media }) => media)).toEqual([sha256(one), sha256(two)]);
  const bytes = await zippedPicture(zip, entry(two));
  expect(bytes.ok && new Uint8Array(await bytes.value.arrayBuffer())).toEqual(two);
});

test('progress is told to its end', async () => {
  const told: number[] = [];
  await readProductionZip(await zipOf(whole), (share) => told.push(share));
  expect(told).toEqual([0.5, 1]);
});

test('a picture that is not there is named; its caption stays', async () => {
  const read = await found({ 'production.json': json, [entry(one)]: one });
  expect(read.missing.map(({ name }) => name)).toEqual(['back 2.png']);
  expect(read.document.pictures).toHaveLength(2);
});

test('files nobody names are left out and named', async () => {
  const stranger = png(10, 9);
  const read = await found({ ...whole, 'notes.txt': 'x', [entry(stranger)]: stranger });
  expect(read.extra).toEqual(['notes.txt', entry(stranger)]);
});

test('content that is not what its name says is left out and said', async () => {
  const read = await found({ ...whole, [entry(two)]: png(2000, 3) });
  expect(read.spoiled).toMatchObject([{ name: entry(two), why: expect.stringMatching('changed') }]);
  expect(read.missing.map(({ name }) => name)).toEqual(['back 2.png']);
});

test('a page, an SVG and a text under a picture’s name are no pictures', async () => {
  for (const text of ['<svg xmlns="http://www.w3.org/2000/svg"/>', '<html>', 'plain']) {
    const bytes = new TextEncoder().encode(text);
    const named = { ...document, pictures: [picture(bytes, 1)] };
    const read = await found({
      'production.json': JSON.stringify(named),
      [entry(bytes)]: bytes,
    });
    expect(read.spoiled[0]!.why).toContain('PNG, JPEG, WebP or AVIF');
  }
});

test.each([
  ['../evil.png'],
  ['media/../../evil.png'],
  ['/etc/passwd'],
  ['C:/evil.png'],
  ['media\\..\\evil.png'],
])('a path that climbs out, %s: the zip is not opened', async (name) => {
  expect(await refused(await zipOf({ ...whole, [name]: one }))).toContain('points outside');
});

test('no zip, half a zip, a zip of something else, a locked one', async () => {
  expect(await refused(new Blob(['PK rubbish']))).toContain('cannot be read');
  const zip = await zipOf(whole);
  expect(await refused(zip.slice(0, Math.floor(zip.size / 2)))).toContain('cannot be read');
  expect(await refused(await zipOf({ 'holiday.jpg': one }))).toContain('no production.json');
  expect(await refused(await zipOf(whole, { password: 'x' }))).toContain('password');
});

test('a document that is none is refused in the words of a document', async () => {
  expect(await refused(await zipOf({ 'production.json': '{"format": 3' }))).toContain('not a');
});

/** The size of the document as the local head and the directory of the zip tell it, little-endian. */
function withSize(bytes: Uint8Array<ArrayBuffer>, was: number, said: number): Blob {
  const view = new DataView(bytes.buffer);
  for (let at = 0; at + 4 <= bytes.length; at++)
    if (view.getUint32(at, true) === was) view.setUint32(at, said, true);
  return new Blob([bytes]);
}
const BOMB_BYTES = 66_000_000;
const bomb = async () =>
  new Uint8Array(await (await zipOf({ 'production.json': ' '.repeat(BOMB_BYTES) })).arrayBuffer());

test('a bomb: a document said to be 900 MB in a few kilobytes is not unpacked', async () => {
  const zip = withSize(await bomb(), BOMB_BYTES, 900_000_000);
  expect(zip.size).toBeLessThan(100_000);
  expect(await refused(zip)).toContain('900.0 MB');
});

test('a bomb that lies about its size is stopped while it grows', async () => {
  expect(await refused(withSize(await bomb(), BOMB_BYTES, 100))).toMatch(/damaged|cannot be read/);
});

test('a picture of more than 25 MB is left out and said', async () => {
  const huge = png(MOST_MEDIA_BYTES);
  const named = { ...document, pictures: [{ ...picture(one, 1), media: sha256(huge) as never }] };
  const read = await found({ 'production.json': JSON.stringify(named), [entry(huge)]: huge });
  expect(read.spoiled[0]!.why).toContain('25');
  const alone = await readPictureFile(huge, 'huge.png');
  expect(alone.ok ? '' : alone.problems[0]!.message).toContain('25.0 MB');
});

test('a damaged picture is told, the others come through', async () => {
  const zip = await zipOf(whole);
  const bytes = new Uint8Array(await zip.arrayBuffer());
  const text = Buffer.from(bytes.buffer).toString('latin1');
  // Somewhere in the packed bytes of the last picture.
  const at =
    text.lastIndexOf('PNG') < 0 ? text.indexOf(entry(two)) + 120 : text.lastIndexOf('PNG') + 300;
  bytes[at] = bytes[at]! ^ 0xff;
  const read = await readProductionZip(new Blob([bytes]));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  expect(read.value.spoiled.length + read.value.missing.length).toBeGreaterThan(0);
  expect(read.value.whole.length).toBe(1);
});
