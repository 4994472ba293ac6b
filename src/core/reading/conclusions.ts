import type { Category } from '../units/unit';
import { word, type Line } from './line';
import { namedLength, stripLengths, tubeLengths } from './sizes';

const CATEGORY_WORDS: [Category, RegExp][] = [
  [
    'strip',
    word(
      String.raw`strips?|stripes?|\p{L}*led[- ]?tape|light[- ]?tape|tape light|\p{L}*streifen|(?:\p{L}*[- ])?(?:led|licht)[- ]?b[aä]nd(?:er)?|ruban|bandeau|bande led|tira|cinta`,
    ),
  ],
  [
    'work-light',
    word(
      String.raw`(?:work|site|flood) ?(?:lights?|lamps?)|flood|\p{L}*strahler|arbeits(?:leuchte|scheinwerfer|lampe|licht)|bau(?:scheinwerfer|lampe|leuchte)|flutlicht\p{L}*|fluter|projecteurs?|lampe de (?:chantier|travail)|phare de travail|(?:foco|l[aá]mpara|luz) de (?:obra|trabajo)|proyector(?:es)?|foco proyector`,
    ),
  ],
  ['panel', word(String.raw`(?:led[- ]?)?panels?|\p{L}*paneel|panneau|dalle`)],
  [
    'tube',
    word(
      String.raw`\p{L}*tubes?|\p{L}*r[oö]hren?|tubos?|T5|T8|T12|batten|(?:led[- ]?|licht)?leisten?|r[eé]glettes?|regletas?|barra|(?:led|light)[- ]?bars?`,
    ),
  ],
  [
    'bulb',
    word(
      String.raw`\p{L}*bulbs?|\p{L}*globes?|globo|\p{L}*birnen?|gl[uü]h\p{L}*|\p{L}*ampoules?|bombillas?|bombillo|candles?|\p{L}*kerzen?|bougies?|flamme|vela|corn|maiskolben|ma[ií]z|\p{L}*reflektor\p{L}*|spots?|spotlight|l[aá]mpara|\p{L}*lampen?|lamps?|filament\p{L}*|leuchtmittel`,
    ),
  ],
];
const KIND_WORDS: [string, RegExp][] = [
  ['led-filament', word(String.raw`filament\p{L}*|fadenlampe|[aà] fil`)],
  ['corn', word(String.raw`corn|maiskolben|ma[iï]s|ma[ií]z`)],
  [
    'cfl',
    word(
      String.raw`cfl|energy[- ]?sav\p{L}*|\p{L}*energiespar\p{L}*|fluo-?compact\p{L}*|bajo consumo|basse consommation`,
    ),
  ],
  ['halogen', word(String.raw`\p{L}*hal[oó]g[eéèo]n\p{L}*|eco-?halog\p{L}*`)],
  ['incandescent', word(String.raw`incandescen\p{L}*|gl[uü]hlampen?|gl[uü]hbirnen?`)],
  ['led', word(String.raw`\p{L}*led`)],
];

/** What shops call their whites [common practice]. */
const COLOUR_WORDS: [number, RegExp][] = [
  [
    2700,
    /extra warm|warm ?white|warm-?wei[sß]{1,2}|blanc chaud|blanco c[aá]lido|luz c[aá]lida|lumi[eè]re chaude/i,
  ],
  [4000, /neutral ?white|neutral-?wei[sß]{1,2}|blanc neutre|blanco neutro|luz neutra|cool white/i],
  [
    6500,
    /daylight|tageslicht|kalt-?wei[sß]{1,2}|blanc froid|lumi[eè]re du jour|luz (?:fr[ií]a|d[ií]a)|blanco fr[ií]o/i,
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

const saidIn = <T>(text: string, table: readonly (readonly [T, RegExp])[]) => {
  for (const [value, pattern] of table) {
    const found = text.match(pattern)?.[0];
    if (found) return { value, text: found.trim() };
  }
  return null;
};

function categoryOf(line: Line): void {
  const worded = saidIn(line.words, CATEGORY_WORDS);
  const byMetre = (['wattsPerM', 'lumensPerM', 'ledsPerM'] as const).some(line.has);
  if (byMetre) line.conclude('category', 'strip', 'figures a metre', 'sure');
  else if (line.has('base')) line.conclude('category', 'bulb', 'its base', 'sure');
  else if (worded) line.conclude('category', worded.value, worded.text, 'likely');
}

/** What gives the light of a tube or a work light; a bulb's kind says more. */
function lampOf(line: Line, category: unknown): void {
  const kind = saidIn(line.words, KIND_WORDS);
  if (category === 'bulb' && kind)
    line.conclude('kind', kind.value, kind.text, kind.value === 'led' ? 'likely' : 'sure');
  if (category === 'work-light' && kind?.value === 'halogen')
    line.conclude('lamp', 'halogen', kind.text, 'sure');
  if (category === 'work-light' && kind?.value === 'led')
    line.conclude('lamp', 'led', kind.text, 'likely');
  if (category !== 'tube') return;
  const fluorescent = /fluor\p{L}*|leuchtstoff\p{L}*/iu.exec(line.words)?.[0];
  if (fluorescent) line.conclude('lamp', 'fluorescent', fluorescent, 'sure');
  else if (kind?.value === 'led') line.conclude('lamp', 'led-tube', kind.text, 'likely');
}

/** What follows from the fields and words together; a thing that gives no light is of no kind of unit. */
export function conclusions(line: Line, isGear: boolean): void {
  if (!isGear) categoryOf(line);
  const category = line.valueOf('category');
  if (category === 'strip') stripLengths(line);
  if (category === 'tube') tubeLengths(line);
  if (category === 'bulb') namedLength(line);
  swapClaim(line);
  const white = isGear ? null : saidIn(line.words, COLOUR_WORDS);
  if (white && !line.has('colour')) line.conclude('cctK', white.value, white.text, 'guess');
  lampOf(line, category);
}
