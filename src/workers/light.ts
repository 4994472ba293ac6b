import { transfer } from 'comlink';
import type { LookTable } from '@/core/light/field/lookTable';
import { straightRows } from '@/core/light/field/mouthStraight';
import { fieldOf, preparedOf, type Prepared } from '@/core/light/field/prepare';
import type { SurveyPart } from '@/core/light/field/survey';
import type { Vector } from '@/core/light/vector';
import { mouthMap } from '@/core/light/field/mouthMap';
import type { Arrangement } from '@/core/light/transport/arrangement';
import { packArrangement, type PackedArrangement } from '@/core/light/transport/pack';
import type { MouthMap } from '@/core/light/transport/result';
import { tracePart, type Run } from '@/core/light/transport/run';
import type { Tally } from '@/core/light/transport/tally';
import { bakeHead, type HeadGrid } from '@/core/mannequin/grid';
import { LitPicture, type PictureSettings } from '@/core/picture/lit';
import type { PictureLight, Pose } from '@/core/picture/scene';
import { Drawer, seeSet, type Rows as SetRows, type Seen } from '@/core/set/picture/draw';
import type { PictureLamp, PictureScene } from '@/core/set/picture/pictureScene';
import { seeRows, type FrameId, type Sight } from '@/core/picture/sight';

/** The head and what the camera sees of it do not depend on the light: made once. */
let grid: HeadGrid | null = null;
const sights = new Map<string, Sight>();
const pictures = new Map<string, LitPicture>();
let looked: { key: string; table: LookTable } | null = null;
let held: { key: string; packed: PackedArrangement } | null = null;

const headGrid = (): HeadGrid => (grid ??= bakeHead());

function sightOf(size: number, rows: Rows, frame: FrameId): Sight {
  const key = `${frame} ${size} ${rows.first} ${rows.every}`;
  const known = sights.get(key);
  if (known) return known;
  const made = seeRows(headGrid(), size, rows.first, rows.every, frame);
  sights.set(key, made);
  return made;
}

export interface Rows {
  first: number;
  every: number;
}

let seen: { key: string; seen: Seen } | null = null;

/** What the camera of a set sees of some rows: kept while nothing that stands there moves. */
function seenOf(scene: PictureScene, wide: number, rows: SetRows, smooth: boolean): Seen {
  const key = `${scene.key} ${wide} ${rows.first} ${rows.count} ${smooth}`;
  if (seen?.key !== key) seen = { key, seen: seeSet(scene, headGrid(), wide, rows, smooth) };
  return seen.seen;
}

/** Photons and pictures: what all hands of the pool share. */
export const light = {
  /** Does some pieces of a run. */
  trace: (key: string, arrangement: Arrangement, run: Run, first: number, last: number): Tally => {
    if (held?.key !== key) held = { key, packed: packArrangement(arrangement) };
    return tracePart(held.packed, run, first, last);
  },
  /**
   * Makes a survey ready to be read, this hand's share of it; what was looked at before stays.
   * @param survey  null when this hand has it already
   */
  look: (
    key: string,
    arrangement: Arrangement,
    survey: readonly SurveyPart[] | null,
    places: readonly Vector[],
    hand: number,
    hands: number,
  ): Prepared => {
    if (survey) looked = { key, table: fieldOf(arrangement, survey) };
    if (looked?.key !== key) throw new Error('This survey is not here.');
    looked.table.lookFor(places, hand, hands);
    return preparedOf(looked.table);
  },
  /** This hand's rows of the straight light of the mouth that it looks at. */
  straight: (key: string, hand: number, hands: number): Float32Array | null => {
    if (looked?.key !== key) throw new Error('This survey is not here.');
    return straightRows(looked.table.field, hand, hands);
  },
  /** One light of a set alone in the camera’s picture, some rows of it: lux on white, red, green and blue. */
  drawSet: (
    scene: PictureScene,
    lamp: PictureLamp,
    wide: number,
    rows: SetRows,
    smooth: boolean,
  ) => {
    const layer = new Drawer(scene, headGrid(), lamp).layer(seenOf(scene, wide, rows, smooth));
    return transfer(layer, [layer.buffer]);
  },
  mouthMap: (...given: Parameters<typeof mouthMap>): MouthMap | null => mouthMap(...given),
  /** A picture of its rows: begun anew when `pose` is given, refined by so many rays either way. */
  draw: (
    slot: string,
    begin: { light: PictureLight; pose: Pose; size: number; rows: Rows; frame: FrameId } | null,
    rays: number,
    settings: PictureSettings,
  ) => {
    if (begin)
      pictures.set(
        slot,
        new LitPicture(
          sightOf(begin.size, begin.rows, begin.frame),
          headGrid(),
          begin.light,
          begin.pose,
          begin.rows,
        ),
      );
    const picture = pictures.get(slot);
    if (!picture) return null;
    if (rays > 0) picture.refineInPlace(rays);
    const made = picture.develop(settings);
    // Handed over, not copied: the picture is a third of a megabyte, eight times a second.
    return transfer(made, [made.pixels.buffer, made.lux.buffer]);
  },
};
export type Light = typeof light;
