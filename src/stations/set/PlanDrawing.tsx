'use client';
import { useRef } from 'react';
import type { Vector } from '@/core/light/vector';
import { show, showText, type UnitSystem } from '@/core/quantity';
import { faceOf } from '@/core/set/scene';
import type { Lit } from '@/core/set/readings';
import type { Setup } from '@/core/set/setup';
import { THINGS } from '@/core/set/things';
import { aimedAt, bouncedLights } from '@/core/set/bounce';
import { usePlace } from '@/ui/drawing/usePixel';
import { colourOf } from './colourOf';
import { planShape, type FrontOf, type PlanShape, type PlanView } from '@/core/set/planShape';
import { CameraMark, RoomLines } from './PlanGround';
import { MARGIN, paperOf, path, RANK, strokeOf, type Paper } from './planPaper';
import { keyMove, turned, type Moves } from './planMoves';
import { along, up, useGrasp } from './useGrasp';
import type { SetEdits } from './useSetEdits';

interface PlanDrawingProps {
  setup: Setup;
  view: PlanView;
  front: FrontOf;
  lit: readonly Lit[];
  troubled: ReadonlySet<string>;
  edits: SetEdits;
  units: UnitSystem;
  pickedId: string | null;
  onPick: (id: string | null) => void;
  onDrag: (id: string | null) => void;
}

/** A grip stands so far before what it turns, pixels. */
const GRIP_PX = 46;

/** The set to scale: what is drawn is drawn about with the hand, or walked to and moved by keys. */
export function PlanDrawing(props: PlanDrawingProps) {
  const { setup, view, units, onPick } = props;
  const svg = useRef<SVGSVGElement>(null);
  const { width: wide, height: high } = usePlace(svg);
  const paper = paperOf(setup, view, wide, high);
  const { room } = setup;
  const length = (metres: number) => showText(show(metres, 'length', units));
  const shapes = setup.things.map((thing) => planShape(thing, setup, props.front));
  const flat = shapes.toSorted((a, b) => RANK[a.thing.kind] - RANK[b.thing.kind]);
  const size =
    view === 'above'
      ? `${length(room.widthM)} × ${length(room.depthM)}`
      : `${length(room.depthM)} × ${length(room.heightM)} high`;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${wide} ${high}`}
      className="h-full min-h-[260px] w-full touch-none select-none"
      role="group"
      aria-label={view === 'above' ? 'Plan from above, to scale' : 'From the side, to scale'}
      data-plan={view}
      data-scale={paper.scale}
      fontSize="12"
      fill="var(--ink)"
      onPointerDown={(event) => event.target === event.currentTarget && onPick(null)}
    >
      <RoomLines setup={setup} view={view} paper={paper} />
      <CameraMark setup={setup} view={view} paper={paper} />
      <Bounces setup={setup} lit={props.lit} paper={paper} />
      {flat.map((shape) => (
        <ThingMark key={shape.thing.id} {...props} shape={shape} paper={paper} />
      ))}
      <text x={MARGIN / 2} y={high - 8} fill="var(--ink-soft)">
        {size}
      </text>
    </svg>
  );
}

/** The way of light that comes by a wall, a ceiling or a card: to where it is aimed, and on to who is lit by it. */
function Bounces({ setup, lit, paper }: { setup: Setup; lit: readonly Lit[]; paper: Paper }) {
  const [head] = setup.things.filter((thing) => thing.kind === 'head');
  const bounced = bouncedLights(lit);
  const ways = lit.flatMap(({ light, state }) => {
    const thing = setup.things.find(({ id }) => id === light.id);
    if (!head || thing?.kind !== 'light' || !bounced.includes(light.id)) return [];
    const aimed = aimedAt(setup, thing);
    const from: Vector = [thing.xM, thing.yM, thing.zM];
    return aimed ? [{ id: light.id, state, line: [from, aimed.at, faceOf(head)] }] : [];
  });
  return (
    <g pointerEvents="none" fill="none">
      {ways.map(({ id, state, line }) => (
        <g key={id} data-bounce={id}>
          <path d={path(line, paper)} stroke="var(--ink-soft)" strokeDasharray="6 4" />
          <circle
            cx={paper.h(line[1]!)}
            cy={paper.v(line[1]!)}
            r="5"
            fill={colourOf(state)}
            stroke="var(--ink-soft)"
          />
        </g>
      ))}
    </g>
  );
}

interface ThingMarkProps extends PlanDrawingProps {
  shape: PlanShape;
  paper: Paper;
}

function ThingMark(props: ThingMarkProps) {
  const { shape, paper, view, edits, pickedId, onPick, onDrag, lit, troubled, units } = props;
  const { thing, at, look } = shape;
  const picked = pickedId === thing.id;
  const { stroke, wide, fill } = strokeOf(thing);
  const state = lit.find(({ light }) => light.id === thing.id)?.state;
  const [x, y] = [paper.h(at), paper.v(at)];
  const out = look && screenWay(look, view);
  const grip = out && [x + out[0] * GRIP_PX, y + out[1] * GRIP_PX];
  const off = thing.kind === 'light' && !thing.on;

  const handlers = useGrasp({ thing, at, view, back: paper.back, edits, onPick, onDrag });
  const keys = (event: React.KeyboardEvent) => {
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      onPick(null);
      edits.remove(thing);
      return;
    }
    const next: Moves | null = keyMove(thing, view, event.key, event.shiftKey);
    if (!next) return;
    event.preventDefault();
    event.stopPropagation();
    edits.thing(thing, 'place', (draft) => void Object.assign(draft, next));
  };
  const height =
    shape.heightM === null ? '' : `, ${showText(show(shape.heightM, 'length', units))} high`;
  return (
    <g data-thing={thing.id} opacity={off ? 0.45 : 1}>
      {out && thing.kind === 'light' && state && state.factor > 0 && (
        <Beam id={thing.id} x={x} y={y} out={out} colour={colourOf(state)} factor={state.factor} />
      )}
      <g
        role="button"
        tabIndex={0}
        aria-label={`${thing.name}, ${THINGS[thing.kind].name.toLowerCase()}${height}`}
        aria-pressed={picked}
        className="cursor-grab outline-none [&:focus-visible>path]:stroke-[var(--ink)]"
        onFocus={() => onPick(thing.id)}
        onKeyDown={keys}
        {...handlers.move}
      >
        <circle cx={x} cy={y} r="14" fill="transparent" />
        {shape.lines.map((line, k) => (
          <path key={k} d={path(line, paper)} stroke="transparent" strokeWidth={18} fill="none" />
        ))}
        {shape.lines.map((line, k) => (
          <path
            key={`s${k}`}
            d={path(line, paper)}
            stroke={stroke}
            strokeWidth={picked ? wide + 2 : wide}
            strokeLinejoin="round"
            strokeLinecap="round"
            fill={fill}
          />
        ))}
      </g>
      {shape.heightM !== null && view === 'above' && (
        <HeightBar x={x + 14} y={y + 12} heightM={shape.heightM} roomM={props.setup.room.heightM} />
      )}
      {troubled.has(thing.id) && (
        <circle
          cx={x}
          cy={y}
          r="13"
          fill="none"
          stroke="var(--stop)"
          strokeWidth="2.5"
          strokeDasharray="4 3"
          pointerEvents="none"
        />
      )}
      {picked && (
        <text
          x={x}
          y={y - 16}
          textAnchor="middle"
          stroke="var(--sheet)"
          strokeWidth="3"
          paintOrder="stroke"
        >
          {thing.name}
        </text>
      )}
      {picked && grip && turned(thing, view, 1, 1, false) && (
        <g>
          <path
            d={`M${x} ${y} L${grip[0]} ${grip[1]}`}
            stroke="var(--brass)"
            strokeDasharray="2 3"
            pointerEvents="none"
          />
          <circle
            cx={grip[0]}
            cy={grip[1]}
            r="7"
            fill="var(--brass-bright)"
            stroke="var(--raised)"
            strokeWidth="2"
            className="cursor-grab"
            data-grip={view === 'above' ? 'turn' : 'tilt'}
            {...handlers.turn}
          />
        </g>
      )}
    </g>
  );
}

/** A direction of the set on the drawing, unit; null when it points out of the paper. */
function screenWay(look: Vector, view: PlanView): [number, number] | null {
  const [h, v] = [along(look, view), -up(look, view)];
  const long = Math.hypot(h, v);
  return long > 0.05 ? [h / long, v / long] : null;
}

const fan = ([h, v]: [number, number], angle: number): [number, number] => [
  h * Math.cos(angle) - v * Math.sin(angle),
  h * Math.sin(angle) + v * Math.cos(angle),
];

interface BeamProps {
  id: string;
  x: number;
  y: number;
  out: [number, number];
  colour: string;
  factor: number;
}
const BEAM_PX = 110;

/** Which way a light goes, and how warm: it fades into the room. */
function Beam({ id, x, y, out, colour, factor }: BeamProps) {
  const [a, b] = [fan(out, 0.55), fan(out, -0.55)];
  const name = `beam-${id}`;
  return (
    <g pointerEvents="none">
      <radialGradient id={name} cx={x} cy={y} r={BEAM_PX} gradientUnits="userSpaceOnUse">
        <stop offset="0" stopColor={colour} stopOpacity={0.35 + 0.5 * Math.min(1, factor)} />
        <stop offset="1" stopColor={colour} stopOpacity="0" />
      </radialGradient>
      <path
        d={`M${x} ${y} L${x + a[0] * BEAM_PX} ${y + a[1] * BEAM_PX} A${BEAM_PX} ${BEAM_PX} 0 0 0 ${x + b[0] * BEAM_PX} ${y + b[1] * BEAM_PX} Z`}
        fill={`url(#${name})`}
      />
    </g>
  );
}

/** How far up in the room something is: a bar as tall as the room, filled to its height. */
function HeightBar({
  x,
  y,
  heightM,
  roomM,
}: {
  x: number;
  y: number;
  heightM: number;
  roomM: number;
}) {
  const tall = 22;
  const filled = Math.min(1, Math.max(0, heightM / roomM)) * tall;
  return (
    <g pointerEvents="none">
      <rect x={x} y={y - tall / 2} width="4" height={tall} fill="var(--line)" />
      <rect x={x} y={y + tall / 2 - filled} width="4" height={filled} fill="var(--ink-soft)" />
    </g>
  );
}
