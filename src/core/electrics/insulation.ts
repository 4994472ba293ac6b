/** Colour of a wire's insulation, as its region has it. */
export type Insulation =
  'brown' | 'blue' | 'green-yellow' | 'black' | 'white' | 'green' | 'red' | 'grey';
