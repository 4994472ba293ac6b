import type { Emitter } from './emitter';

/** A diffusing layer: transmittance, what it sends back, and the colour it adds. */
export interface Layer {
  name: string;
  transmittance: number;
  backReflectance: number;
  shiftMired: number;
  limitC: number;
}

/** The front all light of a covered or closed build leaves by. */
export interface Mouth {
  shape: 'disc' | 'rectangle';
  widthM: number;
  heightM: number;
  /** its plane, facing +z */
  heightOverBackM: number;
  layers: readonly Layer[];
  /** the box behind it; null when the lamps shine through freely hung layers */
  cavity: Cavity | null;
  /** share of the lamps' light that reaches the mouth without touching a wall, 0…1 */
  directShare: number;
}

export interface Cavity {
  /** all inner surfaces, mouth included */
  areaM2: number;
  /** mean reflectance of the walls */
  reflectance: number;
}

/**
 * Several layers with air between, from the lamps outwards:
 * τ12 = τ1·τ2/(1 − ρ1·ρ2), ρ12 = ρ1 + τ1²·ρ2/(1 − ρ1·ρ2) [handbook 02, adding rule].
 */
export function stackLayers(layers: readonly Layer[]) {
  return layers.reduce(
    (stack, layer) => {
      const between = 1 - stack.backReflectance * layer.backReflectance;
      return {
        transmittance: (stack.transmittance * layer.transmittance) / between,
        backReflectance:
          stack.backReflectance + (stack.transmittance ** 2 * layer.backReflectance) / between,
        shiftMired: stack.shiftMired + layer.shiftMired,
      };
    },
    { transmittance: 1, backReflectance: 0, shiftMired: 0 },
  );
}

export const mouthAreaM2 = ({ shape, widthM, heightM }: Mouth): number =>
  shape === 'disc' ? (Math.PI / 4) * widthM * heightM : widthM * heightM;

/**
 * Share of the lamps' light that leaves by the mouth, 0…1; the instant estimate of handbook 04:
 * p = f/(1 − ρ(1−f)); a = f0 + (1−f0)·ρ·p; η = τ·a/(1 − ρd·ρ·p), f the mouth's share of the cavity's
 * area. Freely hung layers pass η = f0·τ.
 */
export function extraction(mouth: Mouth): number {
  const { transmittance, backReflectance } = stackLayers(mouth.layers);
  const { cavity, directShare } = mouth;
  if (!cavity) return directShare * transmittance;
  const f = Math.min(1, mouthAreaM2(mouth) / cavity.areaM2);
  const rho = cavity.reflectance;
  const p = f / (1 - rho * (1 - f));
  const arriving = directShare + (1 - directShare) * rho * p;
  return (transmittance * arriving) / (1 - backReflectance * rho * p);
}

/** Patches along the longer side; enough that 1/d² holds for each at half a mouth's distance. */
const PATCHES = 12;

/**
 * The mouth's outgoing light as Lambertian patches of equal area. An even exitance is assumed: hot
 * spots behind thin layers are not in it.
 * @param outgoingLm flux that leaves the mouth
 */
export function mouthPatches(mouth: Mouth, outgoingLm: number): Emitter[] {
  const { widthM, heightM, heightOverBackM } = mouth;
  const columns =
    widthM >= heightM ? PATCHES : Math.max(2, Math.round((PATCHES * widthM) / heightM));
  const rows = widthM >= heightM ? Math.max(2, Math.round((PATCHES * heightM) / widthM)) : PATCHES;
  const centres: [number, number][] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const [x, y] = [(column + 0.5) / columns - 0.5, (row + 0.5) / rows - 0.5];
      if (mouth.shape === 'rectangle' || x * x + y * y <= 0.25)
        centres.push([x * widthM, y * heightM]);
    }
  return centres.map(([x, y]) => ({
    positionM: [x, y, heightOverBackM],
    axis: [0, 0, 1],
    luminousFluxLm: outgoingLm / centres.length,
    spread: { class: 'lambert' },
  }));
}
