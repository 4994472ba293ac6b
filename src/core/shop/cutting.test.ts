import fc from 'fast-check';
import { sample } from '../testing/sample';
import { part } from '../testing/makers';
import { findBuild, resolveScene, sceneOf } from '../evaluate/context';
import { togetherOf } from '../evaluate/together';
import { circle, labelled } from '../drawing/shapes';
import { clothPiece, discPiece, rectanglePiece } from '../forms/kit/pieces';
import { cutCloth } from '../materials/cloth';
import type { PartId } from '../ids';
import { circlesToDraw, HOUSEHOLD, nearest } from './circles';
import { cutFindings } from './cutFindings';
import { cutOrder, tooMuchForOne } from './cutOrder';
import { planCuts, type SheetPlan } from './cutPlan';
import { markOf } from './marks';
import { nest } from './nest';
import { barLeftOversOf, barsAfter, leftOversOf, shedAfter } from './offCuts';
import { storySticks } from './storyStick';

const document = sample();
const { context } = sceneOf(document, document.builds[0]!);
const id = (name: string) => name as PartId;
const piece = (w: number, h: number, over: object = {}) =>
  rectanglePiece('p', 'Piece', id('mdf-6'), w, h, context, over);

describe('cloth and its seams (worked out by hand)', () => {
  test('a lit cloth 1.4 × 2.9 m from a bolt of 1.5 m is one length, not two sewn', () => {
    expect(cutCloth(1.4, 2.9, 1.5, 0.015, 0, true)).toMatchObject({ panels: 1, totalM: 2.9 });
    // Ten centimetres saved are not worth a seam in a cloth nobody looks through either.
    expect(cutCloth(1.4, 2.9, 1.5, 0.015, 0)).toMatchObject({ panels: 1 });
  });
  test('a liner of 115 × 1848.8 mm from a roll of 380: one length', () => {
    expect(cutCloth(0.115, 1.8488, 0.38, 0.015, 0, true)).toMatchObject({
      seams: 0,
      totalM: 1.8488,
      finishedWidthM: expect.closeTo(0.115, 9),
    });
  });
  test('4.0 m from three lengths of 1.5 m: seams come off what they have over, 3.92 with hems', () => {
    const cut = cutCloth(6, 4, 1.5, 0.015, 0.04, true);
    expect(cut).toMatchObject({ panels: 3, seams: 2, alongWidth: true });
    expect(cut.finishedHeightM).toBeCloseTo(3.92, 9);
  });
  test('a skirt of 16 m × 40 cm from a bolt of 1.5 m: three strips side by side, joined end to end', () => {
    const cut = cutCloth(16, 0.4, 1.5, 0.015, 0);
    expect(cut).toMatchObject({ panels: 3, joined: 'end to end', seams: 2 });
    expect(cut.totalM).toBeCloseTo((16 + 4 * 0.015) / 3, 9);
    expect(cut.finishedWidthM).toBeCloseTo(16, 9);
  });
  test('strips are counted as they are cut', () => {
    const wide = clothPiece('c', 'Cloth', id('silk'), 6, 3, { count: 2, lit: true });
    const [plan] = planCuts([wide], 1, context.part).plans;
    expect(plan?.kind === 'cloth' && plan.pieces.map(({ cut }) => cut.panels)).toEqual([2, 2]);
  });
  test('a disc wider than its roll is told, with the tab that makes it one piece', () => {
    const disc = (tabM: number) =>
      cutFindings(
        planCuts(
          [
            discPiece(
              'd',
              'Disc',
              id('parchment'),
              0.356 + 2 * tabM,
              { field: 'tabM', nowM: tabM },
              [],
            ),
          ],
          1,
          context.part,
        ),
      );
    expect(disc(0.02)).toMatchObject([
      { id: 'cut.seam.d', severity: 'look', remedies: [{ parameters: { tabM: 0.012 } }] },
    ]);
    expect(disc(0.012)).toEqual([]);
  });
});

describe('the foam sheet with two wings', () => {
  // 36 × 36 in of foam board: a middle of 12 in, wings of 12 × 36 in on either side (common practice).
  const INCH = 0.0254;
  const board = part('sheet', {
    id: 'foam',
    widthM: 36 * INCH,
    heightM: 36 * INCH,
    thicknessM: 0.005,
    densityKgPerM3: 60,
    burns: 'foam',
  });
  const sides = Array.from({ length: 6 }, (_, k) =>
    rectanglePiece(`s${k}`, 'Side', board.id, 18 * INCH, 12 * INCH, {
      ...context,
      part: () => board,
    }),
  );
  test('with a knife six sides of 12 × 18 in come from one sheet, with a saw from two', () => {
    const sheets = (kerfM: number | null) => {
      const stock = { ...board, kerfM };
      return (planCuts(sides, 1, () => stock).plans[0] as SheetPlan).sheets;
    };
    expect(sheets(null)).toBe(1);
    expect(sheets(0.003)).toBe(2);
  });
});

test('six cards of 40 cm, from a sheet of 1.22 × 0.82 m with a knife: one sheet (common practice)', () => {
  const cards = Array.from({ length: 6 }, () => ({ widthM: 0.4, heightM: 0.4, mayTurn: true }));
  const stock = [{ widthM: 1.22, heightM: 0.82, count: Infinity, onHand: false }];
  expect(nest(cards, stock, { kerfM: 0 }).sheets).toHaveLength(1);
});

describe('the order of cuts', () => {
  const SAW_M = 0.003;
  test('three strips of 80 mm, a saw’s cut between them: two cuts and a last one, none twice', () => {
    const boxes = [0, 0.083, 0.166].map((y) => ({ x: 0, y, w: 1, h: 0.08 }));
    const cuts = cutOrder({ x: 0, y: 0, w: 1, h: 0.5 }, boxes, SAW_M);
    expect(cuts.map(({ atM }) => atM.toFixed(3)).toSorted()).toEqual(['0.080', '0.163', '0.246']);
  });
  test('a row of three: two cuts up, the middle first where it can be', () => {
    const boxes = [0, 0.4, 0.8].map((x) => ({ x, y: 0, w: 0.4, h: 0.3 }));
    const cuts = cutOrder({ x: 0, y: 0, w: 1.2, h: 0.3 }, boxes, 0);
    expect(cuts.map(({ axis, atM }) => `${axis} ${atM.toFixed(1)}`)).toEqual(['x 0.4', 'x 0.8']);
  });
  test('no cut goes through a piece, whatever is laid out', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            widthM: fc.integer({ min: 50, max: 700 }).map((mm) => mm / 1000),
            heightM: fc.integer({ min: 50, max: 500 }).map((mm) => mm / 1000),
            mayTurn: fc.boolean(),
          }),
          { minLength: 1, maxLength: 14 },
        ),
        (pieces) => {
          const stock = [{ widthM: 2.44, heightM: 1.22, count: Infinity, onHand: false }];
          for (const { widthM, heightM, placements } of nest(pieces, stock, { starts: 4 }).sheets) {
            const cuts = cutOrder({ x: 0, y: 0, w: widthM, h: heightM }, placements, SAW_M);
            for (const { axis, atM, fromM, toM } of cuts)
              for (const box of placements) {
                const [a, long, b, wide] =
                  axis === 'x' ? [box.x, box.w, box.y, box.h] : [box.y, box.h, box.x, box.w];
                const crosses = a < atM + SAW_M - 1e-6 && a + long > atM + 1e-6;
                const beside = b + wide <= fromM + 1e-6 || b >= toM - 1e-6;
                expect(crosses && !beside).toBe(false);
              }
          }
        },
      ),
      { seed: 6, numRuns: 40 },
    );
  });
  test('what one carries: 12 kg and two metres (common practice)', () => {
    expect([tooMuchForOne(5, 1.2), tooMuchForOne(13, 1.2), tooMuchForOne(5, 2.44)]).toEqual([
      false,
      true,
      true,
    ]);
  });
});

describe('left-overs', () => {
  const mdf = context.part(id('mdf-6'))!;
  const ring = { ...piece(1.04, 1.04), hole: { x: 0.52, y: 0.52, r: 0.35 } };
  const plan = planCuts([ring], 1, () => ({ ...mdf, offCuts: [], onHand: 0 }) as never)
    .plans[0] as SheetPlan;
  test('a ring’s middle is kept as a disc, by letter, with what the sheet has beside it', () => {
    const left = leftOversOf(plan);
    expect(left.map(({ name }) => name)).toEqual(['A', 'B', 'C']);
    expect(left.find(({ disc }) => disc)!.disc!.r).toBeCloseTo(0.347, 9);
  });
  test('kept, they are on the shelf and cut from next; what was used is gone', () => {
    const after = shedAfter(plan);
    expect(after.offCuts).toContainEqual({ diameterM: 0.694, count: 1 });
    const next = { ...mdf, ...after, onHand: 0 };
    const small = { ...piece(0.69, 0.69), discM: 0.69 };
    const again = planCuts([small], 1, () => next as never).plans[0] as SheetPlan;
    expect(again).toMatchObject({ sheets: 0, sheetsFull: 1 });
    expect(shedAfter(again).offCuts).not.toContainEqual({ diameterM: 0.694, count: 1 });
  });
  test('bars', () => {
    const pipe = part('stick', { stockLengthM: 3, offCuts: [{ lengthM: 1.1, count: 1 }] });
    const lengths = [1, 2].map((lengthM, k) => ({
      kind: 'stick' as const,
      id: `s${k}`,
      name: 'Pipe',
      partId: pipe.id,
      count: 1,
      markOut: [],
      lengthM,
    }));
    const bars = planCuts(lengths, 1, () => pipe).plans[0]!;
    if (bars.kind !== 'stick') throw new Error('sticks');
    expect([bars.bars, bars.barsFull]).toEqual([1, 2]);
    expect(barLeftOversOf(bars).map(({ lengthM }) => lengthM)).toEqual([expect.closeTo(0.998, 9)]);
    expect(barsAfter(bars).offCuts).toEqual([{ lengthM: 0.998, count: 1 }]);
  });
});

test('marks: the copy, the number in the list, a letter where there are several', () => {
  expect(markOf(3, 0, 1, 1, 1)).toBe('3');
  expect(markOf(3, 1, 2, 1, 1)).toBe('3b');
  expect(markOf(3, 27, 40, 2, 3)).toBe('2·3ab');
});

test('circles: every diameter once, the nearest lid first', () => {
  const holed = piece(0.5, 0.5, {
    shapes: [
      labelled(circle(0.25, 0.25, 0.15, 'cut'), 'hole'),
      labelled(circle(0.25, 0.25, 0.005, 'drill'), 'bolt'),
    ],
  });
  expect(circlesToDraw([holed, holed])).toEqual([{ diameterM: 0.3, what: 'Piece: hole' }]);
  const [first] = nearest(0.3, HOUSEHOLD);
  expect(first).toMatchObject({ name: 'record, 12 in', overM: expect.closeTo(0.001, 9) });
});

test('story stick: the sockets of the sky board from its end', () => {
  const { pieces } = resolveScene(sceneOf(document, findBuild(document, 'sky-board')!))!.resolved;
  const sticks = storySticks(pieces);
  const [first] = sticks;
  expect(first).toMatchObject({ number: 1, along: 'width' });
  const words = pieces[0]!.markOut[0]!;
  for (const { atM } of first!.marks)
    expect(words).toContain(String(Number((atM * 1000).toFixed(1))));
});

describe('several builds as one job', () => {
  const rings = ['clerk-ring', 'stamp-ring'];
  test('the disc that falls out of the clerk ring becomes the stamp ring; packs are opened once', () => {
    const { cuts, purchase, apartMinor, builds, loads } = togetherOf(document, rings);
    const [plan] = cuts.plans as [SheetPlan];
    expect(plan.sheets).toBe(1);
    expect(new Set(plan.marks)).toEqual(new Set(['A·1', 'B·1']));
    expect(purchase.spentNowMinor).toBeLessThan(apartMinor);
    expect(builds.map(({ letter }) => letter)).toEqual(['A', 'B']);
    expect(loads.length).toBeGreaterThanOrEqual(2);
  });
  test('one alone is what it is by itself; none is nothing', () => {
    const one = togetherOf(document, ['clerk-ring']);
    expect(one.purchase.spentNowMinor).toBe(one.apartMinor);
    expect(togetherOf(document, [])).toMatchObject({ builds: [], massKg: 0, apartMinor: 0 });
  });
});
