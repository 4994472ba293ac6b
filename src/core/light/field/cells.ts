import type { Vector } from '../vector';
import { cross, dot, minus, plus, scaled, unit } from '../vector';
import type { Arrangement, SurfaceShape } from '../transport/arrangement';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { PI, abs, atan2, cos, floor, hypot, max, min, sin, sqrt } = Math;

/** Cells along each side of a surface's map. */
export const SIDE = 16;
export const CELLS = SIDE * SIDE;
/** Blocks of cells along each side of an exit whose light is told apart. */
const BLOCK_SIDE = 4;
export const BLOCKS = BLOCK_SIDE * BLOCK_SIDE;
/** Cells along a side of a block. */
const WITHIN = SIDE / BLOCK_SIDE;

export const blockOfCell = (cell: number): number =>
  floor(cell / SIDE / WITHIN) * BLOCK_SIDE + floor((cell % SIDE) / WITHIN);

/** Cells of a block, row by row. */
export function cellsOfBlock(block: number): number[] {
  const [column, row] = [(block % BLOCK_SIDE) * WITHIN, floor(block / BLOCK_SIDE) * WITHIN];
  return Array.from(
    { length: WITHIN * WITHIN },
    (_, k) => (row + floor(k / WITHIN)) * SIDE + column + (k % WITHIN),
  );
}

/** A point of a surface by two numbers in [0, 1), even by area where `areaAt` is even. */
export interface Chart {
  /** cell of a point on it */
  cellOf: (x: number, y: number, z: number) => number;
  /** m² of each cell */
  areasM2: Float64Array;
  /** a point by its chart: where, and the m² that one by one of the chart is there; 0 outside */
  at: (u: number, v: number, out: Float64Array) => number;
  /** the same without asking whether it is inside */
  middle: (u: number, v: number, out: Float64Array) => void;
}

const clampCell = (share: number): number =>
  share <= 0 ? 0 : share >= 1 ? SIDE - 1 : floor(share * SIDE);

const joined = (u: number, v: number): number => clampCell(v) * SIDE + clampCell(u);

/** Share of a turn from +x, 0…1. */
const turnOf = (x: number, y: number): number => {
  const turn = atan2(y, x) / (2 * PI);
  return turn < 0 ? turn + 1 : turn;
};

/** Maps of the surfaces of an arrangement, in its order. */
export const chartsOf = (surfaces: Arrangement['surfaces']): Chart[] =>
  surfaces.map(({ shape }) => chartOf(shape));

function chartOf(shape: SurfaceShape): Chart {
  switch (shape.kind) {
    case 'polygon':
      return polygonChart(shape.points);
    case 'disc': {
      const [inner, outer] = [shape.innerRadiusM ** 2, shape.outerRadiusM ** 2];
      // Rings of equal area.
      return evenChart(PI * (outer - inner), {
        cellOf: (x, y) => joined(turnOf(x, y), (x * x + y * y - inner) / (outer - inner)),
        put: (u, v, out) => {
          const r = sqrt(inner + v * (outer - inner));
          out[0] = r * cos(2 * PI * u);
          out[1] = r * sin(2 * PI * u);
          out[2] = shape.zM;
        },
      });
    }
    case 'cap': {
      const { centreZM, radiusM, fromZM, toZM } = shape;
      // Zones of a sphere between equal heights are of equal area [Archimedes].
      return evenChart(2 * PI * radiusM * (toZM - fromZM), {
        cellOf: (x, y, z) => joined(turnOf(x, y), (z - fromZM) / (toZM - fromZM)),
        put: (u, v, out) => {
          const z = fromZM + v * (toZM - fromZM);
          const r = sqrt(max(0, radiusM ** 2 - (z - centreZM) ** 2));
          out[0] = r * cos(2 * PI * u);
          out[1] = r * sin(2 * PI * u);
          out[2] = z;
        },
      });
    }
    case 'cone':
      return coneChart(shape);
  }
}

interface Even {
  cellOf: Chart['cellOf'];
  put: (u: number, v: number, out: Float64Array) => void;
}

const evenChart = (areaM2: number, { cellOf, put }: Even): Chart => ({
  cellOf,
  areasM2: new Float64Array(CELLS).fill(areaM2 / CELLS),
  at: (u, v, out) => {
    put(u, v, out);
    return areaM2;
  },
  middle: put,
});

/** By angle, and by area along its axis: wider ends get more. */
function coneChart(shape: Extract<SurfaceShape, { kind: 'cone' }>): Chart {
  const { axis, fromM, toM, fromRadiusM: r0, toRadiusM: r1 } = shape;
  const slant = hypot(toM - fromM, r1 - r0);
  const even = abs(r1 - r0) < 1e-12;
  // Area up to a share s of the way: r0·s + (r1 − r0)·s²/2, over its whole.
  const upTo = (s: number) => (r0 * s + ((r1 - r0) * s * s) / 2) / ((r0 + r1) / 2);
  const wayTo = (v: number) =>
    even ? v : (-r0 + sqrt(r0 * r0 + v * (r1 * r1 - r0 * r0))) / (r1 - r0);
  return evenChart(PI * (r0 + r1) * slant, {
    cellOf: (x, y, z) => {
      const w = axis === 'z' ? z : y;
      return joined(turnOf(x, axis === 'z' ? y : z), upTo((w - fromM) / (toM - fromM)));
    },
    put: (u, v, out) => {
      const s = wayTo(v);
      const r = r0 + (r1 - r0) * s;
      const w = fromM + (toM - fromM) * s;
      const [a, b] = [r * cos(2 * PI * u), r * sin(2 * PI * u)];
      out[0] = a;
      out[1] = axis === 'z' ? b : w;
      out[2] = axis === 'z' ? w : b;
    },
  });
}

/** Finer cells by which the share of a cell inside a polygon is measured. */
const FINE = 8;

/** A polygon lies in the rectangle along its first edge; what of it is outside has no area. */
function polygonChart(points: readonly Vector[]): Chart {
  const across = unit(minus(points[1]!, points[0]!));
  const normal = unit(cross(minus(points[1]!, points[0]!), minus(points[2]!, points[0]!)));
  const up = cross(normal, across);
  const spans = [across, up].map((axis) => {
    const places = points.map((point) => dot(point, axis));
    return [min(...places), max(...places)] as const;
  });
  const [[u0, u1], [v0, v1]] = spans as [readonly [number, number], readonly [number, number]];
  const origin = plus(
    plus(scaled(across, u0), scaled(up, v0)),
    scaled(normal, dot(points[0]!, normal)),
  );
  const [w, h] = [u1 - u0, v1 - v0];
  const plane = points.map(
    (point) => [(dot(point, across) - u0) / w, (dot(point, up) - v0) / h] as const,
  );
  const inside = (u: number, v: number) =>
    plane.every(([x, y], k) => {
      const [nx, ny] = plane[(k + 1) % plane.length]!;
      return (nx - x) * (v - y) - (ny - y) * (u - x) >= -1e-9;
    });
  const areasM2 = new Float64Array(CELLS);
  const fine = SIDE * FINE;
  for (let j = 0; j < fine; j++)
    for (let i = 0; i < fine; i++)
      if (inside((i + 0.5) / fine, (j + 0.5) / fine))
        areasM2[floor(j / FINE) * SIDE + floor(i / FINE)]! += (w * h) / fine ** 2;
  const put = (u: number, v: number, out: Float64Array) => {
    for (let axis = 0; axis < 3; axis++)
      out[axis] = origin[axis]! + u * w * across[axis]! + v * h * up[axis]!;
  };
  return {
    cellOf: (x, y, z) =>
      joined(
        (x * across[0] + y * across[1] + z * across[2] - u0) / w,
        (x * up[0] + y * up[1] + z * up[2] - v0) / h,
      ),
    areasM2,
    at: (u, v, out) => {
      if (!inside(u, v)) return 0;
      put(u, v, out);
      return w * h;
    },
    middle: put,
  };
}
