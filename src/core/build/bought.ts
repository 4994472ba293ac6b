/** A size of something bought, as it is drawn and as the shelf has it. */
export interface BoughtSize {
  /** stable */
  id: string;
  /** of the thing on the shelf */
  name: string;
  /** “reflector”, “face width” */
  what: string;
  drawnM: number;
  boughtM: number;
  /** less than this is no other thing: rims are measured inside or outside */
  sameM: number;
  field: string;
  ref: string;
}
