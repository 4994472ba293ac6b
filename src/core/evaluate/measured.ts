import { shotOf } from '../document/blank';
import type { Build, Production } from '../document/production';
import type { Session } from '../meter/session';
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
/** Light that a camera read off a card, where nobody says better [docs/model/frames.md]. */
const CARD_SHARE = 0.15;
/** Fewer places tell no evenness. */
const LEAST_PLACES = 4;

type Found = Partial<Record<RungId, Omit<Measured, 'simulated' | 'session'>>>;

function ofPlane(session: Session, distanceM: number): Found {
  const result = pointsOf(session);
  if (!result || Math.abs(session.distanceM / distanceM - 1) > SAME_DISTANCE) return {};
  const subject = result.points.find(
    ({ point, lx }) => Math.hypot(point.xM, point.yM) < ON_AXIS_M && lx > 0,
  );
  return {
    ...(subject && { light: { value: subject.lx, share: subject.share } }),
    ...(result.points.length >= LEAST_PLACES && {
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
              ? CARD_SHARE * 2
              : Math.max(CARD_SHARE / 2, deviation * Math.LN2),
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

const READ: Partial<Record<Session['kind'], (session: Session, distanceM: number) => Found>> = {
  points: ofPlane,
  frames: ofCard,
  electric: atThePlug,
};

/** What was metered of a build, by rung. A meter that is there counts before one that is not. */
export function measuredOf(document: Production, build: Build): Partial<Record<RungId, Measured>> {
  const { distanceM } = shotOf(document, build);
  const own = document.sessions.filter(({ buildId }) => buildId === build.id);
  const inTurn = [...own.filter(isSimulated), ...own.filter((session) => !isSimulated(session))];
  return inTurn.reduce<Partial<Record<RungId, Measured>>>((all, session) => {
    const found = READ[session.kind]?.(session, distanceM) ?? {};
    const told = Object.fromEntries(
      Object.entries(found).map(([rung, each]) => [
        rung,
        { ...each, simulated: isSimulated(session), session: session.name },
      ]),
    );
    return { ...all, ...told };
  }, {});
}
