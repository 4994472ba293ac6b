import type { Shot } from '../location/shot';
import { isoSpeedFor, stopsBetween, isoText } from '../light/exposure';
import { angularSizeDeg } from '../light/softness';
import { formatMoney, show, showText } from '../quantity';
import { FEATURES, fixtureIlluminanceLx, type Feature, type Fixture } from './fixture';

/** What a build brings to the comparison; engines that know no form fill it in. */
export interface Contender {
  formName: string;
  illuminanceLx: number;
  exposureTimeS: number;
  angleDeg: number;
  /** its lamps throw shadows apart from one another */
  separate: boolean;
  /** title of a finding against its softness; null where nothing is said against it */
  softTrouble: string | null;
  fullMinor: number;
  spentNowMinor: number;
  /** things in it that nobody has told a price of: both sums are lower bounds then */
  unpriced: number;
  dimmable: boolean;
  /** lux on the axis at another distance from the front */
  illuminanceAt: (distanceM: number) => number;
  /** the same along the way in, from the shot's distance towards the light */
  approach: readonly { distanceM: number; illuminanceLx: number }[];
}

export interface Comparison {
  fixtureId: Fixture['id'];
  fixtureName: string;
  fixtureLx: number;
  fixtureAngleDeg: number;
  /** the build against the fixture; negative when under it */
  stops: number;
  /** angular size of the build over the fixture's */
  softnessRatio: number;
  /** full cost over the fixture's price; null for a fixture without price */
  priceShare: number | null;
  minorPerLx: number | null;
  fixtureMinorPerLx: number;
  /** copies of the build that equal the fixture's lux */
  copiesToEqual: number | null;
  /** distance at which one build equals the fixture at the shot's distance; null when out of reach */
  distanceToEqualM: number | null;
  isoToEqual: number | null;
  /** hire days whose price pays for the build */
  breakEvenDays: number | null;
  lacks: Feature[];
  sentence: string;
}

/** Judges a build against one fixture at the shot's place. */
export function compare(
  contender: Contender,
  fixture: Fixture,
  shot: Shot,
  { currency }: { currency: string },
): Comparison {
  const fixtureLx = fixtureIlluminanceLx(fixture, shot.distanceM);
  const across = Math.min(fixture.frontWidthM, fixture.frontHeightM);
  const fixtureAngleDeg = angularSizeDeg(across, shot.distanceM);
  const lit = contender.illuminanceLx > 0;
  const share = fixture.priceMinor > 0 ? contender.fullMinor / fixture.priceMinor : null;
  const settings = { ...shot, exposureTimeS: contender.exposureTimeS };
  const comparison: Omit<Comparison, 'sentence'> = {
    fixtureId: fixture.id,
    fixtureName: fixture.name,
    fixtureLx,
    fixtureAngleDeg,
    stops: stopsBetween(contender.illuminanceLx, fixtureLx),
    softnessRatio: contender.angleDeg / fixtureAngleDeg,
    priceShare: share,
    minorPerLx: lit ? contender.fullMinor / contender.illuminanceLx : null,
    fixtureMinorPerLx: fixture.priceMinor / fixtureLx,
    copiesToEqual: lit ? Math.ceil(fixtureLx / contender.illuminanceLx - 1e-9) : null,
    distanceToEqualM: lit ? distanceFor(fixtureLx, contender, shot.distanceM) : null,
    isoToEqual: lit ? isoSpeedFor(contender.illuminanceLx / 2 ** shot.offsetStops, settings) : null,
    breakEvenDays: fixture.hirePerDayMinor
      ? Math.ceil(contender.spentNowMinor / fixture.hirePerDayMinor)
      : null,
    lacks: fixture.features.filter((feature) => feature !== 'dimmer' || !contender.dimmable),
  };
  return { ...comparison, sentence: sentenceOf(contender, comparison, fixture, shot, currency) };
}

/**
 * Farthest distance, at most the shot's, at which the build reaches a level. A ring is dark at its
 * own middle, so the level may be reached and lost again: scan inwards, then bisect.
 */
function distanceFor(wantedLx: number, contender: Contender, shotM: number): number | null {
  if (contender.illuminanceLx >= wantedLx) return shotM;
  let far = shotM;
  for (const { distanceM, illuminanceLx } of contender.approach) {
    if (illuminanceLx >= wantedLx) return bisect(wantedLx, contender, distanceM, far);
    far = distanceM;
  }
  return null;
}

function bisect(wantedLx: number, contender: Contender, near: number, far: number): number {
  for (let step = 0; step < 16; step++) {
    const middle = (near + far) / 2;
    if (contender.illuminanceAt(middle) >= wantedLx) near = middle;
    else far = middle;
  }
  return near;
}

/** Angles within this factor look equally soft on a face [common practice]. */
const EQUALLY_SOFT = 1.2;

export function softnessWords(ratio: number): string {
  if (ratio > EQUALLY_SOFT) return 'softer';
  return ratio < 1 / EQUALLY_SOFT ? 'harder' : 'equally soft';
}

/** As wide is not as soft where the lamps show one by one, or a finding says so. */
function softnessSaid(ratio: number, { separate, softTrouble }: Contender): string {
  if (separate) return 'with several thin shadows where the other has one';
  const words = softnessWords(ratio);
  if (softTrouble === null || words === 'harder') return words;
  return `${words === 'softer' ? 'wider' : 'as wide'}, but not as soft as that: ${lowerFirst(softTrouble)}`;
}

/** The verdict in one breath: light, softness, money, and the camera setting that lives with it. */
function sentenceOf(
  contender: Contender,
  found: Omit<Comparison, 'sentence'>,
  fixture: Fixture,
  shot: Shot,
  currency: string,
): string {
  const place = `At ${showText(show(shot.distanceM, 'length', 'metric'))}`;
  const name = `your ${contender.formName.toLowerCase()}`;
  if (found.isoToEqual === null) return `${place} ${name} gives no light yet: choose a lamp first.`;
  const level = levelWords(found.stops);
  const least = contender.unpriced > 0 ? 'at least ' : '';
  const money =
    found.priceShare === null
      ? `for ${least}${formatMoney(contender.fullMinor, currency)}`
      : `for ${least}${percent(found.priceShare)} of the price`;
  const iso = `ISO ${isoText(found.isoToEqual)}`;
  return `${place} ${name} is ${level} the ${lowerFirst(fixture.name)}, ${softnessSaid(found.softnessRatio, contender)}, ${money}. At ${iso} you make f/${shot.fNumber}.`;
}

function levelWords(stops: number): string {
  const said = Math.abs(stops).toFixed(1);
  return said === '0.0' ? 'level with' : `${said} stops ${stops < 0 ? 'under' : 'over'}`;
}

/** What readings add to the verdict: where a meter puts the light, and whether the forecast follows it. */
export function meteredSentence(
  { fixtureLx }: Pick<Comparison, 'fixtureLx'>,
  metered: { illuminanceLx: number; simulated: boolean } | null,
  corrected: boolean,
): string {
  const follows = corrected ? 'The forecast follows readings of its parts.' : '';
  if (!metered || metered.illuminanceLx <= 0) return follows;
  const level = levelWords(stopsBetween(metered.illuminanceLx, fixtureLx));
  const by = metered.simulated ? 'The simulated meter reads' : 'Your meter reads';
  return `${by} ${Number(metered.illuminanceLx.toPrecision(3))} lx there, ${level} it. ${follows}`.trim();
}

const percent = (share: number) =>
  `${share < 0.1 ? (share * 100).toFixed(1) : Math.round(share * 100)} %`;

/** "Two-tube bank" → "two-tube bank"; leaves "LED panel" alone. */
const lowerFirst = (name: string) =>
  /^[A-Z][a-z]/.test(name) ? name[0]!.toLowerCase() + name.slice(1) : name;

export const featureWords = (feature: Feature): string => FEATURES[feature];
