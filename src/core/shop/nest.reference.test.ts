import fc from 'fast-check';
import { MaxRectsPacker, PACKING_LOGIC } from 'maxrects-packer';
import { guillotine } from './testing/guillotine';
import { sample } from '../testing/sample';
import { findBuild, resolveScene, sceneOf } from '../evaluate/context';
import { overlaps, without } from './freeSpace';
import { nest, nestYield, type Nesting, type NestPiece } from './nest';
import { nestPiece } from './cutPlan';

const piece = (widthM: number, heightM: number, mayTurn = true): NestPiece => ({
  widthM,
  heightM,
  mayTurn,
});
const bought = (widthM: number, heightM: number) => ({
  widthM,
  heightM,
  count: Infinity,
  onHand: false,
});

/** Everything once, inside its sheet, nothing over anything but the hole of a ring. */
function expectSound(plan: Nesting, pieces: readonly NestPiece[], kerfM: number): void {
  const all = [
    ...plan.sheets.flatMap(({ placements }) => placements.map((each) => each.piece)),
    ...plan.unplaced,
  ];
  expect(all.toSorted((a, b) => a - b)).toEqual(pieces.map((_, at) => at));
  for (const { widthM, heightM, placements } of plan.sheets) {
    for (const { x, y, w, h, piece: at, turned } of placements) {
      expect(Math.min(x, y)).toBeGreaterThanOrEqual(-1e-9);
      expect(x + w).toBeLessThanOrEqual(widthM + 1e-9);
      expect(y + h).toBeLessThanOrEqual(heightM + 1e-9);
      const { widthM: pw, heightM: ph, mayTurn } = pieces[at]!;
      expect([w, h].map((size) => size.toFixed(9))).toEqual(
        (turned ? [ph, pw] : [pw, ph]).map((size) => size.toFixed(9)),
      );
      if (!mayTurn) expect(turned).toBe(false);
    }
    placements.forEach((a, k) =>
      placements.slice(k + 1).forEach((b) => {
        if (pieces[a.piece]!.hole || pieces[b.piece]!.hole) return;
        const grown = { ...a, w: a.w + kerfM, h: a.h + kerfM };
        expect(overlaps(grown, b) && overlaps(a, { ...b, w: b.w + kerfM, h: b.h + kerfM })).toBe(
          false,
        );
      }),
    );
  }
}

describe('free space', () => {
  test('a box taken from the middle leaves four maximal rectangles', () => {
    const free = without([{ x: 0, y: 0, w: 10, h: 10 }], { x: 4, y: 4, w: 2, h: 2 });
    expect(free).toHaveLength(4);
    expect(free.reduce((most, { w, h }) => Math.max(most, w * h), 0)).toBe(40);
  });
  test('a box beside leaves it untouched', () => {
    const box = { x: 0, y: 0, w: 1, h: 1 };
    expect(without([box], { x: 1, y: 0, w: 1, h: 1 })).toEqual([box]);
  });
  test('nothing is left of what is covered', () => {
    expect(without([{ x: 1, y: 1, w: 1, h: 1 }], { x: 0, y: 0, w: 3, h: 3 })).toEqual([]);
  });
});

describe('discs', () => {
  const ring = (outer: number, inner: number): NestPiece => ({
    widthM: outer,
    heightM: outer,
    mayTurn: true,
    discM: outer,
    hole: { x: outer / 2, y: outer / 2, r: inner / 2 },
  });
  test('the disc that falls out of one ring becomes the second, and out of that the third', () => {
    const rings = [ring(1, 0.7), ring(0.69, 0.5), ring(0.49, 0.2)];
    const plan = nest(rings, [bought(1, 1)], { kerfM: 0.003 });
    expect(plan.unplaced).toEqual([]);
    expect(plan.sheets).toHaveLength(1);
    for (const { x, y, w, h } of plan.sheets[0]!.placements)
      expect([x + w / 2, y + h / 2]).toEqual([expect.closeTo(0.5, 9), expect.closeTo(0.5, 9)]);
    // One kerf to the cut round it is not enough for a ring as large as the hole.
    expect(nest([ring(1, 0.7), ring(0.7, 0.5)], [bought(1, 1)]).sheets).toHaveLength(2);
  });
  test('a bar lies across a disc that no square of it would hold', () => {
    const bar = { widthM: 0.68, heightM: 0.08, mayTurn: true };
    const plan = nest([ring(1, 0.7), bar], [bought(1, 1)], { kerfM: 0.003 });
    expect(plan.sheets).toHaveLength(1);
    const long = { ...bar, widthM: 0.7 };
    expect(nest([ring(1, 0.7), long], [bought(1, 1)], { kerfM: 0.003 }).sheets).toHaveLength(2);
  });
  test('a round off-cut in the shed is used before a sheet is bought', () => {
    const disc = { widthM: 0.7, heightM: 0.7, disc: true, count: 1, onHand: true };
    const plan = nest([ring(0.7, 0.5)], [disc, bought(1, 1)], { kerfM: 0.003 });
    expect(plan.sheets).toMatchObject([{ onHand: true, disc: true }]);
    const square = { widthM: 0.49, heightM: 0.49, mayTurn: true };
    expect(nest([square], [disc, bought(1, 1)]).sheets).toMatchObject([{ disc: true }]);
    expect(nest([{ ...square, widthM: 0.6 }], [disc, bought(1, 1)]).sheets).toMatchObject([
      { disc: false },
    ]);
  });
  test('what nothing was cut from is told as a disc', () => {
    const [sheet] = nest([ring(1, 0.7)], [bought(1, 1)], { kerfM: 0.003 }).sheets;
    expect(sheet!.discs).toEqual([{ x: 0.5, y: 0.5, r: expect.closeTo(0.347, 9) }]);
  });
});

describe('known answers', () => {
  test('four quarters fill a sheet; with a saw they do not', () => {
    const four = Array<NestPiece>(4).fill(piece(0.5, 0.5));
    expect(nest(four, [bought(1, 1)], { kerfM: 0 }).sheets).toHaveLength(1);
    expect(nest(four, [bought(1, 1)], { kerfM: 0.003 }).sheets).toHaveLength(4);
    expect(nest(four, [bought(1.003, 1.003)], { kerfM: 0.003 }).sheets).toHaveLength(1);
  });
  test('a long piece is turned to fit, unless its grain forbids it', () => {
    expect(nest([piece(0.4, 1.1)], [bought(1.2, 0.5)]).unplaced).toEqual([]);
    expect(nest([piece(0.4, 1.1, false)], [bought(1.2, 0.5)]).unplaced).toEqual([0]);
  });
  test('a margin is kept free', () => {
    const plan = nest([piece(0.9, 0.9)], [bought(1, 1)], { marginM: 0.05 });
    expect(plan.sheets[0]!.placements[0]).toMatchObject({ x: 0.05, y: 0.05 });
    expect(nest([piece(0.91, 0.9)], [bought(1, 1)], { marginM: 0.05 }).unplaced).toEqual([0]);
  });
  test('stock on hand goes first, and no more of it than there is', () => {
    const plan = nest(
      [piece(0.9, 0.9), piece(0.9, 0.9), piece(0.9, 0.9)],
      [{ widthM: 1, heightM: 1, count: 2, onHand: true }, bought(1, 1)],
    );
    expect(plan.sheets.map(({ onHand }) => onHand)).toEqual([true, true, false]);
  });
  test('bigger than any sheet is said, the rest is laid', () => {
    const plan = nest([piece(3, 3), piece(0.2, 0.2)], [bought(1, 1)]);
    expect(plan.unplaced).toEqual([0]);
    expect(plan.sheets).toHaveLength(1);
  });
  test('the middle of a ring carries small pieces', () => {
    const ring = { ...piece(1, 1), hole: { x: 0.5, y: 0.5, r: Math.hypot(0.25, 0.25) } };
    const plan = nest([ring, piece(0.4, 0.4)], [bought(1, 1)]);
    expect(plan.sheets).toHaveLength(1);
    const inner = plan.sheets[0]!.placements.find(({ piece: at }) => at === 1)!;
    expect(inner.x).toBeGreaterThanOrEqual(0.25);
    expect(inner.x + inner.w).toBeLessThanOrEqual(0.75);
    expect(nest([ring, piece(0.5, 0.5)], [bought(1, 1)]).sheets).toHaveLength(2);
  });
  test('the largest off-cut is told', () => {
    const { offCuts } = nest([piece(0.4, 1)], [bought(1, 1)], { kerfM: 0 }).sheets[0]!;
    expect(offCuts).toMatchObject([{ w: 0.6, h: 1 }]);
  });
  test('nothing to lay, one piece, the same twice', () => {
    expect(nest([], [bought(1, 1)])).toEqual({ sheets: [], unplaced: [] });
    const pieces = [piece(0.3, 0.7), piece(0.5, 0.2), piece(0.1, 0.9)];
    expect(nest(pieces, [bought(1, 1)])).toEqual(nest(pieces, [bought(1, 1)]));
  });
});

test('always sound', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          widthM: fc.integer({ min: 20, max: 900 }).map((mm) => mm / 1000),
          heightM: fc.integer({ min: 20, max: 900 }).map((mm) => mm / 1000),
          mayTurn: fc.boolean(),
        }),
        { maxLength: 25 },
      ),
      (pieces) => expectSound(nest(pieces, [bought(1.22, 0.61)], { starts: 6 }), pieces, 0.003),
    ),
    { seed: 4, numRuns: 40 },
  );
});

/** Pieces of real lights: demo builds, several of each, as one job for one stock. */
function realSet(ids: readonly [id: string, copies: number][]): NestPiece[] {
  const document = sample();
  return ids.flatMap(([id, copies]) => {
    const scene = sceneOf(document, findBuild(document, id)!);
    const { pieces } = resolveScene(scene)!.resolved;
    const flat = pieces.flatMap((each) =>
      each.kind === 'sheet' ? Array.from({ length: each.count }, () => nestPiece(each)) : [],
    );
    return Array.from({ length: copies }, () =>
      flat.map((each) => ({ ...each, hole: undefined })),
    ).flat();
  }) as NestPiece[];
}

const KERF = 0.003;
const SETS: [name: string, pieces: NestPiece[], widthM: number, heightM: number][] = [
  [
    'boxes and boards',
    realSet([
      ['cabin-box', 4],
      ['sky-board', 4],
    ]),
    2.44,
    1.22,
  ],
  ['banks', realSet([['sky-bank', 6]]), 2.44, 1.22],
  [
    'panels and lamps',
    realSet([
      ['stamp-panel', 4],
      ['corridor-work', 5],
      ['booth-stack', 3],
    ]),
    1.22,
    1.22,
  ],
  [
    'sixty mixed',
    realSet([
      ['cabin-box', 3],
      ['sky-bank', 3],
      ['corridor-work', 4],
      ['sky-board', 2],
    ]).slice(0, 60),
    1.5,
    1.1,
  ],
];

/** Sheets another packer takes for the same job; sizes in whole tenths of a millimetre. */
const RIVALS: Record<string, (pieces: readonly NestPiece[], w: number, h: number) => number> = {
  maxrects: (pieces, w, h) => {
    const sheets = [PACKING_LOGIC.MAX_AREA, PACKING_LOGIC.MAX_EDGE, PACKING_LOGIC.FILL_WIDTH].map(
      (logic) => {
        const packer = new MaxRectsPacker((w + KERF) * 1e4, (h + KERF) * 1e4, 0, {
          smart: false,
          pot: false,
          square: false,
          allowRotation: true,
          logic,
        });
        packer.addArray(
          pieces.map(({ widthM, heightM }) => ({
            width: (widthM + KERF) * 1e4,
            height: (heightM + KERF) * 1e4,
          })) as never,
        );
        return packer.bins.length;
      },
    );
    return Math.min(...sheets);
  },
  guillotine: (pieces, w, h) => guillotine(pieces, w + KERF, h + KERF, KERF),
};

describe.each(SETS)('%s, against packages', (_, pieces, widthM, heightM) => {
  const ours = nest(pieces, [bought(widthM, heightM)], { kerfM: KERF, starts: 60 });
  test('sound', () => expectSound(ours, pieces, KERF));
  test.each(['maxrects', 'guillotine'])('no more sheets than %s', (rival) => {
    expect(ours.unplaced).toEqual([]);
    expect(ours.sheets.length).toBeLessThanOrEqual(RIVALS[rival]!(pieces, widthM, heightM));
  });
  test('a fair share of what is bought is used', () => {
    expect(nestYield(ours)).toBeGreaterThan(0.4);
  });
});
