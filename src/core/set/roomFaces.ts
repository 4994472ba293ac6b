import { finishBands } from './finish';
import { roomFaces, type Bands, type Face, type Wall } from './faces';
import { plus, scaled, unit, type Vector } from '../light/vector';
import type { SetRoom } from './setup';
import type { WindowThing } from './things';

/** A rectangle of a wall: along it from its left end, and up from the floor; metres. */
interface WallPart {
  fromM: number;
  toM: number;
  bottomM: number;
  topM: number;
}

/** Which sides of a room are there. */
export const standingWalls = ({ open }: SetRoom): Wall[] => {
  if (open === 'outdoors') return ['floor'];
  const all: Wall[] = ['floor', 'ceiling', 'front', 'back', 'left', 'right'];
  return all.filter((wall) => wall !== open);
};

export const windowPart = ({ alongM, sillM, widthM, heightM }: WindowThing): WallPart => ({
  fromM: alongM - widthM / 2,
  toM: alongM + widthM / 2,
  bottomM: sillM,
  topM: sillM + heightM,
});

/** Whether a window lies whole in a wall that stands. */
export function fitsWall(room: SetRoom, window: WindowThing): boolean {
  const { fromM, toM, topM } = windowPart(window);
  const long = window.wall === 'left' || window.wall === 'right' ? room.depthM : room.widthM;
  return (
    standingWalls(room).includes(window.wall) &&
    fromM >= -1e-9 &&
    toM <= long + 1e-9 &&
    topM <= room.heightM + 1e-9
  );
}

/** What is left of a rectangle without another. */
function without(whole: WallPart, hole: WallPart): WallPart[] {
  const [fromM, toM] = [Math.max(whole.fromM, hole.fromM), Math.min(whole.toM, hole.toM)];
  const [bottomM, topM] = [Math.max(whole.bottomM, hole.bottomM), Math.min(whole.topM, hole.topM)];
  if (fromM >= toM || bottomM >= topM) return [whole];
  return [
    { ...whole, toM: fromM },
    { ...whole, fromM: toM },
    { fromM, toM, bottomM: whole.bottomM, topM: bottomM },
    { fromM, toM, bottomM: topM, topM: whole.topM },
  ].filter((part) => part.toM - part.fromM > 1e-6 && part.topM - part.bottomM > 1e-6);
}

/** A pane swallows what is not sent back [typ]. */
const PANE: Bands = [0.1, 0.1, 0.1];

/** Which of a wall's two edges runs along the floor. */
const levelFirst = (face: Face): boolean => Math.abs(unit(face.across)[2]) < 0.5;

/** A part of a wall as a face that looks the same way. */
export function partOf(wall: Face, part: WallPart): Pick<Face, 'corner' | 'across' | 'along'> {
  const [level, up] = levelFirst(wall) ? [wall.across, wall.along] : [wall.along, wall.across];
  const [along, upwards] = [unit(level), unit(up)];
  const corner = plus(wall.corner, plus(scaled(along, part.fromM), scaled(upwards, part.bottomM)));
  const wide: Vector = scaled(along, part.toM - part.fromM);
  const high: Vector = scaled(upwards, part.topM - part.bottomM);
  return levelFirst(wall)
    ? { corner, across: wide, along: high }
    : { corner, across: high, along: wide };
}

/** A wall without paint or windows: the whole of it. */
export function wallFace(room: SetRoom, wall: Wall): Face {
  const finishes = Object.fromEntries(
    Object.entries(room.finishes).map(([each, { reflectance, tint }]) => [
      each,
      finishBands(reflectance, tint),
    ]),
  ) as Record<Wall, Bands>;
  return roomFaces({ ...room, reflectance: finishes }).find(({ id }) => id === wall)!;
}

/** Floor, ceiling and walls with holes where their windows are, and a pane in each. */
export function shellOf(room: SetRoom, windows: readonly WindowThing[]): Face[] {
  return standingWalls(room).flatMap((wall) => {
    const whole = { ...wallFace(room, wall), of: wall };
    const own = windows.filter((window) => window.wall === wall);
    if (own.length === 0) return [whole];
    const length = wall === 'left' || wall === 'right' ? room.depthM : room.widthM;
    const all: WallPart = { fromM: 0, toM: length, bottomM: 0, topM: room.heightM };
    const parts = own.reduce<WallPart[]>(
      (left, window) => left.flatMap((part) => without(part, windowPart(window))),
      [all],
    );
    return [
      ...parts.map((part, k): Face => ({ ...whole, id: `${wall} ${k}`, ...partOf(whole, part) })),
      ...own.map((window): Face => ({
        id: `${window.id} pane`,
        of: window.id,
        ...partOf(whole, windowPart(window)),
        reflectance: PANE,
      })),
    ];
  });
}
