import type { DimensionLine, Handle, Hatch, PenLayer, Shape, View } from './drawing';
import { edgeArc, edgesOf, type Path, type XY } from './path';

export type { XY };

export const circle = (x: number, y: number, r: number, layer: PenLayer, ref?: string): Shape => ({
  kind: 'circle',
  x,
  y,
  r,
  layer,
  ref,
});

export const line = (points: readonly XY[], layer: PenLayer, ref?: string): Shape => ({
  kind: 'polyline',
  points,
  layer,
  ref,
});

/** A straight line between two points. */
export const segment = (from: XY, to: XY, layer: PenLayer, ref?: string): Shape =>
  line([from, to], layer, ref);

export const polygon = (points: readonly XY[], layer: PenLayer, ref?: string): Shape => ({
  kind: 'polyline',
  points,
  closed: true,
  layer,
  ref,
});

/** One closed outline of straight edges and arcs. */
export const outline = (
  points: readonly XY[],
  bulges: readonly number[],
  layer: PenLayer,
  ref?: string,
): Shape => ({ kind: 'polyline', points, bulges, closed: true, layer, ref });

/** A face that is cut through, hatched by what it is made of. */
export const hatched = (shape: Shape, hatch: Hatch | undefined): Shape =>
  shape.kind === 'polyline' && hatch ? { ...shape, hatch } : shape;

/** Rectangle between two opposite corners. */
export const rectangle = (
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  layer: PenLayer,
  ref?: string,
): Shape =>
  polygon(
    [
      [x1, y1],
      [x2, y1],
      [x2, y2],
      [x1, y2],
    ],
    layer,
    ref,
  );

/** Rectangle of a size round a middle. */
export const box = (x: number, y: number, w: number, h: number, layer: PenLayer, ref?: string) =>
  rectangle(x - w / 2, y - h / 2, x + w / 2, y + h / 2, layer, ref);

export const words = (x: number, y: number, text: string, layer: PenLayer = 'mark'): Shape => ({
  kind: 'text',
  x,
  y,
  text,
  anchor: 'middle',
  layer,
});

export const labelled = (shape: Shape, label: string): Shape => ({ ...shape, label });

/** A dimension whose figure is the distance between its ends. */
export const measure = (from: XY, to: XY, offsetM: number, label: string): DimensionLine => ({
  from,
  to,
  offsetM,
  valueM: Math.hypot(to[0] - from[0], to[1] - from[1]),
  label,
});

/** A knob that is pulled along a direction; `perMetre` 2 where both sides move. */
export const knob = (
  parameter: string,
  label: string,
  at: XY,
  direction: XY,
  perMetre = 1,
): Handle => ({ parameter, label, at, pull: { kind: 'straight', direction, perMetre } });

/** An arc's ends and those of its quarter points that it passes. */
function arcReach({ x, y, r, from, to }: Extract<Shape, { kind: 'arc' }>): XY[] {
  const quarter = Math.PI / 2;
  const angles = [from, to];
  for (let at = Math.ceil(from / quarter) * quarter; at < to; at += quarter) angles.push(at);
  return angles.map((angle) => [x + r * Math.cos(angle), y + r * Math.sin(angle)]);
}

/** Corners of a path, and where its arcs pass their quarter points. */
const pathReach = (path: Path): XY[] => [
  ...path.points,
  ...edgesOf(path).flatMap(([from, to, bulge]) => {
    const arc = edgeArc(from, to, bulge);
    if (!arc) return [];
    const { x, y, r, fromRad, turnRad } = arc;
    const [start, end] = turnRad > 0 ? [fromRad, fromRad + turnRad] : [fromRad + turnRad, fromRad];
    return arcReach({ kind: 'arc', x, y, r, from: start, to: end, layer: 'cut' });
  }),
];

const reach = (shape: Shape): XY[] => {
  switch (shape.kind) {
    case 'circle':
      return [
        [shape.x - shape.r, shape.y - shape.r],
        [shape.x + shape.r, shape.y + shape.r],
      ];
    case 'arc':
      return arcReach(shape);
    case 'polyline':
      return pathReach(shape);
    case 'text':
      return [[shape.x, shape.y]];
  }
};

interface Extent {
  left: number;
  bottom: number;
  right: number;
  top: number;
}

export function extentOf(points: readonly XY[]): Extent {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return {
    left: Math.min(...xs),
    bottom: Math.min(...ys),
    right: Math.max(...xs),
    top: Math.max(...ys),
  };
}

export const shapesExtent = (shapes: readonly Shape[]): Extent => extentOf(shapes.flatMap(reach));

/** Ends of a dimension line: its offset lies to the left of the way from one end to the other. */
function dimensionEnds({ from, to, offsetM }: DimensionLine): XY[] {
  const long = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const nx = (-(to[1] - from[1]) / long) * offsetM;
  const ny = ((to[0] - from[0]) / long) * offsetM;
  return [
    [from[0] + nx, from[1] + ny],
    [to[0] + nx, to[1] + ny],
  ];
}

/** A view whose paper is cut to what is on it, dimension lines included, with a margin. */
export function view(
  id: string,
  title: string,
  shapes: Shape[],
  dimensions: DimensionLine[] = [],
  handles: Handle[] = [],
): View {
  const { left, bottom, right, top } = extentOf([
    ...shapes.flatMap(reach),
    ...dimensions.flatMap(dimensionEnds),
    ...handles.map(({ at }) => at),
  ]);
  const margin = Math.max(right - left, top - bottom, 0.01) * 0.06;
  return {
    id,
    title,
    bounds: [left - margin, bottom - margin, right + margin, top + margin],
    shapes,
    dimensions,
    handles,
  };
}
