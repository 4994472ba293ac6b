/**
 * Incandescent watts a lamp claims to replace → the lumens it then owes.
 * [std: ENERGY STAR Lamps, minimum lumens for omnidirectional lamps; from memory]
 */
const EQUIVALENCE: readonly (readonly [wattsW: number, luminousFluxLm: number])[] = [
  [25, 250],
  [40, 450],
  [60, 800],
  [75, 1100],
  [100, 1600],
  [150, 2600],
];

/**
 * Lumens behind an "… W equivalent" claim; straight lines between the table's rows.
 * @param equivalentW 25 to 150; outside, null, because the table says nothing there
 */
export function lumensOfEquivalent(equivalentW: number): number | null {
  for (let row = 1; row < EQUIVALENCE.length; row++) {
    const [fromW, fromLm] = EQUIVALENCE[row - 1]!;
    const [toW, toLm] = EQUIVALENCE[row]!;
    if (equivalentW >= fromW && equivalentW <= toW)
      return fromLm + ((toLm - fromLm) * (equivalentW - fromW)) / (toW - fromW);
  }
  return null;
}
