import type { PenLayer, Shape, View } from '../drawing/drawing';
import { line, view, type XY } from '../drawing/shapes';
import type { Vector } from '../light/vector';
import { placed, type Body } from './body';
import { seen, viewAxes, type Eye } from './eye';
import { meshOf, type Mesh } from './mesh';
import { edgesOf } from './neighbours';
import type { Standing } from './standing';

/** Points of the picture's longer side at which hidden lines are told from seen ones. */
const GRAIN = 620;
/** An edge is seen when nothing lies before it by more than so many points. */
const BEFORE = 1.6;
/** Runs of fewer points are specks. */
const SPECK = 2;

const LAYERS: Record<Standing, PenLayer> = { mounted: 'drill', now: 'cord', 'to come': 'hidden' };

interface Turned {
  points: Vector[];
  triangles: (readonly [number, number, number])[];
  /** edges that are seen from here unless something lies before them */
  edges: (readonly [number, number])[];
  standing: Standing;
}

/**
 * A light in three dimensions as a drawing of lines: edges and outlines, with what lies behind left out.
 * @param standing  of each body; all are mounted where it does not say
 */
export function inkedView(
  bodies: readonly Body[],
  eye: Eye,
  told: { id: string; title: string },
  standing: (body: Body) => Standing = () => 'mounted',
): View {
  const axes = viewAxes(eye);
  const turned = bodies.map((body): Turned => {
    const mesh = meshOf(body.solid);
    const at = mesh.points.map((point) => seen(axes, placed(body.pose, point)));
    return {
      points: at,
      triangles: mesh.triangles,
      edges: seenEdges(at, mesh),
      standing: standing(body),
    };
  });
  const grain = grainOf(turned);
  const depths = new Depths(grain);
  for (const { points, triangles, standing: stands } of turned)
    if (stands !== 'to come')
      for (const [a, b, c] of triangles) depths.fill(points[a]!, points[b]!, points[c]!);
  const shapes = (['to come', 'mounted', 'now'] as const).flatMap((stands) => {
    const runs = turned
      .filter((each) => each.standing === stands)
      .flatMap(({ points, edges }) =>
        edges.flatMap(([a, b]) => depths.seenRuns(points[a]!, points[b]!)),
      );
    return chained(runs).map((points): Shape => line(points, LAYERS[stands]));
  });
  return view(told.id, told.title, shapes, []);
}

const facesUs = (points: readonly Vector[], [a, b, c]: readonly [number, number, number]) => {
  const [[ax, ay], [bx, by], [cx, cy]] = [points[a]!, points[b]!, points[c]!];
  return (bx - ax) * (cy - ay) - (by - ay) * (cx - ax) > 1e-12;
};

/** Inked edges of faces that look this way, and those where a face that does meets one that does not. */
function seenEdges(points: readonly Vector[], mesh: Mesh): Turned['edges'] {
  const looks = mesh.triangles.map((triangle) => facesUs(points, triangle));
  return edgesOf(mesh).flatMap(({ ends, triangles, always }) => {
    const towards = triangles.filter((number) => looks[number]).length;
    return towards && (always || towards < triangles.length) ? [ends] : [];
  });
}

interface Grain {
  left: number;
  bottom: number;
  perM: number;
  wide: number;
  high: number;
}

function grainOf(turned: readonly Turned[]): Grain {
  let [left, bottom, right, top] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { points } of turned)
    for (const [x, y] of points) {
      left = Math.min(left, x);
      bottom = Math.min(bottom, y);
      right = Math.max(right, x);
      top = Math.max(top, y);
    }
  if (left > right) [left, bottom, right, top] = [0, 0, 0, 0];
  const perM = GRAIN / Math.max(right - left, top - bottom, 1e-6);
  return {
    left: left - 2 / perM,
    bottom: bottom - 2 / perM,
    perM,
    wide: Math.ceil((right - left) * perM) + 5,
    high: Math.ceil((top - bottom) * perM) + 5,
  };
}

/** How near the nearest face is at every point of the picture. */
class Depths {
  private readonly near: Float32Array;

  constructor(private readonly grain: Grain) {
    this.near = new Float32Array(grain.wide * grain.high).fill(-Infinity);
  }

  fill(a: Vector, b: Vector, c: Vector): void {
    const { left, bottom, perM, wide, high } = this.grain;
    const at = ([x, y]: Vector): XY => [(x - left) * perM, (y - bottom) * perM];
    const [[ax, ay], [bx, by], [cx, cy]] = [at(a), at(b), at(c)];
    const area = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
    if (area < 1e-9) return;
    const [x0, x1] = [
      Math.max(0, Math.floor(Math.min(ax, bx, cx))),
      Math.min(wide - 1, Math.ceil(Math.max(ax, bx, cx))),
    ];
    const [y0, y1] = [
      Math.max(0, Math.floor(Math.min(ay, by, cy))),
      Math.min(high - 1, Math.ceil(Math.max(ay, by, cy))),
    ];
    for (let y = y0; y <= y1; y++)
      for (let x = x0; x <= x1; x++) {
        const wb = ((x - ax) * (cy - ay) - (y - ay) * (cx - ax)) / area;
        const wc = ((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / area;
        if (wb < 0 || wc < 0 || wb + wc > 1) continue;
        const depth = a[2] + wb * (b[2] - a[2]) + wc * (c[2] - a[2]);
        const k = y * wide + x;
        if (depth > this.near[k]!) this.near[k] = depth;
      }
  }

  /** The farthest face round a point: an edge is seen where any of its neighbours lets it be. */
  private behind(x: number, y: number): number {
    const { wide, high } = this.grain;
    let least = Infinity;
    for (let dy = -1; dy <= 1; dy++)
      for (let dx = -1; dx <= 1; dx++) {
        const [px, py] = [x + dx, y + dy];
        if (px < 0 || py < 0 || px >= wide || py >= high) return -Infinity;
        least = Math.min(least, this.near[py * wide + px]!);
      }
    return least;
  }

  /** The stretches of an edge that nothing lies before, metres of the picture. */
  seenRuns(a: Vector, b: Vector): (readonly [XY, XY])[] {
    const { left, bottom, perM } = this.grain;
    const steps = Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) * perM));
    const at = (k: number): Vector => {
      const share = k / steps;
      return [
        a[0] + (b[0] - a[0]) * share,
        a[1] + (b[1] - a[1]) * share,
        a[2] + (b[2] - a[2]) * share,
      ];
    };
    const runs: (readonly [XY, XY])[] = [];
    let from = -1;
    const close = (to: number) => {
      if (from >= 0 && (to - from >= SPECK || to - from === steps)) {
        const [p, q] = [at(from), at(to)];
        runs.push([
          [p[0], p[1]],
          [q[0], q[1]],
        ]);
      }
      from = -1;
    };
    for (let k = 0; k <= steps; k++) {
      const [x, y, depth] = at(k);
      const behind = this.behind(Math.round((x - left) * perM), Math.round((y - bottom) * perM));
      const free = depth + BEFORE / perM >= behind;
      if (free && from < 0) from = k;
      if (!free) close(k - 1);
    }
    close(steps);
    return runs;
  }
}

/** Runs that follow one another as one line. */
function chained(runs: readonly (readonly [XY, XY])[]): XY[][] {
  const key = ([x, y]: XY) => `${Math.round(x * 1e5)} ${Math.round(y * 1e5)}`;
  const ends = new Map<string, number[]>();
  runs.forEach(([a, b], k) => {
    for (const end of [a, b]) {
      const known = ends.get(key(end));
      if (known) known.push(k);
      else ends.set(key(end), [k]);
    }
  });
  const used = new Set<number>();
  const next = (end: XY): XY | null => {
    const k = ends.get(key(end))?.find((each) => !used.has(each));
    if (k === undefined) return null;
    used.add(k);
    const [a, b] = runs[k]!;
    return key(a) === key(end) ? b : a;
  };
  return runs.flatMap(([a, b], k) => {
    if (used.has(k)) return [];
    used.add(k);
    const points: XY[] = [a, b];
    for (let end = next(b); end; end = next(end)) points.push(end);
    for (let start = next(a); start; start = next(start)) points.unshift(start);
    return [points];
  });
}
