import type { Passage } from './controls';
import { packEmitters, type EmitterField, type Emitter } from './emitter';
import { illuminanceLx } from './illuminance';
import type { Vector } from './vector';

/** A source as it shows from a point; of a front's patches, with their area. */
export interface Shown extends Emitter {
  areaM2?: number;
}

/**
 * The light of one build as it falls on anything outside it: what the subject, evenness, fall-off, spread, files and
 * pictures are all read from. Metres, build axes.
 */
export interface LightField {
  /** what stands in its way */
  readonly passages: readonly Passage[];
  /** lux on a small surface of given unit normal */
  illuminance: (pointM: Vector, normal: Vector) => number;
  /** small sources that together look as the light does from a point, and from about it */
  sourcesFrom: (pointM: Vector) => Shown[];
  /** the same light with other things in its way */
  passing: (passages: readonly Passage[]) => LightField;
}

/** The light of sources that are known as they are: open lamps, surfaces that send on by Lambert’s law. */
export function sourceField(
  sources: readonly Emitter[],
  passages: readonly Passage[] = [],
): LightField {
  const packed = packEmitters(sources, passages);
  return fieldOfPacked(sources, packed);
}

const fieldOfPacked = (sources: readonly Emitter[], packed: EmitterField): LightField => ({
  passages: packed.controls,
  illuminance: (pointM, normal) => illuminanceLx(packed, pointM, normal),
  sourcesFrom: () => [...sources],
  passing: (controls) => fieldOfPacked(sources, { ...packed, controls }),
});
