import type { View } from '@/core/drawing/drawing';
import { shopLength, type UnitSystem } from '@/core/quantity';
import type { Paper } from './ShapeMark';

/** Round lengths a bar may stand for, m. */
const BARS: Record<UnitSystem, readonly number[]> = {
  metric: [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2],
  imperial: [1, 2, 4, 6, 12, 24, 36, 72].map((inches) => inches * 0.0254),
};
/** Of the drawing's longer side at most. */
const MOST = 0.18;

/** A bar in the lower left corner: how long so much is at this scale. */
export function ScaleBar({
  view,
  paper: { toX, toY, scale, textSize },
  units,
}: {
  view: View;
  paper: Paper;
  units: UnitSystem;
}) {
  const [left, bottom, right, top] = view.bounds;
  const most = MOST * Math.max(right - left, top - bottom);
  const barM = BARS[units].findLast((each) => each <= most) ?? BARS[units][0]!;
  const [x, y, long] = [toX(left) + 4, toY(bottom) - 12, barM * scale];
  return (
    <g stroke="var(--ink-soft)" strokeWidth={1.2} fill="none">
      <path d={`M${x} ${y - 5} v10 M${x} ${y} h${long} M${x + long} ${y - 5} v10`} />
      <text
        x={x + long + 8}
        y={y + textSize * 0.34}
        fontSize={textSize * 0.8}
        fill="var(--ink-soft)"
        stroke="none"
        className="figure"
      >
        {shopLength(barM, units)}
      </text>
    </g>
  );
}
