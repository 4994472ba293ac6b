import type { ParameterMigrations } from '../form';
import { renamed } from '../kit/migrate';
import {
  bulbGroups,
  choice,
  defineParameters,
  length,
  mixParameters,
  quantity,
  share,
  unit,
} from '../kit/parameters';

export const parameters = defineParameters({
  source: choice('What it is', 'Source', [
    ['bulb', 'a bulb or table lamp'],
    ['panel', 'a panel'],
    ['work-light', 'a work light'],
    ['tube', 'a tube or bar'],
    ['window', 'a window'],
  ]),
  groups: bulbGroups('Bulb', 'Source'),
  panelId: unit('Panel', 'Source', 'panel', { when: { parameter: 'source', is: 'panel' } }),
  workLightId: unit('Work light', 'Source', 'work-light', {
    when: { parameter: 'source', is: 'work-light' },
  }),
  tubeId: unit('Tube or bar', 'Source', 'tube', { when: { parameter: 'source', is: 'tube' } }),
  windowWidthM: length('Window width', 'Window', { start: 1, min: 0.1, max: 10 }),
  windowHeightM: length('Window height', 'Window', { start: 1.2, min: 0.1, max: 10 }),
  windowCdM2: quantity('count', '', 10, 'Brightness, cd/m²', 'Window', {
    start: 200,
    min: 1,
    max: 50_000,
    help: 'overcast dusk about 200, overcast day about 2000',
  }),
  windowK: quantity('colourTemperature', 'K', 100, 'Colour', 'Window', {
    start: 6500,
    min: 2000,
    max: 20_000,
  }),
  level: share('Level', 'Source', { start: 1, min: 0, max: 1 }),
  ...mixParameters('Source'),
});
export type Plain = ReturnType<typeof parameters.defaults>;

/** Version 5 names every length with its unit. */
export const migrations: ParameterMigrations = {
  5: renamed({
    windowW: 'windowWidthM',
    windowH: 'windowHeightM',
  }),
};
