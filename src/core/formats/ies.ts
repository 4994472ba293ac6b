import { accept, refuse, type Result } from '../result';
import type { Photometry } from './photometric';

/** Longest line the standard allows [std: IES LM-63-2002, 5]. */
const LINE = 132;

/**
 * Writes LM-63-2002 text, type C, metres, TILT=NONE [std: IES LM-63-2002; from memory]. Planes run to
 * 360°, the last repeating the first.
 */
export function writeIes(photometry: Photometry): string {
  const { planesDeg, anglesDeg, cd, lampLm, wattsW, widthM, heightM, round } = photometry;
  const planes = [...planesDeg, 360];
  const keyword = (name: string, text: string) => `[${name}] ${ascii(text)}`.slice(0, LINE);
  const [first = 'simulated', ...more] = photometry.notes;
  // Width lies along the planes 90–270°, length along 0–180° [std: IES LM-63-2002, 5.11; from memory].
  const opening = round ? [-widthM, -widthM, 0] : [heightM, widthM, 0];
  return [
    'IESNA:LM-63-2002',
    keyword('TEST', first),
    keyword('TESTLAB', `none: ${photometry.how}`),
    keyword('ISSUEDATE', photometry.date),
    keyword('MANUFAC', 'home-made'),
    keyword('LUMINAIRE', photometry.name),
    ...more.map((note, k) => keyword(k === 0 ? 'OTHER' : 'MORE', note)),
    'TILT=NONE',
    [
      1,
      figure(lampLm),
      1,
      anglesDeg.length,
      planes.length,
      1,
      2,
      ...opening.map((metres) => figure(metres)),
    ].join(' '),
    `1 1 ${figure(wattsW)}`,
    ...wrapped(anglesDeg),
    ...wrapped(planes),
    ...[...cd, cd[0]!].flatMap((plane) => wrapped(plane)),
    '',
  ].join('\r\n');
}

const figure = (value: number): string => String(Number(value.toPrecision(5)));
/** The format knows plain characters only. */
const ascii = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[×–—]/g, (sign) => (sign === '×' ? 'x' : '-'))
    .replace(/±/g, '+/-')
    .replace(/[^\x20-\x7e]/g, '');

function wrapped(values: readonly number[]): string[] {
  const lines: string[] = [];
  let line = '';
  for (const text of values.map(figure)) {
    if (line.length + text.length + 1 > LINE) {
      lines.push(line);
      line = '';
    }
    line += (line && ' ') + text;
  }
  return [...lines, line];
}

interface IesFile {
  version: string;
  keywords: Record<string, string[]>;
  lampLm: number;
  wattsW: number;
  anglesDeg: number[];
  planesDeg: number[];
  /** candela by plane, multiplier in */
  cd: number[][];
  unitsM: boolean;
  openingM: readonly [number, number, number];
}

/** Angles on a plane, and planes, that a file may have; none in the trade has more. */
const MOST_ANGLES = 2000;
/** Sizes are in feet unless the file says metres [std: LM-63]. */
const FOOT_M = 0.3048;

/** Reads LM-63 text strictly: type C, TILT=NONE, ascending angles, every figure there and none more. */
export function readIes(text: string): Result<IesFile> {
  const lines = text.replace(/^\ufeff/, '').split(/\r\n|\n|\r/);
  const wrong = (line: number, why: string) => refuse('ies', `Line ${line + 1}: ${why}.`, 'file');
  const version = lines[0]?.trim() ?? '';
  if (!version.startsWith('IESNA')) return wrong(0, `“${version}” is not IESNA:LM-63`);
  const tilt = lines.findIndex((line) => line.startsWith('TILT='));
  if (tilt < 0) return wrong(lines.length - 1, 'there is no TILT= line');
  if (lines[tilt]!.trim() !== 'TILT=NONE') return wrong(tilt, 'only TILT=NONE is read here');
  // Without a prototype: a keyword may be called anything, “constructor” too.
  const keywords: Record<string, string[]> = Object.create(null);
  for (const [at, line] of lines.slice(1, tilt).entries()) {
    const found = /^\[(\w+)\]\s?(.*)$/.exec(line);
    if (!found) return wrong(at + 1, `“${line}” is no keyword`);
    (keywords[found[1]!] ??= []).push(found[2]!);
  }
  const words = lines
    .slice(tilt + 1)
    .join(' ')
    .split(/[\s,]+/)
    .filter(Boolean);
  const numbers = words.map(Number);
  const odd = numbers.findIndex((value) => !Number.isFinite(value));
  if (odd >= 0) return wrong(tilt + 1, `“${words[odd]}” is not a number`);
  const [lamps, lm, multiplier, nv, nh, type, units, w, l, h, ballast, , watts] =
    numbers as number[];
  if (type !== 1) return wrong(tilt + 1, `photometric type ${type} is not type C`);
  if (!(nv! >= 2) || !(nh! >= 1) || nv! > MOST_ANGLES || nh! > MOST_ANGLES)
    return wrong(
      tilt + 1,
      `${nv} by ${nh} angles cannot be; 2 to ${MOST_ANGLES} by 1 to ${MOST_ANGLES}`,
    );
  const wanted = 13 + nv! + nh! + nv! * nh!;
  if (numbers.length !== wanted)
    return wrong(lines.length - 1, `${numbers.length} figures where ${wanted} belong`);
  const anglesDeg = numbers.slice(13, 13 + nv!);
  const planesDeg = numbers.slice(13 + nv!, 13 + nv! + nh!);
  const rising = (values: number[]) =>
    values.every((value, k) => k === 0 || value > values[k - 1]!);
  if (!rising(anglesDeg) || !rising(planesDeg)) return wrong(tilt + 3, 'angles must rise');
  const from = 13 + nv! + nh!;
  const scale = multiplier! * ballast!;
  const unitM = units === 2 ? 1 : FOOT_M;
  return accept({
    version,
    keywords,
    lampLm: lm! * lamps!,
    wattsW: watts!,
    anglesDeg,
    planesDeg,
    cd: planesDeg.map((_, k) =>
      numbers.slice(from + k * nv!, from + (k + 1) * nv!).map((value) => value * scale),
    ),
    unitsM: units === 2,
    openingM: [w! * unitM, l! * unitM, h! * unitM],
  });
}
