import { dot, type Vector } from '../light/vector';

/** From where a light is looked at: turned about its upright, and from so far above; radians. 0, 0 is its subject's place. */
export interface Eye {
  turnRad: number;
  aboveRad: number;
}

/** From the right and a little above, so that face, side and top are seen. */
export const FROM_THE_RIGHT: Eye = { turnRad: 0.62, aboveRad: 0.42 };
/** What lies on its back is seen there. */
export const FROM_BEHIND: Eye = { turnRad: Math.PI - 0.55, aboveRad: 0.42 };

/** Right, up, and towards the eye. */
export function viewAxes({ turnRad, aboveRad }: Eye): readonly [Vector, Vector, Vector] {
  const [c, s, ce, se] = [
    Math.cos(turnRad),
    Math.sin(turnRad),
    Math.cos(aboveRad),
    Math.sin(aboveRad),
  ];
  return [
    [c, 0, -s],
    [-s * se, ce, -c * se],
    [s * ce, se, c * ce],
  ];
}

/** A point as it is seen: right, up, and how near. */
export const seen = (axes: ReturnType<typeof viewAxes>, point: Vector): Vector => [
  dot(axes[0], point),
  dot(axes[1], point),
  dot(axes[2], point),
];
