import { fluxOf } from '../light/farField';
import type { Photometry } from './photometric';

/** Lines of the format are at most this long [std: EULUMDAT, Stockmar 1990; from memory]. */
const LINE = 78;
/** Room indices whose direct ratios the format keeps; unknown here and written as 0. */
const DIRECT_RATIOS = 10;

/** Step of a row of angles; 0 where they are not equally far apart, as the format has it. */
function stepOf(angles: readonly number[]): string {
  const step = (angles[1] ?? 0) - (angles[0] ?? 0);
  const even = angles.every((angle, k) => Math.abs(angle - angles[0]! - k * step) < 1e-9);
  return even ? String(step) : '0';
}

const millimetres = (metres: number) => String(Math.round(metres * 1000));
const plain = (text: string) => text.replace(/[\r\n]+/g, ' ').slice(0, LINE);

/**
 * Writes EULUMDAT text without symmetry (Isym 0), intensities in cd per 1000 lm of the lamps
 * [std: EULUMDAT, Stockmar 1990; from memory].
 */
export function writeEulumdat(photometry: Photometry): string {
  const { planesDeg, anglesDeg, cd, lampLm, round, widthM, heightM } = photometry;
  const out = fluxOf(photometry);
  const below = fluxOf({
    ...photometry,
    anglesDeg: anglesDeg.filter((angle) => angle <= 90),
    cd: cd.map((plane) => plane.filter((_, k) => anglesDeg[k]! <= 90)),
  });
  // Length lies along C90–C270, width along C0–C180; a round one has its diameter and no width.
  const size = round ? [millimetres(widthM), '0'] : [millimetres(heightM), millimetres(widthM)];
  // What a reader multiplies by is what was divided by.
  const told = Number(lampLm.toPrecision(6));
  return [
    'home-made',
    '3',
    '0',
    String(planesDeg.length),
    stepOf(planesDeg),
    String(anglesDeg.length),
    stepOf(anglesDeg),
    plain(photometry.notes.join('; ')),
    plain(photometry.name),
    '',
    '',
    plain(`${photometry.date} ${photometry.how}`),
    ...size,
    '0',
    ...size,
    '0',
    '0',
    '0',
    '0',
    (out > 0 ? (100 * below) / out : 0).toFixed(1),
    ((100 * out) / lampLm).toFixed(1),
    '1',
    '0',
    '1',
    '1',
    'household lamps',
    String(told),
    photometry.cctK === null ? '' : `${Math.round(photometry.cctK)} K`,
    photometry.criRa === null ? '' : `Ra ${Math.round(photometry.criRa)}`,
    photometry.wattsW.toFixed(1),
    ...Array<string>(DIRECT_RATIOS).fill('0'),
    ...planesDeg.map(String),
    ...anglesDeg.map(String),
    ...cd.flatMap((plane) => plane.map((value) => ((value / told) * 1000).toFixed(3))),
    '',
  ].join('\r\n');
}
