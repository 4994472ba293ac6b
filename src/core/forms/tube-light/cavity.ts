import type { Vector } from '../../light/vector';
import type { Emitter } from '../../light/emitter';
import { mouthMatter, type Layer } from '../../light/mouth';
import type { Arrangement, CavitySurface, WallMatter } from '../../light/transport/arrangement';
import type { UnitOf } from '../../units/unit';
import { pointsAlong } from '../kit/lamps';
import type { TubeLight } from './parameters';
import { TAPE_WIDTH_M } from '../kit/typical';

/** A tube without tape has this much all the same, so that it has a middle. */
const LEAST_M = 0.01;
/** Tape wider than this share of the bore would not lie flat; it lies this near to the wall. */
const FLAT_SHARE = 0.9;
const ON_THE_WALL = 0.98;

const POINTS = 24;
/** White face of a tape and its diodes; the caps are taken as alike [typ]. */
const TAPE: WallMatter = { kind: 'wall', reflectance: 0.7, mirrorShare: 0 };
/** Diodes stand so far before the tape. */
const DIODE_M = 0.0005;

/** Points of light along the upright tube, as they are seen when no liner hides them. */
export function lineOf({ insideDiameterM, strands }: TubeLight, litM: number) {
  const z = insideDiameterM / 2;
  const facing: Vector = strands === 2 ? [0, 1, 0] : [0, 0, 1];
  return pointsAlong([0, -litM / 2, z], [0, litM / 2, z], POINTS, facing);
}

const flat = (name: string, points: readonly Vector[]): CavitySurface => ({
  name,
  shape: { kind: 'polygon', points },
  matter: TAPE,
});
const linerSurface = (r: number, halfM: number, layers: readonly Layer[]): CavitySurface => ({
  name: 'liner',
  shape: { kind: 'cone', axis: 'y', fromM: -halfM, toM: halfM, fromRadiusM: r, toRadiusM: r },
  matter: mouthMatter(layers),
});

/**
 * The lined tube, its axis being y: the liner all round is the mouth. One strand lies against the
 * wall, two stand back to back in the middle; tape and caps take their share.
 */
export function linedCavity(
  light: TubeLight,
  litM: number,
  strip: UnitOf<'strip'> | null,
  layers: readonly Layer[],
  emitters: readonly Emitter[],
): Arrangement {
  const r = light.insideDiameterM / 2;
  const halfM = Math.max(litM, LEAST_M) / 2;
  const half = Math.min((strip?.tapeWidthM ?? TAPE_WIDTH_M) / 2, FLAT_SHARE * r);
  const tapeZ = light.strands === 2 ? 0 : -ON_THE_WALL * Math.sqrt(r * r - half * half);
  const lm = emitters.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  const sides = light.strands === 2 ? [1, -1] : [1];
  const across = (y: number): Vector[] => [
    [-r, y, -r],
    [r, y, -r],
    [r, y, r],
    [-r, y, r],
  ];
  const along: Vector[] = [
    [-half, -halfM, tapeZ],
    [half, -halfM, tapeZ],
    [half, halfM, tapeZ],
    [-half, halfM, tapeZ],
  ];
  return {
    surfaces: [
      linerSurface(r, halfM, layers),
      flat('cap', across(-halfM)),
      flat('cap', across(halfM)),
      flat('tape', along),
    ],
    emitters: sides.flatMap((side) =>
      pointsAlong([0, -halfM, tapeZ + side * DIODE_M], [0, halfM, tapeZ + side * DIODE_M], POINTS, [
        0,
        0,
        side,
      ]).map((point): Emitter => ({
        ...point,
        luminousFluxLm: lm / (POINTS * sides.length),
        spread: { class: 'lambert' },
      })),
    ),
  };
}
