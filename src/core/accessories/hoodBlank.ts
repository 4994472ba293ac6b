import type { SheetPiece } from '../build/pieces';
import type { Shape } from '../drawing/drawing';
import { bulgeOf } from '../drawing/path';
import { labelled, outline, segment, type XY } from '../drawing/shapes';
import type { FormContext } from '../forms/form';
import { coneBlank, frustum, type ConeBlank } from '../forms/kit/development';
import { polygonPiece, rectanglePiece, sheetPiece } from '../forms/kit/pieces';
import type { PartId } from '../ids';
import type { Finish } from '../materials/finish';
import { exactMm } from '../quantity';

/** What a hood's blank follows from; sizes are those of the front it goes round. */
export interface HoodShape {
  shape: 'cylinder' | 'cone';
  lengthM: number;
  overlapM: number;
  halves: 1 | 2;
  /** what its inside sends back */
  inside: Finish;
  boardPartId: PartId | null;
  round: boolean;
  widthM: number;
  heightM: number;
  mouthWidthM: number;
  mouthHeightM: number;
  thicknessM: number;
}

/**
 * Flat blanks of a hood. Sheet bends about its middle: what goes round a front of Ø is π · (Ø + thickness) long,
 * what folds round a box is longer than its girth by four thicknesses [std: sheet-metal layout, neutral line in
 * the middle].
 */
export function hoodPieces(hood: HoodShape, context: FormContext): SheetPiece[] {
  if (!hood.round)
    return hood.shape === 'cylinder' ? [boxBlank(hood, context)] : panels(hood, context);
  const across = Math.max(hood.widthM, hood.heightM) + hood.thicknessM;
  const mouth = Math.max(hood.mouthWidthM, hood.mouthHeightM) + hood.thicknessM;
  const cone = hood.shape === 'cone' ? coneBlank(across, mouth, hood.lengthM) : null;
  return [cone ? conePiece(cone, hood, context) : cylinderPiece(across, hood, context)];
}

const named = ({ halves }: HoodShape, name: string) => (halves === 2 ? `${name}, half` : name);

const cylinderPiece = (across: number, hood: HoodShape, context: FormContext): SheetPiece =>
  rectanglePiece(
    'hood-blank',
    named(hood, 'Hood blank'),
    hood.boardPartId,
    (Math.PI * across) / hood.halves + hood.overlapM,
    hood.lengthM,
    context,
    {
      count: hood.halves,
      markOut: [
        `It laps over itself by ${exactMm(hood.overlapM)}. Score it every 2 cm on the inside of the bend if the board is stiff.`,
      ],
    },
  );

/** Round a box: scored at the corners; half of it is an L. */
function boxBlank(hood: HoodShape, context: FormContext): SheetPiece {
  const { thicknessM, overlapM, lengthM, halves } = hood;
  const [w, h] = [hood.widthM + thicknessM, hood.heightM + thicknessM];
  const corners = halves === 2 ? [w] : [w, w + h, 2 * w + h];
  const long = (2 * (w + h)) / halves;
  return rectanglePiece(
    'hood-blank',
    named(hood, 'Hood blank'),
    hood.boardPartId,
    long + overlapM,
    lengthM,
    context,
    {
      count: halves,
      shapes: [...corners, long].map((x) =>
        labelled(segment([x, 0], [x, lengthM], 'score'), 'fold'),
      ),
      markOut: [
        `Folds at ${corners.map(exactMm).join(', ')}; the last ${exactMm(overlapM)} go inside the first side.`,
      ],
    },
  );
}

/** Flared round a box: four trapezoids, taped at their slants. */
function panels(hood: HoodShape, context: FormContext): SheetPiece[] {
  const { widthM, heightM, mouthWidthM, mouthHeightM, lengthM, boardPartId } = hood;
  const { topSlantM, sideSlantM } = frustum(mouthWidthM, mouthHeightM, widthM, heightM, lengthM);
  const panel = (id: string, name: string, near: number, far: number, slantM: number) =>
    polygonPiece(
      id,
      name,
      boardPartId,
      [
        [-near / 2, 0],
        [near / 2, 0],
        [far / 2, slantM],
        [-far / 2, slantM],
      ],
      context,
      { count: 2, markOut: ['Sizes are those of the inner face; tape the slants inside and out.'] },
    );
  return [
    panel('hood-top', 'Hood, top and bottom', widthM, mouthWidthM, topSlantM),
    panel('hood-side', 'Hood, side', heightM, mouthHeightM, sideSlantM),
  ];
}

/** An annular sector with a straight tab for the overlap, as one outline. */
function conePiece(cone: ConeBlank, hood: HoodShape, context: FormContext): SheetPiece {
  const { innerRadiusM: r, outerRadiusM: R } = cone;
  const angle = cone.angleRad / hood.halves;
  const half = angle / 2;
  const tab = hood.overlapM;
  const on = (radius: number, at: number): XY => [radius * Math.cos(at), radius * Math.sin(at)];
  const [a, b] = [Math.PI / 2 - half, Math.PI / 2 + half];
  const off = ([x, y]: XY): XY => [
    x + tab * Math.cos(b + Math.PI / 2),
    y + tab * Math.sin(b + Math.PI / 2),
  ];
  const middle = (a + b) / 2;
  const arc = bulgeOf(angle / 2);
  // Out along the right side, over the outer arc, round the tab, back along the inner arc.
  const corners: [XY, number][] = [
    [on(r, a), 0],
    [on(R, a), arc],
    [on(R, middle), arc],
    ...(tab > 0
      ? ([
          [on(R, b), 0],
          [off(on(R, b)), 0],
          [off(on(r, b)), 0],
        ] as [XY, number][])
      : ([[on(R, b), 0]] as [XY, number][])),
    [on(r, b), -arc],
    [on(r, middle), -arc],
  ];
  const shapes: Shape[] = [
    labelled(
      outline(
        corners.map(([at]) => at),
        corners.map(([, bulge]) => bulge),
        'cut',
      ),
      `arcs of ${exactMm(r)} and ${exactMm(R)}`,
    ),
    ...(tab > 0 ? [labelled(segment(on(r, b), on(R, b), 'score'), 'overlap')] : []),
    { kind: 'circle', x: 0, y: 0, r: PIVOT_M, layer: 'mark', label: 'pivot of both arcs' },
  ];
  return sheetPiece(
    {
      id: 'hood-blank',
      name: named(hood, 'Hood blank, annular sector'),
      partId: hood.boardPartId,
      count: hood.halves,
      shapes,
      areaM2: half * (R * R - r * r) + tab * (R - r),
      markOut: [
        'Swing both arcs from one nail, the pivot; the straight tab goes inside the joint.',
      ],
    },
    context,
  );
}
/** The nail both arcs are swung from. */
const PIVOT_M = 0.0015;
