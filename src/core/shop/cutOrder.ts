import type { Box } from './freeSpace';

/** One straight cut right through what is left of a sheet; metres from the sheet's lower left corner, where the cut begins. */
export interface ThroughCut {
  /** a cut at x runs up, one at y across */
  axis: 'x' | 'y';
  atM: number;
  /** where it begins and ends along the other axis */
  fromM: number;
  toM: number;
}

const HAIR = 1e-6;

/** Edges along which nothing is cut in two; each parts the pieces it lies between, which stand a kerf apart. */
function throughs(room: Box, boxes: readonly Box[], axis: 'x' | 'y', kerfM: number): number[] {
  const [start, size, from, span] =
    axis === 'x'
      ? ([(box: Box) => box.x, (box: Box) => box.w, room.x, room.w] as const)
      : ([(box: Box) => box.y, (box: Box) => box.h, room.y, room.h] as const);
  const edges = new Set(boxes.flatMap((box) => [start(box) - kerfM, start(box) + size(box)]));
  return [...edges].filter(
    (at) =>
      at > from + HAIR &&
      at < from + span - HAIR &&
      !boxes.some((box) => start(box) < at + kerfM - HAIR && start(box) + size(box) > at + HAIR),
  );
}

/**
 * The order of cuts for a saw that goes right through: the longest side is parted first, near its middle, so that
 * what is left can be carried. Pieces that no straight cut frees, a ring's middle among them, are left for the jigsaw.
 * @param kerfM  what a cut takes, above or right of where it begins
 * @param most   of them; a thousand pieces are no list for anybody
 */
export function cutOrder(
  sheet: Box,
  placed: readonly Box[],
  kerfM: number,
  most = 40,
): ThroughCut[] {
  const cuts: ThroughCut[] = [];
  const waiting: { room: Box; boxes: readonly Box[] }[] = [{ room: sheet, boxes: placed }];
  while (waiting.length > 0 && cuts.length < most) {
    const { room, boxes } = waiting.shift()!;
    if (boxes.length === 0) continue;
    const cut = bestCut(room, boxes, kerfM);
    if (!cut) continue;
    cuts.push(cut);
    for (const half of halves(room, cut, kerfM))
      waiting.push({ room: half, boxes: boxes.filter((box) => inside(box, half)) });
  }
  return cuts;
}

function bestCut(room: Box, boxes: readonly Box[], kerfM: number): ThroughCut | null {
  const axes = room.w >= room.h ? (['x', 'y'] as const) : (['y', 'x'] as const);
  for (const axis of axes) {
    const middle = axis === 'x' ? room.x + room.w / 2 : room.y + room.h / 2;
    const [at] = throughs(room, boxes, axis, kerfM).toSorted(
      (a, b) => Math.abs(a - middle) - Math.abs(b - middle),
    );
    if (at === undefined) continue;
    return axis === 'x'
      ? { axis, atM: at, fromM: room.y, toM: room.y + room.h }
      : { axis, atM: at, fromM: room.x, toM: room.x + room.w };
  }
  return null;
}

const halves = (room: Box, { axis, atM }: ThroughCut, kerfM: number): [Box, Box] =>
  axis === 'x'
    ? [
        { ...room, w: atM - room.x },
        { ...room, x: atM + kerfM, w: room.x + room.w - atM - kerfM },
      ]
    : [
        { ...room, h: atM - room.y },
        { ...room, y: atM + kerfM, h: room.y + room.h - atM - kerfM },
      ];

const inside = (box: Box, room: Box): boolean =>
  box.x + box.w / 2 > room.x &&
  box.x + box.w / 2 < room.x + room.w &&
  box.y + box.h / 2 > room.y &&
  box.y + box.h / 2 < room.y + room.h;

/** What one person carries to the saw and holds there [common practice]. */
const CARRIES_KG = 12;
const CARRIES_M = 2;

/** Said of a sheet that is too much for one; null for one that is not. */
export const tooMuchForOne = (massKg: number, longM: number): boolean =>
  massKg > CARRIES_KG || longM > CARRIES_M;
