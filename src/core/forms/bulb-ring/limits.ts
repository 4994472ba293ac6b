import { mm } from '../../quantity';
import type { Problem } from '../../result';
import type { FormContext, Limits } from '../form';
import { layoutRing, mostSeats, rowRadii, seatSpacing } from './layout';
import type { BulbRing } from './parameters';

/** The hole left in the middle must let a hand through to the wiring. */
const SMALLEST_HOLE_M = 0.04;

/** Widest ring on a board: half the diameter less half the smallest hole. */
const widestRing = (outerDiameterM: number) => outerDiameterM / 2 - SMALLEST_HOLE_M / 2;

/** Space a seat takes: the wider of socket and globe. */
function seatWidth(ring: BulbRing, context: FormContext) {
  const { footprintM, globeM } = layoutRing(
    { ...ring, fillMode: 'count', socketCount: 1 },
    context,
  );
  return Math.max(footprintM, globeM);
}

/** Narrowest ring that carries the sockets of its rows. */
const narrowestRing = (ring: BulbRing, footprintM: number) =>
  ring.rows === 1 ? footprintM : footprintM * 2;

/** What cannot be made: a ring wider than its radius, sockets that overlap or hang over the edge. */
export function ringProblems(ring: BulbRing, context: FormContext): Problem[] {
  const problems: Problem[] = [];
  const widest = widestRing(ring.outerDiameterM);
  if (ring.ringWidthM > widest)
    return [
      {
        code: 'ring_too_wide',
        path: 'ringWidthM',
        message: `A ring ${mm(ring.ringWidthM)} wide leaves no hole in a board of Ø ${mm(ring.outerDiameterM)}: keep the width under ${mm(widest)}, or make the board bigger.`,
      },
    ];
  const layout = layoutRing(ring, context);
  const narrowest = narrowestRing(ring, layout.footprintM);
  if (ring.ringWidthM < narrowest)
    problems.push({
      code: 'ring_too_narrow',
      path: 'ringWidthM',
      message: `${ring.rows === 1 ? 'A socket' : 'Two rows of sockets'} of Ø ${mm(layout.footprintM)} would hang over the edge: make the ring at least ${mm(narrowest)} wide.`,
    });
  const seat = Math.max(layout.footprintM, layout.globeM);
  if (layout.spacingM < seat) problems.push(overlap(ring, layout.count, seat));
  if (ring.rows === 2 && layout.count % 2 === 1 && layout.count > 1)
    problems.push({
      code: 'odd_stagger',
      path: 'socketCount',
      message: `Two staggered rows need an even number of sockets: use ${layout.count - 1} or ${layout.count + 1}.`,
    });
  return problems;
}

function overlap(ring: BulbRing, count: number, seatM: number): Problem {
  const most = mostSeats(rowRadii(ring), seatM);
  const spacing = seatSpacing(rowRadii(ring), count);
  return {
    code: 'sockets_overlap',
    path: ring.fillMode === 'gap' ? 'largestGapM' : 'socketCount',
    message: `${count} sockets would stand ${mm(spacing)} apart but each takes ${mm(seatM)}: at most ${most} fit on this ring.`,
  };
}

/** Where handles and arrow keys stop, given all the other parameters. */
export function ringLimits(ring: BulbRing, context: FormContext): Record<string, Partial<Limits>> {
  const seat = seatWidth(ring, context);
  const { footprintM } = layoutRing(ring, context);
  const count = ring.fillMode === 'gap' ? 1 : ring.socketCount;
  const chord = count < 2 ? 0 : seat / Math.sin(Math.PI / count);
  const wider = ring.rows === 2 ? chord * 0.5 : chord;
  return {
    outerDiameterM: {
      min: Math.max(ring.ringWidthM * 2 + SMALLEST_HOLE_M, wider + ring.ringWidthM),
    },
    ringWidthM: {
      min: narrowestRing(ring, footprintM),
      max: Math.min(widestRing(ring.outerDiameterM), widestForSeats(ring, count, seat)),
    },
    socketCount: { min: ring.rows, max: mostSeats(rowRadii(ring), seat) },
  };
}

/** Widening a ring pulls its socket circle inwards until the sockets touch. */
function widestForSeats(ring: BulbRing, count: number, seatM: number): number {
  if (count < 2 || ring.rows === 2) return Infinity;
  return ring.outerDiameterM - seatM / Math.sin(Math.PI / count);
}

/** Most sockets the ring's rows take. */
export const mostSockets = (ring: BulbRing, context: FormContext): number => {
  const most = mostSeats(rowRadii(ring), seatWidth(ring, context));
  return ring.rows === 2 ? most - (most % 2) : most;
};
