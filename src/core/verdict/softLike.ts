import { angularSizeDeg } from '../light/softness';

/** Lights everybody has stood in, by their size and how far off they are [common practice]. */
const THINGS: readonly { name: string; widthM: number; distanceM: number }[] = [
  { name: 'the sun', widthM: 0.0093, distanceM: 1 },
  { name: 'a bare bulb across the room', widthM: 0.06, distanceM: 3 },
  { name: 'a bare bulb at a metre and a half', widthM: 0.06, distanceM: 1.5 },
  { name: 'a bare bulb at arm’s length', widthM: 0.06, distanceM: 0.7 },
  { name: 'a dinner plate at two metres', widthM: 0.27, distanceM: 2 },
  { name: 'a sheet of paper at a metre', widthM: 0.21, distanceM: 1 },
  { name: 'a beach ball at a metre', widthM: 0.4, distanceM: 1 },
  { name: 'an open umbrella at two metres', widthM: 1, distanceM: 2 },
  { name: 'a window a metre wide, from a metre and a half', widthM: 1, distanceM: 1.5 },
  { name: 'a window a metre wide, from a metre', widthM: 1, distanceM: 1 },
  { name: 'a bed sheet at a metre and a half', widthM: 2, distanceM: 1.5 },
  { name: 'a white wall from a metre', widthM: 3.5, distanceM: 1 },
  { name: 'a white wall from arm’s length', widthM: 4, distanceM: 0.6 },
  { name: 'an overcast sky', widthM: 1000, distanceM: 1 },
];

const angleOf = (thing: { widthM: number; distanceM: number }): number =>
  angularSizeDeg(thing.widthM, thing.distanceM);

/** The thing whose angle is nearest by ratio. @param angleDeg  0…180 */
export function softLike(angleDeg: number): { name: string; angleDeg: number } {
  const off = (thing: (typeof THINGS)[number]) =>
    Math.abs(Math.log(Math.max(angleDeg, 0.1) / angleOf(thing)));
  const nearest = THINGS.reduce((best, each) => (off(each) < off(best) ? each : best));
  return { name: nearest.name, angleDeg: angleOf(nearest) };
}
