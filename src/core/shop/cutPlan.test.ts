import { sample, unitIn } from '../testing/sample';
import { findBuild, resolveScene, sceneOf } from '../evaluate/context';
import type { Piece } from '../build/pieces';
import { clothPiece, rectanglePiece, stickPiece } from '../forms/kit/pieces';
import type { PartId } from '../ids';
import type { PartOf } from '../materials/part';
import { cutCloth } from '../materials/cloth';
import { cutFindings } from './cutFindings';
import {
  lightsPerSheet,
  planCuts,
  type ClothPlan,
  type SheetPlan,
  type StickPlan,
} from './cutPlan';
import { clothView, pieceView, sheetView, sticksView } from './planView';
import { planPurchase } from './purchase';
import { sawList } from './sawList';

const document = sample();
const scene = sceneOf(document, document.builds[0]!);
const { context, shelf } = scene;
const id = (name: string) => name as PartId;
const board = (w: number, h: number, part = 'mdf-6', count = 1) =>
  rectanglePiece('piece', 'Board', id(part), w, h, context, { count });
const plan = (pieces: Piece[], copies = 1) => planCuts(pieces, copies, context.part);
const only = <P>(pieces: Piece[], copies = 1) => plan(pieces, copies).plans[0] as P;

describe('cloth', () => {
  test('two lengths of 6 × 1.5 m make one 6 × 3 m (docs/model)', () => {
    const cut = cutCloth(6, 3, 1.5, 0, 0);
    expect(cut).toMatchObject({ panels: 2, panelLengthM: 6, totalM: 12, seams: 1 });
    expect([cut.finishedWidthM, cut.finishedHeightM]).toEqual([6, 3]);
  });
  test('seams and hems are taken from it', () => {
    const cut = cutCloth(6, 3, 1.5, 0.015, 0.04);
    expect(cut.finishedWidthM).toBeCloseTo(5.92, 12);
    expect(cut.finishedHeightM).toBeCloseTo(3 - 0.03 - 0.08, 12);
  });
  test('the way that takes less cloth', () => {
    // 2 × 1.4 m off a 1.5 m bolt: one length of 2 m, not two of 1.4 m.
    expect(cutCloth(2, 1.4, 1.5, 0, 0)).toMatchObject({ panels: 1, totalM: 2, alongWidth: true });
    expect(cutCloth(1.4, 2, 1.5, 0, 0)).toMatchObject({ panels: 1, totalM: 2, alongWidth: false });
  });
  test('narrow pieces lie side by side on the bolt', () => {
    const piece = clothPiece('piece', 'Disc', id('parchment'), 0.18, 0.18, { count: 4 });
    // 38 cm wide: two of 18 cm beside each other, two rows.
    expect(only<ClothPlan>([piece]).totalM).toBeCloseTo(0.36, 12);
    const wide = clothPiece('piece', 'Disc', id('parchment'), 0.3, 0.3, { count: 2 });
    expect(only<ClothPlan>([wide]).totalM).toBeCloseTo(0.6, 12);
  });
});

describe('boards', () => {
  test('pieces of one material are laid together, copies counted out', () => {
    const sheets = only<SheetPlan>([board(0.5, 0.5), board(0.4, 0.3, 'mdf-6', 2)], 3);
    expect(sheets.pieces).toHaveLength(9);
    expect(sheets.nesting.unplaced).toEqual([]);
    expect(sheets.yield).toBeCloseTo(
      (9 * 0 + 3 * 0.25 + 6 * 0.12) / (sheets.sheets * 1.22 ** 2),
      9,
    );
  });
  test('materials apart', () => {
    expect(plan([board(0.5, 0.5), board(0.5, 0.5, 'ply-9')]).plans).toHaveLength(2);
  });
  test('off-cuts in the shed are not bought', () => {
    const small = only<SheetPlan>([board(0.4, 0.3, 'foam-core-5')]);
    expect(small.sheets).toBe(0);
    expect(small.nesting.sheets[0]!.onHand).toBe(true);
    // As if nothing were on hand a whole sheet would have to be bought.
    expect(planPurchase([], 1, plan([board(0.4, 0.3, 'foam-core-5')]), shelf)).toMatchObject({
      spentNowMinor: 0,
      fullMinor: 690,
    });
  });
  test('nothing chosen to cut from is told apart', () => {
    const nobody = rectanglePiece('piece', 'Board', null, 0.5, 0.5, context);
    expect(plan([nobody])).toMatchObject({ plans: [], unchosen: [nobody] });
    expect(sawList(plan([nobody]))[0]).toMatchObject({ material: 'not chosen yet' });
  });
  test('a hundred copies are laid out in batches, every piece once, the shed once', () => {
    const job = planCuts([board(0.3, 0.2, 'foam-core-5', 4)], 100, context.part, {
      starts: 2,
      batch: 80,
    });
    const [sheets] = job.plans as [SheetPlan];
    const placed = sheets.nesting.sheets.flatMap(({ placements }) =>
      placements.map(({ piece }) => piece),
    );
    expect(placed.toSorted((a, b) => a - b)).toEqual(Array.from({ length: 400 }, (_, at) => at));
    expect(sheets.nesting.sheets.filter(({ onHand }) => onHand)).toHaveLength(1);
    // Nine of 30 × 20 cm from a sheet of 1 × 0.7 m, and the off-cut.
    expect(sheets.sheets).toBeLessThanOrEqual(Math.ceil(400 / 9) + 5);
  });
  test('how many lights from a sheet', () => {
    const mdf = context.part(id('mdf-6')) as PartOf<'sheet'>;
    expect(lightsPerSheet([board(0.6, 0.6)], mdf)).toBe(4);
    expect(lightsPerSheet([board(1, 1)], mdf)).toBe(1);
    expect(lightsPerSheet([board(2, 1)], mdf)).toBe(0);
    expect(lightsPerSheet([], mdf)).toBe(0);
    expect(lightsPerSheet([board(0.05, 0.05)], mdf, 5)).toBe(5);
  });
  test('a piece bigger than the stock is a stop with its size', () => {
    const [finding] = cutFindings(plan([board(2, 2)]));
    expect(finding).toMatchObject({ id: 'cut.too-big.mdf-6', severity: 'stop' });
    expect(finding!.limit).toBe('1220 mm × 1220 mm');
    expect(cutFindings(plan([board(1, 1)]))).toEqual([]);
  });
});

describe('sticks', () => {
  const poles = [
    stickPiece('piece', 'Upright', id('pipe-20'), 0.61, 2),
    stickPiece('piece', 'Foot', id('pipe-20'), 0.178, 4),
  ];
  test('off-cuts on hand first: two of 1.1 m carry a whole stand', () => {
    const sticks = only<StickPlan>(poles);
    expect(sticks.bars).toBe(0);
    expect(sticks.cut.bars.every(({ onHand }) => onHand)).toBe(true);
  });
  test('three stands: the shed, then two bars of three metres, which is the bound', () => {
    const { bars, cut } = only<StickPlan>(poles, 3);
    expect([bars, cut.lowerBound]).toEqual([2, 2]);
  });
  test('too long is a stop', () => {
    const long = plan([stickPiece('piece', 'Mast', id('pipe-20'), 4)]);
    expect(cutFindings(long)[0]).toMatchObject({ severity: 'stop', limit: '3000 mm' });
  });
});

describe('buying what is cut', () => {
  test('sheets, bars and metres land on the list with their packs', () => {
    const cuts = plan([
      board(1, 1),
      board(1, 1),
      stickPiece('piece', 'Mast', id('pipe-alu-25'), 4, 3),
      clothPiece('piece', 'Cloth', id('silk'), 2, 1.4),
    ]);
    const { lines } = planPurchase([], 1, cuts, shelf);
    expect(lines.map(({ needed, packsFull }) => [needed, packsFull])).toEqual([
      [2, 2],
      [3, 3],
      [2, 2],
    ]);
  });
  test('stock that counts is money spent; stock that is free is not', () => {
    const need = (measure: 'piece' | 'm') => ({
      item: { kind: 'unit' as const, id: unitIn(document.shelf, 'strip', 'tape-24-120-4000').id },
      quantity: 4,
      measure,
      why: 'tape',
      step: 'lay-tape',
    });
    const free = planPurchase([need('m')], 1, plan([]), shelf);
    expect(free).toMatchObject({ spentNowMinor: 0, stockMinor: 0, fullMinor: 2690 });
    const counted = structuredClone(document);
    unitIn(counted.shelf, 'strip', 'tape-24-120-4000').onHandCounts = true;
    const { shelf: other } = sceneOf(counted, counted.builds[0]!);
    // Four of five metres of a reel of €26.90.
    expect(planPurchase([need('m')], 1, plan([]), other).stockMinor).toBe(2152);
  });
  test('small things the shelf has no price of are listed and counted', () => {
    const glue = {
      item: { kind: 'hardware' as const, id: 'glue' as const },
      quantity: 1,
      measure: 'piece' as const,
      why: '',
      step: 'mount',
    };
    const { lines, unpriced } = planPurchase([glue], 1, plan([]), shelf);
    expect(lines[0]).toMatchObject({ name: 'wood glue', priced: false, fullMinor: 0 });
    expect(unpriced).toBe(1);
  });
  test('small things on the shelf are bought by the pack', () => {
    const screws = {
      item: { kind: 'hardware' as const, id: 'screw' as const },
      quantity: 150,
      measure: 'piece' as const,
      why: '',
      step: 'mount',
    };
    expect(planPurchase([screws], 1, plan([]), shelf).lines[0]).toMatchObject({
      packsFull: 2,
      packsNow: 2,
      leftOver: 90,
    });
  });
});

describe('at the saw', () => {
  const cuts = plan([
    clothPiece('piece', 'Cloth', id('silk'), 2, 1.4),
    stickPiece('piece', 'Mast', id('pipe-alu-25'), 1, 2),
    stickPiece('piece', 'Mast', id('pipe-alu-25'), 2),
    board(0.2, 0.2),
    board(0.9, 0.9),
  ]);
  const rows = sawList(cuts);
  test('boards, then bars, then cloth; big before small; alike pieces in one row', () => {
    expect(rows.map(({ lengthM, count }) => [lengthM, count])).toEqual([
      [0.9, 1],
      [0.2, 1],
      [2, 1],
      [1, 2],
      [2, 1],
    ]);
    expect(rows[3]).toMatchObject({ widthM: null, from: 'bar 1' });
  });
});

describe('pictures of the plan', () => {
  const box = findBuild(document, 'cabin-box')!;
  const found = resolveScene(sceneOf(document, box))!;
  const cuts = planCuts(found.resolved.pieces, 2, context.part);
  test('sheets show every piece inside their edges', () => {
    for (const each of cuts.plans) {
      if (each.kind !== 'sheet') continue;
      each.nesting.sheets.forEach((sheet, at) => {
        const { shapes } = sheetView(each, at);
        const points = shapes.flatMap((shape) => (shape.kind === 'polyline' ? shape.points : []));
        for (const [x, y] of points) {
          expect(x).toBeGreaterThan(-1e-9);
          expect(x).toBeLessThan(sheet.widthM + 1e-9);
          expect(y).toBeGreaterThan(-1e-9);
          expect(y).toBeLessThan(sheet.heightM + 1e-9);
        }
        const said = shapes.flatMap((shape) => (shape.kind === 'text' ? [shape] : []));
        for (const { piece, x, y, w, h } of sheet.placements) {
          const own = said.filter(({ text }) => text.split(' ')[0] === each.marks[piece]);
          expect(own).toHaveLength(1);
          expect(own[0]!.x).toBeGreaterThan(x);
          expect(own[0]!.x).toBeLessThan(x + w);
          expect(own[0]!.y).toBeGreaterThan(y);
          expect(own[0]!.y).toBeLessThan(y + h);
        }
      });
    }
  });
  test('a turned piece keeps its size and its handedness', () => {
    // An L of three corners: turning must not mirror it.
    const piece = rectanglePiece('piece', 'L', id('mdf-6'), 0.2, 1.0, context);
    const plan1 = only<SheetPlan>([
      piece,
      rectanglePiece('piece', 'wide', id('mdf-6'), 1.2, 1, context),
    ]);
    const [sheet] = plan1.nesting.sheets;
    const turned = sheet!.placements.find(({ piece: at }) => plan1.pieces[at]!.name === 'L')!;
    const { shapes } = sheetView(plan1, 0);
    const outline = shapes.filter((shape) => shape.kind === 'polyline' && shape.layer === 'cut');
    const area = (points: readonly (readonly [number, number])[]) =>
      points.reduce((sum, [x, y], k) => {
        const [nx, ny] = points[(k + 1) % points.length]!;
        return sum + (x * ny - nx * y) / 2;
      }, 0);
    for (const shape of outline)
      if (shape.kind === 'polyline') expect(area(shape.points)).toBeGreaterThan(0);
    expect(turned.w * turned.h).toBeCloseTo(0.2, 9);
  });
  test('bars and cloth', () => {
    const bars = only<StickPlan>([stickPiece('piece', 'Mast', id('pipe-alu-25'), 2, 4)]);
    const { shapes } = sticksView(bars);
    const said = shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));
    expect(said).toEqual(['1a: 2000', '1b: 2000', 'A: 1996', '1c: 2000', '1d: 2000', 'B: 1996']);
    const cloth = only<ClothPlan>([clothPiece('piece', 'Cloth', id('silk'), 5, 2.5)]);
    const seams = clothView(cloth).shapes.filter(({ layer }) => layer === 'score');
    expect(seams).toHaveLength(cloth.pieces[0]!.cut.seams);
  });
  test('a piece is drawn with its sizes, a slanted one with every edge', () => {
    const [top] = found.resolved.pieces;
    if (top?.kind !== 'sheet') throw new Error('the box begins with a board');
    const view = pieceView(top);
    expect(view.dimensions.map(({ valueM }) => valueM)).toEqual([
      expect.closeTo(0.6, 9),
      expect.closeTo(Math.hypot(0.35, 0.2), 9),
    ]);
    const figures = view.shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));
    expect(figures).toHaveLength(4);
    expect(figures).toContain('600');
    expect(figures).toContain('200');
  });
});
