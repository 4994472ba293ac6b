import { findUnit } from '../quantity/dimension';
import { between, END, number, re, START, type Line, type ReadField } from './line';
import { NUMBER, printedNumber, TIGHT_NUMBER } from './number';

const UNIT = String.raw`(mm|cm|m(?:et(?:er|re|ro)s?)?|in(?:ch(?:es)?)?|["”]|ft|feet|foot)`;
/** A length in metres, out of figure and unit; labels say “metros” where nobody types it. */
export const metres = (figure: string, unit: string): number =>
  printedNumber(figure, /^mm/i.test(unit)) * (findUnit('length', unit)?.factor ?? 1);

const inRange =
  (min: number, max: number) =>
  ([, figure, unit]: RegExpExecArray): number | null => {
    const value = Number(metres(figure!, unit!).toPrecision(6));
    return value >= min && value <= max ? value : null;
  };

/** Sizes whose word says which they are. */
export function wordedSizes(line: Line): void {
  const after = (names: string) =>
    re(
      `(?<!\\p{L})(?:${names})\\s*(?:[:=]|of|de|von|ca\\.?)?\\s*(${TIGHT_NUMBER})\\s*${UNIT}${END}`,
    );
  const before = (names: string) =>
    re(`${START}(${TIGHT_NUMBER})\\s*${UNIT}\\s*(?:${names})(?!\\p{L})`);
  const cut =
    'cut(?:table|ting|s)?(?: marks?| points?| lengths?)?(?: every| each)?|(?:teilbar|k[uü]rzbar|schneidbar|trennbar)(?: alle)?|s[eé]cable(?: tous les)?|d[eé]coupe(?: tous les)?|cortable(?: cada)?|corte(?: cada)?';
  line.take('cutIncrementM', after(cut), inRange(0.005, 1));
  line.take(
    'globeDiameterM',
    after('Ø|⌀|diameter|diam\\.?|durchmesser|diam[eè]tre|di[aá]metro'),
    inRange(0.01, 0.4),
  );
  line.take(
    'globeDiameterM',
    re(`(?:Ø|⌀)\\s*(${TIGHT_NUMBER})(?=\\s*(?:[x×]|$|[,;|)]))()`),
    ([, figure]) => inRange(0.01, 0.4)(['', figure!, 'mm'] as unknown as RegExpExecArray),
    'likely',
  );
  line.take(
    'globeDiameterM',
    before('Ø|⌀|diameter|durchmesser|de diam[eè]tre|de di[aá]metro'),
    inRange(0.01, 0.4),
  );
  line.take(
    'tapeWidthM',
    after('width|breite|breit|largeur|ancho|anchura|pcb'),
    inRange(0.003, 0.05),
  );
  line.take('tapeWidthM', before('wide|breit|de large(?:ur)?|de ancho|pcb'), inRange(0.003, 0.05));
}

/** Shapes by their letters, and the lengths of a reel a word names. */
export function sizes(line: Line): void {
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

const worded = 'length|long|l[aä]nge|lang|longueur|largo|longitud';

/** A tube's own length. */
export function tubeLengths(line: Line): void {
  line.take('lengthM', re(`${START}(${NUMBER})\\s*(mm)${END}`), inRange(0.1, 3), 'likely');
  line.take('lengthM', re(`${START}(${TIGHT_NUMBER})\\s*(cm|m)${END}`), inRange(0.1, 3), 'likely');
  line.take(
    'lengthM',
    re(`${START}(${TIGHT_NUMBER})\\s*-?\\s*(ft|feet|foot)${END}`),
    inRange(0.1, 3),
    'likely',
  );
}

/** A length a word names; without one, millimetres on a box may be anything. */
export const namedLength = (line: Line): void =>
  line.take(
    'lengthM',
    re(`(?<!\\p{L})(?:${worded})\\s*(?:[:=]|of|de|von)?\\s*(${TIGHT_NUMBER})\\s*(mm|cm)${END}`),
    inRange(0.02, 3),
  );

/** Lengths on a tape's label: the reel, how many reels, its width, and LED of the whole reel. */
export function stripLengths(line: Line): void {
  line.take(
    'packCount',
    re(`${START}(\\d{1,2})\\s?[x×]\\s?(?=\\d+(?:[.,]\\d+)?\\s*m${END})`),
    ([, count]) => Number(count),
    'likely',
  );
  line.take(
    'packCount',
    re(`${START}(\\d{1,2})\\s*(?:rolls?|reels?|rollen|rouleaux|rollos|bobines)${END}`),
    ([, count]) => Number(count),
  );
  line.take(
    'reelLengthM',
    re(`${START}(${TIGHT_NUMBER})\\s*-?\\s*(m(?:et(?:er|re|ro)s?|ètres?)?)${END}`),
    inRange(0.3, 100),
  );
  line.take(
    'reelLengthM',
    re(`${START}(${TIGHT_NUMBER})\\s*-?\\s*(ft|feet|foot)${END}`),
    inRange(0.3, 100),
    'likely',
  );
  perMetre(line);
  line.take('tapeWidthM', number(`mm${END}`), between(0.003, 0.05, false, 0.001), 'likely');
  const reel = line.valueOf('reelLengthM');
  if (typeof reel !== 'number') return;
  line.take(
    'ledsPerM',
    number(`(?:pcs\\.?\\s*)?(?:leds?|smd|dioden?|diodes?|px|pixels?)${END}`),
    (match) => {
      const perM = printedNumber(match[1]!, true) / reel;
      return perM >= 5 && perM <= 1000 ? Math.round(perM) : null;
    },
    'likely',
  );
}

/** Watts and lumens of a tape that are a metre's, or those of its reel. */
function perMetre(line: Line): void {
  const spoken = /per met|pro meter|par m[eè]tre|por metro/i.test(line.words);
  const reel = line.valueOf('reelLengthM');
  for (const [whole, metre] of [
    ['wattsW', 'wattsPerM'],
    ['luminousFluxLm', 'lumensPerM'],
  ] as const satisfies [ReadField, ReadField][]) {
    const found = line.fields.find(({ field }) => field === whole);
    if (!found) continue;
    found.sure = 'guess';
    if (line.has(metre)) continue;
    const value = Number(found.value) / (spoken ? 1 : typeof reel === 'number' ? reel : NaN);
    if (Number.isFinite(value))
      line.conclude(metre, Number(value.toPrecision(3)), found.text, spoken ? 'likely' : 'guess');
  }
}
