import { between, END, LITTLE_W, number, re, spaced, START, type Line } from './line';
import { TIGHT_NUMBER } from './number';

const REPLACES = String.raw`(?:[eé]q(?:\.|v\.?|ui?v?\p{L}*\.?)?|[aä]quivalent\p{L}*|equival\p{L}*|entspr(?:icht|echend|\.)?|ersetzt|ersatz|vergleichbar|replac\p{L}*|repl\.?|rempla\p{L}*|sustituye|reemplaza|instead of|comparable|wie|comme|como|statt|vs\.?|gleich)`;
const FILL = String.raw`(?:(?:\s|[:=~≈(])*(?:ca\.?|zu|[aàá]|to|f[uü]r|for|of|einer?|une|una|d[’']une|de|mit|with|incandescen\p{L}*|gl[uü]hlampe|ampoule|bombilla|halog[eèé]n\p{L}*|old|power|leistung)(?!\p{L})\.?)*(?:\s|[:=~≈(])*`;

/** Whether a line tells watts beside these. */
function otherWatts(line: Line, { index, 0: own }: RegExpExecArray): boolean {
  const { words } = line;
  if (line.valueOf('wattsW') !== undefined) return true;
  const rest = `${words.slice(0, index)} ${words.slice(index + own.length)}`;
  return re(`${START}${TIGHT_NUMBER}\\s*${LITTLE_W}${END}`).test(rest);
}

/** What a lamp draws, and what it claims to stand for. */
export function power(line: Line): void {
  const claim = between(5, 1000);
  line.take(
    'equivalentW',
    re(`(?<!\\p{L})${REPLACES}${FILL}(${TIGHT_NUMBER})\\s*${LITTLE_W}${END}`),
    claim,
  );
  line.take(
    'equivalentW',
    re(`(?:=|≙|≈|≅|->|→|~)\\s*(${TIGHT_NUMBER})\\s*${LITTLE_W}${END}(?:\\s*-?\\s*${REPLACES})?`),
    claim,
  );
  line.take(
    'equivalentW',
    re(
      `${START}(${TIGHT_NUMBER})\\s*-?\\s*${LITTLE_W}[\\s(-]{0,3}(?:incandescent |halogen |gl[uü]hlampe |gl[uü]hbirne )?${REPLACES}`,
    ),
    claim,
  );
  // “60 W Glühlampe” beside its own watts is what it stands for; alone it is what it is.
  line.take(
    'equivalentW',
    re(
      `${START}(${TIGHT_NUMBER})\\s*-?\\s*${LITTLE_W}[\\s(-]{0,3}(?:gl[uü]hlampe|gl[uü]hbirne|incandescent)`,
    ),
    (match) => (otherWatts(line, match) ? claim(match) : null),
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
    re(`(?<=(?:w(?:atts?)?|lm|lumens?|·)\\s*)\\(\\s*(${TIGHT_NUMBER})\\s*${LITTLE_W}\\s*\\)`),
    claim,
    'likely',
  );
  line.take('wattsW', number(`${LITTLE_W}${END}`), between(0.1, 5000), spaced);
}
