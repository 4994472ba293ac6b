/** Colours wires are insulated in, as they look on the reel: the same in every theme and on paper. */
export const INSULATIONS = {
  brown: '#8a4b1c',
  blue: '#2f6fc4',
  'green-yellow': '#3f9a3a',
  black: '#15130f',
  white: '#fffdf5',
  green: '#3f9a3a',
  red: '#c4281c',
  grey: '#8d8a84',
} as const;
export type Insulation = keyof typeof INSULATIONS;

/** The second colour of green and yellow, in stripes. */
export const STRIPE = '#f2d21b';
