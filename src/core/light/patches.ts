import { FULL_SPREAD_DEG } from './transport/arrangement';
import { MAP_CELLS, ZONES } from './transport/pack';
import type { Transported } from './transport/result';
import { bouncePatches } from './bounce';
import type { Source, SpreadTable } from './emitter';
import { stackLayers, type Mouth } from './mouth';

/** Patches along the longer side; enough that 1/d² holds for each at half a mouth's distance. */
const PATCHES = 12;
/** The same where the exit map is known; a divisor of its cells. */
const MAPPED = 16;
const POINTS_ALONG_TUBE = 24;

/**
 * The mouth's outgoing light as small sources. Without a run of the transport engine they are of equal
 * light and Lambertian; with one they take the exit map's shares and the directions it found.
 * @param outgoingLm flux that leaves the mouth
 */
export function mouthPatches(
  mouth: Mouth,
  outgoingLm: number,
  transported: Transported | null = null,
): Source[] {
  if (mouth.bounce) return bouncePatches(mouth, mouth.bounce);
  if (mouth.shape === 'tube') return tubePatches(mouth, outgoingLm);
  return transported
    ? mappedPatches(mouth, outgoingLm, transported)
    : evenPatches(mouth, outgoingLm);
}

/** Rows and columns of patches as square as can be. */
function gridOf({ widthM, heightM }: Mouth, longer: number, least: number) {
  const shorter = (ratio: number) => Math.max(least, Math.round(longer * ratio));
  return widthM >= heightM
    ? { columns: longer, rows: shorter(heightM / widthM) }
    : { columns: shorter(widthM / heightM), rows: longer };
}

function evenPatches(mouth: Mouth, outgoingLm: number): Source[] {
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

function mappedPatches(mouth: Mouth, outgoingLm: number, transported: Transported): Source[] {
  const { widthM, heightM, heightOverBackM } = mouth;
  const wanted = gridOf(mouth, MAPPED, 2);
  // Whole cells of the map to a patch: a power of two either way.
  const even = (count: number) => 2 ** Math.round(Math.log2(count));
  const [columns, rows] = [even(wanted.columns), even(wanted.rows)];
  const shares = new Float64Array(columns * rows);
  transported.cellShares.forEach((share, k) => {
    const column = Math.floor(((k % MAP_CELLS) * columns) / MAP_CELLS);
    const row = Math.floor((Math.floor(k / MAP_CELLS) * rows) / MAP_CELLS);
    shares[row * columns + column]! += share;
  });
  const spread = exitSpread(mouth, transported);
  return Array.from(shares).flatMap((share, k): Source[] =>
    share > 0
      ? [
          {
            positionM: [
              (((k % columns) + 0.5) / columns - 0.5) * widthM,
              ((Math.floor(k / columns) + 0.5) / rows - 0.5) * heightM,
              heightOverBackM,
            ],
            axis: [0, 0, 1],
            luminousFluxLm: outgoingLm * share,
            spread,
          },
        ]
      : [],
  );
}

/** A layer that scatters fully sends out by Lambert's law, known without counting. */
function exitSpread(mouth: Mouth, transported: Transported): Source['spread'] {
  const last = mouth.layers.length > 0 && stackLayers(mouth.layers).spreadDeg >= FULL_SPREAD_DEG;
  return last && !mouth.hood ? { class: 'lambert' } : spreadTable(transported.zonesCdPerLm);
}

/** Intensity per lumen at equal steps of cos θ, from the middle of each zone to the next. */
const TABLE_STEPS = 96;

/** Zones of 5° as a distribution the kernels can read; the two next to the axis count as one. */
export function spreadTable(zonesCdPerLm: readonly number[]): SpreadTable {
  const sr = (zone: number) =>
    Math.cos((zone * Math.PI) / 2 / ZONES) - Math.cos(((zone + 1) * Math.PI) / 2 / ZONES);
  const zones = [...zonesCdPerLm];
  // So few photons go into the first zone that it alone would be mostly chance.
  const middle = (zones[0]! * sr(0) + zones[1]! * sr(1)) / (sr(0) + sr(1));
  zones[0] = middle;
  const cdPerLm = Array.from({ length: TABLE_STEPS + 1 }, (_, k) => {
    const place = (Math.acos(k / TABLE_STEPS) / (Math.PI / 2)) * ZONES - 0.5;
    const low = Math.min(ZONES - 1, Math.max(0, Math.floor(place)));
    const next = low === ZONES - 1 ? 0 : zones[low + 1]!;
    return place <= 0 ? zones[0]! : zones[low]! + (next - zones[low]!) * (place - low);
  });
  return { class: 'table', cdPerLm };
}

/** A glowing tube as points along its axis, I ∝ sin of the angle to it [docs/model/units.md]. */
function tubePatches({ heightM, heightOverBackM }: Mouth, outgoingLm: number): Source[] {
  return Array.from({ length: POINTS_ALONG_TUBE }, (_, k) => ({
    positionM: [0, ((k + 0.5) / POINTS_ALONG_TUBE - 0.5) * heightM, heightOverBackM],
    axis: [0, 1, 0],
    luminousFluxLm: outgoingLm / POINTS_ALONG_TUBE,
    spread: { class: 'tube' },
  }));
}
