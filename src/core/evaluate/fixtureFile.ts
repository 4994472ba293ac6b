import { readUnitSpread } from '../formats/unitSpread';
import { accept, refuse, type Result } from '../result';
import type { Fixture } from '../verdict/fixture';

/** What a photometric file says of a fixture; what it is silent of stays as it was typed. */
export type FixtureFigures = Pick<Fixture, 'illuminanceLx' | 'atDistanceM'> &
  Partial<Pick<Fixture, 'frontWidthM' | 'frontHeightM' | 'wattsW'>>;

const AT_M = 1;
/** Lux a data sheet may hold. */
const MOST_LX = 10_000_000;

/**
 * A fixture’s figures out of an LM-63 or EULUMDAT file: its intensity on the axis is that from far off, so the lux
 * near a wide front are those of an even disc of the same intensity, E = I / (d² + R²).
 */
export function readFixtureFile(
  bytes: Uint8Array,
  fileName: string,
  now: Pick<Fixture, 'frontWidthM' | 'frontHeightM'>,
): Result<{ figures: FixtureFigures; notes: string[] }> {
  const read = readUnitSpread(bytes, fileName);
  if (!read.ok) return read;
  const { axisCd, opening, wattsW, notes } = read.value;
  const front = opening ?? { widthM: now.frontWidthM, heightM: now.frontHeightM };
  const illuminanceLx = axisCd / (AT_M ** 2 + (front.widthM * front.heightM) / Math.PI);
  if (!(illuminanceLx >= 0.1 && illuminanceLx <= MOST_LX))
    return refuse(
      'axis',
      `The file gives ${axisCd.toPrecision(3)} cd on the axis: no light to hold against another.`,
      'file',
    );
  return accept({
    figures: {
      illuminanceLx: Number(illuminanceLx.toPrecision(4)),
      atDistanceM: AT_M,
      ...(opening && { frontWidthM: opening.widthM, frontHeightM: opening.heightM }),
      ...(wattsW !== null && { wattsW }),
    },
    notes: [
      `${axisCd.toPrecision(4)} cd on the axis`,
      ...(opening ? [] : ['it gives no luminous size: type the front’s']),
      ...notes,
    ],
  });
}
