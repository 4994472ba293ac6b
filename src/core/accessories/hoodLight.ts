import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Plate } from '../light/controls';
import type { Mouth } from '../light/mouth';
import type { Vector } from '../light/vector';
import { discShape, OPEN, type CavitySurface } from '../light/transport/arrangement';
import { FINISHES } from '../materials/finish';
import { wallOf } from '../forms/kit/cavities';
import type { Attachment } from './accessory';
import type { HoodShape } from './hoodBlank';

const LININGS = {
  foil: FINISHES.foil,
  white: FINISHES['white-emulsion'],
  black: FINISHES['black-paint'],
} as const;

/** Four sides round a box, straight or flared. */
export function hoodPlates(hood: HoodShape, fromM: number): Plate[] {
  const { widthM, heightM, mouthWidthM, mouthHeightM, lengthM } = hood;
  const at = (sx: number, sy: number): readonly [Vector, Vector] => [
    [(sx * widthM) / 2, (sy * heightM) / 2, fromM],
    [(sx * mouthWidthM) / 2, (sy * mouthHeightM) / 2, fromM + lengthM],
  ];
  const corners = [at(-1, -1), at(1, -1), at(1, 1), at(-1, 1)];
  return corners.map(([near, far], k): Plate => {
    const [nextNear, nextFar] = corners[(k + 1) % corners.length]!;
    return { kind: 'plate', name: 'hood', points: [near, nextNear, nextFar, far] };
  });
}

/** Form factor of a disc of radius a to a coaxial disc of radius b at a distance [std: Howell, C-41]. */
export function discToDisc(a: number, b: number, distance: number): number {
  const [ra, rb] = [a / distance, b / distance];
  const x = 1 + (1 + rb * rb) / (ra * ra);
  return 0.5 * (x - Math.sqrt(Math.max(0, x * x - 4 * (rb / ra) ** 2)));
}

/**
 * A hood on a round mouth becomes part of the box: its lining sends light on. Before any other front
 * it only stands in the way.
 */
export function hoodLight(
  given: HoodShape,
  base: ResolvedBuild,
  mouthDiameterM: number,
): Pick<Attachment, 'controls' | 'mouth'> {
  const { mouth, frontM } = base;
  const radiusM = mouthDiameterM / 2;
  if (mouth?.shape === 'disc' && mouth.room) return { mouth: hooded(given, mouth, radiusM) };
  if (!given.round) return { controls: hoodPlates(given, frontM) };
  const fromRadiusM = Math.max(base.apparent.widthM, base.apparent.heightM) / 2;
  return {
    controls: [
      {
        kind: 'round',
        name: 'hood',
        fromM: frontM,
        toM: frontM + given.lengthM,
        fromRadiusM,
        toRadiusM: radiusM,
      },
    ],
  };
}

function hooded({ lengthM, lining }: HoodShape, mouth: Mouth, toRadiusM: number): Mouth {
  const [front, ...rest] = mouth.room!.surfaces as [CavitySurface, ...CavitySurface[]];
  const fromM = mouth.heightOverBackM;
  const fromRadiusM = mouth.widthM / 2;
  const finish = LININGS[lining];
  const layer: CavitySurface[] =
    front.matter.kind === 'layer' && mouth.layers.length > 0
      ? [{ ...front, name: 'layers', matter: { ...front.matter, leads: 'through' } }]
      : [];
  const direct = discToDisc(fromRadiusM, toRadiusM, lengthM);
  // Of what the lining sends on, the share of the hood's two openings that is its mouth gets out.
  const onward = toRadiusM ** 2 / (toRadiusM ** 2 + fromRadiusM ** 2);
  return {
    ...mouth,
    widthM: 2 * toRadiusM,
    heightM: 2 * toRadiusM,
    heightOverBackM: fromM + lengthM,
    hood: { passes: direct + (1 - direct) * finish.reflectance * onward },
    room: {
      ...mouth.room!,
      surfaces: [
        { name: 'mouth of the hood', shape: discShape(toRadiusM, fromM + lengthM), matter: OPEN },
        {
          name: 'hood',
          shape: {
            kind: 'cone',
            axis: 'z',
            fromM,
            toM: fromM + lengthM,
            fromRadiusM,
            toRadiusM,
          },
          matter: wallOf(finish),
        },
        ...layer,
        ...rest,
      ],
    },
  };
}
