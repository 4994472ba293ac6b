import type { Origin } from '../origin';
import { prepareControls, type Control } from './controls';
import { packEmitters, type Emitter } from './emitter';
import { illuminanceLx } from './illuminance';

/** Lamps that light a surface instead of the subject; in the surface's axes, it faces +z. */
export interface Bounce {
  lamps: readonly Emitter[];
  /** doors and flags at the lamps */
  controls: readonly Control[];
  reflectance: number;
  /** where it comes from; typical where nobody says */
  origin?: Origin;
}

/** The lit surface: a rectangle across the axis, and its plane over the build's back. */
interface LitSurface {
  widthM: number;
  heightM: number;
  heightOverBackM: number;
}

/** Patches along each side of the lit surface. */
const PATCHES = 16;

/**
 * Two-step transport: the surface gives back ρ·E(x) by Lambert's law [docs/model/light.md, “Bounce”]. What the
 * lamps throw past the surface is lost.
 * @returns patches of flux ρ·E·A; each patch is lit as at its middle
 */
export function bouncePatches(mouth: LitSurface, bounce: Bounce): Emitter[] {
  const field = packEmitters(bounce.lamps, prepareControls(bounce.controls));
  const [w, h] = [mouth.widthM / PATCHES, mouth.heightM / PATCHES];
  const patches = Array.from({ length: PATCHES * PATCHES }, (_, k): Emitter => {
    const positionM = [
      ((k % PATCHES) + 0.5) * w - mouth.widthM / 2,
      (Math.floor(k / PATCHES) + 0.5) * h - mouth.heightM / 2,
      mouth.heightOverBackM,
    ] as const;
    const lx = illuminanceLx(field, positionM, [0, 0, 1]);
    return {
      positionM,
      axis: [0, 0, 1],
      luminousFluxLm: lx * w * h * bounce.reflectance,
      spread: { class: 'lambert' },
    };
  });
  const given = patches.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  const sent = bounce.lamps.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  // A lamp very near its surface is read too bright at the middle of one patch: no more than it sent.
  const most = sent * bounce.reflectance;
  const keep = given > most ? most / given : 1;
  return patches.map((patch) => ({ ...patch, luminousFluxLm: patch.luminousFluxLm * keep }));
}
