import { toRadians } from '../../angle';
import { fact } from './build';
import { look, stop } from './findingWriters';
import { doorLeaf } from './development';
import { hardware } from './needs';
import { choice, degrees, length, part } from './parameters';
import { polygonPiece } from './pieces';
import { circle, labelled, polygon, rectangle, type XY } from '../../drawing/shapes';
import { cutMetal, step } from './steps';
import { plateThings, sheetBurns } from './things';
import type { Thing } from '../../build/things';
import type { Plate } from '../../light/controls';
import type { PartId } from '../../ids';
import type { FormContext } from '../form';
import type { SheetPiece } from '../../build/pieces';

/** Sizes of the four leaves; also what the work-light form draws. */
export const doorParameters = (group: string) => ({
  leafLengthM: length('Leaf length', group, { start: 0.14, min: 0.02, max: 1, step: 0.005 }),
  topFreeM: length('Top and bottom, free edge', group, {
    start: 0.203,
    min: 0.02,
    max: 1.5,
    step: 0.005,
  }),
  cornerM: length('Corner cut off', group, { start: 0.038, min: 0, max: 0.4, step: 0.002 }),
  sideHingeM: length('Side leaf, hinge edge', group, {
    start: 0.114,
    min: 0.02,
    max: 1.5,
    step: 0.005,
  }),
  sideFreeM: length('Side leaf, free edge', group, {
    start: 0.051,
    min: 0.01,
    max: 1.5,
    step: 0.005,
  }),
  openedRad: degrees('Opened', group, {
    start: Math.PI / 4,
    min: -Math.PI / 2,
    max: toRadians(100),
    step: Math.PI / 36,
    help: '0° straight ahead, 90° flat back, −90° shut',
  }),
  hingeOverlayM: length('Hinge overlay', group, { start: 0.012, min: 0, max: 0.1, step: 0.001 }),
  foldFirst: choice('Folds first', group, [
    ['sides', 'sides first'],
    ['top', 'top and bottom first'],
  ]),
  boardPartId: part('Sheet metal', group, 'sheet'),
});

/** The four leaves as a form or an accessory describes them. */
export interface Doors {
  leafLengthM: number;
  topFreeM: number;
  cornerM: number;
  sideHingeM: number;
  sideFreeM: number;
  openedRad: number;
  hingeOverlayM: number;
  foldFirst: 'sides' | 'top';
  boardPartId: PartId | null;
}

const PILOT_RADIUS_M = 0.00165;

/** Two hinge holes, a fifth of the edge from each end. */
const hingeHoles = (hingeM: number, overlayM: number) =>
  [-0.3, 0.3].map((at) =>
    labelled(
      circle(at * hingeM, Math.max(overlayM / 2, 0.004), PILOT_RADIUS_M, 'drill'),
      'hinge bolt, pilot 3.3 mm',
    ),
  );

/** Top and bottom leaves, side leaves, as pieces of sheet metal. */
export function doorPieces(doors: Doors, topHingeM: number, context: FormContext): SheetPiece[] {
  const { leafLengthM, topFreeM, cornerM, sideHingeM, sideFreeM, hingeOverlayM, boardPartId } =
    doors;
  const markOut = ['Bolt heads away from the closing side; file every edge round.'];
  return [
    polygonPiece(
      'top-and-bottom-leaf',
      'Top and bottom leaf',
      boardPartId,
      doorLeaf(topHingeM, topFreeM, leafLengthM, cornerM),
      context,
      {
        count: 2,
        shapes: hingeHoles(topHingeM, hingeOverlayM),
        markOut,
      },
    ),
    polygonPiece(
      'side-leaf',
      'Side leaf',
      boardPartId,
      doorLeaf(sideHingeM, sideFreeM, leafLengthM, 0),
      context,
      {
        count: 2,
        shapes: hingeHoles(sideHingeM, hingeOverlayM),
        markOut,
      },
    ),
  ];
}

export const doorNeeds = [
  ...hardware('hinge', 8, 'two a leaf'),
  ...hardware('bolt', 32, 'four a hinge'),
];

export const doorSteps = () => [
  cutMetal('four leaves'),
  step(
    'mount',
    'hinge',
    'Drill and hinge the leaves',
    'Heads outside, so that the leaves close flat',
    'drill, 3.3 mm bit, spanner',
    35,
    'each leaf swings and holds where it is left',
    'Clamp sheet metal before drilling: it spins. Gloves off at the drill, on for the edges.',
  ),
  step(
    'mount',
    'closing-check',
    'Closing check',
    'Leaves must clear the glass and each other',
    'eyes, card',
    5,
    'they fold flat in their order and touch nothing hot',
    'Never close the doors on a hot lamp: let it cool ten minutes.',
  ),
];

/** Closing check: the leaves of a pair must not collide and the first pair must lie inside. */
export function doorFindings(doors: Doors, faceWidthM: number, faceHeightM: number) {
  const where = { field: 'leafLengthM', drawing: 'doors' };
  const source = 'Geometry of the folded leaves';
  const first = doors.foldFirst === 'sides' ? faceWidthM : faceHeightM;
  const pair = 2 * (doors.leafLengthM - doors.cornerM * (doors.foldFirst === 'top' ? 1 : 0));
  return [
    ...(2 * doors.leafLengthM > 2 * first && pair > 2 * first
      ? [
          stop(
            'geometry',
            'doors.collide',
            'The leaves run into each other',
            `Two leaves of ${(doors.leafLengthM * 1000).toFixed(0)} mm fold over an opening of ${(first * 1000).toFixed(0)} mm and pass its far edge: shorten them or let the other pair fold first.`,
            where,
            source,
          ),
        ]
      : []),
    ...(doors.sideHingeM > faceHeightM + 1e-9
      ? [
          stop(
            'geometry',
            'doors.side-wide',
            'The side leaf is longer than its edge',
            `Its hinge edge of ${(doors.sideHingeM * 1000).toFixed(0)} mm is more than the lamp's ${(faceHeightM * 1000).toFixed(0)} mm.`,
            { field: 'sideHingeM', drawing: 'doors' },
            source,
          ),
        ]
      : []),
    look(
      'heat',
      'doors.hot',
      'Hot metal, sharp edges',
      'Leaves take the lamp’s heat: move them with gloves, deburr every edge, keep the glass and its guard in.',
      where,
    ),
  ];
}

/**
 * The leaves as they stand in the light, hinged on the face's edges in the plane z and swung outwards
 * from straight ahead.
 */
export function doorPlates(
  doors: Doors,
  faceWidthM: number,
  faceHeightM: number,
  zM: number,
): Plate[] {
  const [out, on] = [Math.sin(doors.openedRad), Math.cos(doors.openedRad)];
  const top = doorLeaf(faceWidthM, doors.topFreeM, doors.leafLengthM, doors.cornerM);
  const side = doorLeaf(doors.sideHingeM, doors.sideFreeM, doors.leafLengthM, 0);
  const plate = (
    name: string,
    leaf: readonly XY[],
    place: (along: number, outM: number, zM: number) => readonly [number, number, number],
  ): Plate => ({
    kind: 'plate',
    name: `${name} leaf`,
    points: leaf.map(([along, length]) => place(along, length * out, zM + length * on)),
  });
  return [
    plate('top', top, (x, y, z) => [x, faceHeightM / 2 + y, z]),
    plate('bottom', top, (x, y, z) => [x, -faceHeightM / 2 - y, z]),
    plate('right', side, (y, x, z) => [faceWidthM / 2 + x, y, z]),
    plate('left', side, (y, x, z) => [-faceWidthM / 2 - x, y, z]),
  ];
}

/** Leaves turned in farther than this shut the lamp in [common practice]. */
const SHUT_RAD = -Math.PI / 3;

/** The leaves as things in the lamp's heat; turned in far enough they cover it. */
export function doorThings(doors: Doors, plates: readonly Plate[], context: FormContext): Thing[] {
  const told = { burns: sheetBurns(doors.boardPartId, context), ref: 'doors' } as const;
  const leaves = plateThings(plates, 'leaf', { ...told, name: 'door leaf', field: 'boardPartId' });
  if (doors.openedRad > SHUT_RAD) return leaves;
  const shut: Thing = {
    ...told,
    id: 'doors',
    name: 'doors',
    limitC: null,
    place: { kind: 'ahead', distanceM: 0 },
    field: 'openedRad',
    covers: true,
  };
  return [...leaves, shut];
}

/** The lamp with its leaves folded out, from the front. */
export function doorShapes(doors: Doors, faceWidthM: number, faceHeightM: number) {
  const top = doorLeaf(faceWidthM, doors.topFreeM, doors.leafLengthM, doors.cornerM);
  const side = doorLeaf(doors.sideHingeM, doors.sideFreeM, doors.leafLengthM, 0);
  const place = (leaf: readonly XY[], move: (point: XY) => XY) =>
    polygon(leaf.map(move), 'cut', 'doors');
  return [
    rectangle(
      -faceWidthM / 2,
      -faceHeightM / 2,
      faceWidthM / 2,
      faceHeightM / 2,
      'glass',
      'seat-0',
    ),
    place(top, ([x, y]) => [x, faceHeightM / 2 + y]),
    place(top, ([x, y]) => [x, -faceHeightM / 2 - y]),
    place(side, ([x, y]) => [faceWidthM / 2 + y, x]),
    place(side, ([x, y]) => [-faceWidthM / 2 - y, x]),
  ];
}

export const doorFacts = (doors: Doors, faceWidthM: number, faceHeightM: number) => [
  fact(
    'door-cut',
    'Doors straight out cut at',
    Math.atan2(Math.min(faceWidthM, faceHeightM), doors.leafLengthM),
    'atan(face / leaf length), to the axis',
    'angle',
  ),
];
