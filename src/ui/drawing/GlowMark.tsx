import type { Shape } from '@/core/drawing/drawing';
import type { Paper } from './ShapeMark';

/** A halo is so many times as wide as the glass it comes from, and never less than this, drawing units. */
const HALO = 3.1;
const LEAST_HALO = 34;
/** Light beside a tape: widths of strokes laid over one another, pixels, and how strong each is. */
const STROKES = [
  [30, 0.1],
  [18, 0.14],
  [9, 0.3],
] as const;

export const glowId = (name: string): string => `glow-${name.replace(/\W/g, '-')}`;

/** What a lit lamp's light looks like on the paper: strongest at the glass, gone a lamp's width away. */
export function GlowPaint({ name, colour }: { name: string; colour: string }) {
  return (
    <defs>
      <radialGradient id={glowId(name)}>
        <stop offset="0" stopColor={colour} stopOpacity="0.95" />
        <stop offset="0.32" stopColor={colour} stopOpacity="0.7" />
        <stop offset="1" stopColor={colour} stopOpacity="0" />
      </radialGradient>
    </defs>
  );
}

interface GlowMarkProps {
  shape: Shape;
  paper: Paper;
  name: string;
  colour: string;
}

/** The light of one lamp or run of tape, under its ink; nothing for what gives none. */
export function GlowMark({ shape, paper: { toX, toY, scale }, name, colour }: GlowMarkProps) {
  if (shape.layer === 'glass' && shape.kind === 'circle')
    return (
      <circle
        cx={toX(shape.x)}
        cy={toY(shape.y)}
        r={Math.max(LEAST_HALO, shape.r * scale * HALO)}
        fill={`url(#${glowId(name)})`}
      />
    );
  const path =
    shape.layer === 'tape' || shape.layer === 'glass' ? pathOf(shape, toX, toY, scale) : null;
  if (!path) return null;
  return (
    <g fill="none" stroke={colour} strokeLinecap="round" strokeLinejoin="round">
      {STROKES.map(([width, opacity]) => (
        <path
          key={width}
          d={path}
          strokeWidth={width}
          strokeOpacity={opacity}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  );
}

type Put = (metres: number) => number;

function pathOf(shape: Shape, toX: Put, toY: Put, scale: number): string | null {
  if (shape.kind === 'polyline') {
    const points = shape.points.map(([x, y]) => `${toX(x)} ${toY(y)}`).join(' L ');
    return `M ${points}${shape.closed ? ' Z' : ''}`;
  }
  if (shape.kind !== 'arc' && shape.kind !== 'circle') return null;
  const { x, y, r } = shape;
  const [from, to] = shape.kind === 'arc' ? [shape.from, shape.to] : [0, 2 * Math.PI - 1e-3];
  const at = (angle: number) => `${toX(x + r * Math.cos(angle))} ${toY(y + r * Math.sin(angle))}`;
  const large = to - from > Math.PI ? 1 : 0;
  return `M ${at(from)} A ${r * scale} ${r * scale} 0 ${large} 0 ${at(to)}`;
}
