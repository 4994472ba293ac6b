import { shotOf } from '../document/blank';
import type { Build, Production } from '../document/production';
import type { Shot } from '../location/shot';
import { UNKNOWN_STOPS } from '../frames/cameraLux';
import type { Session } from '../meter/session';
import { withinLimits } from '../meter/uncertainty';
import { electricOf, inOrder, isSimulated, pointsOf } from '../meter/working';
import type { RungId } from './readout';

/** What a meter said of a rung, the newest session first. */
export interface Measured {
  /** in the unit of the rung */
  value: number;
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

const READ: Partial<Record<Session['kind'], (session: Session, shot: Shot) => Found>> = {
  points: ofPlane,
  frames: ofCard,
  electric: atThePlug,
};

/** What was metered of a build, by rung. A meter that is there counts before one that is not. */
export function measuredOf(document: Production, build: Build): Partial<Record<RungId, Measured>> {
  const shot = shotOf(document, build);
  const own = document.sessions.filter(({ buildId }) => buildId === build.id);
  const inTurn = [...own.filter(isSimulated), ...own.filter((session) => !isSimulated(session))];
  return inTurn.reduce<Partial<Record<RungId, Measured>>>((all, session) => {
    const found = READ[session.kind]?.(session, shot) ?? {};
    const told = Object.fromEntries(
      Object.entries(found).map(([rung, each]) => [
        rung,
        { ...each, simulated: isSimulated(session), session: session.name },
      ]),
    );
    return { ...all, ...told };
  }, {});
}
