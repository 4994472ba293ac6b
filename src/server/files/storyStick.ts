import type { Piece } from '@/core/build/pieces';
import { segment, words } from '@/core/drawing/shapes';
import { shopLength, type UnitSystem } from '@/core/quantity';
import { storySticks, type StoryStick } from '@/core/shop/storyStick';
import type { Paper, Pdf } from './paper';
import { drawTrueSize, type Template } from './templates';

/** As wide as a lath, with room for the words beside each mark. */
const WIDE_M = 0.05;
const TICK_M = 0.02;

/** A stick as something to print: glued on a lath, its left end flush with the piece's edge. */
function templateOf(stick: StoryStick, units: UnitSystem): Template {
  return {
    title: `Story stick for ${stick.number}. ${stick.name}, along its ${stick.along}`,
    widthM: stick.lengthM,
    heightM: WIDE_M,
    shapes: [
      segment([0, 0], [stick.lengthM, 0], 'cut'),
      segment([0, 0], [0, WIDE_M], 'cut'),
      segment([stick.lengthM, 0], [stick.lengthM, WIDE_M], 'cut'),
      ...stick.marks.flatMap(({ atM, label }, k) => [
        segment([atM, 0], [atM, TICK_M], 'cut'),
        words(atM, TICK_M + 0.004 + (k % 2) * 0.006, label.split(',')[0]!),
        words(atM, TICK_M + 0.018 + (k % 2) * 0.006, shopLength(atM, units)),
      ]),
    ],
    markOut: [],
  };
}

/** Strips of true size to glue on a lath: one set of marks for every copy of a piece. */
export function drawStorySticks(
  pdf: Pdf,
  pieces: readonly Piece[],
  paper: Paper,
  units: UnitSystem,
): void {
  for (const stick of storySticks(pieces))
    drawTrueSize(pdf, templateOf(stick, units), paper, units);
}
