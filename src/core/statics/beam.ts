import type { PartOf } from '../materials/part';

export const GRAVITY = 9.81;

type Bar = Pick<PartOf<'stick'>, 'profile' | 'diameterM' | 'wallM' | 'stiffnessGPa'>;

/** Second moment of area of a pipe or bar, m⁴. */
export function secondMoment({ profile, diameterM, wallM }: Bar): number {
  const inner = wallM > 0 ? Math.max(0, diameterM - 2 * wallM) : 0;
  const fourth = diameterM ** 4 - inner ** 4;
  return profile === 'round' ? (Math.PI / 64) * fourth : fourth / 12;
}

/** Bending stiffness E·I, N·m². */
const stiffness = (bar: Bar): number => bar.stiffnessGPa * 1e9 * secondMoment(bar);

/**
 * Sag of a bar between supports under an even load: δ = 5·w·L⁴/(384·E·I)
 * [std: simply supported beam, even load].
 * @param loadKgPerM own mass and what hangs on it
 */
export const sagM = (bar: Bar, spanM: number, loadKgPerM: number): number =>
  (5 * loadKgPerM * GRAVITY * spanM ** 4) / (384 * stiffness(bar));

/** Load under which a column fixed at its foot and free at its top buckles, N: π²·E·I/(4·L²) [std: Euler]. */
export const bucklingN = (bar: Bar, lengthM: number): number =>
  (Math.PI ** 2 * stiffness(bar)) / (4 * lengthM ** 2);

/** Deflection at the free end of a bar under a force there, m: F·L³/(3·E·I) [std: cantilever]. */
export const cantileverM = (bar: Bar, lengthM: number, forceN: number): number =>
  (forceN * lengthM ** 3) / (3 * stiffness(bar));

/** Stress in the outer fibre under a moment, Pa: M·c/I. */
export const bendingPa = (bar: Bar, momentNm: number): number =>
  (momentNm * (bar.diameterM / 2)) / secondMoment(bar);

/**
 * What a bar bears in its outer fibre, Pa: the strain its kind of material takes time and again, known by
 * its stiffness: plastics 0.8 %, wood 0.3 %, metals 0.1 % [typ; from memory].
 */
export function bearsPa({ stiffnessGPa }: Bar): number {
  const strain = stiffnessGPa < 6 ? 0.008 : stiffnessGPa < 30 ? 0.003 : 0.001;
  return stiffnessGPa * 1e9 * strain;
}
