import type { Base } from '../electrics/caps';
import { conclusions } from './conclusions';
import { gearIn, type Gear } from './gear';
import {
  between,
  big,
  END,
  FOOT,
  FOOT_M,
  Line,
  LITTLE_W,
  METRE,
  number,
  re,
  spaced,
  START,
  word,
  type FoundField,
} from './line';
import { readMoney } from './money';
import { TIGHT_NUMBER } from './number';
import { sizes, wordedSizes } from './sizes';
import { power } from './watts';

export { READ_FIELDS, type FoundField, type ReadField, type Sureness } from './line';

interface ReadLine {
  text: string;
  fields: FoundField[];
  /** words with figures in them that were not understood */
  left: string[];
  /** it gives no light: what it is instead */
  gear: Gear | null;
}

/**
 * Reads one product line as shops print it in English, German, French or Spanish. What is not understood
 * is left out and named; nothing is made up.
 */
export function readLine(text: string): ReadLine {
  const line = new Line(text);
  const settlePrice = readMoney(line);
  beside(line);
  named(line);
  labels(line);
  packs(line);
  tape(line);
  power(line);
  volts(line);
  light(line);
  wordedSizes(line);
  sizes(line);
  words(line);
  const gear = gearIn(line);
  conclusions(line, gear !== null);
  settlePrice();
  return {
    text,
    fields: line.fields.toSorted((a, b) => (a.at < 0 ? 1e6 : a.at) - (b.at < 0 ? 1e6 : b.at)),
    left: (line.rest.match(/[^\s·]*\d[^\s·]*/gu) ?? []).filter((each) => /[\p{L}\d]/u.test(each)),
    gear,
  };
}

/** Figures that are about something else: what the power costs, a cable, a warranty, standing by. */
function beside(line: Line): void {
  line.drop(
    re(
      `${START}${TIGHT_NUMBER}\\s*kwh(?:\\s*(?:\\/|pro|per|par|por)\\s*1[.,’ ]?000\\s*(?:h|std|stunden|heures|horas|hours)\\p{L}*\\.?)?`,
    ),
  );
  line.drop(
    re(`(?:\\/|pro|per|par|por)\\s*1[.,’ ]?000\\s*(?:h|std|stunden|heures|horas|hours)${END}`),
  );
  const standing = '(?:standby|stand-by|bereitschaft|veille|en espera)';
  line.drop(re(`${standing}\\p{L}*\\s*[:<≤]*\\s*${TIGHT_NUMBER}\\s*w${END}`));
  line.drop(re(`${START}${TIGHT_NUMBER}\\s*w\\s*(?:in |en )?${standing}`));
  line.drop(
    re(
      `${START}${TIGHT_NUMBER}\\s*(?:m|cm|ft)\\s*-?(?:lang\\p{L}*\\s+)?(?:de\\s+)?(?:c[aâ]bles?|cords?|leads?|flex|kabel|zuleitung|anschlusskabel|netzkabel|cordon)${END}|(?<!\\p{L})\\p{L}*(?:c[aâ]bles?|cords?|leads?|kabel|zuleitung|cordon)\\s*(?:of|de|:|,|mit|length|l[aä]nge)?\\s*${TIGHT_NUMBER}\\s*(?:m|cm|ft)${END}`,
    ),
  );
  line.drop(
    re(
      `${START}\\d{1,2}\\s*-?\\s*(?:years?|yr|jahre?|ans?|a[ñn]os?)(?:\\s*(?:warranty|guarantee|garantie|garant[ií]a))?${END}`,
    ),
  );
  line.drop(
    re(
      `(?<!\\p{L})(?:ab|from|desde|d[eè]s|[aà] partir de)\\s+\\d+\\s*(?:st\\p{L}*|pcs|pieces|pi[eè]ces|uds?|unidades)${END}`,
    ),
  );
  line.drop(re(`${START}\\d{2}(?:\\s*[\\/-]\\s*\\d{2})?\\s*hz${END}`));
  // Sizes of a diode's case.
  line.drop(
    re(
      `(?<!\\d)(?:2216|2110|2835|3014|3030|3528|4040|5050|5630|5730)(?=\\s?smd)|(?<=smd\\s?-?)(?:2216|2110|2835|3014|3030|3528|4040|5050|5630|5730)(?!\\d)`,
    ),
  );
  // What a holder may carry is not what it takes.
  line.drop(
    re(
      `(?:max(?:\\.|imum|imal)?|m[aá]x(?:imo|\\.)?|up to|bis zu|jusqu[’']à|hasta)\\s*:?\\s*${TIGHT_NUMBER}\\s*${LITTLE_W}${END}`,
    ),
  );
}

function tape(line: Line): void {
  const lumens = `(?:lumens?|l[uú]menes|lm)`;
  const leds = `(?:leds?|smd|chips?|px|pixels?|p[ií]xel(?:es)?|dioden?|diodes?|diodos?|pcs|d)`;
  line.take('wattsPerM', number(`${LITTLE_W}${METRE}`), between(0.5, 60));
  line.take('wattsPerM', number(`${LITTLE_W}${FOOT}`), between(0.5, 60, false, 1 / FOOT_M));
  line.take('lumensPerM', big(`${lumens}${METRE}`), between(1, 10_000, true), spaced);
  line.take('lumensPerM', big(`${lumens}${FOOT}`), between(1, 10_000, true, 1 / FOOT_M), spaced);
  line.take('ledsPerM', number(`${leds}${METRE}`), between(5, 1000, true));
  line.take('ledsPerM', number(`${leds}${FOOT}`), between(5, 1000, true, 1 / FOOT_M));
}

/** “Watts: 9.5; Lumens: 800”: the word first, and no other unit behind it (“800 lumens = 60 watts”). */
function named(line: Line): void {
  const after = (names: string, unit: string) =>
    re(
      `${START}(?<!\\d\\s?)(?:${names})\\s*(?:\\([^)\\d]{1,8}\\)\\s*)?[:=]\\s*(${TIGHT_NUMBER})(?:\\s*(?:${unit}))?(?!\\s*(?:\\p{L}+(?!\\p{L}|\\s*[:=])|°|%))(?!\\s*[–~\\/-]\\s*\\d)`,
    );
  line.take(
    'wattsW',
    after('watts?|wattage|wattzahl|power|leistung(?:saufnahme)?|puissance|potencia', LITTLE_W),
    between(0.1, 5000),
  );
  line.take(
    'luminousFluxLm',
    after(
      'lumens?|brightness|light output|luminous flux|lichtstrom|flux(?: lumineux)?|flujo(?: luminoso)?|l[uú]menes|luminosidad',
      'lm|lumens?',
    ),
    between(1, 1_000_000, true),
  );
  line.take(
    'cctK',
    after(
      'kelvin|cct|colou?r temp(?:erature|\\.)?|farbtemperatur|lichtfarbe|temp[eé]rature de couleur|temperatura de color',
      'k|kelvin',
    ),
    between(1000, 20_000, true),
  );
}

const RENDERING = String.raw`(?:CRI|IRC|Ra|colou?r rendering(?: index)?|farbwiedergabe(?:index)?|(?:indice de )?rendu(?: des couleurs)?|(?:[ií]ndice de )?reproducci[oó]n crom[aá]tica)`;

function labels(line: Line): void {
  line.take(
    'base',
    re(
      `${START}(E\\s?-?27|E\\s?-?26|E\\s?-?14|E\\s?-?12|B\\s?-?22d?|GU\\s?-?10|GU\\s?-?5[.,]3)(?![.,]?\\d)(?!\\p{L})`,
    ),
    ([, base]) => baseOf(base!),
  );
  // Abbreviations of the British trade; “es” is a word in half of Europe.
  line.take(
    'base',
    new RegExp(`${START}(SES|ES|BC)${END}`, 'gu'),
    ([, base]) => baseOf(base!),
    'likely',
  );
  line.take(
    'criRa',
    re(
      `(?<!\\p{L})${RENDERING}(?:\\s*\\(?(?:Ra|CRI)\\)?)?\\s*(?:[>≥=:~]|mind\\.?|min\\.?|of|von|de|at least|[uü]ber|over|ca\\.?|\\s){0,5}(\\d{2,3}(?:[.,]\\d)?)(?!\\d|\\s*(?:k|lm|w|v)${END})\\s*\\+?`,
    ),
    between(20, 100),
  );
  line.take(
    'criRa',
    re(`${START}(?:[>≥]\\s*)?(\\d{2})\\s*\\+?\\s*(?:CRI|IRC|Ra)${END}`),
    between(20, 100),
  );
  line.take('coated', re(`${START}IP\\s?-?(\\d{2})${END}`), ([, ip]) => Number(ip) >= 44, 'likely');
  const hours = String.raw`(?:h(?:ours|rs|eures|oras)?|std\.?|(?:betriebs)?stunden)`;
  line.take(
    'ratedLifeH',
    re(`${START}(\\d{1,3})\\s*k\\s*-?${hours}${END}`),
    ([, k]) => Number(k) * 1000,
  );
  line.take('ratedLifeH', big(`${hours}${END}`), between(100, 200_000, true), spaced);
}

const baseOf = (text: string): Base => {
  const base = text.replace(/[\s-]/g, '').replace(',', '.').toUpperCase();
  const english: Record<string, Base> = { ES: 'E27', SES: 'E14', BC: 'B22', B22D: 'B22' };
  return english[base] ?? (base as Base);
};

const BULBS = String.raw`(?:(?:led|e27|e14|gu10|b22)[- ]?)?(?:bulbs?|globes?|lamps?|lampen|birnen|leuchtmittel|ampoules?|bombillas?|tubes?|r[oö]hren|spots?|focos?|panels?|strips?)`;

function packs(line: Line): void {
  const many = between(1, 1000);
  const holder = `(?:\\p{L}*packs?|packung|set|box|carton|karton|lot|bo[iî]te|paquete|caja|juego|estuche|ve|vpe|qty|menge|quantity|cantidad|quantit[eé])`;
  line.take(
    'packCount',
    re(`(?<!\\p{L})${holder}\\s*(?:of|de|mit|[aà]|von|[:=])\\s*(\\d{1,3})${END}`),
    many,
  );
  line.take(
    'packCount',
    re(`(?<!\\p{L})(?:pack|ve|vpe)\\s*(\\d{1,3})${END}(?!\\s*(?:€|£|\\$|m|cm|mm|w|lm))`),
    many,
  );
  line.take(
    'packCount',
    re(
      `${START}(\\d{1,3})\\s*-?\\s*(?:er[- ]?(?:\\p{L}*pack(?:ung)?|set|karton|box)|packs?|pk|pieces|pcs(?!\\.?\\s*(?:leds?|smd|\\/))|st[uü]ck|stk\\.?|pi[eè]ces|piezas|unidades|unit[eé]s|uds?\\.?|set|${BULBS})${END}`,
    ),
    ([, count]) => (Number(count) >= 1 ? Number(count) : null),
  );
  for (const [count, name] of [
    [
      2,
      'twin[- ]?pack|doppelpack|duo ?pack|zweierpack|pack duo|paire|pack of two|par de|pack doble',
    ],
    [3, 'triple[- ]?pack|dreierpack|trio ?pack|pack of three|pack triple'],
    [4, 'viererpack|pack of four'],
    [5, 'f[uü]nferpack'],
  ] as const)
    line.take('packCount', word(name), () => count);
  line.take(
    'packCount',
    re(
      `(?:^|[\\s(,])(\\d{1,2})\\s?[x×](?=\\s(?!\\d)|$)|(?:^|(?<!\\d|mm|cm)[\\s(,])(?<!\\d\\s|mm\\s|cm\\s)[x×]\\s?(\\d{1,2})(?=[\\s),]|$)(?!\\s*(?:mm|cm|m|w|v|lm)${END})`,
    ),
    ([, a, b]) => (Number(a ?? b) >= 1 ? Number(a ?? b) : null),
    'likely',
  );
}

function volts(line: Line): void {
  const unit = String.raw`v(?:olts?)?(?:\s*(?:ac|dc))?`;
  const none = '(?!\\p{L}|\\d)';
  line.take(
    'supplyV',
    re(
      `(?<![\\p{L}\\d.,])(?:(?:DC|AC)\\s?)?(\\d{2,3})\\s*(?:v\\s*)?[-–/~]\\s*(\\d{2,3})\\s*${unit}${none}`,
    ),
    ([, low, high]) => mainsOf(Number(low), Number(high)),
    ([, low, high]) =>
      Number(high) <= 60 || (Number(low) <= 100 && Number(high) >= 120) ? 'likely' : 'sure',
  );
  line.take(
    'supplyV',
    re(`(?<![\\p{L}\\d.,–-])(?:(?:DC|AC)\\s?)?(${TIGHT_NUMBER})\\s*${unit}${none}`),
    between(3, 400),
  );
}

/** “220–240 V” is sold where the mains is 230 V, “100–127 V” mostly where it is 120 V. */
const mainsOf = (low: number, high: number): number | null => {
  // Made for every mains: which one it will hang on, the label does not say.
  if (low <= 120 && high >= 220) return null;
  const within = [120, 230, 220, 100].find((v) => low <= v && v <= high);
  return within ?? (high <= 60 ? high : null);
};

function light(line: Line): void {
  line.take(
    'luminousFluxLm',
    big(`(?:lumens?|l[uú]menes|lm)(?!\\s*\\/\\s*(?:w|m)|\\s*:\\s*\\d)${END}`),
    between(1, 1_000_000, true),
    spaced,
  );
  // “2700–6500 K”, “3000/4000/6000K”: it can be set, and no one of them is its colour.
  line.take(
    'colour',
    re(
      `${START}\\d[.,]?\\d{3}\\s*k?(?:\\s*(?:-|–|~|\\/|to|bis|[aàá]|und|and|,)\\s*\\d[.,]?\\d{3}\\s*k?)+(?<=k)(?:elvin)?${END}`,
    ),
    () => 'bi-colour',
    'likely',
  );
  line.take('cctK', big(`°?\\s?(?:k(?:elvin)?)${END}`), between(1000, 20_000, true), spaced);
  lampCode(line);
  // Turned or swivelled by so much: no beam.
  line.drop(
    re(
      `${START}${TIGHT_NUMBER}\\s*°\\s*-?\\s*(?:rotat|schwenk|dreh|neig|gir|orient|pivot|adjustable|swivel)\\p{L}*|(?:rotat|schwenk|dreh|neig|gir|orient|pivot|swivel)\\p{L}*\\s*(?:um|by|de|bis)?\\s*${TIGHT_NUMBER}\\s*°`,
    ),
  );
  line.take(
    'beamAngleDeg',
    number(`(?:°(?!\\s*[cCfFkK](?!\\p{L}))|degrees?|deg\\.?|grad(?!\\p{L})|grados|degr[eé]s)`),
    between(5, 360),
  );
}

/** The lamp code of CIE 29: one digit of Ra, two of the colour temperature [std: from memory]. */
function lampCode(line: Line): void {
  const code = re(
    `(?<=[\\/·WwMm,;-]\\s?)(?<![\\d.,])([789])(22|27|30|35|40|50|54|57|60|65)${END}(?!\\s*(?:lm|w|h|mm|v|k|€|°|[.,]\\d))`,
  );
  const found = new RegExp(code.source, 'iu').exec(line.rest);
  if (!found || line.has('cctK')) return;
  const named =
    /t5|t8|t12|tube|r[oö]hre|tubo|[/-]\s*[789]\d{2}|cfl|energiespar|fluo|leuchtstoff|panel|panneau|leuchte/i;
  if (!named.test(line.words)) return;
  line.take('cctK', code, ([, , k]) => Number(k) * 100, 'likely');
  line.conclude('criRa', Number(found[1]) * 10, found[0].trim(), 'likely');
}

function words(line: Line): void {
  dimming(line);
  line.take(
    'colour',
    word(
      String.raw`addressable|adressierbar|adressable|direccionable|pixel|ws28\d\d\p{L}?|rgb-?ic`,
    ),
    () => 'addressable',
  );
  line.take('colour', word(String.raw`R(?:GB|VB)\s?\+?\s?(?:W|CCT|CW|WW|B)`), () => 'rgbw');
  line.take('colour', word(String.raw`RGB|RVB`), () => 'rgb');
  line.take(
    'colour',
    word(
      String.raw`bi-?colou?r|dual white|tunable white|CCT(?!\s*[:=]?\s*[\d·])|bicolore?|blanc variable|blanco regulable`,
    ),
    () => 'bi-colour',
    'likely',
  );
}

const NO = String.raw`(?:no(?!\p{L}|\.)|nein|non(?!\p{L})|nicht|pas|ne(?!\p{L})|not|nie|nee|keine?|ohne|without|sans|sin|n(?=\s*(?:$|[;,|)]))|✗|✘|❌|×(?!\s?\d)|x(?=\s*(?:$|[;,|)])))`;
const DIM = String.raw`(?:dimm?(?:able|bar|erabile|ing|er|en)?|dimable|gradables?|regulables?|variables?|atenuables?|variateurs?|dimmfunktion|dimmbarkeit)`;
const GAP = String.raw`(?:[\s:=\-–—(?,|]|wird|ist|is|est|es|are|suitable|compatible|apta?|geeignet|for|f[uü]r|use|with|avec|con|mit|un|einen?|la|le|por|para|pour|être|be)*`;

/** “Dimmable”, in four languages, and every manner of saying that it is not, before the word and after it. */
function dimming(line: Line): void {
  line.take(
    'dimmable',
    re(
      `(?<!\\p{L})(?:non?[- ]?dim(?:m(?:able|erabile)?)?|nondimmable|undimm?able|${NO}${GAP}${DIM})${END}`,
    ),
    () => 'no',
  );
  line.take('dimmable', re(`(?<!\\p{L})${DIM}\\s*[:=\\-–—(?|]*\\s*${NO}(?!\\p{L})`), () => 'no');
  line.take('dimmable', re(`(?<!\\p{L})incompatible ${GAP}${DIM}${END}`), () => 'no');
  line.take(
    'dimmable',
    word(
      String.raw`dimmable|dimable|dimmbar|gradable|regulable|atenuable|intensit[eé] variable|dim(?:[- ]to[- ]warm)?`,
    ),
    () => 'yes',
  );
  line.take(
    'dimmable',
    word(String.raw`(?<!(?:blanc|couleur|temp[ée]rature|cct|teinte)s?\s)variables?`),
    ({ index }) =>
      /(?<!\p{L})(?:ampoule|lampe|ruban|spot|tube|filament)/iu.test(line.words.slice(0, index))
        ? 'yes'
        : null,
    'likely',
  );
  line.take(
    'dimmable',
    word(
      String.raw`compatible ${'(?:with |avec |con )?'}(?:dimmers?|variateurs?)|dimmers?[- ](?:compatible|geeignet|tauglich)`,
    ),
    () => 'yes',
    'likely',
  );
}
