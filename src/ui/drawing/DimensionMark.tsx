import type { DimensionLine } from '@/core/drawing/drawing';
import type { Paper } from './paper';

/** Of the slash at an end, from its middle, pixels. */
const TICK_PX = 4;

/** A dimension line with slashes at its ends and its figure broken into the middle. */
export function DimensionMark({
  dimension,
  paper,
  text,
}: {
  dimension: DimensionLine;
  paper: Paper;
  text: string;
}) {
  const { toX, toY, scale, pixel, textSize } = paper;
  const [x1, y1, x2, y2] = [
    toX(dimension.from[0]),
    toY(dimension.from[1]),
    toX(dimension.to[0]),
    toY(dimension.to[1]),
  ];
  const length = Math.hypot(x2 - x1, y2 - y1) || 1;
  const [ux, uy] = [(x2 - x1) / length, (y2 - y1) / length];
  // Beside the line: to its left for a positive offset, with y upwards.
  const [ox, oy] = [uy * dimension.offsetM * scale, -ux * dimension.offsetM * scale];
  const upright = Math.abs(uy) > 0.7;
  const [mx, my] = [(x1 + x2) / 2 + ox, (y1 + y2) / 2 + oy];
  const tick = TICK_PX * pixel;
  const slash = (x: number, y: number) =>
    `M${x + ox - tick} ${y + oy + tick} l${2 * tick} ${-2 * tick}`;
  const width = text.length * textSize * 0.58 + 8 * pixel;
  return (
    <g stroke="var(--ink-soft)" strokeWidth={pixel} fill="none">
      {dimension.offsetM !== 0 && (
        <path
          d={`M${x1} ${y1} l${ox * 1.12} ${oy * 1.12} M${x2} ${y2} l${ox * 1.12} ${oy * 1.12}`}
          strokeWidth={0.7 * pixel}
        />
      )}
      <path d={`M${x1 + ox} ${y1 + oy} L${x2 + ox} ${y2 + oy}`} />
      <path d={`${slash(x1, y1)} ${slash(x2, y2)}`} strokeWidth={1.6 * pixel} stroke="var(--ink)" />
      <g transform={`translate(${mx} ${my})${upright ? ' rotate(-90)' : ''}`}>
        <rect
          x={-width / 2}
          y={-textSize * 0.62}
          width={width}
          height={textSize * 1.24}
          fill="var(--sheet)"
          stroke="none"
        />
        <text
          textAnchor="middle"
          dy="0.34em"
          fontSize={textSize}
          fill="var(--ink)"
          stroke="none"
          className="figure"
        >
          {text}
        </text>
      </g>
    </g>
  );
}
