import type { Vector } from './vector';
import type { LightField } from './lightField';

/** One or two like lights before a flat backdrop, level with its middle. */
interface WashPlace {
  lights: 1 | 2;
  /** from the backdrop to the lights' fronts */
  distanceM: number;
  /** between two lights, centre to centre; 0 for one */
  spacingM: number;
  /** each turned inwards by so much, radians; positive towards the middle */
  toeInRad: number;
}

export interface Wash extends WashPlace {
  meanLx: number;
  plusMinusStops: number;
  columns: number;
  rows: number;
  /** row by row from the top left */
  cellsLx: number[];
}

export interface Backdrop {
  widthM: number;
  heightM: number;
}

/** Illuminance over a backdrop of lights placed so. */
export function washOver(
  field: LightField,
  frontM: number,
  { widthM, heightM }: Backdrop,
  place: WashPlace,
  columns = 12,
  rows = 8,
): Wash {
  const sides = place.lights === 1 ? [0] : [-1, 1];
  const cellsLx = Array.from({ length: columns * rows }, (_, k) => {
    const x = (((k % columns) + 0.5) / columns - 0.5) * widthM;
    const y = (0.5 - (Math.floor(k / columns) + 0.5) / rows) * heightM;
    return sides.reduce((sum, side) => sum + fromOne(field, frontM, place, side, x, y), 0);
  });
  const meanLx = cellsLx.reduce((sum, lx) => sum + lx, 0) / cellsLx.length;
  const [least, most] = [Math.min(...cellsLx), Math.max(...cellsLx)];
  const plusMinusStops = least > 0 ? Math.log2(most / least) / 2 : Infinity;
  return { ...place, meanLx, plusMinusStops, columns, rows, cellsLx };
}

/** The backdrop's point and normal in the axes of the light on one side. */
function fromOne(
  field: LightField,
  frontM: number,
  { distanceM, spacingM, toeInRad }: WashPlace,
  side: number,
  x: number,
  y: number,
): number {
  // Seen from the light, the backdrop lies in +z; a light on the right turns to the left.
  const turn = -side * toeInRad;
  const [sine, cosine] = [Math.sin(turn), Math.cos(turn)];
  const dx = x - (side * spacingM) / 2;
  const point: Vector = [
    dx * cosine - distanceM * sine,
    y,
    dx * sine + distanceM * cosine + frontM,
  ];
  return field.illuminance(point, [sine, 0, -cosine]);
}

/** Rooms end: farther than so many backdrop widths nobody stands a light. */
const FARTHEST = 1.5;
const ROUNDS = 4;

/**
 * Best place for one or two lights: of the places that are even enough, the brightest; of none, the
 * most even. A coarse grid first, then finer ones round the best.
 * @param allowedStops ± stops over the backdrop
 * @param most  room there is before it and along it
 */
export function bestWash(
  field: LightField,
  frontM: number,
  backdrop: Backdrop,
  lights: 1 | 2,
  allowedStops: number,
  most: Pick<WashPlace, 'distanceM' | 'spacingM'> = { distanceM: Infinity, spacingM: Infinity },
): Wash {
  const { widthM, heightM } = backdrop;
  const size = Math.max(widthM, heightM);
  let span = {
    distanceM: within([0.25 * size, FARTHEST * size], most.distanceM),
    spacingM: lights === 1 ? [0, 0] : within([0.2 * widthM, 1.8 * widthM], most.spacingM),
    toeInRad: lights === 1 ? [0, 0] : [-0.2, 1.1],
  } as Record<'distanceM' | 'spacingM' | 'toeInRad', [number, number]>;
  const limits = span;
  let best: Wash | null = null;
  for (let round = 0; round < ROUNDS; round++) {
    for (const place of placesIn(span, lights)) {
      const wash = washOver(field, frontM, backdrop, place);
      if (!best || better(wash, best, allowedStops)) best = wash;
    }
    const found = best!;
    const nearer = (name: keyof typeof span): [number, number] => {
      const half = (span[name][1] - span[name][0]) / 4;
      return [
        Math.max(limits[name][0], found[name] - half),
        Math.min(limits[name][1], found[name] + half),
      ];
    };
    span = {
      distanceM: nearer('distanceM'),
      spacingM: nearer('spacingM'),
      toeInRad: nearer('toeInRad'),
    };
  }
  return best!;
}

const within = ([least, most]: [number, number], limit: number): [number, number] => [
  Math.min(least, limit),
  Math.min(most, limit),
];

function placesIn(
  span: Record<'distanceM' | 'spacingM' | 'toeInRad', readonly [number, number]>,
  lights: 1 | 2,
): WashPlace[] {
  const steps = ([from, to]: readonly [number, number], count: number) =>
    Array.from({ length: count }, (_, k) =>
      count === 1 ? from : from + ((to - from) * k) / (count - 1),
    );
  const across = lights === 1 ? 1 : 5;
  return steps(span.distanceM, lights === 1 ? 9 : 5).flatMap((distanceM) =>
    steps(span.spacingM, across).flatMap((spacingM) =>
      steps(span.toeInRad, across).map((toeInRad) => ({ lights, distanceM, spacingM, toeInRad })),
    ),
  );
}

function better(one: Wash, other: Wash, allowedStops: number): boolean {
  const [even, otherEven] = [one, other].map((wash) => wash.plusMinusStops <= allowedStops);
  if (even !== otherEven) return even!;
  return even ? one.meanLx > other.meanLx : one.plusMinusStops < other.plusMinusStops;
}
