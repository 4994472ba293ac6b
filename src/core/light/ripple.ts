// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { ceil, max, min } = Math;

/** A lattice of bare diodes behind a layer; metres. */
export interface Dots {
  /** along a row */
  pitchM: number;
  /** row to row; Infinity for a single row */
  rowPitchM: number;
  /** from the diodes to the layer */
  standOffM: number;
}

/** Farther than this many stand-offs a diode adds less than 10⁻⁴. */
const REACH = 8;
const MOST_NEIGHBOURS = 200;
const SAMPLES = 9;

/**
 * How strongly diodes show through a layer: (max − min)/(max + min) of the luminance seen straight on,
 * L(x) ∝ Σ cos⁴θ · cos^m θ /h², θ the angle at which each diode's light meets the layer and m the
 * exponent of the layer's own spread, 0 for one that scatters fully [docs/model/light.md, “Behind a layer”].
 * @returns 0 even … 1 dots on black
 */
export function rippleBehind({ pitchM, rowPitchM, standOffM }: Dots, exponent: number): number {
  if (!(standOffM > 0)) return 1;
  const power = (4 + exponent) / 2;
  const columns = min(MOST_NEIGHBOURS, ceil((REACH * standOffM) / pitchM) + 1);
  const rows = Number.isFinite(rowPitchM)
    ? min(MOST_NEIGHBOURS, ceil((REACH * standOffM) / rowPitchM) + 1)
    : 0;
  const seen = (x: number, y: number) => {
    let sum = 0;
    for (let row = -rows; row <= rows; row++) {
      const dy = rows ? (row * rowPitchM - y) / standOffM : 0;
      for (let column = -columns; column <= columns; column++) {
        const dx = (column * pitchM - x) / standOffM;
        sum += (1 + dx * dx + dy * dy) ** -power;
      }
    }
    return sum;
  };
  let [least, most] = [Infinity, 0];
  for (let i = 0; i < SAMPLES; i++)
    for (let j = 0; j < (rows ? SAMPLES : 1); j++) {
      const value = seen(
        (i / (SAMPLES - 1) / 2) * pitchM,
        rows ? (j / (SAMPLES - 1) / 2) * rowPitchM : 0,
      );
      least = min(least, value);
      most = max(most, value);
    }
  return (most - least) / (most + least);
}

/** Ripple that an eye or a lens takes for even [common practice]. */
export const EVEN_RIPPLE = 0.05;
