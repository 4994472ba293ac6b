import {
  choice,
  count,
  defineParameters,
  finish,
  layerParameters,
  later,
  length,
  mainsParameters,
  part,
} from '../kit/parameters';
import { tapeParameters } from '../kit/tape';

export const parameters = defineParameters({
  widthM: length('Width', 'Panel', { start: 0.6, min: 0.1, max: 2.4 }),
  heightM: length('Height', 'Panel', { start: 0.3, min: 0.1, max: 2.4 }),
  backPartId: part('Back sheet', 'Panel', 'sheet'),
  frontPartId: part('Front sheet', 'Panel', 'sheet', true, { takes: 'translucent' }),
  edgeM: length('Edge without tape', 'Panel', { start: 0.03, min: 0.01, max: 0.3, step: 0.005 }),
  finish: finish('Back reflects like', 'Panel', 'mirror-acrylic'),
  ...tapeParameters(5),
  rowPitchM: length('Row pitch', 'Tape', { start: 0.03, min: 0.005, max: 0.4, step: 0.005 }),
  spacerM: length('Spacer', 'Panel', { start: 0.032, min: 0.003, max: 0.2, step: 0.0016 }),
  bolt: later(
    choice('Bolts', 'Panel', [
      ['M6', 'M6, washers of 1.6 mm'],
      ['M5', 'M5, washers of 1 mm'],
      ['M4', 'M4, washers of 0.8 mm'],
      ['M8', 'M8, washers of 1.6 mm'],
    ]),
  ),
  boltsX: count('Bolts along', 'Panel', { start: 3, min: 2, max: 12 }),
  boltsY: count('Bolts up', 'Panel', { start: 2, min: 2, max: 12 }),
  backing: choice('Under the tape', 'Tape', [
    ['bare', 'the sheet itself'],
    ['metal', 'aluminium tape'],
  ]),
  // What is bolted on the front is the first layer its light meets.
  ...layerParameters('Front', 'Front sheet as a layer'),
  ...mainsParameters(2),
});
export type Sandwich = ReturnType<typeof parameters.defaults>;
