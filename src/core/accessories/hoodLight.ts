import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Plate } from '../light/controls';
import type { Mouth } from '../light/mouth';
import type { Vector } from '../light/vector';
import {
  discShape,
  OPEN,
  rectangleShape,
  type CavitySurface,
  type SurfaceShape,
} from '../light/transport/arrangement';
import { wallOf } from '../forms/kit/cavities';
import type { Attachment } from './accessory';
import type { HoodShape } from './hoodBlank';

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
    const { reflectance } = hood.inside;
    return { kind: 'plate', name: 'hood', points: [near, nextNear, nextFar, far], reflectance };
  });
}

/** Form factor of a disc of radius a to a coaxial disc of radius b at a distance [std: Howell, C-41]. */
export function discToDisc(a: number, b: number, distance: number): number {
  const [ra, rb] = [a / distance, b / distance];
  const x = 1 + (1 + rb * rb) / (ra * ra);
  return 0.5 * (x - Math.sqrt(Math.max(0, x * x - 4 * (rb / ra) ** 2)));
}

/**
 * A hood on a mouth of its own shape becomes part of the box: its lining sends light on. Before any other front it only
 * stands in the way, and sends back what falls on it once.
 */
export function hoodLight(
  given: HoodShape,
  base: ResolvedBuild,
  mouthDiameterM: number,
): Pick<Attachment, 'controls' | 'mouth'> {
  const { mouth, frontM } = base;
  const radiusM = mouthDiameterM / 2;
  if (mouth?.room && mouth.shape === 'disc') return { mouth: roundHood(given, mouth, radiusM) };
  if (mouth?.room && mouth.shape === 'rectangle' && !given.round)
    return { mouth: foldedHood(given, mouth) };
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
        reflectance: given.inside.reflectance,
      },
    ],
  };
}

function roundHood(given: HoodShape, mouth: Mouth, toRadiusM: number): Mouth {
  const fromM = mouth.heightOverBackM;
  const toM = fromM + given.lengthM;
  const fromRadiusM = mouth.widthM / 2;
  return hooded(given, mouth, [2 * toRadiusM, 2 * toRadiusM], {
    opening: discShape(toRadiusM, toM),
    walls: [{ kind: 'cone', axis: 'z', fromM, toM, fromRadiusM, toRadiusM }],
  });
}

/** Four sides from the mouth's own edges, so that no light gets out beside them. */
function foldedHood(given: HoodShape, mouth: Mouth): Mouth {
  const { mouthWidthM, mouthHeightM } = given;
  const fromM = mouth.heightOverBackM;
  const sides = hoodPlates({ ...given, widthM: mouth.widthM, heightM: mouth.heightM }, fromM);
  return hooded(given, mouth, [mouthWidthM, mouthHeightM], {
    opening: rectangleShape(mouthWidthM, mouthHeightM, fromM + given.lengthM),
    walls: sides.map(({ points }) => ({ kind: 'polygon', points })),
  });
}

interface Built {
  opening: SurfaceShape;
  walls: readonly SurfaceShape[];
}

function hooded(
  { lengthM, inside }: HoodShape,
  mouth: Mouth,
  [widthM, heightM]: readonly [number, number],
  { opening, walls }: Built,
): Mouth {
  const [front, ...rest] = mouth.room!.surfaces as [CavitySurface, ...CavitySurface[]];
  const layer: CavitySurface[] =
    front.matter.kind === 'layer' && mouth.layers.length > 0
      ? [{ ...front, name: 'layers', matter: { ...front.matter, leads: 'through' } }]
      : [];
  // Of what the lining sends on, the share of the hood's two openings that is its mouth gets out.
  const [fromM2, toM2] = [mouth.widthM * mouth.heightM, widthM * heightM];
  const direct = discToDisc(Math.sqrt(fromM2) / 2, Math.sqrt(toM2) / 2, lengthM);
  const onward = toM2 / (toM2 + fromM2);
  return {
    ...mouth,
    widthM,
    heightM,
    heightOverBackM: mouth.heightOverBackM + lengthM,
    hood: { passes: direct + (1 - direct) * inside.reflectance * onward },
    room: {
      ...mouth.room!,
      surfaces: [
        { name: 'mouth of the hood', shape: opening, matter: OPEN },
        ...walls.map((shape) => ({ name: 'hood', shape, matter: wallOf(inside) })),
        ...layer,
        ...rest,
      ],
    },
  };
}
