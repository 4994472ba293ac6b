import type { Role } from '../materials/part';
import { word, type Line, type ReadField } from './line';

/** What hangs beside lamps in the same shop and gives no light; null where the shelf has no place for it. */
const GEAR: [Role | null, string][] = [
  [
    'supply',
    String.raw`power suppl(?:y|ies)|(?:led[- ]?)?drivers?|transformers?|netzteile?|schaltnetzteil|led[- ]?treiber|trafos?|transformator(?:en)?|alimentation|transformateur|fuente(?: de alimentaci[oó]n)?|transformador|psu|adapter|steckernetzteil|ladeger[aä]t`,
  ],
  [
    'dimmer',
    String.raw`dimmers?|(?:dreh|wand|phasenabschnitt|phasenanschnitt|schnur)dimmer|variateurs?|gradateurs?|regulador(?:es)?(?: de luz)?|atenuador(?:es)?`,
  ],
  [
    'ballast',
    String.raw`(?:electronic |magnetic )?ballasts?|vorschaltger[aä]te?|balastos?|balasto|reactancia`,
  ],
  [
    'plug',
    String.raw`(?:mains |schuko-?|schutzkontakt-?)?(?:plugs?|stecker)|fiche (?:m[aâ]le|secteur)|clavija`,
  ],
  [
    null,
    String.raw`power strips?|steckdosenleisten?|mehrfachsteckdosen?|multiprises?|bloc multiprise|regleta de enchufes|base m[uú]ltiple|extension lead|verl[aä]ngerungskabel|rallonge|alargador|steckdosen?|prise (?:murale|de courant)|enchufes?|wall sockets?|timer|zeitschaltuhr|controllers?|fernbedienung|remote control|t[eé]l[eé]commande|mando a distancia|repeater|verst[aä]rker|connectors?|verbinder|eckverbinder|connecteurs?|conector(?:es)?|lampenschirme?|lampshades?|abat-jour|pantalla`,
  ],
  [
    'cord',
    String.raw`(?:power |mains )?(?:cables?|cords?|flex)|(?:netz|anschluss|strom)?(?:kabel|leitung)|c[aâ]bles?|cordon|cable el[eé]ctrico`,
  ],
  [
    'socket',
    String.raw`(?:lamp|bulb|light)[- ]?(?:sockets?|holders?)|lampholders?|(?:lampen|porzellan|keramik)?fassung(?:en)?|douilles?|portal[aá]mparas|porta-?l[aá]mparas|casquillos?|sockets?`,
  ],
  [
    'hardware',
    String.raw`(?:insulating|insulation|electrical|gaffer|duct|masking|adhesive|double[- ]sided|aluminium|copper)[- ]?tape|isolierband|klebeband|gewebeband|gafferband|kreppband|montageband|ruban (?:isolant|adh[eé]sif|de masquage|double[- ]face)|cinta (?:aislante|adhesiva|americana|de doble cara|carrocero)|screws?|schrauben?|\bvis\b|tornillos?|(?:zip|cable)[- ]ties?|kabelbinder|colliers?|bridas?|clamps?|klemmen?|pinces?|pinzas?`,
  ],
  [
    'stick',
    String.raw`(?:(?:pvc|abs|alumini?um|copper|steel|plastic|drain)[- ]?(?:pipes?|tubes?|conduit|rods?)|conduit|(?:pvc|alu(?:minium)?|stahl|kupfer|kunststoff|ht|installations)[- ]?rohre?|rohre?|tubo (?:de )?(?:pvc|aluminio|cobre|acero)|tube (?:en )?(?:pvc|alu(?:minium)?|cuivre|acier)|tuyaux?|tuber[ií]a|rundstab|dowels?|vierkantholz|kantholz|dachlatten?|tasseaux?|list[oó]n|(?:alumini?um|alu|led|aluminio)[- ]?(?:profiles?|profile?|channels?|extrusions?)|profil[eé]s? (?:en )?alu\p{L}*|perfil(?:es)? (?:de )?(?:aluminio|led))`,
  ],
  [
    'sheet',
    String.raw`(?:plywood|sperrholz|mdf|hdf|osb|chipboard|spanplatten?|multiplex|birch ply|foam ?(?:board|core)|styrodur|styropor|hartschaumplatten?|contreplaqu[eé]|contrachapado|aglomerado|agglom[eé]r[eé]|carton plume|cart[oó]n pluma|(?:acrylic|polycarbonate|plexi\p{L}*|perspex|alumini?um|steel|metal|polystyrene|insulation) sheets?|acrylglas(?:platten?)?|(?:alu|stahl)?bleche?|lochblech|t[oô]le|chapa|holzplatten?)(?:[- ]?(?:panels?|platten?|boards?|sheets?|panneaux?|tableros?))?`,
  ],
  [
    'paint',
    String.raw`(?:white |matt |spray )?paint|lackfarbe|wandfarbe|spr[uü]hlack|dispersionsfarbe|peinture|pintura`,
  ],
  [
    'hardware',
    String.raw`(?:cake|pizza|baking|cookie|biscuit|roasting) ?(?:tins?|pans?)|baking trays?|springform|backform|kuchenform|pizzablech|moule(?: à g[aâ]teau)?|molde|eimer|sch[uü]ssel|buckets?|bassine|seau|cuenco`,
  ],
  [
    'cloth',
    String.raw`muslin|bed ?sheets?|bettlaken|laken|nesselstoff|nessel|molton|drap(?: blanc)?|s[aá]bana|shower curtain|duschvorhang|tissu|tela(?: blanca)?`,
  ],
  [
    'diffusion',
    String.raw`(?:diffusion|diffuser|tracing|baking|parchment|greaseproof) (?:paper|sheet|film|gel|frost)|backpapier|pauspapier|transparentpapier|papier (?:calque|sulfuris[eé]|cuisson)|papel (?:vegetal|de horno)|frost ?film`,
  ],
  [
    null,
    String.raw`(?:light|lighting|tripod) stands?|(?:lampen|licht)?stative?|tr[eé]pieds?|tr[ií]podes?`,
  ],
];

/** Only things that give light say one of these. */
const LIT: readonly ReadField[] = [
  'luminousFluxLm',
  'cctK',
  'criRa',
  'equivalentW',
  'lumensPerM',
  'ledsPerM',
  'wattsPerM',
  'beamAngleDeg',
];
/** A thing that comes along with a lamp, or what a lamp fits. */
const BESIDE =
  /(?:with|w\/|mit|inkl\.?|inkl(?:usive)?|avec|con|incl\.?|including|included|and|und|et|y|for|für|pour|para|\+|&)\s+(?:\p{L}+\s+){0,2}$/iu;
const BULB = word(
  String.raw`bulbs?|\p{L}*birnen?|gl[uü]hlampen?|ampoules?|bombillas?|leuchtmittel`,
);
const LIGHT = word(
  String.raw`bulbs?|globes?|lamps?|lampen?|\p{L}*birnen?|leuchtmittel|ampoules?|bombillas?|strips?|stripes?|\p{L}*streifen|tape|ruban|tira|tubes?|r[oö]hren?|panels?|\p{L}*strahler|projecteur|work ?light`,
);

/** A light named before, with figures or a stop between: what follows comes along with it. */
function comesAlong(words: string, at: number): boolean {
  const before = words.slice(0, at);
  const noun = before.search(LIGHT);
  return (noun >= 0 && /[\d,;(]/u.test(before.slice(noun))) || BESIDE.test(before);
}
const INCLUDED = /^\W*(?:incl|inkl|inclu|compris|enthalten|dabei)/iu;

export interface Gear {
  role: Role | null;
  /** the words that say so */
  text: string;
}

/** What a line is when it gives no light: a pipe, a holder, a supply. Null for lamps, and for what nobody knows. */
export function gearIn(line: Line): Gear | null {
  if (LIT.some(line.has)) return null;
  const { words } = line;
  for (const [role, names] of GEAR)
    for (const { 0: text, index } of words.matchAll(word(names))) {
      if (comesAlong(words, index) || INCLUDED.test(words.slice(index + text.length))) continue;
      // “Fassung: E27” on a bulb's box names its cap.
      const cap = role === 'socket' && !/holder|\p{L}fassung|douille|porta/iu.test(text);
      if (cap && words.search(BULB) >= 0) continue;
      return { role, text };
    }
  return null;
}
