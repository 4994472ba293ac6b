import { show, showText, threeFigures } from './format';

/** Quantities as sentences write them, whatever units the screen is set to. */
export const mm = (metres: number): string => showText(show(metres, 'length', 'metric'));
/** To a tenth of a millimetre, for marking out. */
export const exactMm = (metres: number): string => `${Number((metres * 1000).toFixed(1))} mm`;
export const amps = (currentA: number): string => `${threeFigures(currentA)} A`;
export const percent = (share: number): string => `${Math.round(share * 100)} %`;
