import type { WishId } from '../../location/wishes';
import { formatMoney, show, showText, stopsInWords, type UnitSystem } from '../../quantity';
import { ALIKE, cannotTell } from './answers';
import { missesOf, type Judged } from './judged';
import type { Fall } from './sieve';
import type { Question } from './question';

/** How answers are written: money in the production’s currency, sizes in the reader’s units. */
export interface Writing {
  currency: string;
  units: UnitSystem;
}

const money = (minor: number, { currency }: Writing) => formatMoney(Math.round(minor), currency);
const hours = (value: number) => `${value.toFixed(value < 10 ? 1 : 0)} h`;
const degrees = (value: number) => `${Math.round(value)}°`;

export const sizeWords = ({ front }: Pick<Judged, 'front'>, { units }: Writing): string => {
  // A front is told to the centimetre: nobody sees less of it.
  const side = (metres: number) =>
    units === 'metric' ? `${Math.round(metres * 100)}` : showText(show(metres, 'length', units));
  const unit = units === 'metric' ? ' cm' : '';
  const { widthM, heightM } = front;
  return Math.abs(widthM / heightM - 1) < 0.02
    ? `${side(widthM)}${unit} across`
    : `${side(widthM)} × ${side(heightM)}${unit}`;
};

/** Money to spend; “from” where something has no price. */
export function spentWords(found: Judged, writing: Writing): string {
  const spent = money(found.nowMinor, writing);
  return found.unpriced > 0 ? `from ${spent}` : spent;
}

const softWords = ({ angleDeg, separate }: Judged): string =>
  `${degrees(angleDeg)}${separate ? ' wide, but with several thin shadows' : ' soft'}`;

/** An answer in one sentence: what it is, what it gives with its error, what it costs. */
export function sentenceOf(found: Judged, writing: Writing): string {
  const behind = found.layers.length > 0 ? ` behind ${found.layers.join(' and ')}` : '';
  const worn = found.worn.length > 0 ? ` with a ${found.worn.join(' and a ').toLowerCase()}` : '';
  const what = found.way === 'have' ? '' : `, ${found.what}${behind}${worn}`;
  const light = `${stopsInWords(found.stops)} ± ${found.errorStops} stops`;
  const spend = found.way === 'hire' ? 'for the hire' : 'still to spend';
  const work = found.hours > 0 ? `, ${hours(found.hours)} of work` : '';
  return `${sizeWords(found, writing)}${what}: ${light}, ${softWords(found)}, ${spentWords(found, writing)} ${spend}${work}.${found.flickers === null ? ' Whether it flickers is not stated: film it at the shutter first.' : ''}`;
}

/** Less than this of stops, hours and money is no difference worth a word. */
const WORTH = { stops: 0.2, hours: 0.4, share: 0.05, mired: 10 };

/** What one answer gives up against another, and what more it asks for; empty where nothing. */
export function givesUp(
  found: Judged,
  other: Judged,
  writing: Writing,
): { lost: string[]; more: string[] } {
  const lost: string[] = [];
  const stops = other.stops - found.stops;
  if (stops > Math.max(WORTH.stops, Math.hypot(found.errorStops, other.errorStops)))
    lost.push(`${stops.toFixed(1)} stops of light`);
  if (found.separate && !other.separate) lost.push('the one clean shadow');
  else if (other.angleDeg > ALIKE * found.angleDeg)
    lost.push(`${degrees(other.angleDeg - found.angleDeg)} of softness`);
  if (found.miredOff - other.miredOff > WORTH.mired)
    lost.push(`${Math.round(found.miredOff - other.miredOff)} mired of the shot’s colour`);
  if (found.ra !== null && other.ra !== null && other.ra > found.ra)
    lost.push(`${Math.round(other.ra - found.ra)} points of CRI`);
  const more: string[] = [];
  const minor = found.nowMinor - other.nowMinor;
  if (minor > WORTH.share * Math.max(100, other.nowMinor)) more.push(money(minor, writing));
  if (found.hours - other.hours > WORTH.hours)
    more.push(`${hours(found.hours - other.hours)} of work`);
  return { lost, more };
}

/** What comes with a way of getting a light, whatever its figures. */
export const WAY_COSTS = {
  build: 'no warranty, and nobody has tested it but you',
  have: 'no warranty, and nobody has tested it but you',
  buy: 'the money is in one light',
  hire: 'it goes back after the shoot, and may be out on the day',
} as const;

/** Where errors leave two answers level, so that neither is called the better. */
export const levelWith = (found: Judged, others: readonly Judged[]): Judged[] =>
  others.filter((other) => other.id !== found.id && cannotTell(found, other));

/** What a wish would have to give way by for a light to do. */
export function missWords(
  found: Judged,
  wish: WishId,
  { shot }: Pick<Question, 'shot'>,
  writing: Writing,
): string {
  const { wishes } = shot;
  const metres = (value: number) => showText(show(value, 'length', writing.units));
  switch (wish) {
    case 'light':
      return `${(-found.stops).toFixed(1)} stops under the target instead of on it`;
    case 'softness':
      return found.separate && found.angleDeg >= shot.softnessDeg
        ? 'several thin shadows instead of one soft one'
        : `${degrees(found.angleDeg)} of softness instead of ${degrees(shot.softnessDeg)}`;
    case 'evenness':
      return found.evennessStops === null
        ? 'its evenness is not known'
        : `even to ± ${found.evennessStops.toFixed(2)} stops instead of ± ${shot.evennessStops}`;
    case 'colour':
      return `${Math.round(found.miredOff)} mired off the shot’s colour instead of ${wishes.mostMired}`;
    case 'cri':
      return found.ra === null
        ? 'its CRI is not stated'
        : `CRI ${Math.round(found.ra)} instead of ${wishes.leastRa}`;
    case 'flicker':
      return 'it beats with the mains at this shutter';
    case 'money':
      return found.priced
        ? `${money(found.nowMinor - (shot.budgetMinor ?? 0), writing)} more`
        : 'not everything in it has a price';
    case 'hours':
      return `${hours(found.hours - (wishes.mostHours ?? 0))} more of work`;
    case 'watts':
      return `${Math.round(found.watts - (wishes.mostW ?? 0))} W more`;
    case 'mass':
      return found.massKg === null
        ? 'its mass is not stated'
        : `${(found.massKg - (wishes.mostKg ?? 0)).toFixed(1)} kg more`;
    case 'folded':
      return found.foldedM === null
        ? 'its size is not stated'
        : `${metres(found.foldedM - (wishes.mostFoldedM ?? 0))} longer in the car`;
    case 'skill':
      return 'more practice than was asked for';
  }
}

/** Every hard wish a light misses, in words. */
export const allMissWords = (found: Judged, question: Pick<Question, 'shot'>, writing: Writing) =>
  missesOf(found, question)
    .filter(({ hard }) => hard)
    .map(({ wish }) => missWords(found, wish, question, writing));

export const FALL_WORDS: Record<Fall, string> = {
  mains: 'made for another mains',
  owned: 'not on hand',
  unmakeable: 'cannot be made of what the shelf has',
  stop: 'refused as unsafe',
  wish: 'miss a hard wish',
};
