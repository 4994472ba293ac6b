import type { Production } from '../document/production';
import { softLike } from '../verdict/softLike';
import type { Feature } from '../verdict/fixture';
import { forecastShare } from './forecastShare';
import { measuredOf, type Measured } from './measured';
import type { RungId } from './readout';
import type { Judged } from './search/judged';
import { questionOf } from './search/question';
import { judgedWhole } from './search/refine';
import { judgedFixture, quickBuild } from './search/things';

/** A build or a fixture that is held against others. */
export interface ContestRef {
  kind: 'build' | 'fixture';
  id: string;
}

/** All that is said of one light beside others, at one shot. */
export interface Contestant {
  ref: ContestRef;
  judged: Judged;
  /** titles of what refuses it */
  stops: string[];
  /** what a meter said of it, by rung */
  measured: Partial<Record<RungId, Measured>>;
  /** its forecast follows readings */
  corrected: boolean;
  /** what everybody knows that is as soft */
  like: { name: string; angleDeg: number };
  features: readonly Feature[];
}

/** @returns null for what is not there, or gives no light */
export function contestant(
  document: Production,
  shotId: string,
  ref: ContestRef,
): Contestant | null {
  const question = questionOf(document, shotId);
  if (!question) return null;
  if (ref.kind === 'fixture') {
    const fixture = document.fixtures.find(({ id }) => id === ref.id);
    if (!fixture) return null;
    const judged = judgedFixture(fixture, 'buy', question);
    const like = softLike(judged.angleDeg);
    const { features } = fixture;
    return { ref, judged, stops: [], measured: {}, corrected: false, like, features };
  }
  const build = document.builds.find(({ id }) => id === ref.id);
  const quick = build && quickBuild(build, question);
  const whole = quick && judgedWhole(quick.judged, question);
  if (!build || !whole) return null;
  return {
    ref,
    ...whole,
    measured: measuredOf(document, { ...build, shotId: question.shot.id }),
    corrected: forecastShare(document, build).calibrated,
    like: softLike(whole.judged.angleDeg),
    features: [],
  };
}

/** Copies side by side that give as much light as another; each is counted whole. */
export const copiesToEqual = (lux: number, wantedLux: number): number =>
  Math.max(1, Math.ceil(wantedLux / lux - 1e-9));

/** As far as the inverse square holds: where it would give as much as another does at the shot. */
export const nearerToEqualM = (lux: number, wantedLux: number, distanceM: number): number =>
  distanceM * Math.min(1, Math.sqrt(lux / wantedLux));
