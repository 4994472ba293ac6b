import type { ParameterMigrations } from '../form';
import { renamed } from '../kit/migrate';
import { doorParameters } from '../kit/doors';
import {
  choice,
  defineParameters,
  finish,
  length,
  mainsParameters,
  share,
  unit,
} from '../kit/parameters';

export const MOST_BOUNCE_M = 10;

export const parameters = defineParameters({
  unitId: unit('Work light', 'Lamp', 'work-light', {
    brings: { faceWidthM: 'faceWidthM', faceHeightM: 'faceHeightM' },
  }),
  faceWidthM: length('Face width', 'Lamp', { start: 0.165, min: 0.03, max: 1, step: 0.005 }),
  faceHeightM: length('Face height', 'Lamp', { start: 0.14, min: 0.03, max: 1, step: 0.005 }),
  glass: choice('Guard glass', 'Lamp', [
    ['in', 'stays in'],
    ['out', 'taken out'],
  ]),
  level: share('Level', 'Lamp', { start: 1, min: 0, max: 1 }),
  gapFoil: choice('Foil over the gaps', 'Doors', [
    ['yes', 'yes'],
    ['no', 'no'],
  ]),
  ...doorParameters('Doors'),
  aim: choice(
    'Aimed',
    'Bounce',
    [
      ['direct', 'at the subject'],
      ['bounce', 'at a sheet, wall or ceiling'],
    ],
    { variants: 'all' },
  ),
  bounceWidthM: length('Lit patch, width', 'Bounce', {
    start: 1.5,
    min: 0.1,
    max: 8,
    when: { parameter: 'aim', is: 'bounce' },
  }),
  bounceHeightM: length('Lit patch, height', 'Bounce', {
    start: 1.5,
    min: 0.1,
    max: 8,
    when: { parameter: 'aim', is: 'bounce' },
  }),
  bounceDistanceM: length('Lamp to the surface', 'Bounce', {
    start: 1,
    min: 0.1,
    max: MOST_BOUNCE_M,
    when: { parameter: 'aim', is: 'bounce' },
  }),
  bounceFinish: finish('Surface', 'Bounce', 'white-ceiling'),
  ...mainsParameters(2),
});
export type WorkLight = ReturnType<typeof parameters.defaults>;

/** Version 5 names every length with its unit. */
export const migrations: ParameterMigrations = {
  5: renamed({
    faceW: 'faceWidthM',
    faceH: 'faceHeightM',
    bounceW: 'bounceWidthM',
    bounceH: 'bounceHeightM',
  }),
};
