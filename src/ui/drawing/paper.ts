import type { Shape } from '@/core/drawing/drawing';
import { straightened } from '@/core/drawing/path';

/** Where a view lies on the screen. */
export interface Paper {
  /** metres → drawing units */
  toX: (x: number) => number;
  toY: (y: number) => number;
  scale: number;
  /** drawing units in a pixel of the screen */
  pixel: number;
  textSize: number;
}

/** A shape's line as an SVG path; words have none. */
export function pathOf(shape: Shape, { toX, toY, scale }: Paper): string {
  switch (shape.kind) {
    case 'text':
      return '';
    case 'polyline': {
      const points = straightened(shape).map(([x, y]) => `${toX(x)} ${toY(y)}`);
      return `M ${points.join(' L ')}${shape.closed ? ' Z' : ''}`;
    }
    case 'circle': {
      const r = shape.r * scale;
      return `M ${toX(shape.x) - r} ${toY(shape.y)} a ${r} ${r} 0 1 0 ${2 * r} 0 a ${r} ${r} 0 1 0 ${-2 * r} 0 Z`;
    }
    case 'arc': {
      const { x, y, from, to } = shape;
      const at = (angle: number) =>
        `${toX(x + shape.r * Math.cos(angle))} ${toY(y + shape.r * Math.sin(angle))}`;
      const r = shape.r * scale;
      return `M ${at(from)} A ${r} ${r} 0 ${to - from > Math.PI ? 1 : 0} 0 ${at(to)}`;
    }
  }
}
