import { nightFerry } from '@/demo/nightFerry';
import { evaluateKnown } from '@/core/evaluate/testing';
import type { BuildFileName } from '@/core/formats/buildFiles';
import type { UnitSystem } from '@/core/quantity';
import { HARDWARE } from '@/core/materials/hardware';
import { storySticks } from '@/core/shop/storyStick';
import { buildFile } from './buildFile';
import { carSheet } from './carSheet';
import { compassSheet } from './compassSheet';
import { PAPERS, POINTS_PER_MM } from './paper';
import { readPdf } from './testing/readPdf';

const document = nightFerry();
const pagesOf = async (build: string, file: BuildFileName, units: UnitSystem, strokes = false) => {
  const made = await buildFile(document, build, file, units);
  return readPdf(made!.body as Buffer, strokes);
};
const worked = (build: string) => {
  const found = evaluateKnown(document, build);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value;
};
const wordsOf = (pages: Awaited<ReturnType<typeof pagesOf>>) =>
  pages.flatMap(({ text }) => text).join(' ');

describe('one unit throughout', () => {
  test('a pack in millimetres writes no inches, one in inches no millimetres', async () => {
    const inMm = wordsOf(await pagesOf('cabin-box', 'build-pack.pdf', 'metric'));
    expect(inMm).toContain('403.1 mm');
    expect(inMm).not.toMatch(/\d in\b(?! all| one)/);
    const pages = await pagesOf('cabin-box', 'build-pack.pdf', 'imperial');
    // 403.1 mm are 15.87 in: fifteen and seven eighths.
    expect(wordsOf(pages)).toContain('15 7/8 in');
    // Names keep theirs: a board is sold as 5 mm, a bolt as M5 × 40.
    const named = [
      ...document.shelf.parts,
      ...document.shelf.units,
      ...Object.values(HARDWARE),
    ].map(({ name }) => name);
    const said = named.reduce((text, name) => text.replaceAll(name, ''), wordsOf(pages));
    // Widths of bits and threads keep theirs as well; the check bar is 100 mm whatever the rule.
    expect(said.match(/[\d.]+ (cm|m)\b/g)).toBeNull();
  });
  test('every page says of how many it is one', async () => {
    const pages = await pagesOf('clerk-ring', 'build-pack.pdf', 'metric');
    expect(pages.length).toBeGreaterThan(5);
    pages.forEach(({ text }, at) => expect(text).toContain(`${at + 1} of ${pages.length}`));
  });
  test('who measures in inches prints on Letter', async () => {
    const [[a4], [letter]] = await Promise.all([
      pagesOf('cabin-box', 'labels.pdf', 'metric'),
      pagesOf('cabin-box', 'labels.pdf', 'imperial'),
    ]);
    expect([a4!.width, a4!.height]).toEqual([
      expect.closeTo(PAPERS.a4[0], 2),
      expect.closeTo(PAPERS.a4[1], 2),
    ]);
    expect([letter!.width, letter!.height]).toEqual([...PAPERS.letter]);
  });
});

describe('labels', () => {
  test.each(['clerk-ring', 'corridor-line', 'sky-board'])(
    '%s: one for every piece of every copy, none twice',
    async (id) => {
      const { copies } = document.builds.find((each) => each.id === id)!;
      const { pieces } = worked(id);
      const text = (await pagesOf(id, 'labels.pdf', 'metric')).flatMap((page) => page.text);
      for (let copy = 1; copy <= copies; copy++)
        for (const { number, count } of pieces.map((piece, k) => ({ ...piece, number: k + 1 }))) {
          const marks = text.filter((words) =>
            new RegExp(`^${copies > 1 ? `${copy}·` : ''}${number}[a-z]*$`).test(words),
          );
          expect(marks).toHaveLength(count);
          expect(new Set(marks).size).toBe(count);
        }
    },
  );
});

describe('story sticks', () => {
  test('a tick stands where the mark is, at true size, on every page it runs over', async () => {
    const [stick] = storySticks(worked('sky-board').pieces);
    const pages = await pagesOf('sky-board', 'story-stick.pdf', 'metric', true);
    const upright = pages[0]!.lines
      .filter(({ x1, x2, length }) => Math.abs(x1 - x2) < 0.01 && length > 0.019 * 2834)
      .map(({ x1 }) => x1)
      .toSorted((a, b) => a - b);
    const [first, second] = stick!.marks.map(({ atM }) => atM * 1000 * POINTS_PER_MM);
    // Some pair of strokes lies as far apart as the first two marks.
    const gaps = upright.flatMap((a, k) => upright.slice(k + 1).map((b) => b - a));
    expect(gaps.some((gap) => Math.abs(gap - (second! - first!)) < 0.05)).toBe(true);
  });
  test('a light without rows of marks has none, and says why', async () => {
    const frame = document.builds.find(({ form }) => form === 'overhead-frame')!;
    const made = await buildFile(document, frame.id, 'story-stick.pdf');
    expect(made).toMatchObject({ refused: expect.stringContaining('No row of marks'), body: '' });
  });
});

test('a trial in card: one sheet, and the piece is as small as it says', async () => {
  const pages = await pagesOf('cabin-box', 'trial-card.pdf', 'metric', true);
  expect(pages).toHaveLength(1);
  const scale = Number(/1 : (\d+)/.exec(pages[0]!.text.join(' '))![1]);
  const long = worked('cabin-box').pieces.flatMap((piece) =>
    piece.kind === 'sheet' ? [piece.widthM] : [],
  );
  const strokes = pages[0]!.lines.map(({ length }) => length);
  const wanted = (Math.max(...long) / scale) * 1000 * POINTS_PER_MM;
  expect(strokes.some((length) => Math.abs(length - wanted) < 0.05)).toBe(true);
  const { width, height } = pages[0]!;
  for (const { x1, y1 } of pages[0]!.lines) {
    expect(x1).toBeGreaterThan(0);
    expect(x1).toBeLessThan(width);
    expect(y1).toBeGreaterThan(0);
    expect(y1).toBeLessThan(height);
  }
});

test('the car sheet: every light that is asked for and no other, ticked out and back', async () => {
  const body = await carSheet(document, ['clerk-ring', 'cabin-box'], 'metric');
  const words = wordsOf(await readPdf(body, false));
  const [a, b, c] = ['clerk-ring', 'cabin-box', 'deck-sky'].map(
    (id) => document.builds.find((each) => each.id === id)!.name,
  );
  expect(words).toContain(a);
  expect(words).toContain(b);
  expect(words).not.toContain(c);
  expect(words).toContain('Sandbags');
});

test('the compass is true: a spoke every 15 degrees from one middle, and a bar of 100 mm', async () => {
  const [page] = await readPdf(await compassSheet('metric'), true);
  expect([page!.width, page!.height]).toEqual(PAPERS.a4.map((side) => expect.closeTo(side, 2)));
  const mm = (points: number) => points / POINTS_PER_MM;
  const bars = page!.lines.filter(
    ({ y1, y2, length }) => y1 === y2 && Math.abs(mm(length) - 100) < 0.01,
  );
  expect(bars).toHaveLength(1);
  // Spokes run from 8 to 85 mm off the middle.
  const spokes = page!.lines.filter(({ length }) => Math.abs(mm(length) - 77) < 0.01);
  expect(spokes).toHaveLength(24);
  const angles = spokes.map(({ x1, y1, x2, y2 }) => (Math.atan2(x2 - x1, y2 - y1) * 180) / Math.PI);
  const sorted = angles.map((angle) => (angle + 360.001) % 360).toSorted((a, b) => a - b);
  sorted.forEach((angle, k) => expect(angle).toBeCloseTo(15 * k, 1));
  const said = page!.text.join(' ');
  for (const words of [
    '0°',
    '15°',
    '180°',
    '100 mm long',
    'twenty minutes',
    'Only for LED lamps',
    'Unplug',
  ])
    expect(said).toContain(words);
});
