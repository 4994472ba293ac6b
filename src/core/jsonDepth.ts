/** Deeper than any document of ours; what reads JSON by recursion stands far more. */
export const MOST_DEPTH = 64;

/** Told from the text, before anything recurses into it. */
export function nestedTooDeep(text: string): boolean {
  let [depth, quoted] = [0, false];
  for (let k = 0; k < text.length; k++) {
    const sign = text[k];
    if (quoted) {
      if (sign === '\\') k++;
      else if (sign === '"') quoted = false;
    } else if (sign === '"') quoted = true;
    else if (sign === '{' || sign === '[') {
      if (++depth > MOST_DEPTH) return true;
    } else if (sign === '}' || sign === ']') depth--;
  }
  return false;
}
