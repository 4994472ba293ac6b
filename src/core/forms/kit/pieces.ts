import type { PartId } from '../../ids';
import type { Shape } from '../../drawing/drawing';
import type { FormContext } from '../form';
import type { ClothPiece, SheetPiece, StickPiece } from '../../build/pieces';
import { partOf } from './lookup';
import { polygon, rectangle, shapesExtent, type XY } from '../../drawing/shapes';

/** Sewn, lapped or taped: what each edge of a seam takes [common practice]. */
const SEAM_M = 0.015;

interface SheetGiven {
  id: string;
  name: string;
  partId: PartId | null;
  count?: number;
  /** outline and everything on it, anywhere; it is moved so that its lower left corner is 0, 0 */
  shapes: readonly Shape[];
  areaM2: number;
  /** stock left standing round the outline */
  borderM?: number;
  mayTurn?: boolean;
  hole?: SheetPiece['hole'];
  discM?: number;
  markOut?: readonly string[];
}

const moved = (shape: Shape, dx: number, dy: number): Shape =>
  shape.kind === 'polyline'
    ? { ...shape, points: shape.points.map(([x, y]): XY => [x + dx, y + dy]) }
    : { ...shape, x: shape.x + dx, y: shape.y + dy };

/** A piece of board; its size is that of its cutting lines plus a border. */
export function sheetPiece(given: SheetGiven, context: FormContext): SheetPiece {
  const sheet = partOf(context, given.partId, 'sheet');
  const border = given.borderM ?? 0;
  const cuts = given.shapes.filter(({ layer }) => layer === 'cut');
  const { left, bottom, right, top } = shapesExtent(cuts);
  const [dx, dy] = [border - left, border - bottom];
  return {
    kind: 'sheet',
    id: given.id,
    name: given.name,
    partId: given.partId,
    count: given.count ?? 1,
    widthM: right - left + 2 * border,
    heightM: top - bottom + 2 * border,
    thicknessM: sheet?.thicknessM ?? 0,
    shapes: given.shapes.map((shape) => moved(shape, dx, dy)),
    mayTurn: given.mayTurn ?? !(sheet?.grain ?? false),
    areaM2: given.areaM2,
    ...(given.hole ? { hole: { ...given.hole, x: given.hole.x + dx, y: given.hole.y + dy } } : {}),
    ...(given.discM ? { discM: given.discM } : {}),
    markOut: given.markOut ?? [],
  };
}

interface MoreOfSheet {
  count?: number;
  /** what is drilled and marked on it */
  shapes?: readonly Shape[];
  markOut?: readonly string[];
}

const outlined = (
  named: { id: string; name: string; partId: PartId | null },
  outline: Shape,
  areaM2: number,
  context: FormContext,
  { count, shapes = [], markOut }: MoreOfSheet,
): SheetPiece =>
  sheetPiece({ ...named, count, shapes: [outline, ...shapes], areaM2, markOut }, context);

/** A plain rectangle of board with whatever is drilled and marked on it. */
export const rectanglePiece = (
  id: string,
  name: string,
  partId: PartId | null,
  widthM: number,
  heightM: number,
  context: FormContext,
  more: MoreOfSheet = {},
): SheetPiece =>
  outlined(
    { id, name, partId },
    rectangle(0, 0, widthM, heightM, 'cut'),
    widthM * heightM,
    context,
    more,
  );

/** Area of a simple polygon (shoelace formula), m². */
export const polygonAreaM2 = (points: readonly XY[]): number =>
  Math.abs(
    points.reduce((sum, [x, y], at) => {
      const [nx, ny] = points[(at + 1) % points.length]!;
      return sum + x * ny - nx * y;
    }, 0) / 2,
  );

export const polygonPiece = (
  id: string,
  name: string,
  partId: PartId | null,
  points: readonly XY[],
  context: FormContext,
  more: MoreOfSheet = {},
): SheetPiece =>
  outlined({ id, name, partId }, polygon(points, 'cut'), polygonAreaM2(points), context, more);

export const stickPiece = (
  id: string,
  name: string,
  partId: PartId | null,
  lengthM: number,
  count = 1,
  markOut: readonly string[] = [],
): StickPiece => ({ kind: 'stick', id, name, partId, lengthM, count, markOut });

export const clothPiece = (
  id: string,
  name: string,
  partId: PartId | null,
  widthM: number,
  heightM: number,
  more: Partial<
    Pick<ClothPiece, 'count' | 'seamM' | 'hemM' | 'lit' | 'discM' | 'tab' | 'markOut'>
  > = {},
): ClothPiece => ({
  kind: 'cloth',
  id,
  name,
  partId,
  widthM,
  heightM,
  count: more.count ?? 1,
  seamM: more.seamM ?? SEAM_M,
  hemM: more.hemM ?? 0,
  lit: more.lit ?? false,
  ...(more.discM ? { discM: more.discM } : {}),
  ...(more.tab ? { tab: more.tab } : {}),
  markOut: more.markOut ?? [],
});

/** A round layer in front of a light, with the tab that holds it. */
export const discPiece = (
  id: string,
  name: string,
  partId: PartId | null,
  acrossM: number,
  tab: ClothPiece['tab'],
  markOut: readonly string[],
): ClothPiece =>
  clothPiece(id, name, partId, acrossM, acrossM, { lit: true, discM: acrossM, tab, markOut });
