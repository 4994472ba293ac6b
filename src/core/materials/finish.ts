/** Surface finishes: total reflectance ρ and its mirror-like share [typ: handbook 02, from memory]. */
export interface Finish {
  name: string;
  reflectance: number;
  mirrorShare: number;
}

export const FINISHES = {
  'white-emulsion': { name: 'White matt emulsion', reflectance: 0.85, mirrorShare: 0 },
  'bare-mdf': { name: 'Bare MDF', reflectance: 0.35, mirrorShare: 0 },
  'bare-plywood': { name: 'Bare plywood', reflectance: 0.45, mirrorShare: 0 },
  'black-paint': { name: 'Black paint', reflectance: 0.05, mirrorShare: 0 },
} as const satisfies Record<string, Finish>;

export type FinishId = keyof typeof FINISHES;
export const FINISH_IDS = Object.keys(FINISHES) as [FinishId, ...FinishId[]];
