import { repeatsOf } from './repeats';
import type { MeterPoint, MeterReading, Session } from './session';
import { combined, readingParts, suspects, withinLimits, type Part } from './uncertainty';

/** Light at one place on the plane. */
export interface PointResult {
  point: MeterPoint;
  count: number;
  /** the room's own light taken off */
  lx: number;
  /** standard uncertainty, as a share */
  share: number;
  /** what makes it uncertain, the biggest first */
  parts: Part[];
  /** readings that stand apart from the others there */
  outliers: number;
}

export interface PointsResult {
  points: PointResult[];
  meanLx: number;
  /** half of log2(brightest/darkest) */
  plusMinusStops: number;
  /** of the mean: what all places share, and what each has for itself */
  share: number;
  notes: string[];
}

/** Names of a grid: columns by letter, rows by number, from the upper left as the light sees it. */
export function gridPoints(
  columns: number,
  rows: number,
  widthM: number,
  heightM: number,
): MeterPoint[] {
  const at = (k: number, count: number, size: number) =>
    count === 1 ? 0 : Number((size * (k / (count - 1) - 0.5)).toFixed(4));
  return Array.from({ length: columns * rows }, (_, k) => {
    const [column, row] = [k % columns, Math.floor(k / columns)];
    return {
      name: `${String.fromCharCode(65 + column)}${row + 1}`,
      xM: at(column, columns, widthM),
      yM: -at(row, rows, heightM) || 0,
    };
  });
}

export const isAtPoint = (place: MeterReading['place'], { name }: MeterPoint): boolean =>
  place.kind === 'point' && place.name === name;

/** From how far aside a meter's cosine error is stated, radians [common practice]. */
const COSINE_AT = Math.PI / 3;
/** What all places have in common: it does not average out. */
const SHARED: readonly Part['id'][] = ['class', 'distance', 'warm-up'];
/** Shares of what each reading has for itself, and of what all of a session have in common. */
export const sharedApart = (parts: readonly Part[]): { own: number[]; shared: number[] } => ({
  own: parts.flatMap(({ id, share }) => (SHARED.includes(id) ? [] : [share])),
  shared: parts.flatMap(({ id, share }) => (SHARED.includes(id) ? [share] : [])),
});

/** Readings on a plane, place by place, each with its error; places nobody read are left out. */
export function pointsResult(
  session: Session,
  readings: readonly MeterReading[],
): PointsResult | null {
  const roomLuxes = readings.flatMap(({ place, value }) => (place.kind === 'room' ? [value] : []));
  const room = roomLuxes.length ? repeatsOf(roomLuxes) : null;
  const { instrument, distanceM } = session;
  const points = session.points.flatMap((point): PointResult[] => {
    const luxes = readings.flatMap(({ place, value }) => (isAtPoint(place, point) ? [value] : []));
    if (luxes.length === 0) return [];
    const { mean, meanDeviation, outliers } = repeatsOf(luxes);
    const aside = Math.atan2(Math.hypot(point.xM, point.yM), distanceM);
    const parts = suspects([
      ...readingParts({
        instrument: { classShare: instrument.classShare, grain: instrument.grainLx },
        meanLx: mean,
        meanDeviationLx: meanDeviation,
        roomLx: room?.mean ?? null,
        roomDeviationLx: room?.meanDeviation ?? 0,
        distanceM,
        distanceErrorM: session.distanceErrorM,
        warmMin: session.warmMin,
      }),
      {
        id: 'cosine',
        what: 'light from aside',
        share: withinLimits(instrument.cosineShare) * Math.min(1, aside / COSINE_AT),
      },
    ]);
    return [
      {
        point,
        count: luxes.length,
        lx: mean - (room?.mean ?? 0),
        share: combined(parts.map(({ share }) => share)),
        parts,
        outliers: outliers.length,
      },
    ];
  });
  if (points.length === 0) return null;
  const lit = points.filter(({ lx }) => lx > 0);
  const luxes = lit.map(({ lx }) => lx);
  const meanLx = luxes.reduce((sum, lx) => sum + lx, 0) / Math.max(1, luxes.length);
  const notes: string[] = [];
  if (!room)
    notes.push('Nobody read the room with the lamp off: its light is still in every figure.');
  if (lit.length < points.length)
    notes.push('A place is no brighter than the room with the lamp off: it is not counted.');
  if (points.some(({ outliers }) => outliers > 0))
    notes.push('A repeat stands apart from the others: strike it out if you know why.');
  const apart = lit.map(({ parts }) => sharedApart(parts));
  const own = apart.map((each) => combined(each.own));
  const shared = apart[0]?.shared;
  return {
    points,
    meanLx,
    plusMinusStops: luxes.length ? Math.log2(Math.max(...luxes) / Math.min(...luxes)) / 2 : 0,
    share: combined([...(shared ?? []), combined(own) / Math.max(1, own.length)]),
    notes,
  };
}
