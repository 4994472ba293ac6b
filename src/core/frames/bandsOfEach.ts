import { bandsOf, type Bands } from './flicker';
import type { FrameData } from './frame';

/** A frame as its camera read it. */
export interface ReadRows {
  rows: Float64Array;
  strips: readonly Float64Array[];
  exposureS: number | null;
}

export interface EachBands {
  bands: Bands | null;
  /** which of the frames it was held against; `reference` for the one that was named so; null for none */
  against: number | 'reference' | null;
}

/** Rows in the order the camera reads them: upright in a picture that is shown on its side. */
export const readRows = (
  { rowLight, columnLight, strips }: FrameData,
  turned: boolean,
  exposureS: number | null,
): ReadRows => ({ rows: turned ? columnLight : rowLight, strips, exposureS });

/** What several frames of one scene show together. */
export const bandsTogether = (
  frames: readonly ReadRows[],
  readOutS: number | null,
): Bands | null =>
  alike(frames)
    ? bandsOf({
        frames: frames.map(({ rows }) => rows),
        reference: null,
        readOutS,
        exposureS: frames[0]!.exposureS,
      })
    : null;

const alike = (frames: readonly ReadRows[]): boolean =>
  frames.length > 0 && frames.every(({ rows }) => rows.length === frames[0]!.rows.length);

/**
 * What each frame shows: held against a reference where one is named, else against another frame of the scene that shows no bands
 * by itself, which is as good; else by itself.
 */
export function bandsOfEach(
  frames: readonly ReadRows[],
  reference: Float64Array | null,
  readOutS: number | null,
): EachBands[] {
  const held = ({ rows, exposureS }: ReadRows, still: Float64Array) =>
    bandsOf({ frames: [rows], reference: still, readOutS, exposureS });
  if (reference)
    return frames.map((each) =>
      each.rows.length === reference.length
        ? { bands: held(each, reference), against: 'reference' as const }
        : { bands: null, against: null },
    );
  const alone = frames.map(({ rows, strips, exposureS }) =>
    bandsOf({ frames: [rows], reference: null, readOutS, exposureS, strips }),
  );
  return frames.map((each, k) => {
    const steady = frames.findIndex(
      ({ rows }, other) => other !== k && alone[other] === null && rows.length === each.rows.length,
    );
    return alone[k] && steady >= 0
      ? { bands: held(each, frames[steady]!.rows), against: steady }
      : { bands: alone[k]!, against: null };
  });
}
