import type { Shape } from '../drawing/drawing';
import type { XY } from '../drawing/shapes';

/** A lamp as it is wired: a holder at a point, or a tube from the end its wires come to first to the other. */
interface WiredLamp {
  at: XY;
  to?: XY;
  /** its shape on the drawings */
  ref: string;
}

/** Where what is wired lies, seen from behind, metres; the picture of the wires is laid over it. */
export interface Board {
  outline: readonly Shape[];
  /** in wiring order; none behind a supply */
  lamps: readonly WiredLamp[];
  /** drawn size of one */
  lampM: number;
  /** tape row by row in the order it runs, each as a line from its start to its end */
  rows: readonly (readonly XY[])[];
}
