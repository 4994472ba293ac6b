import { safeAsin } from '../../tolerance';
import { bulbFrontM, bulbGlowM, bulbsOf } from '../kit/lamps';
import type { FormContext } from '../form';
import { MOST_SOCKETS, type BulbRing } from './parameters';
import { GLOBE_M } from '../kit/typical';

/** A jigsaw's cut, with what sanding takes [common practice]. */
const KERF_M = 0.004;
/** A ring smaller than this is not worth cutting. */
const LEAST_RING_M = 0.15;

/** Footprint of a socket nobody has chosen yet [typ: a batten holder for E27]. */
const FOOTPRINT_M = 0.05;
export const SOCKET_HEIGHT_M = 0.04;
/** Board past the cut line on each side that the square of stock keeps [docs/model/forms.md, 1]. */
export const STOCK_MARGIN_M = 0.02;

export interface Seat {
  x: number;
  y: number;
  angleRad: number;
  radiusM: number;
  group: number;
}

export interface RingLayout {
  outerRadiusM: number;
  innerRadiusM: number;
  rowRadiiM: number[];
  count: number;
  seats: Seat[];
  footprintM: number;
  globeM: number;
  /** smallest centre distance of two seats; Infinity for one seat */
  spacingM: number;
  /** from each seat to the next as they are wired */
  nextM: number;
  /** height of the glowing centre, of the glass front, and of the back of the globe, over the board */
  centreM: number;
  /** height of each group's own glow */
  glowM: number[];
  frontM: number;
}

/** Radii of the socket circles: the mean circle, or a quarter width to each side of it. */
export function rowRadii({ outerDiameterM, ringWidthM, rows }: BulbRing): number[] {
  const mean = outerDiameterM / 2 - ringWidthM / 2;
  return rows === 1 ? [mean] : [mean + ringWidthM / 4, mean - ringWidthM / 4];
}

/** Distance of neighbouring seats when `count` seats are dealt round the rows in turn. */
export function seatSpacing(radii: readonly number[], count: number): number {
  const next = nextSeat(radii, count);
  if (radii.length === 1 || count < 4) return next;
  return Math.min(next, 2 * radii.at(-1)! * Math.sin((2 * Math.PI) / count));
}

/** From one seat to the next, dealt round the rows in turn: law of cosines; for one row the chord 2·r·sin(π/n). */
function nextSeat(radii: readonly number[], count: number): number {
  if (count < 2) return Infinity;
  const [outer, inner] = [radii[0]!, radii.at(-1)!];
  return Math.sqrt(outer ** 2 + inner ** 2 - 2 * outer * inner * Math.cos((2 * Math.PI) / count));
}

/** Most seats whose centres keep a distance: exact for one row, by search for two. */
export function mostSeats(radii: readonly number[], distanceM: number): number {
  if (radii.length === 1) {
    const ratio = distanceM / (2 * radii[0]!);
    return ratio >= 1 ? 1 : Math.max(1, Math.floor(Math.PI / safeAsin(ratio) + 1e-9));
  }
  let most = 1;
  // A staggered ring closes only with an even number of seats.
  for (let count = 2; count <= MOST_SOCKETS && seatSpacing(radii, count) >= distanceM; count += 2)
    most = count;
  return most;
}

/** Fewest seats whose clear gap does not pass the largest one allowed. */
function seatsForGap(radii: readonly number[], distanceM: number): number {
  const step = radii.length;
  for (let count = step; count <= MOST_SOCKETS; count += step)
    if (seatSpacing(radii, count) <= distanceM) return count;
  return MOST_SOCKETS;
}

export function layoutRing(ring: BulbRing, context: FormContext): RingLayout {
  const socket = context.part(ring.socketPartId);
  const bulbs = bulbsOf(ring.groups, context);
  const globeM = Math.max(...bulbs.map((bulb) => bulb?.globeDiameterM ?? GLOBE_M));
  const chosen = socket?.role === 'socket' ? socket : null;
  const footprintM = chosen?.footprintDiameterM ?? FOOTPRINT_M;
  const radii = rowRadii(ring);
  const count =
    ring.fillMode === 'gap' ? seatsForGap(radii, ring.largestGapM + globeM) : ring.socketCount;
  const rimM = ring.standoffM + (chosen?.heightM ?? SOCKET_HEIGHT_M);
  const frontM = Math.max(...bulbs.map((bulb) => bulbFrontM(bulb, rimM)));
  return {
    outerRadiusM: ring.outerDiameterM / 2,
    innerRadiusM: ring.outerDiameterM / 2 - ring.ringWidthM,
    rowRadiiM: radii,
    count,
    seats: seatsOf(radii, count, ring.groups.length),
    footprintM,
    globeM,
    spacingM: seatSpacing(radii, count),
    nextM: nextSeat(radii, count),
    centreM: frontM - globeM / 2,
    glowM: bulbs.map((bulb) => bulbGlowM(bulb, rimM)),
    frontM,
  };
}

/** Seats from the top, clockwise as the subject sees them. */
function seatsOf(radii: readonly number[], count: number, groups: number): Seat[] {
  return Array.from({ length: count }, (_, k) => {
    const angleRad = Math.PI / 2 - (2 * Math.PI * k) / count;
    const radiusM = radii[k % radii.length]!;
    return {
      x: radiusM * Math.cos(angleRad),
      y: radiusM * Math.sin(angleRad),
      angleRad,
      radiusM,
      group: k % groups,
    };
  });
}

/** The ring that can be cut from the disc that falls out; null when it would be too small. */
export function secondRing(ring: BulbRing, layout: RingLayout, kerfM = KERF_M) {
  const outerDiameterM = 2 * (layout.innerRadiusM - kerfM);
  const ringWidthM = Math.min(ring.ringWidthM, outerDiameterM / 3);
  const radius = outerDiameterM / 2 - ringWidthM / 2;
  const spacing = Math.max(layout.footprintM, layout.globeM, Math.min(layout.spacingM, 1));
  const socketCount = mostSeats([radius], spacing);
  if (outerDiameterM < LEAST_RING_M || ringWidthM < layout.footprintM || socketCount < 3)
    return null;
  return { outerDiameterM, ringWidthM, socketCount };
}
