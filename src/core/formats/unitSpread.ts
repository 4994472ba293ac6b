import { accept, refuse, type Result } from '../result';
import { spreadSchema, type Spread } from '../units/spread';
import { readIes } from './ies';
import { fluxOf } from '../light/farField';
import { readEulumdat } from './readEulumdat';

/** A unit's light as a photometric file gives it. */
interface MeasuredUnit {
  name: string;
  /** what leaves the unit, by zonal sum */
  luminousFluxLm: number;
  wattsW: number | null;
  /** on its axis, cd */
  axisCd: number;
  /** what it glows with, m; null where the file gives it no size */
  opening: { widthM: number; heightM: number } | null;
  spread: Extract<Spread, { class: 'measured' }>;
  /** what was read and what was made of it, in words */
  notes: string[];
}

/** Files of this trade are some kilobytes; more is not one of them. */
export const MOST_FILE_BYTES = 5_000_000;
/** Most a unit of the shelf can give. */
const MOST_LM = 1_000_000;
/** Steps the table is kept at: 2.5° from 0 to 180°. */
const STEPS = 72;

interface Planes {
  anglesDeg: readonly number[];
  cd: readonly (readonly number[])[];
}

/** Mean of the planes at an angle; dark where the file says nothing. */
function meanAt({ anglesDeg, cd }: Planes, angle: number): number {
  const last = anglesDeg.length - 1;
  if (angle < anglesDeg[0]! - 1e-9 || angle > anglesDeg[last]! + 1e-9) return 0;
  let high = 1;
  while (high < last && anglesDeg[high]! < angle) high++;
  const [from, to] = [anglesDeg[high - 1]!, anglesDeg[high]!];
  const part = Math.min(1, Math.max(0, (angle - from) / (to - from)));
  const mean = (k: number) => cd.reduce((sum, plane) => sum + plane[k]!, 0) / cd.length;
  return mean(high - 1) + (mean(high) - mean(high - 1)) * part;
}

/** One plane a place round the axis: a repeated first plane at 360° is left out. */
const openPlanes = (planesDeg: readonly number[], cd: number[][]): number[][] =>
  planesDeg.length > 1 && planesDeg.at(-1) === 360 ? cd.slice(0, -1) : cd;

/**
 * Weights of planes that are given for a half or a quarter turn only: those on the mirror count half
 * [std: LM-63, planes 0–90 and 0–180 are mirrored].
 */
function meanOverTurn(planesDeg: readonly number[], cd: number[][]): number[][] {
  const last = planesDeg.at(-1)!;
  if (planesDeg.length < 2 || (last !== 90 && last !== 180)) return openPlanes(planesDeg, cd);
  return [...cd.slice(1, -1), ...cd.slice(1, -1), cd[0]!, cd.at(-1)!];
}

/**
 * Reads LM-63 or EULUMDAT bytes as a unit's spread, its planes averaged round the axis. Refused with line
 * and reason: what is neither, is too big, or gives no light.
 */
export function readUnitSpread(bytes: Uint8Array, fileName: string): Result<MeasuredUnit> {
  if (bytes.byteLength > MOST_FILE_BYTES)
    return refuse(
      'too_big',
      `${fileName} is larger than 5 MB; a photometric file is some kilobytes.`,
      'file',
    );
  if (bytes.subarray(0, 4096).includes(0))
    return refuse('binary', `${fileName} is not text: choose an .ies or .ldt file.`, 'file');
  const text = new TextDecoder('utf-8').decode(bytes);
  return /^\ufeff?IESNA|^TILT=/m.test(text.slice(0, 4000)) ? fromIes(text) : fromEulumdat(text);
}

function fromIes(text: string): Result<MeasuredUnit> {
  const read = readIes(text);
  if (!read.ok) return read;
  const { planesDeg, anglesDeg, cd, wattsW, keywords, lampLm, openingM } = read.value;
  const name = keywords.LUMINAIRE?.[0] ?? keywords.LUMCAT?.[0] ?? '';
  const [width, length] = openingM.map(Math.abs) as [number, number];
  // Its length lies along C0; a circle has a width alone, negative in the file [std: LM-63-2002].
  const opening = sized(length === 0 ? width : length, width);
  return made(name, wattsW, lampLm, opening, { anglesDeg, cd: meanOverTurn(planesDeg, cd) });
}

function fromEulumdat(text: string): Result<MeasuredUnit> {
  const read = readEulumdat(text);
  if (!read.ok) return read;
  const { name, wattsW, lampLm, planesDeg, anglesDeg, cd, openingM } = read.value;
  const [length, width] = openingM;
  // Its length lies along C90; a circle has no width.
  const opening = sized(width === 0 ? length : width, length);
  return made(name, wattsW, lampLm, opening, { anglesDeg, cd: openPlanes(planesDeg, cd) });
}

const sized = (widthM: number, heightM: number): MeasuredUnit['opening'] =>
  widthM > 0 && heightM > 0 ? { widthM, heightM } : null;

function made(
  name: string,
  wattsW: number,
  lampLm: number,
  opening: MeasuredUnit['opening'],
  planes: Planes,
): Result<MeasuredUnit> {
  const table = Array.from({ length: STEPS + 1 }, (_, k) =>
    Math.max(0, meanAt(planes, (180 * k) / STEPS)),
  );
  // Zonal sums over the file's own angles: what a goniometer's own report would say.
  const { anglesDeg, cd } = planes;
  const luminousFluxLm = fluxOf({
    planesDeg: cd.map((_, k) => k),
    anglesDeg: [...anglesDeg],
    cd: cd.map((plane) => [...plane]),
  });
  if (!(luminousFluxLm > 0))
    return refuse('dark', 'The file gives no light in any direction.', 'file');
  if (!(luminousFluxLm <= MOST_LM))
    return refuse(
      'too_bright',
      `The file gives ${Number.isFinite(luminousFluxLm) ? luminousFluxLm.toPrecision(3) : 'endlessly many'} lm; no unit gives more than ${MOST_LM}. Look at its multiplier.`,
      'file',
    );
  const spread = spreadSchema.safeParse({
    class: 'measured',
    cdPerKlm: table.map((each) => Number(((1000 * each) / luminousFluxLm).toPrecision(6))),
  });
  if (!spread.success || spread.data.class !== 'measured')
    return refuse('spread', 'Its candela cannot be kept: they are no numbers, or far too many.');
  const lossWords =
    lampLm > 0
      ? `; ${Math.round((100 * luminousFluxLm) / lampLm)} % of the lamps’ ${Math.round(lampLm)} lm`
      : '';
  return accept({
    name,
    luminousFluxLm,
    wattsW: wattsW > 0 ? wattsW : null,
    axisCd: table[0]!,
    opening,
    spread: spread.data,
    notes: [
      `${Math.round(luminousFluxLm)} lm by zonal sum${lossWords}`,
      `${planes.cd.length} planes averaged round the axis, ${planes.anglesDeg.length} angles to ${planes.anglesDeg.at(-1)}°`,
    ],
  });
}
