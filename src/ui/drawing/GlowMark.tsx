import type { Shape } from '@/core/drawing/drawing';
import { pathOf, type Paper } from './paper';

/** A halo is so many times as wide as the glass it comes from, and never less than this, drawing units. */
const HALO = 3.1;
const LEAST_HALO = 34;
/** Light beside a tape: widths of strokes laid over one another, pixels, and how strong each is. */
const STROKES = [
  [30, 0.1],
  [18, 0.14],
  [9, 0.3],
] as const;

/** What a lamp shows of its light. */
export interface Glow {
  /** of the screen */
  colour: string;
  /** 0…1, of a lamp fully up */
  strength: number;
}

const glowId = (name: string, colour: string): string =>
  `glow-${name}-${colour}`.replace(/\W/g, '-');

/** What a lit lamp's light looks like on the paper: strongest at the glass, gone a lamp's width away. */
export function GlowPaint({ name, glows }: { name: string; glows: readonly (Glow | null)[] }) {
  const colours = [...new Set(glows.flatMap((glow) => (glow ? [glow.colour] : [])))];
  return (
    <defs>
      {colours.map((colour) => (
        <radialGradient key={colour} id={glowId(name, colour)}>
          <stop offset="0" stopColor={`color-mix(in srgb, ${colour} 65%, white)`} />
          <stop
            offset="0.34"
            stopColor={`color-mix(in srgb, ${colour} 88%, white)`}
            stopOpacity="0.85"
          />
          <stop offset="1" stopColor={colour} stopOpacity="0" />
        </radialGradient>
      ))}
    </defs>
  );
}

interface GlowMarkProps {
  shape: Shape;
  paper: Paper;
  name: string;
  glow: Glow | null;
}

/** The light of one lamp or run of tape, under its ink; nothing for what gives none. */
export function GlowMark({ shape, paper, name, glow }: GlowMarkProps) {
  if (!glow) return null;
  const { colour, strength } = glow;
  if (shape.layer === 'glass' && shape.kind === 'circle')
    return (
      <circle
        cx={paper.toX(shape.x)}
        cy={paper.toY(shape.y)}
        r={Math.max(LEAST_HALO, shape.r * paper.scale * HALO)}
        fill={`url(#${glowId(name, colour)})`}
        opacity={strength}
      />
    );
  if (shape.layer !== 'tape' && shape.layer !== 'glass') return null;
  const path = pathOf(shape, paper);
  return (
    <g fill="none" stroke={colour} strokeLinecap="round" strokeLinejoin="round" opacity={strength}>
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
