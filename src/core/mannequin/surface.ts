import { bodyDistance, EYE, eyeDistance, wearsShirt } from './head';

export const MATERIALS = { none: 0, skin: 1, eye: 2, shirt: 3, wall: 4, lip: 5 } as const;

/** Diffuse reflectance beside the skin's, linear sRGB [typ]; lips as a multiple of it. */
export const SHIRT = [0.07, 0.085, 0.11] as const;
export const EYE_COLOURS = {
  white: [0.62, 0.57, 0.54],
  iris: [0.09, 0.06, 0.035],
  pupil: [0.004, 0.004, 0.004],
} as const;
export const LIP = [1.02, 0.62, 0.66] as const;

/** What lies at a point of the figure's surface, its own axes. */
export function materialAt(x: number, y: number, z: number): number {
  if (eyeDistance(x, y, z) < bodyDistance(x, y, z)) return MATERIALS.eye;
  if (wearsShirt(x, y, z)) return MATERIALS.shirt;
  const above = y + 0.0535;
  const arch = 1 - (x / 0.0225) ** 2;
  const lip = above > 0 ? 0.0082 * arch : 0.0098 * arch;
  return Math.abs(above) < lip && z > 0.015 ? MATERIALS.lip : MATERIALS.skin;
}

/** Share of white, iris and pupil at a point of an eyeball that looks straight ahead. */
export function eyePart(x: number, y: number, z: number): 'white' | 'iris' | 'pupil' {
  const side = Math.sign(x) || 1;
  const off = Math.hypot(x - side * EYE.x, y - EYE.y);
  if (z < EYE.z) return 'white';
  return off > 0.0059 ? 'white' : off > 0.0022 ? 'iris' : 'pupil';
}
