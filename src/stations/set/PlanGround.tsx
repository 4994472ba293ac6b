import type { Vector } from '@/core/light/vector';
import type { PlanView } from '@/core/set/planShape';
import { axesOf } from '@/core/set/pose';
import { standingWalls } from '@/core/set/roomFaces';
import { poseOf } from '@/core/set/scene';
import type { Setup } from '@/core/set/setup';
import { path, type Paper } from './planPaper';

/** The room a plan is drawn in. */
export function RoomLines({ setup, view, paper }: { setup: Setup; view: PlanView; paper: Paper }) {
  const { room } = setup;
  const there = standingWalls(room);
  const [w, d, h] = [room.widthM, room.depthM, room.heightM];
  const floor: [string, Vector, Vector][] =
    view === 'above'
      ? [
          ['front', [0, 0, 0], [w, 0, 0]],
          ['back', [0, d, 0], [w, d, 0]],
          ['left', [0, 0, 0], [0, d, 0]],
          ['right', [w, 0, 0], [w, d, 0]],
        ]
      : [
          ['floor', [0, 0, 0], [0, d, 0]],
          ['ceiling', [0, 0, h], [0, d, h]],
          ['front', [0, 0, 0], [0, 0, h]],
          ['back', [0, d, 0], [0, d, h]],
        ];
  const corner: [Vector, Vector] =
    view === 'above'
      ? [
          [0, d, 0],
          [w, 0, 0],
        ]
      : [
          [0, 0, h],
          [0, d, 0],
        ];
  return (
    <g pointerEvents="none">
      <rect
        x={paper.h(corner[0])}
        y={paper.v(corner[0])}
        width={Math.abs(paper.h(corner[1]) - paper.h(corner[0]))}
        height={Math.abs(paper.v(corner[1]) - paper.v(corner[0]))}
        fill="var(--raised)"
      />
      {floor.map(([wall, a, b]) => {
        const stands = there.some((each) => each === wall);
        return (
          <path
            key={wall}
            d={path([a, b], paper)}
            stroke={stands ? 'var(--line-strong)' : 'var(--line)'}
            strokeWidth={stands ? 5 : 1.5}
            strokeDasharray={stands ? undefined : '4 4'}
            strokeLinecap="square"
          />
        );
      })}
    </g>
  );
}

/** The camera, and what it takes in. */
export function CameraMark({ setup, view, paper }: { setup: Setup; view: PlanView; paper: Paper }) {
  const { camera } = setup;
  const axes = axesOf(poseOf(camera));
  const half = camera.sensorMm / camera.focalMm / 2;
  const spread = view === 'above' ? axes.x : axes.y;
  const by = view === 'above' ? half : (half * 9) / 16;
  const ray = (sign: number): Vector => [
    axes.at[0] + 8 * (axes.z[0] + sign * by * spread[0]),
    axes.at[1] + 8 * (axes.z[1] + sign * by * spread[1]),
    axes.at[2] + 8 * (axes.z[2] + sign * by * spread[2]),
  ];
  const [cx, cy] = [paper.h(axes.at), paper.v(axes.at)];
  const turn =
    view === 'above' ? -camera.panDeg - 90 : (Math.atan2(-axes.z[2], axes.z[1]) * 180) / Math.PI;
  return (
    <g pointerEvents="none">
      <path
        d={`M${paper.h(ray(1))} ${paper.v(ray(1))} L${cx} ${cy} L${paper.h(ray(-1))} ${paper.v(ray(-1))}`}
        fill="none"
        stroke="var(--ink-soft)"
        strokeDasharray="1 6"
        strokeLinecap="round"
        clipPath="inset(0)"
      />
      <g transform={`translate(${cx} ${cy}) rotate(${turn})`} fill="var(--ink)">
        <rect x="-15" y="-7" width="17" height="14" rx="2" />
        <path d="M3 -4 L11 -8 V8 L3 4 Z" />
      </g>
    </g>
  );
}
