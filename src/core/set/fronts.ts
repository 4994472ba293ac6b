import type { Emitter } from '../light/emitter';
import { sourceField } from '../light/lightField';
import { DEGREE } from '../angle';
import { windowPart, partOf, wallFace } from './roomFaces';
import { plus, scaled } from '../light/vector';
import type { LightSource, SetLight } from './scene';
import type { SetRoom } from './setup';
import type { WindowThing } from './things';

/** Pieces of an even front, each way: fine enough for half-shadows, and for places half a front away. */
const CELLS = 10;

/** An even front that sends by Lambert’s law, lm in all; in axes of its own, light going to +z. */
export const evenFront = (widthM: number, heightM: number, luminousFluxLm: number): Emitter[] =>
  Array.from({ length: CELLS * CELLS }, (_, k) => ({
    positionM: [
      (((k % CELLS) + 0.5) / CELLS - 0.5) * widthM,
      ((Math.floor(k / CELLS) + 0.5) / CELLS - 0.5) * heightM,
      0,
    ],
    axis: [0, 0, 1],
    luminousFluxLm: luminousFluxLm / CELLS ** 2,
    spread: { class: 'lambert' },
  }));

/** Into the room from each wall. */
const INWARDS = { front: 0, left: -90, back: 180, right: 90 } as const;

/** What a forecast of daylight may be off by: clouds pass [common practice]. */
const SKY_SHARE = 0.3;

/**
 * A window as a light: what falls on its pane outside and comes through leaves it evenly, by Lambert’s law. The sun itself, as a beam
 * with edges, is not in it.
 */
export function windowLight(window: WindowThing, room: SetRoom): SetLight {
  const { widthM, heightM, outsideLx, passes } = window;
  const { corner, across, along } = partOf(wallFace(room, window.wall), windowPart(window));
  const source: LightSource = {
    field: sourceField(evenFront(widthM, heightM, outsideLx * passes * widthM * heightM)),
    frontM: 0,
    widthM,
    heightM,
    cctK: window.cctK,
    uv: null,
    mixed: null,
    filament: false,
    wattsW: 0,
    apparentVa: 0,
    share: SKY_SHARE,
    circuitId: null,
    controls: [],
    origin: 'lux outside as said, spread evenly over the pane',
  };
  return {
    ...source,
    id: window.id,
    name: window.name,
    role: 'window',
    pose: {
      at: plus(corner, scaled(plus(across, along), 0.5)),
      pan: INWARDS[window.wall] * DEGREE,
      tilt: 0,
      roll: 0,
    },
    own: window.id,
  };
}
