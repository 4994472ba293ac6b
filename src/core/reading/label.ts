import { columnOf, matchColumns, type Columns } from './headings';
import { readLine, type ReadField } from './readLine';

/** One product as it was pasted: free lines, and lines that name their field (“Leistung: 8,5 W”). */
export interface Label {
  title: string;
  /** all of it as it was pasted */
  whole: string;
  lines: string[];
  headed: { column: Columns[number]; text: string }[];
}

/** Characters of a whole label that are looked at: a box has no more. */
const MOST_CHARACTERS = 4000;

/** Free lines of a label as one; a bar is in no figure. */
export const labelText = ({ lines }: Label): string => lines.join(' | ').slice(0, MOST_CHARACTERS);

const BULLET = /^\s*(?:[•·▪◦‣●○✓✔☑➤►»*+–—-]|\d{1,2}[.)](?=\s))\s+/u;
const KEYED = /^\s*([^:\t|]{1,40}?)\s*(?::|\t|\||\s{3,}|\.{3,})\s*(\S.*)$/u;

interface Piece {
  text: string;
  /** it belongs to what stands above it, if it can */
  follows: boolean;
  /** “Name: …”: a new one begins another product */
  names: boolean;
  headed: { column: Columns[number]; text: string } | null;
  core: Partial<Record<ReadField, unknown>>;
  /** what it is, `gear` for what gives no light; null where nothing says so */
  category: string | null;
  /** it names its kind, which begins a product */
  titled: boolean;
}

/** Fields that a product has once. */
const CORE: readonly ReadField[] = [
  'wattsW',
  'luminousFluxLm',
  'cctK',
  'base',
  'wattsPerM',
  'lumensPerM',
  'reelLengthM',
  'lengthM',
  'supplyV',
];

function pieceOf(line: string): Piece {
  const bulleted = BULLET.test(line);
  const text = line.replace(BULLET, '').trim();
  const read = readLine(text);
  const core = Object.fromEntries(
    read.fields.flatMap(({ field, value, sure }) =>
      CORE.includes(field) && sure !== 'guess' ? [[field, value]] : [],
    ),
  );
  const keyed = Object.keys(core).length <= 2 ? KEYED.exec(text) : null;
  const value = keyed?.[2]?.trim() ?? '';
  const column = keyed && !/[;|]|:\s/.test(value) ? matchColumns([keyed[1]!])[0]! : null;
  const told = columnOf(column);
  const headed = told !== null && told.field !== 'name';
  const found = read.fields.find((each) => each.field === 'category');
  const from = found?.text;
  const category = read.gear ? 'gear' : found ? String(found.value) : null;
  return {
    text: told?.field === 'name' ? value : text,
    follows: bulleted || headed,
    names: told?.field === 'name',
    headed: headed ? { column, text: value } : null,
    core: headed ? { [told.field]: value } : core,
    category: headed ? null : category,
    titled: !headed && category !== null && from !== 'its base',
  };
}

const fresh = (title: string): Label => ({ title, whole: '', lines: [], headed: [] });

/** A label being put together, and what it has said so far. */
interface Open extends Label {
  core: Partial<Record<ReadField, unknown>>;
  category: string | null;
}

/** Does a line begin another product than the one above it? */
function begins(piece: Piece, open: Open): boolean {
  const shared = (Object.keys(piece.core) as ReadField[]).filter((field) => field in open.core);
  if (piece.headed)
    return open.headed.some(({ column }) => shared.includes(columnOf(column)!.field as ReadField));
  // What is of another kind is another thing, by its words or by its cap; a bullet may name what comes along.
  const other =
    piece.category !== null && open.category !== null && piece.category !== open.category;
  if (other && !(piece.follows && Object.keys(piece.core).length < 2)) return true;
  if (piece.names) return complete(open);
  if (shared.length >= 2 || shared.some((field) => piece.core[field] !== open.core[field]))
    return true;
  if (piece.follows) return false;
  // A line that names its kind is a title: what a label says below its title names it no more.
  if (piece.titled) return true;
  return Object.keys(piece.core).length >= 3 && Object.keys(open.core).length >= 3;
}

/** A line that says nothing by itself, or comes after a gap, stands alone unless a label has begun above. */
function stands(piece: Piece, open: Open, afterBlank: boolean): boolean {
  if (piece.follows) return false;
  if (afterBlank && complete(open)) return true;
  if (piece.names || Object.keys(piece.core).length > 0) return false;
  const label = open.lines.length + open.headed.length >= 2;
  return open.lines.length > 0 && (piece.category !== null || !label);
}

/** Enough for a product: what follows after a gap is another. */
const complete = (open: Open): boolean => Object.keys(open.core).length >= 2;

/**
 * Parts pasted text into products. Bullets and “field: value” lines belong to what stands above; any other line
 * begins a product of its own when it says again what has been said, or names a kind again.
 */
export function labelsIn(text: string, mostRows: number, mostCharacters: number): Label[] {
  const labels: Label[] = [];
  let open: Open | null = null;
  let afterBlank = false;
  for (const whole of text.split(/\r\n|\n|\r/)) {
    if (!/\p{L}|\d/u.test(whole)) {
      afterBlank = true;
      continue;
    }
    const line = whole.slice(0, mostCharacters);
    const piece = pieceOf(line);
    if (!open || begins(piece, open) || stands(piece, open, afterBlank)) {
      if (labels.length === mostRows) break;
      open = { ...fresh(piece.headed ? '' : piece.text), core: {}, category: null };
      labels.push(open);
    }
    afterBlank = false;
    open.whole = open.whole ? `${open.whole}\n${line}` : line;
    open.core = { ...piece.core, ...open.core };
    open.category ??= piece.category;
    if (piece.headed) open.headed.push(piece.headed);
    else open.lines.push(piece.text);
  }
  return labels;
}
