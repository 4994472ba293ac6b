import { EigenvalueDecomposition, inverse, Matrix } from 'ml-matrix';

/** One reading held against its forecast. */
export interface Compared {
  id: string;
  /** what it is, in words */
  label: string;
  /** readings of one session share what their meter is wrong by */
  sessionId: string;
  /** ln of the reading over its forecast */
  lnRatio: number;
  /** standard uncertainty of what the reading has for itself, ln */
  deviation: number;
  /** of what all readings of its session share, ln */
  shared: number;
  /** ∂ ln(forecast)/∂ ln(cause), by the key of the cause */
  exponents: Readonly<Record<string, number>>;
}

/** One thing that may be other than the shelf says, by one factor. */
export interface Suspect {
  key: string;
  label: string;
  /** standard uncertainty of what the shelf says, ln */
  prior: number;
  /** the reading that would tell it from the others */
  settledBy: string;
}

export interface SolvedCause extends Suspect {
  factor: number;
  /** standard uncertainty, ln */
  deviation: number;
  /** what readings added to the shelf's word: 0 nothing, 1 all */
  informed: number;
}

export interface Solved {
  causes: SolvedCause[];
  /** readings that no factor explains, the worst first; they are left out */
  outliers: { id: string; label: string; errors: number }[];
  /** causes of which only the product is known, with what would settle it */
  together: { labels: string[]; settledBy: string }[];
  /** covariance of the causes, ln, in their order */
  covariance: number[][];
  /** readings that count */
  readings: number;
}

/** So many standard errors off, of what is left when all others are explained, is no chance [common practice]. */
const OUTLIER = 3.5;
/** Of fewer readings nobody can say which is the odd one. */
const LEAST_FOR_OUTLIERS = 4;
/** Share of a prior's variance that is left where nothing was learnt, and where something was. */
const [NOTHING, SOMETHING] = [0.6, 0.4];
/** How much of a direction a cause must be. */
const PART = 0.25;

interface Laid {
  solution: number[];
  covariance: Matrix;
  rows: Matrix;
}

/** (AᵀWA + P⁻¹)x = AᵀWy [std: generalised least squares with a normal prior]. */
function laid(
  readings: readonly Compared[],
  keys: readonly string[],
  priors: readonly number[],
): Laid {
  const rows = new Matrix(readings.map(({ exponents }) => keys.map((key) => exponents[key] ?? 0)));
  const weights = readings.map(({ deviation }) => 1 / deviation ** 2);
  const normal = Matrix.diag(priors.map((prior) => 1 / prior ** 2));
  const goal = new Array<number>(keys.length).fill(0);
  readings.forEach(({ lnRatio }, r) => {
    for (let i = 0; i < keys.length; i++) {
      const a = rows.get(r, i);
      if (a === 0) continue;
      goal[i]! += weights[r]! * a * lnRatio;
      for (let j = 0; j < keys.length; j++)
        normal.set(i, j, normal.get(i, j) + weights[r]! * a * rows.get(r, j));
    }
  });
  const covariance = inverse(normal);
  return { solution: covariance.mmul(Matrix.columnVector(goal)).to1DArray(), covariance, rows };
}

/** How far each reading lies off, in standard errors of what is left of it [std: studentised residuals]. */
function offBy(readings: readonly Compared[], { solution, covariance, rows }: Laid): number[] {
  return readings.map(({ lnRatio, deviation }, r) => {
    const row = rows.getRow(r);
    const said = row.reduce((sum, a, i) => sum + a * solution[i]!, 0);
    const spread = row.reduce(
      (sum, a, i) => sum + a * row.reduce((s, b, j) => s + b * covariance.get(i, j), 0),
      0,
    );
    // Of a reading that decides a cause alone nothing is left to judge it by.
    const left = Math.max(deviation ** 2 - spread, 0.05 * deviation ** 2);
    return Math.abs(lnRatio - said) / Math.sqrt(left);
  });
}

/**
 * All readings solved together: one factor per cause by weighted least squares on logarithms, each cause held by what the shelf
 * says of it. What a session's meter is wrong by all the while is a cause of its own, and no one's lesson.
 */
export function solveCauses(all: readonly Compared[], suspects: readonly Suspect[]): Solved {
  if (all.length === 0)
    return { causes: [], outliers: [], together: [], covariance: [], readings: 0 };
  const sessions = [...new Set(all.map(({ sessionId }) => sessionId))];
  const sharedOf = (id: string) =>
    Math.max(1e-4, ...all.filter(({ sessionId }) => sessionId === id).map(({ shared }) => shared));
  const keys = [...suspects.map(({ key }) => key), ...sessions.map((id) => `session ${id}`)];
  const priors = [...suspects.map(({ prior }) => prior), ...sessions.map(sharedOf)];
  let kept = all.map((each) => ({
    ...each,
    exponents: { ...each.exponents, [`session ${each.sessionId}`]: 1 },
  }));
  const outliers: Solved['outliers'] = [];
  let found = laid(kept, keys, priors);
  while (kept.length >= LEAST_FOR_OUTLIERS) {
    const off = offBy(kept, found);
    const worst = off.indexOf(Math.max(...off));
    if (!(off[worst]! > OUTLIER)) break;
    const { id, label } = kept[worst]!;
    outliers.push({ id, label, errors: off[worst]! });
    kept = kept.filter((_, k) => k !== worst);
    found = laid(kept, keys, priors);
  }
  const count = suspects.length;
  const covariance = Array.from({ length: count }, (_, i) =>
    Array.from({ length: count }, (_, j) => found.covariance.get(i, j)),
  );
  return {
    causes: suspects.map((suspect, k) => {
      const deviation = Math.sqrt(Math.max(0, covariance[k]![k]!));
      return {
        ...suspect,
        factor: Math.exp(found.solution[k]!),
        deviation,
        informed: 1 - (deviation / suspect.prior) ** 2,
      };
    }),
    outliers,
    together: togetherOf(suspects, covariance),
    covariance,
    readings: kept.length,
  };
}

/** Causes that share a direction of which something is known, and one of which nothing is: only their product is known. */
function togetherOf(suspects: readonly Suspect[], covariance: readonly number[][]) {
  if (suspects.length < 2) return [];
  const scaled = new Matrix(
    covariance.map((row, i) =>
      row.map((value, j) => value / (suspects[i]!.prior * suspects[j]!.prior)),
    ),
  );
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(scaled, {
    assumeSymmetric: true,
  });
  const informed = suspects.map((_, i) =>
    realEigenvalues.some(
      (value, k) => value < SOMETHING && Math.abs(eigenvectorMatrix.get(i, k)) > PART,
    ),
  );
  const groups: number[][] = [];
  realEigenvalues.forEach((value, k) => {
    if (value < NOTHING) return;
    const members = suspects.flatMap((_, i) =>
      informed[i] && Math.abs(eigenvectorMatrix.get(i, k)) > PART ? [i] : [],
    );
    if (members.length < 2) return;
    const known = groups.find((group) => members.some((i) => group.includes(i)));
    if (known) known.push(...members.filter((i) => !known.includes(i)));
    else groups.push(members);
  });
  return groups.map((members) => {
    const widest = members.reduce((wide, i) =>
      suspects[i]!.prior > suspects[wide]!.prior ? i : wide,
    );
    return {
      labels: members.map((i) => suspects[i]!.label),
      settledBy: suspects[widest]!.settledBy,
    };
  });
}

/** Standard uncertainty, ln, of a forecast that hangs on causes by these exponents. */
export function carriedBy(
  exponents: Readonly<Record<string, number>>,
  { causes, covariance }: Pick<Solved, 'causes' | 'covariance'>,
): number {
  const row = causes.map(({ key }) => exponents[key] ?? 0);
  return Math.sqrt(
    Math.max(
      0,
      row.reduce(
        (sum, a, i) => sum + a * row.reduce((s, b, j) => s + b * covariance[i]![j]!, 0),
        0,
      ),
    ),
  );
}
