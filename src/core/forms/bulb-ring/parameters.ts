import {
  bulbGroups,
  choice,
  count,
  defineParameters,
  FILL_MODES,
  finish,
  later,
  length,
  mainsParameters,
  part,
} from '../kit/parameters';

const { cordPartId, plugPartId, dimmerPartId, tailLengthM } = mainsParameters(3);

/** As many as a ring may be asked for. */
export const MOST_SOCKETS = 400;

/** Sockets round an annular board; nothing chosen yet, sizes that fit a car boot. */
export const MOST_STANDOFF_M = 0.3;

export const bulbRingParameters = defineParameters({
  outerDiameterM: length('Outer Ø', 'Board', { start: 1, min: 0.15, max: 4 }),
  ringWidthM: length('Ring width', 'Board', { start: 0.15, min: 0.03, max: 1.5, step: 0.005 }),
  boardPartId: part('Sheet', 'Board', 'sheet'),
  centreBarWidthM: length('Centre bar', 'Board', {
    start: 0,
    min: 0,
    max: 0.3,
    step: 0.005,
    help: '0 for none; carries the stand bolt',
  }),
  coverPartId: later(part('Back cover', 'Board', 'sheet', false)),
  fillMode: choice('Fill', 'Sockets', [...FILL_MODES, ['gap', 'By the largest gap']], {
    start: 'count',
  }),
  socketCount: count('Sockets', 'Sockets', {
    start: 16,
    min: 1,
    max: MOST_SOCKETS,
    when: { parameter: 'fillMode', is: 'count' },
  }),
  /** must not be passed when filling by gap */
  largestGapM: length('Largest gap', 'Sockets', {
    start: 0.1,
    min: 0.005,
    max: 2,
    step: 0.005,
    help: 'clear space between two globes',
    when: { parameter: 'fillMode', is: 'gap' },
  }),
  rows: choice('Rows', 'Sockets', [
    [1, 'One row'],
    [2, 'Two, staggered'],
  ]),
  socketPartId: part('Socket', 'Sockets', 'socket'),
  standoffM: length('Spacer under socket', 'Sockets', {
    start: 0,
    min: 0,
    max: MOST_STANDOFF_M,
    step: 0.005,
  }),
  groups: bulbGroups('Bulbs', 'Bulbs'),
  finish: finish('Front finish', 'Front', 'white-emulsion'),
  paintPartId: part('Paint', 'Front', 'paint', false),
  skirtDepthM: length('Skirt depth', 'Front', { start: 0, min: 0, max: 1, help: '0 for none' }),
  skirtPartId: part('Skirt cloth', 'Front', 'cloth', false),
  cordPartId,
  tailLengthM,
  stripAllowanceM: length('Strip allowance', 'Cord', {
    start: 0.03,
    min: 0.005,
    max: 0.2,
    step: 0.005,
  }),
  holes: choice('Cord holes', 'Cord', [
    ['single', 'One of 25 mm'],
    ['pair', 'A slanted pair'],
  ]),
  plugPartId,
  dimmerPartId,
});
export type BulbRing = ReturnType<typeof bulbRingParameters.defaults>;
