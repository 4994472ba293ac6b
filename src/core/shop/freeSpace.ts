export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

const HAIR = 1e-9;

export const overlaps = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w - HAIR &&
  b.x < a.x + a.w - HAIR &&
  a.y < b.y + b.h - HAIR &&
  b.y < a.y + a.h - HAIR;

const holds = (outer: Box, inner: Box): boolean =>
  inner.x >= outer.x - HAIR &&
  inner.y >= outer.y - HAIR &&
  inner.x + inner.w <= outer.x + outer.w + HAIR &&
  inner.y + inner.h <= outer.y + outer.h + HAIR;

/**
 * What is still free of a sheet, as all its maximal rectangles (they may overlap), after one more
 * box was taken out of it [MaxRects, Jylänki 2010].
 */
export function without(free: readonly Box[], taken: Box): Box[] {
  const kept: Box[] = [];
  const cut: Box[] = [];
  for (const box of free) {
    if (overlaps(box, taken)) cut.push(...around(box, taken));
    else kept.push(box);
  }
  // Only the new boxes can lie inside others.
  const fresh = cut.filter(
    (box, at) =>
      !kept.some((other) => holds(other, box)) &&
      !cut.some((other, k) => k !== at && holds(other, box) && (k < at || !holds(box, other))),
  );
  return [...kept, ...fresh];
}

function around(box: Box, taken: Box): Box[] {
  const left = taken.x - box.x;
  const right = box.x + box.w - (taken.x + taken.w);
  const below = taken.y - box.y;
  const above = box.y + box.h - (taken.y + taken.h);
  return [
    ...(left > HAIR ? [{ ...box, w: left }] : []),
    ...(right > HAIR ? [{ ...box, x: taken.x + taken.w, w: right }] : []),
    ...(below > HAIR ? [{ ...box, h: below }] : []),
    ...(above > HAIR ? [{ ...box, y: taken.y + taken.h, h: above }] : []),
  ];
}
