import { choice, defineParameters, finish, length, mainsParameters, part } from '../kit/parameters';
import { tapeParameters } from '../kit/tape';

export const stripRingParameters = defineParameters({
  outerDiameterM: length('Outer Ø', 'Board', { start: 0.4, min: 0.1, max: 2 }),
  innerDiameterM: length('Inner Ø', 'Board', { start: 0.3, min: 0.03, max: 1.9 }),
  boardPartId: part('Sheet', 'Board', 'sheet'),
  tabM: length('Mounting tab', 'Board', {
    start: 0.06,
    min: 0,
    max: 0.4,
    step: 0.005,
    help: '0 for none; below the ring, carries the mount',
  }),
  lensDiameterM: length('Lens to clear', 'Board', { start: 0.09, min: 0, max: 0.4, step: 0.001 }),
  ...tapeParameters(5),
  rowPitchM: length('Row pitch', 'Tape', { start: 0.01, min: 0.003, max: 0.2, step: 0.001 }),
  startAt: choice('Starts', 'Tape', [
    ['inside', 'at the inside'],
    ['outside', 'at the outside'],
  ]),
  backing: choice('Under the tape', 'Tape', [
    ['bare', 'the board itself'],
    ['metal', 'aluminium tape'],
  ]),
  finish: finish('Front finish', 'Front', 'white-emulsion'),
  paintPartId: part('Paint', 'Front', 'paint', false),
  ...mainsParameters(2),
});
export type StripRing = ReturnType<typeof stripRingParameters.defaults>;
