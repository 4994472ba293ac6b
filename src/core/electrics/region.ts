import type { Insulation } from './insulation';

export const REGION_IDS = [
  'na-120-60',
  'eu-230-50',
  'uk-230-50',
  'jp-100-50',
  'jp-100-60',
  'kr-220-60',
] as const;
export type RegionId = (typeof REGION_IDS)[number];

export interface Region {
  name: string;
  voltageV: number;
  frequencyHz: number;
  breakersA: readonly number[];
  /** share of a breaker that lights left on for hours may take */
  continuousShare: number;
  continuousSource: string;
  /** how the wires are told apart, live · neutral · earth */
  wires: { live: string; neutral: string; earth: string };
  /** the same as a drawing shows it */
  insulation: { live: Insulation; neutral: Insulation; earth: Insulation };
  /** what a residual-current device is called there */
  trips: 'RCD' | 'GFCI';
  /** fuses that go in the plug, A */
  plugFusesA: readonly number[];
}

const IEC = { live: 'brown', neutral: 'blue', earth: 'green-and-yellow' };
const european = (name: string): Region => ({
  name,
  voltageV: 230,
  frequencyHz: 50,
  breakersA: [10, 16],
  continuousShare: 1,
  continuousSource: 'Breaker rating; local rules may ask for less',
  wires: IEC,
  insulation: { live: 'brown', neutral: 'blue', earth: 'green-yellow' },
  trips: 'RCD',
  plugFusesA: [],
});
const american: Region = {
  name: '120 V, 60 Hz',
  voltageV: 120,
  frequencyHz: 60,
  breakersA: [15, 20],
  continuousShare: 0.8,
  continuousSource: 'NEC 210.20: continuous load at most 80 % of the breaker; from memory',
  wires: {
    live: 'black (smooth side of lamp cord) to the brass screw',
    neutral: 'white (ribbed or striped side of lamp cord) to the silver screw',
    earth: 'green or bare',
  },
  insulation: { live: 'black', neutral: 'white', earth: 'green' },
  trips: 'GFCI',
  plugFusesA: [],
};

/** Not the NEC's country: the same share as there, until its own rules are asked. */
const JAPANESE = '80 % of the breaker as a rule of thumb; the country’s own code comes first';

/** Mains regions and how their wires are told apart [docs/model/power.md]. */
export const REGIONS: Record<RegionId, Region> = {
  'na-120-60': american,
  'eu-230-50': european('230 V, 50 Hz'),
  'uk-230-50': {
    ...european('230 V, 50 Hz, fused plugs'),
    breakersA: [16, 32],
    plugFusesA: [3, 5, 13],
  },
  'jp-100-50': {
    ...american,
    name: '100 V, 50 Hz',
    voltageV: 100,
    frequencyHz: 50,
    continuousSource: JAPANESE,
    trips: 'RCD',
  },
  'jp-100-60': {
    ...american,
    name: '100 V, 60 Hz',
    voltageV: 100,
    continuousSource: JAPANESE,
    trips: 'RCD',
  },
  'kr-220-60': { ...european('220 V, 60 Hz'), voltageV: 220, frequencyHz: 60 },
};

/** Smallest plug fuse that carries a current; null when the region fuses no plugs or none does. */
export const plugFuseFor = (currentA: number, region: Region): number | null =>
  region.plugFusesA.find((fuseA) => fuseA >= currentA) ?? null;
