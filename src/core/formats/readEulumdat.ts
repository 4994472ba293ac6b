import { accept, refuse, type Result } from '../result';

/** What an EULUMDAT file says, its symmetry unfolded to all its planes. */
interface EulumdatFile {
  name: string;
  lampLm: number;
  wattsW: number;
  anglesDeg: number[];
  planesDeg: number[];
  /** candela by plane */
  cd: number[][];
  /** luminous area, m; a width of 0 is a circle of that length */
  openingM: readonly [length: number, width: number];
}

const MOST_ANGLES = 721;
const MOST_PLANES = 721;
const MOST_LAMP_SETS = 20;
/** Lines before the first set of lamps, and lines of one set [std: EULUMDAT, Stockmar 1990; from memory]. */
const HEAD = 26;
const SET = 6;
const DIRECT_RATIOS = 10;

/** First plane and number of planes that are written down, by the symmetry indicator. */
function writtenPlanes(symmetry: number, planes: number): readonly [first: number, count: number] {
  switch (symmetry) {
    case 1:
      return [0, 1];
    case 2:
      return [0, planes / 2 + 1];
    case 3:
      return [(3 * planes) / 4, planes / 2 + 1];
    case 4:
      return [0, planes / 4 + 1];
    default:
      return [0, planes];
  }
}

/** Place in what is written down of plane k of all. */
function placeOf(k: number, symmetry: number, planes: number): number {
  const half = planes / 2;
  switch (symmetry) {
    case 1:
      return 0;
    case 2:
      return k <= half ? k : planes - k;
    case 3: {
      // Written from C270 over C0 to C90: the plane C90–C270 mirrors left to right.
      const turned = (k + planes / 4) % planes;
      return turned <= half ? turned : planes - turned;
    }
    case 4: {
      const folded = k <= half ? k : planes - k;
      return folded <= planes / 4 ? folded : half - folded;
    }
    default:
      return k;
  }
}

/** Reads EULUMDAT text strictly [std: EULUMDAT, Stockmar 1990; from memory]: every line in its place. */
export function readEulumdat(text: string): Result<EulumdatFile> {
  const lines = text.replace(/^\ufeff/, '').split(/\r\n|\n|\r/);
  while (lines.length && lines.at(-1)!.trim() === '') lines.pop();
  const wrong = (line: number, why: string) =>
    refuse('eulumdat', `Line ${line + 1}: ${why}.`, 'file');
  if (lines.length < HEAD) return wrong(lines.length, 'the file ends before its head is complete');
  const figure = (line: number) => Number((lines[line] ?? '').trim().replace(',', '.') || NaN);
  const [symmetry, planes, angles, sets] = [figure(2), figure(3), figure(5), figure(25)];
  const whole = (value: number, most: number) =>
    Number.isInteger(value) && value >= 1 && value <= most;
  if (![0, 1, 2, 3, 4].includes(symmetry))
    return wrong(2, `symmetry “${lines[2]}” is none of 0 to 4`);
  if (!whole(planes, MOST_PLANES))
    return wrong(3, `“${lines[3]}” planes; 1 to ${MOST_PLANES} belong here`);
  if (!whole(angles, MOST_ANGLES) || angles < 2)
    return wrong(5, `“${lines[5]}” angles; 2 to ${MOST_ANGLES} belong here`);
  if (!whole(sets, MOST_LAMP_SETS))
    return wrong(25, `“${lines[25]}” sets of lamps; 1 to ${MOST_LAMP_SETS} belong here`);
  if (symmetry > 1 && planes % 4 !== 0)
    return wrong(3, `${planes} planes do not fit symmetry ${symmetry}`);
  const [, count] = writtenPlanes(symmetry, planes);
  const from = HEAD + SET * sets + DIRECT_RATIOS;
  const wanted = from + planes + angles + count * angles;
  if (lines.length !== wanted)
    return wrong(lines.length - 1, `${lines.length} lines where ${wanted} belong`);
  for (let line = from; line < wanted; line++)
    if (!Number.isFinite(figure(line))) return wrong(line, `“${lines[line]}” is not a number`);
  const all = Array.from({ length: wanted - from }, (_, k) => figure(from + k));
  const planesDeg = all.slice(0, planes);
  const anglesDeg = all.slice(planes, planes + angles);
  const rises = (values: number[]) => values.every((value, k) => k === 0 || value > values[k - 1]!);
  if (!rises(planesDeg)) return wrong(from, 'planes must rise');
  if (!rises(anglesDeg)) return wrong(from + planes, 'angles must rise');
  // A negative number of lamps marks figures for the whole luminaire.
  const flux = (set: number) => figure(HEAD + SET * set + 2);
  const watts = (set: number) => figure(HEAD + SET * set + 5);
  const lampLm = flux(0);
  if (!(lampLm > 0)) return wrong(HEAD + 2, `“${lines[HEAD + 2]}” is no luminous flux`);
  const written = Array.from({ length: count }, (_, k) =>
    all
      .slice(planes + angles + k * angles, planes + angles + (k + 1) * angles)
      .map((perKlm) => (perKlm * lampLm) / 1000),
  );
  return accept({
    name: lines[8]!.trim(),
    lampLm,
    wattsW: watts(0) || 0,
    anglesDeg,
    planesDeg,
    openingM: [(figure(15) || 0) / 1000, (figure(16) || 0) / 1000],
    cd: planesDeg.map((_, k) => written[placeOf(k, symmetry, planes)]!),
  });
}
