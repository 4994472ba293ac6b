import {
  choice,
  count,
  defineParameters,
  layerParameters,
  later,
  length,
  mainsParameters,
  part,
} from '../kit/parameters';
import { tapeParameters } from '../kit/tape';

export const overheadParameters = defineParameters({
  widthM: length('Width', 'Frame', { start: 5, min: 0.5, max: 12, step: 0.05 }),
  heightM: length('Depth', 'Frame', { start: 2.5, min: 0.5, max: 12, step: 0.05 }),
  pipePartId: part('Pipe', 'Frame', 'stick', true, { takes: 'pipe' }),
  takeOffM: later(
    length('Fitting takes', 'Frame', {
      start: 0,
      min: 0,
      max: 0.15,
      step: 0.001,
      help: 'middle of an elbow or tee to where the pipe stops: measure yours',
    }),
  ),
  barSpacingM: length('Cross bars at most', 'Frame', {
    start: 1.25,
    min: 0.2,
    max: 6,
    step: 0.05,
    help: 'apart',
  }),
  ...tapeParameters(60),
  rowPitchM: length('Row pitch', 'Tape', { start: 0.2, min: 0.02, max: 2 }),
  rows: count('Rows at most', 'Tape', { start: 12, min: 1, max: 200 }),
  ...layerParameters('Cloth'),
  clothDropM: length('Cloth under the tape', 'Cloth', { start: 0.25, min: 0.02, max: 2 }),
  seamM: length('Seam allowance', 'Cloth', { start: 0.015, min: 0, max: 0.1, step: 0.001 }),
  hemM: length('Hem', 'Cloth', { start: 0.04, min: 0, max: 0.2, step: 0.005 }),
  eyeletM: length('Eyelets at most', 'Cloth', { start: 0.3, min: 0.05, max: 2, help: 'apart' }),
  skirtM: length('Black skirt', 'Cloth', { start: 0.4, min: 0, max: 2, help: '0 for none' }),
  skirtPartId: part('Skirt cloth', 'Cloth', 'cloth', false),
  hangPoints: count('Hang points', 'Hoist', { start: 6, min: 1, max: 24 }),
  pointLimitKg: count('Point rated for, kg', 'Hoist', { start: 25, min: 1, max: 1000 }),
  ropeM: length('Rope a point', 'Hoist', { start: 10, min: 1, max: 60, step: 0.5 }),
  bonds: choice('Safety bonds', 'Hoist', [
    ['yes', 'at every point'],
    ['no', 'none'],
  ]),
  ...mainsParameters(10),
});
export type Overhead = ReturnType<typeof overheadParameters.defaults>;
