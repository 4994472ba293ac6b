import type { NestPiece } from '../nest';

interface Free {
  x: number;
  y: number;
  w: number;
  h: number;
}

/**
 * A rival for the tests: guillotine cuts, best area first, splitting along the shorter left-over
 * [Jylänki 2010]. Only its number of sheets matters.
 */
export function guillotine(
  pieces: readonly NestPiece[],
  sheetW: number,
  sheetH: number,
  kerfM: number,
): number {
  const order = pieces.toSorted((a, b) => b.widthM * b.heightM - a.widthM * a.heightM);
  const sheets: Free[][] = [];
  for (const { widthM, heightM } of order) {
    const [w, h] = [widthM + kerfM, heightM + kerfM];
    if (place(sheets, w, h)) continue;
    sheets.push([{ x: 0, y: 0, w: sheetW, h: sheetH }]);
    place(sheets.slice(-1), w, h);
  }
  return sheets.length;
}

function place(sheets: readonly Free[][], w: number, h: number): boolean {
  let best: { free: Free[]; at: number; w: number; h: number; waste: number } | null = null;
  for (const free of sheets)
    free.forEach((box, at) => {
      for (const [pw, ph] of [
        [w, h],
        [h, w],
      ] as const) {
        if (pw > box.w + 1e-9 || ph > box.h + 1e-9) continue;
        const waste = box.w * box.h - pw * ph;
        if (!best || waste < best.waste) best = { free, at, w: pw, h: ph, waste };
      }
    });
  if (!best) return false;
  const { free, at, w: pw, h: ph } = best as { free: Free[]; at: number; w: number; h: number };
  const box = free[at]!;
  const wide = box.w - pw > box.h - ph;
  free.splice(
    at,
    1,
    wide
      ? { x: box.x + pw, y: box.y, w: box.w - pw, h: box.h }
      : { x: box.x + pw, y: box.y, w: box.w - pw, h: ph },
    wide
      ? { x: box.x, y: box.y + ph, w: pw, h: box.h - ph }
      : { x: box.x, y: box.y + ph, w: box.w, h: box.h - ph },
  );
  return true;
}
