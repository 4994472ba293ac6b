/**
 * Where a packed arrangement keeps what (`PackedArrangement` tells what each number is). Kernels bind these
 * to their module by name: plain numbers cost nothing after inlining.
 */
export const SURFACE_COLUMNS = {
  type: 0,
  matter: 1,
  /** ρ of a wall, τ of a layer */
  pass: 2,
  /** ρ·s of a wall, τ + ρd of a layer */
  upTo: 3,
  deflection: 4,
  exit: 5,
  // A polygon: its normal, offset, and where its edges begin and end.
  normal: 6,
  offset: 9,
  edges: 10,
  edgesEnd: 11,
  // A disc across the z axis.
  discZ: 6,
  innerSquared: 7,
  outerSquared: 8,
  // A cone about its axis.
  coneFrom: 6,
  coneTo: 7,
  coneRadius: 8,
  coneSlope: 9,
  // Part of a sphere about the z axis.
  capZ: 6,
  capRadius: 7,
  capFrom: 8,
  capTo: 9,
  // The map of an exit: its origin and two axes over their squared lengths.
  origin: 12,
  across: 15,
  up: 18,
} as const;

export const EMITTER_COLUMNS = {
  axis: 3,
  kind: 6,
  /** of the cosine, or where its quantiles begin */
  exponent: 7,
} as const;
