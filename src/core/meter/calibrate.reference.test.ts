import { Matrix, solve } from 'ml-matrix';
import fc from 'fast-check';
import { carriedBy, solveCauses, type Compared, type Suspect } from './calibrate';

const suspect = (key: string, prior = 0.2): Suspect => ({
  key,
  label: key,
  prior,
  settledBy: `meter ${key} alone`,
});
const reading = (id: string, lnRatio: number, exponents: Record<string, number>): Compared => ({
  id,
  label: id,
  sessionId: id,
  lnRatio,
  deviation: 0.03,
  shared: 1e-4,
  exponents,
});

test('without a strong prior it is weighted least squares [reference: ml-matrix, QR]', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.double({ min: -1, max: 1, noNaN: true }),
          fc.double({ min: 0.2, max: 1.5, noNaN: true }),
          fc.double({ min: 0.2, max: 1.5, noNaN: true }),
          fc.double({ min: 0.01, max: 0.1, noNaN: true }),
        ),
        { minLength: 3, maxLength: 3 },
      ),
      (rows) => {
        const all = rows.map(([y, a, b, deviation], k): Compared => ({
          ...reading(`r${k}`, 0.05 * y, { a: a + k, b }),
          deviation,
        }));
        const found = solveCauses(all, [suspect('a', 1e3), suspect('b', 1e3)]);
        const table = new Matrix(rows.map(([, a, b, d], k) => [(a + k) / d, b / d]));
        const reference = solve(
          table,
          Matrix.columnVector(rows.map(([y, , , d]) => (0.05 * y) / d)),
          true,
        );
        expect(Math.log(found.causes[0]!.factor)).toBeCloseTo(reference.get(0, 0), 3);
        expect(Math.log(found.causes[1]!.factor)).toBeCloseTo(reference.get(1, 0), 3);
      },
    ),
    { numRuns: 60 },
  );
});

test('one reading of one cause: the mean of reading and shelf by their weights [worked]', () => {
  const [found] = solveCauses([reading('sweep', -0.3, { flux: 1 })], [suspect('flux', 0.1)]).causes;
  // The session's own 1e-4 is nothing beside 0.03.
  const weight = 0.1 ** 2 / (0.1 ** 2 + 0.03 ** 2);
  expect(Math.log(found!.factor)).toBeCloseTo(-0.3 * weight, 4);
  expect(found!.deviation).toBeCloseTo(Math.sqrt(1 / (1 / 0.1 ** 2 + 1 / 0.03 ** 2)), 4);
  expect(found!.informed).toBeGreaterThan(0.9);
});

test('lamp and layer that only shine together: only their product is known, and a layer test settles it', () => {
  const both = (k: number) => reading(`light ${k}`, -0.4, { flux: 1, layer: 0.7 });
  const causes = [suspect('flux', 0.1), suspect('layer', 0.25)];
  const found = solveCauses([both(1), both(2), both(3)], causes);
  expect(found.together).toEqual([{ labels: ['flux', 'layer'], settledBy: 'meter layer alone' }]);
  const exponents = { flux: 1, layer: 0.7 };
  const product = found.causes.reduce(
    (sum, { key, factor }) => sum + Math.log(factor) * exponents[key as 'flux' | 'layer'],
    0,
  );
  expect(product).toBeCloseTo(-0.4, 1);
  // The product is well known though neither is.
  expect(carriedBy(exponents, found)).toBeLessThan(0.03);
  expect(found.causes[1]!.deviation).toBeGreaterThan(0.1);
  const settled = solveCauses([both(1), both(2), reading('layer', -0.5, { layer: 1 })], causes);
  expect(settled.together).toEqual([]);
});

test('an odd reading is named and left out', () => {
  const found = solveCauses(
    [0.1, 0.11, 0.09, 0.1, 0.95].map((y, k) => reading(`r${k}`, y, { flux: 1 })),
    [suspect('flux', 0.25)],
  );
  expect(found.outliers.map(({ id }) => id)).toEqual(['r4']);
  expect(Math.log(found.causes[0]!.factor)).toBeCloseTo(0.1, 2);
  const calm = solveCauses(
    [0.1, 0.13, 0.08, 0.12, 0.06].map((y, k) => reading(`r${k}`, y, { flux: 1 })),
    [suspect('flux', 0.25)],
  );
  expect(calm.outliers).toEqual([]);
});

test('what one meter is wrong by all the while is no lesson of nine readings', () => {
  const session = Array.from({ length: 9 }, (_, k): Compared => ({
    ...reading(`p${k}`, 0.2, { flux: 1 }),
    sessionId: 'one',
    shared: 0.1,
  }));
  const [found] = solveCauses(session, [suspect('flux', 0.1)]).causes;
  expect(Math.log(found!.factor)).toBeCloseTo(0.1, 1);
  expect(found!.deviation).toBeGreaterThan(0.06);
});

test('the truth lies within what is said, of many made-up productions', () => {
  // Twenty-four causes, drawn by their priors; readings of one or two of them with noise of their own.
  let [seen, inside] = [0, 0];
  const drawn = (() => {
    let h = 12345;
    return () => {
      h = (Math.imul(h, 1664525) + 1013904223) | 0;
      return (h >>> 0) / 2 ** 32;
    };
  })();
  const normal = () => Array.from({ length: 12 }, drawn).reduce((a, b) => a + b, -6);
  for (let run = 0; run < 20; run++) {
    const causes = Array.from({ length: 20 }, (_, k) => suspect(`c${k}`, 0.1 + 0.01 * k));
    const truth = causes.map(({ prior }) => prior * normal());
    const rows = Array.from({ length: 60 }, (_, k) => {
      const [a, b] = [Math.floor(20 * drawn()), Math.floor(20 * drawn())];
      const exponents = a === b ? { [`c${a}`]: 1 } : { [`c${a}`]: 1, [`c${b}`]: 0.6 };
      const y = Object.entries(exponents).reduce(
        (s, [key, e]) => s + e * truth[Number(key.slice(1))]!,
        0,
      );
      return reading(`r${k}`, y + 0.03 * normal(), exponents as Record<string, number>);
    });
    solveCauses(rows, causes).causes.forEach(({ factor, deviation }, k) => {
      seen++;
      if (Math.abs(Math.log(factor) - truth[k]!) < 2 * deviation) inside++;
    });
  }
  // Two standard errors hold 95 of a hundred.
  expect(inside / seen).toBeGreaterThan(0.92);
  expect(inside / seen).toBeLessThan(0.99);
});
