/** Single characters a line must have, and their share of its words, before it counts as set apart. */
const LEAST_SINGLES = 8;
const SHARE = 0.6;

interface Tightened {
  text: string;
  /** index in the given text of each character */
  places: number[];
}

/**
 * Letters a scanner has set apart (“L E D  9 W  8 0 6 l m”) put together again; null for any other text. Where
 * words are no further apart than letters, figures and units are parted by what they are.
 */
export function tightened(text: string): Tightened | null {
  const words = text.trim().split(/\s+/u);
  const singles = words.filter((each) => /^[\p{L}\d.,€$£=°-]$/u.test(each)).length;
  if (singles < LEAST_SINGLES || singles < SHARE * words.length) return null;
  const parted = /\S\s{2,}\S/u.test(text);
  const kept: { letter: string; at: number }[] = [];
  for (const { 0: run, index } of text.matchAll(/\S+|\s+/gu)) {
    if (/\S/u.test(run))
      for (const [k, letter] of [...run].entries()) kept.push({ letter, at: index + k });
    else if (parted ? run.length >= 2 : nextToLong(text, index, run.length))
      kept.push({ letter: ' ', at: index });
  }
  return parted ? told(kept) : told(betweenFigures(kept));
}

/** A space beside a word of several letters is a real one. */
function nextToLong(text: string, at: number, length: number): boolean {
  const before = /\S+$/u.exec(text.slice(0, at))?.[0] ?? '';
  const after = /^\S+/u.exec(text.slice(at + length))?.[0] ?? '';
  return before.length > 1 || after.length > 1;
}

type Letters = { letter: string; at: number }[];

const told = (letters: Letters): Tightened => ({
  text: letters.map(({ letter }) => letter).join(''),
  places: letters.map(({ at }) => at),
});

/** “LED9W806lmE27” again as words: a figure begins after a unit or a word, a cap after anything. */
function betweenFigures(letters: Letters): Letters {
  const text = letters.map(({ letter }) => letter).join('');
  const gaps = new Set<number>();
  for (const boundary of [
    /(?<=\d(?:w|lm|k|v|h|mm|cm|m|°|€|%)|\p{L}{3})(?=\d)/giu,
    /(?<=\d(?:w|lm|k|v|h|mm|cm|m|°|€|%))(?=\p{Lu})/gu,
    /(?<=E27|E26|E14|E12|B22|GU10)(?=.)/giu,
    /(?<!^)(?=E27|E26|E14|B22|GU10|CRI)/giu,
  ])
    for (const { index } of text.matchAll(boundary)) gaps.add(index);
  return letters.flatMap((each, k) =>
    gaps.has(k) ? [{ letter: ' ', at: each.at }, each] : [each],
  );
}
