import type { Build, Production } from '../../document/production';
import { FORMS } from '../../forms';
import { stopsBetween } from '../../light/exposure';
import { angularSizeDeg } from '../../light/softness';
import { mired } from '../../colour/mired';
import { formatMoney } from '../../quantity';
import { fixtureIlluminanceLx, type Fixture } from '../../verdict/fixture';
import { resolveWith } from '../context';
import { ERROR_STOPS, type Judged, type Way } from './judged';
import { Sieve, type Found } from './sieve';
import { estimateOf, measure, moneyOf } from './measure';
import type { Question } from './question';

/** Everything that need not be drawn first: lights drawn already, fixtures to buy or to hire. */
export function judgeThings(question: Question): Found {
  const sieve = new Sieve(question);
  const { builds, fixtures } = question.document;
  for (const build of builds) {
    const judged = judgedBuild(build, question);
    if (judged === 'stop' || judged === 'unmakeable') sieve.fell(judged);
    else sieve.take(judged);
  }
  for (const fixture of fixtures) {
    sieve.take(judgedFixture(fixture, 'buy', question));
    if (fixture.hirePerDayMinor !== null) sieve.take(judgedFixture(fixture, 'hire', question));
  }
  return sieve.found;
}

/** A copy of it was made, every step of it ticked. */
const isMade = ({ makings }: Production, build: Build, steps: readonly { id: string }[]): boolean =>
  makings.some(
    ({ buildId, ticks }) => buildId === build.id && steps.every(({ id }) => id in ticks),
  );

/** A light that is drawn already, at this shot: what is made of it costs nothing more. */
function judgedBuild(build: Build, question: Question): Judged | 'stop' | 'unmakeable' {
  const found = quickBuild(build, question);
  return found === null ? 'unmakeable' : found.stopped ? 'stop' : found.judged;
}

/** What is quickly said of a build at the shot; null for what gives no light. */
export function quickBuild(
  build: Build,
  question: Question,
): { judged: Judged; stopped: boolean } | null {
  const { context, document } = question;
  const resolution = resolveWith(build, context);
  const measured = resolution && measure(resolution.resolved, question, resolution.resolved.steps);
  if (!resolution || !measured) return null;
  const made = isMade(document, build, resolution.resolved.steps);
  const judged: Judged = {
    id: `have ${build.id}`,
    way: 'have',
    of: build.form,
    name: build.name,
    what: made ? 'made' : (FORMS.get(build.form)?.name ?? ''),
    parameters: null,
    accessories: [],
    worn: [],
    lamp: build.id,
    ...estimateOf(measured, question),
    layers: [],
    cell: null,
    ...moneyOf(measured, question),
    ...(made ? { nowMinor: 0, owned: true, unpriced: 0, priced: true, hours: 0 } : {}),
    skill: FORMS.get(build.form)?.gallery.skill ?? 3,
  };
  return { judged, stopped: measured.stopped };
}

/** Putting up a light that comes whole, h [typ]. */
const UNPACKED_H = 0;

/** A fixture by its sheet: bought, or hired for the days of the shoot. */
export function judgedFixture(
  fixture: Fixture,
  way: Extract<Way, 'buy' | 'hire'>,
  question: Question,
): Judged {
  const { shot, targetLx, document } = question;
  const { days } = shot.wishes;
  const lux = fixtureIlluminanceLx(fixture, shot.distanceM);
  const { frontWidthM: widthM, frontHeightM: heightM } = fixture;
  const hire = (fixture.hirePerDayMinor ?? 0) * days;
  const nowMinor = way === 'hire' ? hire : fixture.priceMinor;
  return {
    id: `${way} ${fixture.id}`,
    way,
    of: fixture.id,
    name: fixture.name,
    what:
      way === 'hire'
        ? `${days} ${days === 1 ? 'day' : 'days'} at ${formatMoney(fixture.hirePerDayMinor ?? 0, document.currency)}`
        : 'bought',
    parameters: null,
    accessories: [],
    worn: [],
    lamp: fixture.id,
    front: { widthM, heightM },
    layers: [],
    cell: null,
    lux,
    stops: stopsBetween(lux, targetLx),
    errorStops: ERROR_STOPS.sheet,
    angleDeg: angularSizeDeg(Math.min(widthM, heightM), shot.distanceM),
    separate: false,
    evennessStops: null,
    ra: fixture.criRa,
    cctK: fixture.cctK,
    miredOff: Math.abs(mired(fixture.cctK) - mired(shot.cctK)),
    flickers: null,
    nowMinor,
    fullMinor: nowMinor,
    // A price of nothing is a price nobody has typed.
    unpriced: way === 'buy' && fixture.priceMinor === 0 ? 1 : 0,
    priced: way === 'hire' || fixture.priceMinor > 0,
    owned: false,
    hours: UNPACKED_H,
    watts: fixture.wattsW,
    massKg: fixture.massKg,
    foldedM: null,
    skill: 1,
    // Nothing more can be worked out of a data sheet.
    sure: true,
  };
}
