import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** Cells on each side of the middle one that a fit takes in. */
const REACH = 5;
/** Terms of a plane’s quadratic. */
const TERMS = 6;

/** What a cell’s fitted value takes of the counts about it. */
interface Fit {
  cells: Int32Array;
  shares: Float64Array;
}

/**
 * Local regression on a square grid: in each cell the value of the quadratic fitted to those about it, by weights that
 * fall to nothing at the edge [Cleveland and Devlin 1988]. Light that walls have sent on changes slowly over a
 * mouth, so that a fit of a hundred cells is far surer than the count of one.
 */
export class Smoother {
  private readonly fits: readonly (Fit | null)[];

  /**
   * @param side   cells along a side
   * @param whole  cells that are asked for and taken into account
   */
  constructor(side: number, whole: readonly boolean[]) {
    this.fits = whole.map((asked, cell) => (asked ? fitOf(cell, side, whole) : null));
  }

  /** @returns values by cell, 0 where none was asked for, and their standard errors by the counts’ own chance */
  of(counts: ArrayLike<number>): { values: Float64Array; errors: Float64Array } {
    const values = new Float64Array(this.fits.length);
    const errors = new Float64Array(this.fits.length);
    this.fits.forEach((fit, cell) => {
      let [sum, spread] = [0, 0];
      fit?.cells.forEach((near, k) => {
        const share = fit.shares[k]!;
        sum += share * counts[near]!;
        spread += share * share * counts[near]!;
      });
      values[cell] = Math.max(0, sum);
      errors[cell] = Math.sqrt(spread);
    });
    return { values, errors };
  }
}

function fitOf(cell: number, side: number, whole: readonly boolean[]): Fit {
  const [column, row] = [cell % side, Math.floor(cell / side)];
  const near: { at: number; weight: number; terms: number[] }[] = [];
  for (let y = Math.max(0, row - REACH); y <= Math.min(side - 1, row + REACH); y++)
    for (let x = Math.max(0, column - REACH); x <= Math.min(side - 1, column + REACH); x++) {
      const [u, v] = [(x - column) / (REACH + 1), (y - row) / (REACH + 1)];
      const weight = 1 - u * u - v * v;
      const at = y * side + x;
      if (whole[at] && weight > 0) near.push({ at, weight, terms: [1, u, v, u * u, u * v, v * v] });
    }
  const normal = new Matrix(TERMS, TERMS);
  for (const { weight, terms } of near)
    for (let i = 0; i < TERMS; i++)
      for (let j = 0; j < TERMS; j++)
        normal.set(i, j, normal.get(i, j) + weight * (terms[i]! * terms[j]!));
  // The value in the middle is the first term alone.
  const first = new CholeskyDecomposition(normal)
    .solve(Matrix.columnVector([1, 0, 0, 0, 0, 0]))
    .to1DArray();
  return {
    cells: Int32Array.from(near, ({ at }) => at),
    shares: Float64Array.from(
      near,
      ({ weight, terms }) => weight * terms.reduce((sum, term, k) => sum + term * first[k]!, 0),
    ),
  };
}
