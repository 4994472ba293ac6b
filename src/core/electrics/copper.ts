/** Resistivity of annealed copper at 20 °C, Ω·mm²/m [std: IACS, IEC 60028]. */
const COPPER_OHM_MM2_PER_M = 0.017241;
/** Rise of resistance per kelvin, from 20 °C [std: IEC 60028]. */
const COPPER_PER_K = 0.00393;

/** Diameter of American wire gauge n, mm: 0.127·92^((36−n)/39) [std: ASTM B258]. */
export const awgDiameterMm = (gauge: number): number => 0.127 * 92 ** ((36 - gauge) / 39);

/** Cross-section of American wire gauge n, mm². */
export const awgAreaMm2 = (gauge: number): number => (Math.PI / 4) * awgDiameterMm(gauge) ** 2;

/** Resistance of one conductor per metre. @param areaMm2 > 0 @param temperatureC of the copper */
export const ohmPerM = (areaMm2: number, temperatureC = 20): number =>
  (COPPER_OHM_MM2_PER_M / areaMm2) * (1 + COPPER_PER_K * (temperatureC - 20));
