import type { FormContext } from '../form';
import { partOf } from '../kit/lookup';
import { bulbMassKg, bulbNeeds } from '../kit/lamps';
import { cordMassKg, fromPart, hardware, mainsNeeds } from '../kit/needs';
import type { Need } from '../../build/needs';
import { STOCK_MARGIN_M, type RingLayout } from './layout';
import type { BulbRing } from './parameters';
import { BOARD_M } from '../kit/typical';

const CORD_ALLOWANCE = 1.05;
const COATS_OF_PAINT = 2;

/** Cord between two sockets: chord + depth twice + twice the strip allowance [docs/model/forms.md]. */
export function linkLengthM(ring: BulbRing, context: FormContext, layout: RingLayout): number {
  if (layout.count < 2) return 0;
  const thickness = partOf(context, ring.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  const depth = thickness + ring.standoffM;
  return layout.spacingM + 2 * depth + 2 * ring.stripAllowanceM;
}

export const cordLengthM = (ring: BulbRing, context: FormContext, layout: RingLayout): number =>
  (ring.tailLengthM + (layout.count - 1) * linkLengthM(ring, context, layout)) * CORD_ALLOWANCE;

export const boardAreaM2 = (layout: RingLayout): number =>
  // A ring wider than its radius is refused elsewhere; it has no negative board.
  Math.PI * (layout.outerRadiusM ** 2 - Math.max(0, layout.innerRadiusM) ** 2);

export const stockSideM = (ring: BulbRing): number => ring.outerDiameterM + 2 * STOCK_MARGIN_M;

/** Everything one ring takes besides board and cloth, in the order of making. */
export function ringNeeds(ring: BulbRing, context: FormContext, layout: RingLayout): Need[] {
  return [
    ...bulbNeeds(ring.groups, layout.seats, context),
    ...paintNeeds(ring, context, layout),
    ...fromPart(ring.socketPartId, layout.count, 'piece', 'one for each bulb'),
    ...hardware('screw', 2 * layout.count, 'two a socket'),
    ...hardware('strain-relief', 1, 'where the tail enters'),
    ...hardware('back-panel', 1, 'covers the terminals'),
    ...mainsNeeds(ring, cordLengthM(ring, context, layout) / CORD_ALLOWANCE),
  ];
}

function paintNeeds(ring: BulbRing, context: FormContext, layout: RingLayout): Need[] {
  const paint = partOf(context, ring.paintPartId, 'paint');
  const litres = paint ? (boardAreaM2(layout) * COATS_OF_PAINT) / paint.coverageM2PerL : 0;
  return fromPart(ring.paintPartId, litres, 'l', 'two coats on the front');
}

/** Lamps, sockets and cord of what has been chosen so far, kg; what is cut is weighed elsewhere. */
export function fittingsMassKg(ring: BulbRing, context: FormContext, layout: RingLayout): number {
  const socket = partOf(context, ring.socketPartId, 'socket');
  return (
    bulbMassKg(ring.groups, layout.seats, context) +
    layout.count * (socket?.massKg ?? 0) +
    cordMassKg(ring, cordLengthM(ring, context, layout), context)
  );
}
