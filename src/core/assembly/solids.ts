import { straightened } from '../drawing/path';
import type { Shape } from '../drawing/drawing';
import { extentOf, type XY } from '../drawing/shapes';
import type { SheetPiece } from '../build/pieces';
import { areaVector, dot, minus, plus, scaled, type Vector } from '../light/vector';
import type { Solid } from './body';

/** A circle is drawn with so many corners that it leaves the true one by no more than this; within limits. */
const SAG_M = 0.0004;
const LEAST_CORNERS = 16;
const MOST_CORNERS = 72;

export const cornersOf = (
  radiusM: number,
  sagM = SAG_M,
  [least, most]: readonly [number, number] = [LEAST_CORNERS, MOST_CORNERS],
): number => {
  const turn = 2 * Math.acos(Math.max(0, 1 - sagM / Math.max(radiusM, sagM)));
  const wanted = Math.ceil((2 * Math.PI) / Math.max(turn, 1e-6));
  return Math.min(most, Math.max(least, wanted + (wanted % 2)));
};

export const circleOutline = (radiusM: number, x = 0, y = 0): XY[] => {
  const count = cornersOf(radiusM);
  return Array.from({ length: count }, (_, k): XY => {
    const angle = (2 * Math.PI * k) / count;
    return [x + radiusM * Math.cos(angle), y + radiusM * Math.sin(angle)];
  });
};

export const rectangleOutline = (widthM: number, heightM: number): XY[] => [
  [-widthM / 2, -heightM / 2],
  [widthM / 2, -heightM / 2],
  [widthM / 2, heightM / 2],
  [-widthM / 2, heightM / 2],
];

export const plate = (
  outer: readonly XY[],
  thicknessM: number,
  holes: readonly (readonly XY[])[] = [],
): Solid => ({ kind: 'plate', outer, holes, thicknessM });

/** A flat box about its own z. */
export const slab = (widthM: number, heightM: number, thicknessM: number): Solid =>
  plate(rectangleOutline(widthM, heightM), thicknessM);

/** Everything between two radii and two heights. */
export const hoop = (
  innerM: number,
  outerM: number,
  fromM: number,
  toM: number,
  arc?: { fromRad: number; sweepRad: number },
): Solid => ({
  kind: 'turned',
  profile: [
    [Math.max(0, innerM), fromM],
    [outerM, fromM],
    [outerM, toM],
    [Math.max(0, innerM), toM],
  ],
  ...(arc && { arc }),
});

/** A round bar from its own origin along z; a pipe where it has a bore. */
export const rod = (radiusM: number, lengthM: number, boreM = 0): Solid =>
  hoop(boreM, radiusM, 0, lengthM);

/** A wall of even thickness that runs from one radius to another, the thickness outside. */
export const shell = (
  fromRadiusM: number,
  toRadiusM: number,
  lengthM: number,
  thicknessM: number,
): Solid => {
  const slant = Math.hypot(lengthM, toRadiusM - fromRadiusM);
  const outM = (thicknessM * slant) / lengthM;
  return {
    kind: 'turned',
    profile: [
      [fromRadiusM, 0],
      [fromRadiusM + outM, 0],
      [toRadiusM + outM, lengthM],
      [toRadiusM, lengthM],
    ],
  };
};

const GLOBE_STEPS = 14;

/**
 * A lamp that stands on z = 0: a neck, and a globe whose middle is told; what would lie under 0 is in its holder.
 * @param lengthM up to the front of its glass
 */
export function globe(globeM: number, lengthM: number, neckM: number): Solid {
  const r = globeM / 2;
  const middle = lengthM - r;
  const neck = Math.min(neckM / 2, 0.9 * r);
  // The globe begins where the neck meets it, or where the holder's rim cuts it off.
  const meets = -Math.sqrt(r * r - neck * neck);
  const from = Math.max(meets, -middle);
  const points: XY[] = Array.from({ length: GLOBE_STEPS + 1 }, (_, k) => {
    const start = Math.asin(from / r);
    const angle = start + ((Math.PI / 2 - start) * k) / GLOBE_STEPS;
    return [r * Math.cos(angle), middle + r * Math.sin(angle)];
  });
  const stem: XY[] =
    middle + meets > 0
      ? [
          [0, 0],
          [neck, 0],
        ]
      : [[0, 0]];
  return { kind: 'turned', profile: [...stem, ...points.slice(0, -1), [0, lengthM]] };
}

const SAME_M = 1e-7;

/** A convex thing between two faces of as many corners, the same way round. */
export function between(from: readonly Vector[], to: readonly Vector[]): Solid {
  // Two corners in one place leave no face between them.
  const apart = from.map((corner, k) => {
    const next = from[(k + 1) % from.length]!;
    return Math.hypot(...minus(corner, next)) > SAME_M;
  });
  const first = from.filter((_, k) => apart[k]);
  const second = to.filter((_, k) => apart[k]);
  const count = first.length;
  const corners = [...first, ...second];
  const middle = scaled(corners.reduce(plus), 1 / corners.length);
  const faces = [
    first.map((_, k) => k),
    second.map((_, k) => count + k),
    ...first.map((_, k) => [k, (k + 1) % count, count + ((k + 1) % count), count + k]),
  ];
  // Whichever way it was told, a face looks outwards.
  const outwards = (face: number[]) => {
    const points = face.map((k) => corners[k]!);
    return dot(areaVector(points), minus(points[0]!, middle)) < 0 ? face.toReversed() : face;
  };
  return { kind: 'block', corners, faces: faces.map(outwards) };
}

/** Bores that only a screw or a wire goes through are not shown. */
const SHOWN_BORE_M = 0.006;

/** The outline of a shape that closes on itself; null for lines that only mark. */
function closedOutline(shape: Shape): XY[] | null {
  if (shape.kind === 'circle') return circleOutline(shape.r, shape.x, shape.y);
  if (shape.kind === 'polyline' && shape.closed)
    return thinned(
      straightened({ points: shape.points, bulges: shape.bulges ?? [], closed: true }),
    );
  return null;
}

/** Arcs come in chords finer than any saw: here a corner is left out where the outline hardly changes for it. */
const HARDLY_M = 0.0002;
function thinned(points: readonly XY[]): XY[] {
  const kept: XY[] = [points[0]!];
  let from = 0;
  for (let k = 1; k < points.length; k++) {
    const next = points[(k + 1) % points.length]!;
    const passed = points.slice(from + 1, k + 1);
    if (passed.some((point) => offLine(point, points[from]!, next) > HARDLY_M)) {
      kept.push(points[k]!);
      from = k;
    }
  }
  return kept;
}
const offLine = ([x, y]: XY, [ax, ay]: XY, [bx, by]: XY): number =>
  Math.abs((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / (Math.hypot(bx - ax, by - ay) || 1);

const areaOf = (points: readonly XY[]): number =>
  points.reduce((sum, [x, y], k) => {
    const [nx, ny] = points[(k + 1) % points.length]!;
    return sum + (x * ny - nx * y) / 2;
  }, 0);

const anticlockwise = (points: readonly XY[]): XY[] =>
  areaOf(points) < 0 ? [...points].reverse() : [...points];

/**
 * A piece as it is cut, its holes out of it; about a point of its own, its middle where none is told.
 * @param thicknessM where its sheet is not chosen yet
 */
export function cutPiece(piece: SheetPiece, thicknessM: number, about?: XY): Solid {
  const outlines = piece.shapes.flatMap((shape) => {
    const bore = shape.layer === 'drill' && shape.kind === 'circle' && shape.r >= SHOWN_BORE_M;
    const points = shape.layer === 'cut' || bore ? closedOutline(shape) : null;
    return points && points.length > 2 ? [points] : [];
  });
  const [outer, ...holes] = outlines.toSorted((a, b) => Math.abs(areaOf(b)) - Math.abs(areaOf(a)));
  const { left, right, bottom, top } = extentOf(outer ?? []);
  const [ox, oy] = about ?? [(left + right) / 2, (bottom + top) / 2];
  const moved = (points: readonly XY[]) =>
    anticlockwise(points).map(([x, y]): XY => [x - ox, y - oy]);
  return plate(
    moved(outer ?? []),
    piece.thicknessM || thicknessM,
    holes.filter((hole) => Math.abs(areaOf(hole)) > 1e-8).map(moved),
  );
}
