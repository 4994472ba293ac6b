/**
 * Dimmed incandescent and halogen lamps: lumens ∝ V^3.4, watts ∝ V^1.6, CCT ∝ V^0.42,
 * life ∝ V^−13 [std: IES Lighting Handbook exponents; from memory].
 */
const FLUX_EXPONENT = 3.4;
const WATTS_EXPONENT = 1.6;
const CCT_EXPONENT = 0.42;
const LIFE_EXPONENT = -13;

interface FilamentState {
  /** volts relative to rated, 0…1 */
  voltageRatio: number;
  fluxRatio: number;
  wattsRatio: number;
  cctRatio: number;
  lifeRatio: number;
}

/** A filament at a light level of 0…1 of its rated lumens. */
export function filamentAtLevel(level: number): FilamentState {
  const voltageRatio = level ** (1 / FLUX_EXPONENT);
  return {
    voltageRatio,
    fluxRatio: level,
    wattsRatio: voltageRatio ** WATTS_EXPONENT,
    cctRatio: voltageRatio ** CCT_EXPONENT,
    lifeRatio: voltageRatio ** LIFE_EXPONENT,
  };
}

/** Light level at which a filament of a rated CCT has sunk to the wanted one; the inverse. */
export const levelForCct = (wantedK: number, ratedK: number): number =>
  (wantedK / ratedK) ** (FLUX_EXPONENT / CCT_EXPONENT);
