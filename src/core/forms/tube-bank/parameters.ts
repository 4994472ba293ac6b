import {
  choice,
  count,
  defineParameters,
  fillMode,
  finish,
  length,
  mixParameters,
  mainsParameters,
  part,
  share,
  unit,
} from '../kit/parameters';

export const parameters = defineParameters({
  unitId: unit('Tube or bar', 'Tubes', 'tube'),
  fillMode: fillMode('Tubes'),
  tubeCount: count('Tubes', 'Tubes', {
    start: 4,
    min: 1,
    max: 8,
    when: { parameter: 'fillMode', is: 'count' },
  }),
  linkRun: count('End to end', 'Tubes', {
    start: 1,
    min: 1,
    max: 12,
    help: 'linkable bars in one row',
  }),
  pitchM: length('Pitch', 'Tubes', { start: 0.08, min: 0.01, max: 0.6, step: 0.005 }),
  orientation: choice('Tubes run', 'Tubes', [
    ['upright', 'upright'],
    ['level', 'level'],
  ]),
  standoffM: length('Over the back', 'Tubes', { start: 0.04, min: 0.005, max: 0.3, step: 0.005 }),
  level: share('Level', 'Tubes', { start: 1, min: 0, max: 1 }),
  ...mixParameters('Tubes'),
  ballastPartId: part('Ballast', 'Tubes', 'ballast', false),
  boardPartId: part('Sheet', 'Housing', 'sheet'),
  edgeM: length('Edge round the tubes', 'Housing', { start: 0.05, min: 0, max: 0.4, step: 0.005 }),
  lipM: length('Side walls', 'Housing', { start: 0.08, min: 0, max: 0.5, step: 0.005 }),
  finish: finish('Reflector', 'Housing', 'white-emulsion'),
  bracket: choice('Stand bracket', 'Housing', [
    ['yes', 'across the back'],
    ['no', 'none'],
  ]),
  ...mainsParameters(3),
});
export type TubeBank = ReturnType<typeof parameters.defaults>;
