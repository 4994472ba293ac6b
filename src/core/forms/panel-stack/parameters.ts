import {
  choice,
  count,
  defineParameters,
  fillMode,
  layerParameters,
  length,
  mixParameters,
  mainsParameters,
  part,
  share,
  unit,
} from '../kit/parameters';

export const parameters = defineParameters({
  unitId: unit('Panel', 'Panels', 'panel'),
  fillMode: fillMode('Panels'),
  panelCount: count('Panels', 'Panels', {
    start: 2,
    min: 1,
    max: 4,
    when: { parameter: 'fillMode', is: 'count' },
  }),
  gapM: length('Between panels', 'Panels', { start: 0.01, min: 0, max: 0.3, step: 0.005 }),
  level: share('Level', 'Panels', { start: 1, min: 0, max: 1 }),
  ...mixParameters('Panels'),
  bracketPartId: part('Bracket board', 'Panels', 'sheet', false, { takes: 'stiff' }),
  softboxPartId: part('Softbox', 'Box', 'softbox', false),
  boxShape: choice('Shape', 'Box', [
    ['disc', 'round umbrella'],
    ['rectangle', 'square'],
  ]),
  boxM: length('Box across', 'Box', { start: 0.9, min: 0.2, max: 3 }),
  boxDepthM: length('Box depth', 'Box', { start: 0.45, min: 0.05, max: 2 }),
  // The box comes with its front.
  ...layerParameters('Front', 'Front it came with', false),
  ...mainsParameters(2),
});
export type Stack = ReturnType<typeof parameters.defaults>;
