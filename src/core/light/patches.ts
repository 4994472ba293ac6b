import { bouncePatches } from './bounce';
import type { Emitter } from './emitter';
import type { Mouth } from './mouth';

/** Patches along the longer side; enough that 1/d² holds for each at half a mouth's distance. */
const PATCHES = 12;
const POINTS_ALONG_TUBE = 24;

/**
 * The light of a mouth that was not simulated, as small sources: of equal light and Lambertian.
 * @param outgoingLm flux that leaves the mouth
 */
export function mouthPatches(mouth: Mouth, outgoingLm: number): Emitter[] {
  if (mouth.bounce) return bouncePatches(mouth, mouth.bounce);
  return mouth.shape === 'tube' ? tubePatches(mouth, outgoingLm) : evenPatches(mouth, outgoingLm);
}

/** Rows and columns of patches as square as can be. */
function gridOf({ widthM, heightM }: Mouth, longer: number, least: number) {
  const shorter = (ratio: number) => Math.max(least, Math.round(longer * ratio));
  return widthM >= heightM
    ? { columns: longer, rows: shorter(heightM / widthM) }
    : { columns: shorter(widthM / heightM), rows: longer };
}

function evenPatches(mouth: Mouth, outgoingLm: number): Emitter[] {
  const { widthM, heightM, heightOverBackM } = mouth;
  const { columns, rows } = gridOf(mouth, PATCHES, 2);
  const centres: [number, number][] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const [x, y] = [(column + 0.5) / columns - 0.5, (row + 0.5) / rows - 0.5];
      if (mouth.shape === 'rectangle' || x * x + y * y <= 0.25)
        centres.push([x * widthM, y * heightM]);
    }
  return centres.map(([x, y]) => ({
    positionM: [x, y, heightOverBackM],
    axis: [0, 0, 1],
    luminousFluxLm: outgoingLm / centres.length,
    spread: { class: 'lambert' },
  }));
}

/** A glowing tube as points along its axis, I ∝ sin of the angle to it [docs/model/units.md]. */
function tubePatches({ heightM, heightOverBackM }: Mouth, outgoingLm: number): Emitter[] {
  return Array.from({ length: POINTS_ALONG_TUBE }, (_, k) => ({
    positionM: [0, ((k + 0.5) / POINTS_ALONG_TUBE - 0.5) * heightM, heightOverBackM],
    axis: [0, 1, 0],
    luminousFluxLm: outgoingLm / POINTS_ALONG_TUBE,
    spread: { class: 'tube' },
  }));
}
