import { accept, refuse, type Result } from '../result';
import { repeatsOf } from './repeats';
import type { SweepPlane, SweepPoint } from './sweep';
import { combined, readingParts, withinLimits, type Instrument, type Part } from './uncertainty';

/** What was read at one angle: every time the meter was read. */
export interface AngleReading {
  planeDeg: number;
  angleDeg: number;
  luxes: readonly number[];
}

export interface SweepGiven {
  readings: readonly AngleReading[];
  distanceM: number;
  distanceErrorM: number;
  /** longest way across what glows */
  sizeM: number;
  /** every time the room's light was read, lamp off; empty where nobody did */
  roomLuxes: readonly number[];
  warmMin: number | null;
  instrument: Instrument;
}

/** Nearer than so many sizes the square law is off by a hundredth; nearer than this many no figure is made of it. */
const FAR_SIZES = 5;
const NEAREST_SIZES = 1;
/** Room light over this share of the highest reading makes what is left doubtful. */
const BRIGHT_ROOM = 0.3;

export interface SweepCandela {
  planes: SweepPlane[];
  /** light of a flat disc falls short by this share so near; the candela are raised by it; 0 from five sizes on */
  nearShare: number;
  /** what makes the brightest reading uncertain */
  parts: Part[];
  /** how well the room's light is known, lux: one and the same at every angle */
  roomDeviationLx: number;
  notes: string[];
}

/** What each reading has for itself; everything else is one and the same at every angle. */
const ITS_OWN: readonly Part['id'][] = ['repeats', 'rounding'];

/** A flat even disc seen from near gives E = I/(d² + r²) [std: Lambert disc on its axis]. */
const shortfall = (sizeM: number, distanceM: number): number =>
  distanceM >= FAR_SIZES * sizeM ? 0 : (sizeM / 2 / distanceM) ** 2;

/**
 * Readings round a lamp as candela, angles in order, the same angle read again as repeats. Refused, with what to do:
 * too near, too few, less light than the room's own.
 */
export function candelaOf(given: SweepGiven): Result<SweepCandela> {
  const { distanceM, sizeM, roomLuxes } = given;
  if (distanceM < NEAREST_SIZES * sizeM)
    return refuse(
      'near',
      `At ${distanceM.toFixed(2)} m from a lamp of ${sizeM.toFixed(2)} m no intensity can be told: go back to ${(FAR_SIZES * sizeM).toFixed(1)} m.`,
      'distanceM',
    );
  const room = roomLuxes.length ? repeatsOf(roomLuxes) : null;
  const notes: string[] = [];
  const near = shortfall(sizeM, distanceM);
  if (near > 0)
    notes.push(
      `Nearer than five times its size: raised by ${(100 * near).toFixed(1)} %, as of a flat disc.`,
    );
  const top = Math.max(...given.readings.flatMap(({ luxes }) => [...luxes]));
  if (!room) notes.push('Nobody read the room with the lamp off: its light counts as the lamp’s.');
  else if (room.mean > BRIGHT_ROOM * top)
    notes.push('The room is nearly as bright as the lamp: darken it, then read again.');
  const planes = new Map<number, Map<number, number[]>>();
  for (const { planeDeg, angleDeg, luxes } of given.readings) {
    const plane = planes.get(planeDeg) ?? new Map<number, number[]>();
    planes.set(planeDeg, plane.set(angleDeg, [...(plane.get(angleDeg) ?? []), ...luxes]));
  }
  const roomDeviationLx = room?.meanDeviation ?? withinLimits(given.instrument.grain / 2);
  const under: number[] = [];
  let brightest: { cd: number; parts: Part[] } = { cd: -1, parts: [] };
  const pointOf = ([angleDeg, luxes]: [number, number[]]): SweepPoint => {
    const read = repeatsOf(luxes);
    const net = read.mean - (room?.mean ?? 0);
    if (net < -given.instrument.grain) under.push(angleDeg);
    const parts = readingParts({
      instrument: given.instrument,
      meanLx: read.mean,
      meanDeviationLx: read.meanDeviation,
      roomLx: room?.mean ?? null,
      roomDeviationLx,
      distanceM,
      distanceErrorM: given.distanceErrorM,
      warmMin: given.warmMin,
    });
    const cd = Math.max(0, net) * distanceM ** 2 * (1 + near);
    if (cd > brightest.cd) brightest = { cd, parts };
    const own = parts.filter(({ id }) => ITS_OWN.includes(id));
    return { angleDeg, cd, share: combined(own.map(({ share }) => share)) };
  };
  const found = [...planes]
    .map(([planeDeg, points]) => ({
      planeDeg,
      points: [...points].map(pointOf).toSorted((a, b) => a.angleDeg - b.angleDeg),
    }))
    // Half-way through, a way round that has not come to the axis yet says nothing.
    .filter(
      ({ points }) =>
        points.length >= 3 && points[0]!.angleDeg <= 1e-9 && points.at(-1)!.angleDeg >= -1e-9,
    );
  if (found.length === 0)
    return refuse(
      'few',
      'A sweep wants at least three angles, one of them on the axis or on either side of it.',
      'readings',
    );
  if (found.every(({ points }) => points.every(({ cd }) => cd === 0)))
    return refuse('dark', 'Nothing is left when the room’s light is taken off.', 'readings');
  if (under.length > 0)
    notes.push(
      `Less than the room’s own light at ${under.map((angle) => `${angle}°`).join(', ')}: counted as dark. The room was brighter when it was read, or something stood before the meter.`,
    );
  return accept({
    planes: found,
    nearShare: near,
    parts: [...brightest.parts, { id: 'near', what: 'so near a lamp', share: near }],
    roomDeviationLx,
    notes,
  });
}
