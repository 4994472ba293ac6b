import { cctOfUv } from '../colour/planck';
import { uvOf } from '../colour/chromaticity';
import { xyzOf } from '../colour/tristimulus';
import { shotOf } from '../document/blank';
import type { Build, Production } from '../document/production';
import type { Shot } from '../location/shot';
import { onGrid } from '../formats/spectrumFile';
import { stopsBetween } from '../light/exposure';
import { UNKNOWN_STOPS } from '../frames/cameraLux';
import type { Session } from '../meter/session';
import { withinLimits } from '../meter/uncertainty';
import { electricOf, inOrder, isSimulated, pointsOf, warmOf } from '../meter/working';
import { KELVIN } from '../quantity';
import { recordsOf } from './forecastShare';
import { shotTargetLx } from './light';
import type { ReadoutDimension, RungId } from './readout';

/** What a meter said of a rung, the newest session first. */
export interface Measured {
  /** in the unit of the rung, SI */
  value: number;
  /** of what it is, where that is another kind of figure than the rung shows */
  dimension?: ReadoutDimension;
  /** standard uncertainty, as a share */
  share: number;
  simulated: boolean;
  session: string;
}

/** A place this near the axis is the subject's, m. */
const ON_AXIS_M = 0.05;
/** A distance this near the shot's is the shot's. */
const SAME_DISTANCE = 0.03;
/** Places that reach as far as the shot covers, nearly, tell its evenness. */
const SAME_SIZE = 0.25;
/** Light that a camera read off a card is known no better than this, whatever it was held against [common practice]. */
const CARD_SHARE = 0.075;
/** Fewer places tell no evenness. */
const LEAST_PLACES = 4;

type Found = Partial<Record<RungId, Omit<Measured, 'simulated' | 'session'>>>;

/** How far places reach across and up. */
const spanOf = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);
const alike = (a: number, b: number, share: number): boolean => Math.abs(a / b - 1) <= share;

function ofPlane(session: Session, shot: Shot): Found {
  const result = pointsOf(session);
  if (!result || !alike(session.distanceM, shot.distanceM, SAME_DISTANCE)) return {};
  const places = result.points.map(({ point }) => point);
  const covers =
    places.length >= LEAST_PLACES &&
    alike(spanOf(places.map(({ xM }) => xM)), shot.coverageWidthM, SAME_SIZE) &&
    alike(spanOf(places.map(({ yM }) => yM)), shot.coverageHeightM, SAME_SIZE);
  const subject = result.points.find(
    ({ point, lx }) => Math.hypot(point.xM, point.yM) < ON_AXIS_M && lx > 0,
  );
  return {
    ...(subject && { light: { value: subject.lx, share: subject.share } }),
    ...(covers && {
      evenness: { value: result.plusMinusStops, share: result.share },
    }),
  };
}

function ofCard(session: Session): Found {
  const lux = inOrder(session).findLast(
    ([, { place, struck }]) => place.kind === 'card' && struck === null,
  );
  const deviation = session.frames.camera.calibration?.deviationStops;
  return lux
    ? {
        light: {
          value: lux[1].value,
          share:
            deviation === undefined
              ? withinLimits(UNKNOWN_STOPS * Math.LN2)
              : Math.max(CARD_SHARE, deviation * Math.LN2),
        },
      }
    : {};
}

function atThePlug(session: Session): Found {
  const watts = electricOf(session, null).read.mainsW;
  return watts && watts.value > 0
    ? { power: { value: watts.value, share: watts.deviation / watts.value } }
    : {};
}

/** Light beside the target of the shot, in stops; how far it may be off stands beside the light. */
function withStops({ light, ...others }: Found, shot: Shot): Found {
  if (!light) return others;
  const stops = stopsBetween(light.value, shotTargetLx(shot));
  return { ...others, light, stops: { value: stops, share: 0 } };
}

/** Hand spectrometers are right within so much of the colour temperature [common practice]. */
const CCT_LIMITS = 0.02;

function ofSpectrum({ spectrum }: Session): Found {
  if (!spectrum) return {};
  const cctK = cctOfUv(uvOf(xyzOf(onGrid(spectrum.curve))));
  return Number.isFinite(cctK) ? { colour: { value: cctK, share: withinLimits(CCT_LIMITS) } } : {};
}

/** The hottest thing that was touched: a rung of watts, a meter of degrees. */
function ofWarmth(session: Session): Found {
  const things = warmOf(session);
  const hottest = things.reduce<(typeof things)[number] | null>(
    (most, each) => (each.celsius > (most?.celsius ?? -Infinity) ? each : most),
    null,
  );
  if (!hottest) return {};
  const value = hottest.celsius + KELVIN;
  return { heat: { value, share: hottest.deviationK / value, dimension: 'temperature' } };
}

const READ: Partial<Record<Session['kind'], (session: Session, shot: Shot) => Found>> = {
  points: ofPlane,
  frames: ofCard,
  electric: atThePlug,
  spectrum: ofSpectrum,
  warm: ofWarmth,
};

/** What was metered of a build itself, and of the lamp where it has but one kind and nothing before it. */
function sessionsOf(document: Production, build: Build): Session[] {
  const { units, layers } = recordsOf(document, build);
  const [unit] = units.length === 1 && layers.length === 0 ? units : [];
  const ofLamp = unit
    ? document.sessions.filter(({ kind, unitId }) => kind === 'spectrum' && unitId === unit.id)
    : [];
  return [...ofLamp, ...document.sessions.filter(({ buildId }) => buildId === build.id)];
}

/** What was metered of a build, by rung. A meter that is there counts before one that is not. */
export function measuredOf(document: Production, build: Build): Partial<Record<RungId, Measured>> {
  const shot = shotOf(document, build);
  const own = sessionsOf(document, build);
  const inTurn = [...own.filter(isSimulated), ...own.filter((session) => !isSimulated(session))];
  return inTurn.reduce<Partial<Record<RungId, Measured>>>((all, session) => {
    const found = withStops(READ[session.kind]?.(session, shot) ?? {}, shot);
    const told = Object.fromEntries(
      Object.entries(found).map(([rung, each]) => [
        rung,
        { ...each, simulated: isSimulated(session), session: session.name },
      ]),
    );
    return { ...all, ...told };
  }, {});
}
