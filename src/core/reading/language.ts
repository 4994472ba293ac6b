import { word } from './line';

/** Words of the trade that tell a language, none of them shared with the four that are read. */
const FOREIGN: [string, string][] = [
  [
    'Italian',
    String.raw`lampadin[ae]|lampada|luce|calda|fredda|attacco|dimmerabile|durata|striscia|faretto|faro|confezione|pezzi|flusso|luminoso|potenza|equivalenti`,
  ],
  [
    'Dutch',
    String.raw`gloeilamp(?:en)?|lampje|dimbaar|niet|lichtstroom|kleurtemperatuur|vermogen|levensduur|stuks|bouwlamp|kaars|vervangt|uur|helder|strook`,
  ],
  [
    'Portuguese',
    String.raw`l[âa]mpadas?|regul[áa]vel|n[ãa]o|fita|luz quente|fluxo|pot[êe]ncia|vida [úu]til|embalagem|unidades de|dimeriz[áa]vel|holofote|com`,
  ],
  [
    'Polish',
    String.raw`żar[óo]wka|żarówki|ściemniania|taśma|barwa|ciepła|zimna|strumień|moc|trwałość|sztuk|gwint|naświetlacz|zamiennik|światł\p{L}*`,
  ],
  [
    'Swedish',
    String.raw`glödlampa|ljuskälla|dimbar|ljusflöde|färgtemperatur|livslängd|sockel e|ersätter|st`,
  ],
  [
    'Danish or Norwegian',
    String.raw`pære|dæmpbar|dimbar lampe|lysstrøm|fargetemperatur|farvetemperatur|levetid|erstatter|lyskilde`,
  ],
  [
    'Czech or Slovak',
    String.raw`žárovka|žiarovka|stmívatelná|stmievateľná|světelný|svetelný|tok|teplá|patice|pásek|životnost`,
  ],
  ['Turkish', String.raw`ampul|ışık|sıcak|beyaz|güç|ömür|adet|şerit`],
  [
    'Hungarian',
    String.raw`izzó|fényforrás|szabályozható|fényáram|színhőmérséklet|élettartam|meleg|darab`,
  ],
  ['Finnish', String.raw`lamppu|polttimo|himmennettävä|valovirta|värilämpötila|käyttöikä|lämmin`],
];
const KNOWN = word(
  String.raw`bulbs?|globe|candle|strip|tape|pack|dimmable|hours|equivalent|warm|white|with|tube|panel|birnen?|lampen?|leuchtmittel|streifen|kerze|dimmbar|nicht|stunden|stück|ersetzt|warmweiß|röhren?|mit|ampoules?|ruban|gradable|heures|blanc|chaud|remplace|lot|avec|bombillas?|tira|regulable|horas|blanco|cálida|sustituye|paquete|foco`,
);
const SCRIPTS: [string, RegExp][] = [
  ['Cyrillic letters', /\p{Script=Cyrillic}/gu],
  ['Greek', /\p{Script=Greek}{2}/gu],
  ['Chinese or Japanese', /\p{Script=Han}|\p{Script=Hiragana}|\p{Script=Katakana}/gu],
  ['Korean', /\p{Script=Hangul}/gu],
  ['Arabic letters', /\p{Script=Arabic}/gu],
  ['Hebrew letters', /\p{Script=Hebrew}/gu],
];

const count = (text: string, pattern: RegExp): number => [...text.matchAll(pattern)].length;

/** A language a label seems to be in that is none of the four whose words are read; null where nothing says so. */
export function otherLanguage(text: string): string | null {
  const letters = count(text, /\p{L}/gu);
  for (const [script, of] of SCRIPTS) if (count(text, of) > 0.2 * letters) return script;
  const known = count(text, KNOWN);
  const [best] = FOREIGN.map(([language, words]) => ({ language, found: count(text, word(words)) }))
    .filter(({ found }) => found >= 2 && found > known)
    .toSorted((a, b) => b.found - a.found);
  return best?.language ?? null;
}
