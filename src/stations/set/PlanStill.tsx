'use client';
import { useRef } from 'react';
import { show, showText } from '@/core/quantity';
import { planShape } from '@/core/set/planShape';
import type { Setup } from '@/core/set/setup';
import { useDevice } from '@/ui/device';
import { usePlace } from '@/ui/drawing/usePixel';
import { CameraMark, RoomLines } from './PlanGround';
import { MARGIN, paperOf, path, RANK, strokeOf } from './planPaper';

/** A light is drawn so large where nobody has worked its front out. */
const SOME_FRONT = { widthM: 0.35, heightM: 0.35 };

/** A setup's plan from above, to be looked at. */
export function PlanStill({ setup }: { setup: Setup }) {
  const { units } = useDevice();
  const svg = useRef<SVGSVGElement>(null);
  const { width: wide, height: high } = usePlace(svg);
  const paper = paperOf(setup, 'above', wide, high);
  const length = (metres: number) => showText(show(metres, 'length', units));
  const shapes = setup.things
    .map((thing) => planShape(thing, setup, () => SOME_FRONT))
    .toSorted((a, b) => RANK[a.thing.kind] - RANK[b.thing.kind]);
  const lights = setup.things.filter(({ kind }) => kind === 'light' || kind === 'window').length;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${wide} ${high}`}
      className="h-0 min-h-[170px] w-full flex-1"
      role="img"
      aria-label={`${setup.name} from above: ${length(setup.room.widthM)} by ${length(setup.room.depthM)}, ${lights} ${lights === 1 ? 'light' : 'lights'}`}
      data-still={setup.id}
      fontSize="12"
      fill="var(--ink)"
    >
      <RoomLines setup={setup} view="above" paper={paper} />
      <CameraMark setup={setup} view="above" paper={paper} />
      {shapes.map(({ thing, lines, at }) => {
        const { stroke, wide: width, fill } = strokeOf(thing);
        return (
          <g key={thing.id} opacity={thing.kind === 'light' && !thing.on ? 0.4 : 1}>
            {lines.map((line, k) => (
              <path
                key={k}
                d={path(line, paper)}
                stroke={stroke}
                strokeWidth={width}
                strokeLinejoin="round"
                strokeLinecap="round"
                fill={fill}
              />
            ))}
            {thing.kind === 'light' && (
              <text
                x={paper.h(at)}
                y={paper.v(at) - 10}
                textAnchor="middle"
                stroke="var(--raised)"
                strokeWidth="3"
                paintOrder="stroke"
              >
                {thing.name}
              </text>
            )}
          </g>
        );
      })}
      <text x={MARGIN / 2} y={high - 8} fill="var(--ink-soft)">
        {length(setup.room.widthM)} × {length(setup.room.depthM)}
      </text>
    </svg>
  );
}
