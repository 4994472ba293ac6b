import type { Vector } from '../vector';
import { packArrangement } from './pack';
import { readTally, type Transported } from './result';
import { tracePart, unitsOf, type Run } from './run';
import { SURVEY_PARTS } from './tally';
import type { Emitter } from '../emitter';
import type { Spread } from '../../units/spread';
import {
  discShape,
  frustumWalls,
  rectangleShape,
  type Arrangement,
  type LayerMatter,
  type WallMatter,
} from './arrangement';

/** A run without its survey: photons alone. */
export const counted = (arrangement: Arrangement, run: Run): Transported =>
  readTally(
    tracePart(packArrangement(arrangement), run, SURVEY_PARTS, unitsOf(run.photons)),
    arrangement,
    run.seed,
  );

/** Arrangements of docs/model/transport.md in its own units, for tests and the benchmark. */
export const wall = (reflectance: number, mirrorShare = 0): WallMatter => ({
  kind: 'wall',
  reflectance,
  mirrorShare,
});

export const sheet = (
  transmittance: number,
  backReflectance: number,
  spreadDeg = 180,
): LayerMatter => ({ kind: 'layer', transmittance, backReflectance, spreadDeg, leads: 'out' });

export const lamp = (
  positionM: Vector,
  axis: Vector = [0, 0, 1],
  spread: Spread = { class: 'lambert' },
): Emitter => ({ positionM, axis, luminousFluxLm: 1, spread });

/** The standard pan: cylinder R 150, H 80, 36 Lambertian emitters on the wall at half height. */
export const standardPan = (mouth: LayerMatter, matter = wall(0.92, 0.1)): Arrangement => ({
  surfaces: [
    { name: 'mouth', shape: discShape(150, 80), matter: mouth },
    {
      name: 'rim',
      shape: { kind: 'cone', axis: 'z', fromM: 0, toM: 80, fromRadiusM: 150, toRadiusM: 150 },
      matter,
    },
    { name: 'base', shape: discShape(150, 0), matter },
  ],
  emitters: Array.from({ length: 36 }, (_, k) => {
    const [x, y] = [Math.cos((k * Math.PI) / 18), Math.sin((k * Math.PI) / 18)];
    return lamp([150 * x, 150 * y, 40], [-x, -y, 0]);
  }),
});

/** The standard box: back 120 × 120, mouth 600 × 600, depth 350, an even point 60 before the back. */
export const standardBox = (mouth: LayerMatter, matter = wall(0.85, 0.6)): Arrangement => ({
  surfaces: [
    { name: 'mouth', shape: rectangleShape(600, 600, 350), matter: mouth },
    { name: 'back', shape: rectangleShape(120, 120, 0), matter },
    ...frustumWalls([120, 120], [600, 600], 350, matter),
  ],
  emitters: [lamp([0, 0, 60], [0, 0, 1], { class: 'omni' })],
});
