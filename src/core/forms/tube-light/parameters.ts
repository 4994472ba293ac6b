import { choice, count, defineParameters, length, mainsParameters, part } from '../kit/parameters';
import { tapeParameters } from '../kit/tape';

export const parameters = defineParameters({
  tubeLengthM: length('Tube length', 'Tube', { start: 1, min: 0.1, max: 3 }),
  insideDiameterM: length('Inside Ø', 'Tube', { start: 0.04, min: 0.008, max: 0.3, step: 0.001 }),
  tubePartId: part('Clear tube', 'Tube', 'stick', true, { takes: 'clearTube' }),
  capM: length('Cap takes', 'Tube', {
    start: 0.015,
    min: 0,
    max: 0.1,
    step: 0.001,
    help: 'of the length at each end',
  }),
  ...tapeParameters(1),
  strands: choice('Strands', 'Tape', [
    [1, 'one'],
    [2, 'two, back to back'],
  ]),
  linerPartId: part('Liner', 'Liner', 'diffusion', false, { begins: true }),
  linerTurns: count('Turns', 'Liner', { start: 1, min: 1, max: 4 }),
  overlapM: length('Overlap', 'Liner', { start: 0.005, min: 0, max: 0.05, step: 0.001 }),
  foldM: length('Fold over each end', 'Liner', { start: 0.01, min: 0, max: 0.1, step: 0.001 }),
  ...mainsParameters(2),
});
export type TubeLight = ReturnType<typeof parameters.defaults>;
