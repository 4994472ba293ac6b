'use client';
import { DEGREE } from '@/core/angle';
import { useRef } from 'react';
import type { Pose } from '@/core/picture/scene';
import { show, showText } from '@/core/quantity';
import { clamp } from '@/core/tolerance';
import { useDevice } from '@/ui/device';

/** The pad's edge in drawing units, and how far out the light may go. */
const EDGE = 200;
const MIDDLE = { x: 100, y: 78 };
const REACH = 92;
const STEP = { angle: 5 * DEGREE, distance: 1.05 };

interface LightPadProps {
  pose: Pose;
  nearestM: number;
  farthestM: number;
  onMove: (pose: Pose) => void;
}

/** Where a key takes the light: arrows turn it and bring it nearer, four times as far with Shift. */
function steered(
  pose: Pose,
  { key, shiftKey }: React.KeyboardEvent,
  nearestM: number,
  farthestM: number,
): Pose | null {
  const times = shiftKey ? 4 : 1;
  const turn = { ArrowLeft: -1, ArrowRight: 1 }[key];
  if (turn) {
    const azimuthRad = clamp(pose.azimuthRad + turn * times * STEP.angle, -Math.PI, Math.PI);
    return { ...pose, azimuthRad };
  }
  const go = { ArrowUp: 1, ArrowDown: -1 }[key];
  if (!go) return null;
  const distanceM = pose.distanceM * STEP.distance ** (-go * times);
  return { ...pose, distanceM: clamp(distanceM, nearestM, farthestM) };
}

/** Rings of distance, the head's outline, and where the camera stands. */
const HeadFromAbove = () => (
  <>
    {[0.25, 0.5, 0.75, 1].map((ring) => (
      <circle
        key={ring}
        cx={MIDDLE.x}
        cy={MIDDLE.y}
        r={26 + ring * (REACH - 26)}
        fill="none"
        stroke="var(--line)"
      />
    ))}
    <path d="M60 182 L100 92 L140 182" fill="none" stroke="var(--line)" strokeDasharray="3 4" />
    <ellipse
      cx={MIDDLE.x}
      cy={MIDDLE.y - 3}
      rx="10"
      ry="12.5"
      fill="var(--line)"
      stroke="var(--ink)"
    />
    <path
      d={`M${MIDDLE.x - 3} ${MIDDLE.y + 9} l3 5 l3 -5`}
      fill="var(--line)"
      stroke="var(--ink)"
    />
    <text x="100" y="180" textAnchor="middle" fontSize="10" fill="var(--ink-soft)">
      camera
    </text>
  </>
);

/**
 * The head from above and a light to push round it: nearer, farther, to the side. The camera stands below.
 * Distance runs by ratio, so that near places have room.
 */
export function LightPad({ pose, nearestM, farthestM, onMove }: LightPadProps) {
  const svg = useRef<SVGSVGElement>(null);
  const share = Math.log(pose.distanceM / nearestM) / Math.log(farthestM / nearestM);
  const away = 26 + clamp(share, 0, 1) * (REACH - 26);
  const [x, y] = [
    MIDDLE.x + away * Math.sin(pose.azimuthRad),
    MIDDLE.y + away * Math.cos(pose.azimuthRad),
  ];
  const to = (clientX: number, clientY: number) => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(clientX, clientY).matrixTransform(matrix);
    const [dx, dy] = [point.x - MIDDLE.x, point.y - MIDDLE.y];
    const ratio = clamp((Math.hypot(dx, dy) - 26) / (REACH - 26), 0, 1);
    onMove({
      ...pose,
      azimuthRad: Math.atan2(dx, dy),
      distanceM: nearestM * (farthestM / nearestM) ** ratio,
    });
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    const moved = steered(pose, event, nearestM, farthestM);
    if (!moved) return;
    event.preventDefault();
    onMove(moved);
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${EDGE} 184`}
      className="w-full touch-none select-none"
      role="group"
      aria-label="The light round the head, from above"
    >
      <HeadFromAbove />
      <path
        d={`M${x} ${y} L${MIDDLE.x} ${MIDDLE.y}`}
        stroke="var(--brass-bright)"
        strokeWidth="1.5"
        strokeDasharray="5 4"
      />
      <Knob x={x} y={y} pose={pose} onKeyDown={onKeyDown} onPush={to} />
    </svg>
  );
}

interface KnobProps {
  x: number;
  y: number;
  pose: Pose;
  onKeyDown: (event: React.KeyboardEvent) => void;
  onPush: (clientX: number, clientY: number) => void;
}

function Knob({ x, y, pose, onKeyDown, onPush }: KnobProps) {
  const { units } = useDevice();
  const words = `${showText(show(pose.distanceM, 'length', units))} away, ${Math.round(Math.abs(pose.azimuthRad) / DEGREE)}° ${pose.azimuthRad < 0 ? 'to the left' : 'to the right'}`;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label="Light"
      aria-valuemin={-180}
      aria-valuemax={180}
      aria-valuenow={Math.round(pose.azimuthRad / DEGREE)}
      aria-valuetext={words}
      data-light-knob
      className="cursor-grab active:cursor-grabbing"
      onKeyDown={onKeyDown}
      onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
      onPointerMove={(event) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId))
          onPush(event.clientX, event.clientY);
      }}
    >
      <title>{`Light: ${words}. Drag it, or use the arrow keys.`}</title>
      <circle cx={x} cy={y} r="15" fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r="8"
        fill="var(--brass-bright)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
    </g>
  );
}
