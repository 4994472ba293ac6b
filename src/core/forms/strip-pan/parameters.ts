import {
  choice,
  count,
  defineParameters,
  finish,
  layerParameters,
  length,
  mainsParameters,
  part,
} from '../kit/parameters';
import { tapeParameters } from '../kit/tape';

export const stripPanParameters = defineParameters({
  diameterM: length('Pan Ø', 'Pan', { start: 0.356, min: 0.1, max: 2 }),
  depthM: length('Depth', 'Pan', { start: 0.076, min: 0.02, max: 0.6, step: 0.005 }),
  panPartId: part('Pan', 'Pan', 'hardware', false, {
    takes: 'vessel',
    begins: true,
    brings: { diameterM: 'diameterM', depthM: 'depthM', finish: 'inside' },
  }),
  boardPartId: part('Or base and rim from', 'Pan', 'sheet', false, { takes: 'opaque' }),
  clampGapM: length('Gap left for the clamp', 'Pan', {
    start: 0.04,
    min: 0,
    max: 0.3,
    step: 0.005,
  }),
  finish: finish('Inside', 'Pan', 'white-emulsion'),
  ...tapeParameters(5),
  tapeOn: choice(
    'Tape on',
    'Tape',
    [
      ['rim', 'the rim: glow by bounces'],
      ['base', 'the base: brighter, harsher'],
    ],
    { variants: 'all' },
  ),
  rowPitchM: length('Row pitch', 'Tape', { start: 0.012, min: 0.003, max: 0.3, step: 0.001 }),
  rows: count('Rows at most', 'Tape', { start: 6, min: 1, max: 60 }),
  ...layerParameters('Front'),
  layerSpacingM: length('Between layers', 'Front', { start: 0.02, min: 0, max: 0.3, step: 0.005 }),
  tabM: length('Tab round each disc', 'Front', { start: 0.02, min: 0, max: 0.2, step: 0.005 }),
  ...mainsParameters(2),
});
export type StripPan = ReturnType<typeof stripPanParameters.defaults>;
