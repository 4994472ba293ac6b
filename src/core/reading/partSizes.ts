import type { FinishId } from '../materials/finish';
import type { Role } from '../materials/part';
import { Line, re, START, word, END } from './line';
import { TIGHT_NUMBER } from './number';
import { metres } from './sizes';

/** Densities, stiffness and what heat does: typical of the stuff [typ; from memory]. */
const STUFF: {
  words: string;
  densityKgPerM3: number;
  burns: 'wood' | 'foam' | 'no';
  stiffnessGPa: number;
  wallM: number;
}[] = [
  {
    words: String.raw`alu\p{L}*`,
    densityKgPerM3: 2700,
    burns: 'no',
    stiffnessGPa: 70,
    wallM: 0.0015,
  },
  {
    words: String.raw`steel|stahl\p{L}*|acier|acero|blech|t[oô]le|chapa|galvani[sz]ed|verzinkt\p{L}*`,
    densityKgPerM3: 7850,
    burns: 'no',
    stiffnessGPa: 200,
    wallM: 0.0015,
  },
  {
    words: String.raw`copper|kupfer\p{L}*|cuivre|cobre`,
    densityKgPerM3: 8900,
    burns: 'no',
    stiffnessGPa: 120,
    wallM: 0.001,
  },
  {
    words: String.raw`pvc|abs|plastic|kunststoff\p{L}*|plastique|pl[aá]stico|conduit|installationsrohre?|ht-?rohre?`,
    densityKgPerM3: 1400,
    burns: 'foam',
    stiffnessGPa: 3,
    wallM: 0.0018,
  },
  { words: String.raw`mdf|hdf`, densityKgPerM3: 720, burns: 'wood', stiffnessGPa: 3, wallM: 0 },
  {
    words: String.raw`plywood|ply|sperrholz\p{L}*|multiplex|contreplaqu[eé]|contrachapado|birch`,
    densityKgPerM3: 600,
    burns: 'wood',
    stiffnessGPa: 9,
    wallM: 0,
  },
  {
    words: String.raw`chipboard|spanplatte|osb|agglom[eé]r[eé]|aglomerado`,
    densityKgPerM3: 650,
    burns: 'wood',
    stiffnessGPa: 3,
    wallM: 0,
  },
  {
    words: String.raw`foam ?(?:board|core)|carton plume|cart[oó]n pluma|leichtschaumplatte`,
    densityKgPerM3: 90,
    burns: 'foam',
    stiffnessGPa: 0.5,
    wallM: 0,
  },
  {
    words: String.raw`styro\p{L}*|hartschaum\p{L}*|insulation|polystyrene|xps|eps`,
    densityKgPerM3: 35,
    burns: 'foam',
    stiffnessGPa: 0.5,
    wallM: 0,
  },
  {
    words: String.raw`acryl\p{L}*|plexi\p{L}*|perspex|pmma|m[eé]tacrilato`,
    densityKgPerM3: 1190,
    burns: 'foam',
    stiffnessGPa: 3,
    wallM: 0.002,
  },
  {
    words: String.raw`polycarbonat\p{L}*|policarbonato`,
    densityKgPerM3: 1200,
    burns: 'foam',
    stiffnessGPa: 2.3,
    wallM: 0.002,
  },
  {
    words: String.raw`wood\p{L}*|holz\p{L}*|bois|madera|dowels?|rundstab|kantholz|dachlatten?|tasseau\p{L}*|list[oó]n|batten`,
    densityKgPerM3: 500,
    burns: 'wood',
    stiffnessGPa: 10,
    wallM: 0,
  },
];
const stuffOf = (text: string) => STUFF.find(({ words }) => word(words).test(text)) ?? null;

const UNIT = String.raw`(mm|cm|m|ft|in|["”])`;
const lengthsIn = (text: string): number[] =>
  [...text.matchAll(re(`${START}(${TIGHT_NUMBER})\\s*${UNIT}${END}`))].map(([, figure, unit]) =>
    metres(figure!, unit!),
  );
/** “1220 x 610 mm”, “60 × 30 cm”, “600x300”: two or three figures with one unit, millimetres without any. */
function sidesIn(text: string): number[] {
  const found = re(
    `${START}(${TIGHT_NUMBER})\\s*(?:${UNIT}\\s*)?[x×]\\s*(${TIGHT_NUMBER})(?:\\s*(?:${UNIT}\\s*)?[x×]\\s*(${TIGHT_NUMBER}))?\\s*${UNIT}?${END}`,
  ).exec(text);
  if (!found) return [];
  const [, a, ofA, b, ofB, c, last] = found;
  return [
    [a, ofA],
    [b, ofB],
    [c, undefined],
  ].flatMap(([figure, unit]) => (figure ? [metres(figure, unit ?? last ?? 'mm')] : []));
}
const round = (value: number): number => Number(value.toPrecision(6));
const inside = (min: number, max: number) => (value: number | undefined) =>
  value !== undefined && value >= min && value <= max ? round(value) : undefined;
/** Paper sizes of ISO 216, in metres. */
const PAPER: Record<string, [number, number]> = {
  A0: [1.189, 0.841],
  A1: [0.841, 0.594],
  A2: [0.594, 0.42],
  A3: [0.42, 0.297],
  A4: [0.297, 0.21],
};

type Fields = Record<string, unknown>;
type Reader = (text: string, lengths: readonly number[]) => Fields;

const stick: Reader = (text, lengths) => {
  const stuff = stuffOf(text);
  const [side] = sidesIn(text);
  const across = inside(0.003, 0.4)(side ?? lengths.find((each) => each <= 0.2));
  const long = inside(0.3, 12)(lengths.find((each) => each > 0.2));
  const wall = stuff?.wallM ?? 0.0018;
  const hollow = wall > 0 && across !== undefined && across > 2 * wall;
  const section =
    across === undefined
      ? undefined
      : hollow
        ? Math.PI * (across - wall) * wall
        : (Math.PI / 4) * across ** 2;
  return {
    diameterM: across,
    stockLengthM: long,
    wallM: stuff || across ? wall : undefined,
    stiffnessGPa: stuff?.stiffnessGPa,
    massKgPerM: stuff && section ? round(section * stuff.densityKgPerM3) : undefined,
  };
};

const sheet: Reader = (text, lengths) => {
  const stuff = stuffOf(text);
  const paper = PAPER[/(?<![\p{L}\d])A[0-4](?!\d)/u.exec(text)?.[0] ?? ''];
  const sides = sidesIn(text).toSorted((a, b) => b - a);
  const thin = sides.length === 3 ? sides[2] : lengths.find((each) => each <= 0.06);
  return {
    widthM: inside(0.05, 4)(sides[0] ?? paper?.[0]),
    heightM: inside(0.05, 4)(sides[1] ?? paper?.[1]),
    thicknessM: inside(0.0005, 0.06)(thin),
    densityKgPerM3: stuff?.densityKgPerM3,
    burns: stuff?.burns,
  };
};

const widthOf: Reader = (text, lengths) => {
  const sides = sidesIn(text);
  return {
    widthM: inside(0.1, 6)(sides[0] ?? lengths.find((each) => each >= 0.1)),
    ...rollOf(text),
  };
};
const rollOf = (text: string): Fields => {
  const long = lengthsIn(text)
    .filter((each) => each >= 2)
    .at(-1);
  return { packSize: inside(0.5, 200)(long) };
};

/** What the words say of the inside: a baking tin is of tinned steel [common practice]; of a bucket nobody knows. */
const INSIDES: [FinishId, RegExp][] = [
  ['foil-tape', /alu/i],
  ['white-emulsion', /enamel|email|[ée]mail|esmaltad|white|wei[sß]|blanc/i],
  [
    'tinned-steel',
    /tin(?:s|ned)?(?!\p{L})|verzinnt|wei[sß]blech|springform|backform|kuchenform|moule|molde|hojalata|fer-blanc/iu,
  ],
];

/** A tin, a pan, a bucket. */
const vessel: Reader = (text, lengths) => ({
  kind: 'other',
  diameterM: inside(0.05, 2)(lengths.find((each) => each >= 0.05)),
  depthM: inside(0.01, 0.6)(lengths.filter((each) => each >= 0.02)[1]),
  inside: INSIDES.find(([, says]) => says.test(text))?.[0],
});

const volts = (text: string) =>
  Number(re(`${START}(\\d{1,2})\\s*v(?:dc)?${END}`).exec(text)?.[1] ?? NaN);
const watts = (text: string) => Number(re(`${START}(\\d{1,5})\\s*w${END}`).exec(text)?.[1] ?? NaN);
const given = (value: number, min: number, max: number) =>
  value >= min && value <= max ? value : undefined;

const READERS: Partial<Record<Role, Reader>> = {
  stick,
  sheet,
  cloth: widthOf,
  diffusion: widthOf,
  hardware: (text, lengths) => (isVessel(text) ? vessel(text, lengths) : {}),
  round: (_, lengths) => ({ diameterM: inside(0.01, 2)(lengths[0]) }),
  supply: (text) => ({ voltageV: given(volts(text), 3, 60), ratedW: given(watts(text), 1, 2000) }),
  dimmer: (text) => ({ maximumW: given(watts(text), 10, 10_000) }),
  socket: (text) => {
    const base = new Line(text).words.match(/E27|E26|E14|E12|B22|GU10/i)?.[0]?.toUpperCase();
    return { base, ratedW: given(watts(text), 1, 1000) };
  },
};

const VESSEL = word(
  String.raw`(?:cake|pizza|baking|cookie|biscuit|roasting)? ?(?:tins?|pans?|bowls?|buckets?)|baking trays?|springform|backform|kuchenform|pizzablech|topf|sch[uü]ssel|eimer|moule(?: [àa] g[aâ]teau)?|bassine|seau|saladier|molde|cubo|cuenco|sart[eé]n`,
);
export const isVessel = (text: string): boolean => text.search(VESSEL) >= 0;

/** Sizes and stuff of a thing that gives no light, as its line says them; what it does not say is left out. */
export function partSizes(text: string, role: Role): Fields {
  const read = READERS[role]?.(text, lengthsIn(text)) ?? {};
  return Object.fromEntries(Object.entries(read).filter(([, value]) => value !== undefined));
}
