import { awgAreaMm2 } from './copper';

export interface Cord {
  name: string;
  areaMm2: number;
  limitA: number;
  earthed: boolean;
  system: 'awg' | 'metric';
  source: string;
}

/** Column B: two conductors carry current, whether or not there is an earth beside them. */
const NEC = 'NEC Table 400.5(A)(1), column B; from memory';
const BS = 'BS 7671 Table 4F3A; from memory';

const awg = (gauge: number, limitA: number, earthed: boolean): Cord => ({
  name: `AWG ${gauge}, ${earthed ? 'three' : 'two'} conductors`,
  areaMm2: awgAreaMm2(gauge),
  limitA,
  earthed,
  system: 'awg',
  source: NEC,
});
const metric = (areaMm2: number, limitA: number, earthed: boolean): Cord => ({
  name: `${areaMm2} mm², ${earthed ? 'three cores with earth' : 'two cores'}`,
  areaMm2,
  limitA,
  earthed,
  system: 'metric',
  source: BS,
});

/** Flexible cords and the current each may carry, uncoiled, in free air [docs/model/power.md]. */
export const CORDS = {
  'awg18-2': awg(18, 10, false),
  'awg16-2': awg(16, 13, false),
  'awg14-2': awg(14, 18, false),
  'awg12-2': awg(12, 25, false),
  'awg18-3': awg(18, 10, true),
  'awg16-3': awg(16, 13, true),
  'awg14-3': awg(14, 18, true),
  'awg12-3': awg(12, 25, true),
  'mm0.5-2': metric(0.5, 3, false),
  'mm0.75-2': metric(0.75, 6, false),
  'mm1-2': metric(1, 10, false),
  'mm1.5-2': metric(1.5, 16, false),
  'mm0.75-3': metric(0.75, 6, true),
  'mm1-3': metric(1, 10, true),
  'mm1.25-3': metric(1.25, 13, true),
  'mm1.5-3': metric(1.5, 16, true),
  'mm2.5-3': metric(2.5, 25, true),
} as const satisfies Record<string, Cord>;

export type CordId = keyof typeof CORDS;
export const CORD_IDS = Object.keys(CORDS) as [CordId, ...CordId[]];

/** The thinnest cord of the same kind that carries a current; null when none does. */
export function thinnestCordFor(currentA: number, like: Cord): CordId | null {
  const fitting = CORD_IDS.filter((id) => {
    const cord = CORDS[id];
    return cord.system === like.system && cord.earthed === like.earthed && cord.limitA >= currentA;
  });
  return fitting.sort((a, b) => CORDS[a].limitA - CORDS[b].limitA)[0] ?? null;
}
