import type { Shape } from '@/core/drawing/drawing';
import { INSULATIONS, STRIPE } from '@/core/electrics/insulation';
import type { Glow } from './GlowMark';
import { hatchId } from './Hatches';
import { INKS } from './inks';
import { pathOf, type Paper } from './paper';

interface ShapeMarkProps {
  shape: Shape;
  paper: Paper;
  lit: boolean;
  /** of the view whose hatches it is filled with */
  hatchName: string;
  /** of the light in its glass; null while it is off */
  glow?: Glow | null;
}

/** One inked shape; `lit` when a finding points at it. */
export function ShapeMark({ shape, paper, lit, hatchName, glow }: ShapeMarkProps) {
  const { toX, toY, scale, textSize } = paper;
  const ink = INKS[shape.layer];
  const common = {
    ...(ink as React.SVGProps<SVGPathElement>),
    ...(glow && shape.layer === 'glass'
      ? { fill: `color-mix(in srgb, ${glow.colour} 70%, white)`, fillOpacity: glow.strength }
      : {}),
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
    case 'polyline':
      return (
        <path
          {...common}
          {...(shape.hatch ? { fill: `url(#${hatchId(hatchName, shape.hatch)})` } : {})}
          d={pathOf(shape, paper)}
          strokeLinejoin="round"
        />
      );
    case 'arc':
      return <path {...common} d={pathOf(shape, paper)} />;
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
function WireMark({ shape, paper, lit }: WireMarkProps) {
  const stroke = {
    d: pathOf(shape, paper),
    fill: 'none',
    vectorEffect: 'non-scaling-stroke',
  } as const;
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
