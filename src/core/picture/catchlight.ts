import type { PictureLight, PlacedLight } from './scene';
import { EYE } from '../mannequin/head';
import { MATERIALS } from '../mannequin/surface';
import { CAMERA, pixelRay, type Sight } from './sight';

/** A cornea sends back so much of what meets it straight on [std: Fresnel, n = 1.376]. */
const CORNEA_REFLECTS = 0.025;
/** Rays of a pixel each way: the image of a light in an eye is smaller than a pixel. */
const FINE = 4;

/**
 * What the eyes mirror of the light, by pixel, in the scale of reflectance times lux: π·L·ρ of the source
 * that the reflected ray meets.
 */
export function catchlights(
  sight: Sight,
  placed: PlacedLight,
  light: PictureLight,
  { first, every }: { first: number; every: number },
): Map<number, number> {
  const found = new Map<number, number>();
  const { size, materials, places } = sight;
  for (let row = first; row < size; row += every)
    for (let column = 0; column < size; column++) {
      const at = row * size + column;
      if (materials[at] !== MATERIALS.eye) continue;
      const side = Math.sign(places[at * 3]!) || 1;
      let sum = 0;
      for (let i = 0; i < FINE * FINE; i++) {
        const ray = pixelRay(
          sight,
          row - 0.5 + (Math.floor(i / FINE) + 0.5) / FINE,
          column - 0.5 + ((i % FINE) + 0.5) / FINE,
        );
        sum += mirrored(placed, light, places, at, side, ray);
      }
      if (sum > 0) found.set(at, (sum / FINE ** 2) * CORNEA_REFLECTS * Math.PI);
    }
  return found;
}

/** Luminance the ray meets after the eye, cd/m². */
function mirrored(
  placed: PlacedLight,
  light: PictureLight,
  places: Float32Array,
  at: number,
  side: number,
  [ux, uy, uz]: readonly [number, number, number],
): number {
  // Near enough the pixel's middle; the ray's own direction tells the eye's normal apart.
  const x = places[at * 3]!;
  const y = places[at * 3 + 1]!;
  const z = places[at * 3 + 2]!;
  const t = meets(ux, uy, uz, side);
  const [px, py, pz] = t > 0 ? [t * ux, t * uy, CAMERA.z + t * uz] : [x, y, z];
  const [nx, ny, nz] = [
    (px - side * EYE.x) / EYE.radius,
    (py - EYE.y) / EYE.radius,
    (pz - EYE.z) / EYE.radius,
  ];
  const facing = ux * nx + uy * ny + uz * nz;
  const [rx, ry, rz] = [ux - 2 * facing * nx, uy - 2 * facing * ny, uz - 2 * facing * nz];
  const { axes, origin, half } = placed;
  const local = (i: number) =>
    [
      axes[i]! * (px - origin[0]!) +
        axes[i + 1]! * (py - origin[1]!) +
        axes[i + 2]! * (pz - origin[2]!),
      axes[i]! * rx + axes[i + 1]! * ry + axes[i + 2]! * rz,
    ] as const;
  const [[qx, dx], [qy, dy], [qz, dz]] = [local(0), local(3), local(6)];
  if (dz >= 0) return 0;
  let best = 0;
  light.lamps.forEach(({ source }, k) => {
    const [sx, sy, sz] = source.positionM;
    const way = (sz - qz) / dz;
    const [a, b] = [Math.max(half[k * 3]!, 0.004), Math.max(half[k * 3 + 1]!, 0.004)];
    if (Math.abs(qx + way * dx - sx) > a || Math.abs(qy + way * dy - sy) > b) return;
    // Near the axis every class sends about Φ/π per steradian or less.
    best = Math.max(best, source.luminousFluxLm / Math.PI / (4 * a * b));
  });
  return best;
}

/** Way from the camera to an eyeball; −1 past it. */
function meets(ux: number, uy: number, uz: number, side: number): number {
  const [ox, oy, oz] = [-side * EYE.x, -EYE.y, CAMERA.z - EYE.z];
  const b = ox * ux + oy * uy + oz * uz;
  const inside = b * b - (ox * ox + oy * oy + oz * oz - EYE.radius ** 2);
  return inside < 0 ? -1 : -b - Math.sqrt(inside);
}
