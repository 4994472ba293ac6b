import { toDegrees, toRadians } from '../../angle';
import type { Need } from '../../build/needs';
import type { Finding } from '../../findings/finding';
import { THREADS } from '../../materials/fasteners';
import { exactMm } from '../../quantity';
import { fact } from './build';
import { look, stop } from './findingWriters';
import { doorLeaf } from './development';
import { closingCollision, type Leaves } from './leafSweep';
import { partOf } from './lookup';
import { bolts, hardware } from './needs';
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
import type { Size } from '../../build/resolvedBuild';

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
  boardPartId: part('Sheet metal', group, 'sheet', true, { takes: 'metal' }),
});

/** The four leaves as a form or an accessory describes them. */
export interface Doors extends Leaves {
  hingeOverlayM: number;
  boardPartId: PartId | null;
}

/** Of the hinges; what a hinge's own leaf is thick [typ]. */
const HINGE_BOLT = 'M4';
const HINGE_M = 0.001;
/** A small hinge's two holes lie so far apart [typ]. */
const HINGE_HOLES_M = 0.02;

/** Two hinges, a fifth of the edge from each end, with two holes each. */
const hingeHoles = (hingeM: number, overlayM: number) =>
  [-0.3, 0.3].flatMap((at) =>
    [-0.5, 0.5].map((side) => {
      const apart = Math.min(HINGE_HOLES_M, 0.2 * hingeM);
      const { clearanceM, pilotM } = THREADS[HINGE_BOLT];
      return labelled(
        circle(at * hingeM + side * apart, Math.max(overlayM / 2, 0.004), clearanceM / 2, 'drill'),
        `hinge bolt ${HINGE_BOLT}: pilot ${exactMm(pilotM)}, then ${exactMm(clearanceM)}`,
      );
    }),
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

/** @param rimM  thickness of what the leaves hang on */
export function doorNeeds({ boardPartId }: Doors, rimM: number, context: FormContext): Need[] {
  const sheetM = partOf(context, boardPartId, 'sheet')?.thicknessM ?? HINGE_M;
  return [
    ...hardware('hinge', 8, 'two a leaf', 'hinge'),
    ...bolts(HINGE_BOLT, 16, HINGE_M + sheetM, 'two a hinge, in its leaf', 'hinge'),
    ...bolts(HINGE_BOLT, 16, HINGE_M + rimM, 'two a hinge, in what it hangs on', 'hinge'),
  ];
}

/** Shut, the leaves lie over the face, four thick with their hinges. */
export const foldedDoors = (folded: Size, { topFreeM }: Doors, thicknessM: number): Size => ({
  ...folded,
  widthM: Math.max(folded.widthM, topFreeM),
  depthM: folded.depthM + 4 * (thicknessM + HINGE_M),
});

export const doorSteps = () => [
  cutMetal('four leaves'),
  step(
    'mount',
    'hinge',
    'Drill and hinge the leaves',
    'Heads outside, so that the leaves close flat',
    'drill, 3.3 and 4.5 mm bits, spanner',
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

const inDegrees = (angleRad: number): string => `${Math.round(toDegrees(angleRad))}°`;

/** Closing check: each leaf in its order, past the others. */
export function doorFindings(doors: Doors, faceWidthM: number, faceHeightM: number): Finding[] {
  const where = { field: 'leafLengthM', drawing: 'doors' };
  const source = 'Geometry of the leaves swung from open to shut';
  const collision = closingCollision(doors, faceWidthM, faceHeightM);
  const other = doors.foldFirst === 'sides' ? 'top' : 'sides';
  const otherWay =
    collision && !closingCollision({ ...doors, foldFirst: other }, faceWidthM, faceHeightM);
  const opposite = collision && collision.moving !== collision.meets && across(collision);
  return [
    ...(collision
      ? [
          {
            ...stop(
              'geometry',
              'doors.collide',
              'The leaves run into each other',
              opposite
                ? `Folding ${doors.foldFirst === 'sides' ? 'sides' : 'top and bottom'} first, the ${collision.moving} leaf of ${exactMm(doors.leafLengthM)} passes the ${collision.meets} leaf’s hinge, ${exactMm(opposite === 'up' ? faceHeightM : faceWidthM)} away: shorten the leaves.`
                : `Folding ${doors.foldFirst === 'sides' ? 'sides' : 'top and bottom'} first, the ${collision.moving} leaf meets the ${collision.meets} leaf ${inDegrees(collision.atRad)} from shut: make it narrower at its free edge${otherWay ? ', or let the other pair fold first' : ''}.`,
              otherWay ? { field: 'foldFirst', drawing: 'doors' } : where,
              source,
            ),
            remedies: otherWay
              ? [
                  {
                    label: other === 'top' ? 'Fold top and bottom first' : 'Fold the sides first',
                    parameters: { foldFirst: other },
                  },
                ]
              : [],
          },
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

/** Opposite leaves: they fold towards one another. */
const across = ({ moving, meets }: { moving: string; meets: string }): 'up' | 'level' | null => {
  const pair = [moving, meets].toSorted().join(' ');
  return pair === 'bottom top' ? 'up' : pair === 'left right' ? 'level' : null;
};

/**
 * The leaves as they stand in the light, hinged on the face's edges in the plane z and swung outwards
 * from straight ahead.
 */
export function doorPlates(
  doors: Doors,
  faceWidthM: number,
  faceHeightM: number,
  zM: number,
  reflectance?: number,
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
    reflectance,
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
