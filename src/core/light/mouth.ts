import type { Origin } from '../origin';
import { bouncePatches, type Bounce } from './bounce';
import { FULL_SPREAD_DEG, OPEN, type Arrangement, type LayerMatter } from './transport/arrangement';

/** A diffusing layer: transmittance, what it sends back, and the colour it adds. */
export interface Layer {
  name: string;
  transmittance: number;
  /** where its transmittance comes from; typical where nobody says */
  origin?: Origin;
  backReflectance: number;
  /** half-peak full width of a collimated beam after it, degrees; ≥ 110 scatters fully */
  spreadDeg: number;
  shiftMired: number;
  limitC: number;
}

/** The front all light of a covered or closed build leaves by. */
export interface Mouth {
  /** a tube glows all round, width being its diameter and height its length along y */
  shape: 'disc' | 'rectangle' | 'tube';
  widthM: number;
  heightM: number;
  /** its plane, facing +z; a tube's axis */
  heightOverBackM: number;
  layers: readonly Layer[];
  /** the box behind it; null when the lamps shine through freely hung layers */
  cavity: Cavity | null;
  /** the same as the transport engine takes it; null where nothing is known of it */
  room: Arrangement | null;
  /** the mouth is a surface that other lamps light; its own cavity and room are null then */
  bounce?: Bounce;
  /** a hood before the layers: the mouth is the hood's own then, and this share gets out by it */
  hood?: { passes: number };
  /** share of the lamps' light that reaches the mouth without touching a wall, 0…1 */
  directShare: number;
}

interface Cavity {
  /** all inner surfaces, mouth included */
  areaM2: number;
  /** the opening its layers close */
  mouthM2: number;
  /** mean reflectance of the walls */
  reflectance: number;
  /** where it comes from; typical where nobody says */
  origin?: Origin;
}

/**
 * Several layers with air between, from the lamps outwards:
 * τ12 = τ1·τ2/(1 − ρ1·ρ2), ρ12 = ρ1 + τ1²·ρ2/(1 − ρ1·ρ2) [docs/model/units.md, “Layers”].
 */
export function stackLayers(layers: readonly Layer[]) {
  return layers.reduce(
    (stack, layer) => {
      const between = 1 - stack.backReflectance * layer.backReflectance;
      return {
        transmittance: (stack.transmittance * layer.transmittance) / between,
        backReflectance:
          stack.backReflectance + (stack.transmittance ** 2 * layer.backReflectance) / between,
        // Spreads of sheets one behind the other add like errors do [docs/model/transport.md].
        spreadDeg: Math.hypot(stack.spreadDeg, layer.spreadDeg),
        shiftMired: stack.shiftMired + layer.shiftMired,
      };
    },
    { transmittance: 1, backReflectance: 0, spreadDeg: 0, shiftMired: 0 },
  );
}

export function mouthAreaM2({ shape, widthM, heightM }: Mouth): number {
  if (shape === 'tube') return Math.PI * widthM * heightM;
  return shape === 'disc' ? (Math.PI / 4) * widthM * heightM : widthM * heightM;
}

/** What stands in a closed build's mouth: its layers as one, or nothing at all. */
export function mouthMatter(layers: readonly Layer[]): LayerMatter {
  if (layers.length === 0) return OPEN;
  const { transmittance, backReflectance, spreadDeg } = stackLayers(layers);
  return { kind: 'layer', transmittance, backReflectance, spreadDeg, leads: 'out' };
}

/**
 * Share of the lamps' light that leaves by the mouth, 0…1; the instant estimate of docs/model/light.md:
 * p = f/(1 − ρ(1−f)); a = f0 + (1−f0)·ρ·p; η = τ·a/(1 − ρd·ρ·p), f the mouth's share of the cavity's
 * area. Freely hung layers pass η = f0·τ.
 */
export function extraction(mouth: Mouth): number {
  const { transmittance, backReflectance } = stackLayers(mouth.layers);
  const { cavity, directShare } = mouth;
  if (mouth.bounce) return bouncedShare(mouth, mouth.bounce);
  const onward = mouth.hood?.passes ?? 1;
  if (!cavity) return directShare * transmittance * onward;
  const f = Math.min(1, cavity.mouthM2 / cavity.areaM2);
  const rho = cavity.reflectance;
  const p = f / (1 - rho * (1 - f));
  const arriving = directShare + (1 - directShare) * rho * p;
  return (onward * transmittance * arriving) / (1 - backReflectance * rho * p);
}

/**
 * Within what factor the estimate of light at the subject holds, either way: a lamp seen through an open mouth is no
 * even surface. Measured against the simulation over every form, front and hood [evaluate/estimate.property.test.ts].
 */
export function estimateWithin({ hood, cavity, layers, bounce }: Mouth): number {
  if (bounce) return 1;
  if (hood) return 3;
  if (layers.length === 0) return 4;
  const full = stackLayers(layers).spreadDeg >= FULL_SPREAD_DEG;
  return cavity && !full ? 2.5 : 2;
}

/** Share of the lamps' light that the lit surface gives back. */
function bouncedShare(mouth: Mouth, bounce: Bounce): number {
  const sum = (emitters: Bounce['lamps']) =>
    emitters.reduce((total, { luminousFluxLm }) => total + luminousFluxLm, 0);
  const sent = sum(bounce.lamps);
  return sent > 0 ? sum(bouncePatches(mouth, bounce)) / sent : 0;
}
