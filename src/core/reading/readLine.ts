import type { Base } from '../electrics/caps';
import { conclusions } from './conclusions';
import {
  between,
  big,
  END,
  Line,
  LITTLE_W,
  METRE,
  number,
  re,
  spaced,
  START,
  type FoundField,
} from './line';
import { TIGHT_NUMBER } from './number';

export { READ_FIELDS, type FoundField, type ReadField, type Sureness } from './line';

interface ReadLine {
  text: string;
  fields: FoundField[];
  /** words with figures in them that were not understood */
  left: string[];
}

/**
 * Reads one product line as shops print it in English, German, French or Spanish. What is not understood
 * is left out and named; nothing is made up.
 */
export function readLine(text: string): ReadLine {
  const line = new Line(text);
  money(line);
  named(line);
  labels(line);
  tape(line);
  power(line);
  light(line);
  sizes(line);
  words(line);
  conclusions(line);
  return {
    text,
    fields: line.fields.toSorted((a, b) => (a.at < 0 ? 1e6 : a.at) - (b.at < 0 ? 1e6 : b.at)),
    left: (line.rest.match(/[^\s·]*\d[^\s·]*/gu) ?? []).filter((word) => /[\p{L}\d]/u.test(word)),
  };
}

const CURRENCIES: [RegExp, string][] = [
  [/€|eur/i, 'EUR'],
  [/£|gbp/i, 'GBP'],
  [/chf|fr\./i, 'CHF'],
  [/¥|jpy/i, 'JPY'],
  [/cad|c\$/i, 'CAD'],
  [/aud|a\$/i, 'AUD'],
  [/\$|usd/i, 'USD'],
];

function money(line: Line): void {
  const sign = String.raw`(?:US\$|C\$|A\$|[€£$¥]|EUR|GBP|USD|CHF|CAD|AUD|JPY)`;
  const take = (pattern: RegExp) => {
    const found = new RegExp(pattern.source, 'iu').exec(line.rest);
    const currency = found && CURRENCIES.find(([mark]) => mark.test(found[0]))?.[1];
    line.take('price', pattern, between(0.01, 100_000));
    if (currency) line.conclude('currency', currency, found[0].trim(), 'sure');
  };
  take(re(`${START}${sign}\\s*(${TIGHT_NUMBER})`));
  take(re(`${START}(${TIGHT_NUMBER})\\s*${sign}`));
}

function tape(line: Line): void {
  line.take('wattsPerM', number(`${LITTLE_W}${METRE}`), between(0.5, 60));
  line.take(
    'lumensPerM',
    big(`(?:lumens?|l[uú]menes|lm)${METRE}`),
    between(1, 10_000, true),
    spaced,
  );
  line.take('ledsPerM', number(`(?:leds?|smd|chips?)${METRE}`), between(5, 1000, true));
}

/** “Watts: 9.5; Lumens: 800”: the word first. */
function named(line: Line): void {
  const after = (names: string) => re(`${START}(?:${names})\\s*[:=]\\s*(${TIGHT_NUMBER})`);
  line.take('wattsW', after('watts?|wattage|leistung|puissance|potencia'), between(0.1, 5000));
  line.take(
    'luminousFluxLm',
    after('lumens?|brightness|lichtstrom|flux(?: lumineux)?|flujo(?: luminoso)?|l[uú]menes'),
    between(1, 1_000_000, true),
  );
  line.take(
    'cctK',
    after(
      'kelvin|cct|colou?r temp(?:erature)?|farbtemperatur|temp[eé]rature de couleur|temperatura de color',
    ),
    between(1000, 20_000, true),
  );
}

function labels(line: Line): void {
  line.take(
    'base',
    re(
      `${START}(E\\s?27|E\\s?26|E\\s?14|E\\s?12|B\\s?22d?|GU\\s?10|GU\\s?5[.,]3|ES(?=\\s)|BC(?=\\s)|SES(?=\\s))${END}`,
    ),
    ([, base]) => baseOf(base!),
  );
  line.take(
    'criRa',
    re(`(?:CRI|IRC|Ra)\\s*(?:[>≥=:~]|mind\\.|min\\.?){0,4}\\s*(\\d{2,3}(?:[.,]\\d)?)\\s*\\+?`),
    between(20, 100),
  );
  line.take(
    'criRa',
    re(`${START}(?:[>≥]\\s*)?(\\d{2})\\s*\\+?\\s*(?:CRI|IRC|Ra)${END}`),
    between(20, 100),
  );
  line.take('coated', re(`${START}IP\\s?(\\d{2})${END}`), ([, ip]) => Number(ip) >= 44, 'likely');
  line.take(
    'ratedLifeH',
    big(`(?:h(?:ours|rs|eures|oras)?|std\\.?|stunden)${END}`),
    between(100, 200_000, true),
    spaced,
  );
  line.take(
    'packCount',
    re(`(?:pack|set|box|lot|paquete|caja|bo[iî]te|karton)\\s*(?:of|de|mit|à)\\s*(\\d{1,3})${END}`),
    between(1, 1000),
  );
  line.take(
    'packCount',
    re(
      `${START}(\\d{1,3})\\s*-?\\s*(?:er[- ]?(?:pack|set|packung)|pack(?:s)?|pk|pcs|pieces|st[uü]ck|stk\\.?|pi[eè]ces|unidades|uds?\\.?|set)${END}`,
    ),
    between(1, 1000),
  );
  line.take(
    'packCount',
    re(`(?:^|\\s)(\\d{1,2})\\s?[x×](?=\\s(?!\\d)|$)|(?:^|\\s)[x×]\\s?(\\d{1,2})(?=\\s|$)`),
    ([, a, b]) => Number(a ?? b),
    'likely',
  );
}

const baseOf = (text: string): Base => {
  const base = text.replace(/\s/g, '').replace(',', '.').toUpperCase();
  const english: Record<string, Base> = { ES: 'E27', SES: 'E14', BC: 'B22', B22D: 'B22' };
  return english[base] ?? (base as Base);
};

const REPLACES = String.raw`(?:eq(?:\.|uiv(?:alent|\.)?|uivalente?)?|equivalent|[eé]quivaut [aà]|[eé]quivalent(?: [aà])?|entspricht|ersetzt|replaces|remplace|sustituye|equivale a|equivalente a|wie|comme|statt)`;

function power(line: Line): void {
  const claim = between(5, 1000);
  line.take(
    'equivalentW',
    re(`${REPLACES}\\s*(?:ca\\.?\\s*|zu\\s*)?(${TIGHT_NUMBER})\\s*${LITTLE_W}${END}`),
    claim,
  );
  line.take(
    'equivalentW',
    re(`(?:=|≙|≈|->|→)\\s*(${TIGHT_NUMBER})\\s*${LITTLE_W}${END}(?:\\s*${REPLACES})?`),
    claim,
  );
  line.take(
    'equivalentW',
    re(`${START}(${TIGHT_NUMBER})\\s*-?\\s*${LITTLE_W}\\s*-?\\s*${REPLACES}`),
    claim,
  );
  // “2 × 50 W” may be two pieces, or two heads of one.
  line.take(
    'wattsW',
    re(`(?<=\\d\\s?[x×]\\s?)(${TIGHT_NUMBER})\\s*${LITTLE_W}${END}`),
    between(0.1, 5000),
    'guess',
  );
  line.take(
    'equivalentW',
    re(`(?<=w(?:atts?)?\\s*)\\(\\s*(${TIGHT_NUMBER})\\s*${LITTLE_W}\\s*\\)`),
    claim,
    'likely',
  );
  line.take('wattsW', number(`${LITTLE_W}${END}`), between(0.1, 5000), spaced);
  const volts = String.raw`v(?:olts?)?(?:\s*(?:ac|dc))?`;
  line.take(
    'supplyV',
    re(
      `(?<![\\p{L}\\d.,])(?:(?:DC|AC)\\s?)?(\\d{2,3})\\s*(?:v\\s*)?[-–/~]\\s*(\\d{2,3})\\s*${volts}${END}`,
    ),
    ([, low, high]) => mainsOf(Number(low), Number(high)),
    ([, low, high]) => (Number(low) <= 100 && Number(high) >= 120 ? 'likely' : 'sure'),
  );
  line.take(
    'supplyV',
    re(`(?<![\\p{L}\\d.,–-])(?:(?:DC|AC)\\s?)?(${TIGHT_NUMBER})\\s*${volts}${END}`),
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
    big(`(?:lumens?|l[uú]menes|lm)(?!\\s*\\/\\s*(?:w|m))${END}`),
    between(1, 1_000_000, true),
    spaced,
  );
  line.take(
    'colour',
    re(`${START}(?:\\d{4})\\s*k?\\s*(?:-|–|to|bis|à|a)\\s*(?:\\d{4})\\s*k(?:elvin)?${END}`),
    () => 'bi-colour',
    'likely',
  );
  line.take('cctK', big(`(?:k(?:elvin)?)${END}`), between(1000, 20_000, true), spaced);
  // The lamp code of CIE 29: one digit of Ra, two of the colour temperature [std: from memory].
  const code = re(
    `(?<=w?\\s*[\\/-]?\\s?)${START}([789])(22|27|30|35|40|50|54|57|60|65)${END}(?!\\s*(?:lm|w|h|mm|v|k|€|°))`,
  );
  const found = new RegExp(code.source, 'iu').exec(line.rest);
  if (
    found &&
    !line.has('cctK') &&
    /t5|t8|t12|tube|r[oö]hre|tubo|\/\s*[789]\d{2}|cfl|energiespar|fluo/i.test(line.text)
  ) {
    line.take('cctK', code, ([, , k]) => Number(k) * 100, 'likely');
    line.conclude('criRa', Number(found[1]) * 10, found[0].trim(), 'likely');
  }
  line.take(
    'beamAngleDeg',
    number(`(?:°(?!\\s*[cC])|degrees?|deg\\.?|grad|grados|degr[eé]s)`),
    between(5, 360),
  );
}

function sizes(line: Line): void {
  line.take(
    'globeDiameterM',
    re(`(?:Ø|⌀|diameter|durchmesser|diam[eè]tre|di[aá]metro)\\s*(${TIGHT_NUMBER})\\s*mm`),
    between(0.01, 0.4, false, 0.001),
  );
  line.take(
    'tapeWidthM',
    re(`(?:width|breite|largeur|ancho)\\s*:?\\s*(${TIGHT_NUMBER})\\s*mm`),
    between(0.003, 0.05, false, 0.001),
  );
  const shape = re(
    `${START}(A|G|C|R|P|B|T|ST|PAR|MR)\\s?(16|19|20|30|35|38|39|45|50|55|60|63|64|65|67|70|75|80|95|120|125)${END}`,
  );
  line.take(
    'globeDiameterM',
    shape,
    ([, letter, figure]) => shapeM(letter!.toUpperCase(), Number(figure)),
    'likely',
  );
}

/** Metric shapes carry millimetres, North American ones eighths of an inch [std: ANSI C78.79, IEC 61126; from memory]. */
function shapeM(letter: string, figure: number): number {
  const eighths =
    figure === 19 || ((letter === 'PAR' || letter === 'MR' || letter === 'R') && figure < 45);
  return Number((eighths ? (figure * 0.0254) / 8 : figure / 1000).toFixed(4));
}

function words(line: Line): void {
  const no = String.raw`(?:non?[- ]?dim(?:m(?:able|erabile)?)?|not dimmable|nicht[- ]dimmbar|non[- ](?:gradable|variable)|no (?:regulable|dimmable|atenuable))`;
  line.take('dimmable', re(`${START}${no}${END}`), () => 'no');
  line.take(
    'dimmable',
    re(`${START}(?:dimmable|dimmbar|gradable|regulable|atenuable|dim)${END}`),
    () => 'yes',
  );
  line.take(
    'colour',
    re(`${START}(?:addressable|adressierbar|adressable|direccionable|pixel|ws28\\d\\d)${END}`),
    () => 'addressable',
  );
  line.take('colour', re(`${START}RGB\\s?\\+?\\s?(?:W|CCT|CW|WW)${END}`), () => 'rgbw');
  line.take('colour', re(`${START}RGB${END}`), () => 'rgb');
  line.take(
    'colour',
    re(`${START}(?:bi-?colou?r|dual white|tunable white|CCT|bicolore?)${END}`),
    () => 'bi-colour',
    'likely',
  );
}
