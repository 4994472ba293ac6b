/** Diffuse reflectance of skin, shirt and wall, linear sRGB [typ: grouped measurements of faces, from memory]. */
export const SKINS = {
  pale: { name: 'Pale', albedo: [0.62, 0.41, 0.32] },
  light: { name: 'Light', albedo: [0.5, 0.31, 0.22] },
  olive: { name: 'Olive', albedo: [0.38, 0.23, 0.15] },
  brown: { name: 'Brown', albedo: [0.22, 0.12, 0.075] },
  dark: { name: 'Dark', albedo: [0.105, 0.058, 0.038] },
} as const satisfies Record<string, { name: string; albedo: readonly [number, number, number] }>;
export type SkinId = keyof typeof SKINS;
export const SKIN_IDS = Object.keys(SKINS) as SkinId[];
