import { toRadians } from '../angle';
import { accept, refuse, type Result } from '../result';
import { candelaOf, type SweepGiven } from './candela';
import { layerTestOf, type LayerTest } from './layerTest';
import { nearestSpread, type Likeness } from './nearest';
import { repeatsOf } from './repeats';
import { electricResult, type ElectricResult } from './electric';
import { isAtPoint, pointsResult, type PointsResult } from './points';
import type { ElectricId, MeterReading, Place, Session } from './session';
import { warmResult, type WarmThing } from './warm';
import { sweepOf, tableOf, type Sweep, type SweepPlane } from './sweep';
import { combined, suspects, withinLimits, type Part } from './uncertainty';

/** Readings in the order they were taken, with their keys. */
export const inOrder = ({ readings }: Pick<Session, 'readings'>): [string, MeterReading][] =>
  Object.entries(readings).toSorted(([, a], [, b]) => a.order - b.order);

/** Those that count. */
const counting = (session: Session): MeterReading[] =>
  inOrder(session).flatMap(([, reading]) => (reading.struck === null ? [reading] : []));

const luxesAt = (session: Session, kind: MeterReading['place']['kind']): number[] =>
  counting(session).flatMap(({ place, value }) => (place.kind === kind ? [value] : []));

export interface Angle {
  planeDeg: number;
  angleDeg: number;
}

/** Angles a sweep asks for, from one side round to the other, plane by plane. */
export function plannedAngles({
  stepDeg,
  toDeg,
  planes,
}: Pick<Session, 'stepDeg' | 'toDeg' | 'planes'>): Angle[] {
  const steps = Math.floor(toDeg / stepDeg + 1e-9);
  // All the way round the last angle is the first again.
  const last = steps * stepDeg >= 180 ? steps - 1 : steps;
  return Array.from({ length: planes }, (_, plane) => plane * 90).flatMap((planeDeg) =>
    Array.from({ length: steps + last + 1 }, (_, k) => ({
      planeDeg,
      angleDeg: (k - steps) * stepDeg,
    })),
  );
}

const isAt = (place: MeterReading['place'], { planeDeg, angleDeg }: Angle): boolean =>
  place.kind === 'angle' &&
  place.planeDeg === planeDeg &&
  Math.abs(place.angleDeg - angleDeg) < 1e-6;

/** Angles nobody has read yet, in the order they are asked for. */
export function unreadAngles(session: Session): Angle[] {
  const read = counting(session);
  return plannedAngles(session).filter((angle) => !read.some(({ place }) => isAt(place, angle)));
}

/** Light of the room with the lamp off, lux; 0 where nobody read it. */
export function roomLx(session: Session): number {
  const luxes = luxesAt(session, 'room');
  return luxes.length ? repeatsOf(luxes).mean : 0;
}

export interface SweepResult {
  planes: readonly SweepPlane[];
  sweep: Sweep;
  nearest: Likeness;
  notes: string[];
  /** what makes a reading at the brightest angle uncertain, the biggest first */
  parts: Part[];
  /** standard uncertainty of the lumens, lm: what all readings share, what each has for itself, the room, the steps */
  deviationLm: number;
  /** of a figure at one angle, as a share */
  shareAtPeak: number;
}

const sweepGiven = (session: Session): SweepGiven => ({
  ...session,
  readings: counting(session).flatMap(({ place, value }) =>
    place.kind === 'angle' ? [{ ...place, luxes: [value] }] : [],
  ),
  roomLuxes: luxesAt(session, 'room'),
  instrument: {
    classShare: session.instrument.classShare,
    grain: session.instrument.grainLx,
  },
});

/** What every angle of a sweep has in common as a share: it does not average out. */
const SHARED: readonly Part['id'][] = ['class', 'distance', 'warm-up', 'near'];

/** A sweep worked out from its readings, or why it is not. */
export function sweepResult(session: Session): Result<SweepResult> {
  const candela = candelaOf(sweepGiven(session));
  if (!candela.ok) return candela;
  const { planes, parts, roomDeviationLx, notes } = candela.value;
  const sweep = sweepOf(planes);
  const { luminousFluxLm, stepErrorLm, coveredDeg, fluxDeviationLm } = sweep;
  const shared = parts.filter(({ id }) => SHARED.includes(id)).map(({ share }) => share);
  // The same lux too much or too little everywhere: over the whole solid angle that was read.
  const solid = 2 * Math.PI * (1 - Math.cos(toRadians(coveredDeg)));
  return accept({
    planes,
    sweep,
    nearest: nearestSpread(sweep),
    notes,
    parts: suspects([
      ...parts,
      { id: 'step', what: 'the steps', share: withinLimits(stepErrorLm / luminousFluxLm) },
    ]),
    deviationLm: combined([
      luminousFluxLm * combined(shared),
      fluxDeviationLm,
      roomDeviationLx * session.distanceM ** 2 * solid,
      withinLimits(stepErrorLm),
    ]),
    shareAtPeak: combined(parts.map(({ share }) => share)),
  });
}

/** A layer test worked out from its readings, or why it is not. */
export const layerResult = (session: Session): Result<LayerTest> =>
  layerTestOf(
    counting(session).flatMap(({ place, value }) =>
      place.kind === 'layer' ? [{ with: place.with, lux: value }] : [],
    ),
    luxesAt(session, 'room'),
    session.instrument.grainLx,
  );

/** In turns, beginning without. */
function nextTurn(session: Session): Place {
  const last = counting(session).findLast(({ place }) => place.kind === 'layer');
  return { kind: 'layer', with: last?.place.kind === 'layer' && !last.place.with };
}

/** Points nobody has read yet. */
export function unreadPoints(session: Session): Place[] {
  const read = counting(session);
  return session.points.flatMap((point): Place[] =>
    read.some(({ place }) => isAtPoint(place, point)) ? [] : [{ kind: 'point', ...point }],
  );
}

/** What a meter for volts and amps is held to next, of what the session is of. */
function nextElectric(session: Session): Place | null {
  const wanted: readonly ElectricId[] = session.unitId
    ? ['nearV', 'farV', 'tapeA']
    : ['mainsA', 'mainsW', 'powerFactor'];
  const read = counting(session);
  const next = wanted.find(
    (what) => !read.some(({ place }) => place.kind === 'electric' && place.what === what),
  );
  return next ? { kind: 'electric', what: next } : null;
}

/**
 * Where the meter is held next: the room first, then place by place; null when all is read, when the session is closed, and
 * where no meter is read one by one.
 */
export function nextPlace(session: Session): Place | null {
  if (session.closedAt !== null) return null;
  const { kind } = session;
  if (kind === 'frames' || kind === 'spectrum') return null;
  if (kind === 'electric') return nextElectric(session);
  if (kind === 'warm') return luxesAt(session, 'air').length === 0 ? { kind: 'air' } : null;
  if (luxesAt(session, 'room').length === 0) return { kind: 'room' };
  if (kind === 'layer') return nextTurn(session);
  if (kind === 'points') return unreadPoints(session)[0] ?? null;
  const [next] = unreadAngles(session);
  return next ? { kind: 'angle', ...next } : null;
}

/** Light at the session's points, place by place; null before anything was read. */
export const pointsOf = (session: Session): PointsResult | null =>
  pointsResult(session, counting(session));

export const electricOf = (session: Session, lengthM: number | null): ElectricResult =>
  electricResult(session, counting(session), lengthM);

export const warmOf = (session: Session): WarmThing[] => warmResult(session, counting(session));

/** Whether any of it came from an instrument that is not there. */
export const isSimulated = ({
  readings,
  frames,
  spectrum,
}: Pick<Session, 'readings' | 'frames' | 'spectrum'>): boolean =>
  spectrum?.simulated === true ||
  [...Object.values(readings), ...Object.values(frames.shots)].some(({ simulated }) => simulated);

/** Steps of the table a unit keeps: 2.5° from 0 to 180°. */
const STEPS = 72;
/** Light that goes on beyond the last angle, as a share of the peak; steps that are too wide for the beam, of the flux. */
const [GOES_ON, TOO_WIDE] = [0.02, 0.1];

/** What a sweep teaches of its lamp, or why it teaches nothing yet. */
export function learnt({
  sweep,
}: Pick<SweepResult, 'sweep'>): Result<{ luminousFluxLm: number; cdPerKlm: number[] }> {
  const { luminousFluxLm, stepErrorLm, coveredDeg, mean, peakCd, finerDeg } = sweep;
  if (coveredDeg < 180 && mean.at(-1)!.cd > GOES_ON * peakCd)
    return refuse(
      'half',
      `It still shines at ${coveredDeg}°: read all the way round before the shelf takes it, or what goes backwards is lost.`,
    );
  if (stepErrorLm > TOO_WIDE * luminousFluxLm)
    return refuse(
      'coarse',
      `The steps are too wide for this beam: read between ${finerDeg[0]}° and ${finerDeg[1]}° more finely before the shelf takes it.`,
    );
  return accept({
    luminousFluxLm: Math.round(luminousFluxLm),
    cdPerKlm: tableOf(sweep, STEPS).map((cd) =>
      Number(((1000 * cd) / luminousFluxLm).toPrecision(5)),
    ),
  });
}
