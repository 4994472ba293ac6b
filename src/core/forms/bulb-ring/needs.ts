import type { FormContext } from '../form';
import { partOf } from '../kit/lookup';
import { bulbMassKg, bulbNeeds } from '../kit/lamps';
import { exactMm } from '../../quantity';
import { coverNeeds, standOffs } from '../kit/covers';
import { cordMassKg, fromPart, hardware, mainsNeeds, screws } from '../kit/needs';
import type { Need } from '../../build/needs';
import { STOCK_MARGIN_M, type RingLayout } from './layout';
import type { BulbRing } from './parameters';
import { BOARD_M } from '../kit/typical';

const CORD_ALLOWANCE = 1.05;
/** A socket's flange, that its screws go through [typ]. */
const FLANGE_M = 0.004;
const BAR_SCREWS = 4;
const CLIPS_APART_M = 0.3;
const COATS_OF_PAINT = 2;

/** Cord between two sockets: chord + depth twice + twice the strip allowance [docs/model/forms.md]. */
export function linkLengthM(ring: BulbRing, context: FormContext, layout: RingLayout): number {
  if (layout.count < 2) return 0;
  const thickness = partOf(context, ring.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  const depth = thickness + ring.standoffM;
  return layout.nextM + 2 * depth + 2 * ring.stripAllowanceM;
}

export const cordLengthM = (ring: BulbRing, context: FormContext, layout: RingLayout): number =>
  (ring.tailLengthM + (layout.count - 1) * linkLengthM(ring, context, layout)) * CORD_ALLOWANCE;

export const boardAreaM2 = (layout: RingLayout): number =>
  // A ring wider than its radius is refused elsewhere; it has no negative board.
  Math.PI * (layout.outerRadiusM ** 2 - Math.max(0, layout.innerRadiusM) ** 2);

export const stockSideM = (ring: BulbRing): number => ring.outerDiameterM + 2 * STOCK_MARGIN_M;

/** Everything one ring takes besides board and cloth, in the order of making. */
export function ringNeeds(ring: BulbRing, context: FormContext, layout: RingLayout): Need[] {
  const thicknessM = partOf(context, ring.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  return [
    ...bulbNeeds(ring.groups, layout.seats, context),
    ...paintNeeds(ring, context, layout),
    ...fromPart(ring.socketPartId, layout.count, 'piece', 'one for each bulb', 'screw-sockets'),
    ...screws(
      2 * layout.count,
      FLANGE_M + thicknessM + ring.standoffM,
      'two a socket',
      'screw-sockets',
    ),
    ...(ring.standoffM > 0
      ? hardware(
          'stand-off',
          2 * layout.count,
          'metal or porcelain, two a socket',
          'screw-sockets',
          exactMm(ring.standoffM),
        )
      : []),
    ...(ring.centreBarWidthM > 0
      ? screws(BAR_SCREWS, 2 * thicknessM, 'two at each end of the centre bar', 'fit-bar')
      : []),
    ...(ring.skirtDepthM > 0
      ? hardware(
          'clip',
          Math.ceil((Math.PI * ring.outerDiameterM) / CLIPS_APART_M),
          'hold the skirt to the rim',
          'hang-skirt',
        )
      : []),
    ...coverNeeds(
      ring.coverPartId === null
        ? `ring Ø ${exactMm(ring.outerDiameterM)}, hole Ø ${exactMm(2 * Math.max(0, layout.innerRadiusM))}`
        : null,
      standOffs(Math.PI * ring.outerDiameterM),
    ),
    ...mainsNeeds(ring, cordLengthM(ring, context, layout) / CORD_ALLOWANCE),
  ];
}

function paintNeeds(ring: BulbRing, context: FormContext, layout: RingLayout): Need[] {
  const paint = partOf(context, ring.paintPartId, 'paint');
  const litres = paint ? (boardAreaM2(layout) * COATS_OF_PAINT) / paint.coverageM2PerL : 0;
  return fromPart(ring.paintPartId, litres, 'l', 'two coats on the front', 'finish-front');
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
