import type { Session } from './session';
import { isSimulated } from './working';

/** Something other than in the session it is compared with, in words. */
const RULES: readonly ((now: Session, then: Session) => string | null)[] = [
  // The biggest suspects first: light falls with the square of the distance, and lamps drift for minutes.
  (now, then) =>
    Math.abs(now.distanceM - then.distanceM) > 0.005
      ? `${now.distanceM.toFixed(2)} m away instead of ${then.distanceM.toFixed(2)} m`
      : null,
  (now, then) =>
    now.level !== then.level
      ? `up to ${Math.round(100 * now.level)} % instead of ${Math.round(100 * then.level)} %`
      : null,
  (now, then) =>
    now.warmMin !== then.warmMin
      ? `lamp on for ${minutes(now.warmMin)}, then for ${minutes(then.warmMin)}`
      : null,
  (now, then) =>
    isSimulated(now) !== isSimulated(then)
      ? isSimulated(now)
        ? 'simulated, the other metered'
        : 'metered, the other simulated'
      : null,
  (now, then) =>
    now.instrument.name !== then.instrument.name
      ? `by ${now.instrument.name || 'a meter without a name'} instead of ${then.instrument.name || 'one without a name'}`
      : null,
  (now, then) => (read(now, 'room') !== read(then, 'room') ? 'the room read in one only' : null),
  (now, then) =>
    now.kind === 'sweep' && now.stepDeg !== then.stepDeg
      ? `every ${now.stepDeg}° instead of every ${then.stepDeg}°`
      : null,
  (now, then) => (now.by !== then.by ? `by ${now.by || 'nobody named'}` : null),
];

const minutes = (value: number | null) => (value === null ? 'a time nobody noted' : `${value} min`);
const read = ({ readings }: Session, kind: string) =>
  Object.values(readings).some(({ place, struck }) => place.kind === kind && struck === null);

/** What is other than in another session, the biggest suspect first. */
export const differences = (now: Session, then: Session): string[] =>
  RULES.flatMap((rule) => rule(now, then) ?? []);
