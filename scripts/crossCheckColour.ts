import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { columnOf, START_NM, type Spectrum } from '@/core/colour/grid';
import { daylight, planckian } from '@/core/colour/reference';
import { colourFigures } from '@/core/colour/rendering';
import { FLUORESCENT } from '@/core/colour/tables/fluorescent';
import { colourLed, phosphorLed } from '@/core/colour/typical';

/** Compares colour temperature, Ra and R9 with Debian's specplot (package argyll) where it is installed. */
const [FROM_NM, BANDS] = [380, 401];

const list = (at: (k: number) => string) =>
  Array.from({ length: BANDS }, (_, k) => at(k)).join(' ');

/** A spectrum as a CGATS.17 file [std: ANSI CGATS.17; from memory]. */
const cgats = (spectrum: Spectrum): string => `SPECT

DESCRIPTOR "cross-check"
MEAS_TYPE "EMISSION"
SPECTRAL_BANDS "${BANDS}"
SPECTRAL_START_NM "${FROM_NM}"
SPECTRAL_END_NM "${FROM_NM + BANDS - 1}"
SPECTRAL_NORM "1"

NUMBER_OF_FIELDS ${BANDS}
BEGIN_DATA_FORMAT
${list((k) => `SPEC_${FROM_NM + k}`)}
END_DATA_FORMAT

NUMBER_OF_SETS 1
BEGIN_DATA
${list((k) => spectrum[FROM_NM - START_NM + k]!.toExponential(6))}
END_DATA
`;

const LIGHTS: [string, Spectrum][] = [
  ...Array.from({ length: 12 }, (_, k): [string, Spectrum] => [
    `F${k + 1}`,
    columnOf(FLUORESCENT, k),
  ]),
  ...[2000, 2856, 4000].map((k): [string, Spectrum] => [`black body ${k} K`, planckian(k)]),
  ...[5003, 6504].map((k): [string, Spectrum] => [`daylight ${k} K`, daylight(k)]),
  ...[80, 95].map((ra): [string, Spectrum] => [
    `white LED 4000 K, Ra ${ra}`,
    phosphorLed(4000, ra),
  ]),
  ['red, green, blue 4000 K', colourLed(4000)],
];

function theirs(spectrum: Spectrum, file: string): { cctK: number; ra: number; r9: number } | null {
  writeFileSync(file, cgats(spectrum));
  const { stdout } = spawnSync('specplot', ['-s', file], { encoding: 'utf8' });
  const figure = (pattern: RegExp) => Number(pattern.exec(stdout ?? '')?.[1] ?? NaN);
  const found = {
    cctK: figure(/CCT = ([\d.]+)/),
    ra: figure(/CRI = (-?[\d.]+)/),
    r9: figure(/R9 = (-?[\d.]+)/),
  };
  return Number.isFinite(found.cctK) ? found : null;
}

if (spawnSync('specplot', ['-?']).error) {
  console.log('specplot is not installed (Debian: apt-get install argyll); nothing compared.');
} else {
  const folder = mkdtempSync(join(tmpdir(), 'jar-colour-'));
  console.table(
    LIGHTS.map(([name, spectrum], k) => {
      const own = colourFigures(spectrum);
      const other = theirs(spectrum, join(folder, `${k}.sp`));
      return {
        light: name,
        'K here': Number(own.cctK.toFixed(1)),
        'K there': other && Number(other.cctK.toFixed(1)),
        'Ra here': Number(own.ra.toFixed(1)),
        'Ra there': other?.ra,
        'R9 here': Number(own.special[8]!.toFixed(1)),
        'R9 there': other?.r9,
      };
    }),
  );
}
