import type { Distribution } from '../light/farField';

/** A luminaire's far-field distribution on type C planes, and what a file says besides. */
export interface Photometry extends Distribution {
  name: string;
  /** how it came about, in a few words */
  how: string;
  /** luminous flux of the bare lamps */
  lampLm: number;
  wattsW: number;
  cctK: number | null;
  criRa: number | null;
  /** luminous opening, metres: along C0–C180, and along C90–C270 */
  widthM: number;
  heightM: number;
  round: boolean;
  /** more of that, one keyword line each */
  notes: string[];
  /** yyyy-mm-dd */
  date: string;
}
