import { piecesMassKg } from './mass';
import { sample } from '../../testing/sample';
import { sceneOf } from '../../evaluate/context';
import type { PartId } from '../../ids';
import { wiringSlots } from './needs';
import { fact, completeBuild } from './build';
import { polygonAreaM2, polygonPiece, rectanglePiece, sheetPiece, stickPiece } from './pieces';
import {
  box,
  circle,
  extentOf,
  knob,
  labelled,
  measure,
  shapesExtent,
  view,
  words,
  segment,
} from '../../drawing/shapes';
import { step } from './steps';

const document = sample();
const { context } = sceneOf(document, document.builds[0]!);
const id = (name: string) => name as PartId;

describe('pieces', () => {
  test('are moved so that their lower left corner is the origin, a border left round', () => {
    const piece = sheetPiece(
      {
        id: 'disc',
        name: 'Disc',
        partId: id('mdf-6'),
        shapes: [circle(3, -2, 0.5, 'cut'), circle(3, -2, 0.01, 'drill')],
        areaM2: 0.785,
        borderM: 0.02,
      },
      context,
    );
    expect([piece.widthM, piece.heightM]).toEqual([
      expect.closeTo(1.04, 12),
      expect.closeTo(1.04, 12),
    ]);
    expect(piece.shapes[1]).toMatchObject({
      x: expect.closeTo(0.52, 12),
      y: expect.closeTo(0.52, 12),
    });
    expect(piece.thicknessM).toBe(0.006);
  });
  test('grain keeps its way unless the piece says otherwise', () => {
    expect(rectanglePiece('a', 'A', id('corrugated-4'), 1, 0.5, context).mayTurn).toBe(false);
    expect(rectanglePiece('a', 'A', id('mdf-6'), 1, 0.5, context).mayTurn).toBe(true);
  });
  test('areas: shoelace of a triangle and an L', () => {
    expect(
      polygonAreaM2([
        [0, 0],
        [3, 0],
        [0, 4],
      ]),
    ).toBe(6);
    expect(
      polygonAreaM2([
        [0, 0],
        [2, 0],
        [2, 1],
        [1, 1],
        [1, 2],
        [0, 2],
      ]),
    ).toBe(3);
    expect(
      polygonPiece(
        't',
        'T',
        null,
        [
          [0, 0],
          [3, 0],
          [0, 4],
        ],
        context,
      ).areaM2,
    ).toBe(6);
  });
  test('mass of boards and sticks by hand', () => {
    const sheet = rectanglePiece('a', 'A', id('mdf-6'), 1, 0.5, context, { count: 2 });
    const stick = stickPiece('s', 'S', id('pipe-20'), 2, 3);
    expect(piecesMassKg([sheet, stick], context)).toBeCloseTo(2 * 0.5 * 0.006 * 750 + 6 * 0.15, 9);
    expect(piecesMassKg([rectanglePiece('a', 'A', null, 1, 1, context)], context)).toBe(0);
  });
});

describe('shapes', () => {
  test('an arc reaches its ends and the quarter points it passes', () => {
    const quarter = {
      kind: 'arc',
      x: 0,
      y: 0,
      r: 1,
      from: Math.PI / 4,
      to: (3 * Math.PI) / 4,
      layer: 'cut',
    } as const;
    const { left, right, top, bottom } = shapesExtent([quarter]);
    expect([left, right]).toEqual([
      expect.closeTo(-Math.SQRT1_2, 12),
      expect.closeTo(Math.SQRT1_2, 12),
    ]);
    expect(top).toBeCloseTo(1, 12);
    expect(bottom).toBeCloseTo(Math.SQRT1_2, 12);
  });
  test('a view’s paper holds shapes, dimension lines on their side, and knobs', () => {
    const paper = (offset: number) =>
      view('v', 'View', [box(0, 0, 1, 1, 'cut')], [measure([-0.5, -0.5], [0.5, -0.5], offset, 'w')])
        .bounds;
    expect(paper(-0.3)[1]).toBeLessThan(-0.8);
    expect(paper(0.3)[1]).toBeGreaterThan(-0.6);
    expect(
      view('v', 'View', [box(0, 0, 1, 1, 'cut')], [], [knob('a', 'A', [3, 0], [1, 0])]).bounds[2],
    ).toBeGreaterThan(3);
  });
  test('labels, words and extents', () => {
    expect(labelled(circle(0, 0, 1, 'drill'), 'bolt').label).toBe('bolt');
    expect(words(1, 2, 'plug')).toMatchObject({ kind: 'text', anchor: 'middle', layer: 'mark' });
    expect(
      extentOf([
        [0, 1],
        [2, -3],
      ]),
    ).toEqual({ left: 0, bottom: -3, right: 2, top: 1 });
  });
});

describe('steps', () => {
  test('whole minutes, rounded up', () =>
    expect(step('cut', 'i', 'a', 'b', 'c', 2.1, 'd').minutes).toBe(3));
});

test('a resolved build leaves empty what most forms leave empty, and weighs board and the rest', () => {
  const sheet = rectanglePiece('a', 'A', id('mdf-6'), 1, 1, context);
  const build = completeBuild(
    {
      emitters: [],
      groups: [],
      lampsAt: { drawing: 'x', field: 'y' },
      wiring: {
        ...wiringSlots({ cordPartId: null, plugPartId: null, dimmerPartId: null, tailLengthM: 0 }),
        loads: [],
      },
      pieces: [sheet],
      needs: [],
      steps: [],
      facts: [fact('a', 'A', 1, 'as set')],
      findings: [],
      apparent: { widthM: 1, heightM: 1 },
      frontM: 0,
      built: { widthM: 1, heightM: 1, depthM: 0 },
    },
    0.5,
    context,
  );
  expect(build).toMatchObject({ surfaces: [], mouth: null, enclosure: null, things: [] });
  expect(build.folded).toEqual(build.built);
  expect(build.massKg).toBeCloseTo(0.006 * 750 + 0.5, 9);
  expect(segment([0, 0], [1, 1], 'tape').layer).toBe('tape');
});
