import { nightFerry } from '@/demo/nightFerry';
import { DEMO_FRAMES, DEMO_PHOTOGRAPHS } from '@/demo/photographs';
import { MOST_MEDIA_BYTES, type Picture } from '@/core/document/picture';
import type { Production } from '@/core/document/production';
import { readProductionZip } from '@/workers/productionZip';
import { png, sha256 } from '@/workers/testing';
import { firstRow } from '../productions/documents';
import { openDatabase, type OpenDatabase } from '../storage/database';
import { mediaChunks, productions } from '../storage/schema';
import { readyFolder } from '../storage/testing/readyFolder';
import { keepDemoPhotographs } from './demo';
import { mediaStore, MOST_SMALL_BYTES, UNNAMED_DAYS, type MediaStore } from './store';
import { productionZip } from './zip';

let open: OpenDatabase;
let store: MediaStore;
beforeAll(async () => {
  open = await openDatabase({ folder: await readyFolder() });
  store = mediaStore(open.db);
});
afterAll(() => open.close());

/** Bytes as they come over a line, in odd pieces. */
const stream = (bytes: Uint8Array, piece = 70_001) => {
  let at = 0;
  return new ReadableStream<Uint8Array>({
    pull: (control) => {
      if (at >= bytes.byteLength) return control.close();
      control.enqueue(bytes.slice(at, (at += piece)));
    },
  });
};
const whole = async (readable: ReadableStream<Uint8Array>) =>
  new Uint8Array(await new Response(readable).arrayBuffer());
/** Bytes of which the rest comes when it is let. */
function held(bytes: Uint8Array, first: number) {
  let finish = () => {};
  const rest = new Promise<void>((resume) => (finish = resume));
  const slow = new ReadableStream<Uint8Array>({
    start: (control) => control.enqueue(bytes.slice(0, first)),
    pull: async (control) => {
      await rest;
      control.enqueue(bytes.slice(first));
      control.close();
    },
  });
  return { slow, finish };
}
const chunks = () => open.db.$count(mediaChunks);

test('bytes come back as they went in, whatever pieces they came in', async () => {
  for (const more of [0, 10, 999_933, 1_000_000, 2_500_000]) {
    const bytes = png(more, more);
    const hash = sha256(bytes);
    expect(await store.put(hash, stream(bytes))).toEqual({
      ok: true,
      value: { hash, type: 'image/png', sizeBytes: bytes.byteLength, hasSmall: false },
    });
    expect(sha256(await whole(store.read(hash)))).toBe(hash);
  }
});

test('others are answered between two pieces of a picture that is read as fast as it comes', async () => {
  const bytes = png(6_000_000, 7);
  await store.put(sha256(bytes), stream(bytes));
  let turns = 0;
  let next: NodeJS.Immediate;
  const count = () => {
    turns++;
    next = setImmediate(count);
  };
  count();
  expect(await whole(store.read(sha256(bytes)))).toHaveLength(bytes.byteLength);
  clearImmediate(next!);
  expect(turns).toBeGreaterThanOrEqual(6);
});

test('the same picture twice is kept once', async () => {
  const bytes = png(1_200_000, 5);
  await store.put(sha256(bytes), stream(bytes));
  const before = await chunks();
  expect((await store.put(sha256(bytes), stream(bytes))).ok).toBe(true);
  expect(await chunks()).toBe(before);
});

test.each<[string, () => [string, Uint8Array], string]>([
  ['other bytes than announced', () => [sha256(png(1)), png(2)], 'hash'],
  ['a page under a picture’s name', () => page('<html><script>1</script>'), 'no_picture'],
  ['an SVG, which can carry a script', () => page('<svg xmlns="x"/>'), 'no_picture'],
  ['nothing', () => [sha256(new Uint8Array()), new Uint8Array()], 'empty'],
  ['more than 25 MB', () => [sha256(png(MOST_MEDIA_BYTES)), png(MOST_MEDIA_BYTES)], 'too_big'],
])('%s: refused, and nothing is left behind', async (_name, given, code) => {
  const [hash, bytes] = given();
  const before = await chunks();
  const taken = await store.put(hash, stream(bytes, 1_000_000));
  expect(taken.ok ? 'taken' : taken.problems[0]!.code).toBe(code);
  expect(await store.find(hash)).toBeNull();
  expect(await chunks()).toBe(before);
});
const page = (text: string): [string, Uint8Array] => {
  const bytes = new TextEncoder().encode(text);
  return [sha256(bytes), bytes];
};

test('a line that breaks leaves nothing behind', async () => {
  const bytes = png(3_000_000, 8);
  const before = await chunks();
  const broken = new ReadableStream<Uint8Array>({
    start: (control) => {
      control.enqueue(bytes.slice(0, 2_000_000));
      setTimeout(() => control.error(new Error('cut off')));
    },
  });
  await expect(store.put(sha256(bytes), broken)).rejects.toThrow('cut off');
  expect(await chunks()).toBe(before);
});

test('what another server takes in at this moment is left alone, what was left by the dead goes', async () => {
  const bytes = png(3_000_000, 15);
  const { slow, finish } = held(bytes, 2_000_000);
  const before = await chunks();
  await open.db
    .insert(mediaChunks)
    .values({ hash: 'incoming-of-an-older-version', n: 0, bytes: bytes.slice(0, 10) });
  const put = store.put(sha256(bytes), slow);
  while ((await chunks()) < before + 3) await new Promise((resume) => setTimeout(resume));
  await store.dropUnfinished();
  finish();
  expect((await put).ok).toBe(true);
  expect(sha256(await whole(store.read(sha256(bytes))))).toBe(sha256(bytes));
  // Its own pieces, and not the one of long ago.
  expect(await chunks()).toBe(before + Math.ceil(bytes.byteLength / 1_000_000));
});

test('a picture whose pieces were taken away while it came in is not kept by half', async () => {
  const bytes = png(2_500_000, 16);
  const { slow, finish } = held(bytes, 1_500_000);
  const before = await chunks();
  const put = store.put(sha256(bytes), slow);
  while ((await chunks()) < before + 1) await new Promise((resume) => setTimeout(resume));
  // A clock that is hours ahead takes it for one that was left.
  await store.dropUnfinished(new Date(Date.now() + 7_200_000));
  finish();
  await expect(put).rejects.toThrow('taken away while it came in');
  expect(await store.find(sha256(bytes))).toBeNull();
  expect(await chunks()).toBe(before);
});

test('small copies: a picture, and small', async () => {
  const bytes = png(100, 9);
  const hash = sha256(bytes);
  await store.put(hash, stream(bytes));
  const small = png(20, 1);
  expect((await store.putSmall(hash, small)).ok).toBe(true);
  expect(await store.readSmall(hash)).toEqual(small);
  expect((await store.putSmall(hash, png(MOST_SMALL_BYTES))).ok).toBe(false);
  expect((await store.putSmall(hash, new TextEncoder().encode('no'))).ok).toBe(false);
  expect((await store.putSmall(sha256(png(77)), small)).ok).toBe(false);
});

const picture = (bytes: Uint8Array): Picture => ({
  id: 'p',
  media: sha256(bytes) as Picture['media'],
  type: 'image/png',
  sizeBytes: bytes.byteLength,
  name: 'back.png',
  caption: 'before it was closed',
  buildId: null,
});

describe('tidying', () => {
  const days = (count: number) => new Date(Date.now() + count * 86_400_000);
  const document = (pictures: Picture[]): Production => ({ ...nightFerry(), pictures });
  test('takes away what nobody has named for longer than undo reaches, and nothing else', async () => {
    const [named, binned, undone, young] = [11, 12, 13, 14].map((seed) => png(50, seed)) as [
      Uint8Array<ArrayBuffer>,
      Uint8Array<ArrayBuffer>,
      Uint8Array<ArrayBuffer>,
      Uint8Array<ArrayBuffer>,
    ];
    for (const bytes of [named, binned, undone]) await store.put(sha256(bytes), stream(bytes));
    const row = (id: string, bytes: Uint8Array, deletedAt: Date | null) => ({
      ...firstRow(document([picture(bytes)])),
      id,
      deletedAt,
    });
    await open.db
      .insert(productions)
      .values([row('named', named, null), row('binned', binned, new Date())]);
    await store.sweep();
    // An undo list reaches back 60 days: until then what was taken out can be brought back.
    await store.sweep(days(61));
    expect(await store.find(sha256(undone))).not.toBeNull();
    await store.put(sha256(young), stream(young));
    expect(await store.sweep(days(UNNAMED_DAYS + 1))).toBeGreaterThan(0);
    expect(await store.find(sha256(undone))).toBeNull();
    expect(await store.find(sha256(named))).not.toBeNull();
    expect(await store.find(sha256(binned))).not.toBeNull();
    expect(await whole(store.read(sha256(undone)))).toHaveLength(0);
  });
});

test('out as a zip and in again, picture and all', async () => {
  const bytes = png(1_500_000, 21);
  await store.put(sha256(bytes), stream(bytes));
  const gone = { ...picture(png(5, 99)), id: 'gone', name: 'gone.png' };
  const document = { ...nightFerry(), pictures: [picture(bytes), gone] };
  const zip = new Blob([await whole(productionZip(document, store))]);
  const read = await readProductionZip(zip);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  expect(read.value.document).toEqual(document);
  expect(read.value.whole).toMatchObject([{ media: sha256(bytes), sizeBytes: bytes.byteLength }]);
  expect(read.value.missing.map(({ name }) => name)).toEqual(['gone.png']);
  expect(read.value.extra).toEqual([]);
});

test('the demo’s photographs are kept, small, and stand at steps that were done', async () => {
  const pictures = await keepDemoPhotographs(store);
  expect(pictures).toHaveLength(DEMO_PHOTOGRAPHS.length + DEMO_FRAMES.length);
  const { makings, sessions } = nightFerry();
  const frames = sessions.flatMap((session) => Object.values(session.frames.shots));
  for (const { id, media, sizeBytes, buildId, stepId, caption } of pictures) {
    expect(sha256(await whole(store.read(media)))).toBe(media);
    // A demo comes with the application: its pictures weigh little.
    expect(sizeBytes).toBeLessThan(120_000);
    expect(caption).toContain('Drawn, not photographed');
    // A photograph stands at a step that was done, a frame in a session of the camera.
    const making = makings.find((each) => each.buildId === buildId);
    if (making) expect(Object.keys(making.ticks)).toContain(stepId);
    else expect(frames.map(({ pictureId }) => pictureId)).toContain(id);
  }
});
