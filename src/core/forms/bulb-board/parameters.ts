import {
  bulbGroups,
  choice,
  count,
  defineParameters,
  fillMode,
  finish,
  later,
  length,
  mainsParameters,
  part,
} from '../kit/parameters';

export const bulbBoardParameters = defineParameters({
  lengthM: length('Length', 'Board', { start: 1.2, min: 0.15, max: 4 }),
  boardWidthM: length('Width', 'Board', { start: 0.14, min: 0.04, max: 1.2 }),
  boardPartId: part('Sheet', 'Board', 'sheet'),
  orientation: choice('Stands', 'Board', [
    ['upright', 'upright'],
    ['level', 'level'],
  ]),
  split: choice('Made as', 'Board', [
    [1, 'one board'],
    [2, 'two halves with joining plates'],
  ]),
  coverPartId: later(part('Back cover', 'Board', 'sheet', false)),
  fillMode: fillMode('Sockets'),
  socketCount: count('Sockets', 'Sockets', {
    start: 6,
    min: 1,
    max: 100,
    when: { parameter: 'fillMode', is: 'count' },
  }),
  insetM: length('In from the ends', 'Sockets', { start: 0.1, min: 0.01, max: 1, step: 0.005 }),
  spacing: choice('Spacing', 'Sockets', [
    ['even', 'even'],
    ['ends', 'closer at the ends'],
  ]),
  socketPartId: part('Socket', 'Sockets', 'socket'),
  groups: bulbGroups('Bulbs', 'Bulbs'),
  finish: finish('Front finish', 'Front', 'white-emulsion'),
  flags: choice('Foam-core flags', 'Front', [
    ['none', 'none'],
    ['sides', 'along both sides'],
    ['ends', 'at both ends'],
    ['all', 'all round'],
  ]),
  flagDepthM: length('Flag depth', 'Front', { start: 0.15, min: 0.02, max: 1 }),
  flagPartId: part('Flag sheet', 'Front', 'sheet', false),
  ...mainsParameters(3),
  stripAllowanceM: length('Strip allowance', 'Cord', {
    start: 0.03,
    min: 0.005,
    max: 0.2,
    step: 0.005,
  }),
});
export type BulbBoard = ReturnType<typeof bulbBoardParameters.defaults>;
