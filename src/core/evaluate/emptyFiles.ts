import type { Piece } from '../build/pieces';
import { storySticks } from '../shop/storyStick';
import type { BuildFileName } from '../formats/buildFiles';

/** A file without a line in it is no file for a laser. */
const nothingFlat = (pieces: readonly Piece[]): string | null =>
  pieces.some(({ kind }) => kind === 'sheet')
    ? null
    : 'Nothing flat is cut for this light: there is no outline to give away.';

const WHY: Partial<Record<BuildFileName, (pieces: readonly Piece[]) => string | null>> = {
  'pieces.svg': nothingFlat,
  'pieces.dxf': nothingFlat,
  'trial-card.pdf': nothingFlat,
  'story-stick.pdf': (pieces) =>
    storySticks(pieces).length > 0
      ? null
      : 'No row of marks in this light is long enough for a stick: measure them.',
};

/** Why there is nothing to write into a file of a build with these pieces, in words; null where there is. */
export const whyEmpty = (file: BuildFileName, pieces: readonly Piece[]): string | null =>
  WHY[file]?.(pieces) ?? null;
