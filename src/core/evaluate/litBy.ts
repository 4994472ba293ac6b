import { toRadians } from '../angle';
import { leavesM } from '../build/front';
import type { Build, Production } from '../document/production';
import type { LightField } from '../light/lightField';
import { cannotRun, simulateQuickly } from '../light/transport/run';
import type { Vector } from '../light/vector';
import type { MeterPoint, Session } from '../meter/session';
import { BOTH_PLANES_DEG, SWEPT_STEP_DEG, type SweptCd } from '../meter/sweep';
import { Derivations } from './derive';
import { forecastShare } from './forecastShare';

/** A build's light, and the plane it leaves by. */
export interface Lit {
  field: LightField;
  frontM: number;
}

/** Light of a build by what the shelf says, its room simulated quickly; null where there is none. */
export function litBy(document: Production, build: Build): Lit | null {
  const derive = new Derivations();
  const found = derive.resolve(document, build);
  const light = derive.light(document, build, {
    gridCells: 2,
    transported: ({ arrangement }) =>
      cannotRun(arrangement, { photons: 20_000, seed: 1 }) ? null : simulateQuickly(arrangement, 1),
  });
  return found && light && { field: light.field, frontM: leavesM(found.resolved) };
}

/** Light on a plane so far before a build, at places of it, lx. */
export const onPlane = (
  { field, frontM }: Lit,
  distanceM: number,
  points: readonly Pick<MeterPoint, 'xM' | 'yM'>[],
): number[] =>
  points.map(({ xM, yM }) => field.illuminance([xM, yM, frontM + distanceM], [0, 0, -1]));

/** What a meter that goes round the front so far away makes of it: lux times distance squared. */
export const sweptCd =
  ({ field, frontM }: Lit, distanceM: number): SweptCd =>
  (planeDeg, angleDeg) => {
    const [theta, phi] = [toRadians(angleDeg), toRadians(planeDeg)];
    const out: Vector = [
      Math.sin(theta) * Math.cos(phi),
      Math.sin(theta) * Math.sin(phi),
      Math.cos(theta),
    ];
    const [x, y, z] = out.map((each) => each * distanceM) as [number, number, number];
    return field.illuminance([x, y, frontM + z], [-out[0], -out[1], -out[2]]) * distanceM ** 2;
  };

export interface PointsForecast {
  lx: number[];
  /** standard uncertainty, as a share */
  share: number;
  calibrated: boolean;
}

/** Light that is forecast at a session's places, with what was learnt. */
export function pointsForecast(
  document: Production,
  { buildId, distanceM, level, points }: Session,
): PointsForecast | null {
  const build = document.builds.find(({ id }) => id === buildId);
  const light = build && litBy(document, build);
  if (!build || !light) return null;
  const lx = onPlane(light, distanceM, points).map((each) => each * level);
  return { lx, ...forecastShare(document, build) };
}

export interface SweepForecast {
  /** by plane, from −180 to 180° in steps of 2.5°, cd */
  planes: { planeDeg: number; points: { angleDeg: number; cd: number }[] }[];
  share: number;
  calibrated: boolean;
}

/** What a meter should make of a build that it goes round. */
export function sweepForecast(
  document: Production,
  { buildId, distanceM, level }: Session,
): SweepForecast | null {
  const build = document.builds.find(({ id }) => id === buildId);
  const light = build && litBy(document, build);
  if (!build || !light) return null;
  const cd = sweptCd(light, distanceM);
  const planes = BOTH_PLANES_DEG.map((planeDeg) => ({
    planeDeg,
    points: Array.from({ length: 360 / SWEPT_STEP_DEG + 1 }, (_, k) => {
      const angleDeg = k * SWEPT_STEP_DEG - 180;
      return { angleDeg, cd: cd(planeDeg, angleDeg) * level };
    }),
  }));
  return { planes, ...forecastShare(document, build) };
}
