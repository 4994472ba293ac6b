import { FOOT, FOOT_M, METRE, re, START, type Line, type Sureness } from './line';
import { printedNumber } from './number';

const CURRENCIES: [RegExp, string][] = [
  [/€|eur/i, 'EUR'],
  [/£|gbp/i, 'GBP'],
  [/chf|fr\.|sfr/i, 'CHF'],
  [/¥|jpy/i, 'JPY'],
  [/cad|ca?\$|\$ca/i, 'CAD'],
  [/aud|au?\$/i, 'AUD'],
  [/nzd|nz\$/i, 'NZD'],
  [/mxn|mx\$|pesos?/i, 'MXN'],
  [/brl|r\$/i, 'BRL'],
  [/pln|zł/i, 'PLN'],
  [/czk|kč/i, 'CZK'],
  [/inr|₹/i, 'INR'],
  [/sek/i, 'SEK'],
  [/nok/i, 'NOK'],
  [/dkk/i, 'DKK'],
  [/\$|usd/i, 'USD'],
];
const SIGN = String.raw`(?:(?:US|CA|AU|NZ|MX|C|A|R)\$|[€£¥₹]|\$(?:\s?(?:CA|US)(?!\p{L}))?|(?:EUR|GBP|USD|CHF|CAD|AUD|NZD|MXN|JPY|PLN|CZK|INR|BRL|SEK|NOK|DKK|Euros?|pesos|SFr\.?|Fr\.(?=\s?\d))(?!\p{L})|zł|Kč|Fr\.(?!\p{L}))`;
const CODE = String.raw`(?:\s*(CAD|AUD|USD|MXN|NZD|EUR|GBP)(?!\p{L}))?`;
/** 1.299 is no price with three decimals: thousands; 9'90 has cents. A dash stands for no cents. */
const AMOUNT = String.raw`((?:\d{1,4}['’´]\d{2}(?!\d)|\d{1,3}(?:[.,'’\u00a0\u202f ]\d{3})+(?!\d)(?:[.,]\d{1,2})?|\d+(?:[.,]\d{1,2})?)(?![\d])(?:\s?[.,]\s?[-–—]{1,2})?)`;
/** Cents behind the sign, as shelf edges print them: 8€99, 12 €50; both apart only before a stop. */
const CENTS = String.raw`(?:\d{2}(?![\d.,]|\s*[\p{L}°%\/])|\s\d{2}(?=\s*(?:$|[;|)·])))`;

/** What a price is the price of. `was`: before a sale; `net`: without its tax; `bulk`: “2 for”. */
type Sense = 'plain' | 'now' | 'was' | 'net' | 'gross' | 'each' | 'bulk' | 'perMetre' | 'other';
interface Price {
  value: number;
  sense: Sense;
  sure: Sureness;
  match: RegExpExecArray;
}

/** Words right before a price, and right after it. Common practice of shops. */
const BEFORE: [Sense, RegExp][] = [
  // For who buys many at once.
  [
    'other',
    /(?:ab|from|desde|d[eè]s|[aà] partir de)\s+\d+\s*(?:st\p{L}*|pcs|pieces|pi[eè]ces|uds?|unidades)?\.?\s*:?\s*$/iu,
  ],
  [
    'other',
    /(?:spar|you save|\bsave|[ée]conomi\p{L}*|ahorr\p{L}*|ersparnis|rabatt|discount|versand\p{L}*|shipping|postage|delivery|livraison|frais de port|env[ií]o|pfand|deposit|consigne|stromkosten|energiekosten|energy costs?|[ée]co-?(?:part|taxe|contribution)\p{L}*\.?|gutschein|voucher|co[uû]t [ée]nerg\p{L}*|coste energ\p{L}*)[\s:+a-z]{0,12}$/iu,
  ],
  [
    'bulk',
    /(?<![\p{L}\d])(?:[2-9]|two|three|zwei|drei|deux|trois|dos|tres)\s*(?:for|f[uü]r|pour|por)\s*$/iu,
  ],
  [
    'was',
    /(?:statt|anstatt|\bwas|\bwere|uvp|rrp|msrp|list(?: price)?|reg(?:\.|ular)?(?: price)?|au lieu de|antes|prix conseill[ée]|prix public|pvpr|pvp recomendado|vorher|bisher|old price|alter preis|ancien prix|avant|instead of|previously|precio anterior|barr[ée]|tachado)[\s:]{0,3}$/iu,
  ],
  [
    'now',
    /(?:now|jetzt|nur(?: noch)?|maintenant|ahora|only|sale(?: price)?|aktionspreis|angebot|promo|oferta|solde)[\s:]{0,3}$/iu,
  ],
  [
    'net',
    /(?:netto|\bnet|ohne mwst\.?|excl?\.? ?(?:vat|tax)|\bHT|hors taxes?|sin iva)[\s:]{0,3}$/iu,
  ],
  [
    'gross',
    /(?:brutto|inkl\.? ?mwst\.?|inc(?:l|luding)?\.? ?(?:vat|tax)|ttc|toutes taxes|con iva|iva incl\p{L}*\.?)[\s:]{0,3}$/iu,
  ],
  [
    'each',
    /(?:\bje|[aà]|st[uü]ckpreis|einzelpreis|unit price|prix unitaire|precio unitario|each)[\s:]{0,3}$/iu,
  ],
];
const PIECE = String.raw`(?:each|ea|apiece|a piece|la pi[eè]ce|pi[eè]ce|l[’']unit[ée]|l[’']ampoule|la unidad|cada un[ao]|c\/u|(?:\/|per|pro|par|por)\s*(?:st(?:[üu]c)?k?\.?|stück|pcs?|piece|pi[eè]ce|pce|unit[ée]?|uds?\.?|unidad|u|bulbs?|count|ct|lamp[es]?|tubes?|ampoules?|bombillas?)|das st[uü]ck|st[uü]ckpreis)`;
const AFTER: [Sense, RegExp][] = [
  [
    'perMetre',
    new RegExp(`^(?:${METRE}|${FOOT}|\\s*(?:le m[eè]tre|el metro|der meter|a met(?:re|er)))`, 'iu'),
  ],
  [
    'other',
    /^[\s(,–-]{0,3}(?:off(?!\p{L})|rabatt|discount|gespart|saved|de r[ée]duction|de descuento|versand\p{L}*|shipping|postage|p&p|delivery|de port|de frais|de env[ií]o|env[ií]o|pfand|(?:\/|per|pro|par|al|im|a)\s*(?:jahr|years?|yr|an(?:n[ée]e)?(?!\p{L})|a[ñn]o|kwh|k?lm|1000|100)(?!\p{L}))/iu,
  ],
  ['was', /^[\s(,–-]{0,3}(?:uvp|rrp|msrp|list price)(?!\p{L}|\s*:?\s*(?:[€£$\d]|eur))/iu],
  [
    'net',
    /^[\s(,–-]{0,3}(?:netto|net(?!\p{L})|zzgl|ohne mwst|exkl|excl|ex\.? ?(?:vat|tax)|\+ ?(?:vat|tax|iva|mwst)|plus vat|HT(?!\p{L})|h\.t\.|hors tax|sin iva|m[aá]s iva|without tax|before tax)/iu,
  ],
  [
    'gross',
    /^[\s(,–-]{0,3}(?:brutto|inkl|incl|inc\.? ?(?:vat|tax)|ttc|t\.t\.c|toutes tax|con iva|iva incl|with (?:vat|tax)|mit mwst)/iu,
  ],
  ['each', new RegExp(`^[\\s(,–-]{0,3}${PIECE}(?!\\p{L})`, 'iu')],
];
const NEAR = 26;

function senseOf(line: Line, { index, 0: whole }: RegExpExecArray): Sense {
  const before = line.words.slice(Math.max(0, index - NEAR), index);
  const after = line.words.slice(index + whole.length, index + whole.length + NEAR);
  const fit = (words: [Sense, RegExp][], text: string) =>
    words.find(([, is]) => is.test(text))?.[0];
  const [led, followed] = [fit(BEFORE, before), fit(AFTER, after)];
  if (followed === 'perMetre' || followed === 'other') return followed;
  if (led === 'other' || led === 'was' || led === 'bulk') return led;
  return followed ?? led ?? 'plain';
}

const SPANISH =
  /(?<!\p{L})(?:bombillas?|foco|tira|luz|l[uú]menes|paquete|precio|con|para|regulable|c[aá]lida|fr[ií]a|blanco|caja|pieza|piezas|vatios|pesos)(?!\p{L})/iu;

/** “$” alone on a label in Spanish is as likely a peso, and on one in French Canada’s dollar. */
function currencyOf(line: Line, sign: string): { code: string; sure: Sureness } | null {
  const code = CURRENCIES.find(([mark]) => mark.test(sign))?.[1];
  if (!code) return null;
  if (/^\$$/.test(sign.trim()) && SPANISH.test(line.words)) return { code: 'MXN', sure: 'guess' };
  return { code, sure: 'sure' };
}

const amountOf = (text: string): number => {
  const figure = text.replace(/\s?[.,]\s?[-–—]{1,2}$/u, '');
  // Three figures behind one mark: thousands, but of nothing.
  return printedNumber(figure, !/^0[.,]/.test(figure));
};

const within = (value: number): boolean => value >= 0.01 && value <= 100_000;

/** Every price of a line, in the manners of shops; each is blanked, so that no figure of it is read again. */
function pricesIn(line: Line): Price[] {
  const found: Price[] = [];
  const take = (pattern: RegExp, value: (match: RegExpExecArray) => number, sure: Sureness) => {
    for (const match of line.matches(pattern)) {
      const amount = value(match);
      if (!within(amount)) continue;
      found.push({ value: amount, sense: senseOf(line, match), sure, match });
      const currency = currencyOf(line, match[0].replace(/[\d.,\s'’–—-]/gu, ''));
      if (currency) line.conclude('currency', currency.code, match[0].trim(), currency.sure);
      line.blank(match.index, match[0].length);
    }
  };
  const amount = ([, figure]: RegExpExecArray) => amountOf(figure!);
  take(
    re(
      `(?<!(?:of|de|von|mit|[xX×]|pack|set|lot|[aà]|ve)\\s)${START}(\\d{1,5})(?:\\s?(?:€|EUR)|[£$])(${CENTS})`,
    ),
    ([, whole, cents]) => Number(whole) + Number(cents) / 100,
    'sure',
  );
  take(re(`(?<![\\p{L}\\d])${SIGN}\\s*${AMOUNT}${CODE}`), amount, 'sure');
  take(re(`${START}${AMOUNT}\\s*${SIGN}${CODE}`), amount, 'sure');
  take(
    re(`${START}(\\d{1,2})\\s*(?:ct|cents?|c[eé]ntimos?|¢)(?!\\p{L})`),
    ([, c]) => Number(c) / 100,
    'likely',
  );
  take(
    re(
      `(?<!\\p{L})(?:price|preis|prix|precio|pvp|kostet|co[uû]te|cuesta|costs?)\\s*[:=]?\\s*${AMOUNT}(?!\\s*[\\p{L}°%/])`,
    ),
    amount,
    'likely',
  );
  // Shillings-and-pence manners apart, only money has two decimals and no unit at the end of a line.
  take(
    re(
      `(?<=^|[\\s;,|·–-])(?<!(?:pf|fa[ck]tor|facteur|potencia|cos|[λφ]|version|nr\\.?|no\\.?|art\\.?|ip|x|×)\\s?[:=]?\\s?)(\\d{1,4}[.,]\\d{2})(?=\\s*$)`,
    ),
    amount,
    'likely',
  );
  take(re(`(?<=^|[\\s;,|])(\\d{1,4}[.,]\\s?[-–—]{1,2})(?=\\s*(?:$|[;|)]))`), amount, 'likely');
  return found;
}

/** Which of several prices is what one pays: after the sale, with its tax, for the whole pack. */
const ORDER: readonly Sense[] = ['now', 'gross', 'plain', 'net', 'each', 'bulk'];

/** Blanks and sorts the prices; settled when it is known how many are in a pack. */
export function readMoney(line: Line): () => void {
  const prices = pricesIn(line);
  return () => {
    for (const sense of ORDER) {
      const all = prices.filter((price) => price.sense === sense);
      const [first] = all;
      if (!first) continue;
      const two = all.some(({ value }) => value !== first.value);
      const pack = sense === 'each' ? Number(line.valueOf('packCount') ?? 1) : 1;
      const value = Number((first.value * pack).toFixed(2));
      const doubtful = sense === 'net' || pack > 1 ? 'likely' : first.sure;
      line.put('price', value, first.match, two || sense === 'bulk' ? 'guess' : doubtful);
      return;
    }
    const metre = prices.find(({ sense }) => sense === 'perMetre');
    const reel = line.valueOf('reelLengthM');
    if (metre && typeof reel === 'number') {
      const perM = /(?:ft|foot)/i.test(line.words.slice(metre.match.index).slice(0, NEAR))
        ? 1 / FOOT_M
        : 1;
      line.put('price', Number((metre.value * perM * reel).toFixed(2)), metre.match, 'guess');
    }
  };
}
