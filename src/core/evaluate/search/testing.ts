import type { Production } from '../../document/production';
import { sample } from '../../testing/sample';
import { ERROR_STOPS, type Judged } from './judged';

/** A light that misses nothing of the sample’s first shot. */
export const judged = (over: Partial<Judged> = {}): Judged => ({
  id: 'build a',
  way: 'build',
  of: 'strip-ring',
  name: 'Strip ring',
  what: '1 m of tape',
  parameters: {},
  accessories: [],
  worn: [],
  lamp: 'tape',
  front: { widthM: 0.8, heightM: 0.8 },
  layers: [],
  cell: [0],
  lux: 150,
  stops: 0.3,
  errorStops: ERROR_STOPS.estimate,
  angleDeg: 37,
  separate: false,
  evennessStops: 0.1,
  ra: 95,
  cctK: 4000,
  miredOff: 0,
  flickers: false,
  nowMinor: 5000,
  fullMinor: 8000,
  unpriced: 0,
  priced: true,
  owned: false,
  hours: 3,
  watts: 20,
  massKg: 2,
  foldedM: 0.8,
  skill: 2,
  sure: false,
  ...over,
});

/** The sample with a shelf of few lamps, no builds and no fixtures: small enough to be searched whole. */
export function small(unitIds: readonly string[], over: Partial<Production> = {}): Production {
  const document = sample();
  const units = document.shelf.units.filter(({ id }) => unitIds.includes(id));
  return {
    ...document,
    shelf: { ...document.shelf, units },
    builds: [],
    fixtures: [],
    makings: [],
    setups: [],
    sessions: [],
    pictures: [],
    calibration: null,
    ...over,
  };
}

/** The first shot with other wishes. */
export const wishing = (
  document: Production,
  wishes: Partial<Production['shots'][number]['wishes']>,
  shot: Partial<Production['shots'][number]> = {},
): Production => ({
  ...document,
  shots: document.shots.map((each, k) =>
    k === 0 ? { ...each, ...shot, wishes: { ...each.wishes, ...wishes } } : each,
  ),
});
