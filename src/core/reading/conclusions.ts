import { between, END, Line, number } from './line';
import { printedNumber } from './number';

const CATEGORY_WORDS: [string, RegExp][] = [
  [
    'strip',
    /\b(?:strip|led[- ]?tape|light tape|streifen|led[- ]?band|lichtband|ruban|bande led|tira|cinta)\b/i,
  ],
  [
    'work-light',
    /work ?light|flood ?light|strahler|arbeitsleuchte|flutlicht|fluter|projecteur|foco de obra|proyector/i,
  ],
  ['panel', /\bpanel\b|panneau|\bdalle\b/i],
  [
    'tube',
    /\btubes?\b|r[oö]hre|\btubo\b|\bT5\b|\bT8\b|\bT12\b|batten|lichtleiste|r[eé]glette|regleta/i,
  ],
  [
    'bulb',
    /bulb|globe|birne|gl[uü]h|ampoule|bombilla|candle|kerze|bougie|\bvela\b|corn|maiskolben|\bma[ií]z\b|reflektor|spot|l[aá]mpara|\blampe\b|filament/i,
  ],
];
const KIND_WORDS: [string, RegExp][] = [
  ['led-filament', /filament|fadenlampe|filamento|\bfil\b/i],
  ['corn', /\bcorn\b|maiskolben|ma[iï]s\b|ma[ií]z/i],
  ['cfl', /\bCFL\b|energy[- ]?sav|energiespar|fluo-?compact|bajo consumo/i],
  ['halogen', /hal[oó]g[eéè]n/i],
  ['incandescent', /incandescen|gl[uü]hlampe|gl[uü]hbirne/i],
  ['led', /\bled\b/i],
];

/** What shops call their whites [common practice]. */
const COLOUR_WORDS: [number, RegExp][] = [
  [2700, /extra warm|warm ?white|warm ?wei[sß]|blanc chaud|blanco c[aá]lido|luz c[aá]lida/i],
  [4000, /neutral ?white|neutral ?wei[sß]|blanc neutre|blanco neutro|cool white/i],
  [
    6500,
    /daylight|tageslicht|kalt ?wei[sß]|blanc froid|lumi[eè]re du jour|luz fr[ií]a|blanco fr[ií]o/i,
  ],
];

/** “60 W = 8 W” is printed too: no LED takes more watts than the lamp it replaces. */
function swapClaim(line: Line): void {
  const watts = line.fields.find(({ field }) => field === 'wattsW');
  const claim = line.fields.find(({ field }) => field === 'equivalentW');
  if (!watts || !claim || watts.value <= claim.value) return;
  [watts.value, claim.value] = [claim.value, watts.value];
  [watts.text, claim.text] = [claim.text, watts.text];
  [watts.at, claim.at] = [claim.at, watts.at];
  watts.sure = 'likely';
  claim.sure = 'likely';
}

/** What follows from the fields and words together. */
export function conclusions(line: Line): void {
  const { text } = line;
  const say = ([, words]: readonly [unknown, RegExp]) => words.exec(text)?.[0];
  const worded = CATEGORY_WORDS.find(say);
  const byMetre = (['wattsPerM', 'lumensPerM', 'ledsPerM'] as const).some(line.has);
  if (byMetre) line.conclude('category', 'strip', 'figures a metre', 'sure');
  else if (line.has('base')) line.conclude('category', 'bulb', 'its base', 'sure');
  else if (worded) line.conclude('category', worded[0], say(worded)!, 'likely');
  const category = line.fields.find(({ field }) => field === 'category')?.value;
  if (category === 'strip') stripLengths(line);
  else line.take('lengthM', number(`(?:mm)${END}`), between(0.02, 3, false, 0.001), 'likely');
  if (category === 'tube') {
    line.take('lengthM', number(`(?:cm|m)${END}`), tubeLength, 'likely');
    line.take('lengthM', number(FEET), between(0.1, 3, false, 0.3048), 'guess');
  }
  swapClaim(line);
  const white = COLOUR_WORDS.find(say);
  if (white) line.conclude('cctK', white[0], say(white)!, 'guess');
  if (category === 'bulb') {
    const kind = KIND_WORDS.find(say);
    // A claim of watts replaced, or more light than a filament gives, is an LED's.
    if (kind) line.conclude('kind', kind[0], say(kind)!, kind[0] === 'led' ? 'likely' : 'sure');
  }
}

const tubeLength = (match: RegExpExecArray): number | null => {
  const value = printedNumber(match[1]!) * (/cm/i.test(match[0]) ? 0.01 : 1);
  return value >= 0.1 && value <= 3 ? value : null;
};

const FEET = `(?:ft|feet|foot)${END}`;

/** Lengths on a tape's label: the reel, its width, and LED of the whole reel. */
function stripLengths(line: Line): void {
  line.take('reelLengthM', number(`m(?:et(?:er|re|ro)s?|ètres?)?${END}(?!m)`), between(0.3, 100));
  line.take('reelLengthM', number(FEET), between(0.3, 100, false, 0.3048), 'likely');
  perMetre(line);
  line.take('tapeWidthM', number(`mm${END}`), between(0.003, 0.05, false, 0.001), 'likely');
  const reel = line.fields.find(({ field }) => field === 'reelLengthM')?.value;
  if (typeof reel !== 'number') return;
  line.take(
    'ledsPerM',
    number(`(?:leds?|smd)${END}`),
    (match) => {
      const perM = printedNumber(match[1]!, true) / reel;
      return perM >= 5 && perM <= 1000 ? Math.round(perM) : null;
    },
    'likely',
  );
}

/** Watts and lumens of a tape that are a metre's, or those of its reel. */
function perMetre(line: Line): void {
  const spoken = /per met|pro meter|par m[eè]tre|por metro/i.test(line.text);
  const reel = line.fields.find(({ field }) => field === 'reelLengthM')?.value;
  for (const [whole, metre] of [
    ['wattsW', 'wattsPerM'],
    ['luminousFluxLm', 'lumensPerM'],
  ] as const) {
    const found = line.fields.find(({ field }) => field === whole);
    if (!found) continue;
    found.sure = 'guess';
    if (line.has(metre)) continue;
    const value = Number(found.value) / (spoken ? 1 : typeof reel === 'number' ? reel : NaN);
    if (Number.isFinite(value))
      line.conclude(metre, Number(value.toPrecision(3)), found.text, spoken ? 'likely' : 'guess');
  }
}
