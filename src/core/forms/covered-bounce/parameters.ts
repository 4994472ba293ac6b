import {
  choice,
  count,
  defineParameters,
  finish,
  layerParameters,
  length,
  mainsParameters,
  part,
  share,
  unit,
} from '../kit/parameters';

export const parameters = defineParameters({
  widthM: length('Board width', 'Board', { start: 1.2, min: 0.2, max: 3 }),
  heightM: length('Board height', 'Board', { start: 0.8, min: 0.2, max: 3 }),
  sheets: count('Sheets glued', 'Board', { start: 1, min: 1, max: 4 }),
  boardPartId: part('White board', 'Board', 'sheet'),
  finish: finish('Face', 'Board', 'foam-core'),
  stiffenerPartId: part('Stiffener', 'Board', 'stick', false),
  unitId: unit('Tube', 'Tubes', 'tube'),
  facing: choice(
    'They shine',
    'Tubes',
    [
      ['in', 'into the board'],
      ['round', 'all round'],
    ],
    { variants: 'all' },
  ),
  linkRun: count('Tubes end to end', 'Tubes', { start: 1, min: 1, max: 4 }),
  offsetM: length('In from the edge', 'Tubes', { start: 0.04, min: 0.01, max: 0.5, step: 0.005 }),
  standoffM: length('Over the board', 'Tubes', { start: 0.05, min: 0.01, max: 0.5, step: 0.005 }),
  clips: count('Clips a tube', 'Tubes', { start: 2, min: 2, max: 6 }),
  clipInM: length('Clip from the tube’s end', 'Tubes', {
    start: 0.12,
    min: 0.02,
    max: 1,
    step: 0.005,
    help: 'clear of the control end',
  }),
  level: share('Level', 'Tubes', { start: 1, min: 0, max: 1 }),
  ballastPartId: part('Ballast', 'Tubes', 'ballast', false),
  ...layerParameters('Drape'),
  rodPartId: part('Rods that hold it off', 'Drape', 'stick', false),
  drapeOutM: length('Drape over the board', 'Drape', {
    start: 0.15,
    min: 0.02,
    max: 1,
    step: 0.005,
  }),
  ...mainsParameters(3),
});
export type Bounce = ReturnType<typeof parameters.defaults>;
