import type { PartOf, Role } from '../../materials/part';
import type { PartId } from '../../ids';
import type { FormContext } from '../form';
import type { Need } from '../resolved';
import { STOCK_MARGIN_M, type RingLayout } from './layout';
import type { BulbRing } from './parameters';

const CORD_ALLOWANCE = 1.05;
const COATS_OF_PAINT = 2;
const SEAM_M = 0.05;

export function partOf<R extends Role>(
  context: FormContext,
  id: PartId | null,
  role: R,
): PartOf<R> | null {
  const part = context.part(id);
  return part?.role === role ? (part as PartOf<R>) : null;
}

/** Cord between two sockets: chord + depth twice + twice the strip allowance [handbook 03]. */
export function linkLengthM(ring: BulbRing, context: FormContext, layout: RingLayout): number {
  if (layout.count < 2) return 0;
  const thickness = partOf(context, ring.boardPartId, 'sheet')?.thicknessM ?? 0.006;
  const depth = thickness + ring.standoffM;
  return layout.spacingM + 2 * depth + 2 * ring.stripAllowanceM;
}

export const cordLengthM = (ring: BulbRing, context: FormContext, layout: RingLayout): number =>
  (ring.tailLengthM + (layout.count - 1) * linkLengthM(ring, context, layout)) * CORD_ALLOWANCE;

export const boardAreaM2 = (layout: RingLayout): number =>
  Math.PI * (layout.outerRadiusM ** 2 - layout.innerRadiusM ** 2);

export const stockSideM = (ring: BulbRing): number => ring.outerDiameterM + 2 * STOCK_MARGIN_M;

/** How many squares of stock one sheet gives; 0 when the ring does not fit it. */
export function boardsPerSheet(ring: BulbRing, sheet: PartOf<'sheet'>): number {
  const side = stockSideM(ring);
  const fits = (length: number) => Math.floor(length / side + 1e-9);
  return fits(sheet.widthM) * fits(sheet.heightM);
}

/** Everything one ring takes, in the order of making. */
export function ringNeeds(ring: BulbRing, context: FormContext, layout: RingLayout): Need[] {
  return [
    ...bulbNeeds(ring, context, layout),
    ...boardNeeds(ring, context, layout),
    ...fromPart(ring.socketPartId, layout.count, 'piece', 'one for each bulb'),
    ...fromPart(
      ring.cordPartId,
      cordLengthM(ring, context, layout),
      'm',
      'tail, links and 5 % for joints',
    ),
    ...fromPart(ring.plugPartId, 1, 'piece', 'one for the tail'),
    ...fromPart(ring.dimmerPartId, 1, 'piece', 'in the tail'),
    ...skirtNeeds(ring, context),
  ];
}

function fromPart(
  id: PartId | null,
  quantity: number,
  measure: Need['measure'],
  why: string,
): Need[] {
  return id === null ? [] : [{ item: { kind: 'part', id }, quantity, measure, why }];
}

function bulbNeeds(ring: BulbRing, context: FormContext, layout: RingLayout): Need[] {
  return ring.groups.flatMap((group, index): Need[] => {
    const bulb = context.bulb(group.bulbId);
    const quantity = layout.seats.filter((seat) => seat.group === index).length;
    if (!bulb) return [];
    return [
      { item: { kind: 'bulb', id: bulb.id }, quantity, measure: 'piece', why: 'in the sockets' },
    ];
  });
}

function boardNeeds(ring: BulbRing, context: FormContext, layout: RingLayout): Need[] {
  const sheet = partOf(context, ring.boardPartId, 'sheet');
  const paint = partOf(context, ring.paintPartId, 'paint');
  const perSheet = sheet ? boardsPerSheet(ring, sheet) : 0;
  const litres = paint ? (boardAreaM2(layout) * COATS_OF_PAINT) / paint.coverageM2PerL : 0;
  return [
    ...(perSheet ? fromPart(ring.boardPartId, 1 / perSheet, 'piece', 'square of stock') : []),
    ...(paint ? fromPart(ring.paintPartId, litres, 'l', 'two coats on the front') : []),
  ];
}

/** Skirt cloth is π·Ø long with a seam; strips lie side by side on the bolt. */
function skirtNeeds(ring: BulbRing, context: FormContext): Need[] {
  const cloth = partOf(context, ring.skirtPartId, 'cloth');
  if (!cloth || ring.skirtDepthM <= 0) return [];
  const strips = Math.max(1, Math.floor(cloth.widthM / ring.skirtDepthM));
  const lengthM = (Math.PI * ring.outerDiameterM + SEAM_M) / strips;
  return fromPart(ring.skirtPartId, lengthM, 'm', `skirt, cut as ${strips} strips and joined`);
}

/** Mass of what has been chosen so far. */
export function ringMassKg(ring: BulbRing, context: FormContext, layout: RingLayout): number {
  const sheet = partOf(context, ring.boardPartId, 'sheet');
  const socket = partOf(context, ring.socketPartId, 'socket');
  const cord = partOf(context, ring.cordPartId, 'cord');
  const bulbs = layout.seats.reduce((sum, seat) => {
    const bulb = context.bulb(ring.groups[seat.group]!.bulbId);
    return sum + (bulb?.massKg ?? 0);
  }, 0);
  const board = sheet ? boardAreaM2(layout) * sheet.thicknessM * sheet.densityKgPerM3 : 0;
  const sockets = layout.count * (socket?.massKg ?? 0);
  const cords = cordLengthM(ring, context, layout) * (cord?.massKgPerM ?? 0);
  return bulbs + board + sockets + cords;
}
