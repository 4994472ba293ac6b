import type { Shape } from '@/core/drawing/drawing';
import { straightened } from '@/core/drawing/path';
import { INSULATIONS, STRIPE } from '@/core/electrics/insulation';
import { hatchId } from './Hatches';
import { INKS } from './inks';

export interface Paper {
  /** metres → drawing units */
  toX: (x: number) => number;
  toY: (y: number) => number;
  scale: number;
  textSize: number;
}

const onArc = (x: number, y: number, r: number, angle: number) =>
  [x + r * Math.cos(angle), y + r * Math.sin(angle)] as const;

interface ShapeMarkProps {
  shape: Shape;
  paper: Paper;
  lit: boolean;
  /** of the view whose hatches it is filled with */
  hatchName: string;
  /** colour of the light in its glass; null while it is off */
  glow?: string | null;
}

/** One inked shape; `lit` when a finding points at it. */
export function ShapeMark({ shape, paper, lit, hatchName, glow }: ShapeMarkProps) {
  const { toX, toY, scale, textSize } = paper;
  const ink = INKS[shape.layer];
  const common = {
    ...(ink as React.SVGProps<SVGPathElement>),
    ...(glow && shape.layer === 'glass' ? { fill: glow, fillOpacity: 0.92 } : {}),
    ...(lit ? { stroke: 'var(--stop)', strokeWidth: 4 } : {}),
    vectorEffect: 'non-scaling-stroke',
  } as const;
  if (shape.insulation && shape.kind === 'polyline')
    return <WireMark shape={shape} paper={paper} lit={lit} />;
  switch (shape.kind) {
    case 'circle':
      return (
        <circle {...(common as object)} cx={toX(shape.x)} cy={toY(shape.y)} r={shape.r * scale} />
      );
    case 'polyline': {
      const points = straightened(shape)
        .map(([x, y]) => `${toX(x)} ${toY(y)}`)
        .join(' L ');
      return (
        <path
          {...common}
          {...(shape.hatch ? { fill: `url(#${hatchId(hatchName, shape.hatch)})` } : {})}
          d={`M ${points}${shape.closed ? ' Z' : ''}`}
          strokeLinejoin="round"
        />
      );
    }
    case 'arc': {
      const [x1, y1] = onArc(shape.x, shape.y, shape.r, shape.from);
      const [x2, y2] = onArc(shape.x, shape.y, shape.r, shape.to);
      const r = shape.r * scale;
      const large = shape.to - shape.from > Math.PI ? 1 : 0;
      return (
        <path
          {...common}
          d={`M ${toX(x1)} ${toY(y1)} A ${r} ${r} 0 ${large} 0 ${toX(x2)} ${toY(y2)}`}
        />
      );
    }
    case 'text':
      return (
        <text
          x={toX(shape.x)}
          y={toY(shape.y)}
          fontSize={textSize}
          textAnchor={shape.anchor ?? 'start'}
          fill="var(--ink)"
          stroke="var(--sheet)"
          strokeWidth={textSize / 4}
          paintOrder="stroke"
        >
          {shape.text}
        </text>
      );
  }
}

interface WireMarkProps {
  shape: Extract<Shape, { kind: 'polyline' }>;
  paper: Paper;
  lit: boolean;
}

/** A wire in its own colour within an outline, so that black and white show on any paper. */
function WireMark({ shape, paper: { toX, toY }, lit }: WireMarkProps) {
  const path = `M ${shape.points.map(([x, y]) => `${toX(x)} ${toY(y)}`).join(' L ')}`;
  const stroke = { d: path, fill: 'none', vectorEffect: 'non-scaling-stroke' } as const;
  return (
    <g strokeLinejoin="round" data-insulation={shape.insulation}>
      <path {...stroke} stroke={lit ? 'var(--stop)' : 'var(--ink)'} strokeWidth={lit ? 5.5 : 3.2} />
      <path {...stroke} stroke={INSULATIONS[shape.insulation!]} strokeWidth={2} />
      {shape.insulation === 'green-yellow' && (
        <path {...stroke} stroke={STRIPE} strokeWidth={2} strokeDasharray="5 5" />
      )}
    </g>
  );
}
