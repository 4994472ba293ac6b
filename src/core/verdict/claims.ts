/** What a seller may put a number on. */
export const MEASURES = {
  watts: { name: 'watts', what: 'what it takes from the wall, which says nothing of light' },
  lumens: { name: 'lumens', what: 'all light it sends anywhere' },
  lux: { name: 'lux', what: 'light on a place, at a distance' },
} as const;
export type MeasureId = keyof typeof MEASURES;

/** What stood before the light while it was measured. */
export const FRONTS = {
  unknown: 'not said',
  bare: 'bare, without a modifier',
  reflector: 'with its reflector or lens',
  soft: 'behind its dome, box or diffusion',
} as const;
export type FrontId = keyof typeof FRONTS;

/** What is claimed of one light; null for what nobody says. */
export interface Claimed {
  name: string;
  watts: number | null;
  lumens: number | null;
  lux: number | null;
  /** of the lux, m */
  atM: number | null;
  front: FrontId;
  priceMinor: number | null;
}

/** “18 % more powerful at a tenth of the cost.” */
export interface Claim {
  /** share more than the other: 0.18; null where no such claim is made */
  more: number | null;
  /** share of the other’s price: 0.1; null where no such claim is made */
  priceShare: number | null;
  one: Claimed;
  other: Claimed;
}

/** One measure of both lights, compared as it was claimed and as it should be. */
export interface Ratio {
  measure: MeasureId;
  /** the first over the second, as typed */
  asTold: number;
  /** of lux, both brought to one distance by the inverse square; null where it cannot be */
  likeForLike: number | null;
  /** it is what the claim says, within a twentieth */
  isClaimed: boolean;
}

export interface Checked {
  ratios: Ratio[];
  /** of the prices; null where one is missing */
  priceRatio: number | null;
  /** the claim’s price is what the prices say, within a twentieth; null where it cannot be told */
  priceHolds: boolean | null;
  /** the measure the claim seems to rest on; null where none gives it */
  restsOn: MeasureId | null;
  /** what the comparison is worth, and what is missing to know */
  words: string[];
}

/** Rounded numbers of a claim are met this nearly. */
const NEAR = 0.05;
const near = (a: number, b: number): boolean => Math.abs(a / b - 1) <= NEAR;

const MEASURE_IDS = Object.keys(MEASURES) as MeasureId[];

function ratioOf(measure: MeasureId, { one, other, more }: Claim): Ratio[] {
  const [a, b] = [one[measure], other[measure]];
  if (a === null || b === null || !(b > 0)) return [];
  const asTold = a / b;
  const likeForLike = measure === 'lux' ? fairLux(one, other) : measure === 'watts' ? null : asTold;
  return [{ measure, asTold, likeForLike, isClaimed: more !== null && near(asTold, 1 + more) }];
}

/** Lux at one distance, by the inverse square: only as good as both stand far off their fronts. */
function fairLux(one: Claimed, other: Claimed): number | null {
  if (one.lux === null || other.lux === null || one.atM === null || other.atM === null) return null;
  return (one.lux * one.atM ** 2) / (other.lux * other.atM ** 2);
}

/** What was compared, what the like-for-like figure is, and what is missing to know. */
export function checkClaim(claim: Claim): Checked {
  const { one, other, more, priceShare } = claim;
  const ratios = MEASURE_IDS.flatMap((measure) => ratioOf(measure, claim));
  const priceRatio =
    one.priceMinor === null || !other.priceMinor ? null : one.priceMinor / other.priceMinor;
  const restsOn = ratios.find(({ isClaimed }) => isClaimed)?.measure ?? null;
  return {
    ratios,
    priceRatio,
    priceHolds: priceShare === null || priceRatio === null ? null : near(priceRatio, priceShare),
    restsOn,
    words: [
      ...moreWords(claim, ratios, restsOn),
      ...frontWords(claim, ratios),
      ...missing(claim, more),
    ],
  };
}

const percent = (ratio: number): string =>
  ratio >= 1
    ? `${Math.round((ratio - 1) * 100)} % more`
    : `${Math.round((1 - ratio) * 100)} % less`;
const stops = (ratio: number): string => `${Math.abs(Math.log2(ratio)).toFixed(1)} stops`;

function moreWords({ more }: Claim, ratios: readonly Ratio[], restsOn: MeasureId | null): string[] {
  if (more === null) return [];
  const claimed = percent(1 + more);
  const lux = ratios.find(({ measure }) => measure === 'lux');
  const lumens = ratios.find(({ measure }) => measure === 'lumens');
  const real = lux?.likeForLike ?? lumens?.likeForLike ?? null;
  const said =
    restsOn === 'watts'
      ? [`“${claimed}” is said of watts: what goes in, not what comes out.`]
      : restsOn === 'lux' && lux!.likeForLike !== null && !near(lux!.likeForLike, lux!.asTold)
        ? [`“${claimed}” compares lux at two distances.`]
        : restsOn
          ? [`“${claimed}” is said of ${MEASURES[restsOn].name}.`]
          : ratios.length > 0
            ? [`No figure that is told gives “${claimed}”.`]
            : [];
  const fair =
    real === null
      ? []
      : [
          `Like for like it gives ${percent(real)} light, ${stops(real)}${Math.abs(Math.log2(real)) < 1 / 3 ? ': nobody sees a third of a stop' : ''}.`,
        ];
  return [...said, ...fair];
}

function frontWords({ one, other }: Claim, ratios: readonly Ratio[]): string[] {
  const light = ratios.some(({ measure }) => measure !== 'watts');
  if (!light) return [];
  if (one.front === 'unknown' || other.front === 'unknown')
    return ['Whether a modifier was on is not said of both: a dome alone takes one to two stops.'];
  return one.front === other.front
    ? []
    : [
        `One was measured ${FRONTS[one.front]}, the other ${FRONTS[other.front]}: that is two different lights.`,
      ];
}

function missing({ one, other, priceShare }: Claim, more: number | null): string[] {
  const both = (of: (light: Claimed) => unknown) => of(one) !== null && of(other) !== null;
  const lacks = [
    ...(more !== null && !both(({ lux }) => lux) ? ['lux of both at one distance'] : []),
    ...(both(({ lux }) => lux) && !both(({ atM }) => atM) ? ['the distance of the lux'] : []),
    ...(priceShare !== null && !both(({ priceMinor }) => priceMinor) ? ['both prices'] : []),
  ];
  return lacks.length > 0 ? [`Missing to know: ${lacks.join(', ')}.`] : [];
}
