import { accept, type Result } from '../result';
import { candelaOf, type SweepGiven } from './candela';
import { layerTestOf, type LayerTest } from './layerTest';
import { nearestSpread, type Likeness } from './nearest';
import { repeatsOf } from './repeats';
import type { MeterReading, Session } from './session';
import { sweepOf, type Sweep, type SweepPlane } from './sweep';
import { combined, readingParts, suspects, type Part } from './uncertainty';

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
  /** standard uncertainty of the lumens, lm: what all readings share (class, distance, warming up) and each has for itself */
  fluxDeviationLm: number;
  /** of a figure at one angle, as a share */
  shareAtPeak: number;
}

const instrumentOf = ({ instrument }: Session) => ({
  classShare: instrument.classShare,
  grain: instrument.grainLx,
  cosineShare: 0,
});

const sweepGiven = (session: Session): SweepGiven => ({
  ...session,
  readings: counting(session).flatMap(({ place, value }) =>
    place.kind === 'angle' ? [{ ...place, luxes: [value] }] : [],
  ),
  roomLuxes: luxesAt(session, 'room'),
  instrument: instrumentOf(session),
});

/** What every angle of a sweep has in common: it does not average out. */
const SHARED: readonly Part['id'][] = ['class', 'distance', 'warm-up', 'near'];

/** A sweep worked out from its readings, or why it is not. */
export function sweepResult(session: Session): Result<SweepResult> {
  const given = sweepGiven(session);
  const candela = candelaOf(given);
  if (!candela.ok) return candela;
  const sweep = sweepOf(candela.value.planes);
  const { distanceM } = session;
  const parts = readingParts({
    ...given,
    meanLx: sweep.peakCd / distanceM ** 2,
    meanDeviationLx: null,
    roomLx: null,
    roomDeviationLx: 0,
    offAxisRad: 0,
  });
  const near = candela.value.nearShare;
  const all: Part[] = [...parts, { id: 'near', what: 'so near a lamp', share: near }];
  const shared = all.filter(({ id }) => SHARED.includes(id)).map(({ share }) => share);
  return accept({
    planes: candela.value.planes,
    sweep,
    nearest: nearestSpread(sweep),
    notes: candela.value.notes,
    parts: suspects([
      ...all,
      { id: 'step', what: 'the steps', share: sweep.stepErrorLm / sweep.luminousFluxLm },
    ]),
    fluxDeviationLm: combined([sweep.luminousFluxLm * combined(shared), sweep.fluxDeviationLm]),
    shareAtPeak: combined(all.map(({ share }) => share)),
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

/** What is read next in a layer test: in turns, beginning and ending without. */
export const nextTurn = (session: Session): { kind: 'layer'; with: boolean } => {
  const last = counting(session).findLast(({ place }) => place.kind === 'layer');
  return { kind: 'layer', with: last?.place.kind === 'layer' ? !last.place.with : false };
};
