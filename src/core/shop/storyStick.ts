import type { Piece, SheetPiece } from '../build/pieces';

/**
 * A lath with every mark of a row on it, laid against piece after piece: the same marks on ten boards without a
 * rule. From the end that is set flush with the piece's edge, metres.
 */
export interface StoryStick {
  /** of the piece in the list */
  number: number;
  name: string;
  /** along its width or its height */
  along: 'width' | 'height';
  lengthM: number;
  marks: { atM: number; label: string }[];
}

/** Fewer marks are measured faster than a stick is made. */
const LEAST = 3;
const SAME_M = 1e-6;

interface Mark {
  atM: number;
  acrossM: number;
  label: string;
}

/** Middles of holes and circles, and lines across the piece: rows of tape, lines of tubes. */
function marksOf({ shapes }: SheetPiece): Record<StoryStick['along'], Mark[]> {
  const found: Record<StoryStick['along'], Mark[]> = { width: [], height: [] };
  for (const shape of shapes) {
    const label = shape.label ?? '';
    if (shape.kind === 'circle' && shape.layer === 'drill') {
      found.width.push({ atM: shape.x, acrossM: shape.y, label });
      found.height.push({ atM: shape.y, acrossM: shape.x, label });
    }
    if (shape.kind !== 'polyline' || shape.layer !== 'mark' || shape.points.length !== 2) continue;
    const [[x1, y1], [x2, y2]] = shape.points as [[number, number], [number, number]];
    if (Math.abs(y1 - y2) < SAME_M) found.height.push({ atM: y1, acrossM: Infinity, label });
    if (Math.abs(x1 - x2) < SAME_M) found.width.push({ atM: x1, acrossM: Infinity, label });
  }
  return found;
}

/** Rows of marks that stand in one line across a piece; the longest of each direction is worth a stick. */
export function storySticks(pieces: readonly Piece[]): StoryStick[] {
  return pieces.flatMap((piece, at) => {
    if (piece.kind !== 'sheet') return [];
    const all = marksOf(piece);
    return (['width', 'height'] as const).flatMap((along): StoryStick[] => {
      const rows = new Map<string, Mark[]>();
      for (const mark of all[along]) {
        const key = mark.acrossM.toFixed(5);
        rows.set(key, [...(rows.get(key) ?? []), mark]);
      }
      const longest = [...rows.values()].reduce<Mark[]>(
        (best, row) => (row.length > best.length ? row : best),
        [],
      );
      if (longest.length < LEAST) return [];
      return [
        {
          number: at + 1,
          name: piece.name,
          along,
          lengthM: along === 'width' ? piece.widthM : piece.heightM,
          marks: longest
            .map(({ atM, label }) => ({ atM, label }))
            .toSorted((a, b) => a.atM - b.atM),
        },
      ];
    });
  });
}
