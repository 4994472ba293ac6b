import type { Dimension } from '../quantity';

/** A figure of the layout that a maker marks out or asks about. */
export interface LayoutFact {
  id: string;
  label: string;
  value: number;
  dimension: Dimension;
  working: string;
}
