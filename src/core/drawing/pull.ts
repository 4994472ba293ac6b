import type { Pull } from './drawing';

type Place = readonly [x: number, y: number];

/**
 * Value of a parameter after its handle was pulled from one point to another, before limits.
 * @param from, to  points on the view in metres
 */
export function pulledValue(pull: Pull, startValue: number, from: Place, to: Place): number {
  if (pull.kind === 'straight') {
    const along = (to[0] - from[0]) * pull.direction[0] + (to[1] - from[1]) * pull.direction[1];
    return startValue + along * pull.perMetre;
  }
  const turn = 2 * Math.PI;
  // Clockwise from the start; a pointer held just before the start means nearly a full turn.
  const angle = (pull.fromRad - Math.atan2(to[1], to[0]) + 2 * turn) % turn;
  return Math.round(turn / Math.max(angle, turn / 1000));
}
