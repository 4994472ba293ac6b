import { stopsBetween } from '../light/exposure';
import { backdropReading, headReading, type Lit } from './readings';
import type { Setup } from './setup';

/** What a setup comes to in a few figures, to hold it against another. */
export interface KeyFigures {
  /** at whoever stands first in its list; null without anybody */
  head: {
    name: string;
    frontLx: number;
    stops: number | null;
    /** key + fill : fill */
    ratio: number | null;
    cctK: number | null;
  } | null;
  /** the first backdrop; null without any */
  backdrop: { name: string; meanLx: number; plusMinusStops: number | null } | null;
  /** backdrop over face, stops */
  againstStops: number | null;
  wattsW: number;
  /** lights and windows that are lit */
  lit: number;
}

/** @param targetLx  light wanted at a face */
export function keyFigures(setup: Setup, lit: readonly Lit[], targetLx: number): KeyFigures {
  const first = (kind: 'head' | 'backdrop') => setup.things.find((thing) => thing.kind === kind);
  const head = first('head');
  const backdrop = first('backdrop');
  const face = head && headReading(lit, head.id, targetLx, setup.camera.balanceK);
  const behind = backdrop && backdropReading(lit, backdrop.id);
  return {
    head:
      head && face
        ? {
            name: head.name,
            frontLx: face.frontLx,
            stops: face.stops,
            ratio: face.together?.ratio ?? null,
            cctK: face.cctK,
          }
        : null,
    backdrop:
      backdrop && behind
        ? {
            name: backdrop.name,
            meanLx: behind.meanLx,
            plusMinusStops: behind.plusMinusStops,
          }
        : null,
    againstStops:
      face && behind && face.frontLx > 0 && behind.meanLx > 0
        ? stopsBetween(behind.meanLx, face.frontLx)
        : null,
    wattsW: lit.reduce((sum, { state }) => sum + state.wattsW, 0),
    lit: lit.filter(({ state }) => state.factor > 0).length,
  };
}
