import type { Protection } from '../electrics/protection';
import type { Connector, LeadMm2 } from '../electrics/leads';
import type { TapeLoad } from '../electrics/tapeLoad';
import type { PartId } from '../ids';
import type { Sourced } from '../origin';

/** One mains load, in wiring order. */
export interface Load {
  ref: string;
  /** apparent power P/pf with every dimmer fully up, volt-amperes */
  apparentVa: number;
  /** cord from the load before it (from the plug, for the first), metres */
  cordM: number;
}

/** The wire that leads to a load has its name from it. */
export const wireId = ({ ref }: Pick<Load, 'ref'>): string => `wire-${ref}`;

/** A part chosen for a place in the wiring, and the parameter that chooses it. */
interface Slot {
  partId: PartId | null;
  /** none where the form has no such choice */
  field?: string;
}

export interface Wiring {
  cord: Slot;
  plug: Slot;
  dimmer: Slot;
  /** gear of fluorescent tubes */
  ballast?: {
    name: string;
    protection: Protection;
    kind: 'electronic' | 'magnetic';
    /** that hang on one of it */
    tubes: number;
  };
  /** what each lamp is screwed into, and the most watts in one of them */
  holder?: { name: string; ratedW: number; mostW: number; field: string };
  loads: Load[];
}

/** LED tape behind its supply, and how it is fed. */
export interface TapeRun {
  voltageV: number;
  /** with every diode lit that can be */
  wattsPerM: number;
  load: TapeLoad;
  /** of the copper out and back, Ω/m */
  loopOhmPerM: Sourced;
  /** diodes of several colours, which fade unevenly */
  colour: boolean;
  rowsM: readonly number[];
  /** at one end, at both, at the start of every row, or evenly at as many places as it needs */
  feed: 'one' | 'both' | 'rows' | 'spaced';
  /** how many share it, each at no more than four fifths of its rating */
  supplies: number;
  /** one of them; null while none is chosen */
  supply: { name: string; voltageV: number; ratedW: number; protection: Protection } | null;
  /** outputs of several supplies joined together */
  outputsJoined: boolean;
  leadLengthM: number;
  /** farthest apart that two places lie at which it is fed, on the board */
  feedSpanM?: number;
  /** parameter that makes the leads longer */
  leadLengthField?: string;
  leadMm2: LeadMm2;
  connector: Connector;
  /** parameters that change them */
  supplyField: string;
  outputsField: string;
  feedField: string;
  leadField: string;
  connectorField: string;
}
