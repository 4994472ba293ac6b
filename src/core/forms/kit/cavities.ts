import type { Emitter } from '../../light/emitter';
import {
  discShape,
  frustumWalls,
  OPEN,
  rectangleShape,
  type Arrangement,
  type CavitySurface,
  type LayerMatter,
  type WallMatter,
} from '../../light/transport/arrangement';
import type { Finish } from '../../materials/finish';

export const wallOf = ({ reflectance, mirrorShare }: Finish): WallMatter => ({
  kind: 'wall',
  reflectance,
  mirrorShare,
});

/** What a surface of that finish sends back, and how that is known. */
export const sendsBack = ({ reflectance, origin = 'typical' }: Finish) => ({ reflectance, origin });

/** Black cloth [typ]. */
export const BLACK: WallMatter = { kind: 'wall', reflectance: 0.05, mirrorShare: 0 };

type Matter = WallMatter | LayerMatter;

/** A round pan or reflector: base, wall from the base's radius to the mouth's, and the mouth. */
export function roundCavity(
  given: {
    baseRadiusM: number;
    mouthRadiusM: number;
    depthM: number;
    wall: WallMatter;
    mouth: LayerMatter;
    /** open air between the wall's edge and the mouth */
    gapM?: number;
  },
  emitters: readonly Emitter[],
): Arrangement {
  const { baseRadiusM, mouthRadiusM, depthM, wall, mouth, gapM = 0 } = given;
  const surfaces: CavitySurface[] = [
    { name: 'mouth', shape: discShape(mouthRadiusM, depthM + gapM), matter: mouth },
    {
      name: 'wall',
      shape: {
        kind: 'cone',
        axis: 'z',
        fromM: 0,
        toM: depthM,
        fromRadiusM: baseRadiusM,
        toRadiusM: mouthRadiusM,
      },
      matter: wall,
    },
    { name: 'base', shape: discShape(baseRadiusM, 0), matter: wall },
  ];
  if (gapM > 0)
    surfaces.push({
      name: 'gap before the mouth',
      shape: {
        kind: 'cone',
        axis: 'z',
        fromM: depthM,
        toM: depthM + gapM,
        fromRadiusM: mouthRadiusM,
        toRadiusM: mouthRadiusM,
      },
      matter: OPEN,
    });
  return { surfaces, emitters };
}

/** A box with rectangles for back and front; each of its parts may be of another matter. */
export function boxCavity(
  given: {
    back: readonly [widthM: number, heightM: number];
    front: readonly [widthM: number, heightM: number];
    depthM: number;
    backMatter: Matter;
    sideMatter: Matter;
    mouth: LayerMatter;
    names?: { back?: string; side?: string };
  },
  emitters: readonly Emitter[],
): Arrangement {
  const { back, front, depthM, backMatter, sideMatter, mouth, names = {} } = given;
  return {
    surfaces: [
      { name: 'mouth', shape: rectangleShape(front[0], front[1], depthM), matter: mouth },
      {
        name: names.back ?? 'back',
        shape: rectangleShape(back[0], back[1], 0),
        matter: backMatter,
      },
      ...frustumWalls(back, front, depthM, sideMatter, names.side ?? 'side'),
    ],
    emitters,
  };
}
