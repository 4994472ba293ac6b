import type { Xyz } from './chromaticity';
import { columnOf, COUNT, type Spectrum } from './grid';
import { CIE1931_FINE } from './tables/cie1931Fine';

const OBSERVER = [0, 1, 2].map((column) => columnOf(CIE1931_FINE, column));

/** Tristimulus values by summation at 1 nm over 360–830 nm [std: CIE 15], Y not normalised. */
export function xyzOf(spectrum: Spectrum, reflectance?: Spectrum): Xyz {
  const [xbar, ybar, zbar] = OBSERVER as [Spectrum, Spectrum, Spectrum];
  let [x, y, z] = [0, 0, 0];
  for (let k = 0; k < COUNT; k++) {
    const power = reflectance ? spectrum[k]! * reflectance[k]! : spectrum[k]!;
    x += xbar[k]! * power;
    y += ybar[k]! * power;
    z += zbar[k]! * power;
  }
  return [x, y, z];
}

/** The same spectrum with Y = 1, so that spectra mix by their lux. Throws on a dark one. */
export function ofUnitLuminance(spectrum: Spectrum): Spectrum {
  const [, luminance] = xyzOf(spectrum);
  if (!(luminance > 0)) throw new RangeError('a spectrum without visible power has no colour');
  return spectrum.map((power) => power / luminance);
}
