import { stopsBetween } from '../light/exposure';
import type { Vector } from '../light/vector';

/** Lux of one light at a face: on the plane that looks at the camera, and on the cheeks. */
export interface AtFace {
  id: string;
  frontLx: number;
  leftLx: number;
  rightLx: number;
}

/** Cheeks look so far aside of the face [docs/model/set.md]. */
const CHEEK = Math.PI / 4;

/** Normals of a face and its two cheeks. @param facing  level direction it looks in */
export function cheekNormals(facing: Vector): { front: Vector; left: Vector; right: Vector } {
  const turned = (angle: number): Vector => [
    facing[0] * Math.cos(angle) - facing[1] * Math.sin(angle),
    facing[0] * Math.sin(angle) + facing[1] * Math.cos(angle),
    facing[2],
  ];
  return { front: facing, left: turned(CHEEK), right: turned(-CHEEK) };
}

export interface Ratio {
  /** the brighter over the darker */
  ratio: number;
  stops: number;
}

const ratioOf = (more: number, less: number): Ratio | null =>
  more > 0 && less > 0 ? { ratio: more / less, stops: stopsBetween(more, less) } : null;

type Cheek = 'leftLx' | 'rightLx';
const sum = (lights: readonly AtFace[], of: Cheek): number =>
  lights.reduce((all, each) => all + each[of], 0);

/** Which cheek a key lights more, and which it leaves. */
const sidesOf = (key: AtFace): [lit: Cheek, shadow: Cheek] =>
  key.leftLx >= key.rightLx ? ['leftLx', 'rightLx'] : ['rightLx', 'leftLx'];

/**
 * Key to fill as both schools tell it: “key + fill : fill”, the lit cheek against the other with everything lit; and “key : fill”, the key
 * alone on its cheek against all others on theirs. Null where one side is dark.
 */
export function keyToFill(
  key: AtFace,
  others: readonly AtFace[],
): { together: Ratio | null; alone: Ratio | null } {
  const [lit, shadow] = sidesOf(key);
  const everything = [key, ...others];
  return {
    together: ratioOf(sum(everything, lit), sum(everything, shadow)),
    alone: ratioOf(key[lit], sum(others, shadow)),
  };
}

/**
 * How much of itself the fill must give for a wanted “key + fill : fill”: light is linear, so (K + F + R)·lit over shadow is solved for
 * the fill's level. Null where no level does.
 * @param wanted  > 1
 * @param rest  lights that stay as they are
 */
export function fillLevelFor(
  wanted: number,
  key: AtFace,
  fill: AtFace,
  rest: readonly AtFace[] = [],
): number | null {
  const [lit, shadow] = sidesOf(key);
  const standing = [key, ...rest];
  const need = sum(standing, lit) - wanted * sum(standing, shadow);
  const gives = wanted * fill[shadow] - fill[lit];
  const level = need / gives;
  return Number.isFinite(level) && level >= 0 ? level : null;
}
