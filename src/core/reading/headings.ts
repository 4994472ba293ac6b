import { findUnit } from '../quantity/dimension';
import type { ReadField } from './line';

/**
 * What a column holds. `lengthM:ft` has lengths in feet, `wattsPerM:ft` watts a foot, `price:GBP` pounds;
 * null stays unread.
 */
export type Column = ReadField | 'name' | `${ReadField}:${string}` | null;
export type Columns = Column[];

/** A column's field, and the unit or money its heading names. */
export function columnOf(
  column: Column,
): { field: ReadField | 'name'; unit: string | null } | null {
  if (!column) return null;
  const [field, unit] = column.split(':') as [ReadField | 'name', string?];
  return { field, unit: unit ?? null };
}

/** How many metres a bare number under such a heading is; a figure per foot is by as much larger. */
export function headedScale(field: ReadField, unit: string | null): number | null {
  const metres = unit === null ? undefined : findUnit('length', unit)?.factor;
  if (metres === undefined || !field.endsWith('M')) return null;
  return field.endsWith('PerM') ? 1 / metres : metres;
}

/** Headings of shops and spreadsheets in four languages, bare of accents and units; the first that fits wins. */
const HEADINGS: [ReadField | 'name', RegExp][] = [
  [
    'name',
    /^(?:(?:product|item|article|lamp) ?(?:name|title)?|name|title|description|model(?:l|e|lo)?|bezeichnung|artikel(?:bezeichnung|name)?|produkt(?:name|bezeichnung)?|produit|designation|libelle|nombre|producto|descripcion|denominacion|articulo)$/,
  ],
  [
    'category',
    /^(?:category|kategorie|categorie|categoria|kind|art|type|typ|tipo|lamp type|lampentyp|produktart)$/,
  ],
  [
    'lumensPerM',
    /^(?:lm|lumens?|lichtstrom|flux|flujo|lumenes) ?(?:\/|per|pro|par|por) ?(?:m|mtr|met(?:er|re|ro)|lfm|ml|ft|foot)$/,
  ],
  [
    'wattsPerM',
    /^(?:w|watts?|power|leistung|puissance|potencia) ?(?:\/|per|pro|par|por) ?(?:m|mtr|met(?:er|re|ro)|lfm|ml|ft|foot)$/,
  ],
  [
    'ledsPerM',
    /^(?:leds?|px|pixels?|dioden|diodes|diodos|chips) ?(?:\/|per|pro|par|por) ?(?:m|mtr|met(?:er|re|ro)|lfm|ml|ft|foot)$/,
  ],
  [
    'equivalentW',
    /^(?:(?:incandescent |watts? |w )?equiv|aquivalen|replace|ersetzt|ersatz fur|remplace|sustituye|entspr|vergleich)/,
  ],
  [
    'wattsW',
    /^(?:w|watts?|wattage|wattzahl|(?:rated |nominal )?power|power consumption|(?:nenn)?leistung(?:saufnahme)?|puissance(?: nominale)?|potencia(?: nominal)?|consumption|verbrauch|consommation|consumo)(?: w)?$/,
  ],
  [
    'luminousFluxLm',
    /^(?:lm|lumens?|(?:luminous |light )?flux(?: lumineux)?|light output|output lm|(?:nenn)?lichtstrom|lichtleistung|lumenes|flujo(?: luminoso)?|brightness|helligkeit|luminosite|brillo)(?: lm)?$/,
  ],
  [
    'cctK',
    /^(?:k|kelvin|cct|(?:colou?r|color) temp(?:erature|\.)?|colou?r k|light colou?r|lichtfarbe|farbtemp(?:eratur|\.)?|temp(?:erature|\.)?(?: de)?(?: la)? couleur|temperatura(?: de)?(?:l)?(?: color)?|temperature)(?: k)?$/,
  ],
  [
    'criRa',
    /^(?:cri|ra|irc|cri ?[\/ ]? ?ra|ra ?[\/ ]? ?cri|colou?r rendering(?: index)?|farbwiedergabe(?:index)?|(?:indice de )?rendu(?: des)?(?: couleurs)?|(?:indice de )?reproduccion cromatica)$/,
  ],
  [
    'base',
    /^(?:(?:lamp )?base|(?:lamp )?cap|(?:base|cap) type|socket|(?:lampen)?sockel|fassung|culot|douille|casquillo|rosca|fitting|holder)$/,
  ],
  [
    'supplyV',
    /^(?:v|volts?|(?:input |supply |rated )?voltage|(?:betriebs|nenn|eingangs)?spannung|tension(?: nominale)?|voltaje)(?: v)?$/,
  ],
  [
    'dimmable',
    /^(?:dim|dimmable|dimming|dimmbar(?:keit)?|gradable|regulable|variable|variateur|atenuable)\??$/,
  ],
  [
    'beamAngleDeg',
    /^(?:beam(?: angle)?|angle|(?:ab|aus)strahlwinkel|winkel|angle (?:de|d').*|faisceau|angulo(?: de.*)?|apertura)$/,
  ],
  [
    'packCount',
    /^(?:pack(?: ?(?:size|qty|quantity|count))?|pieces|pcs|count|stuck(?:zahl)?|stk|menge|ve|vpe|verpackungseinheit|packung(?:sgro(?:ss|ß)e)?|unidades|uds|lot|conditionnement|quantite|qte|cantidad|cant|qty|quantity|piezas)$/,
  ],
  [
    'price',
    /^(?:(?:our |sale |pack |new )?price|cost|kosten|(?:brutto|verkaufs|end)?preis|prix(?: de vente)?|precio|pvp|betrag|eur|gbp|usd|chf|[€£$])$/,
  ],
  [
    'ratedLifeH',
    /^(?:(?:rated |average |nominal )?(?:life(?:time| ?span)?)|(?:nenn|mittlere )?lebensdauer|hours|stunden|horas|duree(?: de)?(?: vie)?|vida(?: util)?|h)(?: h)?$/,
  ],
  [
    'reelLengthM',
    /^(?:(?:reel|roll|rolle|rouleau|rollo|bobine|bobina|spule|rollen)[ -]?(?:length|lange)?|longueur (?:du )?rouleau)$/,
  ],
  [
    'cutIncrementM',
    /^(?:cut(?:ting)? (?:marks?|length|every|increment)|teilbar(?: alle)?|trennstelle|coupe|corte)$/,
  ],
  ['lengthM', /^(?:length|lange|longueur|largo|longitud|l)$/],
  ['tapeWidthM', /^(?:(?:tape |pcb )?width|breite|largeur|ancho|anchura|b)$/],
  ['globeDiameterM', /^(?:(?:globe )?(?:diameter|diam\.?)|durchmesser|diametre|diametro|ø|⌀)$/],
  [
    'coated',
    /^(?:ip(?:[ -]?(?:rating|class|code))?|schutzart|(?:indice|grado)(?: de)?(?: protection)?(?: ip)?|proteccion ip)$/,
  ],
  ['colour', /^(?:tape colou?r|led colou?r)$/],
];

/** Not the price one pays, or of something else. */
const NET =
  /\b(?:net(?:to)?|ex\.?|excl?\.?|ohne|ht|sin|unit|each|stuck|einzel|\/ ?(?:m|ft|pc|stk?)|per|pro|par|por)\b/;
const MONEY: [RegExp, string][] = [
  [/€|\beur\b|\beuros?\b/i, 'EUR'],
  [/£|\bgbp\b/i, 'GBP'],
  [/\bchf\b/i, 'CHF'],
  [/\bcad\b|c\$/i, 'CAD'],
  [/\baud\b|a\$/i, 'AUD'],
  [/\bmxn\b|mx\$/i, 'MXN'],
  [/¥|\bjpy\b/i, 'JPY'],
  [/\$|\busd\b/i, 'USD'],
];

interface Heading {
  core: string;
  unit: string;
}

/** “Länge (mm)”, “Price in £”, “Power [W/ft]”: the words without their accents, and the unit. */
function parted(heading: string): Heading {
  const plain = heading
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .trim()
    .toLowerCase();
  const bracket = /[([]\s*([^)\]]*)\s*[)\]]/.exec(plain);
  const spoken =
    /\s(?:in|en|,)\s*(m|mm|cm|ft|inch|in|feet|w|lm|k|v|h|eur|gbp|usd|chf|€|£|\$|euros?|w\/m|lm\/m|watt|lumen|kelvin|volt)$/.exec(
      plain,
    );
  const unit = (bracket?.[1] ?? spoken?.[1] ?? '').trim();
  const core = (
    bracket ? plain.replace(bracket[0], ' ') : spoken ? plain.slice(0, spoken.index) : plain
  )
    .replace(/[:*#]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return { core, unit };
}

/** A heading's unit tells what its words leave open: “Output (lm)”, “Colour (K)”, “Power (W/ft)”. */
const BY_UNIT: [RegExp, RegExp, ReadField][] = [
  [/^(?:w|watts?) ?\/ ?(?:m|ft)$/, /power|leistung|puissance|potencia|watt|^w$/, 'wattsPerM'],
  [/^lm ?\/ ?(?:m|ft)$/, /.*/, 'lumensPerM'],
  [/^leds? ?\/ ?(?:m|ft)$/, /.*/, 'ledsPerM'],
  [/^lm$/, /output|light|licht|lumi/, 'luminousFluxLm'],
  [/^k$/, /colou?r|couleur|farbe|temp/, 'cctK'],
  [/^ra$/, /render|wiedergabe|rendu|reproduc|cri/, 'criRa'],
];

function columnFor(heading: string): Column {
  const { core, unit } = parted(heading);
  if (core === '' && unit === '') return null;
  const byUnit = BY_UNIT.find(([is, words]) => is.test(unit) && words.test(core))?.[2];
  const field = byUnit ?? HEADINGS.find(([, words]) => words.test(core))?.[0] ?? moneyHeading(core);
  if (!field || field === 'name') return field ?? null;
  const all = `${core} ${unit}`;
  if (field === 'price') {
    if (NET.test(all)) return null;
    const money = MONEY.find(([is]) => is.test(all))?.[1];
    return money ? `price:${money}` : 'price';
  }
  if (field.endsWith('PerM')) return /ft|foot/.test(all) ? `${field}:ft` : field;
  const length = field.endsWith('M') && unit ? findUnit('length', unit)?.symbol : undefined;
  return length ? `${field}:${length}` : field;
}

/** “Preis €”, “Price GBP”, “Price inc. VAT”. */
const moneyHeading = (core: string): 'price' | null =>
  /^(?:price|preis|prix|precio)\s*(?:inc.*|inkl.*|ttc|brutto|con iva|€|£|\$|eur|gbp|usd|chf|cad|aud|mxn)$/.test(
    core,
  )
    ? 'price'
    : null;

/** Matches headings to fields, each field once. */
export function matchColumns(headings: readonly string[]): Columns {
  const taken = new Set<string>();
  return headings.map((heading) => {
    if (heading.length > LONGEST_HEADING) return null;
    const column = columnFor(heading);
    const field = columnOf(column)?.field;
    if (!field || taken.has(field)) return null;
    taken.add(field);
    return column;
  });
}

/** A cell that holds a figure with its unit is no heading. */
const FIGURE =
  /\d\s*(?:w|lm|k|v|h|mm|cm|m|ft|°|€|£|\$|%|watt|lumen)(?![\p{L}\d])|(?:€|£|\$)\s*\d/iu;
const ABOUT = /\/|per|pro|par|por|\(/i;

/** Does a row look like headings: two of its cells name fields, and none holds a figure with its unit. */
/** A cell with more signs in it is a text, and looking for units in it takes a pattern long. */
const LONGEST_HEADING = 120;

export const looksLikeHeadings = (
  cells: readonly string[],
  columns = matchColumns(cells),
): boolean =>
  columns.filter((column) => column !== null).length >= 2 &&
  cells.every((cell) => cell.length <= LONGEST_HEADING) &&
  !cells.some((cell) => FIGURE.test(cell) && !(ABOUT.test(cell) && /\b1[.,’ ]?000/.test(cell)));
