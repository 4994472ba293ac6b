import { isPlainObject } from '../edit/address';
import { each, type Json } from '../version6/records';

/** Version 11: a setup is a room with things in it. Before it only its place in the document was kept. */
const wall = (reflectance: number, tint = 'none') => ({ reflectance, tint });

/** As version 11 had them: what later versions change starts from these. */
const blankSetup = () => ({
  room: {
    open: 'none',
    widthM: 5,
    depthM: 4,
    heightM: 2.6,
    finishes: {
      floor: wall(0.3, 'wood'),
      ceiling: wall(0.8),
      front: wall(0.7),
      back: wall(0.7),
      left: wall(0.7),
      right: wall(0.7),
    },
  },
  camera: {
    xM: 2.5,
    yM: 0.5,
    zM: 1.4,
    panDeg: 0,
    tiltDeg: 0,
    focalMm: 35,
    sensorMm: 24,
    balanceK: 4000,
  },
});

/** Builds that stood in it are placed side by side, to be drawn where they belong. */
const placed = (buildIds: unknown): Json[] =>
  (Array.isArray(buildIds) ? buildIds : []).map((buildId, k) => ({
    id: `light-${k + 1}`,
    name: `Light ${k + 1}`,
    kind: 'light',
    buildId,
    fixtureId: null,
    unitId: null,
    role: 'key',
    xM: 1 + k * 0.5,
    yM: 1,
    zM: 1.7,
    panDeg: 0,
    tiltDeg: 0,
    rollDeg: 0,
    level: 1,
    gelMired: 0,
    on: true,
  }));

function liftSetup({ buildIds, ...setup }: Json): Json {
  return { ...blankSetup(), things: placed(buildIds), ...setup };
}

export const toVersion11 = (document: Json): Json => ({
  ...document,
  version: 11,
  setups: each(document.setups, liftSetup),
});

/** A command as a window of version 10 wrote it; anything else comes back as it is. */
export function commandToVersion11(command: unknown): unknown {
  return isPlainObject(command) && command.kind === 'setup' && isPlainObject(command.record)
    ? { ...command, record: liftSetup(command.record) }
    : command;
}
