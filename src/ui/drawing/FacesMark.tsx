import type { Shape } from '@/core/drawing/drawing';
import { pathOf, type Paper } from './paper';

/** What is left standing once everything is cut out: holes show the paper. */
export function FacesMark({ shapes, paper }: { shapes: readonly Shape[]; paper: Paper }) {
  const outlines = shapes.filter(
    (shape) =>
      shape.layer === 'cut' &&
      (shape.kind === 'circle' || (shape.kind === 'polyline' && shape.closed && !shape.hatch)),
  );
  return (
    <path
      d={outlines.map((shape) => pathOf(shape, paper)).join(' ')}
      fill="var(--stuff)"
      fillRule="evenodd"
    />
  );
}
