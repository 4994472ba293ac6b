import type { ParameterMigrations } from '../form';
import { renamed } from '../kit/migrate';
import {
  bulbGroups,
  choice,
  defineParameters,
  finish,
  layerParameters,
  length,
  mainsParameters,
  part,
} from '../kit/parameters';

export const foamBoxParameters = defineParameters({
  frontWidthM: length('Front width', 'Box', { start: 0.6, min: 0.1, max: 3 }),
  frontHeightM: length('Front height', 'Box', { start: 0.6, min: 0.1, max: 3 }),
  shapeBy: choice('Shaped by', 'Box', [
    ['depth', 'back and depth'],
    ['inset', 'wings and inset of flat stock'],
  ]),
  backWidthM: length('Back width', 'Box', {
    start: 0.2,
    min: 0.05,
    max: 3,
    when: { parameter: 'shapeBy', is: 'depth' },
  }),
  backHeightM: length('Back height', 'Box', {
    start: 0.2,
    min: 0.05,
    max: 3,
    when: { parameter: 'shapeBy', is: 'depth' },
  }),
  depthM: length('Depth', 'Box', {
    start: 0.35,
    min: 0.03,
    max: 2,
    when: { parameter: 'shapeBy', is: 'depth' },
  }),
  wingM: length('Wing', 'Box', {
    start: 0.3048,
    min: 0.05,
    max: 1.5,
    when: { parameter: 'shapeBy', is: 'inset' },
  }),
  insetM: length('Inset', 'Box', {
    start: 0.0635,
    min: 0,
    max: 1,
    step: 0.005,
    when: { parameter: 'shapeBy', is: 'inset' },
  }),
  boardPartId: part('Board', 'Box', 'sheet', true, { takes: 'opaque' }),
  holeDiameterM: length('Hole for the lamp', 'Lamp', {
    start: 0.1,
    min: 0.02,
    max: 1,
    step: 0.005,
    help: 'slightly smaller than the lamp’s rim',
  }),
  socketPartId: part('Socket', 'Lamp', 'socket'),
  groups: bulbGroups('Bulb', 'Lamp'),
  lampInM: length('Bulb in front of the back', 'Lamp', {
    start: 0.06,
    min: 0,
    max: 1,
    step: 0.005,
  }),
  finish: finish('Inside', 'Inside', 'foil-crumpled'),
  ...layerParameters('Front'),
  lipM: length('Lip for the clips', 'Front', { start: 0.03, min: 0, max: 0.2, step: 0.005 }),
  ...mainsParameters(2),
});
export type FoamBox = ReturnType<typeof foamBoxParameters.defaults>;

/** Version 5 names every length with its unit. */
export const migrations: ParameterMigrations = {
  5: renamed({
    frontW: 'frontWidthM',
    frontH: 'frontHeightM',
    backW: 'backWidthM',
    backH: 'backHeightM',
  }),
};
