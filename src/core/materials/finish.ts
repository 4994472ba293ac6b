import type { Origin } from '../origin';

/** Surface finishes: total reflectance ρ and its mirror-like share [typ: docs/model/units.md, from memory]. */
export interface Finish {
  name: string;
  reflectance: number;
  /** where it comes from; typical where nobody says */
  origin?: Origin;
  mirrorShare: number;
}

export const FINISHES = {
  'white-emulsion': { name: 'White matt emulsion', reflectance: 0.85, mirrorShare: 0 },
  'bare-mdf': { name: 'Bare MDF', reflectance: 0.35, mirrorShare: 0 },
  'bare-plywood': { name: 'Bare plywood', reflectance: 0.45, mirrorShare: 0 },
  'foam-core': { name: 'White foam core', reflectance: 0.88, mirrorShare: 0.02 },
  foil: { name: 'Household foil, shiny side', reflectance: 0.85, mirrorShare: 0.8 },
  'foil-crumpled': { name: 'Household foil, crumpled', reflectance: 0.82, mirrorShare: 0.3 },
  'foil-tape': { name: 'Aluminium tape', reflectance: 0.85, mirrorShare: 0.6 },
  'mirror-acrylic': { name: 'Mirrored acrylic', reflectance: 0.85, mirrorShare: 0.95 },
  'tinned-steel': { name: 'Baked-tin steel', reflectance: 0.55, mirrorShare: 0.6 },
  'white-corrugated': { name: 'White corrugated plastic', reflectance: 0.65, mirrorShare: 0.1 },
  muslin: { name: 'Bleached muslin', reflectance: 0.7, mirrorShare: 0 },
  'white-ceiling': { name: 'White ceiling', reflectance: 0.8, mirrorShare: 0 },
  'black-paint': { name: 'Black paint', reflectance: 0.05, mirrorShare: 0 },
} as const satisfies Record<string, Finish>;

export type FinishId = keyof typeof FINISHES;
export const FINISH_IDS = Object.keys(FINISHES) as [FinishId, ...FinishId[]];
