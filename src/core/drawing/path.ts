export type XY = readonly [x: number, y: number];

/**
 * Outlines whose edges may be arcs, so that one closed line can be cut in one go. A bulge is the tangent of a
 * quarter of the angle an edge turns through, positive anticlockwise [std: DXF reference, LWPOLYLINE 42].
 */
export interface Path {
  points: readonly XY[];
  /** of the edge that begins at each point; straight where there is none */
  bulges?: readonly number[];
  closed?: boolean;
}

export const bulgeOf = (angleRad: number): number => Math.tan(angleRad / 4);

interface EdgeArc {
  x: number;
  y: number;
  r: number;
  fromRad: number;
  /** signed: positive anticlockwise */
  turnRad: number;
}

/** The arc of an edge; null for a straight one. */
export function edgeArc([x1, y1]: XY, [x2, y2]: XY, bulge: number): EdgeArc | null {
  if (Math.abs(bulge) < 1e-12) return null;
  const turnRad = 4 * Math.atan(bulge);
  const chord = Math.hypot(x2 - x1, y2 - y1);
  const r = chord / 2 / Math.abs(Math.sin(turnRad / 2));
  // The centre lies on the chord's middle line, to the left for an arc of less than half a turn anticlockwise.
  const off = chord / 2 / Math.tan(turnRad / 2);
  const x = (x1 + x2) / 2 - ((y2 - y1) / chord) * off;
  const y = (y1 + y2) / 2 + ((x2 - x1) / chord) * off;
  return { x, y, r, fromRad: Math.atan2(y1 - y, x1 - x), turnRad };
}

/** Edges with the bulge of each, the closing one included. */
export function edgesOf({
  points,
  bulges = [],
  closed = false,
}: Path): (readonly [XY, XY, number])[] {
  const count = closed ? points.length : points.length - 1;
  return Array.from({ length: Math.max(0, count) }, (_, k) => [
    points[k]!,
    points[(k + 1) % points.length]!,
    bulges[k] ?? 0,
  ]);
}

/** Chords leave the arc by less than this: finer than any saw, and than true size on paper asks. */
const SAG_M = 1e-5;

/** The same with every arc in short chords. */
export function straightened(path: Path): XY[] {
  if (!path.bulges) return [...path.points];
  const out: XY[] = [];
  for (const [from, to, bulge] of edgesOf(path)) {
    out.push(from);
    const arc = edgeArc(from, to, bulge);
    if (!arc) continue;
    const most = 2 * Math.acos(Math.max(0, 1 - SAG_M / Math.max(arc.r, 2 * SAG_M)));
    const steps = Math.min(2000, Math.max(2, Math.ceil(Math.abs(arc.turnRad) / most)));
    for (let k = 1; k < steps; k++) {
      const angle = arc.fromRad + (arc.turnRad * k) / steps;
      out.push([arc.x + arc.r * Math.cos(angle), arc.y + arc.r * Math.sin(angle)]);
    }
  }
  if (!path.closed) out.push(path.points.at(-1)!);
  return out;
}
