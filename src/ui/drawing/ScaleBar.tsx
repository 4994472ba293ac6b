import type { View } from '@/core/drawing/drawing';
import { shopLength, type UnitSystem } from '@/core/quantity';
import type { Paper } from './paper';

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
  paper: { toX, toY, scale, pixel, textSize },
  units,
}: {
  view: View;
  paper: Paper;
  units: UnitSystem;
}) {
  const [left, bottom, right, top] = view.bounds;
  const most = MOST * Math.max(right - left, top - bottom);
  const barM = BARS[units].findLast((each) => each <= most) ?? BARS[units][0]!;
  const [x, y, long] = [toX(left) + 3 * pixel, toY(bottom) - 8 * pixel, barM * scale];
  return (
    <g stroke="var(--ink-soft)" strokeWidth={pixel} fill="none">
      <path
        d={`M${x} ${y - 3 * pixel} v${6 * pixel} M${x} ${y} h${long} M${x + long} ${y - 3 * pixel} v${6 * pixel}`}
      />
      <text
        x={x + long + 5 * pixel}
        y={y + textSize * 0.34}
        fontSize={textSize}
        fill="var(--ink-soft)"
        stroke="none"
        className="figure"
      >
        {shopLength(barM, units)}
      </text>
    </g>
  );
}
